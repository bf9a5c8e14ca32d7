'use client';

import { rodEnds } from '@/core/corners/kinds';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { rodAsBuilt } from '@/core/strength/rodParts';
import { RESERVE, rodStrength } from '@/core/strength/rodStrength';
import { GRADES, rodSchema, startingLoads, tieRodParts } from '@/core/model/rod';
import type { Grade, TieRodPart } from '@/core/model/rod';
import { ARTICULATION_LIMITS } from '@/core/model/room';
import { jointTypeOf, articulationsOf } from '@/core/clearance/articulation';
import { pointLabel } from '@/core/model/labels';
import { lengthIn, printLength, readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import type { RackProps } from './Rack';

const PLAIN = [
  { key: 'wheelLoad', label: 'load on the wheel', ending: 'N', width: 126 },
  { key: 'grip', label: 'grip', ending: '', width: 90 },
  { key: 'factor', label: 'kerb factor', ending: '×', width: 104 },
] as const;

const LENGTHS = [
  ['outside', 'rod, outside'],
  ['wall', 'rod, wall'],
  ['thread', 'rod’s thread'],
  ['engaged', 'thread engaged'],
  ['bolt', 'outer bolt'],
  ['spacer', 'spacer, single shear'],
] as const;

type Row = [what: string, figure: string, enough: boolean | null];

/** First estimates of what the tie rod carries and what that does to spacer, rod and thread. */
export function RodStrength(props: RackProps) {
  const { build, wheel, unit, onEdit } = props;
  const { axle, design } = wheel;
  const loads = { ...startingLoads(build), ...build.rod };
  const rod = rodAsBuilt(build, wheel);
  const { parts, from } = rod;
  const setLoad = (key: keyof ReturnType<typeof startingLoads>, value: number, step?: string) =>
    onEdit((draft) => {
      (draft.rod ??= { ...startingLoads(draft) })[key] = value;
    }, step);
  const set = (key: TieRodPart, value: number | Grade, step?: string) =>
    onEdit((draft) => {
      const own = (draft[axle]!.tieRod ??= {});
      Object.assign(own, { [key]: value });
      if (key === 'engaged') own.engagedAt = Math.round(rod.length * 100) / 100;
    }, step);
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  const note = (key: TieRodPart): string => {
    if (key === 'spacer' && from.spacer === 'layout') return 'the washers fitted';
    if (key === 'spacer' && from.spacer === 'typed' && rod.washers !== null)
      return `typed over ${length(rod.washers)} of washers`;
    if (key === 'engaged' && from.engaged === 'layout')
      return `rod ${length(Math.abs(rod.longer))} ${rod.longer > 0 ? 'longer' : 'shorter'} than measured`;
    return from[key] === 'typed' ? 'yours' : 'assumed';
  };
  const found = rodStrength(wheel, { ...loads, ...parts });
  const ends = rodEnds(wheel.type);
  const articulations = useMemo(() => articulationsOf(wheel), [wheel]);
  const bends = [ends.inner, ends.outer].flatMap((name): Row[] => {
    if (!articulations) return [];
    const kind = jointTypeOf(wheel, name);
    const limit = build.room?.wanted[kind] ?? ARTICULATION_LIMITS[kind];
    const { angle } = articulations[name];
    return [
      [
        `${pointLabel(design, name)} articulates over travel and lock`,
        `${angle.toFixed(1)}° of ${limit}°`,
        angle <= limit,
      ],
    ];
  });
  if (!found) return null;
  const rows: Row[] = [
    ['lever of the rod about the kingpin', lengthIn(found.lever, unit), null],
    [
      `force along the rod, ${wheel.type.coupled ? 'both wheels ' : ''}steered at rest`,
      `${(found.steady / 1000).toFixed(2)} kN`,
      null,
    ],
    ['the same, over a kerb', `${(found.kerbForce / 1000).toFixed(2)} kN`, null],
    [
      'bolt bent by the kerb force',
      `${found.bending.toFixed(0)} N/mm², yield ${found.boltReserve.toFixed(1)} times that`,
      found.boltReserve >= RESERVE,
    ],
    [
      `rod buckles (${found.rule}, slenderness ${found.slenderness.toFixed(0)}) at`,
      `${(found.buckling / 1000).toFixed(1)} kN, ${found.rodReserve.toFixed(1)} times the kerb force`,
      found.rodReserve >= RESERVE,
    ],
    [
      'thread wanted, 1.5 diameters of it',
      `${lengthIn(found.threadEngagement, unit)} of ${length(parts.engaged)}`,
      parts.engaged >= found.threadEngagement,
    ],
    ...bends,
  ];
  return (
    <Box component="section" aria-label="Strength" sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.5, pt: 1.25 }}>
        {PLAIN.map(({ key, label, ending, width }) => (
          <PlainField
            key={key}
            label={label}
            ending={ending}
            value={loads[key]}
            schema={rodSchema.shape[key]}
            onValue={(value, step) => setLoad(key, value, step)}
            width={width}
          />
        ))}
        <PlainField
          label="rod’s yield"
          ending="N/mm²"
          value={parts.yield}
          schema={tieRodParts.shape.yield}
          onValue={(value, step) => set('yield', value, step)}
          note={note('yield')}
          width={118}
        />
        {LENGTHS.map(([key, label]) => (
          <LengthField
            key={key}
            label={label}
            value={tidy(parts[key])}
            unit={unit}
            schema={tieRodParts.shape[key]}
            onValue={(value, step) => set(key, value, step)}
            note={note(key)}
            width={key === 'spacer' ? 136 : 100}
          />
        ))}
        <Choice
          label="Bolt’s grade"
          value={parts.grade}
          options={Object.keys(GRADES) as Grade[]}
          onPick={(grade) => set('grade', grade)}
        />
        {from.spacer === 'typed' && rod.washers !== null && (
          <Button
            size="small"
            onClick={() => onEdit((draft) => void delete draft[axle]!.tieRod?.spacer)}
          >
            Back to the washers fitted
          </Button>
        )}
      </Box>
      <Table aria-label="First estimates" sx={{ mt: 1 }}>
        <tbody>
          {rows.map(([what, figure, good]) => (
            <tr key={what} data-estimate={good === null ? undefined : good ? 'enough' : 'short'}>
              <td>{what}</td>
              <td className="number">{figure}</td>
              <td style={{ color: good === false ? VERDICT.bad : VERDICT.good, width: 20 }}>
                {good === null ? '' : good ? '✓' : '✕'}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {bends.some(([, , enough]) => enough === false) && (
        <Typography variant="body2" sx={{ color: VERDICT.edge, mt: 0.5 }}>
          + A joint that articulates past its limit binds and breaks. Spacers for high misalignment
          let a rod end go further: type their limit under Arms, room.
        </Typography>
      )}
      {(found.boltReserve < RESERVE || parts.spacer > 15) && (
        <Typography variant="body2" sx={{ color: VERDICT.edge, mt: 0.5 }}>
          + A spacer on a bolt held at one end bends. The cures: hold the bolt at both ends (double
          shear), or find a shorter spacer.
        </Typography>
      )}
      <Typography variant="caption" component="p" color="text.secondary" sx={{ mt: 0.5 }}>
        First estimates, no proof of strength: a tyre turned at rest, times a factor for a kerb; the
        bolt as a bar held at one end; the rod by Euler where it is slender, by Johnson’s parabola
        where it is stocky. Parts are this layout’s; what nobody said is assumed: plain steel tube
        of 235 N/mm², M12. A reserve under {RESERVE} is too little. Rod ends of automotive grade,
        full thread, locked; welds on steering parts by qualified hands; have it inspected as the
        law where you drive asks.
      </Typography>
    </Box>
  );
}

/** To a hundredth of a mm. */
const tidy = (mm: number): number => Math.round(mm * 100) / 100;
