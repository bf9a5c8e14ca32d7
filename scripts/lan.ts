import { networkInterfaces } from 'node:os';
import { createInterface } from 'node:readline';
import QRCode from 'qrcode';
import { makeDoor } from '../src/server/door';
import { CODE_LIVES, Pairing } from '../src/server/pairing';

/** This machine's addresses on its networks. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).flatMap(({ family, internal, address }) =>
      family === 'IPv4' && !internal ? [address] : [],
    ),
  );

/** Opens a door on every address of this machine, prints a code and makes another on Enter. */
export async function openDoors(port: number, hosts = ownAddresses()): Promise<void> {
  if (hosts.length === 0) {
    console.log('HAVRIK_LAN=1: this machine is on no network, so nobody else is let in.\n');
    return;
  }
  const pairing = new Pairing();
  const paired = () =>
    console.log('Paired. For another telephone press Enter: a new code is shown.\n');
  const opened: string[] = [];
  for (const host of hosts) {
    const { server } = makeDoor(port, hosts, paired, pairing);
    const why = await new Promise<string | null>((resolve) => {
      server.once('error', ({ code }: NodeJS.ErrnoException) => resolve(code ?? 'unknown'));
      server.listen(port, host, () => resolve(null));
    });
    if (why === null) opened.push(`http://${host}:${port}`);
    else console.log(`http://${host}:${port} cannot be opened (${why}).`);
  }
  if (opened.length === 0) return;
  const show = async () => {
    const code = pairing.newCode();
    console.log(
      await QRCode.toString(`${opened[0]}/pair#${code}`, { type: 'terminal', small: true }),
    );
    console.log(
      `On the local network: ${opened.join(' or ')}\nCode ${code.slice(0, 4)} ${code.slice(4)}: used once, within ${CODE_LIVES / 60_000} minutes. Nothing is encrypted: use a network you trust.\n`,
    );
  };
  await show();
  if (process.stdin.isTTY) createInterface({ input: process.stdin }).on('line', () => void show());
}
