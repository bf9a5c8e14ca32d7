import { useMemo, useState } from 'react';
import { rodEnds } from '@/core/corners/kinds';
import { shim, withShim } from '@/core/bumpsteer/shim';
import type { Shim } from '@/core/bumpsteer/shim';
import { pointsKey } from '@/core/kinematics/axle';
import { adviseNull } from '@/core/bumpsteer/advice';
import type { Advice } from '@/core/bumpsteer/advice';
import type { Opened } from '@/core/freedoms/freedoms';
import { STARTING_WANTED } from '@/core/model/nullWanted';
import { USUAL_STOCK } from '@/core/freedoms/freedoms';
import { stacksOf } from '@/core/freedoms/stacks';
import type { Freedom } from '@/core/model/freedoms';
import { briefOf } from '@/core/model/brief';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { useStable } from '../useStable';
import { useBuild } from './useBuildStore';

/** A raise smaller than this is no shim, mm. */
export const THINNEST = 0.05;

/**
 * The shim that is being looked at: found on request, put away by any edit, by looking at another
 * wheel, or by leaving it.
 */
export function useShim(build: Build, wheel: Wheel) {
  const edit = useBuild((state) => state.edit);
  const [found, setFound] = useState<{
    of: Wheel;
    shim: Shim | null;
    advice: Advice[];
  } | null>(null);
  const current = found?.of === wheel ? found : null;
  const proposal = current?.shim ?? null;
  const proposed = useMemo(() => proposal && withShim(wheel, proposal.raise), [wheel, proposal]);
  const find = useStable(() => {
    const { spacer } = build.asked?.null ?? STARTING_WANTED;
    const best = shim(wheel, spacer);
    const [good] = briefOf(build).targets.bumpSteer;
    const { outer } = rodEnds(wheel.type);
    const freedom = wheel.design.freedoms?.[outer]?.up;
    const opened: Opened[] = freedom ? [{ point: outer, coordinate: 'up', freedom }] : [];
    const advice =
      best && freedom && best.after.worst > good
        ? adviseNull(build, wheel, opened, best.after.span.range, spacer)
        : NO_ADVICE;
    setFound({ of: wheel, shim: best, advice });
  });
  const leave = useStable(() => setFound(null));
  /**
   * Puts the joint there. Without a freedom of its own it stands on washers from then on: those of the usual
   * stock, or one spacer cut to length, so that the layout says what is under it.
   */
  const take = useStable((raise: number) => {
    edit((draft) => {
      const target = draft[wheel.axle]!;
      const { outer } = rodEnds(wheel.type);
      const joint = target[pointsKey(target, wheel.side)]![outer];
      const kind = target.freedoms?.[outer]?.up?.kind;
      if (kind === undefined) {
        ((target.freedoms ??= {})[outer] ??= {}).up = onWashers(joint.up, raise);
      }
      joint.up = Math.round((joint.up + raise) * 1e4) / 1e4;
    });
    setFound(null);
  });
  /** What would help where the joint's freedom does not. */
  const advice = current?.advice ?? NO_ADVICE;
  /** No height of the joint reaches the whole travel. */
  const hopeless = current !== null && proposal === null;
  // `proposed` is the wheel with the shim in; null when none is being looked at.
  return useMemo(
    () => ({ proposal, advice, proposed, hopeless, find, leave, take }),
    [proposal, advice, proposed, hopeless, find, leave, take],
  );
}

const NO_ADVICE: Advice[] = [];

/** Washers that make a raise: of the usual stock where it has them, or one cut to length. */
function onWashers(base: number, raise: number): Freedom {
  const height = Math.round(Math.abs(raise) * 1e4) / 1e4;
  const stacks = stacksOf(USUAL_STOCK, 4);
  const index = stacks.at(height);
  const of = index < 0 ? null : stacks.washers(index);
  return {
    kind: 'shims',
    base,
    stock: of ? [...USUAL_STOCK] : [...USUAL_STOCK, height].sort((a, b) => a - b),
    most: Math.max(2, of?.length ?? 1),
    way: raise < 0 ? -1 : 1,
  };
}
