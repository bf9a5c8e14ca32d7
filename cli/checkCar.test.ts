import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CarModel } from '../src/core/check/carModel';
import type { CheckedCar } from '../src/core/check/carModel';
import { usualSetup } from '../src/core/check/evidence';
import { writeReadingsCsv } from '../src/core/check/readingsCsv';
import { readCar } from '../src/core/check/virtualCar';
import { writeBuildFile } from '../src/core/file/buildFile';
import { normalsApart } from '../src/core/geometry/random';
import { readLine } from '../src/core/instruments/protocol';
import { blankBuild } from '../src/core/model/starts';
import { run } from './main';

const folder = mkdtempSync(join(tmpdir(), 'havrik-check-car-'));
const build = blankBuild('On stands');
const car: CheckedCar = {
  ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: build.front, rounds: [] },
  ...{ travel: build.travel, setup: { ...usualSetup(build.front, 'hub'), heightOff: 0.5 } },
};
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const drawing = file('car.havrik.json', writeBuildFile(build));

async function havrik(...argv: string[]) {
  let out = '';
  let err = '';
  const code = await run(
    argv,
    (text) => (out += text),
    (text) => (err += text),
  );
  return { code, out, err };
}

/** Readings of a car whose outer joint sits 8 mm too low, as a file. */
function readings(more: Partial<CheckedCar> = {}, by = -8): string {
  const of = { ...car, ...more };
  const errors = new Map([['left tieRodOuter.up', by]]);
  new CarModel(build, of);
  const wanted = [-50, -30, -15, 0, 15, 30, 50].flatMap((travel) => [
    { method: 'dials' as const, side: 'left' as const, travel, plusMinus: 0.05 },
    { method: 'level' as const, side: 'left' as const, travel, plusMinus: 0.05 },
  ]);
  return writeReadingsCsv(
    readCar(build, of, { errors, gain: { left: 1, right: 1 } }, wanted, normalsApart(5)),
    new Map(),
  );
}

it('says fit, verdict, next shim and suspects', async () => {
  const csv = file('low.csv', readings());
  const { code, out } = await havrik(
    'check-car',
    drawing,
    csv,
    '--on',
    'hub',
    '--height-off',
    '0.5',
  );
  expect(code).toBe(0);
  expect(out).toContain('On stands: 14 readings of the front left wheel');
  expect(out).toContain('fit: does not fit');
  expect(out).toMatch(/left: toe change \d\.\d\d° ± \d\.\d\d° at worst.*read from -50 to 50 mm/u);
  expect(out).toMatch(/next: tie rod (outer joint \d+\.\d mm up|inner joint \d+\.\d mm down)/u);
  expect(out).toMatch(/1\. tie rod (inner|outer) joint: up/u);
  const json = JSON.parse(
    (await havrik('check-car', drawing, csv, '--on', 'hub', '--format', 'json')).out,
  ) as {
    agrees: string;
    suspects: { number: string; off: number }[];
    sides: { shims: unknown[] }[];
  };
  expect(json.agrees).toBe('not');
  const rod = json.suspects.find(({ number }) => number === 'tieRodOuter.up');
  if (rod) expect(Math.abs(rod.off + 8)).toBeLessThan(3);
  expect(json.sides[0].shims.length).toBeGreaterThan(0);
});

it('counts what was fitted between the readings', async () => {
  const fitted = {
    rounds: [
      {
        fitted: [{ side: 'left' as const, point: 'tieRodOuter', coordinate: 'up' as const, by: 8 }],
      },
    ],
  };
  const csv = file(
    'fitted.csv',
    `${readings()}${readings(fitted).split('\n').slice(1).join('\n')}`,
  );
  const { code, out, err } = await havrik(
    ...['check-car', drawing, csv, '--on', 'hub', '--fitted', 'tieRodOuter.up=8'],
  );
  expect(err).toBe('');
  expect(code).toBe(0);
  expect(out).toMatch(/left: what was fitted did 0\.9\d|1\.0\d/u);
  expect(out).toContain('next: tie rod');
});

it('refuses what it cannot read, in words', async () => {
  const bad = file('bad.csv', 'travel_mm,method,value,unit,plus_minus\n0,tape,1,deg,1\n');
  expect(await havrik('check-car', drawing, bad)).toMatchObject({
    code: 1,
    err: expect.stringMatching(/line 2 unit is “deg”: tape is read in mm or in/u) as string,
  });
  const csv = file('ok.csv', readings());
  expect((await havrik('check-car', drawing, csv, '--axle', 'rear')).err).toContain('no rear axle');
  expect((await havrik('check-car', drawing, csv, '--fitted', 'nothing=3')).err).toContain(
    'write it as tieRodOuter.up=3.2',
  );
  expect((await havrik('check-car', drawing, csv, '--span', '3')).err).toContain('at least 50 mm');
  expect((await havrik('check-car', drawing, csv, '--side', 'up')).code).toBe(2);
});

describe('stand-in', () => {
  const lines = async (...more: string[]) => {
    const { code, out, err } = await havrik('stand-in', '--every', '0', ...more);
    return { code, err, said: out.trimEnd().split('\n') };
  };

  it('speaks as an instrument on a virtual car does', async () => {
    const level = await lines('--device', 'level', '--lines', '5', '--travel', '20');
    expect(level.code).toBe(0);
    expect(level.said).toHaveLength(5);
    for (const one of level.said) expect(readLine(one).ok).toBe(true);
    const dials = await lines('--device', 'dials', '--lines', '3', '--car', drawing);
    expect(dials.said).toHaveLength(6);
    // At ride height the gauges stand at nought.
    for (const one of dials.said) {
      const heard = readLine(one);
      expect(Math.abs((heard.ok && heard.said.value) || 0)).toBeLessThan(0.05);
    }
    expect((await lines('--device', 'level', '--lines', '5', '--travel', '20')).said).toEqual(
      level.said,
    );
    expect((await lines('--device', 'level', '--lines', '5', '--seed', '2')).said).not.toEqual(
      level.said,
    );
  });

  it('reads what the same virtual car would be measured to be', async () => {
    const value = async (device: string, travel: number) => {
      const { said } = await lines(
        ...['--device', device, '--lines', '40', '--travel', String(travel), '--car', drawing],
      );
      const all = said.flatMap((one) => {
        const heard = readLine(one);
        return heard.ok && heard.said.value !== null ? [heard.said.value] : [];
      });
      return all.reduce((sum, one) => sum + one, 0) / all.length;
    };
    // The hub goes up by its travel, but for what the camber does to the face.
    expect((await value('height', 30)) - (await value('height', 0))).toBeCloseTo(30, 0);
    expect((await value('level', 30)) - (await value('level', 0))).toBeLessThan(-0.2);
  });

  it('refuses what it cannot stand on', async () => {
    expect((await lines('--device', 'tape')).code).toBe(2);
    expect((await lines('--device', 'level', '--axle', 'rear', '--car', drawing)).err).toContain(
      'no rear axle',
    );
    expect((await lines('--device', 'level', '--lines', '0')).err).toContain('at least 1');
    // Out of reach there is nothing to read.
    const { said } = await lines('--device', 'level', '--travel', '900', '--lines', '2');
    expect(said[0]).toContain('----');
  });
});
