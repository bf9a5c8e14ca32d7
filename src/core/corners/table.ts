import { add } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Condition } from './conditions';
import type { CornerType, JointOfType, Member, Pivots, PointOfType } from './cornerType';

/** Checks a table as it is written: its points' names are known to the compiler. */
export const cornerType = <P extends string>(
  type: Pick<CornerType<P>, 'points'> & NoInfer<Omit<CornerType<P>, 'points'>>,
): CornerType<P> => type;

export const chassis = (label: string): PointOfType => ({ label, on: 'chassis' });
export const upright = (label: string): PointOfType => ({ label, on: 'upright' });
export const onBeam = (label: string): PointOfType => ({ label, on: 'beam' });
export const mark = (label: string): PointOfType => ({ label, on: 'upright', mark: true });

/** Every kind has a wheel. */
export const wheelCentre = upright('wheel centre');

/** The rod that sets toe, as most kinds have it: a ball at its inner end where a rack moves it. */
export const rod = {
  points: {
    tieRodInner: chassis('tie rod inner joint'),
    tieRodOuter: upright('tie rod outer joint'),
  },
  ends: { inner: 'tieRodInner', outer: 'tieRodOuter' },
  member: { from: 'tieRodInner', to: 'tieRodOuter', role: 'rod', name: 'tie rod', diameter: 16 },
  length: { holds: 'length', upright: 'tieRodOuter', chassis: 'tieRodInner', member: 'tie rod' },
  joints: [
    { at: 'tieRodInner', type: 'rodEnd', member: 'tieRodOuter' },
    { at: 'tieRodOuter', type: 'rodEnd', member: 'tieRodInner' },
  ],
} as const;

/** Two kingpins whose arms one rod joins, a drag link to one of them: what is alike wherever the kingpins stand. */
export const linkedKingpins = {
  points: {
    kingpinLower: upright('kingpin, lower end'),
    kingpinUpper: upright('kingpin, upper end'),
    tieRodOuter: upright('tie rod joint'),
    dragLinkInner: chassis('drag link joint on the drop arm'),
    dragLinkOuter: upright('drag link joint on the steering arm'),
    wheelCentre,
  },
  steeredBy: ['dropArm'],
  rodName: 'drag link',
  coupled: { crossRod: 'tieRodOuter', nearOnly: ['dragLinkInner', 'dragLinkOuter'] },
  pivots: [],
  steersAbout: ['kingpinLower', 'kingpinUpper'],
  tieRod: { inner: 'dragLinkInner', outer: 'dragLinkOuter' },
  joints: [
    { at: 'dragLinkInner', type: 'rodEnd', member: 'dragLinkOuter' },
    { at: 'dragLinkOuter', type: 'rodEnd', member: 'dragLinkInner' },
  ],
  conditions: [
    { holds: 'hinge', about: ['kingpinLower', 'kingpinUpper'], member: 'kingpin' },
    { holds: 'heading', member: 'tie rod' },
  ],
  towardsInstant: [],
} as const;

/** A link of fixed length from the chassis to the upright. */
export const length = <U extends string, C extends string>(
  uprightPoint: U,
  chassisPoint: C,
  member: string,
) => ({ holds: 'length', upright: uprightPoint, chassis: chassisPoint, member }) as const;

type ArmPoint<L extends string> = `${L}FrontInner` | `${L}RearInner` | `${L}Outer`;

/** A wishbone: two pivots on the chassis, one ball joint of the upright. */
export function wishbone<L extends 'lower' | 'upper'>(level: L, diameter: number) {
  const front = `${level}FrontInner` as const;
  const rear = `${level}RearInner` as const;
  const outer = `${level}Outer` as const;
  const tube = (from: typeof front | typeof rear, which: string): Member<ArmPoint<L>> => ({
    from,
    to: outer,
    role: 'arm',
    name: `${level} arm, ${which} tube`,
    diameter,
  });
  const points: Record<ArmPoint<L>, PointOfType> = {
    [front]: chassis(`${level} arm front pivot`),
    [rear]: chassis(`${level} arm rear pivot`),
    [outer]: upright(`${level} ball joint`),
  } as Record<ArmPoint<L>, PointOfType>;
  const pivots: Pivots<ArmPoint<L>> = {
    label: `${level} pivot axis`,
    arm: `${level} arm`,
    body: `${level}Arm`,
    through: [front, rear],
    carries: outer,
  };
  const conditions: Condition<ArmPoint<L>>[] = [
    length(outer, front, `${level} arm`),
    length(outer, rear, `${level} arm`),
  ];
  return { points, members: [tube(front, 'front'), tube(rear, 'rear')], pivots, conditions };
}

/** A strut: its axis, fixed in the upright, always passes through its top on the chassis. */
export const strutRows = {
  points: { strutTop: chassis('strut top'), strutLower: mark('strut axis, lower point') },
  member: { from: 'strutTop', to: 'strutLower', role: 'strut', name: 'strut', diameter: 50 },
  line: {
    holds: 'line',
    upright: ['strutLower', 'strutTop'],
    chassis: 'strutTop',
    member: 'strut',
  },
  joint: { at: 'strutTop', type: 'ball', member: 'strutLower' },
} as const;

type LinkPoint<L extends string> = `${L}Inner` | `${L}Outer`;

/** A straight link on a rod end at either end, named as in `linkA`. */
export function link<L extends string>(stem: L, name: string) {
  const inner = `${stem}Inner` as const;
  const outer = `${stem}Outer` as const;
  const points = {
    [inner]: chassis(`${name} inner joint`),
    [outer]: upright(`${name} outer joint`),
  } as Record<LinkPoint<L>, PointOfType>;
  const member: Member<LinkPoint<L>> = {
    from: inner,
    to: outer,
    role: 'link',
    name,
    diameter: 22,
  };
  const condition: Condition<LinkPoint<L>> = length(outer, inner, name);
  const joints: JointOfType<LinkPoint<L>>[] = [
    { at: inner, type: 'rodEnd', member: outer },
    { at: outer, type: 'rodEnd', member: inner },
  ];
  return { points, member, condition, joints };
}

/** Places given from the wheel's centre. */
export const fromCentre = <P extends string>(centre: Vec, off: Record<P, Vec>): Record<P, Vec> =>
  Object.fromEntries(
    Object.entries<Vec>(off).map(([name, by]) => [name, add(centre, by)]),
  ) as Record<P, Vec>;

/** A part of the upright between two of its joints, as it is drawn. */
export const between = <A extends string, B extends string>(from: A, to: B, diameter = 20) =>
  ({ from, to, role: 'upright', diameter }) as const;
