import { writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { readPdf } from '../src/test/readPdf';
import { CarModel } from '../src/core/check/carModel';
import type { CheckedCar } from '../src/core/check/carModel';
import { usualSetup } from '../src/core/check/evidence';
import { readCar } from '../src/core/check/virtualCar';
import { normalsApart } from '../src/core/geometry/random';
import { writeLine } from '../src/core/instruments/protocol';
import type { Build, KeptCheck } from '../src/core/model/build';
import { blankBuild } from '../src/core/model/starts';
import { makeDoor } from '../src/server/door';
import { ownAddresses } from '../scripts/lan';
import {
  beginBuild,
  buildIdOf,
  clickButton,
  downloads,
  field,
  makeFolder,
  newPage,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  showsIn,
  typeFigures,
  typeInto,
  until,
  valueOf,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);

const HEIGHTS = [-50, -25, 0, 25, 50];

/** What somebody reads by strings on a car whose outer tie-rod joint sits too low. */
function stringReadings(build: Build): [number, number][] {
  const car: CheckedCar = {
    ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: build.front, rounds: [] },
    ...{ travel: build.travel, setup: { ...usualSetup(build.front, 'hub'), heightOff: 0.5 } },
  };
  new CarModel(build, car);
  return readCar(
    build,
    car,
    { errors: new Map([['left tieRodOuter.up', -7]]), gain: { left: 1, right: 1 } },
    HEIGHTS.map((travel) => ({ method: 'strings', side: 'left', travel, plusMinus: 0.2 })),
    normalsApart(9),
  ).map(({ values: [front, rear] }) => [
    Math.round((front + 900) * 10) / 10,
    Math.round((rear + 900) * 10) / 10,
  ]);
}

const storedChecks = async (page: Page): Promise<KeptCheck[]> => {
  const response = await fetch(`${shop.app.address}/api/builds/${buildIdOf(page)}/checks`);
  return ((await response.json()) as { checks: KeptCheck[] }).checks;
};

/** Types one reading by strings at the height that is prompted. */
async function read([front, rear]: [number, number]): Promise<void> {
  const { page } = at;
  await typeInto(page, field('front'), String(front));
  await typeInto(page, field('rear'), String(rear));
  await clickButton(page, 'Take it');
  await until(
    page,
    `document.querySelector('form[aria-label="Take a reading"] input[type="text"]') !== null`,
  );
}

it('reads a car of one’s own, is told what to fit, and has all of it after a reload', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Yard roadster', 'double-wishbone');
  await typeFigures(page, [
    ['Travel up', '50'],
    ['Travel down', '50'],
  ]);
  await openStation(page, 'Check');
  await page.waitForSelector('form[aria-label="Begin a check"]');
  await clickButton(page, 'bare hub or disc');
  await typeInto(page, field('Called'), 'Left front, first time');
  await clickButton(page, 'Begin');
  await showsIn(page, '[data-prompt]', 'Next: −(40|45|50) mm');
  const build = blankBuild('x');
  build.travel = { bump: 50, droop: 50 };
  for (const [i, values] of stringReadings(build).entries()) {
    await typeInto(page, field('height'), String(HEIGHTS[i]));
    await read(values);
  }
  await showsIn(page, '[data-side="left"]', 'Toe changes by');
  await showsIn(page, '[data-next-shim]', 'Next: tie rod (outer joint .* up|inner joint .* down)');
  expect(await page.$$('[data-measured="left"]')).toHaveLength(5);
  await clickButton(page, 'It is fitted');
  await clickButton(page, 'readings');
  await page.waitForSelector('[data-round="1"]');
  await until(page, `document.querySelector('[data-save="saved"]') !== null`);

  // The page dies: a reading is one row, written at once.
  await page.goto('about:blank');
  const [stored] = await storedChecksOf(page);
  expect(stored).toMatchObject({ name: 'Left front, first time', sides: 'left' });
  expect(stored.readings).toHaveLength(5);
  expect(stored.rounds).toHaveLength(1);

  async function storedChecksOf(from: typeof page): Promise<KeptCheck[]> {
    await from.goBack({ waitUntil: 'networkidle0' });
    return storedChecks(from);
  }
  await showsIn(page, '[aria-label="Checks"]', 'Left front, first time.*5 readings.*fitted 1 time');
});

it('gives a report and a table, takes a table, and goes out in the build’s file', async () => {
  const { page } = at;
  const kept = await downloads(page);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Check');
  await page.waitForSelector('[aria-label="Measure this again first"] li');
  await showsIn(
    page,
    '[aria-label="Measure this again first"] li',
    'lower ball joint: inboard of the hub face',
  );
  await clickButton(page, 'Report (PDF)');
  const { pages } = readPdf(await kept('two-seat-roadster-first-cycling-left-front.pdf'));
  const text = pages.map((one) => one.text).join(' ');
  expect(text).toContain('Check: First cycling, left front');
  expect(text.replace(/\s+/gu, ' ')).toContain('lower ball joint: inboard of the hub face');
  await clickButton(page, 'readings');
  await clickButton(page, 'Keep as CSV');
  const csv = (await kept('two-seat-roadster-first-cycling-left-front.csv')).toString();
  expect(csv.split('\n')[0]).toBe(
    'travel_mm,method,value,unit,plus_minus,side,going,round,left_out',
  );
  await page.locator('::-p-xpath(//header//button[@aria-label="Files and help"])').click();
  await page.locator('::-p-xpath(//li[.="Export this build"])').click();
  const file = JSON.parse((await kept('two-seat-roadster.havrik.json')).toString()) as Build;
  expect(file.checks?.[0].readings.length).toBeGreaterThanOrEqual(15);

  // The menu takes clicks until it is gone.
  await until(page, `document.querySelector('[role="menu"]') === null`);
  const [chooser] = await Promise.all([page.waitForFileChooser(), clickButton(page, 'Read a CSV')]);
  const path = join(makeFolder(), 'readings.csv');
  writeFileSync(path, 'travel_mm,method,value,unit,plus_minus\n10,level,-1.4,deg,0.1\n');
  const before = (await page.$$('[data-reading]')).length;
  await chooser.accept([path]);
  await until(page, `document.querySelectorAll('[data-reading]').length === ${before + 1}`);
  expect(await valueOf(page, '[aria-label="What the readings say"] input')).not.toBe('');
});

it('goes on while the connection is away, on a telephone, with one thumb', async () => {
  // The browser complains of the lost connection: that is no trouble here.
  const { page } = await newPage(shop.browser);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
  await page.goto(`${shop.app.address}/builds/${buildIdOf(page)}/check`, {
    waitUntil: 'networkidle0',
  });
  await page.waitForSelector('[aria-label="Large keys"]');
  const wide = await page.evaluate('document.documentElement.scrollWidth');
  expect(wide).toBeLessThanOrEqual(390);
  const press = (name: string) =>
    page
      .locator(`::-p-xpath(//*[@aria-label="Large keys"]//button[@aria-label="${name}"])`)
      .click();
  const before = (await storedChecks(page))[0].readings.length;
  // A key is larger than a thumb's tip.
  const key = await page.$eval('[aria-label="Large keys"] button', (one) => {
    const { width, height } = one.getBoundingClientRect();
    return { width, height };
  });
  expect(Math.min(key.width, key.height)).toBeGreaterThanOrEqual(44);
  await page.setOfflineMode(true);
  await page.locator(field('height')).click();
  for (const digit of ['3', '0']) await press(digit);
  await page.locator(field('front')).click();
  for (const digit of ['1', '2', '1']) await press(digit);
  await page.locator(field('rear')).click();
  for (const digit of ['1', '1', '9', '.', '5']) await press(digit);
  await page.locator('::-p-xpath(//*[@aria-label="Large keys"]//button[.="Take it"])').click();
  await showsIn(page, '[aria-label="Checks"]', 'server does not answer: 1 entry wait');
  expect((await storedChecks(page))[0].readings).toHaveLength(before);
  await page.setOfflineMode(false);
  await until(page, `!document.querySelector('[aria-label="Checks"] [role="status"]')`);
  const { readings } = (await storedChecks(page))[0];
  expect(readings).toHaveLength(before + 1);
  expect(readings.at(-1)).toMatchObject({ height: 30, values: [121, 119.5] });
  await page.close();
});

it('lets a telephone in from the network by a code that is used once, and nobody else', async () => {
  // Where this machine is on no network, by its own address.
  const [host = '127.0.0.1'] = ownAddresses();
  const { server, pairing } = makeDoor(Number(new URL(shop.app.address).port), [host]);
  const port = await new Promise<number>((resolve) =>
    server.listen(0, host, () => resolve((server.address() as AddressInfo).port)),
  );
  const address = `http://${host}:${port}`;
  try {
    expect((await fetch(`${address}/api/builds`)).status).toBe(403);
    const page = await shop.browser.newPage();
    await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    await page.goto(address);
    await page.waitForSelector('#code');
    await page.goto(`${address}/pair#${pairing.newCode()}`);
    await page.waitForSelector('::-p-xpath(//h2/a[normalize-space()="Two-seat roadster"])');
    await page.locator('::-p-xpath(//h2/a[normalize-space()="Two-seat roadster"])').click();
    await until(page, `location.pathname.startsWith('/builds/')`);
    await page.goto(`${address}/builds/${buildIdOf(page)}/check`, { waitUntil: 'networkidle0' });
    const before = (await storedChecks(page))[0].readings.length;
    const key = (name: string) =>
      page
        .locator(`::-p-xpath(//*[@aria-label="Large keys"]//button[@aria-label="${name}"])`)
        .click();
    await page.locator(field('height')).click();
    await key('5');
    await page.locator(field('front')).click();
    await key('3');
    await page.locator(field('rear')).click();
    await key('4');
    await page.locator('::-p-xpath(//*[@aria-label="Large keys"]//button[.="Take it"])').click();
    for (let i = 0; i < 100; i++) {
      if ((await storedChecks(page))[0].readings.length > before) break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    expect((await storedChecks(page))[0].readings).toHaveLength(before + 1);
    await page.close();
  } finally {
    server.close();
    server.closeAllConnections();
  }
});

it('takes a reading from an instrument that stands in for a real one', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Check');
  await page.waitForSelector('[data-prompt]');
  await clickButton(page, 'Instruments');
  await typeInto(page, field('height'), '12');
  await clickButton(page, 'Listen to it');
  await showsIn(page, '[data-instrument="level"]', 'stands still');
  await clickButton(page, 'Put it in');
  const camber = await valueOf(page, field('camber'));
  expect(camber).toMatch(/^-\d\.\d/u);
  const before = (await storedChecks(page))[0].readings.length;
  await clickButton(page, 'Take it');
  for (let i = 0; i < 100; i++) {
    if ((await storedChecks(page))[0].readings.length > before) break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const taken = (await storedChecks(page))[0].readings.at(-1)!;
  expect(taken).toMatchObject({ method: 'level', height: 12, from: 'stand-in level' });
  expect(String(taken.values[0])).toBe(camber);
  await clickButton(page, 'Stop');
});

/** Takes a reading at every height that is prompted, from the instrument that is listened to. */
async function readAll(page: Page, device: string): Promise<void> {
  for (let k = 0; k < 12; k++) {
    const prompt = await page.$eval('[data-prompt]', (one) => one.textContent ?? '');
    if (!prompt.startsWith('Next')) return;
    await showsIn(page, `[data-instrument="${device}"]`, 'stands still');
    await clickButton(page, 'Put it in');
    await clickButton(page, 'Take it');
    await until(
      page,
      `document.querySelector('[data-prompt]').textContent !== ${JSON.stringify(prompt)}`,
    );
  }
}
const pick = async (page: Page, label: string, option: string) => {
  await page.locator(`::-p-aria([name="${label}"][role="combobox"])`).click();
  await page.locator(`::-p-xpath(//li[@role="option"][contains(., "${option}")])`).click();
  await until(page, `document.querySelector('[role="listbox"]') === null`);
};

it('trains on a car that is not there, from its first reading to what it really was', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Night school', 'double-wishbone');
  await openStation(page, 'Check');
  await clickButton(page, 'Training');
  await clickButton(page, 'Begin: Car 2');
  await showsIn(page, '[data-minutes]', 'so far: 25');
  await clickButton(page, 'read');
  await pick(page, 'stand-in', 'two dial gauges');
  await clickButton(page, 'Listen to it');
  await readAll(page, 'dials');
  await page.waitForSelector('[data-next-shim]');
  await clickButton(page, 'It is fitted');
  await showsIn(page, '[data-prompt]', 'Next');
  await readAll(page, 'dials');
  await clickButton(page, 'training');
  await pick(page, 'Joint', 'tie rod inner joint');
  await clickButton(page, 'Look at it (5 min)');
  await showsIn(page, '[aria-label="What was found"]', 'tight');
  await pick(page, 'What it was, you think', 'inner end stands lower');
  await clickButton(page, 'I have done: tell me');
  await showsIn(page, '[data-in-band]', 'You said so');
  await showsIn(page, '[data-in-band]', 'further (up|down) than drawn');
  const [{ training, readings }] = await storedChecks(page);
  // Every reading came from the stand-in; the shop minutes are those of what was done.
  expect(readings.every(({ from }) => from === 'stand-in dials')).toBe(true);
  const heights = readings.length;
  expect(training!.result!.minutes).toBe(25 + 12 + heights * (2 + 0.5) + 15 + 5);
  await page.reload({ waitUntil: 'networkidle0' });
  await showsIn(page, '[data-in-band]', 'You said so');
  await showsIn(page, '[aria-label="Checks"]', `training: ${training!.result!.minutes} min`);
  // It says nothing of the build.
  const rail = await page.$eval('nav[aria-label="Stations"]', (one) => one.textContent ?? '');
  expect(rail).not.toMatch(/of toe as read/u);
});

it('reads an instrument of one’s own on the serial port of another window', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Check');
  await page.waitForSelector('[data-prompt]');
  await clickButton(page, 'Instruments');
  await clickButton(page, 'Instruments of the workshop');
  await typeInto(page, field('called'), 'Yard level');
  await typeInto(page, field('± of a reading, °'), '0.04');
  await clickButton(page, 'Add it');
  await showsIn(page, '[role="dialog"]', 'Yard level, digital level, ± 0.04°, 9600 baud');
  await clickButton(page, 'Close');
  let count = 0;
  const speaks = setInterval(() => {
    const line = writeLine({
      ...{ device: 'level', channel: 'camber', value: -1.25, unit: 'deg', count: count++ },
    });
    void fetch(`${shop.app.address}/api/heard/yard`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Yard level', text: `${line}\n` }),
    });
  }, 150);
  try {
    await clickButton(page, 'Listen in: Yard level');
    await typeInto(page, field('height'), '14');
    await showsIn(page, '[data-instrument="level"]', 'stands still');
    await clickButton(page, 'Put it in');
    await clickButton(page, 'Take it');
    for (let i = 0; i < 100; i++) {
      if ((await storedChecks(page))[0].readings.at(-1)!.from === 'Yard level') break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    expect((await storedChecks(page))[0].readings.at(-1)).toMatchObject({
      ...{ method: 'level', values: [-1.25], plusMinus: 0.04, from: 'Yard level' },
    });
  } finally {
    clearInterval(speaks);
  }
});

it('holds what was read before something was fitted against what is read now', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Yard roadster');
  await openStation(page, 'Check');
  await page.waitForSelector('[data-prompt]');
  const build = blankBuild('x');
  build.travel = { bump: 50, droop: 50 };
  for (const [i, values] of stringReadings(build).entries()) {
    await typeInto(page, field('height'), String(HEIGHTS[i]));
    await read(values);
  }
  await clickButton(page, 'compare');
  // The same was read again: nothing is apart.
  await showsIn(page, '[data-compared]', '5 heights read of both, at 0 of them');
  expect(await page.$$('table[aria-label="toe, before and now"] tbody tr')).toHaveLength(5);
});
