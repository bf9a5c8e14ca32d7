import { roll } from '@/core/kinematics/axle';
import type { AxleName, Build, Side } from '@/core/model/build';
import { antiPercentOf } from '@/core/motion/anti';
import { isOfAxis } from '@/core/motion/quantities';
import type { Quantity } from '@/core/motion/quantities';
import { NAMES } from '@/core/motion/names';
import { rollCentreOf } from '@/core/motion/rollCentre';
import { slopeAt, valueAt } from '@/core/motion/sweep';
import type { Banded } from '@/core/tolerance/bands';
import type { CornerView } from '../build/useCorner';
import type { Wheel } from '@/core/kinematics/wheel';

/** What a trace is drawn against: the wheel's travel, or the body's roll. */
export const AGAINST = ['travel', 'roll'] as const;
export type Against = (typeof AGAINST)[number];

/** What can be drawn. */
export const TRACED = [
  'toe',
  'camber',
  'caster',
  'kpi',
  'scrub',
  'trail',
  'track',
  'rollCentre',
  'rollSide',
  'instantOut',
  'instantUp',
  'path',
  'anti',
  'squat',
  'shaft',
  'shaftBend',
  'motionRatio',
  'damperLength',
] as const;
export type Traced = (typeof TRACED)[number];

interface TraceKind {
  label: string;
  unit: 'angle' | 'length' | 'percent' | 'ratio';
  /** What is to the right. */
  right: string;
  /** What is drawn; without one, the trace is made of more than one wheel's quantities. */
  quantity?: Quantity;
  /** Drawn as the change from ride height, about nought. */
  change?: true;
  /** Of meaning against one of them only. */
  only?: Against;
  banded?: Banded;
}

export const TRACES: Record<Traced, TraceKind> = {
  toe: {
    label: NAMES.toe,
    unit: 'angle',
    right: 'toe-in',
    quantity: 'toe',
    change: true,
    banded: 'toe',
  },
  camber: {
    label: NAMES.camber,
    unit: 'angle',
    right: 'top out',
    quantity: 'camber',
    banded: 'camber',
  },
  caster: {
    label: NAMES.caster,
    unit: 'angle',
    right: 'top back',
    quantity: 'caster',
    banded: 'caster',
  },
  kpi: { label: NAMES.kpi, unit: 'angle', right: 'top in', quantity: 'kpi', banded: 'kpi' },
  scrub: {
    label: NAMES.scrub,
    unit: 'length',
    right: 'axis inboard',
    quantity: 'scrub',
    banded: 'scrub',
  },
  trail: {
    label: NAMES.trail,
    unit: 'length',
    right: 'axis ahead',
    quantity: 'trail',
    banded: 'trail',
  },
  track: {
    label: 'track change, each side',
    unit: 'length',
    right: 'wider',
    quantity: 'contactOut',
    change: true,
  },
  rollCentre: {
    label: `${NAMES.rollCentre}, ${NAMES.bumpSteer} in it`,
    unit: 'length',
    right: 'higher over the ground',
    quantity: 'rollCentre',
  },
  rollSide: {
    label: `${NAMES.rollCentre}, sideways`,
    unit: 'length',
    right: 'to this wheel’s side',
    only: 'roll',
  },
  instantOut: {
    label: 'instant centre, out',
    unit: 'length',
    right: 'outward',
    quantity: 'instantOut',
    only: 'travel',
  },
  instantUp: {
    label: 'instant centre, up',
    unit: 'length',
    right: 'higher',
    quantity: 'instantUp',
    only: 'travel',
  },
  anti: {
    label: 'anti-dive',
    unit: 'percent',
    right: 'more',
    quantity: 'contactLead',
    only: 'travel',
  },
  path: {
    label: 'wheel, fore and aft',
    unit: 'length',
    right: 'ahead',
    quantity: 'wheelAhead',
    change: true,
  },
  squat: {
    label: 'anti-squat',
    unit: 'percent',
    right: 'more',
    quantity: 'wheelAhead',
    only: 'travel',
  },
  shaft: { label: 'half-shaft length', unit: 'length', right: 'longer', change: true },
  shaftBend: { label: 'half-shaft outer joint', unit: 'angle', right: 'bent more' },
  motionRatio: { label: 'motion ratio, damper per mm of bump', unit: 'ratio', right: 'more' },
  damperLength: { label: 'damper, eye to eye', unit: 'length', right: 'longer' },
};

/** One quantity over a sweep: value and travel of each position that can be reached. */
export type Line = [value: number, travel: number][];

/** Values past this are off to infinity: lines that meet nowhere. mm or degrees. */
const FAR = 20_000;

/** Curves that there is something to draw of: half-shafts where the axle is driven, a kingpin's where there is one. */
export function tracesOf({ design, type, axle }: Wheel): Traced[] {
  const hasAxis = type.steersAbout !== null;
  return TRACED.filter((name) => {
    const { quantity } = TRACES[name];
    if (name === 'shaft' || name === 'shaftBend') return design.halfShaft !== undefined;
    if (name === 'motionRatio' || name === 'damperLength') return design.damper !== undefined;
    if (name === 'squat') return axle === 'rear';
    return hasAxis || !quantity || !isOfAxis(quantity);
  });
}

type Drawn = Pick<
  CornerView,
  'at' | 'ride' | 'sweep' | 'inRoll' | 'shafts' | 'dampers' | 'axle' | 'side'
>;

/**
 * A quantity as it is drawn, over the view's travel or at the position it shows. Against roll the other
 * wheel goes down as far as this one goes up.
 */
export function lineOf(
  traced: Traced,
  view: Drawn,
  where: 'sweep' | 'at',
  build: Build,
  axle: AxleName,
  against: Against,
): Line {
  const { change } = TRACES[traced];
  const value = readerOf(traced, view, build, axle, against);
  const zero = change ? (value('ride', 0) ?? 0) : 0;
  return Array.from(view[where].travel).flatMap((travel, i): Line => {
    const here = value(where, i);
    return here === null || !(Math.abs(here - zero) <= FAR) ? [] : [[here - zero, travel]];
  });
}

/** Reads what a trace draws at one position of the view's sweeps; null out of reach. */
function readerOf(
  traced: Traced,
  drawn: Drawn,
  build: Build,
  axle: AxleName,
  against: Against,
): (where: 'sweep' | 'at' | 'ride', i: number) => number | null {
  // Wheels that are coupled stand otherwise in roll.
  const view = against === 'roll' && drawn.inRoll ? { ...drawn, ...drawn.inRoll } : drawn;
  const { quantity } = TRACES[traced];
  if (against === 'roll' && (traced === 'rollCentre' || traced === 'rollSide'))
    return (where, i) => {
      const { travel, rack } = view[where];
      const found = view.axle && rollCentreOf(view.axle, rolled(view.side, travel[i]), rack[i]);
      if (!found) return null;
      if (traced === 'rollCentre') return found.height;
      return view.side === 'left' ? found.left : -found.left;
    };
  if (traced === 'shaft') return (where, i) => view.shafts?.[where][i]?.length ?? null;
  if (traced === 'motionRatio') return (where, i) => view.dampers?.[where][i]?.ratio ?? null;
  if (traced === 'damperLength') return (where, i) => view.dampers?.[where][i]?.length ?? null;
  if (traced === 'shaftBend') return (where, i) => view.shafts?.[where][i]?.outerBend ?? null;
  if (!quantity) return () => null;
  // The ground comes along with the wheel.
  if (traced === 'rollCentre')
    return (where, i) =>
      view[where].reachable[i]
        ? valueAt(view[where], i, quantity) - valueAt(view[where], i, 'contactUp')
        : null;
  if (traced === 'anti' || traced === 'squat') {
    const percent = antiPercentOf(build, axle);
    if (!percent) return () => null;
    return (where, i) => {
      if (!view[where].reachable[i]) return null;
      return traced === 'anti'
        ? percent.brake * valueAt(view[where], i, 'contactLead')
        : percent.drive * slopeAt(view[where], i, 'wheelAhead');
    };
  }
  return (where, i) => (view[where].reachable[i] ? valueAt(view[where], i, quantity) : null);
}

const rolled = (side: Side, travel: number) => roll(side === 'left' ? travel : -travel);
