import { fork } from 'node:child_process';
import { checkLoop } from '../src/test/checkLoop';
import type { LoopTally } from '../src/test/checkLoop';

const CARS = 1000;
/** Processes that share them. */
const SHARES = 2;

/** A thousand virtual cars from their first reading to their second shim, and a planted number each, in two processes. */
export async function checkThousand(): Promise<string> {
  const started = performance.now();
  const shares = await Promise.all(
    Array.from(
      { length: SHARES },
      (_, share) =>
        new Promise<LoopTally>((resolve, reject) => {
          const child = fork(__filename, [String(CARS / SHARES), String(share + 1)], {
            execArgv: ['--import', 'tsx'],
          });
          child.on('message', (tally) => resolve(tally as LoopTally));
          child.on('error', reject);
          child.on('exit', (code) => code !== 0 && reject(new Error('the cars did not finish')));
        }),
    ),
  );
  const seconds = (performance.now() - started) / 1000;
  const sum = (of: (tally: LoopTally) => number) => shares.reduce((all, one) => all + of(one), 0);
  const share = (part: number, of: number) => `${((100 * part) / of).toFixed(1)} % of ${of}`;
  const [out, told, planted] = [sum((t) => t.out), sum((t) => t.told), sum((t) => t.planted)];
  return [
    `${CARS} cars on stands in ${seconds.toFixed(0)} s:`,
    `  in the band after the first shim ${share(
      sum((t) => t.inAfterOne),
      out,
    )} that were out, after two ${share(
      sum((t) => t.inAfterTwo),
      out,
    )}`,
    `  what a shim was told to do came out within its ± in ${share(
      sum((t) => t.withinTold),
      sum((t) => t.advice),
    )}`,
    `  a planted number that the readings can tell is first in ${share(
      sum((t) => t.first),
      told,
    )}, in the first three in ${share(
      sum((t) => t.three),
      told,
    )}`,
    `  any planted number is first in ${share(
      sum((t) => t.firstOfAll),
      planted,
    )}, in the first three in ${share(
      sum((t) => t.threeOfAll),
      planted,
    )}`,
  ].join('\n');
}

if (process.send) {
  const [cars, seed] = process.argv.slice(2).map(Number);
  process.send(checkLoop(cars, seed), () => process.exit(0));
}
