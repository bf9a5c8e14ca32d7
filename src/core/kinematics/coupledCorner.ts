import { typeOf } from '../corners/kinds';
import type { Vec } from '../geometry/vec';
import type { Side } from '../model/build';
import { toVec } from '../model/points';
import type { Points } from '../model/points';
import { CoupledAxle } from './coupledAxle';
import { mirrored } from './coupledBodies';
import type { CoupledEnd, DrawnCoupled } from './coupledBodies';
import { NO_TRAVEL, UPRIGHT_SIZE } from './corner';
import type { Corner, DrawnCorner, LayoutFault, OutOfReach, Prepared } from './corner';
import { placesTaken } from './placesTaken';

/** An axle whose wheels are coupled, made of what one of its corners knows of it: in the car's axes. */
export function coupledOf({ type, points, static: alignment, coupled }: DrawnCorner): DrawnCoupled {
  const { side, other, to, steering, lead } = coupled!;
  const { spring, crossRod } = typeOf(type).coupled!;
  const of = (which: Side): Points => (which === side ? points : other);
  const at = (which: Side, name: string): Vec => {
    const place = toVec(of(which)[name]);
    return which === 'left' ? place : mirrored(place);
  };
  const end = (which: Side): CoupledEnd => ({
    kingpinLower: at(which, type.steersAbout![0]),
    kingpinUpper: at(which, type.steersAbout![1]),
    wheelCentre: at(which, 'wheelCentre'),
    tieRodOuter: at(which, crossRod),
    ...(spring && { spring: { pad: at(which, spring.pad), eye: at(which, spring.eye) } }),
  });
  const { inner, outer } = typeOf(type).tieRod!;
  return {
    ends: { left: end('left'), right: end('right') },
    dragLink: { inner: at(to, inner), outer: at(to, outer), to },
    steering,
    static: alignment,
    ...(lead !== undefined && { lead }),
  };
}

/** Both corners of an axle whose wheels are coupled, or what makes it unusable as drawn. */
export function prepareCoupled(drawn: Record<Side, DrawnCorner>): Record<Side, Prepared<Corner>> {
  const { to } = drawn.left.coupled!;
  // What mirrors the side with the drag link is told once.
  const mirrored = drawn.right.points === drawn.left.points;
  const own = (side: Side) => (mirrored && side !== to ? [] : faultsOf(drawn[side]));
  const faults = { left: own('left'), right: own('right') };
  const sound = faults.left.length + faults.right.length === 0;
  const axle = sound ? new CoupledAxle(coupledOf(drawn.left)) : null;
  const fault = axle?.fault() ?? null;
  const made = (side: Side): Prepared<Corner> => {
    if (axle && !fault) return { ok: true, corner: new CoupledCorner(axle, side) };
    return {
      ok: false,
      faults: fault && side === to ? [FAULTS[fault](drawn[side])] : faults[side],
    };
  };
  return { left: made('left'), right: made('right') };
}

/** One corner alone of an axle whose wheels are coupled. */
export function prepareCoupledCorner(drawn: DrawnCorner): Prepared<Corner> {
  const faults = faultsOf(drawn);
  if (faults.length > 0) return { ok: false, faults };
  const axle = new CoupledAxle(coupledOf(drawn));
  const fault = axle.fault();
  return fault
    ? { ok: false, faults: [FAULTS[fault](drawn)] }
    : { ok: true, corner: new CoupledCorner(axle, drawn.coupled!.side) };
}

/** Ends of a spring nearer than this along the car locate nothing, mm. */
const LEAST_SPRING = 20;

function faultsOf(drawn: DrawnCorner): LayoutFault[] {
  const { type, points } = drawn;
  const faults = placesTaken(drawn);
  const { spring } = type.coupled!;
  if (spring && Math.abs(points[spring.pad].ahead - points[spring.eye].ahead) < LEAST_SPRING)
    faults.push({
      point: spring.eye,
      message: `the spring's fixed eye is less than ${LEAST_SPRING} mm ahead of its pad or behind it: the leaf has no length to swing on`,
    });
  return faults;
}

const dead = (what: string, about: string) =>
  `the ${what} is at dead centre: it points straight at ${about} and cannot hold the wheel`;
const FAULTS: Record<
  NonNullable<ReturnType<CoupledAxle['fault']>>,
  (drawn: DrawnCorner) => LayoutFault
> = {
  'drag link': ({ type }) => ({
    point: typeOf(type).tieRod!.inner,
    message: dead('drag link', 'the kingpin'),
  }),
  'tie rod': ({ type }) => ({
    point: type.coupled!.crossRod,
    message: dead('rod from arm to arm', 'a kingpin'),
  }),
  springs: ({ type }) => ({
    point: type.coupled!.spring?.eye ?? type.coupled!.crossRod,
    message: 'as drawn nothing holds the axle one way: its springs and rods do the same work',
  }),
};

/** One wheel of a coupled axle; both sides of an axle share the one that is solved. */
export class CoupledCorner implements Corner {
  constructor(
    readonly axle: CoupledAxle,
    private readonly side: Side,
  ) {}

  pose(
    travel: number,
    rack: number,
    upright: Float64Array,
    other = travel,
    goes: 1 | -1 = 1,
  ): boolean {
    const { axle, side } = this;
    if (!axle.goTo(inputOf(side, travel, other, rack))) return false;
    axle.write(side, goes === 1, upright);
    return true;
  }

  why(travel: number, rack: number, other = travel): OutOfReach | null {
    const { axle, side } = this;
    if (axle.isHeld && (travel !== 0 || other !== 0)) return NO_TRAVEL;
    const room = new Float64Array(UPRIGHT_SIZE);
    if (this.pose(travel, rack, room, other)) return null;
    // On the straight way from ride height: as far as it goes, by halving.
    let [low, high] = [0, 1];
    while (high - low > 1e-6) {
      const part = (low + high) / 2;
      if (this.pose(part * travel, part * rack, room, part * other)) low = part;
      else high = part;
    }
    axle.goTo(inputOf(side, low * travel, low * other, low * rack));
    return {
      part: axle.mostLoaded(),
      fault: 'at its end',
      lastTravel: low * travel,
      lastRack: low * rack,
    };
  }
}

const inputOf = (side: Side, own: number, other: number, rack: number) =>
  side === 'left'
    ? { left: own, right: other, steer: rack, windUp: 0 }
    : { left: other, right: own, steer: -rack, windUp: 0 };
