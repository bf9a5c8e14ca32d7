import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build } from '@/core/model/build';
import { differencesOf } from '@/core/model/variants';
import type { Difference } from '@/core/model/variants';
import { pathInWords, unitAt } from '@/core/model/changeInWords';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { figuresOf } from '@/core/motion/figures';
import type { Figure } from '@/core/motion/figures';
import { Table } from '../fields/Table';
import type { ComparedAxles } from './compared';

interface Props {
  build: Build;
  wheel: Wheel;
  unit: LengthUnit;
  against: ComparedAxles;
}

/** What the open variant and another come to, and every number they differ in. */
export function Differences({ build, wheel, unit, against }: Props) {
  const { front, rear } = build;
  const { axle, side } = wheel;
  const figures = useMemo(() => figuresOf(wheel), [wheel]);
  const others = useMemo(() => {
    const other = against[axle];
    return other ? figuresOf(wheel.drawnAs(other)) : [];
  }, [against, axle, wheel]);
  const differences = useMemo(
    () => differencesOf(against, { front, rear }),
    [against, front, rear],
  );
  return (
    <Box component="section" aria-label="Differences" sx={{ mt: 2.5 }}>
      <Typography variant="h3">
        Against “{against.name}”, {axle} {side} wheel
      </Typography>
      <Table aria-label="Figures compared">
        <Head first="Figure" against={against.name} />
        <tbody>
          {figures.map((figure) => {
            const beside = others.find(({ name }) => name === figure.name)?.value ?? null;
            const change = figure.value === null || beside === null ? null : figure.value - beside;
            return (
              <tr key={figure.name}>
                <td>
                  {figure.name}, {unitOf(figure, unit)}
                </td>
                <td className="number">{shown(figure, figure.value, unit)}</td>
                <td className="number">{shown(figure, beside, unit)}</td>
                <td className="number">{shown(figure, change, unit, true)}</td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      <Typography variant="h3" sx={{ mt: 2 }}>
        {differences.length === 0 ? 'No number differs' : 'Numbers that differ'}
      </Typography>
      {differences.length > 0 && (
        <Table aria-label="Numbers that differ">
          <Head first="What" against={against.name} />
          <tbody>
            {differences.slice(0, MOST).map((difference) => (
              <DifferenceRow
                key={`${difference.axle} ${difference.path.join(' ')}`}
                difference={difference}
                design={build[difference.axle] ?? front}
                unit={unit}
              />
            ))}
          </tbody>
        </Table>
      )}
      {differences.length > MOST && (
        <Typography variant="body2">and {differences.length - MOST} more.</Typography>
      )}
    </Box>
  );
}

const Head = ({ first, against }: { first: string; against: string }) => (
  <thead>
    <tr>
      <th scope="col">{first}</th>
      {['open', against, 'change'].map((word, i) => (
        <th key={i} scope="col" className="number">
          {word}
        </th>
      ))}
    </tr>
  </thead>
);

/** Rows shown at the most. */
const MOST = 60;

const unitOf = ({ unit }: Figure, lengths: LengthUnit): string =>
  unit === 'mm' ? lengths : unit === 'deg' ? '°' : unit.replace('deg', '°');

function shown(figure: Figure, value: number | null, unit: LengthUnit, signed = false): string {
  if (value === null) return '–';
  const text =
    figure.unit === 'mm' ? printLength(Math.round(value * 10) / 10, unit) : value.toFixed(2);
  return readable(signed && value > 0 ? `+${text}` : text);
}

function DifferenceRow({
  difference,
  design,
  unit,
}: {
  difference: Difference;
  /** The axle it is of, in the open variant. */
  design: AxleDesign;
  unit: LengthUnit;
}) {
  const { axle, path, from, to } = difference;
  const counts = unitAt(path);
  const print = (value: Difference['from']) =>
    value === null
      ? '–'
      : typeof value === 'string'
        ? value
        : readable(
            counts === 'deg'
              ? `${value.toFixed(2)}°`
              : counts === ''
                ? String(value)
                : printLength(Math.round(value * 100) / 100, unit),
          );
  const change = typeof from === 'number' && typeof to === 'number' ? to - from : null;
  return (
    <tr>
      <td>
        {axle} {pathInWords(path, design)}
      </td>
      <td className="number">{print(to)}</td>
      <td className="number">{print(from)}</td>
      <td className="number">
        {change === null ? '' : `${change > 0 ? '+' : ''}${print(change)}`}
      </td>
    </tr>
  );
}
