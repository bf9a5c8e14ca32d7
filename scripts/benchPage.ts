import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { withWashers } from './benchLayouts';
import {
  browse,
  clickButton,
  newPage,
  openBuild,
  openStation,
  settled,
  start,
} from '../e2e/havrik';

/** What the built application does in a browser: keystrokes, bands, dragging, size. */
export async function inChromium(): Promise<void> {
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
  // The TypeScript runner marks functions with a helper that the page does not have.
  await page.evaluateOnNewDocument('globalThis.__name = (marked) => marked');
  await page.evaluate('globalThis.__name = (marked) => marked');
  console.log(`keystroke to drawn floor and trace: ${await keystroke(page)}`);
  await bandsInWorker(page);
  await dragging(page);
  await draggingInPlan(page);
  await worstWashers(page, app.address);
  const sum = (urls: string[]) => urls.reduce((total, url) => total + (sizes.get(url) ?? 0), 0);
  const workers = [...sizes.keys()].filter((url) => !own.includes(url));
  console.log(
    `bench page’s JavaScript: ${(sum(own) / 1000).toFixed(0)} kB compressed (gzip), ` +
      `and ${(sum(workers) / 1000).toFixed(0)} kB in its worker`,
  );
  await browser.close();
  await app.stop();
}

/** Time from a keystroke in the outer tie-rod joint to the frame in which floor and trace have followed. */
async function keystroke(page: Page): Promise<string> {
  await page.focus('#tieRodOuter-up');
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
  return (
    `${median(times.map((t) => t.script)).toFixed(1)} ms of script, ` +
    `${median(times.map((t) => t.paint)).toFixed(1)} ms to the painted frame (median of ${times.length})`
  );
}

/** The same with the most washers that a build may ask for: four coordinates of 12 washers, and all of 20. */
async function worstWashers(page: Page, address: string): Promise<void> {
  for (const [coordinates, washers] of [
    [4, 12],
    [27, 20],
  ]) {
    const response = await fetch(`${address}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ build: withWashers(coordinates, washers) }),
    });
    const { id } = (await response.json()) as { id: string };
    await settled(page);
    await page.goto(`${address}/builds/${id}`, { waitUntil: 'networkidle0' });
    await page.waitForSelector('[data-trace="toe"] [data-curve="toe"]');
    console.log(
      `keystroke with ${coordinates} coordinates of ${washers} washers, at most 6: ${await keystroke(page)}`,
    );
  }
}

/** Frames while a joint is dragged over the floor, three views, curve and clearances following. */
async function dragging(page: Page): Promise<void> {
  await openStation(page, 'Arms');
  await clickButton(page, 'room');
  await page.waitForSelector('[data-clearance]');
  const ring = '[data-view="front"] [data-joint="upperRearInner"] circle';
  console.log(`dragging a joint, three views, curve and clearances: ${await framesOf(page, ring)}`);
}

/** The same in the steering's plan, its curve and figures following. */
async function draggingInPlan(page: Page): Promise<void> {
  await openStation(page, 'Steering');
  await page.waitForSelector('[data-steer-curve="error"] path');
  const ring = '[data-joint="tieRodOuter"] circle';
  console.log(
    `dragging an outer joint in plan, both plans, curve and figures: ${await framesOf(page, ring)}`,
  );
}

/** Drags what a selector finds round and counts frames. */
async function framesOf(page: Page, what: string): Promise<string> {
  const ring = await page.$(what);
  const box = (await ring!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => {
    const frames: number[] = [];
    let last = performance.now();
    let on = true;
    const count = (now: number) => {
      frames.push(now - last);
      last = now;
      if (on) requestAnimationFrame(count);
    };
    requestAnimationFrame(count);
    Object.assign(window, { frames, stopCounting: () => (on = false) });
  });
  for (let i = 1; i <= 240; i++)
    await page.mouse.move(x - 12 * Math.sin(i / 20), y - 9 * Math.sin(i / 13));
  const frames = await page.evaluate(() => {
    const counted = window as unknown as { frames: number[]; stopCounting: () => void };
    counted.stopCounting();
    return counted.frames;
  });
  await page.mouse.up();
  const sorted = frames.slice(2).sort((a, b) => a - b);
  return (
    `frames ${sorted[sorted.length >> 1].toFixed(1)} ms (median of ${sorted.length}), ` +
    `${sorted[Math.floor(sorted.length * 0.95)].toFixed(1)} ms (95th of 100)`
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
