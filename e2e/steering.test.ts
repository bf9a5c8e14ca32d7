import {
  openBuild,
  openStation,
  openWorkshop,
  pageOf,
  settled,
  showsIn,
  typeInto,
  until,
} from './havrik';

const shop = openWorkshop();
const at = pageOf(shop);

it('shows from lock to lock whether the car turns true, and where the rack is to be stopped', async () => {
  const { page } = at;
  const cell = (what: string) =>
    page.$eval(`[data-steer="${what}"] td`, (one) => one.textContent!.replace('−', '-'));
  const number = async (what: string) => parseFloat(await cell(what));
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Steering');
  await page.waitForSelector('[data-steer-curve="error"] path');
  expect(await cell('steer, + left')).toBe('0.00°');
  expect(await page.$('[data-centre]')).toBeNull();
  // The rack to the right, by keys: with its arms astern this car's wheels go left.
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  await until(page, `document.querySelectorAll('[data-centre]').length === 2`);
  expect(await number('steer, + left')).toBeGreaterThan(10);
  expect(await number('Ackermann error, inner wheel')).toBeLessThan(-1);
  await showsIn(page, 'main', 'it belongs inboard');
  await showsIn(page, '[data-stop="left"]', 'none: it ends before 35°');
  // Another figure over the rack.
  await page.locator('::-p-aria([name="Steering curve shown"][role="combobox"])').click();
  await page.locator('::-p-xpath(//li[.="ratio"])').click();
  await page.waitForSelector('[data-steer-curve="ratio"] path');
  await until(page, `!document.querySelector('[role=listbox]')`);

  // Less lock asked for is had by collars; a joint on the other side of the kingpin is told plainly.
  await openStation(page, 'Brief');
  await page.waitForSelector('[data-target="lock"] input');
  await typeInto(page, '[data-target="lock"] input', '30');
  await openStation(page, 'Rack');
  await page.waitForSelector('#tieRodOuter-out');
  await typeInto(page, '#tieRodOuter-out', '640');
  await openStation(page, 'Steering');
  await showsIn(page, '[data-stop="left"]', 'on its left side');
  await showsIn(page, '[data-stop="right"]', 'on its right side');
  await showsIn(page, 'main [role=alert]', 'it belongs inboard of it; yours is');
  await showsIn(page, 'main', 'outer wheel turns more than the inner: −');
  await settled(page);
});
