import type { Page } from 'puppeteer-core';
import { readFileSync } from 'node:fs';
import type * as Axe from 'axe-core';
import {
  buildIdOf,
  clickButton,
  newPage,
  openBuild,
  openStation,
  openWorkshop,
  typeInto,
} from './havrik';

const shop = openWorkshop();
const TABS = ['Datum marks', 'Datum planes', 'Left against right', 'What deserves the caliper'];
const RACK_PARTS = ['joints', 'null', 'map', 'freedoms', 'find', 'strength'];

/** Opens a part of the rack station and lets it come. */
async function openPart(page: Page, part: string): Promise<void> {
  await page.locator(`[aria-label="Rack and tie rod"] button[value="${part}"]`).click();
  await new Promise((resolve) => setTimeout(resolve, 900));
}
const axeSource = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

it.each([
  [1280, 800],
  [1024, 768],
  [1920, 1080],
])('fits the page into %d × %d without scrolling', async (width, height) => {
  const { page, trouble } = await newPage(shop.browser, { width, height });
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  for (const station of ['rack', 'shim']) {
    if (station === 'shim') {
      // A joint that may stand anywhere, low enough for a long spacer and its caution.
      await openBuild(page, shop.app.address, 'Hillclimb single-seater');
      await typeInto(page, '#tieRodOuter-up', '140');
      await page.keyboard.press('Tab');
      await page.keyboard.down('Alt');
      await page.keyboard.press('s');
      await page.keyboard.up('Alt');
      await page.waitForSelector('::-p-text(Caution: a spacer)');
    }
    const cut = await page.evaluate(() => {
      const inside = (element: Element) => {
        const box = element.getBoundingClientRect();
        return box.right <= innerWidth + 0.5 && box.bottom <= innerHeight + 0.5 && box.left >= -0.5;
      };
      // The list of stations scrolls by itself.
      const shown = [
        ...document.querySelectorAll('main button, aside *, [aria-label=Shim] *, svg'),
      ].filter((element) => !element.closest('[aria-label=Stations]'));
      const rail = document.querySelector('[aria-label=Stations]')!;
      const open = rail.querySelector('[aria-current]')!;
      return [
        ...(document.documentElement.scrollHeight > innerHeight ? ['the page scrolls'] : []),
        ...(inside(rail) && inside(open) ? [] : ['the list of stations is cut']),
        ...shown
          .filter((element) => !inside(element))
          .map((element) => element.getAttribute('aria-label') ?? element.outerHTML.slice(0, 80)),
      ];
    });
    expect([station, cut]).toEqual([station, []]);
  }
  // Stations that scroll within their own part never do so sideways.
  const sideways = () =>
    page.evaluate(() => [
      ...(document.documentElement.scrollHeight > innerHeight ? ['the page scrolls'] : []),
      ...[...document.querySelectorAll('main *')]
        // A wide table in a part of its own may be moved to and fro; a drawing is cut at its edge.
        .filter((element) => !element.matches('[data-sideways] *, svg *'))
        .filter((element) => {
          const box = element.getBoundingClientRect();
          const frame = element.closest('main')!.getBoundingClientRect();
          return box.width > 0 && (box.right > frame.right + 0.5 || box.left < frame.left - 0.5);
        })
        .map((element) => element.outerHTML.slice(0, 90)),
    ]);
  for (const part of RACK_PARTS) {
    await openPart(page, part);
    expect([part, await sideways()]).toEqual([part, []]);
  }
  for (const [station, shown] of [
    ['Wheel & upright', '[aria-label="Inside the rim"]'],
    ['Arms', '[aria-label="Arms"]'],
    ['Steering', '[data-steer-curve]'],
    ['Brief', '[data-target="lock"]'],
    ['Jigs & parts', 'nav[aria-label=Sheets]'],
    ['Check', 'form[aria-label="Begin a check"], [data-prompt]'],
    ['Set-up', '[aria-label="What is wanted"]'],
    ['Order of work', '[aria-label="Steps"] li'],
    ['Take-off', '[data-measured]'],
  ]) {
    await openStation(page, station);
    await page.waitForSelector(shown);
    expect([station, await sideways()]).toEqual([station, []]);
  }
  for (const name of TABS) {
    await page.locator(`::-p-aria([name="${name}"][role="tab"])`).click();
    await page.waitForSelector(`[role=tab][aria-selected=true]::-p-text(${name})`);
    expect([name, await sideways()]).toEqual([name, []]);
  }
  expect(trouble).toEqual([]);
  await page.close();
});

it.each(['light', 'dark'] as const)(
  'leaves axe nothing to find anywhere, in the %s',
  async (scheme) => {
    const { page } = await newPage(shop.browser);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    const found = async (where: string) => {
      await new Promise((resolve) => setTimeout(resolve, 500));
      await page.evaluate(() => Promise.all(document.getAnimations().map((a) => a.finished)));
      await page.evaluate(axeSource);
      const { violations } = await page.evaluate(() =>
        (globalThis as unknown as { axe: typeof Axe }).axe.run(document, {
          resultTypes: ['violations'],
        }),
      );
      const said = violations.map(
        ({ id, impact, nodes }) =>
          `${impact} ${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
      );
      expect([where, said]).toEqual([where, []]);
    };
    const header = (name: string) =>
      page.locator(`::-p-xpath(//header//button[@aria-label="${name}"])`).click();
    const closed = async () => {
      await page.keyboard.press('Escape');
      await page.waitForSelector('[role=dialog], [role=menu]', { hidden: true });
    };
    await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
    await found('builds');
    await clickButton(page, 'New build');
    await page.waitForSelector('[role=dialog] input');
    await found('new build');
    for (const place of ['shelf', 'bin']) {
      await page.goto(`${shop.app.address}/${place}`, { waitUntil: 'networkidle0' });
      await found(place);
    }
    await page.goto(`${shop.app.address}/shelf`, { waitUntil: 'networkidle0' });
    await clickButton(page, 'New upright');
    await page.waitForSelector('[role=dialog] input');
    await found('new upright');
    // Wishbones with a rack, a rear axle of links, a kart, a beam.
    for (const [build, wheel, stations] of [
      [
        'Two-seat roadster',
        '',
        [
          ...['brief', 'takeoff', 'wheel', 'arms', 'rack'],
          ...['steering', 'column', 'damper', 'shop', 'check', 'setup', 'plan'],
        ],
      ],
      ['Hillclimb single-seater', '', ['damper']],
      ['Ice-race coupé', '?wheel=rear-left', ['wheel', 'arms', 'rack']],
      [
        'Indoor electric kart',
        '',
        ['brief', 'arms', 'rack', 'steering', 'column', 'damper', 'setup'],
      ],
      ['Two-seater with a beam', '', ['brief', 'arms', 'rack', 'steering']],
    ] as const) {
      await openBuild(page, shop.app.address, build);
      const id = buildIdOf(page);
      for (const station of stations) {
        await page.goto(`${shop.app.address}/builds/${id}/${station}${wheel}`, {
          waitUntil: 'networkidle0',
        });
        const parts =
          'main [role=tab], main section > [role=group]:not([aria-label=View]) button, main [aria-label="What of the column"] button, main [aria-label="What of the parts"] button, main [aria-label="Part of the check"] button, main [aria-label="Part of the set-up"] button, main [aria-label="Part of the plan"] button';
        const count = await page.$$eval(parts, (all) => all.length);
        await found(`${build}, ${station}`);
        for (let i = 0; i < count; i++) {
          const button = (await page.$$(parts))[i];
          if (!button) continue;
          const name = await button.evaluate((one) => one.textContent);
          await button.evaluate((one) => (one as HTMLElement).click());
          await found(`${build}, ${station}, ${name}`);
          // What is folded up is looked at too.
          const folded = 'main button[aria-expanded=false]';
          if (!(await page.$(folded))) continue;
          await page.$eval(folded, (one) => (one as HTMLElement).click());
          await found(`${build}, ${station}, ${name}, unfolded`);
        }
      }
    }
    await openBuild(page, shop.app.address, 'Two-seat roadster');
    await page.keyboard.press('s');
    await page.waitForSelector('[data-curve="proposed"]');
    await found('shim');
    await page.keyboard.press('Escape');
    await page.locator('::-p-xpath(//header//button[@aria-haspopup="dialog"])').click();
    await page.waitForSelector('[aria-label="Variants"] [data-variant]');
    await found('variants');
    await closed();
    await header('Files and help');
    await page.waitForSelector('[role=menu]');
    await found('files');
    await closed();
    await clickButton(page, 'Strings');
    await page.waitForSelector('[role=menu]');
    await found('strings');
    await closed();
    await page.keyboard.press('?');
    await page.waitForSelector('[role=dialog]');
    await found('keys');
    await closed();
    for (const dialog of ['What the figures mean', 'Units', 'Do by name (Ctrl+K)']) {
      await header('Files and help');
      await page.locator(`::-p-xpath(//li[.="${dialog}"])`).click();
      await page.waitForSelector('[role=dialog]');
      await page.waitForSelector('[role=menu]', { hidden: true });
      await found(dialog);
      await closed();
    }
    await openStation(page, 'Brief');
    await clickButton(page, 'A rack from the shelf');
    await page.waitForSelector('[role=dialog] li');
    await found('shelf picker');
    await page.close();
  },
  500_000,
);

it('can be used without a mouse, and shows where the focus is', async () => {
  const { page } = await newPage(shop.browser);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const seen = new Set<string>();
  for (let i = 0; i < 90; i++) {
    await page.keyboard.press('Tab');
    const focus = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement;
      const style = getComputedStyle(element);
      const field = element.closest('.MuiInputBase-root');
      const ring =
        style.outlineStyle !== 'none' ||
        (field !== null &&
          (field.classList.contains('Mui-focused') ||
            getComputedStyle(field).outlineStyle !== 'none'));
      return {
        name: element.getAttribute('aria-label') ?? element.id ?? element.textContent ?? '',
        ring: ring || element === document.body,
      };
    });
    expect(focus).toEqual({ name: focus.name, ring: true });
    seen.add(focus.name);
  }
  for (const name of ['Wheel travel and rack', 'lower ball joint, up, mm', 'Files and help'])
    expect([...seen]).toContain(name);
  await page.close();
});
