import { bumpSteer } from '../src/core/motion/bumpSteer';
import { axleSteer, mostSteer } from '../src/core/motion/axleSteer';
import { wheelOf } from '../src/core/kinematics/wheel';
import { staticQuantities } from '../src/core/upright/staticQuantities';
import {
  beginBuild,
  clickButton,
  field,
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
const readBuild = () => savedBuild(at.page, shop.app.address);
const openPart = (group: string, part: string) =>
  at.page.locator(`[aria-label="${group}"] button[value="${part}"]`).click();

it('draws a beam with figures of its own, and nulls it by the drag link’s chassis end', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Shed special', 'beam');
  await typeFigures(page, [
    ['Wheelbase', '1980'],
    ['Travel up', '55'],
    ['Travel down', '50'],
    ['Turns, each way', '24'],
    ['Turns of the wheel for one', '11'],
    ['Shaft below, ahead', '-395'],
    ['Shaft below, left', '372'],
    ['Shaft below, up', '480'],
    ['Shaft above, ahead', '-395'],
    ['Shaft above, left', '270'],
    ['Shaft above, up', '480'],
    ['Loaded radius', '278'],
  ]);
  await openStation(page, 'Drag link');
  await typeJoints(page, {
    kingpinLower: ['5', '512', '218'],
    kingpinUpper: ['-7', '494', '326'],
    springEye: ['-425', '322', '312'],
    springPad: ['0', '322', '258'],
    springShackle: ['430', '322', '318'],
    tieRodOuter: ['-128', '472', '226'],
    dragLinkInner: ['-392', '372', '362'],
    dragLinkOuter: ['-6', '374', '322'],
    wheelCentre: ['0', '592', '278'],
  });
  const build = await readBuild();
  expect(build.front.dropArm).toEqual({
    lower: { ahead: -395, left: 372, up: 480 },
    upper: { ahead: -395, left: 270, up: 480 },
    lock: 24,
    ratio: 11,
  });
  // Inclination and caster by hand from the points typed.
  expect(await readout(page, 'kpi')).toBeCloseTo((Math.atan(18 / 108) * 180) / Math.PI, 1);
  expect(await readout(page, 'caster')).toBeCloseTo((Math.atan(12 / 108) * 180) / Math.PI, 1);
  const before = wheelOf(build, 'front', 'left');
  expect(bumpSteer(before.corner!, before.travel)!.worst).toBeGreaterThan(0.5);

  await openPart('Drag link', 'axle');
  if (!before.solved.ok) throw new Error('sound');
  const { heave } = axleSteer(before.solved.axle, before.travel)!;
  await showsIn(page, '[aria-label="The car’s steer"]', `${mostSteer(heave)!.toFixed(2)}°`);
  await openPart('Drag link', 'null');
  await page.waitForSelector('[data-way="dragLinkInner"]');
  await page.locator('::-p-xpath((//*[@data-way="dragLinkInner"]//button[.="Take"])[1])').click();
  await showsIn(page, '[aria-label="Null line"]', 'Bump steer 0\\.0');
  const after = await readBuild();
  const wheel = wheelOf(after, 'front', 'left');
  expect(bumpSteer(wheel.corner!, wheel.travel)!.worst).toBeLessThan(0.02);
  // The box went along: its arm is as it was.
  const { lower, upper } = after.front.dropArm!;
  const typed = build.front.points['dragLinkInner'];
  expect(lower.up - after.front.points['dragLinkInner'].up).toBeCloseTo(480 - typed.up, 2);
  expect(upper.ahead - after.front.points['dragLinkInner'].ahead).toBeCloseTo(
    -395 - typed.ahead,
    2,
  );
  // As long as the leaf's arc and parallel to it: three quarters of the way from pad to eye.
  const { dragLinkInner: inner, dragLinkOuter: outer } = after.front.points;
  expect(inner.ahead - outer.ahead).toBeCloseTo(0.75 * -425, 0);
  expect(inner.up - outer.up).toBeCloseTo(0.75 * 54, 0);

  // The other wheel has no drag link: it says which one has.
  await clickButton(page, 'right');
  await clickButton(page, 'Look at the left wheel');
  await page.waitForSelector('[aria-label="Drag link"]');
});

it('brings the demo two-seater to its caster by a wedge, and undo takes the wedge out', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seater with a beam');
  const before = (await readBuild()).front;
  await openStation(page, 'Axle & springs');
  await openPart('Axle & springs', 'axle');
  await page.locator(field('Caster wanted')).click();
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type('6');
  await page.keyboard.press('Tab');
  await clickButton(page, 'Which wedge?');
  await page.locator('::-p-xpath(//*[@data-wedge]//button[.="Take"])').click();
  await until(
    page,
    `document.querySelector('[data-caster]').textContent.includes('lean back 6.00°')`,
  );
  const after = (await readBuild()).front;
  expect(staticQuantities(after, 'left').caster).toBeCloseTo(6, 3);
  expect(after.points['springPad']).toEqual(before.points['springPad']);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await until(
    page,
    `document.querySelector('[data-caster]').textContent.includes('lean back 3.58°')`,
  );
  expect((await readBuild()).front.points).toEqual(before.points);
});

it('rolls the axle under the page as one, and back to heave', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seater with a beam');
  await page.locator('[aria-label="Drawn against"] button[value="roll"]').click();
  await page.focus('[role="slider"]');
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  // 30 mm up on this side, 30 down on the other: 2.8° of the beam.
  const lean = (Math.atan2(60, 2 * 618) * 180) / Math.PI;
  await until(
    page,
    `Math.abs(parseFloat(document.querySelector('[data-readout="camber"] output').textContent.replace('−', '-')) - ${0.8 - lean}) < 0.1`,
  );
  await page.locator('[aria-label="Drawn against"] button[value="travel"]').click();
  await until(
    page,
    `Math.abs(parseFloat(document.querySelector('[data-readout="camber"] output').textContent) - 0.8) < 0.2`,
  );
});
