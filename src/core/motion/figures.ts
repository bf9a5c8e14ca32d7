import { POSITIONS, bumpSteer } from './bumpSteer';
import { distance } from '../geometry/vec';
import { poseCorner } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';
import { rodWord } from '../model/labels';
import { NAMES } from './names';
import { shaftAt } from './halfShaft';
import { heldCamber } from './held';
import { readAt } from './sweep';
import { toVec } from '../model/points';

/** What a layout comes to in one number. Signs as in the quantities; null where it is out of reach. */
export interface Figure {
  name: string;
  unit: 'deg' | 'mm' | 'deg per 25 mm';
  value: number | null;
}

/** A wheel's figures, in the order a builder asks for them: for comparing layouts side by side. */
export function figuresOf({
  corner,
  design,
  travel,
  travels,
  alone,
  points,
  type,
}: Wheel): Figure[] {
  const read = (at: number) => {
    const reading = corner && readAt(corner, at, 0);
    return reading?.ok ? reading : null;
  };
  const [ride, bump, droop] = [0, travel.bump, -travel.droop].map(read);
  const steer = corner && travels ? bumpSteer(corner, travel) : null;
  const held = corner && travels ? heldCamber(corner, travel) : null;
  const of = (unit: Figure['unit'], name: string, value: number | null | undefined): Figure => ({
    name,
    unit,
    value: value ?? null,
  });
  const { rollCentre } = ride?.value ?? {};
  const { camber: perTravel } = ride?.perTravel ?? {};
  const overTravel = [
    of('deg', `${NAMES.toeRange} over the travel`, steer?.span.range),
    of('deg', `${NAMES.bumpSteer}, most toe change`, steer?.worst),
  ];
  const ofCamber = [
    of('deg per 25 mm', 'camber gain, toe held straight', held?.gain),
    of(
      'deg per 25 mm',
      'camber gain, bump steer included',
      perTravel === undefined ? null : 25 * perTravel,
    ),
    of('deg', 'camber at full bump', bump?.value.camber),
    of('deg', 'camber at full droop', droop?.value.camber),
  ];
  const ofRoll = [
    // Where springs hold one axle under both wheels it hangs on no steering.
    ...(alone
      ? [of('mm', 'roll centre above the ground, as strings show it', held?.rollCentre)]
      : []),
    of(
      'mm',
      alone ? 'roll centre above the ground, bump steer included' : 'roll centre above the ground',
      ride && rollCentre !== undefined ? rollCentre - ride.value.contactUp : null,
    ),
    of('mm', 'track change at full bump, each side', bump?.trackChange),
  ];
  return [
    ...(travels ? overTravel : []),
    ...(alone ? ofCamber : [of('deg', NAMES.camber, ride?.value.camber)]),
    ...(type.steersAbout
      ? [
          of('deg', NAMES.caster, ride?.value.caster),
          of('deg', NAMES.kpi, ride?.value.kpi),
          of('mm', NAMES.scrub, ride?.value.scrub),
          of('mm', NAMES.trail, ride?.value.trail),
        ]
      : []),
    ...(travels ? ofRoll : []),
    ...(type.tieRod
      ? [
          of(
            'mm',
            `${rodWord(design)}, joint to joint`,
            distance(toVec(points[type.tieRod.inner]), toVec(points[type.tieRod.outer])),
          ),
        ]
      : []),
    ...(design.halfShaft ? [of('mm', 'half-shaft plunge', plunge())] : []),
  ];

  function plunge(): number | null {
    const lengths: number[] = [];
    for (let i = 0; corner && i < POSITIONS; i++) {
      const at = -travel.droop + ((travel.bump + travel.droop) * i) / (POSITIONS - 1);
      const pose = poseCorner(corner, at, 0);
      if (!pose.ok) return null;
      lengths.push(shaftAt(design.halfShaft!, pose.upright).length);
    }
    return corner ? Math.max(...lengths) - Math.min(...lengths) : null;
  }
}
