import { COORDINATES } from '../model/points';
import { pointNames } from '../corners/kinds';
import { clearancesOf } from '../clearance/room';
import { nullsOf } from '../bumpsteer/nulls';
import { numberInWords } from '../check/words';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { AxleName, Build, Side } from '../model/build';
import { pointLabel, rodWord } from '../model/labels';
import { isOfSketch, sketchInWords } from '../model/sketch';
import { bumpSteer, judgeBumpSteer } from '../motion/bumpSteer';
import { figuresOf } from '../motion/figures';
import type { Figure } from '../motion/figures';
import { runSweep, travelSweep, valueAt } from '../motion/sweep';
import { MonteCarlo } from '../tolerance/monteCarlo';
import { sensitivities } from '../tolerance/sensitivity';
import { FIGURE_MEANS } from './means';
import { capital } from '../shop/sheetWords';
import { digits, section } from './section';
import type { BookCurve, BookFigure, BookSection } from './section';

const UNITS: Record<Figure['unit'], BookFigure['unit']> = {
  ...{ deg: '°', mm: 'mm', 'deg per 25 mm': '° per 25 mm' },
};

/** Figures of a wheel with what they mean. */
export const wheelFigures = (wheel: Wheel): BookFigure[] =>
  figuresOf(wheel).map(({ name, unit, value }) => ({
    ...{ name, value, unit: UNITS[unit], means: FIGURE_MEANS[name] ?? '' },
  }));

const POSITIONS = 61;

/** Toe and camber over the travel; of what is out of reach nothing. */
export function wheelCurves(wheel: Wheel): BookCurve[] {
  const { corner, travel, travels } = wheel;
  if (!corner || !travels) return [];
  const sweep = travelSweep(travel, POSITIONS);
  runSweep(corner, sweep);
  const at = (of: 'toe' | 'camber'): [number, number][] =>
    Array.from(sweep.travel, (mm, i): [number, number] => [mm, valueAt(sweep, i, of)]).filter(
      (_, i) => sweep.reachable[i] === 1,
    );
  return [
    { name: 'toe, + in', unit: '°', points: at('toe') },
    { name: 'camber, + top out', unit: '°', points: at('camber') },
  ];
}

/** Sides of an axle that have figures of their own: the left stands for both where it is mirrored. */
export const ownSides = (build: Build, axle: AxleName): Side[] =>
  build[axle]?.rightPoints ? ['left', 'right'] : build[axle] ? ['left'] : [];

/** What a section of one wheel is called. */
const wheelTitle = (build: Build, axle: AxleName, side: Side): string =>
  build[axle]?.rightPoints ? `${axle} ${side}` : axle;

/** Where every joint is, what that comes to, how it goes over the travel, what comes near. */
export function layoutSection(build: Build, axle: AxleName, side: Side): BookSection {
  const wheel = wheelOf(build, axle, side)!;
  const { design, points, type } = wheel;
  const named = wheelTitle(build, axle, side);
  const near = wheel.corner ? clearancesOf(build, wheel) : null;
  const bodies = build.room?.keepOuts.filter((one) => one.axle === axle).length ?? 0;
  const tight = (near ?? []).slice(0, 10);
  return section(`layout-${axle}-${side}`, `Layout: ${named}`, {
    figures: wheelFigures(wheel),
    curves: wheelCurves(wheel),
    tables: [
      {
        title: `Joints at ride height, mm: ${type.label}${design.rightPoints ? '' : ', the right its mirror image'}`,
        head: ['joint', 'ahead', 'out', 'up'],
        widths: [0.46, 0.18, 0.18, 0.18],
        rows: pointNames(type).map((name) => [
          pointLabel(design, name),
          ...COORDINATES.map((coordinate) => digits(points[name][coordinate])),
        ]),
      },
      {
        title: 'What comes nearest over travel and lock, mm',
        head: ['what', 'to', 'apart', 'wanted', 'at travel', 'steered'],
        widths: [0.28, 0.28, 0.11, 0.11, 0.11, 0.11],
        rows: tight.map(({ what, to, clearance, wanted, travel, rack }) => [
          ...[what, to, digits(clearance), digits(wanted), digits(travel, 0), digits(rack, 0)],
        ]),
      },
    ],
    notes: [
      'Ahead of the front axle’s line, out of the centreline, up from the ground, the car at ride height (axes as in SAE J670, ISO 8855, ahead and up positive).',
      ...(wheel.corner ? [] : ['This layout cannot be put together as drawn.']),
    ],
    unchecked: [
      ...(isOfSketch(build, design) ? [`${capital(axle)}: ${sketchInWords(build, design)}.`] : []),
      ...(near === null
        ? [`${capital(named)}: clearances, for the layout cannot be put together.`]
        : bodies === 0
          ? [
              `${capital(named)}: what arms, rods and wheel could touch of frame, engine and body; no such body was entered.`,
            ]
          : []),
    ],
  });
}

/** Cars that are built by chance for what the ± make of the toe range. */
const CARS = 250;
const MOST_NUMBERS = 10;

/** How far a wheel is from not steering over bumps, and which measurements that hangs on. */
export function nullSection(build: Build, axle: AxleName, side: Side): BookSection | null {
  const wheel = wheelOf(build, axle, side)!;
  const { corner, type, travels, design, travel } = wheel;
  if (!corner || !type.tieRod || !travels) return null;
  const found = bumpSteer(corner, travel);
  const { targets } = briefOf(build);
  const title = `Bump steer and what it tolerates: ${wheelTitle(build, axle, side)}`;
  if (!found)
    return section(`null-${axle}-${side}`, title, {
      notes: ['Part of the stated travel is out of reach: nothing is told of it.'],
      unchecked: [`${capital(axle)}: bump steer over the whole of the stated travel.`],
    });
  const nulls = type.coupled ? null : nullsOf(wheel);
  const away = (one: NonNullable<typeof nulls>['inner']): BookFigure[] =>
    one
      ? [
          {
            name: `${pointLabel(design, one.point)} to its null line`,
            ...{ value: one.line.away, unit: 'mm' },
            means:
              'shortest way to where it would leave toe alone, very nearly, the other joint staying (circle through that joint’s path, Havrik’s own)',
          },
        ]
      : [];
  const cars = new MonteCarlo(build, wheel, 0, CARS);
  cars.run(CARS);
  const { toeRange, failed } = cars.bands();
  const numbers = sensitivities(build, wheel).slice(0, MOST_NUMBERS);
  return section(`null-${axle}-${side}`, title, {
    figures: [
      {
        ...{ name: 'bump steer, most toe change', value: found.worst, unit: '°' },
        means: FIGURE_MEANS['bump steer, most toe change'],
        verdict: judgeBumpSteer(found.worst, targets.bumpSteer),
      },
      {
        ...{ name: 'toe range', value: found.span.range, unit: '°', places: 3 },
        means: FIGURE_MEANS['toe range over the travel'],
      },
      {
        ...{ name: 'toe per mm of bump at ride height', value: found.slope, unit: '°/mm' },
        means: 'exact slope, + in (SAE J670: bump steer as a rate)',
      },
      ...away(nulls?.inner ?? null),
      ...away(nulls?.outer ?? null),
      {
        ...{ name: 'toe range of half of the cars built so', unit: '°', places: 3 },
        value: toeRange?.median ?? null,
        means: `under this are half of ${CARS} cars whose measurements are off by chance within their ±, arms as long as drawn, toe set`,
      },
      {
        ...{ name: 'toe range of nine in ten', unit: '°', places: 3 },
        value: toeRange?.ninety ?? null,
        means: 'under this are nine in ten of them',
      },
    ],
    tables: [
      {
        title: 'What it hangs on most: the change of toe range if this is off by its ±',
        head: ['number', '±', 'toe range, °', 'camber, °'],
        widths: [0.52, 0.16, 0.16, 0.16],
        rows: numbers.map(({ number, over }) => [
          numberInWords(design, number),
          `${digits(number.tolerance, 2)} ${number.unit === 'deg' ? '°' : 'mm'}`,
          Number.isFinite(over.bumpSteer) ? digits(over.bumpSteer, 3) : 'does not go together',
          Number.isFinite(over.camber) ? digits(over.camber, 3) : '',
        ]),
      },
    ],
    notes: [
      `Bands of the brief: very good to ${targets.bumpSteer[0]}°, accepted to ${targets.bumpSteer[1]}°, reworked past ${targets.bumpSteer[2]}°. Covers ${travel.bump} mm bump and ${travel.droop} mm droop, the ${rodWord(design)} rigid, steering straight.`,
      ...(failed > 0 ? [`${failed} of ${CARS} such cars do not reach their travel.`] : []),
    ],
    unchecked: [
      `${capital(axle)}: toe with forces on the wheel; rods, bushes and rack mounts give, and nothing here does.`,
    ],
  });
}
