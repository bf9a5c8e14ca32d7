import { distance } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { pointLabel } from '../model/labels';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import type { Sheet } from '../sheets/drawing';
import { wheelFrameOf } from '../takeoff/bench';
import { codeOf } from './code';
import { mm } from './sheetWords';
import type { Named } from './sheetWords';

/** A place of a jig across the car: ahead of the axle's line, to the left of the middle, over the road; mm. */
export interface Setting {
  label: string;
  side: 'left' | 'right';
  at: Vec;
}

/** What a jig across the car holds: both sides' inner pivots and the middles of both hubs' faces. */
export function settingsOf(left: Wheel, right: Wheel): Setting[] {
  const middle = (left.points.wheelCentre.ahead + right.points.wheelCentre.ahead) / 2;
  const pivots = (wheel: Wheel): PointName[] =>
    Object.keys(wheel.points).filter(
      (name) =>
        wheel.type.points[name]?.on === 'chassis' &&
        !wheel.type.points[name].ofDamper &&
        !wheel.type.points[name].mark,
    );
  return [left, right].flatMap((wheel) => {
    const hand = wheel.side === 'left' ? 1 : -1;
    const placed = ([ahead, out, up]: Vec): Vec => [ahead - middle, hand * out, up];
    const own = (label: string, at: Vec): Setting => ({ label, side: wheel.side, at: placed(at) });
    return [
      own('hub’s face', wheelFrameOf(wheel.design, wheel.points).face),
      ...pivots(wheel).map((name) =>
        own(pointLabel(wheel.design, name), toVec(wheel.points[name])),
      ),
    ];
  });
}

/** The sheet of the jig that holds an axle straight in the car: places, across, and from corner to corner. */
export function settingSheet(left: Wheel, right: Wheel, wheelbase: number, named: Named): Sheet {
  const all = settingsOf(left, right);
  const [lefts, rights] = (['left', 'right'] as const).map((side) =>
    all.filter((one) => one.side === side),
  );
  const pairs = lefts.flatMap((a) => {
    const b = rights.find(({ label }) => label === a.label);
    return b ? [{ label: a.label, a, b }] : [];
  });
  const crossed = pairs.flatMap((one, i) => {
    const next = pairs[(i + 1) % pairs.length];
    return i + 1 < pairs.length
      ? [
          [
            `${one.label} to ${next.label}`,
            mm(distance(one.a.at, next.b.at), 1),
            mm(distance(one.b.at, next.a.at), 1),
          ],
        ]
      : [];
  });
  // The other axle's middle: ahead of a rear axle, behind a front one.
  const far: Vec = [left.axle === 'front' ? -wheelbase : wheelbase, 0, 0];
  const flat = ([x, y]: Vec): Vec => [x, y, 0];
  return {
    ...named,
    drawing: null,
    tables: [
      {
        title: 'Where its pins and posts stand, mm',
        head: ['point', 'side', 'ahead of the axle’s line', 'from the middle', 'over the road'],
        widths: [0.32, 0.1, 0.22, 0.18, 0.18],
        rows: all.map(({ label, side, at: [ahead, across, up] }) => [
          label,
          side,
          mm(ahead, 1),
          mm(Math.abs(across), 1),
          mm(up, 1),
        ]),
      },
      {
        title: 'Across the car, left to right, mm',
        head: ['point', 'apart'],
        widths: [0.7, 0.3],
        rows: pairs.map(({ label, a, b }) => [label, mm(distance(a.at, b.at), 1)]),
      },
      {
        title: 'Corner to corner, mm',
        head: ['from, to', 'left to right', 'right to left'],
        widths: [0.56, 0.22, 0.22],
        rows: crossed,
      },
      {
        title:
          'Straight in the car: on the floor, from under a point to the other axle’s middle, mm',
        head: ['point', 'left', 'right'],
        widths: [0.56, 0.22, 0.22],
        rows: pairs.map(({ label, a, b }) => [
          label,
          mm(distance(flat(a.at), far), 1),
          mm(distance(flat(b.at), far), 1),
        ]),
      },
    ],
    notes: [
      'A bar across the car on the frame’s own datum: pins for the inner pivots of both sides, a post with a face for each hub, the car at ride height. It stays bolted in while brackets are welded.',
      'Mark the car’s middle at both axles first, by plumb line from the frame, and trust these two marks alone.',
      'Where left and right of a line differ the layout has them so; where they are alike here and not on the car, the bar stands askew.',
    ],
    code: codeOf(all.map(({ label, side, at }) => [label, side, at])),
  };
}
