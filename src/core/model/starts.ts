import { z } from 'zod';
import type { CornerType, WheelPlace } from '../corners/cornerType';
import { CORNER_TYPES, steersBy, typeOf } from '../corners/kinds';
import { damperMisfits, damperPointsOf } from './damper';
import { FORMAT, VERSION, nameSchema } from './build';
import { briefForStart } from './brief';
import type { AxleDesign, AxleName, Build, DropArm, Travel } from './build';
import {
  OF_DROP_ARM,
  carFigures,
  figuresOf,
  hasTravel,
  isSketched,
  sketchOfKind,
  unsay,
} from './sketch';
import { pointsFrom, toVec } from './points';
import type { Points } from './points';
import type { Vec } from '../geometry/vec';
import { group, problem } from './wording';

/** What an axle is made of until somebody says. */
export const USUAL_KIND = 'double-wishbone';

const kindSchema = z.enum(CORNER_TYPES.map(({ kind }) => kind) as [string, ...string[]], {
  error: problem,
});

/** What is asked of a new build: its name, and the kinds of its corners; without `rear` it has no rear axle yet. */
export const newBuildSchema = group({
  name: nameSchema,
  front: kindSchema,
  rear: kindSchema.optional(),
});
export type NewBuild = z.infer<typeof newBuildSchema>;

const blankPoints = (type: CornerType, place: WheelPlace): Points => {
  const places = type.blank(place);
  return pointsFrom(type, (name) => places[name]);
};

/** What a road car is like, mm. */
const CAR = { wheelbase: 2400, out: 690, radius: 290, width: 195 };

/** A drop arm to start from; null where a kind is not steered by one. */
export function blankDropArm(type: CornerType, centre: Vec): DropArm | null {
  const shaft = type.blankShaft?.(centre);
  if (!shaft || !steersBy(type, 'dropArm')) return null;
  const at = ([ahead, left, up]: Vec) => ({ ahead, left, up });
  return { lower: at(shaft.lower), upper: at(shaft.upper), lock: 30 };
}

/**
 * A sensible place to start from, as the kind's table has it; a front axle has a drop arm or a rack where its kind has
 * a rod. Dimensions of no particular car.
 */
export function blankFront(kind: string = USUAL_KIND): AxleDesign {
  const type = typeOf({ kind });
  const { out, radius, width } = type.start ?? CAR;
  const centre: Vec = [0, out, radius];
  const dropArm = blankDropArm(type, centre);
  return {
    kind,
    static: { toe: 0, camber: type.noTravel ? 0 : -1 },
    tyre: { radius, width },
    points: blankPoints(type, { centre, end: 'front' }),
    ...(type.tieRod && (dropArm ? { dropArm } : { rack: { travel: 65 } })),
  };
}

/** Travel to start from where a wheel has any; a car whose wheels have none has none. */
const TRAVEL: Travel = { bump: 60, droop: 60 };
const NO_TRAVEL: Travel = { bump: 0, droop: 0 };

export const blankBuild = (name: string, front: string = USUAL_KIND, rear?: string): Build => {
  const build: Build = {
    format: FORMAT,
    version: VERSION,
    name,
    use: typeOf({ kind: front }).noTravel ? 'kart' : 'road',
    wheelbase: (typeOf({ kind: front }).start ?? CAR).wheelbase,
    travel: { ...NO_TRAVEL },
    front: blankFront(front),
  };
  if (rear !== undefined) build.rear = blankRear(build, rear);
  if (hasTravel(build)) build.travel = { ...TRAVEL };
  return build;
};

/** A build that somebody begins: everything but its name and its kinds of corners is a sketch. */
export function newBuild({ name, front, rear }: NewBuild): Build {
  const build = blankBuild(name, front, rear);
  build.sketch = carFigures(build);
  for (const design of [build.front, build.rear]) if (design) design.sketch = figuresOf(design);
  return build;
}

/** A rear axle that somebody begins: nothing of it is said but what the front's tyres say. */
export function newRear(build: Pick<Build, 'wheelbase' | 'front'>, kind?: string): AxleDesign {
  const design = blankRear(build, kind);
  const tyre = ['tyre.radius', 'tyre.width'].filter((path) => !isSketched(build.front, path));
  design.sketch = figuresOf(design).filter((path) => !tyre.includes(path));
  return design;
}

/** From the centreline to a rear wheel's centre to start from, mm. */
const REAR_OUT = 680;

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
    points: blankPoints(typeOf({ kind }), {
      centre: [-build.wheelbase, REAR_OUT, radius],
      end: 'rear',
    }),
  };
}

/**
 * An axle as another kind of corner: the wheel stays where it is with its tyre and rim, joints that both kinds have
 * by the same name and on the same body stay too, the rest is as a blank layout has it. Freedoms of joints that go
 * and the right side's own points go, a damper where nothing of the new kind carries it; a rack or a drop arm goes where it does not move the kind's rods.
 */
export function asKind(design: AxleDesign, kind: string, end: 'front' | 'rear'): AxleDesign {
  const [from, to] = [typeOf({ kind: design.kind }), typeOf({ kind })];
  const { wheelCentre } = design.points;
  const blank = blankPoints(to, { centre: toVec(wheelCentre), end });
  const stays = (name: string) => from.points[name] && from.points[name].on === to.points[name].on;
  const {
    rack,
    dropArm,
    column,
    tieRod,
    rightPoints: _,
    freedoms: __,
    sketch: ___,
    template: ____,
    dragLinkTo,
    leafLead,
    damper,
    ...rest
  } = design;
  const keepsDamper = damper !== undefined && damperMisfits(to, damper).length === 0;
  const ofDamper = keepsDamper ? damperPointsOf(to, damper) : [];
  const points = Object.fromEntries([
    ...Object.keys(blank).map((name) => [name, { ...(stays(name) ? design.points : blank)[name] }]),
    ...ofDamper.map((name) => [name, { ...design.points[name] }]),
  ]) as unknown as Points;
  const freedoms = Object.fromEntries(
    Object.entries(design.freedoms ?? {}).filter(
      ([name]) => ofDamper.includes(name) || (to.points[name] && stays(name)),
    ),
  );
  // A drop arm whose joint goes is of no use to the next one.
  const arm = from.tieRod?.inner === to.tieRod?.inner ? dropArm : undefined;
  return {
    ...rest,
    kind,
    points,
    ...sketchOfKind(design, to, (name) => Boolean(stays(name))),
    ...(Object.keys(freedoms).length > 0 && { freedoms }),
    ...(steersBy(to, 'rack') && rack && { rack }),
    ...(steersBy(to, 'dropArm') && arm && { dropArm: arm }),
    ...(to.coupled && dragLinkTo && { dragLinkTo }),
    ...(to.coupled?.spring && leafLead !== undefined && { leafLead }),
    ...(to.tieRod && tieRod && { tieRod }),
    ...(to.tieRod && column && { column }),
    ...(keepsDamper && { damper }),
  };
}

/** Gives an axle what moves its kind's rods, as a sketch: a rack, or a drop arm where it takes none. */
function steerAnew(design: AxleDesign): void {
  const type = typeOf(design);
  const arm = steersBy(type, 'rack') ? null : blankDropArm(type, toVec(design.points.wheelCentre));
  if (arm) {
    design.dropArm = arm;
    for (const path of OF_DROP_ARM) unsay(design, path);
    return;
  }
  design.rack = { travel: 65 };
  unsay(design, 'rack.travel');
}

/**
 * Makes an axle another kind of corner. The first of its wheels that has travel asks for how much; what is steered
 * stays steered, by what moves the new kind's rods. Changes what it is given.
 */
export function changeKind(build: Build, axle: AxleName, kind: string): void {
  const design = build[axle];
  if (!design) return;
  const travelled = hasTravel(build);
  const next = asKind(design, kind, axle);
  const steered = design.rack !== undefined || design.dropArm !== undefined;
  const type = typeOf(next);
  if (steered && type.tieRod && !next.rack && !next.dropArm) steerAnew(next);
  if (build.brief && axle === 'front')
    build.brief = briefForStart(build.brief, build, { ...build, front: next });
  build[axle] = next;
  if (!hasTravel(build) || travelled) return;
  build.travel = { ...TRAVEL };
  for (const path of ['travel.bump', 'travel.droop']) unsay(build, path);
}
