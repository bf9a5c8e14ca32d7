'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { CornerType } from '@/core/corners/cornerType';
import { nearSideOf } from '@/core/corners/kinds';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import type { Nulls } from '@/core/bumpsteer/nulls';
import { pointLabel, rodWord } from '@/core/model/labels';
import type { RodWord } from '@/core/model/labels';
import { printLength, readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import type { useShim } from '../../build/useShim';
import { goTo } from '../../build/place';
import { CarSteerPart, FreedomEditor, NullMap, NullFinder, NullPanel, RodStrength } from '../lazy';
import type { FloorStation } from '../floorStation';
import { useFreedomEdit } from '../useFreedomEdit';
import { adviceInWords } from './instructions';
import { PointsTable } from './PointsTable';
import { ShimPanel } from './ShimPanel';

const PARTS = ['joints', 'axle', 'null', 'map', 'freedoms', 'find', 'strength'] as const;
type Part = (typeof PARTS)[number];
const WORDS: Record<Part, string> = {
  joints: 'joints',
  axle: 'car’s steer',
  null: 'null line',
  map: 'map',
  freedoms: 'freedoms',
  find: 'find',
  strength: 'strength',
};

export interface RackProps extends FloorStation {
  bumpSteer: BumpSteer | null;
  /** Both joints' null lines, once what finds them has been fetched. */
  nulls: Nulls | null;
}

export interface RackPanelProps extends RackProps {
  shim: ReturnType<typeof useShim>;
  onFind: () => void;
}

/** Where rack and tie-rod joints go so that bumps do not steer. */
export function Rack(props: RackPanelProps) {
  const { wheel } = props;
  const { tieRod } = wheel.type;
  if (tieRod) return <OfRod {...props} rod={tieRod} />;
  const near = nearSideOf(wheel.design);
  return (
    <>
      <Typography variant="body2" sx={{ my: 1 }}>
        The drag link goes to the {near} wheel’s arm: it is set there. The tie rod from arm to arm
        turns this wheel with it.
      </Typography>
      <Button size="small" variant="outlined" onClick={() => goTo({ side: near })}>
        Look at the {near} wheel
      </Button>
    </>
  );
}

const NAMES: Record<RodWord, string> = {
  'tie rod': 'Rack and tie rod',
  'toe link': 'Toe link',
  'drag link': 'Drag link',
};

function OfRod({
  shim,
  onFind,
  rod,
  ...props
}: RackPanelProps & { rod: NonNullable<CornerType['tieRod']> }) {
  const { wheel, selected, unit, targets } = props;
  const { axle, design, points, type } = wheel;
  const [picked, setPart] = useState<Part>('joints');
  // What a rod carries is reckoned about what the wheel steers about: not where that is nothing.
  // A wheel without travel has no bump steer to null.
  const parts = PARTS.filter((one) =>
    one === 'axle'
      ? wheel.travels && type.coupled !== undefined
      : one === 'strength'
        ? type.steersAbout !== null
        : wheel.travels || one === 'joints' || one === 'freedoms',
  );
  const part = parts.includes(picked) ? picked : 'joints';
  const point = selected === rod.inner || selected === rod.outer ? selected : rod.outer;
  const handleFreedom = useFreedomEdit(axle, point, props.onEdit);
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  const advice = shim.advice.map((one) => adviceInWords(one, design, length, unit));
  return (
    <>
      <Choice
        label={wheel.travels || type.coupled ? NAMES[rodWord(design)] : 'Tie rods'}
        value={part}
        options={parts}
        words={WORDS}
        onPick={setPart}
      />
      {part === 'joints' && (
        <>
          <PointsTable
            design={design}
            points={points}
            unit={unit}
            selected={selected}
            onSelect={props.onSelect}
            onEdit={props.onPoints}
          />
          {wheel.travels && (
            <ShimPanel
              bumpSteer={props.bumpSteer}
              found={shim.proposal}
              advice={advice}
              hopeless={shim.hopeless}
              bands={targets.bumpSteer}
              unit={unit}
              joint={pointLabel(design, rod.outer)}
              onFind={onFind}
              onTake={shim.take}
              onLeave={shim.leave}
            />
          )}
        </>
      )}
      {part === 'axle' && <CarSteerPart {...props} />}
      {part === 'null' && <NullPanel {...props} />}
      {part === 'map' && <NullMap {...props} />}
      {part === 'freedoms' && (
        <FreedomEditor
          key={point}
          wheel={wheel}
          point={point}
          unit={unit}
          onFreedom={handleFreedom}
        />
      )}
      {part === 'find' && <NullFinder {...props} />}
      {part === 'strength' && <RodStrength {...props} />}
    </>
  );
}
