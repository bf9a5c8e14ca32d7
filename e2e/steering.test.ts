import { bumpSteer } from '../src/core/motion/bumpSteer';
import { ackermannAt } from '../src/core/steering/ackermann';
import { wheelOf } from '../src/core/kinematics/wheel';
import {
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  savedBuild,
  settled,
  showsIn,
  typeInto,
  until,
} from './havrik';

const openPart = async (part: string): Promise<void> => {
  await at.page.locator(`[aria-label="What of the steering"] button[value="${part}"]`).click();
};

const shop = openWorkshop();
const at = pageOf(shop);

const readBuild = () => savedBuild(at.page, shop.app.address);

it('shows from lock to lock whether the car turns true, and where the rack is to be stopped', async () => {
  const { page } = at;
  const cell = (what: string) =>
    page.$eval(`[data-steer="${what}"] td`, (one) => one.textContent!.replace('−', '-'));
  const number = async (what: string) => parseFloat(await cell(what));
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Steering');
  await page.waitForSelector('[data-steer-curve="error"] path');
  expect(await cell('steer, + left')).toBe('0.00°');
  expect(await page.$('[data-centre]')).toBeNull();
  // The rack to the right, by keys: with its arms astern this car's wheels go left.
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  await until(page, `document.querySelectorAll('[data-centre]').length === 2`);
  expect(await number('steer, + left')).toBeGreaterThan(10);
  expect(await number('Ackermann error, inner wheel')).toBeLessThan(-1);
  // Another figure over the rack.
  await page.locator('::-p-aria([name="Steering curve shown"][role="combobox"])').click();
  await page.locator('::-p-xpath(//li[.="ratio"])').click();
  await page.waitForSelector('[data-steer-curve="ratio"] path');
  await until(page, `!document.querySelector('[role=listbox]')`);
  await openPart('arms');
  await showsIn(page, 'main', 'it belongs inboard');
  await openPart('lock');
  await showsIn(page, '[data-stop="left"]', 'none: it ends before 35°');

  // A joint on the other side of the kingpin is told plainly.
  await openStation(page, 'Rack');
  await page.waitForSelector('#tieRodOuter-out');
  await typeInto(page, '#tieRodOuter-out', '640');
  await openStation(page, 'Steering');
  await openPart('arms');
  await showsIn(page, 'main [role=alert]', 'it belongs inboard of it; yours is');
  await showsIn(page, 'main', 'outer wheel turns more than the inner: −');
  await openStation(page, 'Rack');
  await page.waitForSelector('#tieRodOuter-out');
  await typeInto(page, '#tieRodOuter-out', '604');
  await settled(page);
});

it('makes the roadster turn true with bump steer nulled and stops for 32°, all in the one station', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Steering');
  await openPart('lock');
  await page.waitForSelector('[data-limits]');
  await typeInto(page, '[aria-label="Stops"] input', '32');
  await openPart('find');
  await page.locator('[aria-label="Ackermann wanted"] button[value="true"]').click();
  await page.locator('::-p-xpath(//main//button[.="Find Ackermann"])').click();
  await page.waitForSelector('[data-found="answer 1"]');
  // Looked at first: dashed in the plan.
  await page.locator('::-p-aria([name="Look: answer 1"][role="button"])').click();
  await page.waitForSelector('[data-ghost="left"]');
  await page.locator('::-p-aria([name="Take: answer 1"][role="button"])').click();
  await openPart('lock');
  await page.waitForSelector('[data-limits]');
  await showsIn(page, '[data-stop="left"]', 'on its left side');
  await showsIn(page, '[data-stop="right"]', 'on its right side');
  await showsIn(page, '[data-stop="right"]', '32.0°');
  // What was asked for is what the file measures.
  await settled(page);
  const build = await readBuild();
  expect(build.brief!.targets.lock).toBe(32);
  expect(build.front.rack!.stop).toBeGreaterThan(5);
  const wheel = wheelOf(build, 'front', 'left');
  if (!wheel.solved.ok) throw new Error('not solved');
  expect(bumpSteer(wheel.corner!, wheel.travel)!.worst).toBeLessThan(0.25);
  const percent = ackermannAt(wheel.solved.axle, build.wheelbase, wheel.steerRange / 2)!.percent;
  expect(percent).toBeGreaterThan(60);
  expect(percent).toBeLessThan(100);
});

it('drags an outer joint in plan, the wheels steered, along the drawn arm’s own directions', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Steering');
  await openPart('curves');
  await page.waitForSelector('[data-steer-curve]');
  const joint = async () => (await readBuild()).front.points['tieRodOuter'];
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
  const before = await joint();
  const rings = await page.$$('[data-joint="tieRodOuter"] circle');
  const box = (await rings[0].boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(x + i, y - i / 2);
  await page.mouse.up();
  const after = await joint();
  // Right on the left wheel is inboard, up the page is ahead; its height stays.
  expect(after.out).toBeLessThan(before.out - 10);
  expect(after.ahead).toBeGreaterThan(before.ahead + 5);
  expect(after.up).toBe(before.up);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await until(page, `document.querySelector('[data-steer-curve]')`);
  expect(await joint()).toEqual(before);
});
