import { format } from 'date-fns';
import type * as Backup from '../src/db/backup';
import { BadInput } from './input';

/** Writes a backup of the database into a new file; says what is in it. */
export async function backupTo(file: string): Promise<string> {
  return inWords(async ({ backUp }, path) => {
    const { builds } = await backUp(path, file);
    return `${count(builds)} of ${path} backed up into ${file}\n`;
  });
}

/** Puts a backup in the database's place; says what was in it and where the old one is kept. */
export async function restoreFrom(file: string): Promise<string> {
  return inWords(async (backup, path) => {
    const { builds, made, kept } = await backup.restoreFrom(file, path);
    const when = made ? `, made ${format(new Date(made), 'd MMMM yyyy, HH:mm')}` : '';
    return (
      `${count(builds)} restored from ${file}${when}, into ${path}\n` +
      (kept ? `What was there before is kept as ${kept}\n` : '')
    );
  });
}

const count = (builds: number) => (builds === 1 ? '1 build' : `${builds} builds`);

/** The database is only loaded by the commands that need it. */
async function inWords(
  work: (backup: typeof Backup, path: string) => Promise<string>,
): Promise<string> {
  const [backup, { databasePath }, { DatabaseTrouble }] = await Promise.all([
    import('../src/db/backup'),
    import('../src/db/database'),
    import('../src/db/trouble'),
  ]);
  try {
    return await work(backup, databasePath());
  } catch (error) {
    if (error instanceof DatabaseTrouble) throw new BadInput(error.message);
    throw error;
  }
}
