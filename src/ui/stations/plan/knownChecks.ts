import type { Build, KeptCheck } from '@/core/model/build';
import type { PlanKnown } from '@/core/plan/gates';
import { bandOf } from '@/core/plan/inBand';
import type { BandState } from '@/core/plan/inBand';

type Of = Pick<Build, 'front' | 'rear' | 'brief' | 'travel' | 'takeOff'>;
const KEYS = ['front', 'rear', 'brief', 'travel', 'takeOff'] as const;

let last: { of: Of; checks: readonly KeptCheck[]; found: Map<string, BandState> } | null = null;

/** How the checks of a build stand for its plan; what nothing has changed for is not looked for again. */
export function knownChecks(build: Build, checks: readonly KeptCheck[] | null): PlanKnown {
  if (!checks) return { inBand: null };
  if (!last || last.checks !== checks || KEYS.some((key) => last!.of[key] !== build[key]))
    last = { of: build, checks, found: new Map() };
  const { found } = last;
  return {
    inBand: (axle, since) => {
      const key = `${axle} ${since}`;
      if (!found.has(key)) found.set(key, bandOf(build, checks, axle, since));
      return found.get(key)!;
    },
  };
}
