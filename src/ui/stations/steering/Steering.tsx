'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { nearSideOf, rodEnds, typeOf } from '@/core/corners/kinds';
import { dropArmWay, steerRangeOf, steerUnitOf } from '@/core/kinematics/axle';
import { dropArmTo } from '@/core/kinematics/innerWay';
import { wheelOf } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import type { AxleDesign } from '@/core/model/build';
import { toVec } from '@/core/model/points';
import { ratiosThroughColumn } from '@/core/steering/columnRatio';
import { handwheelOf } from '@/core/steering/hand';
import { lockToLock } from '@/core/steering/lockToLock';
import { useBeat, useCalm } from '../../build/useCalm';
import { useView } from '../../build/viewStore';
import { Choice } from '../../fields/Choice';
import { drawnAsTyped } from '../../floor/drawing';
import { comparedIn } from '../../variants/compared';
import type { DeskProps } from '../list';
import { AckermannFinder } from './AckermannFinder';
import { ArmPart } from './ArmPart';
import { AxlePlan } from './AxlePlan';
import { EffortPart } from './EffortPart';
import { JackingPart } from './JackingPart';
import { LockPart } from './LockPart';
import { RackPart } from './RackPart';
import { SteerCurve } from './SteerCurve';
import { SteerFigures } from './SteerFigures';
import { TurnPlan } from './TurnPlan';
import { TwoColumns } from './TwoColumns';
import { usePlanDrag } from './usePlanDrag';
import { overRack, useSteering, useSteeringCurve } from './useSteering';

const PARTS = ['curves', 'find', 'arms', 'lock', 'jacking', 'rack', 'effort'] as const;
type Part = (typeof PARTS)[number];
const WORDS: Record<Part, string> = {
  curves: 'lock to lock',
  find: 'find Ackermann',
  arms: 'arms & string',
  lock: 'lock & stops',
  jacking: 'weight jacking',
  rack: 'rack',
  effort: 'ratio & effort',
};

/** Curves follow a hand that drags so often, ms, a little after the floor. */
const CURVE = [50, 25] as const;

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Does it turn true, far enough, the right way? Both front wheels from lock to lock, at any travel. */
export function Steering({ build, unit, onEdit }: Pick<DeskProps, 'build' | 'unit' | 'onEdit'>) {
  const { front, rear, wheelbase, travel: limits } = build;
  const { noTravel } = typeOf(front);
  const by = steerUnitOf(front);
  const travel = useView((view) => (noTravel ? 0 : view.travel));
  const limit = steerRangeOf(front);
  const rack = useView((view) => Math.max(-limit, Math.min(limit, view.rack)));
  const compared = comparedIn(
    build,
    useView((view) => view.compared),
  );
  const [picked, setPart] = useState<Part>('curves');
  // A frame on springs settles what its kingpins lift.
  const parts = PARTS.filter((one) => one !== 'jacking' || noTravel);
  const part = parts.includes(picked) ? picked : 'curves';
  const handwheel = useMemo(() => handwheelOf(front), [front]);
  // What is looked at is a change of the axle as it stood then.
  const [look, setLook] = useState<{ at: AxleDesign; design: AxleDesign } | null>(null);
  const tried = look?.at === front ? look.design : null;
  const handleTry = (design: AxleDesign | null) => setLook(design && { at: front, design });

  const found = useSteering(build, travel, rack);
  const ghostCar = useMemo(
    () => ({ front: tried ?? front, travel: limits, wheelbase }),
    [tried, front, limits, wheelbase],
  );
  const ghost = useSteering(ghostCar, travel, rack);
  const handleDrag = usePlanDrag(build, found, onEdit);
  const shown = useMemo(() => ({ build, found }), [build, found]);
  // The plan keeps up with the hand; curves and figures follow it, the rest waits for its rest.
  const followed = useBeat(shown, ...CURVE);
  const calm = useCalm(shown);
  const over = useMemo(
    () =>
      followed.found.ok
        ? overRack(followed.found.view.sides, followed.build.wheelbase, travel)
        : followed.found,
    [followed, travel],
  );
  const other = useSteeringCurve(tried ?? compared?.front, build, travel);
  const besideFront = tried ?? compared?.front;
  const through = useMemo(
    () =>
      (
        [
          [over.ok ? over.curve : null, followed.build.front],
          [other, besideFront],
        ] as const
      ).map(([curve, design]) =>
        curve && design ? (ratiosThroughColumn(curve, design)?.ratio ?? null) : null,
      ),
    [over, other, followed, besideFront],
  );
  const now = useMemo(
    () => over.ok && lockToLock(over.axle, followed.build.wheelbase, travel, Float64Array.of(rack)),
    [over, followed, travel, rack],
  );
  const behind = useMemo(() => {
    if (!rear) return null;
    const drawn = (side: 'left' | 'right') =>
      drawnAsTyped(wheelOf({ front, rear, travel: limits }, 'rear', side)!.drawn);
    return { left: drawn('left'), right: drawn('right') };
  }, [front, rear, limits]);
  const { width, nose } = briefOf(build).limits;
  const outline = useMemo(() => {
    const { tyre, points } = front;
    const half = (width ?? 2 * points.wheelCentre.out + tyre.width) / 2;
    return {
      radius: tyre.radius,
      width: tyre.width,
      nose: nose === undefined ? null : { ahead: nose, half },
    };
  }, [front, width, nose]);
  const tyres = useMemo(() => ({ front: front.tyre, rear: (rear ?? front).tyre }), [front, rear]);
  const shaft = useMemo(() => {
    if (!front.dropArm) return null;
    const side = nearSideOf(front);
    const joint = toVec(front.points[rodEnds(typeOf(front)).inner]);
    const { foot } = dropArmTo(dropArmWay(front.dropArm, side), joint);
    return [foot[0], side === 'left' ? foot[1] : -foot[1]] as [number, number];
  }, [front]);
  if (!found.ok || !over.ok || !now) {
    const why = !found.ok ? found.why : !over.ok ? over.why : `the ${by} cannot come here`;
    return (
      <Typography role="alert" sx={{ fontWeight: 600 }}>
        {capital(why)}.
      </Typography>
    );
  }
  const { front: both } = found.view;
  const ghosts = tried && ghost.ok ? ghost.view.front : null;
  const props = { build: calm.build, unit, onEdit, tried, onTry: handleTry };
  const settled = calm.found.ok ? calm.found.view : found.view;
  // The one that the drag link goes to, where wheels are coupled.
  const wheel = settled.sides.find(({ side }) => side === nearSideOf(front)) ?? settled.sides[0];
  const beside = tried
    ? { name: 'looked at', design: tried }
    : compared
      ? { name: compared.name, design: compared.front }
      : null;
  return (
    <Box>
      <TwoColumns>
        <TurnPlan
          front={both}
          ghost={ghosts}
          rear={behind}
          tyres={tyres}
          wheelbase={wheelbase}
          reach={1.75 * wheelbase}
          unit={unit}
        />
        <AxlePlan
          front={both}
          ghost={ghosts}
          tyre={front.tyre}
          wheelbase={wheelbase}
          shaft={shaft}
          onDrag={handleDrag}
        />
      </TwoColumns>
      <Box
        sx={{
          ...{ my: 1.5, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' },
          overflowX: 'auto',
        }}
      >
        <Choice
          label="What of the steering"
          value={part}
          options={parts}
          words={{ ...WORDS, rack: by }}
          onPick={setPart}
        />
        {tried && (
          <Typography variant="body2" role="status">
            Looked at: dashed in the plans, thin in the curve.
          </Typography>
        )}
      </Box>
      {part === 'curves' && (
        <TwoColumns>
          <SteerCurve
            curve={over.curve}
            compared={other}
            rack={rack}
            by={by}
            handwheel={handwheel}
            through={through}
            unit={unit}
          />
          <div>
            {now.reachable[0] === 0 && (
              <Typography role="alert" variant="body2" color="error">
                The {by} cannot come here: see the curve for how far it goes.
              </Typography>
            )}
            <SteerFigures
              now={now}
              curve={over.curve}
              sides={settled.sides}
              by={by}
              travels={!noTravel}
              handwheel={handwheel}
              through={ratiosThroughColumn(now, front)?.ratio[0] ?? null}
              wheelbase={wheelbase}
              outline={outline}
              unit={unit}
            />
          </div>
        </TwoColumns>
      )}
      {part === 'find' && <AckermannFinder {...props} />}
      {part === 'arms' && <ArmPart {...props} wheels={settled.sides} />}
      {part === 'lock' && <LockPart {...props} axle={settled.axle} />}
      {part === 'jacking' && <JackingPart {...props} axle={settled.axle} />}
      {part === 'rack' && <RackPart {...props} wheel={wheel} />}
      {part === 'effort' && <EffortPart {...props} wheel={wheel} other={beside} />}
    </Box>
  );
}
