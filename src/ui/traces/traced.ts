import type { AxleName, Build } from '@/core/model/build';
import { antiPercent } from '@/core/motion/anti';
import type { Quantity } from '@/core/motion/quantities';
import { valueAt } from '@/core/motion/sweep';
import type { Sweep } from '@/core/motion/sweep';
import type { Banded } from '@/core/tolerance/bands';

/** What can be drawn against travel. */
export const TRACED = [
  'toe',
  'camber',
  'caster',
  'kpi',
  'scrub',
  'trail',
  'track',
  'rollCentre',
  'instantOut',
  'instantUp',
  'anti',
] as const;
export type Traced = (typeof TRACED)[number];

interface TraceKind {
  label: string;
  unit: 'angle' | 'length' | 'percent';
  /** What is to the right. */
  right: string;
  quantity: Quantity;
  /** Drawn as the change from ride height, about nought. */
  change?: true;
  /** Made of how the wheel moves at ride height of the body: of no meaning against roll. */
  travelOnly?: true;
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
    label: 'roll centre height',
    unit: 'length',
    right: 'higher',
    quantity: 'rollCentre',
    travelOnly: true,
  },
  instantOut: {
    label: 'instant centre, out',
    unit: 'length',
    right: 'outward',
    quantity: 'instantOut',
    travelOnly: true,
  },
  instantUp: {
    label: 'instant centre, up',
    unit: 'length',
    right: 'higher',
    quantity: 'instantUp',
    travelOnly: true,
  },
  anti: {
    label: 'anti-dive',
    unit: 'percent',
    right: 'more',
    quantity: 'contactLead',
    travelOnly: true,
  },
};

/** One quantity over a sweep: value and travel of each position that can be reached. */
export type Line = [value: number, travel: number][];

/** Values past this are off to infinity: lines that meet nowhere. mm or degrees. */
const FAR = 20_000;

/** A quantity as it is drawn; `ride` is the sweep's own position at ride height. */
export function lineOf(
  traced: Traced,
  sweep: Sweep,
  ride: Sweep,
  build: Build,
  axle: AxleName,
): Line {
  const { quantity, change } = TRACES[traced];
  const zero = change && ride.reachable[0] ? valueAt(ride, 0, quantity) : 0;
  const scale = traced === 'anti' ? antiPercentOf(build, axle) : 1;
  return Array.from(sweep.travel).flatMap((travel, i): Line => {
    if (!sweep.reachable[i]) return [];
    const value = scale * valueAt(sweep, i, quantity) - zero;
    return Math.abs(value) < FAR ? [[value, travel]] : [];
  });
}

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
