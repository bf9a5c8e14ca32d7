import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { stringSheet } from '@/core/steering/stringSheet';
import type { StringSheet } from '@/core/steering/stringSheet';
import { Table } from '../../fields/Table';

type Row = [what: string, of: (sheet: StringSheet) => string];

/** Where string, square and hole go on each side, as a builder lays them out at ride height. */
export function StringTable({
  wheels,
  wheelbase,
  unit,
}: {
  wheels: readonly Wheel[];
  wheelbase: number;
  unit: LengthUnit;
}) {
  const sheets = useMemo(
    () =>
      wheels.flatMap((wheel) => {
        const sheet = stringSheet(wheel, wheelbase);
        return sheet ? [sheet] : [];
      }),
    [wheels, wheelbase],
  );
  if (sheets.length === 0) return null;
  const length = (mm: number) => lengthIn(Math.abs(mm), unit, 1);
  const along = (mm: number) => `${length(mm)} ${mm < 0 ? 'behind' : 'ahead of'} the axle line`;
  const rows: Row[] = [
    [
      'string: front end, on the kingpin',
      ({ kingpin }) => `${along(kingpin.ahead)}, ${length(kingpin.out)} from the centreline`,
    ],
    [
      'string: rear end, middle of the rear axle',
      ({ rear }) => `${length(rear.ahead)} behind the front axle line`,
    ],
    ['both ends and the hole above the ground', ({ up }) => length(up)],
    ['length of the string', ({ string }) => length(string)],
    [
      'square on it, from the kingpin',
      ({ along: at }) =>
        `${length(at)} ${at < 0 ? 'ahead, the string drawn on past the kingpin' : 'towards the rear axle'}`,
    ],
    [
      'hole’s centre off the string, along the square',
      ({ off }) =>
        Math.abs(off) < 0.05 ? 'on it' : `${length(off)} ${off > 0 ? 'outboard' : 'inboard'}`,
    ],
    ['kingpin to hole, level', ({ arm }) => length(arm)],
    [
      'hole under the wheel’s centre',
      ({ underHub }) => `${length(underHub)}${underHub < 0 ? ' over it' : ''}`,
    ],
    [
      'hole over the lower ball joint',
      ({ overLower }) =>
        overLower === null ? '–' : `${length(overLower)}${overLower < 0 ? ' under it' : ''}`,
    ],
  ];
  return (
    <>
      <Table aria-label="String sheet">
        <thead>
          <tr>
            <th scope="col">with string and square</th>
            {sheets.map(({ side }) => (
              <th key={side} scope="col">
                {sheets.length > 1 ? side : 'each side'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, of]) => (
            <tr key={what} data-string={what}>
              <th scope="row">{what}</th>
              {sheets.map((sheet) => (
                <td key={sheet.side}>{of(sheet)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary">
        Car level at ride height, wheels straight, {wheels[0].steersBy} centred. The hole’s height
        is its joint’s centre: with a joint under or over the arm the arm itself is its body’s
        height off.{' '}
        {sheets.length > 1
          ? 'The sides are not alike: one drilled pair does not fit both.'
          : 'Clamp both arms together, one turned over, and drill the pair at once: left and right are alike.'}
      </Typography>
    </>
  );
}
