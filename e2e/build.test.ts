import type { Page } from 'puppeteer-core';
import {
  clickButton,
  pageOf,
  openBuild,
  openStation,
  openWorkshop,
  readout,
  settled,
  start,
  typeInto,
  until,
  valueOf,
} from './havrik';

const shop = openWorkshop();
const shown = pageOf(shop);
let page: Page;
beforeEach(() => {
  ({ page } = shown);
});

const curve = () => page.$eval('[data-curve="toe"]', (element) => element.getAttribute('d') ?? '');
const joint = (view: string, name: string) =>
  page.$eval(`[data-view="${view}"] [data-joint="${name}"] circle`, (element) => [
    Number(element.getAttribute('cx')),
    Number(element.getAttribute('cy')),
  ]);

it('shows the demo roadster’s corner from three sides and cycles it with the keys', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  for (const view of ['front', 'side', 'above'])
    expect(await page.$$(`[data-view="${view}"] [data-joint]`)).toHaveLength(11);
  const atRest = await joint('front', 'wheelCentre');
  const camber = await readout(page, 'camber');

  await page.keyboard.press('PageUp');
  await until(page, `document.querySelector('[role=slider]').ariaValueNow === '60'`);
  const up = await joint('front', 'wheelCentre');
  expect(up[1]).toBeLessThan(atRest[1] - 10);
  expect(await readout(page, 'camber')).toBeLessThan(camber - 1);
  expect(await readout(page, 'toe')).toBeCloseTo(0.94, 2);

  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.down('Shift');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.up('Shift');
  await page.keyboard.press('ArrowDown');
  expect(
    await page.$eval('[role=slider]', (element) => element.getAttribute('aria-valuetext')),
  ).toBe('5.0 mm droop with the rack 3.0 mm left');
  // The rack behind the kingpins moved left turns the left wheel right, which is toe-in.
  expect(await readout(page, 'toe')).toBeGreaterThan(1);
});

it('follows the dot on the pad and stops at its edges', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const pad = (await (await page.$('[role=slider]'))!.boundingBox())!;
  await page.mouse.move(pad.x + pad.width / 2, pad.y + pad.height / 2);
  await page.mouse.down();
  await page.mouse.move(pad.x + pad.width * 0.25, pad.y + pad.height * 0.25, { steps: 4 });
  const text = () =>
    page.$eval('[role=slider]', (element) => element.getAttribute('aria-valuetext'));
  await until(page, `document.querySelector('[role=slider]').ariaValueText.includes('left')`);
  expect(await text()).toMatch(/^(29|30|31)\.\d mm bump with the rack 3[2-4]\.\d mm left$/);
  await page.mouse.move(pad.x - 60, pad.y - 60, { steps: 4 });
  await page.mouse.up();
  expect(await text()).toBe('60.0 mm bump with the rack 66.0 mm left');
});

it('lets a point be typed in any notation; everything follows, and Escape brings it back', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const cell = '#tieRodOuter-up';
  const before = await curve();
  await typeInto(page, cell, '9 1/2"');
  expect(await curve()).not.toBe(before);
  await page.keyboard.press('Tab');
  expect(await valueOf(page, cell)).toBe('241.3');

  await clickButton(page, 'Undo');
  expect(await valueOf(page, cell)).toBe('239');
  expect(await curve()).toBe(before);

  await typeInto(page, cell, '300');
  await page.keyboard.press('Escape');
  expect(await valueOf(page, cell)).toBe('239');
  await settled(page);
});

it('keeps empty and half-typed cells, says why, and holds the last value', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const cell = '#upperOuter-out';
  const before = await curve();
  await typeInto(page, cell, '57x');
  const says = (part: string) =>
    until(page, `document.querySelector('#points-error').textContent.includes('${part}')`);
  await says('upper ball joint, out: “57x” is not a length');
  await page.keyboard.press('Tab');
  expect(await valueOf(page, cell)).toBe('57x');
  await typeInto(page, cell, '578');
  await until(page, `document.querySelector('#points-error').textContent === ''`);
  await page.click(cell, { count: 3 });
  await page.keyboard.press('Backspace');
  await says('is empty');
  await typeInto(page, cell, '578');
  await page.keyboard.press('Tab');
  expect(await curve()).toBe(before);
  await settled(page);
});

it('says what stops a wheel from reaching, and which point is degenerate', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Brief');
  const up = '::-p-aria([name="Travel up"][role="textbox"])';
  await page.waitForSelector(up);
  await page.click(up, { count: 3 });
  await page.keyboard.type('480');
  await page.keyboard.press('Tab');
  await page.click('[role=slider]');
  await page.keyboard.press('PageUp');
  const alert = () =>
    page.$eval('main [role=alert], aside [role=alert]', (element) => element.textContent);
  expect(await alert()).toMatch(/past \d+\.\d mm bump/);
  await clickButton(page, 'Undo');
  await page.keyboard.press('Home');

  await openStation(page, 'Rack & tie rod');
  await page.waitForSelector('#upperOuter-up');
  await typeInto(page, '#lowerRearInner-ahead', '132');
  await typeInto(page, '#lowerRearInner-up', '172');
  expect(await alert()).toMatch(
    /lower arm rear pivot and the lower arm front pivot are in one place/,
  );
  await clickButton(page, 'Undo');
  await clickButton(page, 'Undo');
  await settled(page);
  expect(await valueOf(page, '#lowerRearInner-ahead')).toBe('-168');
});

it('finds the shim with one key, shows it, takes it, and undoes it', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await page.keyboard.press('s');
  await page.waitForSelector('[data-curve="proposed"]');
  const panel = () => page.$eval('[aria-label="Shim"]', (element) => element.textContent ?? '');
  expect(await panel()).toMatch(
    /Washers 1\.6 mm \+ 3\.2 mm \+ 6\.35 mm at the tie rod outer joint: 11\.15 mm up\./,
  );
  expect(await panel()).toMatch(/0\.84° → 0\.17° at worst, range 0\.18°, straight ahead/);
  await page.keyboard.press('Escape');
  await page.waitForSelector('[data-curve="proposed"]', { hidden: true });
  expect(await valueOf(page, '#tieRodOuter-up')).toBe('239');

  await page.keyboard.press('s');
  await page.waitForSelector('[data-curve="proposed"]');
  await page.keyboard.press('Enter');
  await until(page, `document.querySelector('#tieRodOuter-up').value === '250.15'`);
  expect(await panel()).toMatch(/Bump steer 0\.17° at worst ?very good/);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  expect(await valueOf(page, '#tieRodOuter-up')).toBe('239');
  await settled(page);
});

it('shows inches, and takes a block pasted from a spreadsheet', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await clickButton(page, 'inch');
  expect(await valueOf(page, '#lowerOuter-up')).toBe('4.9606');
  await clickButton(page, 'mm');
  expect(await valueOf(page, '#lowerOuter-up')).toBe('126');

  await page.focus('#tieRodInner-ahead');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '97\t159\t173,5\r\n105\t613\t184\r\n');
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await until(page, `document.querySelector('#tieRodOuter-out').value === '613'`);
  expect(await valueOf(page, '#tieRodInner-up')).toBe('173.5');
  await settled(page);
});

it('gives the right side points of its own', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await clickButton(page, 'Separate the sides');
  await clickButton(page, 'right');
  await typeInto(page, '#tieRodInner-up', '180');
  await clickButton(page, 'left');
  expect(await valueOf(page, '#tieRodInner-up')).not.toBe('180');
  await clickButton(page, 'right');
  expect(await valueOf(page, '#tieRodInner-up')).toBe('180');
  await settled(page);
});

it('renames, and finds everything again after the server was stopped and started', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await typeInto(page, '[aria-label="Name of this build"]', 'Roadster, second try');
  await page.keyboard.press('Enter');
  await typeInto(page, '#upperOuter-up', '418.25');
  await page.keyboard.press('Tab');
  await settled(page);
  await shop.app.stop();
  shop.app = await start(shop.database);
  await openBuild(page, shop.app.address, 'Roadster, second try');
  expect(await valueOf(page, '#upperOuter-up')).toBe('418.25');
});
