import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  DEMOS,
  browse,
  buildIdOf,
  clickButton,
  newPage,
  openBuild,
  openStation,
  openWorkshop,
  settled,
  typeInto,
  until,
  valueOf,
} from './havrik';

const shop = openWorkshop();
let page: Page;
beforeEach(async () => {
  ({ page } = await newPage(shop.browser));
});
afterEach(() => page.close());

const names = () => page.$$eval('h2 a', (links) => links.map((link) => link.textContent));
const home = () => page.goto(shop.app.address, { waitUntil: 'networkidle0' });
const notice = (text: string) => page.waitForSelector(`::-p-text(${text})`);

async function choose(button: string, path: string): Promise<void> {
  const [chooser] = await Promise.all([page.waitForFileChooser(), clickButton(page, button)]);
  await chooser.accept([path]);
}

it('starts a build empty at its brief, and wants a name for it', async () => {
  await home();
  await clickButton(page, 'New build');
  await page.waitForSelector('[role=dialog] input');
  await page.keyboard.press('Enter');
  await notice('The name is empty');
  await page.keyboard.type('Shed special');
  await page.keyboard.press('Enter');
  await until(page, `location.pathname.endsWith('/brief')`);
  await page.waitForSelector('nav [aria-current]');
  await openStation(page, 'Rack');
  await page.waitForSelector('[data-curve="toe"]');
  // Nobody's yet: shown, and not there.
  expect(await valueOf(page, '#lowerOuter-out')).toBe('');
  expect(await page.$eval('#lowerOuter-out', (cell) => cell.getAttribute('placeholder'))).toBe(
    '630',
  );
  await settled(page);
  await home();
  expect(await names()).toContain('Shed special');
});

it('duplicates and deletes, and a deletion can be undone', async () => {
  await home();
  await clickButton(page, 'Duplicate Hillclimb single-seater');
  await page.waitForSelector('[data-curve="toe"]');
  expect(await valueOf(page, '[aria-label="Name of this build"]')).toBe(
    'Hillclimb single-seater (copy)',
  );
  await home();
  await clickButton(page, 'Delete Hillclimb single-seater');
  await notice('is in the bin');
  await until(page, `document.querySelectorAll('h2 a').length === ${DEMOS + 1}`);
  expect(await names()).not.toContain('Hillclimb single-seater');
  await clickButton(page, 'Undo');
  await until(page, `document.querySelectorAll('h2 a').length === ${DEMOS + 2}`);
  expect(await names()).toContain('Hillclimb single-seater');
});

it('exports a build and imports it again, digit for digit', async () => {
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: shop.folder,
  });
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await typeInto(page, '#lowerOuter-up', '6 3/4 in');
  await settled(page);
  await clickButton(page, 'Files and help');
  await page.locator('::-p-xpath(//li[normalize-space()="Export this build"])').click();
  const path = join(shop.folder, 'two-seat-roadster.havrik.json');
  for (let i = 0; i < 50 && !existsSync(path); i++) await new Promise((r) => setTimeout(r, 100));
  const text = readFileSync(path, 'utf8');
  expect(JSON.parse(text).front.points.lowerOuter.up).toBeCloseTo(171.45, 10);

  await home();
  await choose('Import a file', path);
  await page.waitForSelector('[data-curve="toe"]');
  const id = buildIdOf(page);
  const again = await fetch(`${shop.app.address}/api/builds/${id}/file`);
  expect(await again.text()).toBe(text);
});

it('refuses spoiled files with a plain reason and imports nothing', async () => {
  const demo = readFileSync(join(__dirname, '../demo/roadster.havrik.json'), 'utf8');
  const spoiled: [string, string, string][] = [
    ['cut.json', demo.slice(0, 700), 'cut off on the way'],
    ['far.json', demo.replace('"up": 416', '"up": 41600'), '42 m away'],
    ['deep.json', '['.repeat(500_000), 'nested deeper'],
    ['huge.json', ' '.repeat(50_000_000), '50.0 MB'],
    ['new.json', demo.replace('"version": 1', '"version": 9'), 'reads version 1'],
  ];
  await home();
  const before = await names();
  for (const [name, text, reason] of spoiled) {
    writeFileSync(join(shop.folder, name), text);
    await choose('Import a file', join(shop.folder, name));
    await notice(reason);
  }
  await home();
  expect(await names()).toEqual(before);
  expect(readdirSync(shop.folder)).toContain('huge.json');
});

it('loses neither copy when two windows edit one build', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  const address = page.url();
  // A browser of its own, so that the windows cannot tell each other.
  const other = await browse();
  const { page: second } = await newPage(other);
  await second.goto(address, { waitUntil: 'networkidle0' });
  await second.waitForSelector('[data-curve="toe"]');
  await typeInto(page, '#upperOuter-up', '360');
  await settled(page);
  await typeInto(second, '#upperOuter-up', '356');
  await second.waitForSelector('::-p-text(Neither is lost)');
  await settled(second);
  expect(second.url()).not.toBe(address);
  await typeInto(second, '#upperOuter-out', '571');
  await settled(second);
  await other.close();

  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  expect(await valueOf(page, '#upperOuter-up')).toBe('360');
  await openBuild(page, shop.app.address, 'Hillclimb single-seater (other window)');
  expect(await valueOf(page, '#upperOuter-up')).toBe('356');
  expect(await valueOf(page, '#upperOuter-out')).toBe('571');
});

it('shows in one window what another of the same browser saves', async () => {
  await openBuild(page, shop.app.address, 'Shed special');
  const { page: second } = await newPage(shop.browser);
  await second.goto(page.url(), { waitUntil: 'networkidle0' });
  await second.waitForSelector('#upperOuter-up');
  await typeInto(second, '#upperOuter-up', '414.5');
  await settled(second);
  await until(page, `document.querySelector('#upperOuter-up').value === '414.5'`);
  await second.close();
});

it('answers requests that no page of its own would send in words', async () => {
  const put = (body: string, type = 'application/json') =>
    fetch(`${shop.app.address}/api/builds/7c0e3a52-6f43-4d0c-9a53-5d3b8d1f0c11`, {
      method: 'PUT',
      body,
      headers: { 'content-type': type },
    });
  expect((await put('{}', 'text/plain')).status).toBe(415);
  expect((await put('{"version":1')).status).toBe(400);
  expect((await put(JSON.stringify({ version: 1, savedBy: 'x', build: { a: 1 } }))).status).toBe(
    400,
  );
  expect((await put(`{"a":"${'x'.repeat(8_100_000)}"}`)).status).toBe(413);
  expect((await fetch(`${shop.app.address}/api/builds/none`)).status).toBe(404);
  expect((await fetch(`${shop.app.address}/builds/none`)).status).toBe(404);
});
