import { travelEnds } from '../src/core/damper/ends';
import { clearancesOf } from '../src/core/clearance/room';
import { DamperAt } from '../src/core/damper/sweep';
import { wheelOf } from '../src/core/kinematics/wheel';
import {
  beginBuild,
  clickButton,
  field,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  savedBuild,
  settled,
  showsIn,
  typeFigures,
  typeInto,
  typeJoints,
  until,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);
const saved = () => savedBuild(at.page, shop.app.address);
const wheelNow = async () => wheelOf(await saved(), 'front', 'left');
const intoArms = async () => {
  const build = await saved();
  return clearancesOf(build, wheelOf(build, 'front', 'left'))!.filter(
    ({ ofDamper, to, clearance }) => ofDamper && /arm/u.test(to) && clearance < 0,
  );
};

it('draws a damper of one’s own figures, drags its lug along, and limits the droop', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Trials car', 'double-wishbone');
  await typeFigures(page, [
    ['Wheelbase', '2280'],
    ['Travel up', '70'],
    ['Travel down', '75'],
    ['Loaded radius', '310'],
  ]);
  await openStation(page, 'Damper');
  await clickButton(page, 'Straight to the lower arm');
  await page.waitForSelector('[data-view="front"] [data-joint="damperOuter"]');
  await typeJoints(page, {
    damperInner: ['-12', '382', '596'],
    damperOuter: ['-12', '512', '225'],
  });
  await settled(page);
  const { points } = (await saved()).front;
  expect(points['damperInner']).toEqual({ ahead: -12, out: 382, up: 596 });

  // The lug goes where it is dragged, in one view and in the file.
  const handle = await page.waitForSelector('[data-view="front"] [data-joint="damperOuter"]');
  const box = (await handle!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 20, y, { steps: 8 });
  await page.mouse.up();
  await until(page, `document.querySelector('#damperOuter-out, #cell-damperOuter-out') !== null`);
  const dragged = (await saved()).front.points['damperOuter'];
  expect(Math.abs(dragged.out - 512)).toBeGreaterThan(5);
  expect(dragged.ahead).toBe(-12);

  await clickButton(page, 'parts');
  await clickButton(page, 'Type its lengths');
  await typeInto(page, field('eye to eye, closed'), '330');
  await typeInto(page, field('eye to eye, open'), '455');
  await clickButton(page, 'stroke');
  await page.waitForSelector('[data-way="bump"]');
  const wheel = await wheelNow();
  const ends = travelEnds(await saved(), wheel)!;
  if (ends.bump)
    await showsIn(
      page,
      '[data-way="bump"]',
      Math.abs(ends.bump.travel).toFixed(1).replace('.', '\\.'),
    );

  await clickButton(page, 'droop');
  await typeInto(page, field('droop to be held'), '40');
  await clickButton(page, 'Fit the spacer');
  await settled(page);
  const { unit } = (await saved()).front.damper!;
  const now = await wheelNow();
  const length = new DamperAt(now.corner!, now.design.damper!).linkage.at(-40)!.damper.length;
  expect(unit!.open - unit!.spacer!).toBeCloseTo(length, 0);
});

it('shows the roadster’s damper in its arm, finds it another place, and undoes that', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Damper');
  await clickButton(page, 'stroke');
  await page.waitForSelector('[data-near="upper arm, rear tube"]');
  expect((await intoArms()).length).toBeGreaterThan(0);
  await clickButton(page, 'find');
  await clickButton(page, 'Find mounts');
  await page.waitForSelector('[data-mounts="reached"]');
  const take = '::-p-xpath((//button[starts-with(@aria-label, "Take: ")])[1])';
  await page.locator(take).click();
  await until(page, `!document.querySelector('[data-mounts]')`);
  expect(await intoArms()).toEqual([]);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await settled(page);
  expect((await intoArms()).length).toBeGreaterThan(0);
});

it('says what of the single-seater gives first, and what another tube would make of it', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await openStation(page, 'Damper');
  await clickButton(page, 'loads');
  await showsIn(page, '[aria-label="What gives first"]', 'arm bent at rocker rod');
  for (const tube of ['lower arm, front tube', 'lower arm, rear tube']) {
    await clickButton(page, tube);
    await typeInto(page, field('outside'), '38');
    await typeInto(page, field('wall, 0 solid'), '2.5');
    await clickButton(page, tube);
  }
  await showsIn(page, '[aria-label="What gives first"]', 'rocker rod, outer joint');
  await settled(page);
  expect((await saved()).front.strength!.members['lowerRearInner lowerOuter']).toMatchObject({
    outside: 38,
    wall: 2.5,
  });
});
