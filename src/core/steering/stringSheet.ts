import { armJointOf, kingpinOf } from '../corners/kinds';
import { axisAtHeight } from '../kinematics/joints';
import type { Wheel } from '../kinematics/wheel';
import type { Side } from '../model/build';
import { staticAxis } from '../upright/staticQuantities';
import { armSide } from './armSide';

/** One side of the car as a builder lays it out with string and square, at ride height, straight ahead; mm. */
export interface StringSheet {
  side: Side;
  /** Height of everything on the sheet: the outer joint's. */
  up: number;
  /** The string's ends: the kingpin at that height, and the middle of the rear axle. */
  kingpin: { ahead: number; out: number };
  rear: { ahead: number; out: number };
  /** Length of the string between them. */
  string: number;
  /** From the kingpin along the string to the square that the hole is on, + towards the rear axle. */
  along: number;
  /** From the string to the hole's centre, square to it, + outboard. */
  off: number;
  /** From the kingpin to the hole's centre, level. */
  arm: number;
  /** The hole's centre under the wheel's centre, and over the lower ball joint; null of a kind without one. */
  underHub: number;
  overLower: number | null;
}

/** @returns null where the wheel has no rod or nothing that it steers about */
export function stringSheet(wheel: Wheel, wheelbase: number): StringSheet | null {
  const { design, side, points } = wheel;
  const place = armSide(wheel, wheelbase);
  const axis = staticAxis(design, side);
  const name = armJointOf(wheel.type);
  if (name === null) return null;
  const joint = points[name];
  const foot = axis && axisAtHeight(axis, joint.up);
  if (!place || !foot) return null;
  const [ahead, out] = foot;
  const lower = kingpinOf(wheel.type)?.[0];
  const string = Math.hypot(wheelbase + ahead, out);
  const along = (-(wheelbase + ahead) * place.ahead - out * place.out) / string;
  return {
    side,
    up: joint.up,
    kingpin: { ahead, out },
    rear: { ahead: -wheelbase, out: 0 },
    string,
    along,
    off: place.offString,
    arm: Math.hypot(place.ahead, place.out),
    underHub: points.wheelCentre.up - joint.up,
    overLower: lower ? joint.up - points[lower].up : null,
  };
}
