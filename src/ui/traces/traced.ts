import { roll } from '@/core/kinematics/axle';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import { antiPercent } from '@/core/motion/anti';
import type { Quantity } from '@/core/motion/quantities';
import { rollCentreOf } from '@/core/motion/rollCentre';
import { valueAt } from '@/core/motion/sweep';
import type { Banded } from '@/core/tolerance/bands';
import type { CornerView } from '../bench/useCorner';

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
  'anti',
  'shaft',
  'shaftBend',
] as const;
export type Traced = (typeof TRACED)[number];

interface TraceKind {
  label: string;
  unit: 'angle' | 'length' | 'percent';
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
    label: 'toe',
    unit: 'angle',
    right: 'toe-in',
    quantity: 'toe',
    change: true,
    banded: 'toe',
  },
  camber: {
    label: 'camber',
    unit: 'angle',
    right: 'top out',
    quantity: 'camber',
    banded: 'camber',
  },
  caster: {
    label: 'caster',
    unit: 'angle',
    right: 'top back',
    quantity: 'caster',
    banded: 'caster',
  },
  kpi: { label: 'KPI', unit: 'angle', right: 'top in', quantity: 'kpi', banded: 'kpi' },
  scrub: {
    label: 'scrub radius',
    unit: 'length',
    right: 'axis inboard',
    quantity: 'scrub',
    banded: 'scrub',
  },
  trail: {
    label: 'trail',
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
    label: 'roll centre, bump steer in it',
    unit: 'length',
    right: 'higher over the ground',
    quantity: 'rollCentre',
  },
  rollSide: {
    label: 'roll centre, sideways',
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
  shaft: { label: 'half-shaft length', unit: 'length', right: 'longer', change: true },
  shaftBend: { label: 'half-shaft outer joint', unit: 'angle', right: 'bent more' },
};

/** One quantity over a sweep: value and travel of each position that can be reached. */
export type Line = [value: number, travel: number][];

/** Values past this are off to infinity: lines that meet nowhere. mm or degrees. */
const FAR = 20_000;

/** Curves that there is something to draw of: half-shafts where the axle is driven. */
export const tracesOf = (design: AxleDesign): Traced[] =>
  TRACED.filter((name) => design.halfShaft || (name !== 'shaft' && name !== 'shaftBend'));

type Drawn = Pick<CornerView, 'at' | 'ride' | 'sweep' | 'shafts' | 'axle' | 'side'>;

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
    return here === null || Math.abs(here - zero) > FAR ? [] : [[here - zero, travel]];
  });
}

/** Reads what a trace draws at one position of the view's sweeps; null out of reach. */
function readerOf(
  traced: Traced,
  view: Drawn,
  build: Build,
  axle: AxleName,
  against: Against,
): (where: 'sweep' | 'at' | 'ride', i: number) => number | null {
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
  if (traced === 'shaftBend') return (where, i) => view.shafts?.[where][i]?.outerBend ?? null;
  if (!quantity) return () => null;
  // The ground comes along with the wheel.
  if (traced === 'rollCentre')
    return (where, i) =>
      view[where].reachable[i]
        ? valueAt(view[where], i, quantity) - valueAt(view[where], i, 'contactUp')
        : null;
  const scale = traced === 'anti' ? antiPercentOf(build, axle) : 1;
  return (where, i) =>
    view[where].reachable[i] ? scale * valueAt(view[where], i, quantity) : null;
}

const rolled = (side: Side, travel: number) => roll(side === 'left' ? travel : -travel);

/** Per cent of anti-dive for a contact that leads 1 mm per mm; 0 where the brief does not say what brakes. */
export function antiPercentOf(build: Build, axle: AxleName): number {
  const { massHeight, brakeFront } = build.brief?.limits ?? {};
  if (massHeight === undefined || brakeFront === undefined) return 0;
  const share = (axle === 'front' ? brakeFront : 100 - brakeFront) / 100;
  return antiPercent(
    1,
    { share, massHeight, wheelbase: build.wheelbase },
    axle === 'front' ? 1 : -1,
  );
}
