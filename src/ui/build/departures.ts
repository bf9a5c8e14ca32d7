import type { Opened } from '@/server/reading';

/** Benches of this window that have been left and still send what was typed last, by build. */
const leaving = new Map<string, Promise<void>>();

/** A page was left; `sent` ends when it has done what it can. */
export function depart(id: string, sent: Promise<void>): void {
  const gone = sent.finally(() => {
    if (leaving.get(id) === gone) leaving.delete(id);
  });
  leaving.set(id, gone);
}

/** Whether a page of this build is still being left. */
export const isLeaving = (id: string): boolean => leaving.has(id);

/** The build as it is once the page that was left has sent what it had. */
export async function afterDeparture(opened: Opened): Promise<Opened> {
  await leaving.get(opened.id);
  const response = await fetch(`/api/builds/${opened.id}`).catch(() => null);
  return response?.ok ? ((await response.json()) as Opened) : opened;
}
