import type { Page } from 'puppeteer-core';
import {
  clickButton,
  pageOf,
  openBuild,
  openStation,
  openWorkshop,
  readout,
  settled,
  showsIn,
  until,
} from './havrik';

const shop = openWorkshop();
const shown = pageOf(shop);
let page: Page;
beforeEach(() => {
  ({ page } = shown);
});

/** Types into the first field of that name, and leaves it. */
async function fill(label: string, text: string): Promise<void> {
  const labels = `[...document.querySelectorAll('label')]`;
  const mine = `(label) => label.textContent === ${JSON.stringify(label)}`;
  await until(page, `${labels}.some(${mine})`);
  const id = (await page.evaluate(`${labels}.find(${mine}).htmlFor`)) as string;
  await page.click(`[id="${id}"]`, { count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
}
const tab = (name: string) => page.locator(`::-p-aria([name="${name}"][role="tab"])`).click();
/** Picks from a list that opens, and waits until it has closed again. */
async function pickFrom(list: string, item: string): Promise<void> {
  await page.locator(list).click();
  await page.locator(`::-p-xpath(//li[starts-with(., "${item}")])`).click();
  await until(page, `!document.querySelector('[role=listbox]')`);
}
const textOf = (selector: string) =>
  page.$eval(selector, (element) => (element as HTMLElement).textContent ?? '');
const shows = (selector: string, pattern: string) => showsIn(page, selector, pattern);

it('takes a new build from its brief to a wheel that stands where it is wanted', async () => {
  await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
  await clickButton(page, 'New build');
  await page.locator('[role=dialog] input').fill('Gravel special');
  await clickButton(page, 'Start');
  await page.waitForSelector('nav [aria-current]');
  await openStation(page, 'Brief');
  await page.locator('::-p-aria([name="Use"][role="combobox"])').click();
  await page.locator('::-p-aria([name="Hillclimb"][role="option"])').click();
  // The list takes clicks until it has faded.
  await until(page, `!document.querySelector('[role=listbox]')`);
  await shows('[data-target="lock"]', 'Hairpins|corners');
  await fill('Tyre size', '175/50R13');
  // Of a sketch nothing is told yet.
  expect(await page.$eval('main', (main) => main.textContent)).toMatch(
    /is told once the front corners are set/,
  );

  await openStation(page, 'Wheel & upright');
  await fill('Track at contact', '1420');
  await fill('Offset, + hub out', '25');
  await fill('KPI, + top in', '9');
  await fill('Scrub radius wanted', '15');
  await clickButton(page, 'What gives it?');
  await page.waitForSelector('[data-way="lower"]');
  const looked = '[data-way="lower"] button:first-of-type';
  await page.click(looked);
  await page.waitForSelector('[data-curve="proposed"]');
  await page.click('[data-way="lower"] button:last-of-type');
  await until(
    page,
    `document.querySelector('[data-readout="scrub"] output').textContent === '15.0mm'`,
  );
  expect(await textOf('[data-view="front"]')).toMatch(/scrub 15/);
  await settled(page);

  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('[data-readout="scrub"]');
  expect(await readout(page, 'scrub')).toBeCloseTo(15, 1);
  await openStation(page, 'Wheel & upright');
  const track = await page.waitForSelector('::-p-aria([name="Track at contact"][role="textbox"])');
  expect(await track!.evaluate((input) => Number((input as HTMLInputElement).value))).toBeCloseTo(
    1420,
    0,
  );
});

it('draws what the ± leaves open on trace and readouts, for toe and for camber', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await page.waitForSelector('[data-curve="built"]');
  expect(await textOf('[data-readout="camber"]')).toMatch(/±0\.\d\d/);
  await pickFrom('h2 [role=combobox]', 'camber');
  await page.waitForSelector('[data-trace="camber"] [data-curve="built"]');
  const before = await page.$eval('[data-curve="built"]', (path) => path.getAttribute('d'));
  // Better measurements make a narrower band.
  await openStation(page, 'Take-off');
  await fill('± of what is drawn', '0.2');
  await openStation(page, 'Rack & tie rod');
  await until(
    page,
    `document.querySelector('[data-curve="built"]')?.getAttribute('d') !== ${JSON.stringify(before)}`,
  );
});

it('points at a tape that contradicts the others, and loses nothing that was typed', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Take-off');
  await page.locator('[data-measured="lowerFrontInner"] button').click();
  await fill('to L', '100');
  await shows('[aria-label="How it was measured"] [role=alert]', 'contradict each other');
  await fill('to L', '12 x');
  await shows('[aria-label="How it was measured"]', 'is not a length');
  expect(
    await page.$eval(
      '::-p-aria([name="to L"][role="textbox"])',
      (input) => (input as HTMLInputElement).value,
    ),
  ).toBe('12 x');
  await fill('to L', '610');
  await shows('[aria-label="How it was measured"] [role=alert]', 'do not agree|disagrees');
  await clickButton(page, 'Undo');
  await settled(page);
});

it('compares the sides, takes both as they are, and undoes it', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Take-off');
  await tab('Left against right');
  await shows('main', 'upper arm front pivot is furthest out: 4.6 mm');
  await clickButton(page, 'Take both as they are');
  await shows('main', 'Each side has its own points');
  await clickButton(page, 'Undo');
  await shows('main', 'Right mirrors left');
  await settled(page);
});

it('lists what deserves the caliper and what to expect of all of it together', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Take-off');
  await tab('What deserves the caliper');
  await page.waitForSelector('[data-sensitivity]');
  await shows('main', 'nine in ten under');
  const rows = await page.$$eval('[data-sensitivity] td:nth-of-type(3)', (cells) =>
    cells.map((cell) => Number.parseFloat(cell.textContent ?? '')),
  );
  expect(rows.length).toBeGreaterThan(25);
  expect([...rows].sort((a, b) => b - a)).toEqual(rows);
});

it('keeps a shelf: a new part, put into a build, taken off and put back', async () => {
  await page.goto(`${shop.app.address}/shelf`, { waitUntil: 'networkidle0' });
  await clickButton(page, 'New tyre');
  await page.locator('::-p-aria([name="Name"][role="textbox"])').fill('Loose surface 165/70R14');
  await page.locator('::-p-aria([name="Size"][role="textbox"])').fill('165/70R14');
  for (const [label, text] of [
    ['Free diameter', '587'],
    ['Width', '165'],
    ['Loaded radius', '11 1/4"'],
  ])
    await page.locator(`::-p-aria([name="${label}"][role="textbox"])`).fill(text);
  await clickButton(page, 'Put it on the shelf');
  await page.waitForSelector('[data-part="Loose surface 165/70R14"]');

  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await openStation(page, 'Brief');
  await clickButton(page, 'A tyre from the shelf for the front');
  await page.locator('::-p-text(Loose surface 165/70R14)').click();
  const radius = '::-p-aria([name="Loaded radius"][role="textbox"])';
  await page.waitForSelector(radius);
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(await page.$eval(radius, (input) => (input as HTMLInputElement).value)).toBe('285.75');
  await settled(page);

  await page.goto(`${shop.app.address}/shelf`, { waitUntil: 'networkidle0' });
  await page.click('[data-part="Loose surface 165/70R14"] button:last-of-type');
  await until(page, `!document.querySelector('[data-part="Loose surface 165/70R14"]')`);
  await page.locator('::-p-aria([name="Undo"][role="button"])').click();
  await page.waitForSelector('[data-part="Loose surface 165/70R14"]');
});

it('gives a pivot holes, finds arms from the camber wanted, looks, takes and undoes', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await openStation(page, 'Arms');
  await clickButton(page, 'freedoms');
  await page.locator('[data-view="side"] [data-joint="upperFrontInner"]').click();
  await shows('[aria-label="Freedoms"]', 'Upper arm front pivot|upper arm front pivot');
  await pickFrom('[data-freedom="up"] [role=combobox]', 'slot');
  await page.waitForSelector('[data-view="front"] [data-mark="range"]');
  await clickButton(page, 'find arms from camber');
  await fill('Per 25 mm of bump', '-0.8');
  await clickButton(page, 'Find arms');
  await page.waitForSelector('[data-arms="reached"]');
  expect(await textOf('[aria-label="Find arms"] [role=status]')).toMatch(
    /The arms do it as they are\. All 2 combinations/,
  );
  await page.locator('[data-arms="reached"] button[aria-pressed]').click();
  await page.waitForSelector('[data-curve="proposed"]');
  await page.locator('[data-arms="reached"] button:not([aria-pressed])').click();
  await until(page, `!document.querySelector('[data-curve="proposed"]')`);
  await clickButton(page, 'joints');
  const up = () => page.$eval('#upperFrontInner-up', (cell) => (cell as HTMLInputElement).value);
  await page.waitForSelector('#upperFrontInner-up');
  expect(await up()).not.toBe('312');
  await clickButton(page, 'Undo');
  expect(await up()).toBe('312');
  await settled(page);
});

it('drags a joint along what it may do, one step of undo, and measures between joints', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Arms');
  await clickButton(page, 'freedoms');
  await page.locator('[data-view="side"] [data-joint="upperRearInner"]').click();
  await pickFrom('[data-freedom="up"] [role=combobox]', 'drilled');
  await pickFrom('[data-freedom="ahead"] [role=combobox]', 'fixed');
  await page.waitForSelector('[data-view="side"] [data-mark="choices"]');
  await settled(page);
  const ring = (await (await page.$(
    '[data-view="side"] [data-joint="upperRearInner"] circle',
  ))!.boundingBox())!;
  const [x, y] = [ring.x + ring.width / 2, ring.y + ring.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y - 9, { steps: 5 });
  await page.mouse.up();
  await shows('[data-freedom="up"]', 'now at 403 mm');
  await shows('[data-freedom="ahead"]', 'now at -?−?132 mm');
  await clickButton(page, 'Undo');
  await shows('[data-freedom="up"]', 'now at 378 mm');

  await clickButton(page, 'Measure');
  await page.locator('[data-view="front"] [data-joint="lowerOuter"]').click();
  await page.locator('[data-view="front"] [data-joint="upperOuter"]').click();
  await shows(
    '[aria-label="Floor"] [role=status]',
    'lower ball joint to upper ball joint: 249.7 mm',
  );
});

it('says what comes too close to a body, and goes there', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await openStation(page, 'Arms');
  await clickButton(page, 'room');
  await shows('[aria-label="Room"]', 'tightest|too close');
  await clickButton(page, 'Add a round body');
  await page.waitForSelector('[data-view="front"] [data-keepout="damper"]');
  await fill('to, up', '126');
  const through = '::-p-xpath(//button[@data-clearance="close"][contains(., "to damper")])';
  await page.locator(through).click();
  await until(page, `document.querySelector('[role=slider]').ariaValueText !== 'ride height'`);
  await clickButton(page, 'Remove damper');
  await until(page, `!document.querySelector('[data-keepout]')`);
  await settled(page);
});
