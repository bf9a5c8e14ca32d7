import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import getPort, { portNumbers } from 'get-port';

export type Served =
  | {
      ok: true;
      address: string;
      process: ChildProcess;
      stop: (signal?: NodeJS.Signals) => Promise<void>;
    }
  | { ok: false; why: string };

const HOST = '127.0.0.1';
const FIRST_PORT = 4310;
/** How long a start may take, one answer, and a polite stop, ms. */
const START = 60_000;
const ANSWER = 5_000;
const STOP = 5_000;
const root = join(__dirname, '..');

/**
 * Starts the built application and waits until it answers.
 * @param options.port this port and no other, 0 for any; without it the first free one from 4310 on
 * @param options.env set for the server besides this process's own environment
 */
export async function serve(
  options: { port?: number; env?: Record<string, string>; uid?: number } = {},
): Promise<Served> {
  const wanted = options.port;
  const port =
    wanted ||
    (await getPort({
      host: HOST,
      ...(wanted === undefined && { port: portNumbers(FIRST_PORT, FIRST_PORT + 200) }),
    }));
  if (wanted) {
    const why = await whyNot(wanted);
    if (why) return { ok: false, why };
  }

  let said = '';
  const child = spawn(
    process.execPath,
    [join(root, 'node_modules/next/dist/bin/next'), 'start', '-H', HOST, '-p', `${port}`],
    {
      cwd: root,
      env: {
        ...process.env,
        NEXT_TELEMETRY_DISABLED: '1',
        // The application closes its database before it goes.
        NEXT_MANUAL_SIG_HANDLE: 'true',
        ...options.env,
      },
      // The channel ends with this process, however it ends, and the application with the channel.
      stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
      uid: options.uid,
    },
  );
  child.stdout!.on('data', (data: Buffer) => (said += data.toString()));
  child.stderr!.on('data', (data: Buffer) => {
    said += data.toString();
    process.stderr.write(data);
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const address = `http://${HOST}:${port}`;
  const late = Date.now() + START;
  while (Date.now() < late) {
    if (child.exitCode !== null || child.signalCode !== null)
      return { ok: false, why: said.trim() || 'Havrik ended before it answered.' };
    if (await fetch(address, { signal: AbortSignal.timeout(ANSWER) }).catch(() => null))
      return {
        ok: true,
        address,
        process: child,
        stop: async (signal = 'SIGTERM') => {
          child.kill(signal);
          // Saved is saved, also where a polite stop takes too long.
          const impatient = setTimeout(() => child.kill('SIGKILL'), STOP);
          await ended;
          clearTimeout(impatient);
        },
      };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill('SIGKILL');
  return { ok: false, why: `Havrik did not answer within a minute.\n${said}` };
}

/** Why a port cannot be had, in words; null where it can. */
const whyNot = (port: number): Promise<string | null> =>
  new Promise((resolve) => {
    const probe = createServer()
      .once('error', ({ code }: NodeJS.ErrnoException) =>
        resolve(
          code === 'EACCES'
            ? `Port ${port} is for the system’s own programs. Choose one from 1024 on: PORT=${FIRST_PORT} ./demo.sh`
            : `Port ${port} is in use by another program. Choose another: PORT=${port < 65_535 ? port + 1 : FIRST_PORT} ./demo.sh`,
        ),
      )
      .once('listening', () => probe.close(() => resolve(null)))
      .listen(port, HOST);
  });
