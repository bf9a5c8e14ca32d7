import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBuildFile } from '../src/core/file/buildFile';
import { settable } from '../src/test/setups';
import { run } from './main';

const path = join(mkdtempSync(join(tmpdir(), 'havrik-setup-')), 'car.havrik.json');
writeFileSync(path, writeBuildFile(settable().build));

async function setup(...argv: string[]) {
  let out = '';
  let err = '';
  const code = await run(
    ['setup', path, ...argv],
    (text) => (out += text),
    (text) => (err += text),
  );
  return { code, out, err };
}

it('says what every adjuster does, and what to turn', async () => {
  const { code, out } = await setup(
    '--want',
    'camber=-1.5,toe=0.1',
    '--measured',
    'camber = -1, toe = 0.3',
  );
  expect(code).toBe(0);
  expect(out).toMatch(/^upper arm, front tube, one turn longer: camber [+−]\d\.\d\d°, caster/mu);
  expect(out).toMatch(/^ {2}1\. upper arm, .* (longer|shorter)$/mu);
  expect(out).toMatch(/Then: camber −1\.00° → −1\.[45]\d°/u);
  expect(out).toMatch(/inspected as the law/u);
});

it('gives the same as JSON', async () => {
  const { out } = await setup('--want', 'camber=-1.5', '--format', 'json');
  const told = JSON.parse(out) as {
    adjusters: { id: string; effect: { camber: number } }[];
    plan: { reached: boolean; after: { camber: number }; moves: { id: string; says: string }[] };
  };
  expect(told.adjusters).toHaveLength(3);
  expect(told.plan.reached).toBe(true);
  expect(told.plan.after.camber).toBeCloseTo(-1.5, 1);
  for (const { id } of told.plan.moves) expect(told.adjusters.map((one) => one.id)).toContain(id);
  const bare = JSON.parse((await setup('--format', 'json')).out) as { plan: unknown };
  expect(bare.plan).toBeNull();
});

it('says what putting the car lower does', async () => {
  const { code, out } = await setup('--lower', '20');
  expect(code).toBe(0);
  expect(out).toMatch(/^20 mm lower: camber −1\.00° → −\d\.\d\d°, toe/mu);
  expect(out).toMatch(/^ {2}tie rod (inner|outer) joint \d+\.\d mm (up|down): \d\.\d\d°/mu);
  expect((await setup('--lower', '180')).err).toMatch(/does not go by itself/u);
});

it('says how both rods bring a rack to its middle', async () => {
  const { code, out } = await setup('--rack-off', '3');
  expect(code).toBe(0);
  expect(out).toMatch(/^ {2}left tie rod: .* longer: toe .* → /mu);
  expect(out).toMatch(/^ {2}right tie rod: .* shorter: toe .* → /mu);
  const { centring } = JSON.parse((await setup('--rack-off', '3', '--format', 'json')).out) as {
    centring: { side: string; exact: number; by_mm: number }[];
  };
  expect(centring.map(({ side }) => side)).toEqual(['left', 'right']);
  for (const { exact, by_mm } of centring) expect(Math.abs(exact - by_mm)).toBeLessThan(0.6);
  expect((await setup('--rack-off', '90')).err).toMatch(/at most 60 mm/u);
});

it('says what cannot be had, and refuses what is no figure', async () => {
  expect((await setup('--want', 'camber=-9')).out).toMatch(/Not to be had: .* of camber/u);
  for (const [want, why] of [
    ['camber', /is not one of camber, caster, toe/u],
    ['kingpin=3', /is not one of/u],
    ['toe=wide', /toe “wide”|toe .*wide/u],
    ['toe=1,toe=2', /toe is given twice/u],
    ['caster=90', /45 either way/u],
  ] as const) {
    const { code, err } = await setup('--want', want);
    expect(code).toBe(1);
    expect(err).toMatch(why);
  }
  const { code, err } = await setup('--axle', 'rear');
  expect([code, err]).toEqual([1, 'the build has no rear axle\n']);
});
