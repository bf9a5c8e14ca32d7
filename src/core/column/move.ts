import { DEG, toRad } from '../geometry/angle';
import { add, cross, distance, dot, rotate, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { isBox } from '../model/column';
import type { Column } from '../model/column';
import type { PlaceFreedoms } from '../model/place';
import { placeVec } from '../model/place';
import { alongShaft, jointName, placesOf, shaftLinesOf, tidyPlace } from './places';

/** A place of a column that can be taken hold of. */
export interface ColumnPoint {
  id: string;
  label: string;
  at: Vec;
  freedoms: PlaceFreedoms | undefined;
}

/** Every place of a column, from the handwheel down. */
export function columnPoints(column: Column): ColumnPoint[] {
  const { wheel, joints, supports, firewall } = column;
  const places = placesOf(column);
  const lines = shaftLinesOf(places);
  return [
    { id: 'wheel', label: 'handwheel', at: places.wheel, freedoms: wheel.freedoms },
    ...joints.flatMap((joint, j): ColumnPoint[] => {
      const name = jointName(joints, j);
      const own = { id: `joint ${j}`, label: name, at: places.upper[j], freedoms: joint.freedoms };
      return isBox(joint) && joint.out
        ? [
            { ...own, label: `${name}, in` },
            { id: `out ${j}`, label: `${name}, out`, at: places.lower[j], freedoms: undefined },
          ]
        : [own];
    }),
    ...supports.map(({ id, name, shaft, along, freedoms }) => ({
      id: `support ${id}`,
      label: name,
      at: alongShaft(lines[shaft - 1], along),
      freedoms,
    })),
    { id: 'tip', label: 'pinion’s tip', at: places.tip, freedoms: undefined },
    { id: 'foot', label: 'pinion at the rack', at: places.foot, freedoms: undefined },
    ...(firewall
      ? [{ id: 'firewall', label: 'firewall', at: placeVec(firewall.at), freedoms: undefined }]
      : []),
  ];
}

/** Shafts shorter than this are not dragged shorter, mm. */
const LEAST = 2;

/**
 * A column with one of its places put elsewhere, as its parts let it: the last joint slides along the pinion's line, a
 * support leans its shaft about the shaft's other one, the tip turns with the rack about its axis where that is free, the
 * pinion's foot takes its tip along.
 * @param rackWay the rack's axis, of length 1
 * @returns the column itself where there is no such place, or it cannot go there
 */
export function movePoint(column: Column, id: string, to: Vec, rackWay: Vec = ACROSS): Column {
  const { joints, pinion, wheel, firewall } = column;
  const places = placesOf(column);
  const [what, which] = id.split(' ');
  if (id === 'wheel') return { ...column, wheel: { ...wheel, centre: tidyPlace(to) } };
  if (id === 'firewall')
    return firewall ? { ...column, firewall: { ...firewall, at: tidyPlace(to) } } : column;
  if (id === 'foot') return withPinionMoved(column, sub(to, places.foot));
  if (id === 'tip') {
    if (distance(to, places.foot) < LEAST) return column;
    if (!pinion.turn) return { ...column, pinion: { ...pinion, tip: tidyPlace(to) } };
    const angle = angleAbout(rackWay, sub(places.tip, places.foot), sub(to, places.foot));
    return turnPinion(column, Math.min(pinion.turn.max, Math.max(pinion.turn.min, angle)), rackWay);
  }
  if (what === 'joint' || what === 'out') {
    const j = Number(which);
    const joint = joints[j];
    if (!joint) return column;
    if (what === 'joint' && !isBox(joint) && !joint.at) {
      const { min, max } = pinion.reachFreedom ?? { min: -Infinity, max: Infinity };
      const least = LEAST - distance(places.foot, places.tip);
      const wanted = dot(sub(to, places.tip), places.axis);
      const reach = Math.min(max, Math.max(min, least, Math.round(10 * wanted) / 10));
      return { ...column, pinion: { ...pinion, reach } };
    }
    return withJoint(column, j, what === 'out' ? 'out' : 'at', to);
  }
  return what === 'support' ? leanTo(column, id.slice('support '.length), to) : column;
}

const ACROSS: Vec = [0, 1, 0];

/** A column whose pinion stands elsewhere by so much, foot and tip alike. */
export function withPinionMoved(column: Column, by: Vec): Column {
  const { foot, tip } = placesOf(column);
  const moved = { foot: tidyPlace(add(foot, by)), tip: tidyPlace(add(tip, by)) };
  return { ...column, pinion: { ...column.pinion, ...moved } };
}

const withJoint = (column: Column, j: number, key: 'at' | 'out', to: Vec): Column => ({
  ...column,
  joints: column.joints.map((one, i) =>
    i === j ? ({ ...one, [key]: tidyPlace(to) } as typeof one) : one,
  ),
});

/** From one direction to another, seen along an axis, degrees; what lies along the axis is left out. */
function angleAbout(axis: Vec, from: Vec, to: Vec): number {
  const flat = (v: Vec) => sub(v, scale(axis, dot(v, axis)));
  const [a, b] = [flat(from), flat(to)];
  return Math.atan2(dot(axis, cross(a, b)), dot(a, b)) * DEG;
}

/** A column whose rack is turned about its own axis, degrees, + the pinion ahead over the top; its freedom stays where it was. */
export function turnPinion(column: Column, degrees: number, rackWay: Vec = ACROSS): Column {
  const { pinion } = column;
  const { foot, tip } = placesOf(column);
  const turned = add(foot, rotate(sub(tip, foot), scale(rackWay, toRad(degrees))));
  return {
    ...column,
    pinion: {
      ...pinion,
      tip: tidyPlace(turned),
      ...(pinion.turn && {
        turn: { min: pinion.turn.min - degrees, max: pinion.turn.max - degrees },
      }),
    },
  };
}

/** Leans a shaft so that a support on it comes to a place, about the shaft's other support, or one of its ends. */
function leanTo(column: Column, id: string, to: Vec): Column {
  const support = column.supports.find((one) => one.id === id);
  if (!support) return column;
  const places = placesOf(column);
  const lines = shaftLinesOf(places);
  const i = support.shaft - 1;
  const line = lines[i];
  const last = i === column.joints.length - 1;
  const others = column.supports.filter((one) => one.shaft === support.shaft && one.id !== id);
  const farthest = others.sort(
    (a, b) => Math.abs(b.along - support.along) - Math.abs(a.along - support.along),
  )[0];
  // What cannot leave its own line holds: the last joint. Without another bearing the farther end does.
  const fixedEnd = last && !isBox(column.joints[i]);
  const pivot = fixedEnd
    ? line.length
    : (farthest?.along ?? (support.along > line.length / 2 && i > 0 ? 0 : line.length));
  const about = alongShaft(line, pivot);
  const arm = sub(to, about);
  const long = Math.hypot(...arm);
  if (long < LEAST) return column;
  const way = scale(unit(arm), support.along < pivot ? -1 : 1);
  const end = (along: number) => add(about, scale(way, along - pivot));
  let next: Column = {
    ...column,
    supports: column.supports.map((one) =>
      one.id === id
        ? { ...one, along: Math.max(0, tidy(pivot + (support.along < pivot ? -long : long))) }
        : one,
    ),
  };
  if (i === 0) next = { ...next, wheel: { ...next.wheel, centre: tidyPlace(end(0)) } };
  else if (pivot !== 0) {
    const above = column.joints[i - 1];
    next = withJoint(next, i - 1, isBox(above) ? 'out' : 'at', end(0));
  }
  return pivot === line.length ? next : withJoint(next, i, 'at', end(line.length));
}

const tidy = (mm: number): number => Math.round(mm * 100) / 100;
