'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { adjustRange } from '@/core/column/adjusting';
import type { AdjustRange, WorstAt } from '@/core/column/adjusting';
import { judgeRipple } from '@/core/column/judge';
import { jointLimits, wantedOf } from '@/core/column/measure';
import { adjustSchema } from '@/core/model/column';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import { judgeRoom } from '@/core/verdict/verdicts';
import type { Verdict } from '@/core/verdict/verdicts';
import { AngleField, LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VerdictMark } from '../../verdict';
import { Section } from '../brief/parts';
import { FIELD, Row } from './fields';
import type { PartProps } from './parts';

const NONE = { up: 0, down: 0, out: 0, in: 0 };

/** A handwheel that is tilted and drawn out: the worst of its whole range. */
export function AdjustPart({ column, measured, unit, onColumn }: PartProps) {
  const { adjust } = column;
  const range = useMemo(
    () => (measured.ok ? adjustRange(column, measured.bodies) : null),
    [column, measured],
  );
  return (
    <Section title="Tilt and reach">
      {adjust ? (
        <>
          <Row>
            {(['up', 'down'] as const).map((way) => (
              <AngleField
                key={way}
                label={`tilts ${way}`}
                value={adjust[way]}
                schema={adjustSchema.shape[way]}
                onValue={(degrees, step) =>
                  onColumn((draft) => {
                    if (draft.adjust) draft.adjust[way] = degrees;
                  }, step)
                }
                width={FIELD - 8}
              />
            ))}
            {(['out', 'in'] as const).map((way) => (
              <LengthField
                key={way}
                label={way === 'out' ? 'drawn out' : 'pushed in'}
                value={adjust[way]}
                unit={unit}
                schema={adjustSchema.shape[way]}
                onValue={(mm, step) =>
                  onColumn((draft) => {
                    if (draft.adjust) draft.adjust[way] = mm;
                  }, step)
                }
                width={FIELD}
              />
            ))}
            <LengthField
              label="pivot, down shaft 1"
              value={adjust.pivot}
              placeholder="joint 1"
              unit={unit}
              schema={adjustSchema.shape.pivot.unwrap()}
              onValue={(mm, step) =>
                onColumn((draft) => {
                  if (draft.adjust) draft.adjust.pivot = mm;
                }, step)
              }
              onClear={(step) => onColumn((draft) => void delete draft.adjust?.pivot, step)}
              width={FIELD + 34}
            />
            <Button size="small" onClick={() => onColumn((draft) => void delete draft.adjust)}>
              It is fixed
            </Button>
          </Row>
          {range && <Worst range={range} {...{ column, unit }} />}
        </>
      ) : (
        <Button
          size="small"
          variant="outlined"
          onClick={() => onColumn((draft) => void (draft.adjust = { ...NONE }))}
        >
          It can be set
        </Button>
      )}
    </Section>
  );
}

const at = ({ tilt, reach }: WorstAt, unit: LengthUnit): string =>
  readable(
    `${tilt === 0 ? 'not tilted' : `${Math.abs(tilt).toFixed(1)}° ${tilt > 0 ? 'up' : 'down'}`}, ${
      reach === 0 ? 'as drawn' : `${lengthIn(Math.abs(reach), unit)} ${reach > 0 ? 'out' : 'in'}`
    }`,
  );

function Worst({
  range,
  column,
  unit,
}: Pick<PartProps, 'column' | 'unit'> & { range: AdjustRange }) {
  const { joints, ripple, slips, stretched, clearance, bound, tried } = range;
  const wanted = wantedOf(column);
  const rows: [WorstAt, string, Verdict][] = [
    ...joints.map((one): [WorstAt, string, Verdict] => {
      const { limit, comfort } = jointLimits(column, one.index!);
      return [
        one,
        `${one.value.toFixed(1)}°`,
        one.value > limit + 0.05 ? 'rework' : one.value > comfort + 0.05 ? 'look again' : 'accept',
      ];
    }),
    [ripple, `${(100 * ripple.value).toFixed(1)} %`, judgeRipple(ripple.value, wanted.ripple)],
    ...slips.map((one): [WorstAt, string, Verdict] => {
      const least = column.shafts[one.index!].slip?.least ?? 0;
      return [
        one,
        `${lengthIn(one.value, unit)} left in`,
        one.value >= least ? 'accept' : 'rework',
      ];
    }),
    ...stretched.map((one): [WorstAt, string, Verdict] => [
      one,
      `${lengthIn(Math.abs(one.value), unit, 1)} ${one.value > 0 ? 'longer' : 'shorter'}, and it has no slip`,
      'rework',
    ]),
    ...(clearance
      ? [
          [
            clearance,
            lengthIn(clearance.value, unit, 1),
            judgeRoom(clearance.value, wanted.clear),
          ] as [WorstAt, string, Verdict],
        ]
      : []),
  ];
  return (
    <>
      <Table aria-label="Worst of the range">
        <thead>
          <tr>
            <th scope="col">worst of the whole range</th>
            <th scope="col">where</th>
            <th scope="col" className="number">
              figure
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([one, figure, verdict]) => (
            <tr key={one.what + figure} data-worst={one.what}>
              <th scope="row" style={{ fontWeight: 400 }}>
                {one.what}
              </th>
              <td>{at(one, unit)}</td>
              <td className="number" style={{ whiteSpace: 'normal' }}>
                {figure}
              </td>
              <td>
                <VerdictMark verdict={verdict} />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary">
        {bound.length > 0 &&
          `In ${counted(bound.length, 'place')} of the range the column does not turn at all (${at(bound[0], unit)} for one). `}
        Looked at in {tried} places of tilt and reach, ends and middle among them.
      </Typography>
    </>
  );
}
