import { rodEnds, uprightPoints } from '../corners/kinds';
import type { CornerType } from '../corners/cornerType';
import type { Trouble } from '../instruments/standIn';
import type { Device } from '../instruments/protocol';
import type { ScenarioId } from '../model/checks';
import type { Coordinate, PointName } from '../model/points';

/** A move of one joint that nobody knows of, mm for one step of it. */
export interface HiddenMove {
  point: PointName;
  coordinate: Coordinate;
  by: number;
}

/** What a scenario hides in a kind of corner, besides every number being off within its ±. */
export interface Hides {
  /** Grown step by step until the wheel steers more than is accepted. */
  moves: HiddenMove[];
  /** A rod end that is loose: the wheel rocks by so much toe each way, degrees. */
  play?: { point: PointName; toe: number };
  /** What a fitted spacer does of what it should, and where the bent one sits. */
  bent?: { point: PointName; gain: number };
  troubles?: Partial<Record<Device, Trouble>>;
}

export interface Scenario {
  /** 1 the easiest. */
  grade: number;
  /** What the builder knows at the start. */
  told: string;
  /** What it was, once it is over: also what may be guessed. */
  name: string;
  /** Null for a kind that has no such part. */
  hides: (type: CornerType) => Hides | null;
}

/** A washer, mm; a spacer that is bent does so much (invented). */
const WASHER = 2.5;
const BENT_DOES = 0.6;
/** A rod end that wants replacing: a quarter of a millimetre each way on an arm of 120 mm (invented). */
const LOOSE = 0.12;

const rodOf = (type: CornerType) => (type.tieRod ? rodEnds(type) : null);

/** A joint of the upright that is not the rod's: what the wheel steers about where it is one. */
function ballJointOf(type: CornerType): PointName | null {
  const { steersAbout } = type;
  if (Array.isArray(steersAbout) && type.points[steersAbout[0]]?.on === 'upright')
    return steersAbout[0] as PointName;
  const rod = rodOf(type);
  return (uprightPoints(type).find((point) => point !== rod?.outer) as PointName) ?? null;
}

const washerOut = (type: CornerType): HiddenMove[] | null => {
  const rod = rodOf(type);
  return rod && [{ point: rod.outer, coordinate: 'up', by: -WASHER }];
};
const axisOff = (type: CornerType): HiddenMove[] | null => {
  const point = ballJointOf(type);
  return point === null
    ? null
    : [
        { point, coordinate: 'out', by: -4 },
        { point, coordinate: 'up', by: 3 },
      ];
};

/** What each car of the trainer hides. */
export const SCENARIO_TABLE: Readonly<Record<ScenarioId, Scenario>> = {
  washer: {
    grade: 1,
    told: 'Built to the drawing last week by two people. It darts over bumps.',
    name: 'a washer is missing under the rod’s outer joint',
    hides: (type) => {
      const moves = washerOut(type);
      return moves && { moves };
    },
  },
  rack: {
    grade: 2,
    told: 'The rack’s brackets were welded on late, one after the other.',
    name: 'the rod’s inner end stands lower than drawn',
    hides: (type) => {
      const rod = rodOf(type);
      return rod && { moves: [{ point: rod.inner, coordinate: 'up', by: -4 }] };
    },
  },
  loose: {
    grade: 3,
    told: 'Readings that were taken twice did not come out alike.',
    name: 'a rod end is loose',
    hides: (type) => {
      const rod = rodOf(type);
      return rod && { moves: [], play: { point: rod.outer, toe: LOOSE } };
    },
  },
  axis: {
    grade: 4,
    told: 'The uprights were measured on the bench from a worn casting.',
    name: 'a ball joint is not where it was measured',
    hides: (type) => {
      const moves = axisOff(type);
      return moves && { moves };
    },
  },
  spacer: {
    grade: 5,
    told: 'Somebody has shimmed it before, and it never came out as he said it would.',
    name: 'a spacer is bent: what is fitted does less than it should',
    hides: (type) => {
      const rod = rodOf(type);
      return (
        rod && {
          moves: [{ point: rod.outer, coordinate: 'up', by: -4 }],
          bent: { point: rod.outer, gain: BENT_DOES },
        }
      );
    },
  },
  two: {
    grade: 6,
    told: 'Bought half built. The pointer has been dropped at least once.',
    name: 'two things at once, and an instrument that walks',
    hides: (type) => {
      const [washer, axis] = [washerOut(type), axisOff(type)];
      return washer && axis && { moves: [...washer, ...axis], troubles: { pointer: 'drift' } };
    },
  },
  chance: {
    grade: 0,
    told: 'Built within its ±, as far as anybody knows.',
    name: 'nothing but its ±',
    hides: () => ({ moves: [] }),
  },
};

/** Scenarios that a kind of corner can have, by their grade; chance is the last. */
export const scenariosFor = (type: CornerType): ScenarioId[] =>
  (Object.keys(SCENARIO_TABLE) as ScenarioId[]).filter(
    (id) => SCENARIO_TABLE[id].hides(type) !== null,
  );
