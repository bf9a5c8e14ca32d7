import fc from 'fast-check';
import { aDamper, anyDamped, damped } from '../../test/dampers';
import { clearancesOf } from '../clearance/room';
import { finish } from '../find/finish';
import { Wheel } from '../kinematics/wheel';
import type { AxleDesign } from '../model/build';
import type { Damper, DamperWanted } from '../model/damper';
import type { Freedom } from '../model/freedoms';
import { blankBuild } from '../model/starts';
import { findMounts } from './findMounts';
import { Linkage } from './linkage';

const build = blankBuild('x');
const wheelOf = (design: AxleDesign) => new Wheel('front', 'left', design, { bump: 50, droop: 50 });
const range = (now: number, by: number, step = 0): Freedom => ({
  ...{ kind: 'range', min: now - by, max: now + by, step },
});
const search = (
  design: AxleDesign,
  wanted: DamperWanted,
  choices: { name: string; unit: NonNullable<Damper['unit']> }[] = [],
) => finish(findMounts(build, wheelOf(design), wanted, choices));

/** Whether a design has all that is wanted, measured at every millimetre: with some room to spare, or only just. */
function meets(design: AxleDesign, { ratio }: DamperWanted, room: 'ample' | 'bare'): boolean {
  const by = room === 'bare' ? 1 : -1;
  const { corner } = wheelOf(design);
  const unit = design.damper!.unit!;
  if (!corner) return false;
  const linkage = new Linkage(corner, design.damper!);
  for (let travel = -50; travel <= 50; travel++) {
    const length = linkage.at(travel)?.damper.length;
    if (length === undefined) return false;
    if (length < unit.closed + (unit.stop ?? 0) - 0.15 * by) return false;
    if (length > unit.open + 0.15 * by) return false;
  }
  const off = ratio === undefined ? 0 : Math.abs(linkage.at(0)!.damper.ratio - ratio);
  return off <= 0.01 + 1e-4 * by;
}

describe('mounts of a damper', () => {
  it('are among every place of a grid, and none with less work is', () => {
    const damper = aDamper(
      { by: 'direct', on: 'lowerArm' },
      { unit: { closed: 262, open: 350, outside: 55 } },
    );
    const wanted = { ratio: 0.62, mayTouch: true };
    let reached = 0;
    fc.assert(
      fc.property(anyDamped('double-wishbone', damper, 6), (start) => {
        const { damperOuter, damperInner } = start.points;
        const steps = [-40, -30, -20, -10, 0, 10, 20, 30, 40];
        const freedoms = {
          damperOuter: {
            out: { kind: 'choices' as const, at: steps.map((by) => damperOuter.out + by) },
          },
          damperInner: {
            up: { kind: 'choices' as const, at: steps.map((by) => damperInner.up + by) },
            out: { kind: 'choices' as const, at: steps.map((by) => damperInner.out + by) },
          },
        };
        const design = { ...start, freedoms };
        if (!wheelOf(design).corner) return;
        const { found, all } = search(design, wanted);
        expect(all).toBe(true);
        // The lug goes along the arm: there it stands where the finder's own placing puts it, told by its answers.
        const works: number[] = [];
        let barely = 0;
        for (const out of steps)
          for (const up of steps)
            for (const inner of steps) {
              const onArm = lugAt(design, out);
              const moved: AxleDesign = {
                ...design,
                points: {
                  ...design.points,
                  damperOuter: onArm,
                  damperInner: {
                    ...damperInner,
                    up: damperInner.up + up,
                    out: damperInner.out + inner,
                  },
                },
              };
              if (!meets(moved, wanted, 'bare')) continue;
              barely++;
              if (!meets(moved, wanted, 'ample')) continue;
              const work = [out, up, inner].reduce(
                (sum, by) => sum + (by === 0 ? 0 : 4 + Math.abs(by) / 100),
                0,
              );
              works.push(work);
            }
        const any = found.some((one) => one.reached);
        expect(any || works.length === 0).toBe(true);
        expect(any && barely === 0).toBe(false);
        if (works.length === 0) return;
        reached++;
        // Those that touch nothing come first; the least work is among them all, and each lot by its work.
        const efforts = found.map((one) => one.effort);
        expect(Math.min(...efforts)).toBeLessThanOrEqual(Math.min(...works) + 0.011);
        const clear = found.filter(({ fouls }) => fouls.length === 0);
        const touching = found.filter(({ fouls }) => fouls.length > 0);
        expect(found).toEqual([...clear, ...touching]);
        for (const lot of [clear, touching])
          expect(lot).toEqual(lot.toSorted((a, b) => a.effort - b.effort));
      }),
      { numRuns: 8 },
    );
    expect(reached).toBeGreaterThan(0);
  });

  /** The lug so far out along its arm, by similar triangles from the pivots' line. */
  function lugAt({ points }: AxleDesign, by: number) {
    const { lowerFrontInner: f, lowerRearInner: r, lowerOuter: o, damperOuter: lug } = points;
    const span = [f.ahead - r.ahead, f.out - r.out, f.up - r.up];
    const to = [o.ahead - r.ahead, o.out - r.out, o.up - r.up];
    const part =
      span.reduce((sum, x, i) => sum + x * to[i], 0) / span.reduce((sum, x) => sum + x * x, 0);
    const arm = to.map((x, i) => x - part * span[i]);
    const [ahead, , up] = arm.map((x) => (x / arm[1]) * by);
    return { ahead: lug.ahead + ahead, out: lug.out + by, up: lug.up + up };
  }

  it('puts an answer where a walk over the arm finds it: the lug that gives the ratio', () => {
    const damper = aDamper(
      { by: 'direct', on: 'lowerArm' },
      { unit: { closed: 150, open: 500, outside: 55 } },
    );
    const design = damped('double-wishbone', damper);
    const now = design.points['damperOuter'].out;
    const start = { ...design, freedoms: { damperOuter: { out: range(now, 90) } } };
    const { found } = search(start, { ratio: 0.55, mayTouch: true });
    expect(found[0]).toMatchObject({ reached: true, other: false });
    const to = found[0].changes.find(({ coordinate }) => coordinate === 'out')!.to;
    const ratioAt = (by: number) => {
      const moved = { ...design, points: { ...design.points, damperOuter: lugAt(design, by) } };
      return new Linkage(wheelOf(moved).corner!, damper).at(0)!.damper.ratio;
    };
    expect(Math.abs(ratioAt(to - now) - 0.55)).toBeLessThan(0.0101);
    expect(found[0].ratio).toBeCloseTo(ratioAt(to - now), 9);
  });

  it('finds a rise with a rocker, and tries every damper there is', () => {
    const damper = aDamper(
      { by: 'rocker', on: 'lowerArm' },
      { unit: { closed: 120, open: 260, outside: 50 } },
    );
    const design = damped('double-wishbone', damper);
    const { damperOuter, damperInner } = design.points;
    const start = {
      ...design,
      freedoms: {
        damperOuter: { out: range(damperOuter.out, 40), up: range(damperOuter.up, 30) },
        damperInner: { up: range(damperInner.up, 60), out: range(damperInner.out, 80) },
      },
    };
    const short = { name: 'short', unit: { closed: 60, open: 70, outside: 40 } };
    const longer = { name: 'longer', unit: { closed: 200, open: 330, outside: 50 } };
    const { found, dampers } = search(start, { ratio: 1, rise: 8, mayTouch: true }, [
      short,
      longer,
    ]);
    expect(dampers).toBe(3);
    expect(found.length).toBeGreaterThan(0);
    for (const one of found) {
      expect(one.reached).toBe(true);
      expect(one.damper).not.toBe('short');
      const points = structuredClone(start.points);
      for (const { point, coordinate, to } of one.changes) points[point][coordinate] = to;
      const linkage = new Linkage(wheelOf({ ...start, points }).corner!, damper);
      const [home, full] = [linkage.at(0)!, linkage.at(50)!];
      expect(Math.abs(home.damper.ratio - 1)).toBeLessThan(0.011);
      expect(Math.abs(100 * (full.damper.ratio / home.damper.ratio - 1) - 8)).toBeLessThan(2.1);
      expect(full.damper.length).toBeGreaterThan(one.unit.closed - 0.2);
    }
  });

  it('says which coordinate would have to give, and that it does', () => {
    const damper = aDamper(
      { by: 'direct', on: 'lowerArm' },
      { unit: { closed: 300, open: 390, outside: 55 } },
    );
    const design = damped('double-wishbone', damper);
    const { damperInner } = design.points;
    const start = { ...design, freedoms: { damperInner: { up: range(damperInner.up - 60, 5) } } };
    const { found, opening } = search(start, { mayTouch: true });
    expect(found.every((one) => !one.reached)).toBe(true);
    expect(opening).not.toBeNull();
    const { point, coordinate, by } = opening!;
    const own = point === 'damperInner' && coordinate === 'up';
    const now = start.points[point][coordinate];
    const [min, max] = own ? [damperInner.up - 65, damperInner.up - 55] : [now, now];
    const wider = {
      ...start.freedoms,
      [point]: {
        ...(start.freedoms as Record<string, object>)[point],
        [coordinate]: {
          kind: 'range',
          min: Math.min(min, min + by),
          max: Math.max(max, max + by),
          step: 0,
        },
      },
    } as AxleDesign['freedoms'];
    expect(search({ ...start, freedoms: wider }, { mayTouch: true }).found[0].reached).toBe(true);
    const less = by * 0.8;
    const tighter = {
      ...start.freedoms,
      [point]: {
        ...(start.freedoms as Record<string, object>)[point],
        [coordinate]: {
          kind: 'range',
          min: Math.min(min, min + less),
          max: Math.max(max, max + less),
          step: 0,
        },
      },
    } as AxleDesign['freedoms'];
    expect(
      search({ ...start, freedoms: tighter }, { mayTouch: true }).found.some((one) => one.reached),
    ).toBe(false);
  });

  it('goes round the arm that the damper is in, measured as every clearance is', () => {
    const unit = { closed: 200, open: 420, outside: 48 };
    const design = damped('double-wishbone', aDamper({ by: 'direct', on: 'lowerArm' }, { unit }));
    const { damperInner, damperOuter } = design.points;
    for (const point of [damperInner, damperOuter]) point.ahead = -45;
    const start = {
      ...design,
      freedoms: {
        damperInner: { ahead: range(-45, 90) },
        damperOuter: { ahead: range(-45, 60) },
      },
    };
    const into = (one: AxleDesign) =>
      clearancesOf(build, wheelOf(one))!.filter(
        ({ ofDamper, to, clearance, wanted }) =>
          ofDamper && /arm/u.test(to) && clearance < wanted - 1,
      );
    expect(into(start)).not.toEqual([]);
    const { found } = search(start, {});
    expect(found[0].reached).toBe(true);
    const points = structuredClone(start.points);
    for (const { point, coordinate, to } of found[0].changes) points[point][coordinate] = to;
    expect(into({ ...start, points })).toEqual([]);
  });

  it('says why it does not look', () => {
    const damper = aDamper({ by: 'direct', on: 'lowerArm' }, { unit: undefined });
    expect(search(damped('double-wishbone', damper), {}).why).toMatch(/no damper to try/u);
    const far = damped('double-wishbone', aDamper({ by: 'direct', on: 'lowerArm' }));
    expect(search(far, { bump: 490 }).why).toMatch(/does not reach/u);
  });
});
