import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { readPdf } from '../src/test/readPdf';
import {
  beginBuild,
  clickButton,
  downloads,
  field,
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  savedBuild,
  showsIn,
  typeInto,
  until,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);

const pickStep = async (words: string) => {
  await at.page
    .locator(`::-p-xpath(//ol[@aria-label="Steps"]//button[contains(., "${words}")])`)
    .click();
  await at.page.waitForSelector(`section[aria-label*="${words}"]`);
};

it('plans a car of one’s own: gates, a photo, done, open again when a joint moves', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Hill two', 'double-wishbone');
  await openStation(page, 'Order of work');
  await page.waitForSelector('[aria-label="Steps"] li');
  await typeInto(page, field('Who works here'), 'Mara');
  await pickStep('Frame on stands');
  await typeInto(page, field('left front to right rear'), '2410');
  await typeInto(page, field('right front to left rear'), '2411.5');
  await showsIn(page, '[aria-label="What must be true"]', '2410.0 and 2411.5 mm, 1.5 mm apart');
  await clickButton(page, 'It is so: Level both ways, and again after leaning on it');
  await typeInto(page, field('used'), '130');
  // A photo from a telephone, with where it was taken.
  const photo = join(shop.folder, 'datum.jpg');
  const picture = sharp({
    create: { width: 2600, height: 1300, channels: 3, background: { r: 40, g: 90, b: 60 } },
  });
  writeFileSync(
    photo,
    await picture
      .withExif({ IFD0: { Make: 'A maker' }, IFD3: { GPSLatitudeRef: 'N' } })
      .jpeg()
      .toBuffer(),
  );
  const [chooser] = await Promise.all([
    page.waitForFileChooser(),
    clickButton(page, 'Add photos …'),
  ]);
  await chooser.accept([photo]);
  await page.waitForSelector('button[aria-label="Photo datum.jpg"] img');
  await until(
    page,
    `document.querySelector('button[aria-label="Photo datum.jpg"] img').naturalWidth === 2000`,
  );
  await clickButton(page, 'It is done');
  await showsIn(page, 'section[aria-label*="Frame on stands"]', 'done.*Mara');
  await showsIn(page, 'nav[aria-label="Stations"] [aria-current]', '1 of \\d+ done');
  await pickStep('Front wheels placed');
  await typeInto(page, field('left'), '310');
  const { plan } = await savedBuild(page, shop.app.address);
  expect(plan!.steps.find(({ id }) => id === 'frame')).toMatchObject({
    used: 130,
    done: { by: 'Mara' },
    photos: [{ name: 'datum.jpg' }],
  });
  // The picture lies beside the database, without where it was taken, and goes along with a backup.
  const folder = join(shop.folder, 'havrik-photos');
  const [name] = readdirSync(folder);
  const kept = readFileSync(join(folder, name));
  expect((await sharp(kept).metadata()).exif).toBeUndefined();
  const backup = await fetch(`${shop.app.address}/api/backup`);
  const inside = unzipSync(new Uint8Array(await backup.arrayBuffer()));
  expect(Buffer.from(inside[`photos/${name}`]).equals(kept)).toBe(true);
  // A reload has all of it, who works here too.
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('[aria-label="Steps"] li');
  expect(
    await page.$eval(
      '::-p-xpath(//label[.="Who works here"]/..//input)',
      (one) => (one as HTMLInputElement).value,
    ),
  ).toBe('Mara');
});

it('holds what a rule holds, and gives it back; says what to look at after a knock', async () => {
  const { page } = at;
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Order of work');
  await showsIn(page, 'main [role="status"]', 'left; planned');
  await clickButton(page, 'rules and refusals');
  await typeInto(page, field('what it says'), 'Lower ball joint where the donor has it');
  await typeInto(page, field('where that stands, or who said so'), 'Class rules 4.2');
  await page.locator('::-p-aria([name="it holds"][role="combobox"])').click();
  await page.locator('::-p-xpath(//li[.="front lower ball joint, up"])').click();
  await until(page, `document.querySelector('[role="listbox"]') === null`);
  await clickButton(page, 'Write it down');
  await showsIn(page, '[aria-label="Rules and refusals"]', 'Holds the front lower ball joint, up');
  const before = (await savedBuild(page, shop.app.address)).front.points['lowerOuter'].up;
  await openStation(page, 'Rack');
  const cell = 'input[aria-label="lower ball joint, up, mm"]';
  await page.waitForSelector(cell);
  await page.click(cell, { count: 3 });
  await page.keyboard.type('190');
  await page.keyboard.press('Tab');
  await showsIn(page, 'body', 'Class rules 4.2” holds the front lower ball joint, up');
  expect((await savedBuild(page, shop.app.address)).front.points['lowerOuter'].up).toBe(before);
  // What was said lies over the rail's last station for a while.
  await until(page, `document.querySelector('[class*="notistack-MuiContent"]') === null`);
  await openStation(page, 'Order of work');
  await clickButton(page, 'after a knock');
  await clickButton(page, 'What is to be looked at');
  await showsIn(page, 'table[aria-label^="After a knock"]', 'carried most of it');
});

it('makes the build book, with what was not checked, and holds one layout against another', async () => {
  const { page } = at;
  const kept = await downloads(page);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Order of work');
  await clickButton(page, 'build book');
  await page.locator('::-p-aria([name="held against"][role="combobox"])').click();
  await page.locator('::-p-xpath(//li[.="Rack 14 mm lower"])').click();
  await until(page, `document.querySelector('[role="listbox"]') === null`);
  await clickButton(page, 'Make the book');
  await showsIn(
    page,
    '[aria-label="What was not checked"]',
    'First cycling, left front.*right not read',
  );
  await clickButton(page, 'Take it as PDF');
  const { pages } = readPdf(await kept('two-seat-roadster-build-book.pdf'));
  const text = pages.map((one) => one.text.replace(/\s+/gu, ' ')).join(' ');
  expect(text).toContain('Against “Rack 14 mm lower”: front left');
  expect(text).toMatch(/Frame on stands, level, datum marked done Ilka 2026-05-02 120 155/u);
  await clickButton(page, 'Take it as JSON');
  const read = JSON.parse(String(await kept('two-seat-roadster-build-book.json'))) as {
    format: string;
  };
  expect(read.format).toBe('havrik-book');
});

it('leads through an empty build, and does anything by its name', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'First one', 'double-wishbone');
  await openStation(page, 'Rack');
  await showsIn(page, 'nav[aria-label="Stations"] [data-guide]', 'Waits for ');
  await page.keyboard.down('Control');
  await page.keyboard.press('k');
  await page.keyboard.up('Control');
  await page.waitForSelector('[role="dialog"][aria-label="Do by name"] input');
  await page.keyboard.type('open jigs');
  await page.keyboard.press('Enter');
  await until(page, `document.querySelector('[role="dialog"]') === null`);
  await showsIn(
    page,
    'nav[aria-label="Stations"] [aria-current]',
    'Jigs & parts.*Say what arms and rods',
  );
});
