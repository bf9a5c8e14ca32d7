import { usualBuild } from '../../test/plans';
import type { Build } from '../model/build';
import { buildSchema } from '../model/build';
import { refusedChange } from '../model/change';
import type { PlanRule } from '../model/plan';
import { copyVariant, nameVariant, openVariant } from '../model/variants';
import { plannedSteps } from './planned';
import { addOwnStep, addRule, notedOf, planIn, recordIn, removeOwnStep, removeRule } from './write';

const AT = '2026-03-01T09:00:00.000Z';
const rule = (id: string): Omit<PlanRule, 'lock'> => ({
  ...{ id, kind: 'rule', says: 'Lower pivots as homologated', source: 'Class rules 4.2', at: AT },
});
const HELD = { axle: 'front', point: 'lowerOuter', coordinate: 'up' } as const;
const RANGE = { kind: 'range', min: 100, max: 300, step: 0 } as const;
const copy = (build: Build): Build => JSON.parse(JSON.stringify(build)) as Build;

it('holds a coordinate by a rule in every variant, and gives each its own freedom back', () => {
  const build = usualBuild();
  build.front.freedoms = { lowerOuter: { up: { ...RANGE } } };
  copyVariant(build, 'second', 'Second');
  build.front.freedoms = { lowerOuter: { out: { kind: 'fixed' } } };
  const before = copy(build);
  expect(addRule(build, rule('r'), HELD)).toBeNull();
  const fixed = { kind: 'fixed' };
  expect(build.front.freedoms!['lowerOuter']!.up).toEqual(fixed);
  expect(build.layouts![0].front.freedoms!['lowerOuter']!.up).toEqual(fixed);
  expect(buildSchema.safeParse(build).success).toBe(true);
  expect(addRule(build, rule('again'), HELD)).toMatch(/Another rule holds/u);
  removeRule(build, 'r');
  expect(build.front.freedoms).toEqual(before.front.freedoms);
  expect(build.layouts).toEqual(before.layouts);
});

it('leaves frozen variants alone, and what was made free otherwise since', () => {
  const build = usualBuild();
  nameVariant(build, 'first', { frozen: AT });
  expect(addRule(build, rule('r'), HELD)).toMatch(/frozen: copy one first/u);
  expect(planIn(build).rules).toEqual([]);
  copyVariant(build, 'second', 'Second');
  const frozen = copy(build).layouts;
  expect(addRule(build, rule('r'), HELD)).toBeNull();
  expect(build.layouts).toEqual(frozen);
  nameVariant(build, 'second', { frozen: AT });
  const kept = copy(build);
  removeRule(build, 'r');
  // A frozen variant stays as it is, its fixed coordinate too.
  expect(build.front).toEqual(kept.front);
});

it('refuses a change that moves or frees what a rule holds, and says whose rule that is', () => {
  const build = usualBuild();
  addRule(build, rule('r'), HELD);
  const refused = (change: (next: Build) => void) => {
    const next = copy(build);
    change(next);
    return refusedChange(build, next);
  };
  expect(refused((next) => (next.front.points['lowerOuter'].up += 1))).toMatch(
    /^“Class rules 4\.2” holds the front lower ball joint, up/u,
  );
  expect(refused((next) => (next.front.freedoms!['lowerOuter']!.up = { ...RANGE }))).toMatch(
    /holds/u,
  );
  expect(refused((next) => delete next.front.freedoms!['lowerOuter'])).toMatch(/holds/u);
  // A right side of its own is held too.
  expect(
    refused((next) => {
      next.front.rightPoints = copy(next).front.points;
      next.front.rightPoints['lowerOuter'].up += 1;
    }),
  ).toMatch(/holds/u);
  expect(refused((next) => (next.front.points['lowerOuter'].out += 1))).toBeNull();
  expect(refused((next) => (next.rear!.points['lowerOuter'].up += 1))).toBeNull();
  expect(refused((next) => removeRule(next, 'r'))).toBeNull();
  // Another variant has its own places.
  const other = copy(build);
  copyVariant(other, 'second', 'Second');
  other.layouts![0].front.points['lowerOuter'].up += 7;
  const opened = copy(other);
  openVariant(opened, 'first');
  expect(refusedChange(other, opened)).toBeNull();
});

it('takes an own step out with what hangs on it alone, and says what was noted of it', () => {
  const build = usualBuild();
  const order = plannedSteps(build).map(({ id }) => id);
  addOwnStep(build, 'paint', { name: 'Paint', does: '', after: ['frame'] }, [...order, 'paint']);
  addOwnStep(build, 'dry', { name: 'Dry', does: '', after: ['paint'] }, [...order, 'paint', 'dry']);
  planIn(build).rules = [{ ...rule('r'), gate: 'paint' }];
  Object.assign(recordIn(build, 'paint'), { used: 30, note: 'two coats' });
  expect(notedOf(recordIn(build, 'paint'))).toBe('30 minutes, a note');
  expect(buildSchema.safeParse(build).success).toBe(true);
  removeOwnStep(build, 'paint');
  const steps = plannedSteps(build);
  expect(steps.map(({ id }) => id)).not.toContain('paint');
  expect(steps.find(({ id }) => id === 'dry')!.after).toEqual([]);
  expect(planIn(build).rules![0]).not.toHaveProperty('gate');
});
