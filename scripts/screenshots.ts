import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  IN_SPACE,
  browse,
  clickButton,
  newPage,
  openBuild,
  openStation,
  settled,
  start,
  field,
  typeInto,
} from '../e2e/havrik';

/** Takes the pictures in docs/screenshots/ from the demonstration builds. */
async function main(): Promise<void> {
  const app = await start(join(mkdtempSync(join(tmpdir(), 'havrik-shots-')), 'havrik.sqlite'));
  const browser = await browse(IN_SPACE);
  const { page } = await newPage(browser);
  const shoot = async (name: string) => {
    await new Promise((resolve) => setTimeout(resolve, 400));
    await page.screenshot({ path: join(__dirname, `../docs/screenshots/${name}.png`) });
  };
  await page.goto(app.address, { waitUntil: 'networkidle0' });
  await shoot('builds');
  await openBuild(page, app.address, 'Two-seat roadster');
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
  await page.locator('[data-view="front"] [data-joint="tieRodOuter"]').click();
  await shoot('build');
  await page.keyboard.press('Home');
  await page.locator('[aria-label="Rack and tie rod"] button[value="null"]').click();
  await page.waitForSelector('[aria-label="Null line"] [data-rule]');
  await shoot('rack-null');
  for (const [station, shown, name] of [
    ['Brief', '[data-target]', 'brief'],
    ['Take-off', '[data-measured]', 'takeoff'],
    ['Wheel & upright', '[aria-label="Inside the rim"]', 'wheel'],
  ]) {
    await openStation(page, station);
    await page.waitForSelector(shown);
    if (name === 'wheel') {
      await page.locator('::-p-xpath(//h2//*[@role="combobox"])').click();
      await page.locator('::-p-xpath(//li[.="camber"])').click();
    }
    await shoot(name);
  }
  await openStation(page, 'Jigs & parts');
  await page
    .locator(
      '::-p-xpath((//nav[@aria-label="Sheets"]//*[@role="button"][starts-with(., "lower arm, jig")])[1])',
    )
    .click();
  await page.waitForSelector('section[aria-label="Front lower arm, jig"] img');
  await clickButton(page, 'page');
  await shoot('jig');
  await openStation(page, 'Check');
  await page.waitForSelector('[aria-label="Measure this again first"] li');
  await shoot('check');
  await openStation(page, 'Set-up');
  await page.waitForSelector('[aria-label="What is wanted"]');
  for (const [what, degrees] of [
    ['camber reads', '-1.1'],
    ['camber wanted', '-1.5'],
    ['caster wanted', '6'],
    ['toe wanted', '0.1'],
  ])
    await typeInto(page, field(what), degrees);
  await page.waitForSelector('[data-then]');
  await shoot('setup');
  await openStation(page, 'Order of work');
  await page.waitForSelector('[aria-label="Steps"] li');
  await typeInto(page, field('Who works here'), 'Ilka');
  await page
    .locator('::-p-xpath(//ol[@aria-label="Steps"]//button[contains(., "Rack loosely")])')
    .click();
  await page.waitForSelector('[aria-label="What must be true"] li');
  await shoot('plan');
  await openStation(page, 'Arms');
  await page.locator('::-p-xpath(//main//button[.="find arms from camber"])').click();
  await page.locator('::-p-xpath(//main//button[.="Find arms"])').click();
  await page.waitForSelector('[data-arms]');
  await page.locator('[data-arms] button').click();
  await page.locator('[data-view="side"] [data-joint="upperFrontInner"]').click();
  await shoot('arms');
  await page.locator('::-p-xpath(//main//button[.="3D"])').click();
  await page.waitForSelector('canvas');
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await shoot('space');
  await page.locator('::-p-xpath(//main//button[.="3D"])').click();
  await page.locator('::-p-xpath(//header//button[@aria-haspopup="dialog"])').click();
  await page
    .locator('::-p-xpath(//*[@data-variant="Rack 14 mm lower"]//button[.="Compare"])')
    .click();
  await page.waitForSelector('[aria-label="Differences"]');
  await shoot('variants');
  await page.keyboard.press('Escape');
  await page.waitForSelector('[aria-label="Variants"]', { hidden: true });
  await openStation(page, 'Steering');
  await page.waitForSelector('[data-steer-curve] path');
  for (let i = 0; i < 14; i++) await page.keyboard.press('ArrowRight');
  await shoot('steering');
  await page.keyboard.press('Home');
  await openStation(page, 'Column');
  await page.locator('[aria-label="What of the column"] button[value="turns"]').click();
  await clickButton(page, 'Look: clocking');
  await page.waitForSelector('[data-part="looked at"]');
  await shoot('column');
  await settled(page);
  await page.goto(`${app.address}/shelf`, { waitUntil: 'networkidle0' });
  await shoot('shelf');
  await openBuild(page, app.address, 'Two-seat roadster');
  await openStation(page, 'Damper');
  await clickButton(page, 'find');
  await clickButton(page, 'Find mounts');
  await page.waitForSelector('[data-mounts]');
  await page.locator('[data-mounts] button').click();
  await shoot('damper');
  await settled(page);
  await openBuild(page, app.address, 'Indoor electric kart');
  await openStation(page, 'Steering');
  await page.locator('[aria-label="What of the steering"] button[value="jacking"]').click();
  await page.waitForSelector('[data-jacking]');
  await page.focus('[role="slider"][aria-label="Drop arm"]');
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowLeft');
  await shoot('kart');
  await page.keyboard.press('Home');
  await settled(page);
  await page.setViewport({ width: 390, height: 844 });
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
  await openBuild(page, app.address, 'Two-seat roadster');
  await clickButton(page, 'Front');
  await shoot('telephone');
  await browser.close();
  await app.stop();
}

void main();
