import type { Column, Fit } from '../model/column';
import { jointName } from './places';

/** Diameters of one spline that differ by more than this are two splines, mm (common practice). */
const SAME_DIAMETER = 0.2;

export const fitInWords = ({ by, diameter, teeth }: Fit): string =>
  [by, teeth === undefined ? '' : `${teeth} teeth`, `${diameter.toFixed(1)} mm`]
    .filter(Boolean)
    .join(', ');

/** Why one end does not go into another, in a builder's words; null where nothing speaks against it. */
export function whyApart(one: Fit, other: Fit): string | null {
  if (one.by === 'weld' || other.by === 'weld') return null;
  if (one.by !== other.by) return `${fitInWords(one)} against ${fitInWords(other)}`;
  const near = Math.abs(one.diameter - other.diameter) <= SAME_DIAMETER;
  const [a, b] = [one.diameter.toFixed(1), other.diameter.toFixed(1)];
  if (one.by !== 'spline') return near ? null : `${one.by}, ${a} mm against ${b} mm`;
  if (one.teeth === undefined || other.teeth === undefined)
    return near ? null : `splines of ${a} mm and ${b} mm`;
  if (one.teeth !== other.teeth)
    return `${one.teeth} teeth, ${a} mm against ${other.teeth} teeth, ${b} mm: not the same spline`;
  return near ? null : `${one.teeth} teeth, ${a} mm against ${b} mm: not the same spline`;
}

/** Two ends of a column that meet and do not go together. */
export interface Misfit {
  where: string;
  why: string;
}

/** Every place of a column where what is said of both ends speaks against each other. */
export function misfitsOf(column: Column): Misfit[] {
  const { wheel, joints, shafts, pinion } = column;
  const meets: [string, Fit | undefined, Fit | undefined][] = [
    ['handwheel and shaft 1', wheel.fit, shafts[0]?.above],
    ...joints.flatMap((joint, j): [string, Fit | undefined, Fit | undefined][] => {
      const last = j === joints.length - 1;
      return [
        [`shaft ${j + 1} and ${jointName(joints, j)}`, shafts[j]?.below, joint.above],
        [
          `${jointName(joints, j)} and ${last ? 'pinion' : `shaft ${j + 2}`}`,
          joint.below,
          last ? pinion.fit : shafts[j + 1]?.above,
        ],
      ];
    }),
  ];
  return meets.flatMap(([where, one, other]) => {
    const why = one && other ? whyApart(one, other) : null;
    return why === null ? [] : [{ where, why }];
  });
}
