import type { CornerType, WheelPlace } from '../corners/cornerType';
import { typeOf } from '../corners/kinds';
import { FORMAT, VERSION } from './build';
import type { AxleDesign, Build } from './build';
import { pointsFrom } from './points';
import type { Points } from './points';

/** What an axle is made of until somebody says. */
export const USUAL_KIND = 'double-wishbone';

const blankPoints = (type: CornerType, place: WheelPlace): Points => {
  const places = type.blank(place);
  return pointsFrom(type, (name) => places[name]);
};

/**
 * A sensible place to start from, as the kind's table has it; a front axle has a rack where its kind has a rod.
 * Dimensions of no particular car.
 */
export function blankFront(kind: string = USUAL_KIND): AxleDesign {
  const type = typeOf({ kind });
  const radius = 290;
  return {
    kind,
    static: { toe: 0, camber: -1 },
    tyre: { radius, width: 195 },
    points: blankPoints(type, { centre: [0, 690, radius], end: 'front' }),
    ...(type.tieRod && { rack: { travel: 65 } }),
  };
}

export const blankBuild = (name: string, front: string = USUAL_KIND, rear?: string): Build => {
  const build: Build = {
    format: FORMAT,
    version: VERSION,
    name,
    use: 'road',
    wheelbase: 2400,
    travel: { bump: 60, droop: 60 },
    front: blankFront(front),
  };
  if (rear !== undefined) build.rear = blankRear(build, rear);
  return build;
};

/** A rear axle to start from, standing on a build's wheelbase. */
export function blankRear(
  build: Pick<Build, 'wheelbase' | 'front'>,
  kind: string = USUAL_KIND,
): AxleDesign {
  const { radius } = build.front.tyre;
  return {
    kind,
    static: { toe: 0.1, camber: -1 },
    tyre: { ...build.front.tyre },
    points: blankPoints(typeOf({ kind }), { centre: [-build.wheelbase, 680, radius], end: 'rear' }),
  };
}
