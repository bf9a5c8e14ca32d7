'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { openedArms } from '@/core/arms/armsProblem';
import { armLength, lowerArmOf, upperArmOf } from '@/core/kinematics/arms';
import type { ArmsFinding } from '@/core/arms/armsFromCamber';
import type { ArmsFound } from '@/core/arms/armsProblem';
import { camberWanted, rollCentreWanted, upperArmWanted } from '@/core/model/armsWanted';
import type { ArmsWanted } from '@/core/model/armsWanted';
import type { LengthUnit } from '@/core/model/units';
import { finderWorker } from '../../build/finderWorker';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { PAPER } from '../../theme';
import { ArmsResults } from './ArmsResults';
import { SearchRow, Stale } from '../SearchRow';
import type { FloorStation } from '../floorStation';
import { askedOf } from '../useAsked';
import { useSearch } from '../useSearch';

interface Props extends Pick<
  FloorStation,
  'build' | 'wheel' | 'targets' | 'unit' | 'tried' | 'onTry' | 'onEdit'
> {
  onTake: (found: ArmsFound) => void;
}

/** Camber wanted, and what within the freedoms gives it. */
export function FindArms(props: Props) {
  const { build, wheel, targets, unit, onTry, onEdit } = props;
  const { axle, design, type } = wheel;
  const wanted: ArmsWanted = build.asked?.arms ?? {
    gain: (targets.camberGain[0] + targets.camberGain[1]) / 2,
    together: true,
  };
  const ask = wanted.gain === undefined ? 'ends' : 'gain';
  const {
    part,
    found: current,
    stale,
    start,
  } = useSearch<ArmsFinding>(`arms ${axle}`, design, wanted);
  const put = askedOf(onEdit);
  const change = (next: { [K in keyof ArmsWanted]?: ArmsWanted[K] | undefined }, step?: string) =>
    put(
      'arms',
      Object.fromEntries(
        Object.entries({ ...wanted, ...next }).filter(([, value]) => value !== undefined),
      ) as ArmsWanted,
      step,
    );
  const opened = openedArms(design, wanted.together);
  const upperArm = upperArmOf(type);

  const search = () => {
    onTry(null);
    start((onProgress) => finderWorker().arms(build, axle, wanted, onProgress));
  };
  const pickAsk = (next: 'gain' | 'ends') => {
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
            schema={camberWanted}
            onValue={(gain, step) => change({ gain }, step)}
            width={150}
          />
        )}
        {wanted.bump !== undefined && (
          <AngleField
            label="Change at bump"
            value={wanted.bump}
            schema={camberWanted}
            onValue={(bump, step) => change({ bump }, step)}
            width={130}
          />
        )}
        {wanted.droop !== undefined && (
          <AngleField
            label="Change at droop"
            value={wanted.droop}
            schema={camberWanted}
            onValue={(droop, step) => change({ droop }, step)}
            width={130}
          />
        )}
        <Optional
          label="Roll centre"
          value={wanted.rollCentre}
          start={60}
          onValue={(rollCentre, step) => change({ rollCentre }, step)}
          unit={unit}
          schema={rollCentreWanted}
        />
        {upperArm && (
          <Optional
            label="Upper arm"
            value={wanted.upperArm}
            start={tidy(armLength(upperArm, design.points))}
            onValue={(long, step) => change({ upperArm: long }, step)}
            unit={unit}
            schema={upperArmWanted}
          />
        )}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {lowerArmOf(type) && (
          <Toggle
            label="Lower arm level"
            on={wanted.level === true}
            onSwitch={(on) => change({ level: on || undefined })}
          />
        )}
        {!type.tieRod && (
          <Toggle
            label="Toe keeps in bump and droop"
            on={wanted.toe === true}
            onSwitch={(on) => change({ toe: on || undefined })}
          />
        )}
        {type.pivots.length > 0 && (
          <Toggle
            label="An arm’s pivots move as one bracket"
            on={wanted.together}
            onSwitch={(together) => change({ together })}
          />
        )}
      </Box>
      <SearchRow
        label={`Find ${type.station.name.toLowerCase()}`}
        part={part}
        opened={opened}
        design={design}
        onSearch={search}
      />
      {stale && <Stale />}
      {current && <ArmsResults {...props} design={design} finding={current} />}
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
  schema: typeof rollCentreWanted;
  onValue: (mm: number | undefined, step?: string) => void;
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
