import { memo } from 'react';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { ratioOf } from '@/core/steering/lockToLock';
import type { LockToLock, WheelOverLock } from '@/core/steering/lockToLock';
import { Table } from '../../fields/Table';

/** Both wheels where the rack is. */
export const SteerFigures = memo(function SteerFigures({
  now,
  curve,
  perTurn,
  tyreWidth,
  unit,
}: {
  now: LockToLock;
  /** The same over the rack, the middle of which is its centre. */
  curve: LockToLock;
  perTurn: number | undefined;
  tyreWidth: number;
  unit: LengthUnit;
}) {
  const reached = now.reachable[0] === 1;
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
    ['rod to arm', ({ tieAngle }) => angle(tieAngle[0], 0)],
  ];
  const [percent, ratio, radius] = [
    now.percent[0],
    ratioOf(now.perRack[0], perTurn),
    now.radius[0],
  ];
  const together: [string, string][] = [
    ['Ackermann error, inner wheel', angle(now.error[0])],
    ['Ackermann', Number.isFinite(percent) && reached ? `${readable(percent.toFixed(0))} %` : '–'],
    [
      'circle between kerbs, mean of both',
      reached && Number.isFinite(radius)
        ? `${((2 * radius + tyreWidth) / 1000).toFixed(1)} m`
        : '–',
    ],
    ['ratio here', reached && Number.isFinite(ratio) ? `${ratio.toFixed(1)} : 1` : 'mm a turn?'],
    [
      'handwheel from straight',
      perTurn === undefined
        ? 'mm a turn?'
        : `${(Math.abs(now.rack[0]) / perTurn).toFixed(2)} turns`,
    ],
  ];
  return (
    <Table aria-label="Steering where the rack is">
      <thead>
        <tr>
          <th scope="col">where the rack is</th>
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
