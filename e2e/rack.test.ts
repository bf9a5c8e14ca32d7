import type { Page } from 'puppeteer-core';
import {
  clickButton,
  openBuild,
  openWorkshop,
  pageOf,
  readout,
  settled,
  showsIn,
  until,
} from './havrik';

const shop = openWorkshop();
const shown = pageOf(shop);
let page: Page;
beforeEach(async () => {
  ({ page } = shown);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
});
const part = (name: string) =>
  page.locator(`[aria-label="Rack and tie rod"] button[value="${name}"]`).click();
const shows = (selector: string, pattern: string) => showsIn(page, selector, pattern);
/** How far toe goes over the travel, as the readout says. */
const toeRange = () =>
  page.$eval('[data-readout="toe"]', (element) => {
    const [, low, high] = /([−\d.]+) to ([−\d.]+) over/u.exec(element.textContent ?? '') ?? [];
    return Number(high.replace('−', '-')) - Number(low.replace('−', '-'));
  });

it('says what is wrong, draws the null lines, and puts the inner joint onto one', async () => {
  await page.waitForSelector('[data-view="front"] [data-null="tieRodInner"]');
  await part('null');
  await shows('[aria-label="Null line"]', 'Outer end 1\\d\\.\\d mm too low: that leaves 0.1\\d°');
  const onto = '::-p-xpath((//*[@data-way="tieRodInner"])[1]//button[.="Look"])';
  await page.locator(onto).click();
  await page.waitForSelector('[data-curve="proposed"]');
  await page.locator(onto.replace('Look', 'Take')).click();
  await shows('[aria-label="Null line"]', 'Bump steer 0.00');
  expect(await toeRange()).toBeLessThan(0.02);
  await settled(page);
  await clickButton(page, 'Undo');
  expect(await toeRange()).toBeGreaterThan(1.5);
});

it('shades a map in the worker, goes where it is clicked, and keeps the page free meanwhile', async () => {
  await part('map');
  await page.waitForSelector('[data-map]');
  await page.waitForSelector('[data-map="1"]');
  const shades = await page.$eval('[data-map] canvas', (element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    const seen = new Set<number>();
    for (let i = 0; i < data.length; i += 4)
      seen.add((data[i] << 16) + (data[i + 1] << 8) + data[i + 2]);
    return seen.size;
  });
  expect(shades).toBeGreaterThan(4);
  const line = (await (await page.$('[data-map-mark="null"] path'))!.boundingBox())!;
  await page.mouse.click(line.x + line.width / 2, line.y + line.height / 2);
  await shows('[aria-label="Bump map"] [role=status]', '0.0\\d\\d°');
  await clickButton(page, 'Take: the place on the map');
  await until(page, `document.querySelector('[data-map]') !== null`);
  expect(await toeRange()).toBeLessThan(0.15);
  await clickButton(page, 'Undo');
  await settled(page);
});

it('finds a null within the freedoms as an instruction, as drawn and as built, and takes it', async () => {
  const camber = await readout(page, 'camber');
  await part('find');
  await clickButton(page, 'Find a null');
  await page.waitForSelector('[data-found="0"]');
  await shows('[data-found="0"]', 'Washers 6.35 \\+ 6.35 mm at the tie rod outer joint');
  await shows('[data-found="0"]', 'straight ahead, very good');
  await shows('[data-found="0"]', 'as drawn; .* as built; not judged: range');
  await page.locator('::-p-xpath(//*[@data-found="0"]//button[.="Take"])').click();
  await until(page, `!document.querySelector('[data-found]')`);
  expect(await toeRange()).toBeLessThan(0.25);
  expect(await readout(page, 'camber')).toBe(camber);
  await part('strength');
  await shows('[aria-label="Strength"]', 'rod buckles \\(Johnson, slenderness 6\\d\\) at');
  await settled(page);
});
