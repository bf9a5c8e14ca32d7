import { readFileSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import type { Build } from '../src/core/model/build';
import {
  DEMOS,
  browse,
  buildIdOf,
  clickButton,
  makeFolder,
  newPage,
  openBuild,
  openStation,
  settled,
  showsIn,
  start,
  stopAll,
  typeInto,
  until,
  valueOf,
} from './havrik';
import type { Running, Watched } from './havrik';

const folder = makeFolder();
const NAME = 'Two-seat roadster';
/** The other builds that a new database starts with. */
const OTHERS = [
  'Hillclimb single-seater',
  'Ice-race coupé',
  'Indoor electric kart',
  'Two-seater with a beam',
];
const UP = '#upperOuter-up';
let app: Running;
let browser: Browser;
let watched: Watched;
let page: Page;
let round = 0;
const database = () => join(folder, `${round}.sqlite`);

beforeEach(async () => {
  round++;
  app = await start(database());
  browser = await browse();
  watched = await newPage(browser);
  ({ page } = watched);
});
afterEach(async () => {
  await browser.close();
  await app.stop();
});
afterAll(() => {
  stopAll();
  rmSync(folder, { recursive: true, force: true });
});

const shows = (text: string, on = page) => on.waitForSelector(`::-p-text(${text})`);
/** Waits until the browser has kept what was typed, or the server has it: a moment after the last key. */
const keptOrSaved = (up: number) =>
  until(
    page,
    // The word “saved” may still be the last keystroke’s: what counts is what the server or the page's own store has.
    `fetch('/api/builds/${idOf()}')
      .then((answer) => answer.json())
      .then(({ build }) => build.front.points.upperOuter.up === ${up})
      .catch(() => false)
      .then((saved) => saved || new Promise((resolve) => {
        const opening = indexedDB.open('havrik');
        opening.onsuccess = () => {
          const all = opening.result.transaction('drafts').objectStore('drafts').getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result.some(({ build }) => build.front.points.upperOuter.up === ${up}));
          };
        };
      }))`,
  );
const idOf = (on = page) => buildIdOf(on);
const stored = async (id: string) =>
  (await (await fetch(`${app.address}/api/builds/${id}`)).json()) as {
    version: number;
    build: Build;
  };
const all = async () =>
  (
    (await (await fetch(`${app.address}/api/builds`)).json()) as { rows: { name: string }[] }
  ).rows.map(({ name }) => name);
const restart = async () => {
  app = await start(database(), Number(new URL(app.address).port));
};

const lookAtShelf = async () => {
  await clickButton(page, 'A tyre from the shelf for the front');
  await page.waitForSelector('[role=dialog] button');
  await page.keyboard.press('Escape');
  await page.waitForSelector('[role=dialog]', { hidden: true });
};

describe('what was typed', () => {
  it('outlives server and page together, and is offered when its build is opened again', async () => {
    await openBuild(page, app.address, NAME);
    const before = await valueOf(page, UP);
    await app.stop('SIGKILL');
    await typeInto(page, UP, '417.25');
    await shows('Not saved: Havrik’s server does not answer');
    await page.close();
    await restart();

    ({ page } = await newPage(browser));
    await page.goto(app.address, { waitUntil: 'networkidle0' });
    await shows(`“${NAME}”: what was typed`);
    await page.locator('::-p-xpath(//a[normalize-space()="Open the build"])').click();
    await shows('This browser has kept it');
    expect(await valueOf(page, UP)).toBe(before);
    await clickButton(page, 'Take them');
    await until(page, `document.querySelector('${UP}').value === '417.25'`);
    await settled(page);
    expect((await stored(idOf())).build.front.points['upperOuter'].up).toBe(417.25);
    // It is offered once.
    await page.reload({ waitUntil: 'networkidle0' });
    await settled(page);
    expect(await page.$('::-p-text(This browser has kept it)')).toBeNull();
  });

  it('becomes a build of its own where its build was saved since', async () => {
    await openBuild(page, app.address, NAME);
    const id = idOf();
    await app.stop('SIGKILL');
    await typeInto(page, UP, '418.5');
    await shows('Not saved');
    await page.close();
    await restart();
    const { version, build } = await stored(id);
    await fetch(`${app.address}/api/builds/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version, savedBy: 'other', build: { ...build, wheelbase: 2345 } }),
    });
    ({ page } = await newPage(browser));
    await page.goto(`${app.address}/builds/${id}`, { waitUntil: 'networkidle0' });
    await clickButton(page, 'Take them');
    await shows('saved since');
    expect((await stored(id)).build).toMatchObject({
      wheelbase: 2345,
      front: { points: { upperOuter: { up: build.front.points['upperOuter'].up } } },
    });
    expect((await all()).filter((name) => name === NAME)).toHaveLength(2);
  });

  it('is kept of a build too large to be sent while the page goes away', async () => {
    const demo = JSON.parse(
      readFileSync(join(__dirname, '../demo/roadster.havrik.json'), 'utf8'),
    ) as Build;
    const { front, rear } = demo;
    const layouts = Array.from({ length: 38 }, (_, i) => ({
      id: `${i}`,
      name: `Way ${i}`,
      front,
      rear,
    }));
    const text = JSON.stringify({ ...demo, name: 'Many ways', layouts });
    expect(JSON.stringify({ ...demo, layouts }).length).toBeGreaterThan(65_536);
    await fetch(`${app.address}/api/builds/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text }),
    });
    await openBuild(page, app.address, 'Many ways');
    const address = page.url();
    await typeInto(page, UP, '419.75');
    await keptOrSaved(419.75);
    await page.close();
    ({ page } = await newPage(browser));
    await page.goto(address, { waitUntil: 'networkidle0' });
    await settled(page);
    if ((await valueOf(page, UP)) !== '419.75') {
      await clickButton(page, 'Take them');
      await until(page, `document.querySelector('${UP}').value === '419.75'`);
      await settled(page);
    }
    expect((await stored(idOf())).build.front.points['upperOuter'].up).toBe(419.75);
  });

  it('goes on being saved when the page is left at once and opened again', async () => {
    await openBuild(page, app.address, NAME);
    const id = idOf();
    for (const up of ['414.5', '415.5', '416.5']) {
      await typeInto(page, UP, up);
      await page.locator('header a').click();
      await page.locator(`::-p-xpath(//h2/a[normalize-space()="${NAME}"])`).click();
      await page.waitForSelector('[data-curve="toe"]');
      await until(page, `document.querySelector('${UP}').value === '${up}'`);
      await typeInto(page, '#upperOuter-out', up.replace('4', '5'));
      await settled(page);
      expect(idOf()).toBe(id);
    }
    await new Promise((wake) => setTimeout(wake, 2500));
    expect((await stored(id)).build.front.points['upperOuter']).toMatchObject({
      up: 416.5,
      out: 516.5,
    });
    expect(await all()).toHaveLength(DEMOS);
    expect(watched.trouble).toEqual([]);
  });

  it('survives a look at the parts shelf in the middle of typing', async () => {
    await openBuild(page, app.address, NAME);
    const id = idOf();
    await openStation(page, 'Brief');
    const note = 'textarea:not([aria-hidden])';
    await page.waitForSelector(note);
    await page.click(note);
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await page.keyboard.type('for the coast road');
    await lookAtShelf();
    await settled(page);
    await page.focus(note);
    await page.keyboard.press('End');
    await page.keyboard.type(', in June');
    await settled(page);
    expect((await stored(id)).build.note).toBe('for the coast road, in June');
    expect(await all()).toHaveLength(DEMOS);
    expect(watched.trouble).toEqual([]);
  });

  it('is not saved over what another browser saved, also after a page was brought up to date', async () => {
    await openBuild(page, app.address, NAME);
    const id = idOf();
    const other = await browse();
    const { page: second } = await newPage(other);
    await second.goto(page.url(), { waitUntil: 'networkidle0' });
    await typeInto(second, UP, '411');
    await settled(second);
    // The shelf's answer brings the first page another's version.
    await openStation(page, 'Brief');
    await lookAtShelf();
    await openStation(page, 'Rack & tie rod');
    await typeInto(page, '#lowerOuter-up', '171');
    await settled(page);
    await other.close();
    const states = [await stored(id), await stored(idOf())].map(({ build }) => build.front.points);
    expect(states.some(({ upperOuter }) => upperOuter.up === 411)).toBe(true);
    expect(states.some(({ lowerOuter }) => lowerOuter.up === 171)).toBe(true);
  });

  it('is warned of when a server hangs and the page is closed', async () => {
    await openBuild(page, app.address, NAME);
    await page.setRequestInterception(true);
    page.on('request', (asked) => {
      // Neither answered nor refused.
      if (asked.method() !== 'PUT') void asked.continue();
    });
    await typeInto(page, UP, '420');
    await page.waitForSelector('[data-save="saving"]');
    const dialog = new Promise<string>((resolve) =>
      page.once('dialog', (asked) => {
        resolve(asked.type());
        void asked.dismiss();
      }),
    );
    await page.close({ runBeforeUnload: true });
    expect(await dialog).toBe('beforeunload');
    await shows('Not saved: Havrik’s server does not answer');
  });

  it('can be saved as a new build when its own was deleted elsewhere', async () => {
    await openBuild(page, app.address, NAME);
    const id = idOf();
    const { page: list } = await newPage(browser);
    await list.goto(app.address, { waitUntil: 'networkidle0' });
    await clickButton(list, `Delete ${NAME}`);
    await shows('is in the bin', list);
    await page.bringToFront();
    await typeInto(page, UP, '421');
    await shows('deleted in another window');
    await clickButton(page, 'Save as a new build');
    await settled(page);
    expect(idOf()).not.toBe(id);
    expect((await stored(idOf())).build.front.points['upperOuter'].up).toBe(421);
    await typeInto(page, UP, '422');
    await settled(page);
    expect((await stored(idOf())).build.front.points['upperOuter'].up).toBe(422);
    await list.bringToFront();
    await list.goto(`${app.address}/builds/${id}`, { waitUntil: 'networkidle0' });
    await shows('This build is in the bin', list);
    await clickButton(list, 'Put it back');
    await list.waitForSelector('[data-curve="toe"]');
  });
});

it('puts back from the bin, and empties it when asked twice', async () => {
  await page.goto(app.address, { waitUntil: 'networkidle0' });
  for (const name of [NAME, ...OTHERS]) {
    await clickButton(page, `Delete ${name}`);
    await shows(`“${name}” is in the bin`);
    // The rows below move up when it goes: the next button is looked for where it then is.
    await page.waitForSelector(`[aria-label="Delete ${name}"]`, { hidden: true });
  }
  await shows('No builds yet');
  await page.goto(`${app.address}/bin`, { waitUntil: 'networkidle0' });
  await clickButton(page, `Put ${NAME} back`);
  await until(page, `document.querySelectorAll('main li').length === ${OTHERS.length}`);
  await clickButton(page, 'Empty the bin');
  await shows(`${OTHERS.length} builds with every save`);
  await clickButton(page, 'Throw away');
  await shows('The bin is empty');
  expect(await all()).toEqual([NAME]);
  expect(watched.trouble).toEqual([]);
});

/** What is answered to a request with these headers, which no browser lets a page set. */
const asked = (path: string, headers: Record<string, string>, method = 'GET', body = '') =>
  new Promise<{ status: number; headers: Record<string, unknown>; text: string }>(
    (resolve, reject) => {
      const sent = request(`${app.address}${path}`, { method, headers }, (answer) => {
        let text = '';
        answer.on('data', (data: Buffer) => (text += data.toString()));
        answer.on('end', () =>
          resolve({ status: answer.statusCode!, headers: answer.headers, text }),
        );
      });
      sent.on('error', reject);
      sent.end(body);
    },
  );

it('answers its own pages on this machine, and nobody else', async () => {
  const { host } = new URL(app.address);
  const json = { 'content-type': 'application/json' };
  const file = readFileSync(join(__dirname, '../demo/roadster.havrik.json'), 'utf8');
  const bringIn = JSON.stringify({ text: file });
  for (const path of ['/', '/api/builds', '/api/backup', '/icon.svg', '/bin', '/builds/%ff']) {
    const { status, text } = await asked(path, { host: 'evil.example' });
    expect([path, status]).toEqual([path, 403]);
    expect(text).not.toContain(NAME);
  }
  const foreign = { ...json, host, origin: 'https://evil.example' };
  expect((await asked('/api/builds/import', foreign, 'POST', bringIn)).status).toBe(403);
  expect(
    (
      await asked(
        '/api/builds/import',
        { ...json, host: 'evil.example', origin: 'http://evil.example' },
        'POST',
        bringIn,
      )
    ).status,
  ).toBe(403);
  // An action of the page, sent by another's form.
  expect((await asked('/', { ...foreign, 'next-action': '00' }, 'POST', '[]')).status).toBe(403);
  expect(await all()).toHaveLength(DEMOS);
  expect(
    (await asked('/api/builds/import', { ...json, host, origin: app.address }, 'POST', bringIn))
      .status,
  ).toBe(200);

  const { headers } = await asked('/', { host });
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
    'content-security-policy': expect.stringContaining("frame-ancestors 'none'"),
  });
  expect(headers['content-security-policy']).not.toContain('unsafe-eval');
  for (const path of ['/builds/%ff', '/api/builds/%ff', '/%ff'])
    expect([path, (await asked(path, { host })).status]).toEqual([path, 400]);
});

it('backs everything up from the list', async () => {
  const { status, headers } = await asked('/api/backup', { host: new URL(app.address).host });
  expect(status).toBe(200);
  expect(headers).toMatchObject({ 'content-type': 'application/zip' });
  expect(String(headers['content-disposition'])).toMatch(/havrik-\d{4}-\d\d-\d\d\.zip/);
});

it('draws a window of a thousand builds and finds one of them', async () => {
  const builds = JSON.parse(
    readFileSync(join(__dirname, '../demo/hillclimb.havrik.json'), 'utf8'),
  ) as Build;
  for (let i = 0; i < 120; i++)
    await fetch(`${app.address}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        build: { ...builds, name: `Number ${i}`, note: `chassis ${1000 + i}` },
      }),
    });
  await page.goto(app.address, { waitUntil: 'networkidle0' });
  await shows(`${120 + DEMOS} builds`);
  expect(await page.$$eval('h2 a', (links) => links.length)).toBeLessThan(20);
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await shows(NAME);
  await page.type('[aria-label="Look for builds"]', 'CHASSIS 1077');
  await until(page, `document.querySelectorAll('h2 a').length === 1`);
  await showsIn(page, 'h2 a', 'Number 77');
  await clickButton(page, 'Delete Number 77');
  await shows('No build has that');
  expect(watched.trouble).toEqual([]);
});
