'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { openedArms, upperArmLength } from '@/core/arms/armsFromCamber';
import type { ArmsFinding, ArmsFound, ArmsWanted } from '@/core/arms/armsFromCamber';
import type { LengthUnit } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { finderWorker } from '../../bench/finderWorker';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { PAPER } from '../../theme';
import { ArmsResults } from './ArmsResults';
import { SearchRow } from '../SearchRow';
import type { FloorStation } from '../floorStation';
import { useSearch } from '../useSearch';

interface Props extends Pick<
  FloorStation,
  'build' | 'axle' | 'design' | 'targets' | 'unit' | 'tried' | 'onTry'
> {
  onTake: (found: ArmsFound) => void;
}

const camberSchema = measure('deg', -15, 15);
const rollSchema = measure('mm', -500, 800);
const armSchema = measure('mm', 50, 2000);

/** Camber wanted, and what within the freedoms gives it. */
export function FindArms(props: Props) {
  const { build, axle, design, targets, unit, onTry } = props;
  const [ask, setAsk] = useState<'gain' | 'ends'>('gain');
  const [wanted, setWanted] = useState<ArmsWanted>(() => ({
    gain: (targets.camberGain[0] + targets.camberGain[1]) / 2,
    together: true,
  }));
  const { part, found: current, start } = useSearch<ArmsFinding>(design);
  const change = (next: Partial<ArmsWanted>) => setWanted((before) => ({ ...before, ...next }));
  const opened = openedArms(design, wanted.together);

  const search = () => {
    onTry(null);
    start((onProgress) => finderWorker().arms(build, axle, wanted, onProgress));
  };
  const pickAsk = (next: 'gain' | 'ends') => {
    setAsk(next);
    const middle = (targets.camberGain[0] + targets.camberGain[1]) / 2;
    change(
      next === 'gain'
        ? { gain: middle, bump: undefined, droop: undefined }
        : {
            gain: undefined,
            bump: tidy((middle * build.travel.bump) / 25),
            droop: tidy((-middle * build.travel.droop) / 25),
          },
    );
  };

  return (
    <Box
      component="section"
      aria-label="Find arms"
      sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.25, pt: 1 }}>
        <Box sx={{ width: '100%' }}>
          <Choice
            label="Camber is asked for"
            value={ask}
            options={['gain', 'ends']}
            words={{ gain: 'camber per 25 mm', ends: 'camber at full bump and droop' }}
            onPick={pickAsk}
          />
        </Box>
        {wanted.gain !== undefined && (
          <AngleField
            label="Per 25 mm of bump"
            value={tidy(wanted.gain)}
            schema={camberSchema}
            onValue={(gain) => change({ gain })}
            width={150}
          />
        )}
        {wanted.bump !== undefined && (
          <AngleField
            label="Change at bump"
            value={wanted.bump}
            schema={camberSchema}
            onValue={(bump) => change({ bump })}
            width={130}
          />
        )}
        {wanted.droop !== undefined && (
          <AngleField
            label="Change at droop"
            value={wanted.droop}
            schema={camberSchema}
            onValue={(droop) => change({ droop })}
            width={130}
          />
        )}
        <Optional
          label="Roll centre"
          value={wanted.rollCentre}
          start={60}
          onValue={(rollCentre) => change({ rollCentre })}
          unit={unit}
          schema={rollSchema}
        />
        <Optional
          label="Upper arm"
          value={wanted.upperArm}
          start={tidy(upperArmLength(design.points))}
          onValue={(upperArm) => change({ upperArm })}
          unit={unit}
          schema={armSchema}
        />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        <Toggle
          label="Lower arm level"
          on={wanted.level === true}
          onSwitch={(on) => change({ level: on || undefined })}
        />
        <Toggle
          label="An arm’s pivots move as one bracket"
          on={wanted.together}
          onSwitch={(together) => change({ together })}
        />
      </Box>
      <SearchRow label="Find arms" part={part} opened={opened} steered onSearch={search} />
      {current && <ArmsResults {...props} finding={current} />}
    </Box>
  );
}

const tidy = (value: number): number => Math.round(value * 100) / 100;

function Optional({
  label,
  value,
  start,
  unit,
  schema,
  onValue,
}: {
  label: string;
  value: number | undefined;
  start: number;
  unit: LengthUnit;
  schema: typeof rollSchema;
  onValue: (mm: number | undefined) => void;
}) {
  if (value === undefined)
    return (
      <Button
        variant="outlined"
        color="inherit"
        onClick={() => onValue(start)}
        sx={{ height: 40, fontWeight: 400, borderColor: PAPER.line }}
      >
        {label}: any
      </Button>
    );
  return (
    <Box sx={{ display: 'flex' }}>
      <LengthField
        label={label}
        value={value}
        unit={unit}
        schema={schema}
        onValue={onValue}
        width={116}
      />
      <Button size="small" sx={{ minWidth: 0 }} onClick={() => onValue(undefined)}>
        any
      </Button>
    </Box>
  );
}
