import { toRad } from '../geometry/angle';
import { add, cross, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Column } from '../model/column';
import { placeVec } from '../model/place';
import { jointName, placesOf, shaftLinesOf } from './places';

/** A plate's own directions: away from the driver, to the left along it, up along it. */
export function plateFrame({ lean, turn }: NonNullable<Column['firewall']>) {
  const [cl, sl] = [Math.cos(toRad(lean)), Math.sin(toRad(lean))];
  const [ct, st] = [Math.cos(toRad(turn)), Math.sin(toRad(turn))];
  const left: Vec = [st, ct, 0];
  // Its top leans back, toward the driver.
  const up: Vec = [-sl * ct, sl * st, cl];
  return { normal: cross(left, up), left, up };
}

/** Where a column goes through its firewall. */
export interface Through {
  shaft: number;
  at: Vec;
  /** From the plate's place, along it, mm. */
  left: number;
  up: number;
  /** Between the shaft and square to the plate, degrees. */
  angle: number;
  /** The least hole for the shaft with `HOLE_ROOM` round it: across and along its lean, mm. */
  hole: { least: number; long: number };
  /** Room between shaft and hole as drilled, mm; null where none is drilled. */
  room: number | null;
  /** Joints on either side, and how far their nearest end is from the plate's face, mm; below 0 they stand in it. */
  joints: { name: string; ahead: boolean; gap: number; passes: boolean }[];
  /** Whether the hole is where it may be; null where nothing is said. */
  allowed: boolean | null;
  /** Bolts of the plate, from its middle, the hole's: left and up, mm. */
  bolts: [left: number, up: number][];
}

/** Round a shaft in its hole, mm: common practice, for a grommet or a bearing's own flange. */
export const HOLE_ROOM = 5;

/** @returns null where there is no firewall, or no shaft goes through it */
export function throughFirewall(column: Column): Through | null {
  const { firewall, joints, shafts } = column;
  if (!firewall) return null;
  const places = placesOf(column);
  const lines = shaftLinesOf(places);
  const { normal, left, up } = plateFrame(firewall);
  const origin = placeVec(firewall.at);
  const beyond = (p: Vec) => dot(sub(p, origin), normal);
  const shaft = lines.findIndex(({ from, to }) => beyond(from) <= 0 && beyond(to) > 0);
  if (shaft < 0) return null;
  const { from, to, way } = lines[shaft];
  const part = beyond(from) / (beyond(from) - beyond(to));
  const at = add(from, scale(sub(to, from), part));
  const off = sub(at, origin);
  const [dx, dy] = [dot(off, left), dot(off, up)];
  const cosine = Math.abs(dot(way, normal));
  const thick = shafts[shaft]?.outside ?? shafts[shafts.length - 1].outside;
  const sine = Math.sqrt(Math.max(0, 1 - cosine * cosine));
  // A round shaft through a plate of some thickness: the slot it sweeps through both faces.
  const least = thick + 2 * HOLE_ROOM;
  const long = thick / cosine + (firewall.thickness * sine) / cosine + 2 * HOLE_ROOM;
  const { room, hole, plate } = firewall;
  return {
    shaft,
    at,
    left: dx,
    up: dy,
    angle: (Math.acos(Math.min(1, cosine)) * 180) / Math.PI,
    hole: { least, long },
    room: hole === undefined ? null : (hole - (long - 2 * HOLE_ROOM)) / 2,
    joints: joints.map((joint, j) => {
      const own = [beyond(places.upper[j]), beyond(places.lower[j])];
      const ends = [
        ...own,
        beyond(add(places.upper[j], scale(lines[j].way, -joint.length))),
        beyond(add(places.lower[j], scale(lines[j + 1].way, joint.length))),
      ];
      const ahead = own[0] > 0;
      const gap = (ahead ? Math.min(...ends) : -Math.max(...ends)) - firewall.thickness / 2;
      return {
        name: jointName(joints, j),
        ahead,
        gap,
        passes: hole !== undefined && hole > joint.outside,
      };
    }),
    allowed: room
      ? dx <= room.left && dx >= -room.right && dy <= room.up && dy >= -room.down
      : null,
    bolts: plate
      ? ([
          [1, 1],
          [-1, 1],
          [-1, -1],
          [1, -1],
        ].map(([a, b]) => [
          a * (plate.width / 2 - plate.inset),
          b * (plate.height / 2 - plate.inset),
        ]) as [number, number][])
      : [],
  };
}
