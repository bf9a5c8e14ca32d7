import type { Body } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import { bodyPoser, goes, turner } from './bodies';
import type { BodiesAt, BodyPose, FirstBody } from './bodies';
import type { DrawnCorner } from './corner';
import { Swing } from './swing';
import type { SwingPose } from './swing';

/** What swings on a corner's chassis and is held by a rod to what goes with the wheel. */
export interface Hung {
  swing: Swing;
  /** What of the corner its rod comes from, and the rod's end there, as drawn. */
  end: Vec;
  body: FirstBody | 'rocker';
  through: Vec;
}

/** A damper's rocker and the bar's arm of a corner, as far as it has them. */
function hungOf({ type, points }: DrawnCorner): { rocker: Hung | null; bar: Hung | null } {
  const at = (name: string): Vec => toVec(points[name]);
  const has = (name: string) => name in type.points;
  const hung = (through: Vec, axis: Vec, joint: string, end: string): Hung => ({
    swing: new Swing(through, axis, at(joint), at(end)),
    end: at(end),
    body: type.points[end].on as Hung['body'],
    through,
  });
  const axisOf = (from: string, to: string): Vec => {
    const [a, b] = [at(from), at(to)];
    return [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  };
  return {
    rocker: has('rockerPivot')
      ? hung(
          at('rockerPivot'),
          axisOf('rockerPivot', 'rockerAxis'),
          'rockerRodInner',
          'rockerRodOuter',
        )
      : null,
    // A bar lies straight across the car from arm to arm.
    bar: has('barPivot') ? hung(at('barPivot'), [0, 1, 0], 'barLinkInner', 'barLinkOuter') : null,
  };
}

/** How a rocker or a bar's arm stands in a pose; null where its rod does not reach. */
export interface HungPose extends BodyPose {
  swung: SwingPose;
}

/** Poses what is hung on a corner. */
export function poseHung({ swing, end, through }: Hung, carrier: BodyPose): HungPose | null {
  const now = carrier.place(end);
  const swung = swing.at(now, goes(carrier, now));
  if (!swung) return null;
  const { axis } = swing;
  const turn: Vec = [axis[0] * swung.rate, axis[1] * swung.rate, axis[2] * swung.rate];
  const [a, b, c] = through;
  return {
    swung,
    place: turner(through, axis, Math.cos(swung.angle), Math.sin(swung.angle)),
    turn,
    move: [b * turn[2] - c * turn[1], c * turn[0] - a * turn[2], a * turn[1] - b * turn[0]],
  };
}

/** Every body of a corner with a damper in one pose; rocker and bar are null where there is none or no rod reaches. */
export interface AllBodies {
  at: BodiesAt;
  rocker: HungPose | null;
  bar: HungPose | null;
}

/** A body by name in a pose; one that no rod reaches counts as where it is drawn. */
export function bodyIn({ at, rocker, bar }: AllBodies, body: Body): BodyPose {
  if (body === 'rocker') return rocker ?? at('chassis');
  return body === 'bar' ? (bar ?? at('chassis')) : at(body);
}

export function allBodiesPoser(corner: DrawnCorner): (upright: Float64Array) => AllBodies {
  const bodies = bodyPoser(corner);
  const { rocker, bar } = hungOf(corner);
  return (upright) => {
    const at = bodies(upright);
    const carrier = (one: Hung, rockerAt: HungPose | null): BodyPose | null =>
      one.body === 'rocker' ? rockerAt : at(one.body);
    const rockerAt = rocker && poseHung(rocker, at(rocker.body as FirstBody));
    const on = bar && carrier(bar, rockerAt);
    return { at, rocker: rockerAt, bar: bar && on ? poseHung(bar, on) : null };
  };
}

/** Writes where points on arms, rocker and bar are in a solved pose; null where a corner has none. What no rod reaches stays as drawn. */
export function hungPlacer(
  corner: DrawnCorner,
): ((upright: Float64Array, joints: Record<string, Vec>) => void) | null {
  const { type, points } = corner;
  const names = pointNames(type).filter(
    (name) => !['chassis', 'upright', 'beam'].includes(type.points[name].on),
  );
  if (names.length === 0) return null;
  const poser = allBodiesPoser(corner);
  return (upright, joints) => {
    const bodies = poser(upright);
    for (const name of names)
      joints[name] = bodyIn(bodies, type.points[name].on).place(toVec(points[name]));
  };
}
