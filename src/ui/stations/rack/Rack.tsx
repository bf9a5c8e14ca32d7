'use client';

import { useState } from 'react';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import type { Nulls } from '@/core/bumpsteer/nulls';
import { pointLabel } from '@/core/model/labels';
import { printLength, readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import type { useShim } from '../../build/useShim';
import { FreedomEditor, NullMap, NullFinder, NullPanel, RodStrength } from '../lazy';
import type { FloorStation } from '../floorStation';
import { useFreedomEdit } from '../useFreedomEdit';
import { adviceInWords } from './instructions';
import { PointsTable } from './PointsTable';
import { ShimPanel } from './ShimPanel';

const PARTS = ['joints', 'null', 'map', 'freedoms', 'find', 'strength'] as const;
type Part = (typeof PARTS)[number];
const WORDS: Record<Part, string> = {
  joints: 'joints',
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
export function Rack({ shim, onFind, ...props }: RackPanelProps) {
  const { wheel, selected, unit, targets } = props;
  const { axle, design, points } = wheel;
  const [picked, setPart] = useState<Part>('joints');
  // What a rod carries is reckoned about what the wheel steers about: not where that is nothing.
  // A wheel without travel has no bump steer to null.
  const parts = PARTS.filter((one) =>
    one === 'strength'
      ? wheel.type.steersAbout !== null
      : wheel.travels || one === 'joints' || one === 'freedoms',
  );
  const part = parts.includes(picked) ? picked : 'joints';
  const point = selected === 'tieRodInner' || selected === 'tieRodOuter' ? selected : 'tieRodOuter';
  const handleFreedom = useFreedomEdit(axle, point, props.onEdit);
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  const advice = shim.advice.map((one) => adviceInWords(one, design, length, unit));
  return (
    <>
      <Choice
        label={!wheel.steered ? 'Toe link' : wheel.travels ? 'Rack and tie rod' : 'Tie rods'}
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
              joint={pointLabel(design, 'tieRodOuter')}
              onFind={onFind}
              onTake={shim.take}
              onLeave={shim.leave}
            />
          )}
        </>
      )}
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
