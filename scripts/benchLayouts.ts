import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import type { NullFinding } from '../src/core/bumpsteer/findNull';
import { startingRoom } from '../src/core/model/room';
import type { Freedoms } from '../src/core/model/freedoms';
import { readBuildFile } from '../src/core/file/buildFile';
import type { Build } from '../src/core/model/build';
import { pointNames, typeOf } from '../src/core/corners/kinds';
import { Wheel } from '../src/core/kinematics/wheel';
import { COORDINATES } from '../src/core/model/points';
import { blankBuild } from '../src/core/model/starts';
import { anyLayout } from '../src/test/layouts';
import { leastRangeByChance, seeded } from '../src/test/leastRange';

/** The tie rod's ends in slots; with `all` the outer end also ahead, and on washers. */
export function rodToFind(all: boolean) {
  const build = blankBuild('bench');
  const { tieRodInner: inner, tieRodOuter: outer } = build.front.points;
  const slot = (at: number, by = 60) => ({
    kind: 'range' as const,
    min: at - by,
    max: at + by,
    step: 0,
  });
  build.front.freedoms = {
    tieRodInner: {
      out: slot(inner.out),
      up: slot(inner.up),
      ...(all && { ahead: slot(inner.ahead, 20) }),
    },
    ...(all && {
      tieRodOuter: {
        out: slot(outer.out, 20),
        up: {
          kind: 'shims' as const,
          base: outer.up,
          stock: [0.5, 0.8, 1, 1.6, 3.2, 6.35],
          most: 2,
          way: 1 as const,
        },
      },
    }),
  };
  return build;
}

/** What a null with both coordinates of the inner joint free leaves, over 1,000 random layouts. */
export function nullQuality(
  search: (build: ReturnType<typeof blankBuild>, cars: boolean) => NullFinding,
) {
  const ranges = fc.sample(anyLayout, { numRuns: 1000, seed: 5 }).flatMap((design) => {
    const build = { ...blankBuild('random'), travel: { bump: 25, droop: 25 }, front: design };
    const { out, up } = design.points['tieRodInner'];
    const slot = (at: number) => ({
      kind: 'range' as const,
      min: at - 250,
      max: at + 250,
      step: 0,
    });
    build.front = { ...design, freedoms: { tieRodInner: { out: slot(out), up: slot(up) } } };
    const { found, paper } = search(build, false);
    return found.length > 0 ? [found[paper].steer.span.range] : [];
  });
  ranges.sort((a, b) => a - b);
  const part = (share: number) => ranges[Math.floor(share * (ranges.length - 1))].toFixed(4);
  return `null over ±25 mm on ${ranges.length} of 1000 random layouts: ${part(0.5)}° (median), ${part(0.9)}° (90th of 100)`;
}

/** The range that the null finder finds against the least there is, by brute force, on 30 layouts for each bound. */
export function finderRatio(
  search: (build: ReturnType<typeof blankBuild>, cars: boolean) => NullFinding,
) {
  const travel = { bump: 25, droop: 25 };
  return [5, 15, 60]
    .map((by) => {
      const ratios = fc.sample(anyLayout, { numRuns: 30, seed: by }).map((design, n) => {
        const { out, up } = design.points['tieRodInner'];
        const slot = (at: number) => ({
          kind: 'range' as const,
          min: at - by,
          max: at + by,
          step: 0,
        });
        const front = { ...design, freedoms: { tieRodInner: { out: slot(out), up: slot(up) } } };
        const { found, paper, before } = search({ ...blankBuild('random'), travel, front }, false);
        const least = found[paper]?.steer.span.range ?? before!.span.range;
        // Half a thousandth of a degree is nothing to anybody.
        return (
          Math.max(5e-4, least) / Math.max(5e-4, leastRangeByChance(design, travel, by, n + 1))
        );
      });
      ratios.sort((a, b) => a - b);
      return `±${by} mm ${ratios[15].toFixed(3)} (median), ${ratios[29].toFixed(3)} (worst of 30)`;
    })
    .map((line) => `range found / least there is, ${line}`)
    .join('\n');
}

/** Three pivots with three holes each, three coordinates that may slide. */
export function armsToFind() {
  const build = blankBuild('bench');
  const { points } = build.front;
  const holes = (at: number) => ({ kind: 'choices' as const, at: [at, at + 25, at + 50] });
  const slot = (at: number) => ({ kind: 'range' as const, min: at - 40, max: at + 40, step: 0 });
  build.front.freedoms = {
    upperFrontInner: {
      up: holes(points['upperFrontInner'].up - 25),
      out: slot(points['upperFrontInner'].out),
    },
    upperRearInner: {
      up: holes(points['upperRearInner'].up - 25),
      out: slot(points['upperRearInner'].out),
    },
    lowerFrontInner: { up: holes(points['lowerFrontInner'].up - 25) },
    upperOuter: { up: slot(points['upperOuter'].up) },
  };
  return build;
}

export function withRoom() {
  const build = blankBuild('bench');
  const point = (ahead: number, out: number, up: number) => ({ ahead, out, up });
  build.room = {
    ...startingRoom(),
    keepOuts: [
      {
        kind: 'box',
        id: 'sump',
        name: 'sump',
        axle: 'front',
        middle: point(-150, 60, 200),
        size: point(300, 260, 160),
      },
      {
        kind: 'cylinder',
        id: 'damper',
        name: 'damper',
        axle: 'front',
        from: point(0, 330, 420),
        to: point(0, 540, 190),
        diameter: 60,
      },
    ],
  };
  return build;
}

/** A build with so many coordinates, the tie rod's first, on stocks of so many washers, at most 6 of each. */
export function withWashers(coordinates: number, washers: number): Build {
  const build = blankBuild('Washers');
  const next = seeded(7);
  const places = [...pointNames(typeOf(build.front))]
    .sort((a, b) => Number(b.startsWith('tieRod')) - Number(a.startsWith('tieRod')))
    .flatMap((point) => COORDINATES.map((coordinate) => ({ point, coordinate })));
  const freedoms: Freedoms = (build.front.freedoms = {});
  for (const { point, coordinate } of places.slice(0, coordinates))
    (freedoms[point] ??= {})[coordinate] = {
      kind: 'shims',
      base: build.front.points[point][coordinate],
      stock: Array.from({ length: washers }, () => Math.round(5 + next() * 1200) / 100),
      most: 6,
      way: 1,
    };
  return build;
}

/** The demonstration's roadster, whose column has an exhaust in its way. */
export function demoRoadster(): Build {
  const read = readBuildFile(readFileSync(join(__dirname, '../demo/roadster.havrik.json'), 'utf8'));
  if (!read.ok) throw new Error('the roadster cannot be read');
  return read.value;
}

/** Twelve dampers of lengths around the roadster's. */
export const TWELVE = Array.from({ length: 12 }, (_, i) => ({
  name: `damper ${i + 1}`,
  unit: { closed: 230 + 5 * i, open: 330 + 8 * i, outside: 56 + (i % 3) * 5, stop: 8 },
}));

/** The roadster's left front wheel with four coordinates of its damper's mounts free. */
export function mountsToFind(roadster: Build): Wheel {
  const design = structuredClone(roadster.front);
  const range = (now: number) => ({
    kind: 'range' as const,
    min: now - 30,
    max: now + 30,
    step: 0,
  });
  const { damperInner, damperOuter } = design.points;
  design.freedoms = {
    damperInner: {
      ahead: range(damperInner.ahead),
      out: range(damperInner.out),
      up: range(damperInner.up),
    },
    damperOuter: { out: range(damperOuter.out) },
  };
  return new Wheel('front', 'left', design, roadster.travel);
}
