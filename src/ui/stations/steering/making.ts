import { armJointOf } from '@/core/corners/kinds';
import type { AckermannFound, Moved } from '@/core/ackermann/judge';
import type { Wheel } from '@/core/kinematics/wheel';
import type { LengthUnit } from '@/core/model/units';
import { lengthIn, printLength, readable } from '@/core/model/units';
import { armSide } from '@/core/steering/armSide';
import { WAYS } from '../rack/places';
import { instruction } from '../rack/instructions';

const by = ({ from, to, coordinate }: Moved, unit: LengthUnit): string =>
  `${lengthIn(Math.abs(to - from), unit, 1)} ${WAYS[coordinate][to > from ? 0 : 1]}`;

const size = (mm: number, unit: LengthUnit): string => lengthIn(Math.abs(mm), unit, 1);
const DROP_ARM: Record<string, (by: number, unit: LengthUnit) => string> = {
  length: (by, unit) => `${size(by, unit)} ${by > 0 ? 'longer' : 'shorter'}`,
  crank: (by, unit) =>
    `its holes ${size(by, unit)} further ${by > 0 ? 'up' : 'down'} the shaft, cranked`,
  spacing: (by, unit) => `each hole ${size(by, unit)} further ${by > 0 ? 'out' : 'in'}`,
};

/** What is made or moved for an answer, a line each. */
export function makingOf(
  { moved, design, collar }: AckermannFound,
  wheel: Wheel,
  wheelbase: number,
  unit: LengthUnit,
): string[] {
  const lines: string[] = [];
  const of = (kind: Moved['by']) => moved.filter((one) => one.by === kind);
  const there = wheel.drawnAs(design);
  const side = of('arm').length > 0 ? armSide(there, wheelbase) : null;
  if (side) {
    const { up } = there.points[armJointOf(there.type)!];
    lines.push(
      `Make a pair of steering arms: the hole ${lengthIn(Math.abs(side.ahead), unit, 1)} ${side.ahead < 0 ? 'behind' : 'ahead of'} the kingpin and ${lengthIn(Math.abs(side.out), unit, 1)} ${side.out < 0 ? 'inboard' : 'outboard'} of it at that height, its joint’s centre ${lengthIn(up, unit, 1)} above the ground (${of(
        'arm',
      )
        .map((one) => by(one, unit))
        .join(', ')} from now)`,
    );
  }
  const bracket = of('bracket');
  if (bracket.length > 0)
    lines.push(`Move the rack’s brackets ${bracket.map((one) => by(one, unit)).join(' and ')}`);
  const arm = [...of('length'), ...of('crank'), ...(design.dropArm ? of('spacing') : [])];
  if (arm.length > 0)
    lines.push(
      `Make a drop arm: ${arm.map((one) => DROP_ARM[one.by](one.to - one.from, unit)).join(', ')}`,
    );
  for (const one of design.dropArm ? [] : of('spacing'))
    lines.push(
      `The rack’s joints ${by(one, unit)} on each side: a plate, or a rack ${one.to > one.from ? 'widened' : 'narrowed'}`,
    );
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  for (const one of of('own')) lines.push(instruction(one, design, length, unit));
  if (collar > 0 && design.dropArm)
    lines.push(
      `Stop the column at ${design.dropArm.lock.toFixed(1)}° each way: past it a rod comes near over centre, or something binds or touches`,
    );
  else if (collar > 0)
    lines.push(
      `Collars of ${lengthIn(collar, unit, 1)} on each side of the rack: past them a rod comes near over centre, or something binds or touches`,
    );
  return lines;
}
