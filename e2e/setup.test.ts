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
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);

it('sets a car of one’s own: read, turned, read again, kept, on a sheet for the pit', async () => {
  const { page } = at;
  const kept = await downloads(page);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Set-up');
  await page.waitForSelector('[aria-label="What is wanted"]');
  await typeInto(page, field('camber reads'), '-0.8');
  await typeInto(page, field('toe reads'), '0.25');
  await typeInto(page, field('camber wanted'), '-1.4');
  await typeInto(page, field('toe wanted'), '0.1');
  await showsIn(page, '[data-reached="true"]', 'upper arm.*tie rod: 2 flats shorter');
  await showsIn(page, '[data-then]', 'camber −0.80° → −1.[345]');
  await clickButton(page, 'These were turned');
  await showsIn(page, '[aria-label="Turned so far"]', 'read camber −0.80°, toe \\+0.25°');
  await typeInto(page, field('camber reads'), '-1.3');
  await clickButton(page, 'set-up book');
  await typeInto(page, field('Called'), 'Hill road');
  await clickButton(page, 'Keep the car as it is set now');
  await showsIn(page, 'table[aria-label="What two sets differ by"]', 'front left.*tie rod');
  await clickButton(page, 'Sheet: Hill road');
  const { pages } = readPdf(await kept('two-seat-roadster-hill-road.pdf'));
  const text = pages.map((one) => one.text.replace(/\s+/gu, ' ')).join(' ');
  expect(text).toContain('Set: Hill road');
  expect(text).toContain('2 flats shorter');
  const { setups } = await savedBuild(page, shop.app.address);
  expect(setups!.wheels[0].turned[0].read).toEqual({ camber: -0.8, toe: 0.25 });
  expect(setups!.sets[0].name).toBe('Hill road');
  // It is there after a reload, and is undone like anything else.
  await page.reload({ waitUntil: 'networkidle0' });
  await showsIn(page, 'nav[aria-label="Stations"] [aria-current]', 'turned 1 time');
});

it('sets the toe of a kart that nobody has described, and says what is taken for it', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Rental kart', 'kingpin');
  await openStation(page, 'Set-up');
  await page.waitForSelector('[aria-label="What is wanted"]');
  await clickButton(page, 'mm');
  await clickButton(page, 'both together');
  await typeInto(page, field('toe wanted'), '2');
  await showsIn(page, '[aria-label="What to turn"]', 'tie rod: .*usual thread');
});
