import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browse, newPage, start } from '../e2e/havrik';
import { seedIfEmpty } from '../src/db/builds';
import { stopWriting } from '../src/db/writing';
import { rodToFind } from './benchLayouts';

/** Time from asking for the list of builds to its rows being painted, at a thousand builds and at five. */
export async function listInChromium(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'havrik-bench-list-'));
  const browser = await browse();
  for (const count of [1000, 5000]) {
    process.env.HAVRIK_DB = join(folder, `${count}.sqlite`);
    await seedIfEmpty(
      Array.from({ length: count }, (_, i) => ({
        ...rodToFind(false),
        name: `Build ${i}`,
        note: `chassis ${10_000 + i}`,
      })),
    );
    await stopWriting();
    const app = await start(process.env.HAVRIK_DB);
    const { page } = await newPage(browser);
    await page.evaluateOnNewDocument(`{
      const look = () => document.querySelector('h2 a')
        ? requestAnimationFrame(() => setTimeout(() => (window.seen ??= performance.now())))
        : setTimeout(look, 2);
      look();
    }`);
    // What a start does behind the pages is over.
    await new Promise((wake) => setTimeout(wake, 3000));
    const times: number[] = [];
    for (let i = 0; i < 9; i++) {
      await page.goto(app.address, { waitUntil: 'load' });
      await page.waitForFunction('window.seen', { polling: 20 });
      times.push(Number(await page.evaluate('window.seen')));
      await new Promise((wake) => setTimeout(wake, 300));
    }
    const searches: number[] = [];
    const list = async (find: string) => {
      const started = performance.now();
      await (await fetch(`${app.address}/api/builds?find=${encodeURIComponent(find)}`)).text();
      return performance.now() - started;
    };
    await list('');
    const answered = await list('');
    for (const find of ['chassis 10077', 'build 9', 'nothing of the kind'])
      searches.push(await list(find));
    const sorted = times.slice(1).sort((a, b) => a - b);
    console.log(
      `list of ${count} builds: ${sorted[sorted.length >> 1].toFixed(0)} ms to its painted rows ` +
        `(median of ${sorted.length}, ${times[0].toFixed(0)} the first time), answered in ${answered.toFixed(0)} ms, a search ${Math.max(...searches).toFixed(0)} ms at most`,
    );
    await page.close();
    await app.stop();
  }
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
}
