import type { SteerUnit } from '@/core/kinematics/corner';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';

/** How far a rack has moved or a drop arm has turned, whichever way: `12.0 mm`, `12.0°`. */
export const steerIn = (steer: number, by: SteerUnit, unit: LengthUnit): string =>
  by === 'rack' ? lengthIn(Math.abs(steer), unit, 1) : `${Math.abs(steer).toFixed(1)}°`;
