'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { COORDINATES } from '@/core/model/points';
import type { PointName } from '@/core/model/points';
import { printLength, readable, unitName } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { holesOf, spacersFor } from '@/core/motion/holes';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import type { FloorStation } from '../floorStation';

type Props = Pick<FloorStation, 'build' | 'wheel' | 'unit'> & {
  point: PointName;
};

/** What both spacers beside a bush usually have together, mm. */
const ROOM = 20;
const roomSchema = measure('mm', 0, 300);

/** Where a joint has a row of holes: what each of them gives, and the spacers that fit it. */
export function Holes({ build, wheel, unit, point }: Props) {
  const [room, setRoom] = useState(ROOM);
  const coordinate = COORDINATES.find((one) => {
    const kind = wheel.design.freedoms?.[point]?.[one]?.kind;
    return kind === 'choices' || kind === 'flip';
  });
  const holes = useMemo(
    () => (coordinate ? holesOf(build, wheel, point, coordinate) : []),
    [build, wheel, point, coordinate],
  );
  if (!coordinate || holes.length === 0) return null;
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  const isRear = wheel.axle === 'rear';
  const shifts = holes.some(({ shift }) => shift !== null);
  const percent = (value: number | null) =>
    value === null ? '–' : `${readable(value.toFixed(0))} %`;
  return (
    <Box component="section" aria-label="Holes" sx={{ mt: 1.5 }}>
      {shifts && (
        <LengthField
          label="Room for both spacers"
          value={room}
          unit={unit}
          schema={roomSchema}
          onValue={setRoom}
          width={164}
        />
      )}
      <Table aria-label="What each hole gives" sx={{ mt: 0.5 }}>
        <thead>
          <tr>
            <th scope="col">
              Hole, {coordinate} ({unitName(unit)})
            </th>
            <th scope="col" className="number">
              {isRear ? 'anti-lift' : 'anti-dive'}
            </th>
            {isRear && (
              <th scope="col" className="number">
                anti-squat
              </th>
            )}
            <th scope="col" className="number">
              camber/25
            </th>
            <th scope="col" className="number">
              roll centre
            </th>
            {shifts && (
              <th scope="col" className="number">
                spacers ahead, behind
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {holes.map(({ at, brake, drive, gain, rollCentre, shift }) => {
            const spacers = shift === null ? null : spacersFor(room, shift);
            return (
              <tr key={at} data-hole={at}>
                <th scope="row">{length(at)}</th>
                <td className="number">{percent(brake)}</td>
                {isRear && <td className="number">{percent(drive)}</td>}
                <td className="number">{gain === null ? '–' : `${readable(gain.toFixed(2))}°`}</td>
                <td className="number">{rollCentre === null ? '–' : length(rollCentre)}</td>
                {shifts && (
                  <td className="number">
                    {shift === null
                      ? 'out of the arm’s reach'
                      : spacers
                        ? `${length(spacers.ahead)}, ${length(spacers.behind)}`
                        : `shifts ${length(shift)}: no room`}
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </Table>
      {holes[0].brake === null && (
        <Typography variant="caption" color="text.secondary" component="p">
          Anti-{isRear ? 'lift and anti-squat need' : 'dive needs'} the height of the centre of mass
          and the front’s part of the braking: set them in the brief.
        </Typography>
      )}
      {shifts && (
        <Typography variant="caption" color="text.secondary" component="p">
          An arm’s pivots stay as far apart as they are: in another hole this one goes along its
          bolt, and two spacers of unlike lengths hold it there.
        </Typography>
      )}
    </Box>
  );
}
