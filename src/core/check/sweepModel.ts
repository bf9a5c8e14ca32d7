import { secantRoot } from '../geometry/secant';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { CheckSetup } from '../model/checks';
import type { At, UprightMove } from '../tolerance/uprightMoves';
import { casterBySweep } from './methods';
import type { Seen, Turned } from './methods';
import { STEP, along, camberAt, placeOf, toeAt } from './places';
import type { Place } from './places';

/** How a reading answers to the moves of its side's upright in every position that is looked at. */
export type Stepper = (answers: readonly UprightMove[], spun: number) => number;

/** Every position that readings of a side look at, ride height first. */
export function positionsOf(all: readonly { travel: number; seen: Seen }[]): At[] {
  const positions: At[] = [{ travel: 0, input: 0 }];
  const add = (travel: number, input: number) => {
    if (indexOf(positions, travel, input) < 0) positions.push({ travel, input });
  };
  for (const { travel, seen } of all) {
    add(travel, 0);
    if (!seen.turned) continue;
    add(travel, seen.turned.inputs.out);
    add(travel, seen.turned.inputs.in);
  }
  return positions;
}

export const indexOf = (positions: readonly At[], travel: number, input: number): number =>
  positions.findIndex((at) => at.travel === travel && at.input === input);

/** The sweep's: the wheel stays turned by the angle, so the steering goes along. */
export function sweepStepper(
  { sweep }: CheckSetup,
  { corner }: AxleCorner,
  travel: number,
  { own, turned }: Seen,
  positions: readonly At[],
): Stepper {
  const straight = indexOf(positions, travel, 0);
  const ways = (['out', 'in'] as const).map((way) => {
    const u = new Float64Array(UPRIGHT_SIZE);
    const input = turned!.inputs[way];
    corner.pose(travel, input, u);
    const triple = (at: number): Vec => [u[at], u[at + 1], u[at + 2]];
    const steers = { move: triple(U.movePerRack), turn: triple(U.turnPerRack) };
    return { place: turned![way], at: indexOf(positions, travel, input), steers };
  });
  const change = (of: (place: Place) => number, place: Place, move: UprightMove): number =>
    (of(along(place, move, STEP)) - of(along(place, move, -STEP))) / (2 * STEP);
  return (answers) => {
    const ahead = change(toeAt, own, answers[straight]);
    const [out, inward] = ways.map(({ place, at, steers }) => {
      const by = (ahead - change(toeAt, place, answers[at])) / change(toeAt, place, steers);
      return change(camberAt, place, answers[at]) + by * change(camberAt, place, steers);
    });
    return casterBySweep(out, inward, sweep);
  };
}

/** A wheel with its front turned out and in by so much from where it points with the steering in the middle. */
export function turnedBy(
  { corner }: AxleCorner,
  travel: number,
  sweep: number,
  range: number,
): Turned | null {
  const u = new Float64Array(UPRIGHT_SIZE);
  const toe = (input: number): number => (corner.pose(travel, input, u) ? toeAt(placeOf(u)) : NaN);
  const ahead = toe(0);
  if (Number.isNaN(ahead) || range === 0) return null;
  const turned = (by: number): { place: Place; input: number } | null => {
    const way = toe(range / 10) > ahead ? 1 : -1;
    const start = (Math.sign(by) * way * range) / 3;
    const input = secantRoot(
      (at) => 1e4 * (toe(at) - ahead - by),
      start,
      start / 10,
      -2 * range,
      2 * range,
    );
    return input !== null && corner.pose(travel, input, u) ? { place: placeOf(u), input } : null;
  };
  const [out, inward] = [turned(-sweep), turned(sweep)];
  return (
    out &&
    inward && {
      out: out.place,
      in: inward.place,
      inputs: { out: out.input, in: inward.input },
    }
  );
}
