'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { briefOf } from '@/core/model/brief';
import { wheelOf } from '@/core/kinematics/wheel';
import { useView } from '../../build/viewStore';
import { drawnAsTyped } from '../../floor/drawing';
import { NARROW } from '../../theme';
import { comparedIn } from '../../variants/compared';
import type { DeskProps } from '../list';
import { Section } from '../brief/parts';
import { AxlePlan, TurnPlan } from './CarPlan';
import { SteerCurve } from './SteerCurve';
import { SteerFigures } from './SteerFigures';
import { Stops } from './Stops';
import { WhichSide } from './WhichSide';
import { useSteering, useSteeringCurve } from './useSteering';

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Does it turn true, far enough, the right way? Both front wheels from lock to lock, at any travel. */
export function Steering({ build, unit }: Pick<DeskProps, 'build' | 'unit'>) {
  const { front, rear, wheelbase, travel: limits } = build;
  const travel = useView((view) => view.travel);
  const limit = front.rack?.travel ?? 0;
  const rack = useView((view) => Math.max(-limit, Math.min(limit, view.rack)));
  const compared = comparedIn(
    build,
    useView((view) => view.compared),
  );
  const found = useSteering(build, travel, rack);
  const other = useSteeringCurve(compared?.front, build, travel);
  const { lock } = briefOf(build).targets;
  const behind = useMemo(() => {
    if (!rear) return null;
    const drawn = (side: 'left' | 'right') =>
      drawnAsTyped(wheelOf({ front, rear, travel: limits }, 'rear', side)!.drawn);
    return { left: drawn('left'), right: drawn('right') };
  }, [front, rear, limits]);
  const tyres = useMemo(() => ({ front: front.tyre, rear: (rear ?? front).tyre }), [front, rear]);
  if (!found.ok)
    return (
      <Typography role="alert" sx={{ fontWeight: 600 }}>
        {capital(found.why)}.
      </Typography>
    );
  const { curve, now, sides, front: both } = found.view;
  const perTurn = front.rack?.perTurn;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)',
        gap: 2,
        alignItems: 'start',
        [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
      }}
    >
      <TurnPlan
        front={both}
        rear={behind}
        tyres={tyres}
        wheelbase={wheelbase}
        reach={1.75 * wheelbase}
        unit={unit}
      />
      <AxlePlan front={both} tyres={tyres} wheelbase={wheelbase} />
      <SteerCurve curve={curve} compared={other} rack={rack} perTurn={perTurn} unit={unit} />
      <div>
        {now.reachable[0] === 0 && (
          <Typography role="alert" variant="body2" color="error">
            The rack cannot come here: see the curve for how far it goes.
          </Typography>
        )}
        <SteerFigures
          now={now}
          curve={curve}
          perTurn={perTurn}
          tyreWidth={front.tyre.width}
          unit={unit}
        />
      </div>
      <Section title="Which side of the kingpin?">
        <WhichSide wheels={sides} wheelbase={wheelbase} unit={unit} />
      </Section>
      <Section title="Stops">
        <Stops axle={found.view.axle} wheelbase={wheelbase} lock={lock} unit={unit} />
      </Section>
    </Box>
  );
}
