import { rodEnds } from '../corners/kinds';
import { limitsOf, openedOf, placesOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import { engagedOf } from '../model/shop';
import type { Build } from '../model/build';
import type { Freedom } from '../model/freedoms';
import { pointLabel, rodWord } from '../model/labels';
import type { Coordinate, PointName } from '../model/points';
import { threadOf } from '../model/threads';
import { shopParts } from '../shop/parts';
import type { ShopMember } from '../shop/parts';
import { adjustmentOf } from '../shop/threads';
import { isLengthAlone } from '../tolerance/adjusters';

/** What is turned, shimmed or moved at the finished car. */
export interface Adjuster {
  id: string;
  /** `upper arm, front tube`; `lower ball joint, out`. */
  name: string;
  /** A member that is made longer, or a coordinate of a joint. */
  of:
    | { kind: 'member'; from: PointName; to: PointName }
    | { kind: 'point'; point: PointName; coordinate: Coordinate };
  unit: 'turn' | 'half turn' | 'washer' | 'hole' | 'flip' | 'throw' | 'slot';
  /** mm of one `unit`; of a throw, hole or washer its first. */
  per: number;
  /** Where it may be put from where it is, mm: every `step` between the limits, or places of its own, rising, nought among them. */
  places:
    | { kind: 'steps'; step: number; from: number; to: number }
    | { kind: 'own'; at: readonly number[] };
  /** How much work a move of it is, a unit the turning of one tube that is loose already (common practice). */
  work: number;
  /** What ends it either way, in words. */
  ends: { from: string; to: string };
  /** Its thread was not described: a usual one is taken. */
  assumed: boolean;
  /** It turns the toe: set last, everything else moves it. */
  setsToe: boolean;
  /** It sets bump steer: left alone when camber, caster and toe are set. */
  setsBump: boolean;
}

/** Flats of a hexagon. */
const FLATS = 6;
/** What an eccentric is set to, as a part of its throw either way: marks on its washer (common practice). */
const MARKS = 10;
/** A rod whose thread was not described, mm: a turn of both its threads, and how far it goes. */
const USUAL_ROD = { perTurn: 3, reach: 10 };
const WORK: Readonly<Record<Adjuster['unit'], number>> = {
  turn: 1,
  'half turn': 2,
  throw: 1.5,
  washer: 3,
  slot: 3,
  flip: 4,
  hole: 5,
};

/** Everything that a wheel is set by: threads of its tubes and rods, then what its joints may be moved by. */
export function adjustersOf(build: Pick<Build, 'shop'>, wheel: Wheel): Adjuster[] {
  const members = shopParts(wheel).flatMap(({ members: all }) =>
    all.flatMap((member) => threaded(build, wheel, member) ?? []),
  );
  const points = openedOf(wheel.design).flatMap(({ point, coordinate, freedom }) =>
    wheel.type.points[point]?.ofDamper ? [] : (atJoint(wheel, point, coordinate, freedom) ?? []),
  );
  return [...members, ...points];
}

function threaded(
  { shop }: Pick<Build, 'shop'>,
  wheel: Wheel,
  member: ShopMember,
): Adjuster | null {
  const { from, to, made, assumed, name } = member;
  if (!isLengthAlone(wheel.type, from, to)) return null;
  const setsToe = wheel.type.tieRod?.inner === from && wheel.type.tieRod.outer === to;
  const base = {
    ...{ id: `member ${member.id}`, name: setsToe ? rodWord(wheel.design) : name },
    of: { kind: 'member', from, to } as const,
    ...{ setsToe, setsBump: false },
  };
  if (assumed) {
    // What nobody described is set by nothing; but every car's toe is.
    if (!setsToe) return null;
    const { perTurn, reach } = USUAL_ROD;
    return {
      ...base,
      ...{ unit: 'turn', per: perTurn, work: WORK.turn, assumed: true },
      places: { kind: 'steps', step: perTurn / FLATS, from: -reach, to: reach },
      ends: { from: 'its thread is not described', to: 'its thread is not described' },
    };
  }
  const adjustment = adjustmentOf(wheel, member, shop);
  if (!adjustment) return null;
  const { perTurn, shorter, longer } = adjustment;
  const [first] =
    made.from.as === 'rodEnd' ? [made.from] : made.to.as === 'rodEnd' ? [made.to] : [];
  if (!first) return null;
  const pitch = threadOf(first.thread).pitch;
  const rule = engagedOf(shop)[first.tappedIn];
  return {
    ...base,
    assumed: false,
    ...(perTurn === null
      ? { unit: 'half turn' as const, per: pitch / 2, work: WORK['half turn'] }
      : { unit: 'turn' as const, per: perTurn, work: WORK.turn }),
    places: {
      kind: 'steps',
      step: perTurn === null ? pitch / 2 : perTurn / FLATS,
      from: -Math.max(0, shorter),
      to: Math.max(0, longer),
    },
    ends: {
      from: 'the nut comes home',
      to: `${rule.toFixed(1)} diameters of thread have to stay in`,
    },
  };
}

function atJoint(
  wheel: Wheel,
  point: PointName,
  coordinate: Coordinate,
  freedom: Freedom,
): Adjuster | null {
  const { type, design, points } = wheel;
  const now = points[point][coordinate];
  const rod = type.tieRod && rodEnds(type);
  const ofRod = rod !== null && (rod.inner === point || rod.outer === point);
  const base = {
    ...{ id: `point ${point}.${coordinate}`, name: `${pointLabel(design, point)}, ${coordinate}` },
    of: { kind: 'point', point, coordinate } as const,
    ...{ assumed: false, setsToe: false, setsBump: ofRod && coordinate === 'up' },
    ends: { from: 'its last place', to: 'its last place' },
  };
  const own = placesOf(freedom, now);
  switch (freedom.kind) {
    case 'shims':
    case 'choices':
    case 'flip': {
      const at = [...new Set([...own!.map((place) => place - now), 0])].sort((a, b) => a - b);
      const unit = ({ shims: 'washer', choices: 'hole', flip: 'flip' } as const)[freedom.kind];
      const per = freedom.kind === 'shims' ? freedom.way * Math.min(...freedom.stock) : 1;
      return { ...base, unit, per, work: WORK[unit], places: { kind: 'own', at } };
    }
    case 'eccentric':
    case 'thread':
    case 'range': {
      const [min, max] = limitsOf(freedom, now);
      const [from, to] = [Math.min(0, min - now), Math.max(0, max - now)];
      const [unit, per, step] =
        freedom.kind === 'eccentric'
          ? (['throw', freedom.throw, freedom.throw / MARKS] as const)
          : freedom.kind === 'thread'
            ? (['half turn', freedom.pitch / 2, freedom.pitch / 2] as const)
            : (['slot', freedom.step || 1, freedom.step || 0.5] as const);
      return { ...base, unit, per, work: WORK[unit], places: { kind: 'steps', step, from, to } };
    }
    default:
      // Welded, or the rack's own: not what a finished car is set by.
      return null;
  }
}

/** Places of an adjuster about one that is wanted: the next below and above, within its limits. */
export function around({ places }: Adjuster, wanted: number): number[] {
  if (places.kind === 'own') {
    const above = places.at.findIndex((at) => at >= wanted);
    if (above < 0) return [places.at[places.at.length - 1]];
    return above === 0 ? [places.at[0]] : [places.at[above - 1], places.at[above]];
  }
  const { step, from, to } = places;
  const below = Math.floor(wanted / step + 1e-9) * step;
  const inside = [below, below + step].filter((at) => at >= from - 1e-9 && at <= to + 1e-9);
  if (inside.length > 0) return inside;
  // The last whole step within the limits: none is passed for being nearer.
  return [
    wanted < from ? Math.ceil(from / step - 1e-9) * step : Math.floor(to / step + 1e-9) * step,
  ];
}

/** Least and greatest place, mm from where it is. */
export const reachOf = ({ places }: Adjuster): [number, number] =>
  places.kind === 'own'
    ? [places.at[0], places.at[places.at.length - 1]]
    : [places.from, places.to];
