'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { pointLabel, rodWord } from '@/core/model/labels';
import { printLength, readable, unitName } from '@/core/model/units';
import { isInConflict } from '@/core/takeoff/measured';
import { readerOf } from '@/core/takeoff/places';
import { takeOffOf } from '@/core/model/takeOff';
import { takeOver } from '@/core/takeoff/symmetry';
import type { Choice } from '@/core/takeoff/symmetry';
import { symmetryOf } from '@/core/tolerance/symmetry';
import type { Stands } from '@/core/tolerance/symmetry';
import { Table } from '../../fields/Table';
import { AskFirst } from './AskFirst';
import type { StationProps } from './TakeOff';

const CHOICES: [Choice, string][] = [
  ['mean', 'Take the mean of both'],
  ['left', 'Take the left for both'],
  ['right', 'Take the right for both'],
  ['both', 'Take both as they are'],
];

/** How far a frame is out of symmetry, what that does, and what to make of it. */
export function Symmetry({ build, wheel, unit, onEdit }: StationProps) {
  const { axle, design, type } = wheel;
  const symmetry = useMemo(() => symmetryOf(build, axle), [build, axle]);
  const [asking, setAsking] = useState<Choice | null>(null);
  const disputed = useMemo(() => {
    const { read } = readerOf(build);
    return takeOffOf(build).measured.flatMap((record) =>
      record.axle === axle && isInConflict(read(record))
        ? [`${pointLabel(design, record.point)}, ${record.side}`]
        : [],
    );
  }, [build, axle, design]);
  const take = (choice: Choice) => {
    setAsking(null);
    onEdit((draft) => takeOver(draft, axle, choice));
  };
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  if (!symmetry.worst)
    return (
      <Typography sx={{ maxWidth: 620 }}>
        Nothing is measured on both sides of the {axle} axle yet. Measure a point on the left, show
        the right side above, and measure it there too: Havrik then says how far the frame is out
        and what it does.
      </Typography>
    );
  const { worst, left, right } = symmetry;
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography sx={{ fontWeight: 600 }}>
        The {pointLabel(design, worst.point)} is furthest out: {length(worst.apart)}{' '}
        {unitName(unit)} between the sides.
      </Typography>
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        {left && right
          ? effect(left, right, type.tieRod ? `arms and ${rodWord(design)}s` : 'arms and links')
          : 'One side cannot be put together from arms of the drawn lengths: the sides are too far apart.'}
      </Typography>
      <Table aria-label="Left against right">
        <thead>
          <tr>
            <th scope="col">Right less left ({unitName(unit)})</th>
            <th scope="col" className="number">
              ahead
            </th>
            <th scope="col" className="number">
              out
            </th>
            <th scope="col" className="number">
              up
            </th>
            <th scope="col" className="number">
              apart
            </th>
          </tr>
        </thead>
        <tbody>
          {symmetry.points.map(({ point, off, apart }) => (
            <tr key={point}>
              <th scope="row">{pointLabel(design, point)}</th>
              <td className="number">{length(off.ahead)}</td>
              <td className="number">{length(off.out)}</td>
              <td className="number">{length(off.up)}</td>
              <td className="number">{length(apart)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {left && right && (
        <Table aria-label="What each side does" sx={{ mt: 2, maxWidth: 520 }}>
          <thead>
            <tr>
              <th scope="col">Arms and rods alike on both</th>
              <th scope="col" className="number">
                left
              </th>
              <th scope="col" className="number">
                right
              </th>
            </tr>
          </thead>
          <tbody>
            {(
              [
                ['Toe at ride height', 'toe'],
                ['Camber at ride height', 'camber'],
                ['Toe range over the travel', 'toeRange'],
              ] as const
            ).map(([word, key]) => (
              <tr key={key}>
                <th scope="row">{word}</th>
                <td className="number">{degrees(left[key])}</td>
                <td className="number">{degrees(right[key])}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2 }}>
        {CHOICES.map(([choice, label]) => (
          <Button
            key={choice}
            variant="outlined"
            onClick={() => (disputed.length > 0 ? setAsking(choice) : take(choice))}
          >
            {label}
          </Button>
        ))}
      </Box>
      <AskFirst
        points={asking ? disputed : null}
        onYes={() => asking && take(asking)}
        onNo={() => setAsking(null)}
      />
      <Typography variant="caption" color="text.secondary" component="p">
        The mean suits a frame that is to be straightened or a fresh set of arms; both as they are
        gives the right side points of its own. Undo brings the old ones back.
      </Typography>
    </Box>
  );
}

const degrees = (value: number | null): string =>
  value === null ? 'out of reach' : `${readable(value.toFixed(2))}°`;

function effect(left: Stands, right: Stands, alike: string): string {
  const say = (what: string, a: number, b: number) => `${Math.abs(b - a).toFixed(2)}° of ${what}`;
  return `With ${alike} alike on both sides that makes ${say('camber', left.camber, right.camber)} and ${say('toe', left.toe, right.toe)} between the wheels.`;
}
