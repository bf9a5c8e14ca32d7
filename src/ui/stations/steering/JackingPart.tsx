'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Axle } from '@/core/kinematics/axle';
import { limitsSchema, briefOf, startingBrief } from '@/core/model/brief';
import { stanceSchema } from '@/core/model/asked';
import type { Asked } from '@/core/model/asked';
import { lengthIn, printLength, readable, unitName } from '@/core/model/units';
import { jackingAt } from '@/core/steering/jacking';
import type { CornerName } from '@/core/steering/jacking';
import { handwheelOf } from '@/core/steering/hand';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import { stanceOf } from '@/core/steering/stance';
import type { Assumed } from '@/core/steering/stance';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { steerIn } from '../../steerIn';
import { askedOf } from '../useAsked';
import type { PartProps } from './parts';

const WHEELS: Record<CornerName, string> = {
  frontLeft: 'front left',
  frontRight: 'front right',
  rearLeft: 'rear left',
  rearRight: 'rear right',
};
const ASSUMED: Record<Assumed, string> = {
  rearTrack: 'a rear track as wide as the front’s',
  frontShare: '43 % of the weight in front',
  massHeight: 'the centre of mass 250 mm up',
};

/** Odd: the middle one is straight ahead. */
const ROWS = 9;

/** What steering does to the heights of a frame's wheels: which one hangs, and when the inside rear does. */
export function JackingPart({ build, unit, onEdit, axle }: PartProps & { axle: Axle }) {
  const { stance, assumed } = useMemo(() => stanceOf(build), [build]);
  const { limits } = briefOf(build);
  const asked = build.asked?.stance ?? {};
  const put = (change: Partial<NonNullable<Asked['stance']>>, step?: string) =>
    askedOf(onEdit)('stance', { ...asked, ...change }, step);
  const range = axle.steerRange;
  const { perTurn, way } = handwheelOf(build.front);
  const over = useMemo(
    () => lockToLock(axle, build.wheelbase, 0, rackPositions(-range, range, ROWS)),
    [axle, build.wheelbase, range],
  );
  if (!over)
    return (
      <Typography variant="body2">The wheels do not stand straight ahead as drawn.</Typography>
    );
  const mm = (value: number) => `${readable(printLength(Math.round(value * 10) / 10, unit))}`;
  const ends = [0, ROWS - 1].map((i) => ({ i, at: jackingAt(over, i, stance) }));
  return (
    <section aria-label="Weight jacking">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, pb: 1 }}>
        <LengthField
          label="rear track"
          width={120}
          value={asked.rearTrack}
          placeholder={printLength(Math.round(stance.rearTrack), unit)}
          unit={unit}
          schema={stanceSchema.shape.rearTrack.unwrap()}
          onValue={(rearTrack, step) => put({ rearTrack }, step)}
          onClear={(step) => put({ rearTrack: undefined }, step)}
        />
        <PlainField
          label="weight in front"
          ending="%"
          width={124}
          value={asked.frontShare}
          placeholder={`${stance.frontShare}`}
          schema={stanceSchema.shape.frontShare.unwrap()}
          onValue={(frontShare, step) => put({ frontShare }, step)}
          onClear={(step) => put({ frontShare: undefined }, step)}
        />
        <LengthField
          label="mass height"
          width={120}
          value={limits.massHeight}
          placeholder={printLength(stance.massHeight, unit)}
          unit={unit}
          schema={limitsSchema.shape.massHeight.unwrap()}
          onValue={(massHeight, step) =>
            onEdit((draft) => {
              draft.brief ??= startingBrief(draft);
              draft.brief.limits.massHeight = massHeight;
            }, step)
          }
          onClear={(step) => onEdit((draft) => void delete draft.brief?.limits.massHeight, step)}
        />
        <PlainField
          label="g into the turn"
          ending="g"
          width={120}
          value={asked.sideways}
          placeholder="0"
          schema={stanceSchema.shape.sideways.unwrap()}
          onValue={(sideways, step) => put({ sideways }, step)}
          onClear={(step) => put({ sideways: undefined }, step)}
        />
      </Box>
      {ends.map(({ i, at }) => (
        <Typography key={i} variant="body2" data-jacking={i === 0 ? 'first' : 'last'}>
          {at === null
            ? 'One lock is out of reach.'
            : `${over.left.steer[i] + over.right.steer[i] > 0 ? 'Left' : 'Right'} lock: ${
                at.tips
                  ? 'no three wheels carry it, it would go over'
                  : at.gap < 0.05
                    ? 'all four wheels stand'
                    : `the ${WHEELS[at.lifts]} wheel hangs ${mm(at.gap)} ${unitName(unit)} off the ground`
              }${at.insideFrom === null ? '' : at.insideFrom === 0 ? '' : `; from ${at.insideFrom.toFixed(2)} g into the turn the inside rear hangs`}.`}
        </Typography>
      ))}
      <Table aria-label="Weight jacking over lock">
        <thead>
          <tr>
            <th scope="col">handwheel</th>
            {axle.steersBy === 'rack' && <th scope="col">rack</th>}
            <th scope="col" className="number">
              left contact ({unitName(unit)})
            </th>
            <th scope="col" className="number">
              right contact ({unitName(unit)})
            </th>
            <th scope="col">hangs</th>
            <th scope="col" className="number">
              by ({unitName(unit)})
            </th>
          </tr>
        </thead>
        <tbody>
          {Array.from(over.rack, (steer, i) => {
            const at = jackingAt(over, i, stance);
            const hand = perTurn === undefined ? null : ((way ?? 1) * steer * 360) / perTurn;
            return (
              <tr key={steer}>
                <th scope="row">
                  {hand === null ? '–' : `${Math.abs(hand).toFixed(0)}° ${side(hand)}`}
                </th>
                {axle.steersBy === 'rack' && (
                  <td>{`${steerIn(steer, 'rack', unit)} ${side(steer)}`}</td>
                )}
                <td className="number">{at ? mm(at.left) : steer === 0 ? '0' : '–'}</td>
                <td className="number">{at ? mm(at.right) : steer === 0 ? '0' : '–'}</td>
                <td>{at && at.gap >= 0.05 ? WHEELS[at.lifts] : '–'}</td>
                <td className="number">{at && at.gap >= 0.05 ? mm(at.gap) : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary">
        An estimate: frame, live rear axle and tyres taken as rigid, the weight in the middle of the
        car
        {limits.massHeight === undefined
          ? ''
          : `, its centre ${lengthIn(limits.massHeight, unit)} up`}
        {assumed.length > 0 &&
          `; assumed until said: ${assumed.map((one) => ASSUMED[one]).join(', ')}`}
        . A contact that goes down (−) lifts its side of the frame. A frame twists and tyres give,
        so that the real lift is less.
      </Typography>
    </section>
  );
}

const side = (value: number): string => (value === 0 ? '' : value > 0 ? 'left' : 'right');
