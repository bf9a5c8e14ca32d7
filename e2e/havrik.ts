import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import type { Browser, Page } from 'puppeteer-core';
import { serve } from '../scripts/server';
import type { Build } from '../src/core/model/build';

export type Running = Extract<Awaited<ReturnType<typeof serve>>, { ok: true }>;

export const makeFolder = (): string => mkdtempSync(join(tmpdir(), 'havrik-e2e-'));

/** Builds that a new database starts with: the demonstration's files. */
export const DEMOS = readdirSync(join(__dirname, '../demo')).length;

const started: Running[] = [];

/** The built application over a database of its own. */
export async function start(database: string, port?: number): Promise<Running> {
  const running = await serve({ port, env: { HAVRIK_DB: database } });
  if (!running.ok) throw new Error(running.why);
  started.push(running);
  return running;
}

/** Ends whatever a failed test has left running. */
export const stopAll = (): void => started.forEach((running) => running.process.kill('SIGKILL'));

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Draws in space by software; slow for all else. */
export const IN_SPACE = [
  '--use-gl=angle',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
];

/** A browser with a profile of its own, gone when it is closed. */
export async function browse(flags: string[] = []): Promise<Browser> {
  const profile = makeFolder();
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    userDataDir: profile,
    args: [...CHROMIUM_FLAGS, ...flags],
  });
  browser.on('disconnected', () => {
    try {
      rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 50 });
    } catch {
      // The browser's last process still writes there; the system clears its temporary folder.
    }
  });
  return browser;
}

/** The application and a browser for the tests of one file, over a fresh database. */
export interface Workshop {
  folder: string;
  database: string;
  app: Running;
  browser: Browser;
}

export function openWorkshop(): Workshop {
  const folder = makeFolder();
  const shop = { folder, database: join(folder, 'havrik.sqlite') } as Workshop;
  beforeAll(async () => {
    shop.app = await start(shop.database);
    shop.browser = await browse();
  });
  afterAll(async () => {
    await shop.browser?.close();
    await shop.app?.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  return shop;
}

/** What went wrong in a page: console errors, uncaught errors, requests to anywhere else. */
export interface Watched {
  page: Page;
  trouble: string[];
}

export async function newPage(
  browser: Browser,
  size = { width: 1280, height: 800 },
): Promise<Watched> {
  const page = await browser.newPage();
  page.setDefaultTimeout(90_000);
  await page.setViewport(size);
  const trouble: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') trouble.push(message.text());
  });
  page.on('pageerror', (error) => trouble.push(String(error)));
  page.on('request', (request) => {
    const url = request.url();
    if (!/^(http:..127\.0\.0\.1:|data:|blob:)/u.test(url)) trouble.push(`asked for ${url}`);
  });
  return { page, trouble };
}

/** A fresh page for every test of a file, which must come through without trouble. */
export function pageOf(shop: Workshop): { readonly page: Page } {
  let watched: Watched;
  beforeEach(async () => {
    watched = await newPage(shop.browser);
  });
  afterEach(async () => {
    expect(watched.trouble).toEqual([]);
    await watched.page.close();
  });
  return {
    get page() {
      return watched.page;
    },
  };
}

/** Opens a build by its name from the list. */
export async function openBuild(page: Page, address: string, name: string): Promise<void> {
  await page.goto(address, { waitUntil: 'networkidle0' });
  await page.locator(`::-p-xpath(//h2/a[normalize-space()="${name}"])`).click();
  // A kind without a rod opens at its arms, whose curve is another.
  // A kart has no curve over travel.
  await page.waitForSelector('[data-trace] [data-curve], [role="slider"][aria-label="Drop arm"]');
  await settled(page);
}

/** Begins a build in the dialog, up to its brief. */
export async function beginBuild(
  page: Page,
  address: string,
  name: string,
  front: string,
): Promise<void> {
  await page.goto(address, { waitUntil: 'networkidle0' });
  await clickButton(page, 'New build');
  await page.waitForSelector('[role="dialog"] input[name="name"]');
  await page.type('[role="dialog"] input[name="name"]', name);
  await page.locator(`[role="radiogroup"]:nth-of-type(1) input[value="${front}"]`).click();
  await clickButton(page, 'Start');
  await until(page, `location.pathname.endsWith('/brief')`);
  await page.waitForSelector('nav [aria-current]');
}

/** A field of figures by its label. */
export const field = (label: string) => `::-p-aria([name="${label}"][role="textbox"])`;

/** Types figures into fields, one after the other. */
export async function typeFigures(
  page: Page,
  figures: readonly (readonly [label: string, text: string])[],
): Promise<void> {
  for (const [label, text] of figures) {
    await page.locator(field(label)).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Tab');
  }
}

/** Types joints into the table of the page: ahead, out, up. */
export async function typeJoints(
  page: Page,
  joints: Readonly<Record<string, readonly [string, string, string]>>,
): Promise<void> {
  for (const [joint, places] of Object.entries(joints))
    for (const [i, coordinate] of (['ahead', 'out', 'up'] as const).entries()) {
      const cell = `#${joint}-${coordinate}`;
      if (!(await page.$(cell))) await page.locator(`#cell-${joint}-${coordinate}`).click();
      await typeInto(page, cell, places[i]);
      await page.keyboard.press('Enter');
    }
}

/** The build whose page it is, as it was last saved. */
export async function savedBuild(page: Page, address: string): Promise<Build> {
  await settled(page);
  const answer = await fetch(`${address}/api/builds/${buildIdOf(page)}`);
  return ((await answer.json()) as { build: Build }).build;
}

/** The build whose page it is. */
export const buildIdOf = (page: Page): string => /\/builds\/([^/?]+)/u.exec(page.url())![1];

/** Waits until everything typed is saved. */
export const settled = (page: Page): Promise<unknown> =>
  page.waitForSelector('[data-save="saved"]');

export async function clickButton(page: Page, name: string): Promise<void> {
  await page.locator(`::-p-aria([name="${name}"][role="button"])`).click();
}

/** Opens a station of the page by its name in the rail. */
export async function openStation(page: Page, name: string): Promise<void> {
  const button = `//nav[@aria-label="Stations"]/button[starts-with(., "${name}")]`;
  await page.locator(`::-p-xpath(${button})`).click();
  await page.waitForSelector(`::-p-xpath(${button}[@aria-current])`);
}

/** The figure a readout shows. */
export const readout = (page: Page, quantity: string): Promise<number> =>
  page.$eval(`[data-readout="${quantity}"] output`, (element) =>
    Number.parseFloat((element.textContent ?? '').replace('−', '-')),
  );

/** Replaces what stands in a cell, key by key. */
export async function typeInto(page: Page, selector: string, text: string): Promise<void> {
  await page.click(selector, { count: 3 });
  await page.keyboard.type(text);
}

export const valueOf = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLInputElement).value);

/** Waits until a condition in the page holds. */
export const until = (page: Page, condition: string): Promise<unknown> =>
  // By the clock: a page behind another is given no frames.
  page.waitForFunction(condition, { polling: 50 });

/** Waits until an element's text has this in it. */
export const showsIn = (page: Page, selector: string, pattern: string): Promise<unknown> =>
  until(page, `/${pattern}/u.test(document.querySelector('${selector}')?.textContent ?? '')`);

/** A folder that the page's files are kept in, and a wait for the one of a name. */
export async function downloads(page: Page): Promise<(name: string) => Promise<Buffer>> {
  const folder = makeFolder();
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  return async (name) => {
    for (let i = 0; i < 200; i++) {
      const partly = readdirSync(folder).some((one) => one.endsWith('.crdownload'));
      if (!partly && existsSync(join(folder, name))) return readFileSync(join(folder, name));
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`${name} did not come: ${readdirSync(folder).join()}`);
  };
}
