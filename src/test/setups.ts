import { wheelOf } from '../core/kinematics/wheel';
import type { Wheel } from '../core/kinematics/wheel';
import type { Build } from '../core/model/build';
import type { MemberBuild } from '../core/model/made';
import { COORDINATES } from '../core/model/points';
import { blankBuild } from '../core/model/starts';
import { shopParts } from '../core/shop/parts';

/** A build whose upper arm's tubes and rod are set by threads, a left and a right hand on each. */
export function settable(
  normal: () => number = () => 0,
  kind = 'double-wishbone',
  arms: readonly string[] = ['upper arm'],
): { build: Build; wheel: Wheel } {
  const build = blankBuild('Set', kind);
  const { front } = build;
  for (const point of Object.values(front.points))
    for (const coordinate of COORDINATES) point[coordinate] += 12 * normal();
  front.static = { toe: 0.1, camber: -1 };
  const parts = shopParts(wheelOf(build, 'front', 'left'));
  const rod = parts.find(({ id }) => id === 'tieRodInner tieRodOuter')!.members[0].made;
  const threaded: MemberBuild = structuredClone(rod);
  front.made = Object.fromEntries(
    parts
      .filter(({ name, id }) => arms.includes(name) || id === 'tieRodInner tieRodOuter')
      .flatMap(({ members }) => members.map(({ id }) => [id, structuredClone(threaded)])),
  );
  return { build, wheel: wheelOf(build, 'front', 'left') };
}
