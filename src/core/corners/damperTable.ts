import type { Body, Carrier, CornerType, JointOfType, Member, PointOfType } from './cornerType';

/** What of a damper says which points it has, what they ride on and how wide it is drawn, mm. */
export interface DamperMounting {
  /** Straight from what carries it to the chassis; by a rod and a rocker; as the strut that holds the wheel. */
  by: 'direct' | 'rocker' | 'strut';
  on?: Carrier | undefined;
  unit?: { outside: number } | undefined;
  /** A spring of its own place has what it stands on. */
  spring?: { on?: Carrier | undefined; outside?: number | undefined } | undefined;
  bar?: { on: Carrier | 'rocker' } | undefined;
  /** What keeps the wheel from drooping further. */
  strap?: { on: Carrier } | undefined;
}

/** What a damper is drawn as until somebody says, mm. */
export const DAMPER_OUTSIDE = 50;
const SPRING_OUTSIDE = 90;

/** Every point that some damper has. */
export const DAMPER_POINTS = [
  'damperInner',
  'damperOuter',
  'rockerPivot',
  'rockerAxis',
  'rockerRodInner',
  'rockerRodOuter',
  'springInner',
  'springOuter',
  'barPivot',
  'barLinkInner',
  'barLinkOuter',
  'strapInner',
  'strapOuter',
] as const;
export type DamperPoint = (typeof DAMPER_POINTS)[number];

/** What of a kind's corner may carry a damper's outer end, the usual first. */
export const carriersOf = ({ noTravel, coupled, pivots }: CornerType): Carrier[] => {
  if (noTravel) return [];
  if (coupled) return coupled.spring ? ['beam'] : [];
  return [...pivots.flatMap(({ body }) => (body ? [body] : [])), 'upright'];
};

/** Whether a kind's wheel is held by a strut: that is its damper. */
export const hasStrut = ({ members }: CornerType): boolean =>
  members.some(({ role }) => role === 'strut');

/** The two ends of a kind's damper, the chassis' first. */
export function damperEnds(
  { members }: CornerType,
  { by }: DamperMounting,
): readonly [string, string] {
  const strut = by === 'strut' && members.find(({ role }) => role === 'strut');
  return strut ? [strut.from, strut.to] : ['damperInner', 'damperOuter'];
}

interface Added {
  points: Record<string, PointOfType>;
  members: Member[];
  joints: JointOfType[];
}

/** A kind with its damper: what that hangs on are points, members and joints of its table like all others. */
export function withDamper(type: CornerType, damper: DamperMounting): CornerType {
  const added: Added = { points: {}, members: [], joints: [] };
  const point = (name: DamperPoint, label: string, on: Body, mark?: true) =>
    (added.points[name] = { label, on, ofDamper: true, ...(mark && { mark }) });
  const member = (
    name: string,
    role: Member['role'],
    diameter: number,
    from: DamperPoint,
    to: DamperPoint,
  ) => {
    added.members.push({ from, to, role, name, diameter });
    added.joints.push({ at: from, type: 'rodEnd', member: to });
    added.joints.push({ at: to, type: 'rodEnd', member: from });
  };
  const arm = (from: DamperPoint, to: DamperPoint) =>
    added.members.push({ from, to, role: 'rocker', diameter: 16 });
  const { by, on, unit, spring, bar, strap } = damper;
  if (by !== 'strut' && on) {
    point('damperInner', 'damper, inner mount', 'chassis');
    point('damperOuter', 'damper, outer mount', by === 'rocker' ? 'rocker' : on);
    member('damper', 'damper', unit?.outside ?? DAMPER_OUTSIDE, 'damperInner', 'damperOuter');
  }
  if (by === 'rocker' && on) {
    point('rockerPivot', 'rocker, pivot', 'chassis');
    point('rockerAxis', 'rocker, second place on its axis', 'chassis', true);
    point('rockerRodInner', 'rocker rod, inner joint', 'rocker');
    point('rockerRodOuter', 'rocker rod, outer joint', on);
    member('rocker rod', 'link', 18, 'rockerRodInner', 'rockerRodOuter');
    arm('rockerPivot', 'rockerRodInner');
    arm('rockerPivot', 'damperOuter');
  }
  if (spring?.on) {
    point('springInner', 'coil spring, inner seat', 'chassis');
    point('springOuter', 'coil spring, outer seat', spring.on);
    const diameter = spring.outside ?? SPRING_OUTSIDE;
    added.members.push({
      from: 'springInner',
      to: 'springOuter',
      role: 'damper',
      name: 'coil spring',
      diameter,
    });
  }
  if (bar) {
    point('barPivot', 'bar, end of its arm on its axis', 'chassis');
    point('barLinkInner', 'bar link, joint on the bar', 'bar');
    point('barLinkOuter', 'bar link, outer joint', bar.on);
    member('bar link', 'link', 12, 'barLinkInner', 'barLinkOuter');
    arm('barPivot', 'barLinkInner');
    if (bar.on === 'rocker') arm('rockerPivot', 'barLinkOuter');
  }
  if (strap) {
    point('strapInner', 'droop strap, inner end', 'chassis');
    point('strapOuter', 'droop strap, outer end', strap.on);
    arm('strapInner', 'strapOuter');
  }
  return {
    ...type,
    points: { ...type.points, ...added.points },
    members: [...type.members, ...added.members],
    joints: [...type.joints, ...added.joints],
  };
}
