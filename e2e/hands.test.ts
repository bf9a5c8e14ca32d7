import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  buildIdOf,
  clickButton,
  newPage,
  openBuild,
  openStation,
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
const stationNow = () => page.$eval('nav [aria-current]', (now) => now.firstChild?.textContent);
const isAt = (path: string) => until(page, `location.pathname + location.search === '${path}'`);

/** Pastes a text where the focus is. */
const paste = (text: string) =>
  page.evaluate((given) => {
    const data = new DataTransfer();
    data.setData('text/plain', given);
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);

/** Goes from stop to stop until one of the selector has the focus. */
async function tabTo(selector: string): Promise<void> {
  for (let i = 0; i < 150; i++) {
    if (await page.evaluate((wanted) => document.activeElement!.matches(wanted), selector)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`no way to ${selector} by Tab`);
}

it('opens the same station and wheel by link, reload and Back', async () => {
  await openBuild(page, shop.app.address, 'Ice-race coupé');
  const at = `/builds/${buildIdOf(page)}`;
  await openStation(page, 'Brief');
  await isAt(`${at}/brief`);
  await openStation(page, 'Wheel');
  await clickButton(page, 'rear');
  await isAt(`${at}/wheel?wheel=rear-left`);
  await clickButton(page, 'right');
  await openStation(page, 'Links');
  await isAt(`${at}/arms?wheel=rear-right`);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('nav [aria-current]');
  expect(await stationNow()).toBe('Links');
  await page.waitForSelector('button[value="rear"][aria-pressed="true"]');
  await page.waitForSelector('button[value="right"][aria-pressed="true"]');
  // A request that went with the page it was of may never be told as ended: it is not waited for longer than this.
  const idle = () =>
    page.waitForNetworkIdle({ idleTime: 300, timeout: 10_000 }).catch(() => undefined);
  await page.goBack();
  await until(page, `document.querySelector('nav [aria-current]').textContent.startsWith('Wheel')`);
  await idle();
  await page.goBack();
  await until(page, `document.querySelector('nav [aria-current]').textContent.startsWith('Brief')`);
  await idle();
  await page.goForward();
  await isAt(`${at}/wheel?wheel=rear-right`);
  const response = await fetch(`${shop.app.address}${at}/nowhere`);
  expect(response.status).toBe(404);
});

it('takes a new build from an empty brief to a null, with figures of one’s own, in few clicks', async () => {
  await page.evaluateOnNewDocument(() => {
    document.addEventListener(
      'click',
      (event) => {
        // A click on a label is told again of its field.
        if (event.detail > 0)
          Object.assign(window, { clicks: (Number(Reflect.get(window, 'clicks')) || 0) + 1 });
      },
      true,
    );
  });
  await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
  await clickButton(page, 'New build');
  await page.waitForSelector('[role=dialog] input[name=name]');
  await page.type('[role=dialog] input[name=name]', 'Sand rail');
  await page.keyboard.press('Enter');
  await until(page, `location.pathname.endsWith('/brief')`);
  const field = (label: string) => `::-p-aria([name="${label}"][role="textbox"])`;
  await page.waitForSelector(field('Wheelbase'));
  for (const label of [
    ...['Wheelbase', 'Travel up', 'Travel down', 'Loaded radius', 'Mass height'],
    ...['Rack, each way', 'Rim diameter', 'Rim width', 'Offset, + hub out'],
  ])
    expect([
      label,
      await page.$eval(field(label), (one) => (one as HTMLInputElement).value),
    ]).toEqual([label, '']);
  await shows('nav', 'figures to set');
  const fill = async (label: string, text: string) => {
    await page.locator(field(label)).click();
    await page.keyboard.type(text);
  };
  await fill('Wheelbase', '2310');
  await fill('Travel up', '90');
  await fill('Travel down', '110');
  await fill('Loaded radius', '312');
  await fill('Tyre width', '205');
  await fill('Rack, each way', '68');
  // As it stood there: said all the same.
  await openStation(page, 'Rack');
  await shows('nav [aria-current]', 'sketch: 9 joints to set');
  // What is nobody's is shown and not judged.
  await shows('[aria-label="Shim"]', 'of a sketch');
  expect(await page.$eval('body', ({ innerText }) => innerText)).not.toMatch(
    /very good|look again|rework/u,
  );
  await page.locator('#lowerFrontInner-ahead').click();
  await paste(
    [
      'joint\tx\ty\tz',
      'Lower arm front pivot\t-150\t-230\t210',
      'Lower arm rear pivot\t160\t-230\t206',
      'Lower ball joint\t-4\t-640\t190',
      'Upper arm front pivot\t-110\t-310\t405',
      'Upper arm rear pivot\t120\t-310\t398',
      'Upper ball joint\t14\t-598\t432',
      'Tie rod inner joint\t118\t-255\t250',
      'Tie rod outer joint\t120\t-610\t262',
      'Wheel centre\t0\t-705\t312',
    ].join('\n'),
  );
  await shows('[role=dialog]', 'does not say which way');
  for (const [coordinate, title] of [
    ['ahead', '− x'],
    ['out', '− y'],
  ]) {
    await page.locator(`::-p-aria([name="${coordinate} is"][role="combobox"])`).click();
    await page.locator(`::-p-xpath(//li[normalize-space()="${title}"])`).click();
    await until(page, `!document.querySelector('[role=listbox]')`);
  }
  await clickButton(page, 'Put in 9 joints');
  await until(page, `document.querySelector('#tieRodOuter-ahead').value === '-120'`);
  await until(page, `!/sketch/.test(document.querySelector('nav [aria-current]').textContent)`);
  await page.locator('[aria-label="Rack and tie rod"] button[value="null"]').click();
  await page.locator('::-p-xpath((//*[@data-way="tieRodInner"])[1]//button[.="Take"])').click();
  await shows('nav [aria-current]', 'very good|good|look again|rework');
  await shows('[aria-label="Null line"]', 'Bump steer 0\\.[01]');
  const clicks = await page.evaluate(() => Number(Reflect.get(window, 'clicks')));
  console.info(`a new build, from its brief to a null: ${clicks} clicks`);
  expect(clicks).toBeGreaterThan(10);
  expect(clicks).toBeLessThan(60);
  await settled(page);
});

it('goes from opening to a null by the keyboard alone', async () => {
  await page.goto(shop.app.address, { waitUntil: 'networkidle0' });
  await page.evaluate(() => {
    const link = [...document.querySelectorAll('h2 a')].find(
      (one) => one.textContent === 'Two-seat roadster',
    )!;
    link.setAttribute('data-mine', '');
  });
  await tabTo('[data-mine]');
  await page.keyboard.press('Enter');
  await page.waitForSelector('[data-trace="toe"] [data-curve="toe"]');
  const partTo = async (value: string) => {
    for (let i = 0; i < 8; i++) {
      if (
        await page.evaluate(
          (of) => (document.activeElement as HTMLButtonElement).value === of,
          value,
        )
      )
        break;
      await page.keyboard.press('ArrowRight');
    }
    await page.keyboard.press('Enter');
  };
  await tabTo('[aria-label="Rack and tie rod"] button');
  await partTo('map');
  await page.waitForSelector('[data-map="1"]');
  await tabTo('[role=application]');
  // Out of what the joint does now, and the wheel stays where it is.
  await page.keyboard.press('ArrowUp');
  await shows('[aria-label="Bump map"] [role=status]', 'range');
  expect(await page.$eval('[role=slider]', (pad) => pad.ariaValueText)).toBe('ride height');
  await page.waitForSelector('[data-curve="proposed"]');
  // The figures follow the look, and Escape puts it away.
  await shows('[aria-label=Readouts]', 'as looked at');
  await page.keyboard.press('Escape');
  await until(page, `!document.querySelector('[data-curve="proposed"]')`);
  await until(
    page,
    `!/as looked at/.test(document.querySelector('[aria-label=Readouts]').textContent)`,
  );

  await tabTo('[aria-label="Rack and tie rod"] button');
  await partTo('find');
  expect(await page.$eval('[role=slider]', (pad) => pad.ariaValueText)).toBe('ride height');
  await tabTo('[aria-label="Find a null"] button.MuiButton-contained');
  await page.keyboard.press('Enter');
  await page.waitForSelector('[data-found="0"]');
  // The search has not lost the focus.
  await until(page, `document.activeElement.textContent === 'Find a null'`);
  await tabTo('[data-found="0"] button[aria-label^="Take"]');
  await page.keyboard.press('Enter');
  await until(page, `!document.querySelector('[data-found]')`);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await shows('#notistack-snackbar', 'Undone: front tie rod outer joint, up');
  await settled(page);
});

it.each([
  ['a telephone', 390, 844],
  ['1280 at twice the size', 640, 400],
])(
  'does not scroll sideways on %s, and can be read, cycled and typed into',
  async (_, width, height) => {
    const { page: narrow, trouble } = await newPage(shop.browser, { width, height });
    const sideways = () =>
      narrow.evaluate(() => {
        const { scrollWidth } = document.documentElement;
        return scrollWidth > innerWidth ? `${scrollWidth} px wide` : '';
      });
    for (const path of ['/', '/shelf', '/bin']) {
      await narrow.goto(`${shop.app.address}${path}`, { waitUntil: 'networkidle0' });
      expect([path, await sideways()]).toEqual([path, '']);
    }
    await narrow.goto(shop.app.address, { waitUntil: 'networkidle0' });
    await clickButton(narrow, 'New build');
    await narrow.waitForSelector('[role=dialog] input');
    expect(['new build', await sideways()]).toEqual(['new build', '']);
    await openBuild(narrow, shop.app.address, 'Two-seat roadster');
    const id = buildIdOf(narrow);
    for (const station of ['brief', 'takeoff', 'wheel', 'arms', 'rack']) {
      await settled(narrow);
      await narrow.goto(`${shop.app.address}/builds/${id}/${station}`, {
        waitUntil: 'networkidle0',
      });
      await narrow.waitForSelector('nav [aria-current]');
      const parts = 'main [role=tab], section > [role=group] button';
      const count = await narrow.$$eval(parts, (all) => all.length);
      for (let i = -1; i < count; i++) {
        if (i >= 0)
          await narrow.$$eval(parts, (all, at) => (all[at] as HTMLElement | undefined)?.click(), i);
        await new Promise((resolve) => setTimeout(resolve, 120));
        expect([station, i, await sideways()]).toEqual([station, i, '']);
      }
    }
    await settled(narrow);
    // Cycled by the pad, typed into the table, and read off.
    await narrow.goto(`${shop.app.address}/builds/${id}/rack`, { waitUntil: 'networkidle0' });
    await narrow.waitForSelector('[data-curve="toe"]');
    const before = await readout(narrow, 'camber');
    const pad = (await narrow.$('[role=slider]'))!;
    await pad.scrollIntoView();
    const box = (await pad.boundingBox())!;
    await narrow.mouse.click(box.x + box.width / 2, box.y + 12);
    await until(narrow, `document.querySelector('[role=slider]').ariaValueText !== 'ride height'`);
    expect(await readout(narrow, 'camber')).not.toBe(before);
    await typeInto(narrow, '#tieRodOuter-up', '241.5');
    await settled(narrow);
    const seen = await narrow.$$eval(
      '[aria-label=Floor], [aria-label=Readouts], [role=slider]',
      (all) =>
        all
          .map((one) => one.getBoundingClientRect())
          .map(({ width: wide, height: high }) => wide * high),
    );
    expect(seen.length).toBe(3);
    for (const area of seen) expect(area).toBeGreaterThan(15_000);
    expect(trouble).toEqual([]);
    await narrow.close();
  },
);

it('reads a file of points with other titles, and shows where its lines go before they do', async () => {
  await openBuild(page, shop.app.address, 'Hillclimb single-seater');
  const before = await page.$eval('#upperOuter-up', (cell) => (cell as HTMLInputElement).value);
  await page.locator('#upperOuter-up').click();
  await paste('sep=;\r\nname;up (in);out (in);ahead (in)\r\nTop bracket;16,5;22;-0,5\r\n');
  await shows('[role=dialog]', 'Top bracket');
  await shows('[role=dialog] [role=alert]', 'none of its lines');
  await page.locator('[data-line="3"] [role=combobox]').click();
  await page.locator('::-p-xpath(//li[normalize-space()="upper ball joint"])').click();
  // The list takes clicks until it has faded.
  await until(page, `!document.querySelector('[role=listbox]')`);
  await shows('[data-line="3"]', `419\\.1 \\(now ${before}\\)`);
  await clickButton(page, 'Put in 1 joint');
  await until(page, `document.querySelector('#upperOuter-up').value === '419.1'`);
  await clickButton(page, 'Undo');
  await settled(page);
});

it('offers both of two joints that hide each other, and lets a view fill the floor', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  await openStation(page, 'Arms');
  // Both pivots of the lower arm lie on each other from the front.
  await page.locator('[data-view="front"] [data-joint="lowerRearInner"]').click();
  await page.waitForSelector('[role=menu]');
  await shows('[role=menu]', 'lower arm rear pivot');
  await shows('[role=menu]', 'lower arm front pivot');
  await page.locator('::-p-xpath(//*[@role="menu"]//li[.="lower arm front pivot"])').click();
  await until(
    page,
    `document.querySelector('[data-view="front"] [data-label]')?.textContent === 'lower arm front pivot'`,
  );
  const wide = () => page.$eval('[data-view="front"]', (view) => view.clientWidth);
  const third = await wide();
  await page.keyboard.press('f');
  await until(page, `document.querySelectorAll('[data-view]').length === 1`);
  expect(await wide()).toBeGreaterThan(2 * third);
  for (let i = 0; i < 3; i++) await page.keyboard.press('f');
  await until(page, `document.querySelectorAll('[data-view]').length === 3`);
  // The line under the floor is moved, and remembered.
  const high = () => page.$eval('[aria-label=Floor]', (floor) => floor.clientHeight);
  const usual = await high();
  await page.focus('[role=separator]');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  expect(await high()).toBe(usual + 48);
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('[data-view="front"]');
  expect(await high()).toBe(usual + 48);
  await page.focus('[role=separator]');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
});

it('is set in two typefaces, in their notches as in their words', async () => {
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  for (const station of ['Brief', 'Take-off', 'Wheel', 'Arms', 'Rack']) {
    await openStation(page, station);
    await new Promise((resolve) => setTimeout(resolve, 400));
    const families = await page.evaluate(() =>
      [...document.querySelectorAll('body *')]
        .filter((one) => one.textContent?.trim() || one instanceof HTMLInputElement)
        .map((one) => getComputedStyle(one).fontFamily.split(',')[0].replace(/"/gu, '')),
    );
    expect([...new Set(families)].sort()).toEqual([
      'Atkinson Hyperlegible Next',
      'Barlow Semi Condensed',
    ]);
    // A label is no wider than the gap in the line that it stands in.
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll('.MuiFormControl-root')].flatMap((field) => {
        const label = field.querySelector('label[data-shrink="true"]');
        const notch = field.querySelector('legend');
        if (!label || !notch) return [];
        const over = label.getBoundingClientRect().width - notch.getBoundingClientRect().width;
        return over > 0.5 ? [`${label.textContent} by ${over.toFixed(1)}`] : [];
      }),
    );
    expect([station, cut]).toEqual([station, []]);
  }
});

it('keeps to dark and to stillness where the system asks for them', async () => {
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: 'dark' },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await openBuild(page, shop.app.address, 'Two-seat roadster');
  const light = (css: string) => {
    const [r, g, b] = css.match(/\d+/gu)!.map(Number);
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  const look = await page.evaluate(() => {
    const { backgroundColor, color } = getComputedStyle(document.body);
    return { backgroundColor, color };
  });
  expect(light(look.backgroundColor)).toBeLessThan(50);
  expect(light(look.color)).toBeGreaterThan(180);
  const moving = await page.evaluate(
    () =>
      [...document.querySelectorAll('button')].filter(
        (button) =>
          getComputedStyle(button)
            .transitionDuration.split(',')
            .some((time) => parseFloat(time) > 0) &&
          getComputedStyle(button).transitionProperty !== 'none',
      ).length,
  );
  expect(moving).toBe(0);
});

// What the demonstration holds is a file like any other.
it('has a demonstration whose figures are all somebody’s', () => {
  for (const name of ['roadster', 'hillclimb']) {
    const text = readFileSync(join(__dirname, `../demo/${name}.havrik.json`), 'utf8');
    expect(text).not.toContain('"sketch"');
  }
});
