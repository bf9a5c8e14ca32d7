import { useMemo } from 'react';
import { measuredArticulations } from '@/core/clearance/studs';
import type { Wheel } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { heldCamber } from '@/core/motion/held';
import { steeringOf } from '@/core/steering/steering';
import { useClearances } from '../stations/arms/useClearances';
import { stationStates } from '../../core/judging/stationStates';
import type { Judged } from '@/core/verdict/verdicts';
import { finderWorker } from './finderWorker';
import { useAnswer } from './useAnswer';
import type { CornerView } from './useCorner';

/** How the stations stand for the wheel shown, and what of that other parts of the page show too. */
export function useStationStates({
  build,
  wheel,
  corner,
}: {
  build: Build;
  wheel: Wheel;
  corner: CornerView;
}) {
  const { targets } = briefOf(build);
  const { bumpSteer } = corner;
  const gain = useMemo(
    () =>
      wheel.travels && wheel.corner ? (heldCamber(wheel.corner, wheel.travel)?.gain ?? null) : null,
    [wheel],
  );
  const clearances = useClearances(build, wheel);
  const { list } = clearances;
  const articulations = useMemo(() => measuredArticulations(build, wheel), [build, wheel]);
  const steering = useMemo(
    () => (wheel.axle === 'front' && wheel.steered ? steeringOf(build) : null),
    [wheel, build],
  );
  const damper = useDamperJudged(build, wheel);
  const states = useMemo(() => {
    const known = { bumpSteer, gain, clearances: list, articulations, damper, steering };
    return stationStates(build, wheel, targets, known);
  }, [build, wheel, targets, bumpSteer, gain, list, articulations, damper, steering]);
  return { clearances, steering, states, articulations };
}

/** The verdicts on damper and loads, looked for in the worker; none where neither is drawn or described. */
function useDamperJudged(build: Build, wheel: Wheel): readonly Judged[] | undefined {
  const asked = useMemo(() => ({ build, wheel }), [build, wheel]);
  return useAnswer(asked, askDamper).of;
}

const askDamper = async ({ build, wheel }: { build: Build; wheel: Wheel }): Promise<Judged[]> =>
  wheel.design.damper || wheel.design.strength
    ? finderWorker().damper(build, wheel.axle, wheel.side)
    : [];
