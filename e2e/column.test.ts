import type { Browser } from 'puppeteer-core';
import { PerspectiveCamera, Vector3 } from 'three';
import { carBodiesOf, nearOf, roundsOf } from '../src/core/column/clearance';
import { supportsLack } from '../src/core/column/held';
import { columnPoints } from '../src/core/column/move';
import { chainOf, placesOf } from '../src/core/column/places';
import type { Vec } from '../src/core/geometry/vec';
import type { Column } from '../src/core/model/column';
import {
  IN_SPACE,
  beginBuild,
  browse,
  clickButton,
  field,
  newPage,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  savedBuild,
  settled,
  showsIn,
  typeFigures,
  until,
} from './havrik';

const shop = openWorkshop();
let spacious: Browser | null = null;
afterAll(() => spacious?.close());
const at = pageOf(shop);
const columnNow = async (): Promise<Column> =>
  (await savedBuild(at.page, shop.app.address)).front.column!;
const openPart = (part: string) =>
  at.page.locator(`[aria-label="What of the column"] button[value="${part}"]`).click();
const undo = async () => {
  await at.page.keyboard.down('Control');
  await at.page.keyboard.press('z');
  await at.page.keyboard.up('Control');
};

/** By a walk of its own: the pinion's speed every degree of the handwheel. */
function rippleOf(column: Column): number {
  const ready = chainOf(column);
  if (!ready.ok) throw new Error(ready.fault.message);
  const { chain } = ready;
  const speeds = Array.from({ length: 180 }, (_, i) => {
    const h = 0.01;
    return (chain.turn(i + h).pinion - chain.turn(i - h).pinion) / (2 * h);
  });
  return Math.max(...speeds) - Math.min(...speeds);
}

it('lays a column of one’s own figures, drags a joint, and says what is missing until nothing is', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Coupé for the hill road', 'double-wishbone');
  await typeFigures(page, [
    ['Wheelbase', '2405'],
    ['Travel up', '65'],
    ['Travel down', '60'],
    ['Loaded radius', '295'],
  ]);
  await openStation(page, 'Column');
  await page.waitForSelector('::-p-text(Still to say)');
  const lay = '::-p-aria([name="Lay the column"][role="button"])';
  expect(await page.$eval(lay, (button) => (button as HTMLButtonElement).disabled)).toBe(true);
  await typeFigures(page, [
    ['handwheel’s middle, ahead', '-880'],
    ['handwheel’s middle, left', '345'],
    ['handwheel’s middle, up', '712'],
    ['pinion at the rack, ahead', '-96'],
    ['pinion at the rack, left', '222'],
    ['pinion at the rack, up', '215'],
    ['pinion’s tip, ahead', '-148'],
    ['pinion’s tip, left', '231'],
  ]);
  await page.waitForSelector('::-p-text(Still to say: the pinion’s tip, up.)');
  // What is typed in part stays while another station is looked at.
  await openStation(page, 'Brief');
  await openStation(page, 'Column');
  await typeFigures(page, [['pinion’s tip, up', '262']]);
  await page.locator(lay).click();
  await page.waitForSelector('[data-column-view="side"] [data-joint="joint 0"]');
  const laid = await columnNow();
  expect(laid.wheel.centre).toEqual({ ahead: -880, left: 345, up: 712 });
  expect(laid.pinion.tip).toEqual({ ahead: -148, left: 231, up: 262 });

  // Dragged down and back in the side view; the third coordinate stays.
  const joint = await page.$('[data-column-view="side"] [data-joint="joint 0"]');
  const box = (await joint!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 6; i++) await page.mouse.move(x + 2 * i, y + 3 * i);
  await page.mouse.up();
  const dragged = await columnNow();
  expect(dragged.joints[0].at!.left).toBe(laid.joints[0].at!.left);
  expect(dragged.joints[0].at!.ahead).toBeLessThan(laid.joints[0].at!.ahead - 15);
  expect(dragged.joints[0].at!.up).toBeLessThan(laid.joints[0].at!.up - 20);
  expect(dragged.wheel).toEqual(laid.wheel);

  await openPart('held');
  await showsIn(page, '[aria-label="What is missing"]', 'no place of their own');
  for (const name of ['bearing 1', 'bearing 2']) {
    await clickButton(page, 'Add a bearing');
    await page.waitForSelector(`[data-support="${name}"]`);
  }
  await page.locator(field('down from its upper end')).click();
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type('110');
  await page.keyboard.press('Tab');
  // The rack keeps a solid column along its line.
  await showsIn(page, '[aria-label="What is missing"]', 'Every shaft has a place of its own');
  for (const which of ['collar above', 'collar below'])
    await page.locator(`::-p-aria([name="${which}"][role="switch"])`).click();
  await showsIn(page, '[aria-label="What is missing"]', 'it will fight');
  await openPart('cut');
  await page
    .locator(
      '::-p-xpath((//section[starts-with(@aria-label, "Shaft 2")]//label[contains(., "telescopes")]//input)[1])',
    )
    .click();
  await openPart('held');
  await showsIn(page, '[aria-label="What is missing"]', 'Every shaft has a place of its own');
  const held = await columnNow();
  expect(supportsLack(held)).toEqual([]);
  expect(held.supports.map(({ along }) => along)).toContain(110);
  await showsIn(page, 'nav [aria-current]', 'rework|look again|good');
});

it('brings in the demo roadster’s column: clocked, then on a path past the exhaust under 2 %, and undone', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Column');
  await showsIn(page, 'nav [aria-current]', 'ripple 9.0 %');
  await page.waitForSelector('[data-tight="shaft 2|exhaust"]');
  const before = await columnNow();
  expect(rippleOf(before)).toBeCloseTo(0.09, 2);

  await openPart('turns');
  await showsIn(page, '[data-clocked]', '9.0 % as it is; 5.9 % clocked so');
  await clickButton(page, 'Take: clocking');
  await until(page, `document.querySelector('[data-ripple]').dataset.ripple.startsWith('5.')`);
  const clocked = await columnNow();
  expect(rippleOf(clocked)).toBeLessThan(0.0595);
  expect(clocked.joints).toEqual(before.joints);

  await openPart('path');
  await page.locator('[aria-label="Find a path"] button').click();
  await page.waitForSelector('[data-path="1"]');
  await clickButton(page, 'Look: path 1');
  await page.waitForSelector('[data-part="looked at"]');
  await clickButton(page, 'Take: path 1');
  await until(page, `!document.querySelector('[data-tight="shaft 2|exhaust"]')`);
  const build = await savedBuild(page, shop.app.address);
  const after = build.front.column!;
  expect(rippleOf(after)).toBeLessThan(0.02);
  const bodies = carBodiesOf(build.room!.keepOuts, 'front', after);
  const [near] = nearOf(roundsOf(after, placesOf(after)), bodies);
  expect(near.clearance).toBeGreaterThan(10 - 1e-6);
  // The handwheel is where the hands want it.
  expect(after.wheel).toEqual(before.wheel);

  await undo();
  await undo();
  await page.waitForSelector('[data-tight="shaft 2|exhaust"]');
  await settled(page);
  expect(await columnNow()).toEqual(before);
});

it('says what is cut and drilled, what stands at the ends of the range, and follows the steering through it', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Column');
  await openPart('cut');
  const cut = await page.$$eval('[aria-label="Cut list"] tbody tr', (rows) =>
    rows.map((row) => [...row.querySelectorAll('td')].map((cell) => cell.textContent)),
  );
  const column = await columnNow();
  const { wheel, lower } = placesOf(column);
  const far = Math.hypot(...wheel.map((v, i) => v - lower[0][i]));
  // Boss 70 with 20 of the shaft in it, the joint's 36, welded there.
  expect(Number.parseFloat(cut[0][1]!)).toBeCloseTo(far - 70 + 20 - 36, 0);
  await showsIn(page, '[aria-label="Firewall"]', 'joint 1, inside');
  await openPart('held');
  await clickButton(page, 'It can be set');
  for (const [label, text] of [
    ['tilts up', '6'],
    ['drawn out', '30'],
  ] as const) {
    await page.locator(field(label)).click();
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await page.keyboard.type(text);
    await page.keyboard.press('Tab');
  }
  await showsIn(page, '[data-worst="shaft 1"]', '30 mm longer, and it has no slip');
  await undo();
  await undo();
  await undo();

  await openStation(page, 'Steering');
  await page.locator('::-p-aria([name="Steering curve shown"][role="combobox"])').click();
  await page.locator('::-p-aria([name="ratio"][role="option"])').click();
  await page.waitForSelector('::-p-text(through the column, its joints’ ripple included)');
});

it('drags the handwheel in space across the line of sight, and turns the eye beside it', async () => {
  const browser = await browse(IN_SPACE);
  spacious = browser;
  const { page } = await newPage(browser);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Column');
  await clickButton(page, 'in space');
  const canvas = (await page.waitForSelector('[aria-label="The column in space"] canvas'))!;
  await until(page, `document.querySelector('canvas').width > 300`);
  const read = async () => (await savedBuild(page, shop.app.address)).front.column!;
  const before = await read();
  // Where the eye stands: before the middle of all places, as the station says.
  const place = ([ahead, left, up]: Vec) => new Vector3(-left, up, -ahead);
  const places = columnPoints(before).map(({ at: one }) => place(one));
  const middle = places.reduce((sum, one) => sum.add(one), new Vector3());
  middle.divideScalar(places.length);
  const { x, y, width, height } = (await canvas.boundingBox())!;
  const eye = new PerspectiveCamera(32, width / height, 10, 12_000);
  eye.position.set(middle.x + 700, middle.y + 650, middle.z + 1500);
  eye.lookAt(middle);
  eye.updateMatrixWorld();
  const seen = place(placesOf(before).wheel).project(eye);
  const [px, py] = [x + ((1 + seen.x) / 2) * width, y + ((1 - seen.y) / 2) * height];
  await page.mouse.move(px, py);
  await page.mouse.down();
  for (let i = 1; i <= 4; i++) await page.mouse.move(px + 5 * i, py - 4 * i);
  await page.mouse.up();
  await until(page, `document.querySelector('[data-save="saved"]') !== null`);
  const after = await read();
  const moved = place(placesOf(after).wheel).sub(place(placesOf(before).wheel));
  expect(moved.length()).toBeGreaterThan(20);
  // Square to where the eye looks.
  expect(Math.abs(moved.normalize().dot(eye.getWorldDirection(new Vector3())))).toBeLessThan(0.02);
  expect(after.joints).toEqual(before.joints);
  await page.mouse.move(x + 0.9 * width, y + 30);
  await page.mouse.down();
  await page.mouse.move(x + 0.7 * width, y + 60, { steps: 4 });
  await page.mouse.up();
  expect(await read()).toEqual(after);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await settled(page);
  expect(await read()).toEqual(before);
});
