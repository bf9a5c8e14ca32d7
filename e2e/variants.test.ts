import type { Page } from 'puppeteer-core';
import {
  IN_SPACE,
  browse,
  clickButton,
  newPage,
  openBuild,
  openWorkshop,
  pageOf,
  readout,
  settled,
  showsIn,
  typeInto,
  until,
} from './havrik';

const shop = openWorkshop();
const shown = pageOf(shop);
let page: Page;
beforeEach(() => {
  ({ page } = shown);
});
const shows = (selector: string, pattern: string) => showsIn(page, selector, pattern);

it('goes on with a copy of a variant, compares the two, freezes one and brings an earlier save back', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  const range = await readout(page, 'toe');
  const variants = () =>
    page.locator('::-p-xpath(//header//button[@aria-haspopup="dialog"])').click();
  const close = async () => {
    await clickButton(page, 'Close');
    await until(page, `!document.querySelector('.MuiDrawer-root, [role=presentation] h2')`);
  };
  await variants();
  await clickButton(page, 'Go on with a copy of “First variant”');
  await clickButton(page, 'Compare');
  await shows('[aria-label="Differences"]', 'No number differs');
  await close();
  await shows('[role=note]', 'Compared with “First variant”');
  await typeInto(page, '#tieRodOuter-up', '260');
  await page.waitForSelector('[data-curve="compared"]');
  await page.waitForSelector('[data-view="front"] [data-part="compared"]');
  await settled(page);

  await variants();
  await shows('[aria-label="Differences"]', 'front tie rod outer joint, up');
  await clickButton(page, 'Freeze');
  await close();
  await shows('[role=note]', 'is frozen since');
  await shows('nav', '▣ frozen');
  await typeInto(page, '#tieRodOuter-up', '261');
  await shows('#notistack-snackbar', 'is frozen: nothing was changed');
  await page.keyboard.press('Escape');
  await until(page, `document.querySelector('#tieRodOuter-up').value === '260'`);

  await variants();
  await page.waitForSelector('[data-save-kept]');
  await page.locator('::-p-xpath((//*[@data-save-kept])[last()]//button[.="Bring back"])').click();
  await close();
  await until(page, `document.querySelector('header').textContent.includes('First variant')`);
  expect(await readout(page, 'toe')).toBe(range);
  await settled(page);
  await page.reload({ waitUntil: 'networkidle0' });
  await until(page, `document.querySelector('header').textContent.includes('First variant')`);
});

it('fetches what draws in space only when it is asked for', async () => {
  const browser = await browse(IN_SPACE);
  const { page: spacious, trouble } = await newPage(browser);
  const fetched = new Set<string>();
  spacious.on('response', (response) => {
    if (response.url().endsWith('.js')) fetched.add(response.url());
  });
  // Read from the server again: a page that is left takes the bodies of its responses along.
  const drawing = async () => {
    const texts = await Promise.all([...fetched].map(async (url) => (await fetch(url)).text()));
    return texts.filter((text) => text.includes('WebGLRenderer'));
  };
  await openBuild(spacious, shop.app.address, 'Two-seat roadster');
  expect(fetched.size).toBeGreaterThan(0);
  // Stations are fetched while the page has nothing to do: until no more comes.
  await spacious.waitForNetworkIdle({ idleTime: 1500 });
  expect(await drawing()).toEqual([]);
  await clickButton(spacious, '3D');
  await spacious.waitForSelector('[aria-label="The corner in space"] canvas');
  await until(spacious, `document.querySelector('canvas').width > 300`);
  expect((await drawing()).length).toBeGreaterThan(0);
  // Taking hold of the floor in space turns it: another picture.
  const canvas = (await spacious.$('canvas'))!;
  const before = await canvas.screenshot({ encoding: 'base64' });
  const { x, y, width, height } = (await canvas.boundingBox())!;
  await spacious.mouse.move(x + width / 2, y + height / 2);
  await spacious.mouse.down();
  await spacious.mouse.move(x + width / 2 + 80, y + height / 2, { steps: 4 });
  await spacious.mouse.up();
  expect(await canvas.screenshot({ encoding: 'base64' })).not.toBe(before);
  expect(trouble).toEqual([]);
  await browser.close();
});

it('says so where the browser cannot draw in space', async () => {
  const browser = await browse(['--disable-3d-apis']);
  const { page: flat } = await newPage(browser);
  await openBuild(flat, shop.app.address, 'Two-seat roadster');
  await clickButton(flat, '3D');
  await showsIn(flat, '[aria-label="Floor"] [role=alert]', 'cannot draw in space');
  await browser.close();
});
