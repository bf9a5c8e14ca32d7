'use client';

import { useState } from 'react';
import type { ArmsFound } from '@/core/arms/armsProblem';
import { armPoints } from '@/core/arms/armsProblem';
import { upperArmOf } from '@/core/kinematics/arms';
import { AxlePart } from '../lazy';
import { Choice } from '../../fields/Choice';
import { PointsTable } from '../rack/PointsTable';
import { Adjusters } from './Adjusters';
import { FindArms } from './FindArms';
import { KingpinPart } from './KingpinPart';
import { RoomPanel } from './RoomPanel';
import { FreedomEditor } from '../FreedomEditor';
import type { FloorStation } from '../floorStation';
import { useFreedomEdit } from '../useFreedomEdit';

const PARTS = ['points', 'axle', 'bosses', 'freedoms', 'adjusters', 'find', 'room'] as const;
/** What only arms have, and what only kingpins in a frame or a beam have. */
const OF_ARMS: readonly Part[] = ['find', 'adjusters'];
type Part = (typeof PARTS)[number];

/** Where arms and links go: typed, given freedoms, or found from the camber wanted. */
export function Arms(props: FloorStation) {
  const { wheel, selected, unit, onEdit } = props;
  const { axle, design, points, type } = wheel;
  const { name: station } = type.station;
  const words: Record<Part, string> = {
    points: 'joints',
    axle: 'axle',
    bosses: 'stub & bosses',
    freedoms: 'freedoms',
    adjusters: 'adjusters',
    find: `find ${station.toLowerCase()} from camber`,
    room: 'room',
  };
  const [picked, setPart] = useState<Part>('points');
  // What frame or beam hold has no camber of its own over travel; what arms hold is no stub.
  const parts = PARTS.filter((one) =>
    one === 'axle'
      ? type.coupled?.spring !== undefined
      : one === 'bosses'
        ? !wheel.alone
        : wheel.alone || !OF_ARMS.includes(one),
  );
  const part = parts.includes(picked) ? picked : 'points';
  const point = selected ?? upperArmOf(type)?.through[0] ?? armPoints(type)[0];
  const handleFreedom = useFreedomEdit(axle, point, onEdit);
  const take = (found: ArmsFound) => {
    props.onTry(null);
    onEdit((draft) => {
      const target = draft[axle]!;
      for (const { point: name, coordinate, to, from } of found.changes) {
        target.points[name][coordinate] = tidy(to);
        // The right side's own points move by as much.
        if (target.rightPoints)
          target.rightPoints[name][coordinate] = tidy(
            target.rightPoints[name][coordinate] + to - from,
          );
      }
    });
  };
  return (
    <>
      <Choice label={station} value={part} options={parts} words={words} onPick={setPart} />
      {part === 'points' && (
        <PointsTable
          design={design}
          names={armPoints(type)}
          points={points}
          unit={unit}
          selected={selected}
          onSelect={props.onSelect}
          onEdit={props.onPoints}
        />
      )}
      {part === 'axle' && <AxlePart {...props} />}
      {part === 'bosses' && <KingpinPart {...props} />}
      {part === 'freedoms' && (
        <FreedomEditor
          key={point}
          wheel={wheel}
          point={point}
          unit={unit}
          onFreedom={handleFreedom}
        />
      )}
      {part === 'adjusters' && <Adjusters {...props} />}
      {part === 'find' && <FindArms {...props} onTake={take} />}
      {part === 'room' && <RoomPanel {...props} />}
    </>
  );
}

/** To a thousandth of a mm. */
const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;
