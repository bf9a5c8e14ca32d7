import { openDoors } from './lan';
import { serve } from './server';

/** Serves the built application on 127.0.0.1 until it is stopped, and prints its address. */
async function main(): Promise<void> {
  const wanted = process.env.PORT?.trim();
  if (wanted !== undefined && !(/^\d{1,5}$/u.test(wanted) && Number(wanted) <= 65_535)) {
    console.error(`PORT=${wanted} is not a port: give a number from 1 to 65535, or 0 for any.`);
    process.exit(1);
  }
  const server = await serve({ port: wanted === undefined ? undefined : Number(wanted) });
  if (!server.ok) {
    console.error(server.why);
    process.exit(1);
  }
  console.log(`\nHavrik is at ${server.address}\nStop it with Ctrl+C.\n`);
  if (process.env.HAVRIK_LAN === '1') await openDoors(Number(new URL(server.address).port));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
    process.on(signal, () => void server.stop().then(() => process.exit(0)));
  server.process.on('exit', (code) => process.exit(code ?? 1));
}

void main();
