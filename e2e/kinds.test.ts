import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CORNER_TYPES } from '../src/core/corners/kinds';
import { blankBuild } from '../src/core/model/starts';
import {
  buildIdOf,
  clickButton,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  readout,
  settled,
  typeInto,
  until,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);
const text = (): Promise<string> => at.page.$eval('body', (body) => body.innerText);
const rail = (): Promise<string[]> =>
  at.page.$$eval('nav[aria-label="Stations"] button', (all) =>
    all.map((button) => button.firstChild?.textContent ?? ''),
  );

it('keeps the roadster’s corners on wishbones and on struts as layouts, and compares them', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const camber = await readout(page, 'camber');
  await page.locator('::-p-xpath(//header//button[@aria-haspopup="dialog"])').click();
  await page.locator('::-p-xpath(//*[@data-variant="Strut front"]//button[.="Open"])').click();
  await clickButton(page, 'Close');
  await until(page, `document.querySelector('header').textContent.includes('Strut front')`);
  expect(await rail()).toContain('Arm & strut');
  expect(await readout(page, 'camber')).toBe(camber);
  await page.waitForSelector('[data-view="front"] [data-joint="strutTop"]');
  await settled(page);
});

it('changes the kind of an axle in the brief, and undo brings the old corners back', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  const before = await readout(page, 'camber');
  await openStation(page, 'Brief');
  await page.locator('section[aria-label="Front corners"] [role="combobox"]').click();
  await page.locator('[role="option"][data-value="trailing-arm"]').click();
  await until(page, `document.querySelectorAll('nav[aria-label="Stations"] button').length === 9`);
  await settled(page);
  const id = buildIdOf(page);
  const stored = () =>
    page.evaluate(async (of) => (await fetch(`/api/builds/${of}`)).json(), id) as Promise<{
      build: { front: { kind: string; rack?: object } };
    }>;
  expect((await stored()).build.front).toMatchObject({ kind: 'trailing-arm' });
  expect((await stored()).build.front.rack).toBeUndefined();
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await until(page, `document.querySelectorAll('nav[aria-label="Stations"] button').length === 12`);
  await settled(page);
  const demo = JSON.parse(
    readFileSync(join(__dirname, '../demo/hillclimb.havrik.json'), 'utf8'),
  ) as object;
  expect((await stored()).build).toMatchObject(demo);
  await openStation(page, 'Rack');
  expect(await readout(page, 'camber')).toBe(before);
});

it('starts a car on struts in the dialog, pulls its camber link in and nulls its toe link', async () => {
  const { page } = at;
  await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
  await clickButton(page, 'New build');
  await page.waitForSelector('[role="dialog"] input[name="name"]');
  await page.type('[role="dialog"] input[name="name"]', 'Strut special');
  await page.locator('[role="radiogroup"]:nth-of-type(1) input[value="strut"]').click();
  const rear =
    '::-p-xpath(//h3[.="Rear corners"]/following-sibling::div//input[@value="strut-links"])';
  await page.locator(rear).click();
  await clickButton(page, 'Start');
  // A new build opens at its brief.
  await until(page, `location.pathname.endsWith('/brief')`);
  await page.waitForSelector('nav [aria-current]');
  expect(await rail()).toEqual([
    'Brief',
    'Take-off',
    'Wheel & upright',
    'Arm & strut',
    'Rack & tie rod',
    'Steering',
    'Column',
    'Damper & springs',
    'Jigs & parts',
    'Check',
    'Set-up',
    'Order of work',
  ]);
  await openStation(page, 'Rack');
  expect(await readout(page, 'kpi')).toBeCloseTo(11.14, 1);
  expect(await page.$('[data-view="front"] [data-joint="strutTop"]')).not.toBeNull();

  await clickButton(page, 'rear');
  await until(page, `document.querySelector('[data-readout="kpi"]') === null`);
  expect(await rail()).toEqual([
    'Brief',
    'Take-off',
    'Wheel & upright',
    'Links',
    'Toe link',
    'Damper & springs',
    'Jigs & parts',
    'Check',
    'Set-up',
    'Order of work',
  ]);
  await openStation(page, 'Links');
  expect((await text()).toLowerCase()).not.toContain('tie rod');

  // A turn of the camber link, and then the camber that its joint moved by as much gives.
  await clickButton(page, 'adjusters');
  await page.waitForSelector('[data-adjuster="camber link"]');
  const row = await page.$eval('[data-adjuster="camber link"]', (tr) => tr.textContent ?? '');
  expect(row).toMatch(/[+−]0\.\d{3}°/u);
  expect(row).toContain('–');

  await openStation(page, 'Toe link');
  // Nothing of a sketch is judged.
  expect(await page.$eval('nav [aria-current]', (now) => now.textContent)).toContain('sketch');
  await page.locator('::-p-xpath(//button[starts-with(., "Go on from the template")])').click();
  const cell = '#cell-tieRodInner-up';
  if (await page.$(cell)) await typeInto(page, cell, '240');
  else await typeInto(page, 'input[aria-label^="toe link inner joint, up"]', '240');
  await page.keyboard.press('Enter');
  await settled(page);
  await clickButton(page, 'null line');
  await page.waitForSelector('[data-way="tieRodInner"]');
  await page.locator('[data-way="tieRodInner"] ::-p-text(Take)').click();
  await settled(page);
  await until(
    page,
    `/very good/.test(document.querySelector('nav [aria-current]').textContent) || /good/.test(document.querySelector('nav [aria-current]').textContent)`,
  );
});

it('shows every kind at both ends in every station, without a number that is none or a rod that is not there', async () => {
  const { page } = at;
  for (const { kind, tieRod, coupled, noTravel, station } of CORNER_TYPES) {
    await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
    const build = blankBuild(`All ${kind}`, kind, kind);
    await page.evaluate(async (body) => {
      await fetch('/api/builds', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      });
    }, JSON.stringify({ build }));
    await openBuild(page, shop.app.address, `All ${kind}`);
    for (const axle of ['front', 'rear']) {
      await clickButton(page, axle);
      const stations = await rail();
      expect(stations).toContain(station.name);
      // What has a rod has a station for it; where the rack is, it steers.
      const ofAll = tieRod ? (axle === 'front' ? 11 : 9) : 8;
      // What travels is checked on stands.
      expect(stations).toHaveLength(noTravel ? ofAll : ofAll + 1);
      for (const name of stations.slice(1)) {
        await openStation(page, name);
        await page.waitForNetworkIdle({ idleTime: 100 });
        const shown = await text();
        expect(shown).not.toMatch(/NaN|undefined|Infinity/);
        // Of coupled wheels a tie rod joins both arms, steered or not.
        if (coupled) expect(shown).not.toMatch(/toe link/i);
        else if (!tieRod) expect(shown).not.toMatch(/tie rod|toe link/i);
        // The order of work is of the whole car.
        else if (axle === 'rear' && name !== 'Order of work') expect(shown).not.toMatch(/tie rod/i);
      }
      await openStation(page, station.name);
    }
    await settled(page);
  }
}, 300_000);
