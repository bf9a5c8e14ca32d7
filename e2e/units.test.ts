import { readPdf } from '../src/test/readPdf';
import {
  clickButton,
  field,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  savedBuild,
  settled,
  showsIn,
  typeInto,
  until,
  valueOf,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);

const fromMenu = async (name: string) => {
  await at.page.locator('::-p-aria([name="Files and help"][role="button"])').click();
  await at.page.locator(`::-p-xpath(//li[.="${name}"])`).click();
  await until(at.page, `!document.querySelector('[role="menu"]')`);
};
const closed = () => until(at.page, `!document.querySelector('[role="dialog"]')`);
const textOf = (selector: string): Promise<string> =>
  at.page.$eval(selector, (one) => one.textContent ?? '');

it('shows fractions and minutes on every station, keeps what is typed in them, and remembers', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const toe = Number.parseFloat(await textOf('[data-readout="toe"] output'));
  await fromMenu('Units');
  await page.locator('::-p-xpath(//*[@role="dialog"]//button[.="inches to 1/16"])').click();
  await page.locator('::-p-xpath(//*[@role="dialog"]//button[.="degrees and minutes"])').click();
  await showsIn(page, '[role="dialog"] table', '12 5\\/16 \\+ 0.002 in');
  await clickButton(page, 'Close');
  await closed();
  const minutes = /^(−?)(?:(\d+)° )?(\d+)′$/u.exec(await textOf('[data-readout="toe"] output'))!;
  expect(Number(minutes[2] ?? 0) * 60 + Number(minutes[3])).toBe(Math.round(Math.abs(toe) * 60));
  const rail = await page.$$eval('nav[aria-label="Stations"] button', (all) =>
    all.map((button) => button.firstChild?.textContent ?? ''),
  );
  for (const station of rail) {
    await openStation(page, station);
    await new Promise((resolve) => setTimeout(resolve, 300));
    const text = await textOf('body');
    expect([station, text.includes('in/16')]).toEqual([station, false]);
  }
  await openStation(page, 'Wheel & upright');
  // The bar's own button goes to millimetres, and back to the fractions that were chosen.
  const bar = (name: string) => page.locator(`::-p-xpath(//header//button[.="${name}"])`).click();
  await bar('mm');
  await showsIn(page, '[data-readout="scrub"]', 'mm');
  await bar('inch');
  await page.reload({ waitUntil: 'networkidle0' });
  await fromMenu('Units');
  await page.waitForSelector(
    '::-p-xpath(//*[@role="dialog"]//button[.="inches to 1/16"][@aria-pressed="true"])',
  );
  await clickButton(page, 'Close');
  await closed();

  await openStation(page, 'Set-up');
  await typeInto(page, field('camber wanted'), "-1° 15'");
  await page.keyboard.press('Tab');
  expect(await valueOf(page, field('camber wanted'))).toBe("-1° 15'");
  await showsIn(page, '[data-then]', 'camber −45′ → −1° 1\\d′');
  await settled(page);
  const saved = await savedBuild(page, shop.app.address);
  expect(saved.setups?.wheels?.[0]?.typed?.wanted?.camber).toBe(-1.25);
  await openStation(page, 'Rack & tie rod');
  await typeInto(page, '#tieRodInner-up', '9 5/16');
  await page.keyboard.press('Tab');
  expect(await valueOf(page, '#tieRodInner-up')).toBe('9 5/16');
  await settled(page);
  expect((await savedBuild(page, shop.app.address)).front.points['tieRodInner'].up).toBeCloseTo(
    236.5375,
    9,
  );
});

it('says at a figure what it means, and the station’s print has all of it', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await page.locator('[data-readout="caster"] button').click();
  await showsIn(page, '[role="dialog"] h2', 'What caster means');
  expect(await page.$$eval('[role="dialog"] section', (all) => all.length)).toBe(1);
  expect(await page.$$eval('[role="dialog"] section svg[role="img"]', (all) => all.length)).toBe(1);
  await clickButton(page, 'All figures');
  await until(page, `document.querySelectorAll('[role="dialog"] section').length === 13`);
  expect(await page.$$eval('[role="dialog"] section svg[role="img"]', (all) => all.length)).toBe(
    13,
  );
  await clickButton(page, 'Close');
  await closed();
  await page.locator('[data-steering="Ratio"] button').click();
  await showsIn(page, '[role="dialog"] h2', 'What steering ratio means');
  await page.keyboard.press('Escape');
  await closed();

  // The list of steps scrolls on the screen; on paper all of it stands.
  await openStation(page, 'Order of work');
  await until(page, `document.querySelectorAll('ol[aria-label="Steps"] li').length > 20`);
  const { pages } = readPdf(await page.pdf({ format: 'A4' }));
  const words = pages.map(({ text }) => text.replace(/\s/gu, '')).join('');
  expect(words).toContain('Lookedatbywhoeverlicensesit');
  expect(words).not.toContain('Undo');
});
