import { memo, useMemo } from 'react';
import type { SteerUnit } from '@/core/kinematics/corner';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Handwheel } from '@/core/steering/hand';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { atLock } from '@/core/steering/atLock';
import { circlesAt } from '@/core/steering/circles';
import type { Outline } from '@/core/steering/circles';
import { ratioOf } from '@/core/steering/lockToLock';
import type { LockToLock, WheelOverLock } from '@/core/steering/lockToLock';
import { Table } from '../../fields/Table';

type Row = [what: string, of: (at: ReturnType<typeof atLock>) => string];

/** Both wheels where the rack or the drop arm is. */
export const SteerFigures = memo(function SteerFigures({
  now,
  curve,
  sides,
  by,
  travels,
  handwheel,
  through,
  wheelbase,
  outline,
  unit,
}: {
  now: LockToLock;
  /** The same over the rack, the middle of which is its centre. */
  curve: LockToLock;
  /** The ratio here through the column, where there is one. */
  through: number | null;
  /** The left wheel, and the right one where it is not its mirror image. */
  sides: readonly Wheel[];
  by: SteerUnit;
  /** Whether the wheels go up and down. */
  travels: boolean;
  handwheel: Handwheel;
  wheelbase: number;
  outline: Outline;
  unit: LengthUnit;
}) {
  const reached = now.reachable[0] === 1;
  const { perTurn } = handwheel;
  const { travel } = now;
  const [rack] = now.rack;
  const beside = useMemo(
    () =>
      sides.length > 1
        ? sides.map((wheel) => atLock(wheel, travel, rack))
        : // The right wheel is as the left one with the rack the other way.
          [rack, -rack].map((at) => atLock(sides[0], travel, at)),
    [sides, travel, rack],
  );
  const angle = (value: number, places = 2) =>
    reached && Number.isFinite(value) ? `${readable(value.toFixed(places))}°` : '–';
  const each: [string, (of: WheelOverLock, over: WheelOverLock) => string][] = [
    ['steer, + left', ({ steer }) => angle(steer[0])],
    ['camber', ({ camber }) => angle(camber[0])],
    [
      'contact height, from straight',
      ({ contactUp }, over) =>
        reached ? lengthIn(contactUp[0] - over.contactUp[(curve.count - 1) / 2], unit, 1) : '–',
    ],
    ['caster', ({ caster }) => angle(caster[0])],
    ['rod to arm', ({ tieAngle }) => angle(tieAngle[0], 0)],
  ];
  const told = (value: number | null | undefined, places: number) => angle(value ?? NaN, places);
  const ofRod: Row[] = [
    ['rod to arm’s tube, from above', (at) => told(at?.toTube, 0)],
    [
      'rod’s joints articulate, inner and outer',
      (at) => `${told(at?.inner, 0)}, ${told(at?.outer, 0)}`,
    ],
    ...(travels
      ? [[`toe range over the travel, ${by} here`, (at) => told(at?.range, 2)] as Row]
      : []),
  ];
  const percent = now.percent[0];
  const ratio = through ?? ratioOf(now.perRack[0], perTurn);
  const circles = circlesAt(now, 0, wheelbase, outline);
  const metres = (mm: number | undefined) =>
    mm === undefined
      ? '–'
      : unit === 'mm'
        ? `${(mm / 1000).toFixed(1)} m`
        : `${(mm / 304.8).toFixed(1)} ft`;
  const together: [string, string][] = [
    ['Ackermann error, inner wheel', angle(now.error[0])],
    ['Ackermann', Number.isFinite(percent) && reached ? `${readable(percent.toFixed(0))} %` : '–'],
    ['circle between kerbs', metres(circles?.kerb)],
    [
      outline.nose ? 'circle between walls' : 'circle between walls, tyres alone',
      metres(circles?.wall),
    ],
    ['ratio here', reached && Number.isFinite(ratio) ? `${ratio.toFixed(1)} : 1` : 'mm a turn?'],
    [
      'handwheel from straight',
      perTurn === undefined
        ? 'mm a turn?'
        : `${(Math.abs(now.rack[0]) / perTurn).toFixed(2)} turns`,
    ],
    [
      'lock to lock',
      perTurn === undefined
        ? 'mm a turn?'
        : `${((curve.rack[curve.count - 1] - curve.rack[0]) / perTurn).toFixed(2)} turns`,
    ],
  ];
  return (
    <Table aria-label={`Steering where the ${by} is`}>
      <thead>
        <tr>
          <th scope="col">where the {by} is</th>
          <th scope="col" className="number">
            left
          </th>
          <th scope="col" className="number">
            right
          </th>
        </tr>
      </thead>
      <tbody>
        {each.map(([what, of]) => (
          <tr key={what} data-steer={what}>
            <th scope="row">{what}</th>
            <td className="number">{of(now.left, curve.left)}</td>
            <td className="number">{of(now.right, curve.right)}</td>
          </tr>
        ))}
        {ofRod.map(([what, of]) => (
          <tr key={what} data-steer={what}>
            <th scope="row">{what}</th>
            <td className="number">{of(beside[0])}</td>
            <td className="number">{of(beside[1])}</td>
          </tr>
        ))}
        {together.map(([what, figure]) => (
          <tr key={what} data-steer={what}>
            <th scope="row">{what}</th>
            <td className="number" colSpan={2}>
              {figure}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
});
