'use client';

import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { clockMark, clockTeeth, findClocking, inTeeth, toTeeth } from '@/core/column/clocking';
import { clockedAs } from '@/core/column/findPath';
import { chainOf, lineOf } from '@/core/column/places';
import { columnShaftSchema } from '@/core/model/column';
import type { Column } from '@/core/model/column';
import { lengthIn } from '@/core/model/units';
import { AngleField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { LookTake } from '../LookTake';
import { Section } from '../brief/parts';
import { FIELD } from './fields';
import type { PartProps } from './parts';
import { takeColumn } from './parts';

const clock = columnShaftSchema.shape.clock.unwrap();

/** How each shaft between two joints is clocked, as it is and for the least ripple: degrees, teeth, or a mark on its round. */
export function ClockTable({ column, measured, unit, tried, onTry, onColumn, onEdit }: PartProps) {
  const found = useMemo(() => findClocking(lineOf(column)), [column]);
  if (!measured.ok) return null;
  const which = measured.chain.clockable;
  const best = found?.found[0];
  if (!found || which.length === 0)
    return (
      <Section title="Clocking">
        <Typography variant="body2">
          There is nothing to clock: no shaft has a joint at both its ends.
        </Typography>
      </Section>
    );
  const clocked = best && clockedAs(column, best.clocks);
  const toothed = best && clockedAs(column, toTeeth(column, which, best.clocks));
  const looked = tried !== null && best !== undefined && sameClocks(tried, clocked!);
  const percent = (ripple: number) => `${(100 * ripple).toFixed(1)} %`;
  const rippleOf = (of: Column): number | null => {
    const ready = chainOf(of);
    return ready.ok ? ready.chain.ripple().ripple : null;
  };
  const byTeeth = toothed ? rippleOf(toothed) : null;
  return (
    <Section title="Clocking">
      <Table aria-label="Clocking">
        <thead>
          <tr>
            <th scope="col">lower yoke from in line with the upper</th>
            <th scope="col" className="number">
              least ripple
            </th>
            <th scope="col">made as</th>
          </tr>
        </thead>
        <tbody>
          {which.map((joint) => {
            const shaft = column.shafts[joint + 1];
            const degrees = best?.clocks[joint];
            const teeth = clockTeeth(column, joint);
            const near = degrees === undefined || teeth === null ? null : inTeeth(degrees, teeth);
            return (
              <tr key={joint} data-clock={joint + 1}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  <AngleField
                    label={`shaft ${joint + 2}, as it is`}
                    value={shaft.clock ?? 0}
                    schema={clock}
                    onValue={(value, step) =>
                      onColumn((draft) => void (draft.shafts[joint + 1].clock = value), step)
                    }
                    width={FIELD + 36}
                  />
                </th>
                <td className="number">{degrees === undefined ? '–' : `${degrees.toFixed(1)}°`}</td>
                <td>
                  {degrees === undefined
                    ? '–'
                    : near
                      ? `${near.teeth} teeth of ${teeth}, ${Math.abs(near.left).toFixed(1)}° left over`
                      : `a mark ${lengthIn(clockMark(shaft.outside, degrees), unit, 1)} round its outside`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      {best && clocked ? (
        <div style={{ display: 'flex', gap: 8, alignItems: 'center', padding: '6px 0' }}>
          <Typography
            variant="body2"
            sx={{ flex: 1 }}
            data-clocked={(100 * best.ripple.ripple).toFixed(2)}
          >
            {percent(found.before.ripple.ripple)} as it is; {percent(best.ripple.ripple)} clocked so
            {byTeeth !== null && Math.abs(byTeeth - best.ripple.ripple) > 5e-4
              ? `, ${percent(byTeeth)} as near as its teeth let it`
              : ''}
            . What is left over is of unequal angles: a path mends it.
          </Typography>
          <LookTake
            what="clocking"
            looked={looked}
            onLook={() => onTry(looked ? null : clocked)}
            onTake={() => {
              onTry(null);
              takeColumn(onEdit, clocked);
            }}
          />
        </div>
      ) : (
        <Typography variant="body2" role="alert">
          No search came to rest: nothing is told of the clocking.
        </Typography>
      )}
      {found.found.length > 1 && (
        <Typography variant="caption" component="p" color="text.secondary">
          Other clockings that a little either way makes worse:{' '}
          {found.found
            .slice(1, 4)
            .map(
              ({ clocks, ripple }) =>
                `${which.map((joint) => `${clocks[joint].toFixed(0)}°`).join(', ')} (${percent(ripple.ripple)})`,
            )
            .join('; ')}
          .
        </Typography>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        Right-handed, looking down the shaft. Yokes half a turn on are the same. Looked for from
        every 15° of each shaft downhill; a valley narrower than that would not be seen. Mark both
        yokes before anything is welded.
      </Typography>
    </Section>
  );
}

const sameClocks = (a: Column, b: Column): boolean =>
  a.joints === b.joints && a.shafts.every(({ clock: one }, i) => one === b.shafts[i]?.clock);
