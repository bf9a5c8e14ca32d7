'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useState } from 'react';
import { openedArms, upperArmLength } from '@/core/arms/armsFromCamber';
import type { ArmsFinding, ArmsFound, ArmsWanted } from '@/core/arms/armsFromCamber';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { finderWorker } from '../../bench/finderWorker';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField } from '../../fields/NumberField';
import { PAPER } from '../../theme';
import { ArmsResults } from './ArmsResults';
import type { FloorStation } from '../floorStation';

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
  const [part, setPart] = useState<number | null>(null);
  const [finding, setFinding] = useState<{ of: AxleDesign; found: ArmsFinding } | null>(null);
  const change = (next: Partial<ArmsWanted>) => setWanted((before) => ({ ...before, ...next }));
  const opened = openedArms(design, wanted.together);
  const current = finding?.of === design ? finding.found : null;

  const search = () => {
    onTry(null);
    setPart(0);
    void finderWorker()
      .arms(
        build,
        axle,
        wanted,
        proxy((done: number) => setPart(done)),
      )
      .then((found) => {
        setPart(null);
        if (found) setFinding({ of: design, found });
      });
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
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, my: 1 }}>
        <Button
          variant="contained"
          onClick={search}
          disabled={part !== null || opened.length === 0}
          sx={{ whiteSpace: 'nowrap', flex: 'none' }}
        >
          Find arms
        </Button>
        {part === null ? (
          <Typography variant="body2" color="text.secondary">
            {opened.length === 0
              ? 'Nothing may move yet: pick a point and say under “Freedoms” what can be changed.'
              : `May move: ${opened.map(({ point, coordinate }) => `${pointLabel(point, true)} ${coordinate}`).join(', ')}.`}
          </Typography>
        ) : (
          <>
            <LinearProgress
              variant="determinate"
              value={part * 100}
              aria-label="Combinations tried"
              sx={{ flex: 1 }}
            />
            <Button size="small" onClick={() => void finderWorker().cancel()}>
              Stop
            </Button>
          </>
        )}
      </Box>
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

const Toggle = ({
  label,
  on,
  onSwitch,
}: {
  label: string;
  on: boolean;
  onSwitch: (on: boolean) => void;
}) => (
  <FormControlLabel
    control={<Switch size="small" checked={on} onChange={(e) => onSwitch(e.target.checked)} />}
    label={label}
    sx={{ ml: 0, '& .MuiFormControlLabel-label': { fontSize: 13.5 } }}
  />
);
