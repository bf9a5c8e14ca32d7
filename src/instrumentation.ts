/** Runs once when the server starts: tables up to date, demonstration builds in an empty database. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { prepareDatabase } = await import('./server/start');
  await prepareDatabase();
}
