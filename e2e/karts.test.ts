import { widthOver } from '../src/core/upright/width';
import { wheelOf } from '../src/core/kinematics/wheel';
import { steeringOf } from '../src/core/steering/steering';
import {
  beginBuild,
  clickButton,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  readout,
  savedBuild,
  showsIn,
  typeFigures,
  typeJoints,
  until,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);
const openPart = (part: string) =>
  at.page.locator(`[aria-label="What of the steering"] button[value="${part}"]`).click();
const readBuild = () => savedBuild(at.page, shop.app.address);
const rail = (): Promise<string[]> =>
  at.page.$$eval('nav[aria-label="Stations"] button', (all) =>
    all.map((button) => button.firstChild?.textContent ?? ''),
  );

it('draws a kart with figures of its own, from an empty brief to a column that stops where it should', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Yard kart', 'kingpin');
  expect(await rail()).toEqual([
    'Brief',
    'Take-off',
    'Wheel & upright',
    'Kingpin',
    'Tie rods',
    'Steering',
    'Column',
    'Loads',
    'Jigs & parts',
    'Set-up',
    'Order of work',
  ]);
  // Nothing of travel is asked for, and of bumps nothing is judged.
  const shown = await page.$eval('main', (main) => main.textContent!);
  expect(shown).not.toMatch(/Travel up|Bump steer|Where does the tie rod start/);
  await typeFigures(page, [
    ['Wheelbase', '1055'],
    ['Turns, each way', '36'],
    ['Shaft below, ahead', '-60'],
    ['Shaft below, left', '0'],
    ['Shaft below, up', '126'],
    ['Shaft above, ahead', '-322'],
    ['Shaft above, left', '0'],
    ['Shaft above, up', '361'],
    ['Loaded radius', '131'],
    ['Width allowed', '1150'],
  ]);
  await openStation(page, 'Tie rods');
  await typeJoints(page, {
    kingpinLower: ['9', '420', '100'],
    kingpinUpper: ['-9', '406', '166'],
    tieRodInner: ['-108', '21', '99'],
    tieRodOuter: ['-90', '404', '110'],
    wheelCentre: ['0', '505', '131'],
  });
  const build = await readBuild();
  expect(build).toMatchObject({ use: 'kart', wheelbase: 1055, travel: { bump: 0, droop: 0 } });
  expect(build.front.dropArm).toEqual({
    lower: { ahead: -60, left: 0, up: 126 },
    upper: { ahead: -322, left: 0, up: 361 },
    lock: 36,
  });
  expect(build.front.points['tieRodOuter']).toEqual({ ahead: -90, out: 404, up: 110 });
  // Inclination and caster by hand from the points typed.
  expect(await readout(page, 'kpi')).toBeCloseTo((Math.atan(14 / 66) * 180) / Math.PI, 1);
  expect(await readout(page, 'caster')).toBeCloseTo((Math.atan(18 / 66) * 180) / Math.PI, 1);

  // The arrows turn the handwheel.
  const pad = '[role="slider"][aria-label="Drop arm"]';
  await page.focus(pad);
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowLeft');
  await until(page, `document.querySelector('${pad}').ariaValueText.includes('12.0° left')`);
  await openStation(page, 'Steering');
  await openPart('rack');
  await page.waitForSelector('[data-hand="true"]');
  await openPart('jacking');
  await showsIn(page, '[data-jacking="last"]', 'front right wheel hangs');
  await openPart('lock');
  await page
    .locator('::-p-xpath(//main//button[starts-with(@aria-label, "Take: stops at")])')
    .click();
  const stopped = await readBuild();
  const { lock, ackermann } = steeringOf(stopped);
  expect(lock!.inner).toBeGreaterThan(29.9);
  expect(lock!.inner).toBeLessThan(30.2);
  expect(ackermann).not.toBeNull();
  expect(wheelOf(stopped, 'front', 'left').corner).not.toBeNull();
});

it('brings the demo kart within the rule at the ground by its bosses, and undo brings it back', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Indoor electric kart');
  const before = (await readBuild()).front;
  expect(widthOver(before, 'ground')).toBeGreaterThan(1145);
  await openStation(page, 'Kingpin');
  await until(
    page,
    `document.querySelector('nav [aria-current]').textContent.includes('1146 mm over the tyres')`,
  );
  await clickButton(page, 'stub & bosses');
  await page.waitForSelector('[data-width="over"]');
  await page.locator('::-p-xpath(//*[@data-way="bosses"]//button[.="Take"])').click();
  await page.waitForSelector('[data-width="within"]');
  const after = (await readBuild()).front;
  expect(widthOver(after, 'ground')).toBeCloseTo(1140, 1);
  const apart = (front: typeof after) => 2 * front.points['kingpinLower'].out;
  expect(apart(before) - apart(after)).toBeCloseTo(widthOver(before, 'ground') - 1140, 2);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await page.waitForSelector('[data-width="over"]');
  expect((await readBuild()).front.points).toEqual(before.points);
});
