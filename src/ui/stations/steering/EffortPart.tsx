'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { chainOf } from '@/core/column/places';
import type { Wheel } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import type { AxleDesign } from '@/core/model/build';
import { rodSchema, startingLoads } from '@/core/model/rod';
import { lengthIn } from '@/core/model/units';
import { SIDEWAYS, effortOf, forRatio, handsStay } from '@/core/steering/effort';
import { handwheelOf } from '@/core/steering/hand';
import { ratioOf } from '@/core/steering/lock';
import { assistSchema, ratioSchema } from '@/core/model/asked';
import { judgeBand } from '@/core/verdict/verdicts';
import { PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VerdictMark } from '../../verdict';
import { askedOf } from '../useAsked';
import type { PartProps } from './parts';

/** How quick it is, what makes the ratio wanted, and what the hands feel. */
export function EffortPart({
  build,
  unit,
  onEdit,
  wheel,
  other,
}: PartProps & {
  wheel: Wheel;
  /** What the effort is compared with: a variant, or what is looked at. */
  other: { name: string; design: AxleDesign } | null;
}) {
  const { front, wheelbase } = build;
  const { ratio: band } = briefOf(build).targets;
  const wanted = build.asked?.ratio ?? (band[0] + band[1]) / 2;
  const loads = { ...startingLoads(build), ...build.rod };
  const assist = build.asked?.assist ?? 1;
  const { perTurn } = handwheelOf(front);
  const ratio = useMemo(() => ratioOf({ front }), [front]);
  const ripple = useMemo(() => {
    const ready = front.column && chainOf(front.column);
    return ready?.ok ? ready.chain.ripple() : null;
  }, [front]);
  const ways = useMemo(() => forRatio(wheel, wheelbase, wanted), [wheel, wheelbase, wanted]);
  const axle = wheel.solved.ok ? wheel.solved.axle : null;
  const stays = axle && perTurn !== undefined ? handsStay(axle, wheelbase, perTurn) : null;
  const put = askedOf(onEdit);
  const load = (key: 'wheelLoad' | 'grip') => (value: number, step?: string) =>
    onEdit((draft) => {
      draft.rod = { ...startingLoads(draft), ...draft.rod, [key]: value };
    }, step);
  const effort = (design: AxleDesign, of: Wheel) => {
    const { solved } = of;
    return solved.ok
      ? effortOf(solved.axle, handwheelOf(design).perTurn, design.tyre.width, loads, assist)
      : null;
  };
  const here = effort(front, wheel);
  const there = other && effort(other.design, wheel.drawnAs(other.design));
  const newton = (value: number | undefined) =>
    value === undefined ? '–' : `${value.toFixed(1)} N·m`;
  const times = (a: number, b: number) =>
    Math.abs(b) > 0.05 ? `${(a / b).toFixed(2)} times` : '–';
  return (
    <section aria-label="Ratio and effort">
      {perTurn === undefined ? (
        <Typography variant="body2">
          The ratio needs what the rack moves in a turn of its pinion: “per turn” in the brief.
        </Typography>
      ) : (
        <Typography variant="body2">
          {ratio === null ? 'No ratio.' : `${ratio.toFixed(1)} to 1 about straight ahead, `}
          {ratio !== null && <VerdictMark verdict={judgeBand(ratio, band)} />}
          {ratio !== null &&
            ripple !== null &&
            ` Through the column’s joints ${(ratio / ripple.centre).toFixed(1)} straight ahead, over a turn from ${(ratio / ripple.most).toFixed(1)} to ${(ratio / ripple.least).toFixed(1)}.`}
          {stays !== null &&
            ` The hands stay on the wheel, half a turn, for ${stays.toFixed(1)}° of the inner wheel.`}
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 1.25 }}>
        <PlainField
          label="ratio wanted"
          ending=": 1"
          width={120}
          value={wanted}
          schema={ratioSchema}
          onValue={(value, step) => put('ratio', value, step)}
        />
        <PlainField
          label="load on a wheel"
          ending="N"
          width={132}
          value={loads.wheelLoad}
          schema={rodSchema.shape.wheelLoad}
          onValue={load('wheelLoad')}
        />
        <PlainField
          label="grip"
          ending=""
          width={96}
          value={loads.grip}
          schema={rodSchema.shape.grip}
          onValue={load('grip')}
        />
        <PlainField
          label="power assistance"
          ending="times"
          width={140}
          value={assist}
          schema={assistSchema}
          onValue={(value, step) => put('assist', value, step)}
        />
      </Box>
      {ways && (
        <Typography variant="body2" data-for-ratio>
          {wanted.toFixed(1)} to 1 takes{' '}
          {front.dropArm
            ? ''
            : `a rack of ${lengthIn(ways.perTurn, unit, 1)} in a turn, the arms as they are`}
          {perTurn === undefined
            ? ''
            : ways.armFor === null
              ? `${front.dropArm ? 'another drop arm:' : ';'} no steering arm between a third and three times as long gives it`
              : `${front.dropArm ? '' : '; or with this rack '}arms of ${lengthIn(ways.armFor, unit, 1)} from kingpin to joint (now ${lengthIn(ways.arm, unit, 1)}), in their own direction: lock${wheel.travels ? ', Ackermann and bump steer' : ' and Ackermann'} change with them`}
          .
        </Typography>
      )}
      {here && (
        <Table aria-label="Effort at the handwheel">
          <thead>
            <tr>
              <th scope="col">at the handwheel, estimates</th>
              <th scope="col" className="number">
                here
              </th>
              {there && (
                <>
                  <th scope="col" className="number">
                    {other.name}
                  </th>
                  <th scope="col" className="number">
                    here to there
                  </th>
                </>
              )}
            </tr>
          </thead>
          <tbody>
            {(
              [
                ['standing, tyres turned on the spot', 'standing'],
                [`in a bend of ${SIDEWAYS} g, by the mechanical trail alone`, 'moving'],
              ] as const
            ).map(([what, key]) => (
              <tr key={key} data-effort={key}>
                <th scope="row">{what}</th>
                <td className="number">{newton(here[key])}</td>
                {there && (
                  <>
                    <td className="number">{newton(there[key])}</td>
                    <td className="number">{times(here[key], there[key])}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        Standing by M = μW√(B²/8 + e²) at each kingpin, both wheels’ work at the handwheel, without
        friction; the tyre’s own trail adds to the bend’s. Relative figures say more than absolute
        ones. Common practice: road cars near 15 to 1, quick ones near 11, track cars near 8, karts
        near 1.
      </Typography>
    </section>
  );
}
