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
const root = join(__dirname, '..');

/**
 * Starts the built application and waits until it answers.
 * @param options.port this port and no other; without it the first free one from 4310 on
 * @param options.env set for the server besides this process's own environment
 */
export async function serve(
  options: { port?: number; env?: Record<string, string>; uid?: number } = {},
): Promise<Served> {
  const port =
    options.port ??
    (await getPort({ host: HOST, port: portNumbers(FIRST_PORT, FIRST_PORT + 200) }));
  if (options.port !== undefined && !(await isFree(options.port)))
    return {
      ok: false,
      why: `Port ${options.port} is in use by another program. Choose another: PORT=${options.port + 1} ./demo.sh`,
    };

  let said = '';
  const child = spawn(
    process.execPath,
    [join(root, 'node_modules/next/dist/bin/next'), 'start', '-H', HOST, '-p', `${port}`],
    {
      cwd: root,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...options.env },
      stdio: ['ignore', 'pipe', 'pipe'],
      uid: options.uid,
    },
  );
  child.stdout.on('data', (data: Buffer) => (said += data.toString()));
  child.stderr.on('data', (data: Buffer) => {
    said += data.toString();
    process.stderr.write(data);
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const address = `http://${HOST}:${port}`;
  for (let waited = 0; waited < 60_000; waited += 100) {
    if (child.exitCode !== null) return { ok: false, why: said.trim() };
    if (await fetch(address).catch(() => null))
      return {
        ok: true,
        address,
        process: child,
        stop: async (signal = 'SIGTERM') => {
          child.kill(signal);
          // Open browser connections may hold a polite stop up; saved is saved.
          const impatient = setTimeout(() => child.kill('SIGKILL'), 3000);
          await ended;
          clearTimeout(impatient);
        },
      };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill('SIGKILL');
  return { ok: false, why: `Havrik did not answer within a minute.\n${said}` };
}

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)))
      .listen(port, HOST);
  });
