import fc from 'fast-check';
import { buildSchema } from '../model/build';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { nameVariant } from '../model/variants';
import { takeTemplate } from '../model/sketch';
import { startingBuild, memberId } from '../model/made';
import { answer } from '../../test/plans';
import { typeOf } from '../corners/kinds';
import type { PlanKnown } from './gates';
import { planInWords, planNow } from './states';
import type { Standing } from './states';
import { addPhoto, answerGate, finished, noteDone, noteStep, recordIn, reopenStep } from './write';

const AT = '2026-03-01T09:00:00.000Z';
const BY = { by: 'Ada', at: AT };
const KNOWN: PlanKnown = { inBand: () => ({ open: true, says: 'in band' }) };

/** A build of which everything can be done. */
function ready(kind = 'double-wishbone'): Build {
  const build = blankBuild('x', kind);
  takeTemplate(build, build.front);
  for (const member of typeOf(build.front).members)
    if (['arm', 'link', 'rod'].includes(member.role) && member.name)
      (build.front.made ??= {})[memberId(member)] = startingBuild(member, undefined);
  nameVariant(build, 'first', { frozen: AT });
  return build;
}

const now = planNow;
const one = (build: Build, id: string): Standing =>
  now(build).all.find(({ step }) => step.id === id)!;

function finish(build: Build, id: string): string | null {
  const end = finished(build, id, BY, KNOWN);
  if (end.ok) noteDone(build, id, end.done);
  return end.ok ? null : end.why;
}
function doAll(build: Build): void {
  for (const { step } of now(build).all) {
    answer(build, step);
    expect(finish(build, step.id)).toBeNull();
  }
}

it.each(['double-wishbone', 'kingpin', 'beam', 'five-link'])(
  'goes through the whole of a %s build, step by step, and then everything is done',
  (kind) => {
    const build = ready(kind);
    const { all } = now(build);
    // Nothing can be done before what it comes after.
    for (const { step } of [...all].reverse())
      if (step.after.length > 0) expect(finish(build, step.id)).toMatch(/^Before it: /u);
    doAll(build);
    expect(now(build).all.every(({ state }) => state === 'done')).toBe(true);
    expect(now(build)).toMatchObject({
      holds: null,
      meanwhile: [],
      hours: { left: 0, longest: 0 },
    });
    expect(planInWords(build)).toBe(`${all.length} of ${all.length} done`);
    expect(buildSchema.safeParse(JSON.parse(JSON.stringify(build))).success).toBe(true);
  },
);

it('says what is not yet true, and takes nobody’s word for nobody’s', () => {
  const build = ready();
  expect(finish(build, 'frame')).toMatch(/Not yet true: Both diagonals.*not measured yet/u);
  answer(build, one(build, 'frame').step);
  expect(finished(build, 'frame', { by: '  ', at: AT }, KNOWN)).toEqual({
    ok: false,
    why: 'Say who did it.',
  });
  expect(finish(build, 'frame')).toBeNull();
  expect(one(build, 'frame').state).toBe('done');
  reopenStep(build, 'frame');
  expect(one(build, 'frame').state).toBe('can be done');
});

it('opens steps again that hang on a point that moved, says how far, and leaves the others', () => {
  const build = ready();
  doAll(build);
  nameVariant(build, 'first', { frozen: null });
  build.front.points['tieRodInner'].up += 4;
  build.front.points['tieRodInner'].out -= 1.5;
  const again = now(build).all.filter(({ state }) => state === 'open again');
  const ids = again.map(({ step }) => step.id);
  expect(ids).toEqual(
    expect.arrayContaining(['front/rack', 'front/rods', 'front/weld', 'inspect']),
  );
  for (const id of ['frame', 'seat', 'front/wheel', 'front/arm/lower arm'])
    expect(one(build, id).state).toBe('done');
  expect(one(build, 'front/rack').why[0]).toBe(
    'front tie rod inner joint is 1.5 mm in, 4.0 mm up of what it was',
  );
  // What hangs on a step that is open again is too, and says so.
  expect(one(build, 'front/refit').why.join(' ')).toMatch(/brackets welded, off the car is open/u);
  expect(planInWords(build)).toMatch(/, \d+ open again$/u);
  // Back where it was, nothing has changed.
  build.front.points['tieRodInner'].up -= 4;
  build.front.points['tieRodInner'].out += 1.5;
  expect(now(build).all.every(({ state }) => state === 'done')).toBe(true);
});

it('opens again what is made otherwise, and what a refusal asks since', () => {
  const build = ready();
  doAll(build);
  const [id] = Object.keys(build.front.made!);
  build.front.made![id].outside += 2;
  expect(one(build, 'front/cut').why[0]).toMatch(/is made otherwise$/u);
  build.front.made![id].outside -= 2;
  build.plan!.rules = [
    {
      ...{ id: 'r', kind: 'refusal', says: 'Split pins at the outer joints', source: 'Inspector' },
      ...{ at: AT, gate: 'front/refit' },
    },
  ];
  expect(one(build, 'front/refit').state).toBe('open again');
  answerGate(build, 'front/refit', 'rule/r', { gate: 'rule/r', ...BY });
  expect(one(build, 'front/refit').state).toBe('done');
});

it('counts hours by how long the done steps took, as the sums have it', () => {
  const build = ready();
  const { planned } = now(build).hours;
  const took = { frame: [100, 150], seat: [50, 40], pedals: [90, 95] } as const;
  for (const [id, [plan, used]] of Object.entries(took)) {
    noteStep(build, id, 'planned', plan);
    noteStep(build, id, 'used', used);
    answer(build, one(build, id).step);
    expect(finish(build, id)).toBeNull();
    // Two say nothing of the rest.
    if (id === 'seat') expect(now(build).hours.factor).toBe(1);
  }
  const { hours, all } = now(build);
  const factor = (150 + 40 + 95) / (100 + 50 + 90);
  expect(hours).toMatchObject({ from: 3, used: 285 });
  expect(hours.factor).toBeCloseTo(factor, 12);
  const open = all.filter(({ state }) => state !== 'done');
  expect(hours.left).toBeCloseTo(
    factor * open.reduce((sum, { planned: minutes }) => sum + minutes, 0),
    9,
  );
  expect(hours.planned - planned).toBeCloseTo(100 + 50 + 90 - (120 + 60 + 90), 9);
  // A step that is under way has so much less of it left.
  noteStep(build, 'drawn', 'used', 5);
  expect(now(build).hours.left).toBeCloseTo(hours.left - 5, 9);
});

it('names what most hangs on of what could be gone on with, held or not, and the rest as what is besides', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 500 }), { minLength: 40, maxLength: 40 }),
      (minutes) => {
        const build = blankBuild('x', 'double-wishbone');
        now(build).all.forEach(({ step }, i) => noteStep(build, step.id, 'planned', minutes[i]));
        const { all, holds, meanwhile } = now(build);
        const of = (id: string) => all.find(({ step }) => step.id === id)!;
        const ways = (id: string): number =>
          of(id).planned +
          Math.max(
            0,
            ...all.filter(({ step }) => step.after.includes(id)).map(({ step }) => ways(step.id)),
          );
        const free = all.filter(({ step }) => step.after.length === 0);
        const most = Math.max(...free.map(({ step }) => ways(step.id)));
        expect(ways(holds!.step.id)).toBe(most);
        expect([holds!, ...meanwhile].map(({ step }) => step.id).sort()).toEqual(
          free.map(({ step }) => step.id).sort(),
        );
      },
    ),
    { numRuns: 15 },
  );
  const build = blankBuild('x');
  const { holds } = now(build);
  noteStep(build, holds!.step.id, 'held', 'the drawing office');
  expect(now(build).holds).toMatchObject({ state: 'held', why: ['the drawing office'] });
});

it('leaves a stage alone that is over', () => {
  const build = ready();
  doAll(build);
  build.plan!.stages = [{ name: 'own parts', again: ['front/arm/upper arm', 'front/cut'] }];
  nameVariant(build, 'first', { frozen: null });
  build.front.points['upperOuter'].up += 5;
  const states = new Map(now(build).all.map(({ step, state }) => [step.id, state]));
  expect(states.get('front/arm/upper arm')).toBe('done');
  expect(states.get('front/cut@2')).toBe('can be done');
  expect(states.get('front/arm/upper arm@2')).toBe('waits');
});

it('keeps notes and photos with their step', () => {
  const build = ready();
  const photo = { id: '0f0e7a52-7d1e-4a4e-9a52-2d0c3f0a1b2c', name: 'a.jpg', at: AT };
  addPhoto(build, 'frame', photo);
  noteStep(build, 'frame', 'note', 'rail 52 mm');
  expect(recordIn(build, 'frame')).toMatchObject({ photos: [photo], note: 'rail 52 mm' });
  noteStep(build, 'frame', 'note', '');
  expect(recordIn(build, 'frame')).not.toHaveProperty('note');
});
