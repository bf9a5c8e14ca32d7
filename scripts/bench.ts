import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import v8 from 'node:v8';
import fc from 'fast-check';
import { Bench } from 'tinybench';
import { POSITIONS } from '../src/core/bumpsteer/bumpSteer';
import { shim } from '../src/core/bumpsteer/shim';
import { armsFromCamber } from '../src/core/arms/armsFromCamber';
import { clearancesOf } from '../src/core/clearance/room';
import { startingRoom } from '../src/core/clearance/roomSchema';
import { blankBuild } from '../src/core/model/starts';
import { bumpMap } from '../src/core/bumpsteer/bumpMap';
import { STARTING_WANTED, findNull } from '../src/core/bumpsteer/findNull';
import type { NullFinding } from '../src/core/bumpsteer/findNull';
import { runSweep, travelSweep } from '../src/core/motion/sweep';
import { SAMPLES } from '../src/core/tolerance/bands';
import { MonteCarlo } from '../src/core/tolerance/monteCarlo';
import { sensitivities } from '../src/core/tolerance/sensitivity';
import { anyLayout, prepared } from '../src/test/layouts';
import { referencePose } from '../src/test/referenceSolver';
import type { Page } from 'puppeteer-core';
import { browse, clickButton, newPage, openBuild, openStation, start } from '../e2e/havrik';

/**
 * Prints the figures that speed is judged by. Figures of one machine at one time: compare medians of
 * runs on the same one.
 */
async function main(): Promise<void> {
  const build = blankBuild('bench');
  const { front, travel } = build;
  const { left } = prepared(front);
  const sweep = travelSweep(travel, 41);
  const firstPictures: number[] = [];
  const innerFree = rodToFind(false);
  const rodFree = rodToFind(true);
  const search = (of: typeof build, cars: boolean) => {
    const placing = cars ? STARTING_WANTED.placing : null;
    const finding = findNull(of, 'front', 'left', { ...STARTING_WANTED, lock: cars, placing });
    let step = finding.next();
    while (!step.done) step = finding.next();
    return step.value;
  };
  const free = armsToFind();
  const roomy = withRoom();

  const bench = new Bench({ time: 1500, warmupTime: 500 });
  bench
    .add('sweep, 41 positions, all quantities and slopes', () => void runSweep(left, sweep))
    .add('the same positions by the general-purpose solver', () => {
      for (const position of sweep.travel) referencePose(front, position, 0);
    })
    .add('shim', () => void shim(front, travel))
    .add('sensitivity list', () => void sensitivities(build, 'front', 'left'))
    .add('arms from camber, 3 ranges × 27 combinations of holes', () => {
      const finding = armsFromCamber(free, 'front', {
        gain: -1.1,
        rollCentre: 70,
        together: false,
      });
      while (!finding.next().done);
    })
    .add('null, 2 coordinates of the inner joint free', () => search(innerFree, false))
    .add('null, 4 ranges × 21 stacks of washers, with cars built', () => search(rodFree, true))
    .add('bump map, 81 × 81', () => {
      const map = bumpMap(front, 'left', travel, 'inner-out-up', 40, 81);
      const started = performance.now();
      let step = map.next();
      let first = 0;
      while (!step.done) {
        if (first === 0 && step.value.map.grain > 0) first = performance.now() - started;
        step = map.next();
      }
      firstPictures.push(first);
    })
    .add('clearances, 45 positions, 2 bodies', () => void clearancesOf(roomy, 'front', 'left'))
    .add(`${SAMPLES} cars × ${POSITIONS} positions with their bands, in this process`, () => {
      const cars = new MonteCarlo(build, 'front', 'left', 0);
      cars.run(SAMPLES);
      cars.bands();
    });
  await bench.run();
  const medians = bench.tasks.map((task) => {
    if (task.result.state !== 'completed') throw new Error(`${task.name} did not finish`);
    const us = task.result.latency.p50 * 1000;
    console.log(`${task.name}: ${us.toFixed(us < 1000 ? 1 : 0)} µs (median)`);
    return us;
  });
  console.log(
    `bump map’s first picture: ${firstPictures.sort((a, b) => a - b)[firstPictures.length >> 1].toFixed(0)} ms (median)`,
  );
  console.log(nullQuality(search));
  console.log(`general-purpose solver / sweep: ${(medians[1] / medians[0]).toFixed(0)} times`);
  console.log(`memory allocated per position: ${bytesPerPosition().toFixed(2)} bytes`);

  function bytesPerPosition(): number {
    const runs = 4000;
    // Positions that are no whole numbers, which the engine would keep without allocating.
    const odd = travelSweep({ bump: 59.3, droop: 58.7 }, 41, 1.37);
    const used = () => v8.getHeapStatistics().used_heap_size;
    let least = Infinity;
    for (let i = 0; i < 5; i++) {
      const before = used();
      for (let run = 0; run < runs; run++) runSweep(left, odd);
      const after = used();
      if (after >= before) least = Math.min(least, after - before);
    }
    return least / (runs * 41);
  }

  await inChromium();
}

/** The tie rod's ends in slots; with `all` the outer end also ahead, and on washers. */
function rodToFind(all: boolean) {
  const build = blankBuild('bench');
  const { tieRodInner: inner, tieRodOuter: outer } = build.front.points;
  const slot = (at: number, by = 60) => ({
    kind: 'range' as const,
    min: at - by,
    max: at + by,
    step: 0,
  });
  build.front.freedoms = {
    tieRodInner: {
      out: slot(inner.out),
      up: slot(inner.up),
      ...(all && { ahead: slot(inner.ahead, 20) }),
    },
    ...(all && {
      tieRodOuter: {
        out: slot(outer.out, 20),
        up: {
          kind: 'shims' as const,
          base: outer.up,
          stock: [0.5, 0.8, 1, 1.6, 3.2, 6.35],
          most: 2,
          way: 1 as const,
        },
      },
    }),
  };
  return build;
}

/** What a null with both coordinates of the inner joint free leaves, over 1,000 random layouts. */
function nullQuality(search: (build: ReturnType<typeof blankBuild>, cars: boolean) => NullFinding) {
  const ranges = fc.sample(anyLayout, { numRuns: 1000, seed: 5 }).flatMap((design) => {
    const build = { ...blankBuild('random'), travel: { bump: 25, droop: 25 }, front: design };
    const { out, up } = design.points.tieRodInner;
    const slot = (at: number) => ({
      kind: 'range' as const,
      min: at - 250,
      max: at + 250,
      step: 0,
    });
    build.front = { ...design, freedoms: { tieRodInner: { out: slot(out), up: slot(up) } } };
    const { found, paper } = search(build, false);
    return found.length > 0 ? [found[paper].steer.span.range] : [];
  });
  ranges.sort((a, b) => a - b);
  const part = (share: number) => ranges[Math.floor(share * (ranges.length - 1))].toFixed(4);
  return `null over ±25 mm on ${ranges.length} of 1000 random layouts: ${part(0.5)}° (median), ${part(0.9)}° (90th of 100)`;
}

/** Three pivots with three holes each, three coordinates that may slide. */
function armsToFind() {
  const build = blankBuild('bench');
  const { points } = build.front;
  const holes = (at: number) => ({ kind: 'choices' as const, at: [at, at + 25, at + 50] });
  const slot = (at: number) => ({ kind: 'range' as const, min: at - 40, max: at + 40, step: 0 });
  build.front.freedoms = {
    upperFrontInner: {
      up: holes(points.upperFrontInner.up - 25),
      out: slot(points.upperFrontInner.out),
    },
    upperRearInner: {
      up: holes(points.upperRearInner.up - 25),
      out: slot(points.upperRearInner.out),
    },
    lowerFrontInner: { up: holes(points.lowerFrontInner.up - 25) },
    upperOuter: { up: slot(points.upperOuter.up) },
  };
  return build;
}

function withRoom() {
  const build = blankBuild('bench');
  const point = (ahead: number, out: number, up: number) => ({ ahead, out, up });
  build.room = {
    ...startingRoom(),
    keepOuts: [
      {
        kind: 'box',
        id: 'sump',
        name: 'sump',
        axle: 'front',
        middle: point(-150, 60, 200),
        size: point(300, 260, 160),
      },
      {
        kind: 'cylinder',
        id: 'damper',
        name: 'damper',
        axle: 'front',
        from: point(0, 330, 420),
        to: point(0, 540, 190),
        diameter: 60,
      },
    ],
  };
  return build;
}

/** Time from a keystroke in a point to the frame in which floor and trace have followed. */
async function inChromium(): Promise<void> {
  const app = await start(join(mkdtempSync(join(tmpdir(), 'havrik-bench-')), 'havrik.sqlite'));
  const browser = await browse();
  const { page } = await newPage(browser);
  await openBuild(page, app.address, 'Two-seat roadster');
  const address = page.url();
  const fresh = await newPage(browser);
  const sizes = new Map<string, number>();
  fresh.page.on('response', (response) => {
    const url = response.url();
    if (url.endsWith('.js'))
      void response.buffer().then((body) => sizes.set(url, gzipSync(body).length));
  });
  await fresh.page.goto(address, { waitUntil: 'networkidle0' });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  // What the page itself asked for; the rest is the worker's.
  const own = await fresh.page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((entry) => /script|link/u.test((entry as PerformanceResourceTiming).initiatorType))
      .map(({ name }) => name),
  );
  await fresh.page.close();

  await page.bringToFront();
  await page.focus('#tieRodOuter-up');
  // The TypeScript runner marks functions with a helper that the page does not have.
  await page.evaluate('globalThis.__name = (marked) => marked');
  const times = await page.evaluate(async () => {
    const input = document.activeElement as HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    const curve = () => document.querySelector('[data-curve="toe"]')!.getAttribute('d');
    const rod = () =>
      document
        .querySelector('[data-view="front"] [data-joint="tieRodOuter"] circle')!
        .getAttribute('cy');
    const results: { script: number; paint: number }[] = [];
    for (let i = 0; i < 60; i++) {
      await new Promise((resolve) => setTimeout(resolve, 60));
      const [lineBefore, jointBefore] = [curve(), rod()];
      const started = performance.now();
      set.call(input, `${240 + (i % 17) * 0.5 + 0.25}`);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      // React has drawn when the event handler returns: a keystroke is not put off.
      const script = performance.now() - started;
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      if (curve() === lineBefore || rod() === jointBefore) throw new Error('nothing followed');
      results.push({ script, paint: performance.now() - started });
    }
    return results.slice(10);
  });
  const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1];
  console.log(
    `keystroke to drawn floor and trace: ${median(times.map((t) => t.script)).toFixed(1)} ms of script, ` +
      `${median(times.map((t) => t.paint)).toFixed(1)} ms to the painted frame (median of ${times.length})`,
  );
  await bandsInWorker(page);
  await dragging(page);
  const sum = (urls: string[]) => urls.reduce((total, url) => total + (sizes.get(url) ?? 0), 0);
  const workers = [...sizes.keys()].filter((url) => !own.includes(url));
  console.log(
    `bench page’s JavaScript: ${(sum(own) / 1000).toFixed(0)} kB compressed (gzip), ` +
      `and ${(sum(workers) / 1000).toFixed(0)} kB in its worker`,
  );
  await browser.close();
  await app.stop();
}

/** Frames while a joint is dragged over the floor, three views, curve and clearances following. */
async function dragging(page: Page): Promise<void> {
  await openStation(page, 'Arms');
  await clickButton(page, 'room');
  await page.waitForSelector('[data-clearance]');
  const ring = await page.$('[data-view="front"] [data-joint="upperRearInner"] circle');
  const box = (await ring!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => {
    const frames: number[] = [];
    let last = performance.now();
    const count = (now: number) => {
      frames.push(now - last);
      last = now;
      requestAnimationFrame(count);
    };
    requestAnimationFrame(count);
    Object.assign(window, { frames });
  });
  for (let i = 1; i <= 240; i++)
    await page.mouse.move(x - 12 * Math.sin(i / 20), y - 9 * Math.sin(i / 13));
  const frames = await page.evaluate(() => (window as unknown as { frames: number[] }).frames);
  await page.mouse.up();
  const sorted = frames.slice(2).sort((a, b) => a - b);
  console.log(
    `dragging a joint, three views, curve and clearances: frames ${sorted[sorted.length >> 1].toFixed(1)} ms ` +
      `(median of ${sorted.length}), ${sorted[Math.floor(sorted.length * 0.95)].toFixed(1)} ms (95th of 100)`,
  );
}

/** Time from an edit to the band it brings, built in the page's worker, and what the page itself was held up by. */
async function bandsInWorker(page: Page): Promise<void> {
  const found = await page.evaluate(async () => {
    const input = document.querySelector('#tieRodOuter-up') as HTMLInputElement;
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    const band = () => document.querySelector('[data-curve="built"]')?.getAttribute('d');
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
    const held: number[] = [];
    new PerformanceObserver((list) =>
      held.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({ type: 'longtask' });
    const times: number[] = [];
    const frames: number[] = [];
    for (let i = 0; i < 8; i++) {
      await rest(1500);
      set.call(input, `${238 + i * 0.7}`);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      await frame();
      // The old band has followed the curve; the new one has another shape.
      const followed = band();
      const started = performance.now();
      let last = started;
      while (band() === followed && performance.now() - started < 10_000) {
        await frame();
        frames.push(performance.now() - last);
        last = performance.now();
      }
      times.push(performance.now() - started);
    }
    return { times: times.slice(1), held, frames };
  });
  const sorted = (values: number[]) => [...values].sort((a, b) => a - b);
  const times = sorted(found.times);
  const frames = sorted(found.frames);
  console.log(
    `edit to new band, worker and 250 ms of rest included: ${times[times.length >> 1].toFixed(0)} ms (median of ${times.length}); ` +
      `frames meanwhile ${frames[Math.floor(frames.length * 0.95)].toFixed(1)} ms (95th of 100), ` +
      `long tasks ${found.held.length === 0 ? 'none' : `${found.held.length}, longest ${Math.max(...found.held).toFixed(0)} ms`}`,
  );
}

void main();
