import { ratioOf } from '@/core/steering/lockToLock';
import type { LockToLock } from '@/core/steering/lockToLock';

/** What can be drawn over the rack's travel. */
export const CURVES = {
  steer: { label: 'steer', unit: '°', meaning: 'degrees, + left', of: (c) => both(c, 'steer') },
  error: {
    label: 'Ackermann error',
    unit: '°',
    meaning: 'degrees of the inner wheel, 0 is true',
    of: ({ error }) => [error],
  },
  percent: {
    label: 'Ackermann',
    unit: ' %',
    meaning: '100 % is true, 0 parallel',
    of: ({ percent }) => [percent],
  },
  ratio: { label: 'ratio', unit: '', meaning: 'to 1', of: () => [] },
  tieAngle: {
    label: 'rod to arm',
    unit: '°',
    meaning: 'degrees, 90 is square',
    of: (c) => both(c, 'tieAngle'),
  },
  camber: {
    label: 'camber',
    unit: '°',
    meaning: 'degrees, + top out',
    of: (c) => both(c, 'camber'),
  },
  caster: {
    label: 'caster',
    unit: '°',
    meaning: 'degrees, + top rearward',
    of: (c) => both(c, 'caster'),
  },
  contactUp: {
    label: 'contact height',
    unit: '',
    meaning: 'up in the chassis: what is lost lifts the car',
    of: (c) => both(c, 'contactUp'),
  },
} satisfies Record<string, Curve>;

interface Curve {
  label: string;
  unit: string;
  meaning: string;
  /** One line of both wheels together, or the left wheel's and the right's. */
  of: (curve: LockToLock) => Float64Array[];
}
export type CurveName = keyof typeof CURVES;

const both = (curve: LockToLock, of: 'steer' | 'tieAngle' | 'camber' | 'caster' | 'contactUp') => [
  curve.left[of],
  curve.right[of],
];

/** Degrees of the handwheel for one of the wheels' mean; NaN where the rack's mm a turn are not known. */
export const ratiosOf = ({ perRack }: LockToLock, perTurn: number | undefined): Float64Array =>
  perRack.map((slope) => ratioOf(slope, perTurn));
