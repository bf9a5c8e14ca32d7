import { z } from 'zod';
import type { CornerType, WheelPlace } from '../corners/cornerType';
import { CORNER_TYPES, typeOf } from '../corners/kinds';
import { FORMAT, VERSION, nameSchema } from './build';
import type { AxleDesign, Build } from './build';
import { CAR_FIGURES, figuresOf, isSketched, sketchOfKind } from './sketch';
import { pointsFrom, toVec } from './points';
import type { Points } from './points';
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

/** A build that somebody begins: everything but its name and its kinds of corners is a sketch. */
export function newBuild({ name, front, rear }: NewBuild): Build {
  const build = blankBuild(name, front, rear);
  build.sketch = [...CAR_FIGURES];
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

/**
 * An axle as another kind of corner: the wheel stays where it is with its tyre and rim, joints that both kinds have
 * by the same name and on the same body stay too, the rest is as a blank layout has it. Freedoms of joints that go
 * and the right side's own points go; a rack goes where the kind has no rod.
 */
export function asKind(design: AxleDesign, kind: string, end: 'front' | 'rear'): AxleDesign {
  const [from, to] = [typeOf(design), typeOf({ kind })];
  const { wheelCentre } = design.points;
  const blank = blankPoints(to, { centre: toVec(wheelCentre), end });
  const stays = (name: string) => from.points[name] && from.points[name].on === to.points[name].on;
  const points = Object.fromEntries(
    Object.keys(blank).map((name) => [name, { ...(stays(name) ? design.points : blank)[name] }]),
  ) as unknown as Points;
  const freedoms = Object.fromEntries(
    Object.entries(design.freedoms ?? {}).filter(([name]) => to.points[name] && stays(name)),
  );
  const {
    rack,
    tieRod,
    rightPoints: _,
    freedoms: __,
    sketch: ___,
    template: ____,
    ...rest
  } = design;
  return {
    ...rest,
    kind,
    points,
    ...sketchOfKind(design, to, (name) => Boolean(stays(name))),
    ...(Object.keys(freedoms).length > 0 && { freedoms }),
    ...(to.tieRod && rack && { rack }),
    ...(to.tieRod && tieRod && { tieRod }),
  };
}
