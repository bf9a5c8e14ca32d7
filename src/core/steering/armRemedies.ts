import { armJointOf, rodEnds } from '../corners/kinds';
import { toRing } from '../clearance/ring';
import { tyreOf } from '../clearance/room';
import { steerRangeOf } from '../kinematics/axle';
import { axisAtHeight } from '../kinematics/joints';
import { spindleOf } from '../kinematics/spindle';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { toVec } from '../model/points';
import type { Point } from '../model/points';
import { startingRoom } from '../model/room';
import { bumpSteer } from '../motion/bumpSteer';
import { JOINT_BODY } from '../upright/rim';
import { staticAxis } from '../upright/staticQuantities';
import { ackermannAt } from './ackermann';
import { armSide, ontoString } from './armSide';
import type { ArmSide } from './armSide';

/** A way to bring the outer joint to its side of the kingpin, carried out and measured. */
export interface ArmRemedy {
  kind: 'swapped' | 'swapped round' | 'onto the string' | 'shorter';
  wheel: Wheel;
  /** Ackermann at half rack, %; null where that cannot be told. */
  percent: number | null;
  /** Largest toe change over the travel, degrees; null where part of it is out of reach. */
  steer: number | null;
  /** From the joint's body to tyre and rim, mm, and whether that is as much as is wanted. */
  room: number;
  fits: boolean;
  /** Where the arms fit only turned over, their taper then points the wrong way. */
  taper: boolean;
  /** The rack goes to the other side of the kingpins too. */
  rackToo: boolean;
}

type Car = Pick<Build, 'wheelbase' | 'room'>;

/** Of what a builder can do to an arm, what each would give; bump steer is to be nulled again after every one. */
export function armRemedies(build: Car, wheel: Wheel): ArmRemedy[] {
  const place = armSide(wheel, build.wheelbase);
  const axis = staticAxis(wheel.design, wheel.side);
  const name = armJointOf(wheel.type);
  if (name === null) return [];
  const joint = wheel.points[name];
  const foot = axis && axisAtHeight(axis, joint.up);
  if (!place || !foot) return [];
  const mirrored = (at: number, about: number) => Math.round(100 * (2 * about - at)) / 100;
  const made = (kind: ArmRemedy['kind'], to: Wheel, is: Partial<ArmRemedy> = {}): ArmRemedy => ({
    ...{ kind, wheel: to, taper: false, rackToo: false },
    ...measured(build, to),
    ...is,
  });
  const acrossed = wheel.withPoints({
    [name]: { ...joint, out: mirrored(joint.out, foot[1]) },
  });
  const round = () => {
    const { inner } = rodEnds(wheel.type);
    const from = wheel.points[inner];
    return wheel.withPoints({
      [name]: { ...joint, ahead: mirrored(joint.ahead, foot[0]) },
      [inner]: { ...from, ahead: mirrored(from.ahead, foot[0]) },
    });
  };
  const string = ontoString(wheel, place);
  const onString = made('onto the string', string);
  const remedies = [
    made('swapped', acrossed, { taper: true }),
    // A drop arm stays on its column.
    ...(wheel.steersBy === 'rack' ? [made('swapped round', round(), { rackToo: true })] : []),
    onString,
  ];
  if (!onString.fits) {
    const shorter = shorterOnString(build, string, place);
    if (shorter) remedies.push(made('shorter', shorter));
  }
  return remedies;
}

/** The longest arm along the string, of those shorter by whole millimetres, that leaves the room wanted; null where none does. */
function shorterOnString(build: Car, string: Wheel, place: ArmSide): Wheel | null {
  const name = armJointOf(string.type)!;
  const joint = string.points[name];
  const [ahead, out] = [place.ahead, place.out - place.acrossString];
  const length = Math.hypot(ahead, out);
  for (let by = 1; by < length - LEAST_ARM; by++) {
    const part = by / length;
    const to: Point = { ...joint, ahead: joint.ahead - part * ahead, out: joint.out - part * out };
    const shorter = string.withPoints({ [name]: to });
    if (roomOf(shorter) >= wantedRoom(build)) return shorter;
  }
  return null;
}

/** A shorter arm than this is none, mm (common practice). */
const LEAST_ARM = 60;

const wantedRoom = ({ room }: Car): number => (room ?? startingRoom()).wanted.moving;

/** From the outer joint's body to tyre and rim as drawn, mm. */
function roomOf({ design, points, type }: Wheel): number {
  const ring = tyreOf(design, toVec(points.wheelCentre), spindleOf(design.static));
  return toRing(toVec(points[armJointOf(type)!]), ring) - JOINT_BODY;
}

function measured(
  build: Car,
  wheel: Wheel,
): Pick<ArmRemedy, 'percent' | 'steer' | 'room' | 'fits'> {
  const { solved, corner, travel, design } = wheel;
  const half = steerRangeOf(design) / 2;
  const room = roomOf(wheel);
  return {
    percent: solved.ok ? (ackermannAt(solved.axle, build.wheelbase, half)?.percent ?? null) : null,
    steer: (corner && bumpSteer(corner, travel)?.worst) ?? null,
    room,
    fits: room >= wantedRoom(build),
  };
}
