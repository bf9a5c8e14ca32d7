import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { drawingDxf } from '../src/core/sheets/dxf';
import { circle, outline } from '../src/core/sheets/drawing';
import { surfaceOf } from '../src/core/model/mesh';
import type { MeshBody } from '../src/core/model/room';
import type { PieceOf } from '../src/core/model/pieces';
import {
  beginBuild,
  clickButton,
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
const folder = mkdtempSync(join(tmpdir(), 'havrik-in-'));

const typeIn = async (page: Page, where: string, label: string, text: string) => {
  await page.locator(`::-p-xpath(${where}//label[.="${label}"]/..//input)`).click({ count: 3 });
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
};
const give = async (page: Page, label: string, path: string) => {
  const input = await page.waitForSelector(`input[aria-label="${label}"]`);
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path);
};
const MADE = '//section[@aria-label="Made of"]';
const DIALOG = '//*[@role="dialog"]';

/** A sheet of triangles over a wave, as a scanner saves it. */
function waveStl(): string {
  const height = (x: number, y: number): number => 6 * Math.sin(x / 9) * Math.cos(y / 11);
  const facets: string[] = [];
  const at = (i: number, j: number): string =>
    [i * 2 - 100, j * 2 - 80, height(i * 2, j * 2)].map((v) => v.toFixed(4)).join(' ');
  const facet = (...corners: string[]): void => {
    facets.push(
      `facet normal 0 0 1\nouter loop\n${corners.map((c) => `vertex ${c}`).join('\n')}\nendloop\nendfacet`,
    );
  };
  for (let i = 0; i < 100; i++)
    for (let j = 0; j < 80; j++) {
      facet(at(i, j), at(i + 1, j), at(i, j + 1));
      facet(at(i + 1, j), at(i + 1, j + 1), at(i, j + 1));
    }
  return `solid wave\n${facets.join('\n')}\nendsolid wave\n`;
}

it('makes a skid plate and a half-shaft of one’s own figures, and gets them back when they are taken out', async () => {
  const { page } = at;
  await beginBuild(page, shop.app.address, 'Estuary runabout', 'double-wishbone');
  await typeFigures(page, [
    ['Wheelbase', '2240'],
    ['Travel up', '70'],
  ]);
  await openStation(page, 'Jigs & parts');
  const add = async (name: string) => {
    await page.locator('::-p-xpath(//button[starts-with(., "Plate or part")])').click();
    await page.waitForSelector('[role=menu]');
    await page.locator(`::-p-xpath(//*[@role="menuitem"][starts-with(., "${name}")])`).click();
    await page.waitForSelector('[role=menu]', { hidden: true });
  };
  await add('skid plate');
  await page.waitForSelector('section[aria-label="Front skid plate"] img');
  await typeIn(page, MADE, 'long, flat', '200');
  await typeIn(page, MADE, 'lips', '60');
  await typeIn(page, MADE, 'lips turned up', '45');
  await settled(page);
  const [plate] = (await saved()).front.pieces as PieceOf<'skid'>[];
  expect(plate).toMatchObject({ as: 'skid', long: 200, lip: 60, up: 45 });
  // R 6, T 4: 200 + 2 · 60 − 2 · (2 · 10 · tan 22.5° − (6 + 1.6) π / 4), by hand.
  const flat = 200 + 120 - 2 * (20 * Math.tan(Math.PI / 8) - (7.6 * Math.PI) / 4);
  await until(
    page,
    `[...document.querySelectorAll('main img')].some((one) => decodeURIComponent(one.src).includes('${flat.toFixed(2)}'))`,
  );
  await add('half-shaft of two');
  await showsIn(page, 'section[aria-label="Made of"] [role=alert]', 'no half-shaft is said');
  await clickButton(page, 'Take it out');
  await until(
    page,
    `!document.querySelector('nav[aria-label="Sheets"]').textContent.includes('half-shaft')`,
  );
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await showsIn(page, 'nav[aria-label="Sheets"]', 'half-shaft of two');
});

it('cuts a plate as a drawing has it', async () => {
  const { page } = at;
  const drawing = drawingDxf({
    ...{ width: 96, height: 54 },
    marks: [
      outline('CUT', [
        [0, 0],
        [96, 0],
        [70, 54],
        [0, 54],
      ]),
      circle('DRILL', [20, 27], 5.5),
    ],
  });
  const path = join(folder, 'pedal foot.dxf');
  writeFileSync(path, drawing);
  await openBuild(page, shop.app.address, 'Estuary runabout');
  await openStation(page, 'Jigs & parts');
  await give(page, 'Plate from a drawing', path);
  await page.waitForSelector('section[aria-label="Front pedal foot, plate from a drawing"] img');
  await settled(page);
  const { pieces } = (await saved()).front;
  expect((pieces!.at(-1) as PieceOf<'drawn'>).shape.holes).toEqual([{ at: [20, 27], across: 11 }]);
});

it('puts a scan into the car by three marks, keeps clear of it, and has it after a reload', async () => {
  const { page } = at;
  const path = join(folder, 'floor pan.stl');
  writeFileSync(path, waveStl());
  await openBuild(page, shop.app.address, 'Estuary runabout');
  await openStation(page, 'Arms');
  await clickButton(page, 'room');
  await give(page, 'Body from a file', path);
  await showsIn(page, '[role=dialog]', '16000 triangles, 200 mm × 160 mm × 12 mm');
  // The scan lies on its side in its own axes: x is the car's left, y is up, z ahead.
  const { points } = (await saved()).front;
  const middle = [
    (points['tieRodInner'].ahead + points['tieRodOuter'].ahead) / 2 - 20,
    (points['tieRodInner'].out + points['tieRodOuter'].out) / 2,
    (points['tieRodInner'].up + points['tieRodOuter'].up) / 2,
  ];
  const marks = [
    [-100, -80, 0],
    [100, -80, 0],
    [0, 80, 0],
  ];
  for (const [i, [x, y, z]] of marks.entries()) {
    for (const [k, value] of [x, y, z].entries())
      await typeIn(page, DIALOG, `scan ${i + 1}, ${'xyz'[k]}`, String(value));
    const car = [middle[0] + z, middle[1] + x, middle[2] + y];
    for (const [k, word] of ['ahead', 'left', 'up'].entries())
      await typeIn(page, DIALOG, `car ${i + 1}, ${word}`, car[k].toFixed(2));
  }
  await showsIn(page, '[role=dialog] [role=alert]', '100.00 % of its size');
  await clickButton(page, 'Put it in the car');
  await page.waitForSelector('[role=dialog]', { hidden: true });
  await showsIn(page, '[data-body="floor pan"]', 'From floor pan.stl');
  await settled(page);
  const body = (await saved()).room!.keepOuts.find(({ name }) => name === 'floor pan') as MeshBody;
  const { places, triangles } = surfaceOf(body)!;
  expect(triangles.length / 3).toBeLessThanOrEqual(6000);
  expect(body.exact).toBeGreaterThan(0);
  expect(body.exact).toBeLessThan(4);
  // It stands where it was put: its places are within what it was thinned by of the wave in the car.
  for (let i = 0; i < places.length; i += 3) {
    const [x, y] = [places[i + 1] - middle[1], places[i + 2] - middle[2]];
    expect(Math.abs(x)).toBeLessThan(101);
    expect(Math.abs(y)).toBeLessThan(81);
    expect(Math.abs(places[i] - middle[0])).toBeLessThan(6.1);
  }
  // The rod is some 20 mm ahead of it less its own half, the wave and the thinning: too near.
  await showsIn(page, 'main', 'tie rod to floor pan');
  await page.reload({ waitUntil: 'networkidle0' });
  await openStation(page, 'Arms');
  await clickButton(page, 'room');
  await showsIn(page, '[data-body="floor pan"]', 'A skin');
  await page.waitForSelector('[data-view="front"] [data-keepout="floor pan"]');
  // What is no surface is said, and nothing of it is left.
  const cloud = join(folder, 'cloud.obj');
  writeFileSync(cloud, 'v 0 0 0\nv 1 1 1\n');
  await give(page, 'Body from a file', cloud);
  await showsIn(page, '[role=dialog] [role=alert]', 'cloud.obj');
  await clickButton(page, 'Cancel');
});
