import { isWhole } from './raw';

// One per process, not per bundle of the server.
const globals = globalThis as { havrikDamaged?: boolean };

/** Whether the database file of this process has been found damaged. */
export const damaged = {
  known: (): boolean => globals.havrikDamaged === true,
  note: (): void => {
    globals.havrikDamaged = true;
  },
  /** Looks the whole file through, over a connection of its own. */
  async look(path: string): Promise<boolean> {
    globals.havrikDamaged = !(await isWhole(path));
    return globals.havrikDamaged;
  },
};
