import { ALL_POINT_NAMES } from '../corners/kinds';
import type { AxleName, Build, Variant } from './build';

/**
 * Variants of a build: several ways of building its axles, one of them open. The open one is the build's
 * own `front` and `rear`; the others are put aside whole. Functions that change a build change the one
 * they are given.
 */

type Named = NonNullable<Build['layout']>;

/** What a build's variant is called until somebody names it. */
export const FIRST: Named = { id: 'first', name: 'First variant' };

export const openVariantOf = (build: Build): Named => build.layout ?? FIRST;

/** Every variant, the open one first. */
export const variantsOf = (build: Build): Variant[] => [present(build), ...(build.layouts ?? [])];

const present = (build: Build): Variant => {
  const { front, rear } = build;
  return { ...openVariantOf(build), front, ...(rear && { rear }) };
};

/** Puts the open variant aside and goes on with a copy of it that is not frozen. */
export function copyVariant(build: Build, id: string, name: string): void {
  (build.layouts ??= []).push(present(build));
  build.layout = { id, name };
  build.front = copyOf(build.front);
  if (build.rear) build.rear = copyOf(build.rear);
}

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Opens a variant that was put aside, in whose place the open one goes. False where there is none. */
export function openVariant(build: Build, id: string): boolean {
  const at = build.layouts?.findIndex((variant) => variant.id === id) ?? -1;
  if (!build.layouts || at < 0) return false;
  const { front, rear, ...named } = build.layouts[at];
  build.layouts[at] = present(build);
  build.front = front;
  if (rear) build.rear = rear;
  else delete build.rear;
  build.layout = named;
  return true;
}

/** Throws a variant away that was put aside; the open and a frozen one stay. */
export function removeVariant(build: Build, id: string): void {
  build.layouts = build.layouts?.filter((variant) => variant.id !== id || variant.frozen);
}

/** Changes what any variant is called, or whether it is frozen (`when`, ISO 8601; null thaws it). */
export function nameVariant(
  build: Build,
  id: string,
  change: { name?: string; frozen?: string | null },
): void {
  const variant =
    openVariantOf(build).id === id
      ? (build.layout ??= { ...FIRST })
      : build.layouts?.find((one) => one.id === id);
  if (!variant) return;
  if (change.name !== undefined) variant.name = change.name;
  if (change.frozen === null) delete variant.frozen;
  else if (change.frozen !== undefined) variant.frozen = change.frozen;
}

/**
 * The frozen variant that a change of the build would touch, if any: one whose axles are no longer what
 * they were, or that is gone. One that is thawed may change from then on.
 */
export function frozenTouched(before: Build, after: Build): Variant | null {
  // Most builds have none: no list is made for them.
  if (!before.layout?.frozen && !before.layouts?.some(({ frozen }) => frozen)) return null;
  const now = variantsOf(after);
  return (
    variantsOf(before).find((variant) => {
      if (!variant.frozen) return false;
      const next = now.find(({ id }) => id === variant.id);
      return !next || !same(next.front, variant.front) || !same(next.rear, variant.rear);
    }) ?? null
  );
}

const same = (a: unknown, b: unknown): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/** Puts all of another document into a build, what that does not have included. */
export function replaceBuild(build: Build, next: Build): void {
  for (const key of Object.keys(build) as (keyof Build)[]) if (!(key in next)) delete build[key];
  Object.assign(build, next);
}

/** A number that two variants have differently. */
export interface Difference {
  axle: AxleName;
  /** Where in the axle's document: `points upperOuter out`. */
  path: string[];
  from: number | string | null;
  to: number | string | null;
}

type Axles = Pick<Variant, 'front' | 'rear'>;

/** Every number and word that differs between two variants, in the order of the document; freedoms left out. */
export function differencesOf(from: Axles, to: Axles): Difference[] {
  return (['front', 'rear'] as const).flatMap((axle) => {
    const found: Difference[] = [];
    compare(from[axle], to[axle], [], (path, a, b) => found.push({ axle, path, from: a, to: b }));
    const rank = ({ path }: Difference) => ALL_POINT_NAMES.indexOf(path[1]);
    return found.sort((a, b) => rank(a) - rank(b));
  });
}

type Leaf = number | string | null;

function compare(
  a: unknown,
  b: unknown,
  path: string[],
  tell: (path: string[], a: Leaf, b: Leaf) => void,
): void {
  if (a === b || path[0] === 'freedoms') return;
  if (isGroup(a) || isGroup(b)) {
    const [one, other] = [isGroup(a) ? a : {}, isGroup(b) ? b : {}];
    for (const key of new Set([...Object.keys(one), ...Object.keys(other)]))
      compare(one[key], other[key], [...path, key], tell);
    return;
  }
  tell(path, leaf(a), leaf(b));
}

const isGroup = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;
const leaf = (value: unknown): Leaf =>
  typeof value === 'number' || typeof value === 'string' ? value : null;
