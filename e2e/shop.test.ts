import Papa from 'papaparse';
import { unzipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { readPdf } from '../src/test/readPdf';
import {
  beginBuild,
  clickButton,
  downloads,
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
const at = pageOf(shop);
const saved = () => savedBuild(at.page, shop.app.address);

const pickSheet = async (page: Page, group: string, name: string) => {
  await page
    .locator(
      `::-p-xpath(//nav[@aria-label="Sheets"]//*[@aria-label="${group}"]//*[@role="button"][starts-with(., "${name}")])`,
    )
    .click();
  await page.waitForSelector(`section[aria-label="${group} ${name}"] img`);
};

it('freezes the null layout and takes all its sheets, which say what the layout says', async () => {
  const { page } = at;
  const kept = await downloads(page);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await page.locator('::-p-xpath(//header//button[@aria-haspopup="dialog"])').click();
  await page
    .locator(
      '::-p-xpath(//*[@data-variant][contains(., "Rack 14 mm lower") or .//input[@value="Rack 14 mm lower"]]//button[.="Open"])',
    )
    .click();
  await clickButton(page, 'Close');
  await until(page, `!document.querySelector('.MuiDrawer-root, [role=presentation] h2')`);
  await openStation(page, 'Jigs & parts');
  await showsIn(page, 'main', 'Drafts, until “Rack 14 mm lower” is frozen');
  await clickButton(page, 'Freeze it');
  await until(page, `!document.querySelector('main').textContent.includes('Drafts, until')`);
  await clickButton(page, 'Take all sheets');
  const files = unzipSync(await kept('two-seat-roadster-sheets.zip'));
  await showsIn(page, 'main [role=status]', 'sheets');

  const { pages } = readPdf(files['sheets.pdf']);
  const said = pages.map(({ text }) => text).join(' ');
  expect(said).not.toContain('DRAFT');
  expect(said).toContain('Rack 14 mm lower');
  // A template is once round its tube.
  const copes = pages.find(({ text }) => text.includes('Front lower arm, front tube, copes'))!;
  expect(
    copes.paths.filter(({ width }) => Math.abs(width - Math.PI * 25) < 0.01).length,
  ).toBeGreaterThan(5);

  // An arm drawn anew from its hole table alone has its joints where the layout has them.
  const csv = new TextDecoder().decode(files['front-lower-arm-jig.csv']);
  const lines = Papa.parse<string[]>(csv).data;
  const { front } = await saved();
  const joints = ['lowerFrontInner', 'lowerRearInner', 'lowerOuter'];
  const rows = ['lower arm front pivot', 'lower arm rear pivot', 'lower ball joint'].map((name) => {
    const row = lines.find(([what]) => what === name)!;
    return row.slice(1, 4).map(Number);
  });
  joints.forEach((a, i) =>
    joints.forEach((b, j) => {
      const [p, q] = [front.points[a], front.points[b]];
      const real = Math.hypot(p.ahead - q.ahead, p.out - q.out, p.up - q.up);
      const drawn = Math.hypot(...rows[i].map((x, k) => x - rows[j][k]));
      expect(Math.abs(drawn - real)).toBeLessThan(0.05);
    }),
  );
  // They are noted, and still as the layout is.
  await clickButton(page, 'rules & what was taken');
  await page.waitForSelector('[data-taken="as it is"]');
  expect(await page.$('[data-taken="old"]')).toBeNull();
  expect((await saved()).shop!.taken!.length).toBeGreaterThan(15);
});

it('makes a rod of one’s own figures, prints it at full size, and says when its sheets are old', async () => {
  const { page } = at;
  const kept = await downloads(page);
  await beginBuild(page, shop.app.address, 'Coast buggy', 'double-wishbone');
  await typeFigures(page, [
    ['Wheelbase', '2150'],
    ['Travel up', '80'],
  ]);
  await openStation(page, 'Jigs & parts');
  await pickSheet(page, 'Front', 'lower arm, rear tube, copes');
  // A tube of 28 mm: wider, and the template with it.
  await page
    .locator('::-p-xpath(//section[@aria-label="Its middle"]//label[.="outside"]/..//input)')
    .click({ count: 3 });
  await page.keyboard.type('28');
  await page.keyboard.press('Tab');
  await settled(page);
  const build = await saved();
  expect(build.front.made!['lowerRearInner lowerOuter'].outside).toBe(28);
  expect(Object.keys(build.front.made!)).toHaveLength(1);
  await until(
    page,
    `[...document.querySelectorAll('main img')].some((one) => decodeURIComponent(one.src).includes('28 × 2 steel tube'))`,
  );

  // The browser prints the very sheet.
  const printed = readPdf(await page.pdf({ preferCSSPageSize: true }));
  expect(printed.pages[0].width).toBeCloseTo(210, 0);
  expect(printed.pages[0].height).toBeCloseTo(297, 0);
  const widths = printed.pages.flatMap(({ paths }) => paths.map(({ width }) => width));
  expect(widths.filter((width) => Math.abs(width - Math.PI * 28) < 0.15).length).toBeGreaterThan(5);

  // Too wide a tube for its housing is said, and nothing is lost.
  await page
    .locator('::-p-xpath(//section[@aria-label="Its middle"]//label[.="outside"]/..//input)')
    .click({ count: 3 });
  await page.keyboard.type('44');
  await page.keyboard.press('Tab');
  await showsIn(page, 'section[aria-label="Made of"] [role=alert]', 'does not end on');
  await page.locator('::-p-xpath(//header//button[starts-with(@aria-label, "Undo")])').click();
  await until(page, `!document.querySelector('section[aria-label="Made of"] [role=alert]')`);

  await clickButton(page, 'PDF');
  const pdf = readPdf(await kept('front-lower-arm-rear-tube-copes.pdf'));
  expect(pdf.pages[0].text).toContain('DRAFT');
  await showsIn(page, 'nav[aria-label="Sheets"]', '✓ taken');
  // A pivot that moves makes the sheet old.
  await openStation(page, 'Rack');
  await page.locator('#cell-lowerRearInner-out, #lowerRearInner-out').click();
  await page.locator('#lowerRearInner-out').fill('262');
  await page.keyboard.press('Enter');
  await openStation(page, 'Jigs & parts');
  await showsIn(page, 'nav[aria-label="Sheets"]', '△ taken, old now');

  // Threads: one hand alone sets nothing, and the other cures it.
  await pickSheet(page, 'Front', 'threads and stacks');
  await page.locator('::-p-xpath(//section[@aria-label="Made of"]//*[@role="combobox"])').click();
  await page.locator('::-p-xpath(//li[.="tie rod"])').click();
  await page.waitForSelector('[role=listbox]', { hidden: true });
  await page
    .locator('::-p-xpath(//section[@aria-label="Tie rod outer joint"]//button[.="right"])')
    .click();
  await showsIn(page, 'section[aria-label="Made of"] [role=alert]', 'make one of them left-hand');
  await page
    .locator('::-p-xpath(//section[@aria-label="Tie rod inner joint"]//button[.="left"])')
    .click();
  await until(page, `!document.querySelector('section[aria-label="Made of"] [role=alert]')`);
});

it('keeps prices, states and lines of one’s own, and adds them up', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  await openStation(page, 'Jigs & parts');
  await clickButton(page, 'parts list');
  await page.waitForSelector('[data-part]');
  const cell = (key: string, label: string) =>
    `::-p-xpath((//tr[starts-with(@data-part, "${key}")])[last()]//label[.="${label}"]/..//input)`;
  await page.locator(cell('jam nut', 'price')).click();
  await page.keyboard.type('1.25');
  await page.keyboard.press('Tab');
  await page.locator(cell('jam nut', 'source')).click();
  await page.keyboard.type('Harbour Fasteners');
  await page.keyboard.press('Tab');
  await page.locator(cell('jam nut', 'currency')).click({ count: 3 });
  await page.keyboard.type('crowns');
  await showsIn(page, 'main', 'is no currency: three capitals');
  await page.keyboard.press('Escape');
  await clickButton(page, 'Add a line of your own');
  await page.waitForSelector('[data-part^="own"]');
  await page.locator(cell('own', 'what')).click({ count: 3 });
  await page.keyboard.type('seat');
  await page.keyboard.press('Tab');
  await page.locator(cell('own', 'price')).click();
  await page.keyboard.type('210');
  await page.keyboard.press('Tab');
  const { shop: noted } = await saved();
  const nut = noted!.parts!.find(({ key }) => key.startsWith('jam nut'))!;
  expect(nut).toMatchObject({ price: 1.25, source: 'Harbour Fasteners' });
  expect(nut.currency ?? 'EUR').toBe('EUR');
  const count = await page.$eval(`[data-part="${nut.key}"]`, (row) =>
    Number(row.querySelectorAll('td')[2].textContent),
  );
  await showsIn(
    page,
    '[aria-label="What it comes to"]',
    `${(210 + 1.25 * count).toFixed(2)} EUR in all`,
  );
  await page.reload({ waitUntil: 'networkidle0' });
  await clickButton(page, 'parts list');
  await page.waitForSelector('[data-part^="own"]');
  await clickButton(page, 'Remove seat');
  await until(page, `!document.querySelector('[data-part^="own"]')`);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await page.waitForSelector('[data-part^="own"]');
});
