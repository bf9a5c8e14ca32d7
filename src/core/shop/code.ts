import type { Wheel } from '../kinematics/wheel';
import type { ShopPart } from './parts';

const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/**
 * A short code of what a sheet is made from: the same for the same figures, another for others. FNV-1a of 32 bits (Fowler,
 * Noll and Vo, from memory), of which 30 are told in six letters that are not taken for one another.
 */
export function codeOf(of: unknown): string {
  let hash = 0x811c9dc5;
  const told = JSON.stringify(of);
  for (let i = 0; i < told.length; i++) {
    hash ^= told.charCodeAt(i);
    hash = Math.imul(hash, 0x01000193) >>> 0;
  }
  // All 32 bits have their say in the 30 that are told.
  let left = (hash ^ (hash >>> 30)) & 0x3fffffff;
  let code = '';
  for (let i = 0; i < 6; i++, left >>>= 5) code = LETTERS[left & 31] + code;
  return code;
}

/** The code of a part of a wheel: its joints, what rides on it, what it is made of. */
export function partCode({ points, design, type }: Wheel, part: ShopPart): string {
  const names = Object.keys(type.points).filter(
    (name) => part.joints.includes(name) || (part.body && type.points[name].on === part.body),
  );
  return codeOf([
    design.kind,
    names.map((name) => [name, points[name]]),
    part.members.map(({ id, made }) => [id, made]),
    // What a stud or a bolt lies along.
    type.steersAbout && type.steersAbout !== 'screw'
      ? type.steersAbout.map((name) => points[name])
      : null,
    design.bolts ?? null,
  ]);
}
