import { mkdtempSync, readFileSync, readdirSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import reference from '../src/core/kinematics/fixtures/double-wishbone.json';
import { CORNER_TYPES } from '../src/core/corners/kinds';
import more from '../src/core/kinematics/fixtures/corner-kinds-more.json';
import type { Points } from '../src/core/model/points';
import { writeBuildFile } from '../src/core/file/buildFile';
import { blankBuild } from '../src/core/model/starts';
import { createBuild } from '../src/db/builds';
import { stopWriting } from '../src/db/writing';
import { pointsFromTuples } from '../src/test/layouts';
import { aColumn } from '../src/test/columns';
import { readPdf } from '../src/test/readPdf';
import { run } from './main';

const folder = mkdtempSync(join(tmpdir(), 'havrik-cli-'));
const demo = join(__dirname, '../demo/roadster.havrik.json');

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

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

/** The layout of the independent solver's reference, with a rack of that travel, mm. */
function referenceBuild(travel: number) {
  const { layout } = reference;
  const build = blankBuild('Reference');
  build.front = {
    ...build.front,
    static: { toe: layout.toe, camber: layout.camber },
    tyre: { radius: layout.tyreRadius, width: 195 },
    points: pointsFromTuples(layout.points),
    rack: { travel },
  };
  return build;
}

describe('sweep', () => {
  it('prints the reference positions to seven decimals and more', async () => {
    const { rows } = reference;
    const path = file('reference.json', writeBuildFile(referenceBuild(65)));
    for (const rack of [-30, 0, 30]) {
      const { code, out } = await havrik(
        'sweep',
        path,
        '--from',
        '−60',
        '--to',
        '60',
        '--rack',
        `${rack}`,
      );
      expect(code).toBe(0);
      const { data } = Papa.parse<Record<string, string>>(out.trim(), { header: true });
      const wanted = rows.filter((row) => row.rack === rack);
      expect(data).toHaveLength(wanted.length);
      data.forEach((row, i) => {
        expect(Number(row['travel_mm'])).toBe(wanted[i].travel);
        expect(Number(row['toe_deg'])).toBeCloseTo(wanted[i].toe, 6);
        expect(Number(row['contact_up_mm'])).toBeCloseTo(wanted[i].contact[2], 4);
        expect(row['toe_deg']).toMatch(/\.\d{7,}$/);
        expect(row['reachable']).toBe('true');
      });
    }
  });

  it('has the columns in their order', async () => {
    expect((await havrik('sweep', demo)).out.split('\n')[0]).toBe(
      'travel_mm,rack_mm,toe_deg,camber_deg,caster_deg,kpi_deg,scrub_mm,trail_mm,contact_ahead_mm,contact_out_mm,contact_up_mm,wheel_ahead_mm,wheel_out_mm,wheel_up_mm,reachable,why',
    );
  });

  it('goes over the build’s own travel by default, and lands on the last step', async () => {
    const rows = (await havrik('sweep', demo)).out.trim().split('\n').slice(1);
    expect(rows.map((row) => Number(row.split(',')[0]))).toEqual([
      -60, -50, -40, -30, -20, -10, 0, 10, 20, 30, 40, 50, 60,
    ]);
    expect(
      (await havrik('sweep', demo, '--from', '0', '--to', '0.3', '--step', '0.1')).out
        .trim()
        .split('\n'),
    ).toHaveLength(5);
  });

  it('keeps positions out of reach and says why', async () => {
    const { code, out } = await havrik(
      'sweep',
      demo,
      '--to',
      '400',
      '--step',
      '460',
      '--format',
      'json',
    );
    expect(code).toBe(0);
    const rows = JSON.parse(out) as { reachable: boolean; why: string; toe_deg: number | null }[];
    expect(rows.map((row) => row.reachable)).toEqual([true, false]);
    expect(rows[1]).toMatchObject({ toe_deg: null, why: expect.stringMatching(/past .* mm bump/) });
  });

  it('sweeps the rear axle and the right side', async () => {
    expect((await havrik('sweep', demo, '--axle', 'rear', '--side', 'right')).code).toBe(0);
  });
});

describe('steer', () => {
  const table = (out: string) =>
    Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;

  it('goes from lock to lock by default, with the columns in their order', async () => {
    const { code, out } = await havrik('steer', demo);
    expect(code).toBe(0);
    expect(out.split('\n')[0]).toBe(
      'rack_mm,handwheel_deg,left_deg,right_deg,ackermann_error_deg,ackermann_percent,radius_mm,ratio,left_tie_angle_deg,right_tie_angle_deg,left_camber_deg,right_camber_deg,left_contact_up_mm,right_contact_up_mm,reachable,why',
    );
    const rows = table(out);
    expect(rows.map((row) => Number(row['rack_mm']))).toEqual(
      Array.from({ length: 67 }, (_, i) => -66 + 2 * i),
    );
    // The roadster’s two sides are alike: one lock mirrors the other.
    for (const [i, row] of rows.entries()) {
      const other = rows[rows.length - 1 - i];
      expect(Number(row['left_deg'])).toBeCloseTo(-Number(other['right_deg']), 7);
      expect(row['reachable']).toBe('true');
    }
    // By hand from the rows: what a degree of the wheels asks of the handwheel, near straight ahead.
    const near = table(
      (await havrik('steer', demo, '--from', '-0.1', '--to', '0.1', '--step', '0.1')).out,
    );
    const [a, , b] = near;
    const mean = (row: Record<string, string>) =>
      (Number(row['left_deg']) + Number(row['right_deg'])) / 2;
    const ratio = (Number(b['handwheel_deg']) - Number(a['handwheel_deg'])) / (mean(b) - mean(a));
    expect(Number(rows[33]['ratio'])).toBeCloseTo(Math.abs(ratio), 2);
    expect(near[1]['ratio']).toBe(rows[33]['ratio']);
    expect(rows[33]['ackermann_percent']).toBe('');
  });

  it('counts the handwheel to the left where it is known on which side of the bar the pinion is', async () => {
    const build = referenceBuild(30);
    build.front.rack = { travel: 30, perTurn: 40, pinionAt: 'above' };
    const path = file('hand.json', writeBuildFile(build));
    const [right] = table((await havrik('steer', path, '--step', '30')).out);
    // Under a pinion the rack goes right as the hands go left.
    expect(Number(right['rack_mm'])).toBe(-30);
    expect(Number(right['handwheel_deg'])).toBeCloseTo(270, 9);
  });

  it('prints the reference’s rack positions at every travel', async () => {
    const { rows } = reference;
    const path = file('steered.json', writeBuildFile(referenceBuild(30)));
    for (const travel of [-60, 0, 40]) {
      const { out } = await havrik('steer', path, '--travel', `${travel}`, '--step', '30');
      const [right, centre, left] = rows
        .filter((row) => row.travel === travel)
        .sort((a, b) => a.rack - b.rack);
      const printed = table(out);
      expect(printed).toHaveLength(3);
      expect(Number(printed[0]['left_deg'])).toBeCloseTo(centre.toe - right.toe, 6);
      expect(Number(printed[2]['left_deg'])).toBeCloseTo(centre.toe - left.toe, 6);
      expect(Number(printed[2]['left_camber_deg'])).toBeCloseTo(left.camber, 6);
      expect(printed[0]['handwheel_deg']).toBe('');
    }
  });

  it('keeps the lines of a rack that goes too far, and says what gives out', async () => {
    const { out } = await havrik('steer', demo, '--from', '60', '--to', '260', '--step', '100');
    const rows = table(out);
    expect(rows.map((row) => row['reachable'])).toEqual(['true', 'false', 'false']);
    expect(rows[1]['why']).toMatch(/^(left|right): the tie rod is/);
    expect(rows[1]['left_deg']).toBe('');
  });

  it('steers a kart by degrees of its drop arm, the jacking in its contacts’ heights', async () => {
    const kart = 'demo/kart.havrik.json';
    const rows = table(
      (await havrik('steer', kart, '--from', '-20', '--to', '20', '--step', '10')).out,
    );
    expect(rows.map((row) => row['rack_mm'])).toEqual(['', '', '', '', '']);
    expect(rows.map((row) => Number(row['handwheel_deg']))).toEqual([-20, -10, 0, 10, 20]);
    const heights = rows.map((row) => Number(row['left_contact_up_mm']));
    // Handwheel left: the left wheel goes left, and its contact down.
    expect(Number(rows[4]['left_deg'])).toBeGreaterThan(10);
    expect(heights[4]).toBeLessThan(heights[2] - 3);
    expect(heights[0]).toBeGreaterThan(heights[2] + 3);
    expect(Number(rows[4]['right_contact_up_mm'])).toBeCloseTo(heights[0], 9);
    const mean = (row: Record<string, string>) =>
      (Number(row['left_deg']) + Number(row['right_deg'])) / 2;
    expect(Number(rows[3]['ratio'])).toBeCloseTo(20 / (mean(rows[4]) - mean(rows[2])), 1);
    const whole = table((await havrik('steer', kart)).out);
    expect(Number(whole[0]['handwheel_deg'])).toBe(-32);
    const swept = table((await havrik('sweep', kart, '--rack', '12')).out);
    expect(swept).toHaveLength(1);
    expect(swept[0]).toMatchObject({ travel_mm: '0', rack_mm: '', reachable: 'true' });
    const up = table((await havrik('sweep', kart, '--to', '10')).out);
    expect(up[1]).toMatchObject({ reachable: 'false', why: expect.stringContaining('no travel') });
    expect((await havrik('check', kart)).out).toContain('no travel');
    for (const what of ['null', 'map'])
      expect(await havrik(what, kart)).toMatchObject({
        code: 1,
        err: expect.stringContaining('no travel'),
      });
    const { out } = await havrik('kinds');
    expect(out).toContain('kingpin: Kingpin in the frame');
  });

  it('takes a beam: heave and roll, the lock by its drop arm, the null of its drag link', async () => {
    const car = 'demo/two-seater.havrik.json';
    const degrees = (rows: Record<string, string>[], name: string) =>
      rows.map((row) => Number(row[name]));
    const over = ['--from', '-40', '--to', '40', '--step', '40'];
    const heave = table((await havrik('sweep', car, ...over)).out);
    const roll = table((await havrik('sweep', car, ...over, '--opposite')).out);
    const other = table((await havrik('sweep', car, ...over, '--opposite', '--side', 'right')).out);
    // In heave the axle stays level; in roll it leans by what one wheel is up and the other down.
    const lean = (Math.atan2(80, 2 * 618) * 180) / Math.PI;
    for (const camber of degrees(heave, 'camber_deg')) expect(camber).toBeCloseTo(0.8, 0);
    // To what the steer meanwhile adds.
    expect(Math.abs(degrees(roll, 'camber_deg')[2] - (0.8 - lean))).toBeLessThan(0.15);
    expect(Math.abs(degrees(roll, 'camber_deg')[0] - (0.8 + lean))).toBeLessThan(0.15);
    // What toes the left wheel in as it goes up toes the right one out as that goes down.
    const change = (rows: Record<string, string>[], i: number) =>
      degrees(rows, 'toe_deg')[i] - degrees(rows, 'toe_deg')[1];
    expect(change(roll, 2)).toBeCloseTo(-change(other, 0), 1);
    const rows = table(
      (await havrik('steer', car, '--from', '-20', '--to', '20', '--step', '10')).out,
    );
    expect(rows.map((row) => row['rack_mm'])).toEqual(['', '', '', '', '']);
    // A box of 13 to 1.
    expect(degrees(rows, 'handwheel_deg')).toEqual([-260, -130, 0, 130, 260]);
    expect(Number(rows[4]['left_deg'])).toBeGreaterThan(15);
    expect(Number(rows[4]['left_deg'])).toBeGreaterThan(Number(rows[4]['right_deg']));
    expect((await havrik('check', car)).out).toMatch(
      /front axle: steers the car at the most 1\.\d+°/,
    );
    const { out } = await havrik('null', car, '--free', 'dragLinkInner.ahead,dragLinkInner.up');
    expect(out).toMatch(/dragLinkInner\.ahead: -346\.00 → -324\.50 mm/);
    expect(out).toMatch(/→ 0\.000\d° over/);
    expect(await havrik('null', car, '--side', 'right')).toMatchObject({
      code: 1,
      err: expect.stringContaining('give --side left'),
    });
    expect((await havrik('null', car, '--free', 'tieRodInner.out')).err).toContain(
      'not one of dragLinkInner, dragLinkOuter',
    );
    expect((await havrik('kinds')).out).toContain(
      'springPad        spring pad on the beam, on the beam',
    );
  });

  it('says in a sentence what cannot be steered', async () => {
    expect((await havrik('steer', demo, '--travel', '500')).err).toMatch(
      /with the rack centred, left: /,
    );
    const fixed = blankBuild('Fixed');
    delete fixed.front.rack;
    const unsteered = file('fixed.json', writeBuildFile(fixed));
    expect(await havrik('steer', unsteered)).toMatchObject({
      code: 1,
      err: expect.stringContaining('nothing to steer by'),
    });
    const rodless = file('rodless.json', writeBuildFile(blankBuild('Arm', 'trailing-arm')));
    expect((await havrik('steer', rodless)).err).toContain('has no tie rod to steer by');
    expect((await havrik('steer', demo, '--from', '5', '--to', '1')).code).toBe(2);
    expect((await havrik('steer', demo, '--step', '0')).code).toBe(2);
  });
});

describe('column', () => {
  const table = (out: string) =>
    Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;

  it('turns the roadster’s handwheel, its columns in their order, as Cardan’s equation has the first joint', async () => {
    const { code, out } = await havrik('column', demo, '--step', '30');
    expect(code).toBe(0);
    expect(out.split('\n')[0]).toBe(
      'handwheel_deg,pinion_deg,speed_ratio,joint1_deg,joint2_deg,shaft2_deg',
    );
    const rows = table(out).map((row) =>
      Object.fromEntries(Object.entries(row).map(([key, value]) => [key, Number(value)])),
    );
    expect(rows.map(({ handwheel_deg: at }) => at)).toEqual(
      Array.from({ length: 25 }, (_, i) => -360 + 30 * i),
    );
    const rad = Math.PI / 180;
    for (const { handwheel_deg: at, shaft2_deg: below, joint1_deg: bend } of rows) {
      const own = Math.atan2(Math.sin(at * rad) * Math.cos(bend * rad), Math.cos(at * rad)) / rad;
      expect(Math.cos((own - below) * rad)).toBeCloseTo(1, 12);
    }
    const speeds = rows.map(({ speed_ratio: speed }) => speed);
    expect(Math.max(...speeds) - Math.min(...speeds)).toBeGreaterThan(0.089);
    const json = await havrik(
      'column',
      demo,
      '--from',
      '0',
      '--to',
      '90',
      '--step',
      '45',
      '--format',
      'json',
    );
    expect(JSON.parse(json.out)).toHaveLength(3);
  });

  it('says how to clock it, what that leaves, and what there is nothing to clock of', async () => {
    const { out } = await havrik('column', demo, '--clock');
    expect(out).toMatch(/as drawn: shaft 2 96\.0°: ripple 9\.0\d %/u);
    expect(out).toMatch(/clocked: shaft 2 2\.9°: ripple 5\.89 %/u);
    expect(out).toMatch(/shaft 2: 0 teeth of 36, 2\.9° left over/u);
    const one = blankBuild('one joint');
    one.front.column = {
      ...aColumn({ joints: [aColumn().joints[1]], shafts: [{ outside: 19 }] }),
    };
    const path = file('one-joint.json', writeBuildFile(one));
    expect((await havrik('column', path, '--clock')).err).toMatch(/nothing to clock/u);
    expect(
      (await havrik('column', file('no-column.json', writeBuildFile(blankBuild('x'))))).err,
    ).toMatch(/no column yet/u);
    expect((await havrik('column', demo, '--step', '0')).code).toBe(2);
  });
});

describe('sheets and parts', () => {
  it('writes every sheet into a folder, and nothing over what is there', async () => {
    const out = join(folder, 'sheets');
    const { code, out: said } = await havrik('sheets', demo, '--out', out, '--paper', 'Letter');
    expect(code).toBe(0);
    expect(said).toMatch(/^\d+ files in .*: \d+ pages of Letter, every one a DRAFT/u);
    const names = readdirSync(out);
    expect(names).toEqual(expect.arrayContaining(['sheets.pdf', 'corners.glb', 'parts-list.csv']));
    expect(names.some((name) => name.startsWith('.'))).toBe(false);
    const { pages } = readPdf(readFileSync(join(out, 'sheets.pdf')));
    expect(pages[0].width).toBeCloseTo(215.9, 2);
    expect(said).toContain(`${pages.length} pages`);
    const again = await havrik('sheets', demo, '--out', out);
    expect(again).toMatchObject({ code: 1, err: expect.stringMatching(/is there already/u) });
    expect((await havrik('sheets', demo, '--out', out, '--replace')).code).toBe(0);
    expect((await havrik('sheets', demo)).code).toBe(2);
    const into = file('no-folder', 'x');
    expect((await havrik('sheets', demo, '--out', join(into, 'y'))).err).toMatch(
      /cannot write into/u,
    );
  }, 60_000);

  it('lists what is made and bought', async () => {
    const { out } = await havrik('parts', demo);
    const rows = Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;
    expect(rows.find(({ what }) => what === 'front tie rod')).toMatchObject({ count: '2' });
    expect(JSON.parse((await havrik('parts', demo, '--format', 'json')).out)).toHaveLength(
      rows.length,
    );
  });
});

describe('damper and loads', () => {
  const single = join(__dirname, '../demo/hillclimb.havrik.json');
  const table = (out: string) =>
    Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;

  it('moves the damper over the travel, its columns in their order, shortening by its ratio', async () => {
    const { code, out } = await havrik(
      'damper',
      demo,
      '--step',
      '0.01',
      '--from',
      '-0.01',
      '--to',
      '0.01',
    );
    expect(code).toBe(0);
    expect(out.split('\n')[0]).toMatch(
      /^travel_mm,damper_mm,motion_ratio,spring_n,wheel_n,wheel_rate_n_mm,/u,
    );
    const [below, home, above] = table(out).map((row) => Number(row['damper_mm']));
    expect(home).toBeGreaterThan(above);
    expect((below - above) / 0.02).toBeCloseTo(Number(table(out)[1]['motion_ratio']), 5);
    const all = await havrik('damper', single, '--format', 'json');
    expect(JSON.parse(all.out)).toHaveLength(16);
    const none = file('no-damper.json', writeBuildFile(blankBuild('x')));
    expect((await havrik('damper', none)).err).toMatch(/no damper yet/u);
    expect((await havrik('damper', demo, '--axle', 'rear')).err).toMatch(
      /rear axle has no damper/u,
    );
  });

  it('says what every part carries in its worst case, and its reserve', async () => {
    const { out } = await havrik('loads', single);
    expect(out.split('\n')[0]).toMatch(/^member,carries,case,newtons,reserve,/u);
    const rows = table(out);
    const rod = rows.find(({ member }) => member === 'rocker rod, outer joint')!;
    expect(Number(rod['stands_n']) / Number(rod['newtons'])).toBeCloseTo(Number(rod['reserve']), 6);
    expect(rows.find(({ member }) => member === 'tie rod inner joint')!['reserve']).toBe('');
    const none = file('nothing-carries.json', writeBuildFile(blankBuild('x')));
    expect((await havrik('loads', none)).err).toMatch(/draw its damper or spring first/u);
  });
});

describe('check', () => {
  it('says how much each wheel bump-steers', async () => {
    const { code, out } = await havrik('check', demo);
    expect(code).toBe(0);
    expect(out).toMatch(/front left: toe range 1\.\d+° over 60 mm bump and 60 mm droop/);
    expect(out).toMatch(/rear right: .*very good/);
    expect(out).toMatch(/column: .*ripple 9\.0 %, rework; shaft 2: 6 mm into exhaust, rework/);
  });
});

describe('null', () => {
  const found = async (...argv: string[]) =>
    JSON.parse((await havrik('null', demo, '--format', 'json', ...argv)).out) as {
      before: { range_deg: number };
      after: { range_deg: number };
      changes: { point: string; coordinate: string; from: number; to: number }[];
    };

  it('moves the inner joint until the toe stays, and says from where to where', async () => {
    const { before, after, changes } = await found('--free', 'tieRodInner.out, tieRodInner.up');
    expect(before.range_deg).toBeCloseTo(1.5507, 3);
    expect(after.range_deg).toBeLessThan(0.005);
    expect(changes.map(({ point, coordinate, from }) => [point, coordinate, from])).toEqual([
      ['tieRodInner', 'out', 262],
      ['tieRodInner', 'up', 236],
    ]);
  });

  it('keeps within what it is given, and to the file’s own freedoms where it is given none', async () => {
    const near = await found('--free', 'tieRodInner.up', '--within', '3');
    expect(near.changes).toEqual([
      { point: 'tieRodInner', coordinate: 'up', from: 236, to: expect.closeTo(233, 6) },
    ]);
    expect((await havrik('null', demo)).out).toMatch(
      /^tieRodOuter\.up: 239\.00 → 251\.70 mm \(6\.35 \+ 6\.35\)\ntoe range 1\.5507° → 0\.2029°/,
    );
  });

  it('picks the least work, the least on paper or the least when built, all on the front it prints', async () => {
    type Answer = {
      picks: string[];
      range_deg: number;
      effort: number;
      built_ninety_deg: number | null;
    };
    const told = async (pick: string) =>
      JSON.parse((await havrik('null', demo, '--format', 'json', '--pick', pick)).out) as {
        pick: string;
        after: { range_deg: number };
        answers: Answer[];
      };
    const { answers } = await told('work');
    for (const pick of ['work', 'paper', 'built']) {
      const { after, ...rest } = await told(pick);
      expect(rest.pick).toBe(pick);
      const own = rest.answers.find(({ picks }) => picks.includes(pick))!;
      expect(after.range_deg).toBeCloseTo(own.range_deg, 9);
    }
    const paper = answers.find(({ picks }) => picks.includes('paper'))!;
    const built = answers.find(({ picks }) => picks.includes('built'))!;
    for (const one of answers) {
      expect(one.range_deg).toBeGreaterThanOrEqual(paper.range_deg);
      expect(one.built_ninety_deg!).toBeGreaterThanOrEqual(built.built_ninety_deg!);
    }
    expect((await havrik('null', demo, '--pick', 'best')).code).toBe(2);
  });

  it('says what is wrong with what it is given', async () => {
    expect(await havrik('null', demo, '--free', 'upperOuter.up')).toMatchObject({
      code: 1,
      err: expect.stringContaining('“upperOuter.up” is not one of tieRodInner, tieRodOuter'),
    });
    expect((await havrik('null', demo, '--within', '0')).code).toBe(2);
    expect((await havrik('null', demo, '--axle', 'rear', '--free', 'tieRodInner.up')).code).toBe(0);
  });
});

describe('map', () => {
  it('prints a square of toe ranges about the present place, as the sweep has it', async () => {
    const { out } = await havrik(
      'map',
      demo,
      '--plane',
      'outer-ahead-up',
      '--size',
      '10',
      '--n',
      '5',
    );
    const rows = out.trim().split('\n');
    expect(rows[0]).toBe('ahead_mm,up_mm,range_deg');
    expect(rows).toHaveLength(26);
    const middle = rows[13].split(',').map(Number);
    expect(middle.slice(0, 2)).toEqual([-121, 239]);
    expect(middle[2]).toBeCloseTo(1.5507, 3);
  });

  it('leaves out of reach empty, and refuses what is no map', async () => {
    const { out } = await havrik('map', demo, '--size', '300', '--n', '3', '--format', 'json');
    const { rows } = JSON.parse(out) as { rows: { range_deg: number | null }[] };
    expect(rows.some(({ range_deg }) => range_deg === null)).toBe(true);
    expect((await havrik('map', demo, '--n', '1')).err).toContain('--n is at least 2');
    expect((await havrik('map', demo, '--plane', 'sideways')).code).toBe(2);
  });
});

describe('exit codes', () => {
  const cut = file('cut.json', readFileSync(demo, 'utf8'));
  truncateSync(cut, 900);

  it.each([
    ['a missing file', ['check', join(folder, 'none.json')], /cannot be read \(ENOENT\)/],
    ['a file without end', ['check', '/dev/zero'], /at most 4 MB/],
    ['a folder', ['check', folder], /is a folder/],
    ['a truncated file', ['check', cut], /cut off/],
    ['a huge file', ['check', file('huge.json', ' '.repeat(4_100_000))], /4\.0 MB/],
    ['another file', ['sweep', join(__dirname, '../package.json')], /not a Havrik build/],
    ['a rack on an unsteered axle', ['sweep', demo, '--axle', 'rear', '--rack', '5'], /no rack/],
    ['far too many positions', ['sweep', demo, '--step', '0.0001'], /take a larger step/],
  ])('1 for %s', async (_, argv, message) => {
    const { code, out, err } = await havrik(...argv);
    expect([code, out]).toEqual([1, '']);
    expect(err).toMatch(message);
  });

  it.each([
    ['no command', []],
    ['an unknown command', ['fold', demo]],
    ['no file', ['sweep']],
    ['an unknown option', ['sweep', demo, '--twist', '3']],
    ['an unknown side', ['sweep', demo, '--side', 'middle']],
    ['a word for a number', ['sweep', demo, '--from', 'low']],
    ['a step of nothing', ['sweep', demo, '--step', '0']],
    ['ends the wrong way round', ['sweep', demo, '--from', '10', '--to', '-10']],
  ])('2 for %s', async (_, argv) => {
    const { code, out, err } = await havrik(...argv);
    expect([code, out]).toEqual([2, '']);
    expect(err).not.toBe('');
  });

  it('0 for help', async () => {
    const write = jest.spyOn(process.stdout, 'write').mockReturnValue(true);
    expect((await havrik('--help')).code).toBe(0);
    write.mockRestore();
  });
});

it('prints names that a file chose without obeying them', async () => {
  const build = { ...blankBuild('x'), name: 'Red \u001b[31mcar\u0007' };
  const { out } = await havrik('check', file('red.havrik.json', writeBuildFile(build)));
  expect(out).toContain('Red \ufffd[31mcar\ufffd');
  expect((await havrik('check', `${folder}/\u001b[2J.json`)).err).not.toContain('\u001b');
});

describe('backup and restore', () => {
  const database = join(folder, 'shed.sqlite');
  beforeAll(async () => {
    process.env.HAVRIK_DB = database;
    await createBuild(blankBuild('Kept'));
    await stopWriting();
  });
  afterAll(() => {
    delete process.env.HAVRIK_DB;
  });

  it('say what they did, and where the old one is', async () => {
    const to = join(folder, 'shed.zip');
    expect(await havrik('backup', to)).toEqual({
      code: 0,
      out: `1 build of ${database} backed up into ${to}\n`,
      err: '',
    });
    const { code, out } = await havrik('restore', to);
    expect(code).toBe(0);
    expect(out).toMatch(/^1 build restored from .*shed\.zip, made \d+ \w+ \d{4}, \d\d:\d\d, into /);
    expect(out).toMatch(/What was there before is kept as .*shed\.sqlite\.before-\d{8}T\d{6}\n$/);
  });

  it('say what is in the way, and nothing else', async () => {
    expect(await havrik('backup', join(folder, 'shed.zip'))).toMatchObject({
      code: 1,
      out: '',
      err: expect.stringMatching(/is there already: name another file\n$/),
    });
    expect(await havrik('restore', demo)).toMatchObject({
      code: 1,
      err: expect.stringMatching(/is not a backup of Havrik’s/),
    });
    expect((await havrik('restore')).code).toBe(2);
  });
});

describe('kinds', () => {
  it('lists every kind with its points', async () => {
    const { code, out } = await havrik('kinds');
    expect(code).toBe(0);
    for (const { kind, points } of CORNER_TYPES) {
      expect(out).toContain(`${kind}: `);
      for (const name of Object.keys(points)) expect(out).toContain(`  ${name} `);
    }
  });

  it('sweeps each as a file, with columns that do not apply left empty', async () => {
    for (const corner of more.corners) {
      const { kind, toe, camber, tyreRadius, rows } = corner;
      const build = blankBuild(kind, kind);
      build.front = {
        ...build.front,
        static: { toe, camber },
        tyre: { radius: tyreRadius, width: 195 },
        points: Object.fromEntries(
          Object.entries(corner.points as unknown as Record<string, number[]>).map(
            ([name, [ahead, out, up]]) => [name, { ahead, out, up }],
          ),
        ) as unknown as Points,
      };
      const path = file(`${kind}.json`, writeBuildFile(build));
      const straight = rows.filter(({ steer }) => steer === 0);
      for (const row of straight) {
        const at = `${row.travel}`.replace('-', '−');
        const { code, out } = await havrik('sweep', path, '--from', at, '--to', at);
        expect(code).toBe(0);
        const [line] = Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;
        expect(Number(line['toe_deg'])).toBeCloseTo(row.toe, 5);
        expect(Number(line['contact_out_mm'])).toBeCloseTo(row.contact[1], 4);
        if ('caster' in row)
          expect(Number(line['caster_deg'])).toBeCloseTo(row.caster as number, 5);
        else expect([line['caster_deg'], line['scrub_mm']]).toEqual(['', '']);
        expect(line['why']).toBe('');
      }
    }
  });

  it('says that there is nothing to null by, and no rack to move, where a kind has no rod', async () => {
    const path = file('arm.json', writeBuildFile(blankBuild('Arm', 'trailing-arm')));
    const none = await havrik('null', path);
    expect(none.code).toBe(1);
    expect(none.err).toMatch(/has no tie rod or toe link to null by: it is a trailing arm/);
    const rack = await havrik('sweep', path, '--rack', '5');
    expect(rack.code).toBe(1);
    expect(rack.err).toMatch(/no rack to move/);
    const map = await havrik('map', path);
    expect(map.code).toBe(1);
    expect(map.err).toMatch(/no tie rod or toe link/);
  });
});
