import { styled } from '@mui/material/styles';
import { useContext } from 'react';
import type { Targets } from '@/core/model/brief';
import type { Wheel } from '@/core/kinematics/wheel';
import type { LengthUnit } from '@/core/model/units';
import type { SteeringFigures } from '@/core/steering/steering';
import type { Bands } from '@/core/tolerance/bands';
import { CyclePad } from '../pad/CyclePad';
import { Readouts } from '../readouts/Readouts';
import { SteeringReadouts } from '../readouts/SteeringReadouts';
import { VERDICT } from '../theme';
import { OfSketch } from '../verdict';
import { Caution } from './Caution';
import { Beside } from './frame';
import type { CornerView, Position } from './useCorner';
import { useView } from './viewStore';

const { show } = useView.getState();

/** Beside the floor: the wheel's figures, the axle's steering, and the pad that cycles the wheel. */
export function Figures({
  wheel,
  corner,
  proposed,
  before,
  against,
  steering,
  targets,
  bands,
  position: { travel, rack, opposite },
  trouble,
  unit,
}: {
  wheel: Wheel;
  corner: CornerView;
  /** What is looked at: figures follow it, as floor and curve do. */
  proposed: CornerView | null;
  /** The build as it was opened, or the variant it is compared with, and what that is called. */
  before: CornerView | null;
  against: string | null;
  steering: SteeringFigures | null;
  targets: Targets;
  bands: Bands | null;
  position: Position;
  /** Why the position cannot be reached, where nothing else on the page says it. */
  trouble: string;
  unit: LengthUnit;
}) {
  const ofSketch = useContext(OfSketch);
  const looked = proposed ?? corner;
  return (
    <Beside>
      <Readouts
        reading={looked.reading}
        before={(proposed ? corner : before)?.reading ?? null}
        since={
          proposed
            ? 'by what is looked at'
            : against === null
              ? 'since opened'
              : `against ${against}`
        }
        looked={proposed !== null}
        sweep={wheel.travels ? (opposite && looked.inRoll?.sweep) || looked.sweep : null}
        targets={wheel.steered && !ofSketch ? targets : null}
        bands={proposed ? null : bands}
        travel={travel}
        design={wheel.design}
        unit={unit}
      />
      {steering && <SteeringReadouts steering={steering} targets={targets} />}
      <div>
        {trouble !== '' && <Trouble role="alert">{trouble}</Trouble>}
        <CyclePad
          travel={travel}
          rack={rack}
          limits={wheel.travel}
          steerRange={wheel.steerRange}
          steersBy={wheel.steersBy}
          unit={unit}
          onMove={show}
        />
        <Caution />
      </div>
    </Beside>
  );
}

const Trouble = styled('p')({ margin: '0 0 8px', color: VERDICT.bad, fontWeight: 600 });
