'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { pointNames } from '@/core/corners/kinds';
import type { CornerType } from '@/core/corners/cornerType';
import type { PointName } from '@/core/model/points';
import { pointLabel, rodWord } from '@/core/model/labels';
import { printLength, readable, unitName } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { memberEffects, pointEffects } from '@/core/tolerance/adjusters';
import type { Adjuster } from '@/core/tolerance/adjusters';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import type { FloorStation } from '../floorStation';
import { Holes } from './Holes';

type Props = Pick<FloorStation, 'build' | 'wheel' | 'unit' | 'selected' | 'onSelect'>;

const PITCH = 1.5;
const pitchSchema = measure('mm', 0.2, 10);

/** What a turn, a washer, a hole or a flip does to the wheel as it stands, everything else left alone. */
export function Adjusters(props: Props) {
  const { wheel, unit, selected, onSelect } = props;
  const { design, type, points } = wheel;
  const [pitch, setPitch] = useState(PITCH);
  const names = jointsOf(type);
  const point = chosenOf(type, selected);
  const members = useMemo(() => memberEffects(wheel, pitch), [wheel, pitch]);
  const steps = useMemo(() => pointEffects(wheel, point), [wheel, point]);
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  const named = ({ of }: Adjuster): string =>
    'member' in of
      ? of.member.replace('tie rod', rodWord(design))
      : `${of.coordinate} ${length(points[of.point][of.coordinate])}`;
  return (
    <Box
      component="section"
      aria-label="Adjusters"
      sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}
    >
      {members.length > 0 && (
        <>
          <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', pt: 1.25 }}>
            <LengthField
              label="mm a turn"
              value={pitch}
              unit="mm"
              schema={pitchSchema}
              onValue={setPitch}
              width={104}
            />
            <Typography variant="body2">
              One turn longer; a left and a right thread in one tube count both.
            </Typography>
          </Box>
          <Effects
            list={members}
            what="Tube, link or rod"
            named={named}
            step={() => ''}
            unit={unit}
          />
        </>
      )}
      <TextField
        select
        label="Joint"
        value={point}
        onChange={(event) => onSelect(event.target.value)}
        sx={{ mt: 1.5, width: 240 }}
      >
        {names.map((name) => (
          <MenuItem key={name} value={name}>
            {pointLabel(design, name)}
          </MenuItem>
        ))}
      </TextField>
      <Effects
        list={steps}
        what="One step"
        named={named}
        step={({ step, unit: of }) =>
          `${step > 0 ? '+' : '−'}${length(Math.abs(step))}, ${STEPS[of]}`
        }
        unit={unit}
      />
      <Holes {...props} point={point} />
      <Typography variant="caption" color="text.secondary" component="p">
        Exact: the wheel put together again at ride height with the step in, arms and rods as long
        as they are, so toe follows until it is set again. Track counts both sides.
        {type.special ? ` ${type.special}` : ''}
      </Typography>
    </Box>
  );
}

/** Joints that can be set: all but marks and the wheel's own centre. */
const jointsOf = (type: CornerType): PointName[] =>
  pointNames(type).filter((name) => !type.points[name].mark && name !== 'wheelCentre');

function chosenOf(type: CornerType, selected: PointName | null): PointName {
  const names = jointsOf(type);
  return selected !== null && names.includes(selected) ? selected : names[0];
}

const STEPS: Record<Adjuster['unit'], string> = {
  turn: 'a turn',
  washer: 'a washer',
  hole: 'the next hole',
  flip: 'turned over',
  throw: 'the whole throw',
  slot: 'in its slot',
  mm: 'moved',
};

function Effects({
  list,
  what,
  named,
  step,
  unit,
}: {
  list: Adjuster[];
  what: string;
  named: (one: Adjuster) => string;
  step: (one: Adjuster) => string;
  unit: Props['unit'];
}) {
  const degrees = (value: number | null) => (value === null ? '–' : signed(value, 3, '°'));
  return (
    <Table aria-label={what} sx={{ mt: 0.5 }}>
      <thead>
        <tr>
          <th scope="col">{what}</th>
          {['camber', 'caster', 'toe', `track (${unitName(unit)})`].map((word) => (
            <th key={word} scope="col" className="number">
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {list.map((one) => {
          const { effect } = one;
          return (
            <tr key={JSON.stringify(one.of)} data-adjuster={named(one)}>
              <th scope="row">
                {named(one)} <small>{step(one)}</small>
              </th>
              {effect ? (
                <>
                  <td className="number">{degrees(effect.camber)}</td>
                  <td className="number">{degrees(effect.caster)}</td>
                  <td className="number">{degrees(effect.toe)}</td>
                  <td className="number">
                    {unit === 'mm'
                      ? signed(effect.track, 2, '')
                      : signed(effect.track / 25.4, 3, '')}
                  </td>
                </>
              ) : (
                <td colSpan={4}>does not go together</td>
              )}
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}

/** `+0.120°`; what rounds to nought has no sign. */
function signed(value: number, decimals: number, ending: string): string {
  const text = Math.abs(value).toFixed(decimals);
  return `${Number(text) === 0 ? '' : value > 0 ? '+' : '−'}${text}${ending}`;
}
