import fc from 'fast-check';
import { isSettled, settled, sketched, usualBuild } from '../../test/plans';
import type { Build } from '../model/build';
import type { Point } from '../model/points';
import { nameVariant } from '../model/variants';
import { partsList } from '../shop/partsList';
import { gatesOf } from './gates';
import type { GateState } from './gates';
import { plannedSteps } from './planned';
import { answerGate } from './write';

const AT = '2026-03-01T09:00:00.000Z';
const BY = { by: 'Ada', at: AT };

function gate(build: Build, step: string, id: string): GateState {
  const found = plannedSteps(build).find((one) => one.id === step)!;
  return gatesOf(build, found, { inBand: null }).find((one) => one.gate.id === id)!;
}

it('opens for two lengths that are alike and as drawn, and says which is off by how much', () => {
  const build = usualBuild();
  const { tieRodInner, tieRodOuter } = build.front.points as Record<string, Point>;
  const drawn = Math.hypot(
    tieRodOuter.ahead - tieRodInner.ahead,
    tieRodOuter.out - tieRodInner.out,
    tieRodOuter.up - tieRodInner.up,
  );
  fc.assert(
    fc.property(
      fc.double({ min: -2, max: 2, noNaN: true }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      (a, b) => {
        const off = [Math.abs(a - b), Math.abs(a), Math.abs(b)].map((mm) => mm - 0.5);
        fc.pre(off.every((mm) => Math.abs(mm) > 1e-5));
        const values = [drawn + a, drawn + b];
        answerGate(build, 'front/rods', 'long', { gate: 'long', ...BY, values });
        expect(gate(build, 'front/rods', 'long').open).toBe(off.every((mm) => mm < 0));
      },
    ),
  );
  answerGate(build, 'front/rack', 'rail', { gate: 'rail', ...BY, values: [52, 54.5] });
  expect(gate(build, 'front/rack', 'rail')).toMatchObject({
    open: false,
    says: '52.0 and 54.5 mm: 2.5 mm apart, 1 at the most; right is the larger',
  });
  answerGate(build, 'front/rack', 'rail', { gate: 'rail', ...BY, values: [52, 53] });
  expect(gate(build, 'front/rack', 'rail').open).toBe(true);
  // One alone is kept, and counts for nothing.
  answerGate(build, 'front/rack', 'rail', { gate: 'rail', ...BY, values: [null, 53] });
  expect(gate(build, 'front/rack', 'rail')).toMatchObject({
    open: false,
    says: '53.0 mm; left not measured yet',
  });
});

it('lets a job go on for a reason, and keeps saying what was not so', () => {
  const build = usualBuild();
  const answer = { gate: 'rail', ...BY, values: [52, 54.5], despite: 'left rail is bent, by 2.5' };
  answerGate(build, 'front/rack', 'rail', answer);
  expect(gate(build, 'front/rack', 'rail')).toMatchObject({
    open: true,
    says: expect.stringMatching(/2\.5 mm apart.*gone on with: left rail is bent/u),
  });
  // A reason that was emptied is none; somebody's word is not stood in for by one.
  answerGate(build, 'front/rack', 'rail', { ...answer, despite: '' });
  expect(gate(build, 'front/rack', 'rail').open).toBe(false);
});

it('reckons from the build whether it is settled, frozen, described, here', () => {
  const build = sketched();
  expect(isSettled(build)).toBe(false);
  expect(gate(build, 'drawn', 'settled')).toMatchObject({ open: false });
  settled(build);
  expect(gate(build, 'drawn', 'settled').open).toBe(true);
  expect(gate(build, 'drawn', 'frozen')).toMatchObject({
    open: false,
    says: '“First variant” is not frozen: variants, freeze',
  });
  nameVariant(build, 'first', { frozen: AT });
  expect(gate(build, 'drawn', 'frozen')).toMatchObject({ open: true });
  expect(gate(build, 'front/cut', 'made')).toMatchObject({
    open: false,
    says: 'nothing is described yet at Jigs & parts',
  });
  expect(gate(build, 'front/again', 'inBand')).toMatchObject({
    open: false,
    says: 'the checks are not here yet',
  });
});

it('waits for parts that somebody noted as ordered or to buy, of its own axle alone', () => {
  const build = settled(usualBuild());
  const here = () => gate(build, 'front/refit', 'here');
  expect(here()).toMatchObject({
    open: true,
    says: expect.stringMatching(
      /nothing noted as ordered or to buy; of \d+ lines nothing is noted/u,
    ),
  });
  const rows = partsList(build);
  const front = rows.find(({ where }) => where.startsWith('front'))!;
  const rear = rows.find(({ where }) => where.startsWith('rear'))!;
  // What both axles use is waited for at both.
  const both = rows.find(({ where }) => /^front .*, rear /u.test(where))!;
  build.shop = { parts: [{ key: both.key, state: 'to buy' }] };
  expect(here().open).toBe(false);
  expect(gate(build, 'rear/refit', 'here').open).toBe(false);
  build.shop = { parts: [{ key: rear.key, state: 'ordered' }] };
  expect(here().open).toBe(true);
  build.shop.parts!.push({ key: front.key, state: 'ordered' });
  expect(here()).toMatchObject({ open: false, says: expect.stringContaining(front.name) });
  // What is for another stage is not waited for.
  build.shop.parts![1].stage = 2;
  expect(here().open).toBe(true);
  build.shop.parts![1] = { key: front.key, state: 'have' };
  expect(here().open).toBe(true);
});
