'use client';

import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { toDeg } from '@/core/geometry/angle';
import { distance, dot, length as lengthOf, sub } from '@/core/geometry/vec';
import { dropArmWay } from '@/core/kinematics/axle';
import { dropArmTo } from '@/core/kinematics/innerWay';
import type { Wheel } from '@/core/kinematics/wheel';
import type { DropArm } from '@/core/model/build';
import { toVec } from '@/core/model/points';
import { lengthIn } from '@/core/model/units';
import { handOf, handwheelOf } from '@/core/steering/hand';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import type { PartProps } from './parts';
import { TwoColumns } from './TwoColumns';

/** The drop arm: does it steer the right way, and how is it made? */
export function DropArmPart({ build, unit, wheel }: PartProps & { wheel: Wheel }) {
  const { wheelbase, front } = build;
  const { solved } = wheel;
  const hand = useMemo(
    () => (solved.ok ? handOf(solved.axle, wheelbase, handwheelOf(front).way) : null),
    [solved, wheelbase, front],
  );
  if (!front.dropArm) return null;
  const made = armOf(wheel, front.dropArm);
  const mm = (value: number) => lengthIn(value, unit, 1);
  const rows: [string, string][] = [
    ['shaft to hole, square to the shaft', mm(made.long)],
    ['hole to hole, centre to centre', mm(made.apart)],
    ['angle between the two holes at the shaft', `${made.between.toFixed(1)}°`],
    ['shaft from level', `${made.rise.toFixed(1)}°`],
    ['hole up the shaft from its lower point', mm(made.up)],
  ];
  return (
    <TwoColumns>
      <Section title="Hands left, wheels left?">
        {hand === null ? (
          <Typography variant="body2">The wheels do not steer about straight ahead.</Typography>
        ) : hand.wheelLeft ? (
          <Typography
            variant="body2"
            data-hand="true"
            sx={{ color: VERDICT.good, fontWeight: 600 }}
          >
            ✓ Turn the handwheel left: the wheels go left.
          </Typography>
        ) : (
          <>
            <Typography
              role="alert"
              variant="body2"
              data-hand="false"
              sx={{ color: VERDICT.bad, fontWeight: 700, fontSize: 16 }}
            >
              ✕ Turn the handwheel left: the wheels go right.
            </Typography>
            <Typography variant="body2" sx={{ my: 0.5 }}>
              The arm belongs on the other side of its shaft (up instead of down), or the steering
              arms on the other side of the kingpins; Ackermann is then to be found again.
            </Typography>
          </>
        )}
        <Typography variant="caption" component="p" color="text.secondary">
          By the arm on the column’s own shaft, seen from its upper point: a joint or gear between
          handwheel and arm that turns it round turns the answer round. Try it with the kart on its
          stand before it is driven.
        </Typography>
      </Section>
      <Section title="The drop arm as it is made">
        <Table aria-label="Drop arm">
          <thead>
            <tr>
              <th scope="col">straight ahead</th>
              <th scope="col" className="number">
                size
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([what, figure]) => (
              <tr key={what}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {what}
                </th>
                <td className="number">{figure}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Typography variant="caption" component="p" color="text.secondary">
          A second pair of holes is entered as holes of the tie rods’ inner joints (“freedoms” at
          the tie rods): each is then tried by “find Ackermann”.
        </Typography>
      </Section>
    </TwoColumns>
  );
}

/** Sizes of the arm from its shaft to both inner joints, mm and degrees. */
function armOf(wheel: Wheel, dropArm: DropArm) {
  const way = dropArmWay(dropArm, 'left');
  const other = new Map([
    ['left', wheel.design.points],
    ['right', wheel.design.rightPoints ?? wheel.design.points],
  ] as const);
  const [left, right] = (['left', 'right'] as const).map((side) => {
    const [ahead, out, up] = toVec(other.get(side)!.tieRodInner);
    return [ahead, side === 'left' ? out : -out, up] as const;
  });
  const arms = [left, right].map((joint) => dropArmTo(way, joint));
  const [a, b] = arms.map(({ arm }) => arm);
  const part = dot(a, b) / (lengthOf(a) * lengthOf(b));
  return {
    long: lengthOf(a),
    apart: distance(left, right),
    between: toDeg(Math.acos(Math.min(1, Math.max(-1, part)))),
    rise: toDeg(Math.asin(way.about[2])),
    up: dot(sub(arms[0].foot, way.through), way.about),
  };
}
