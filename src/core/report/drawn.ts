import { judgeColumn } from '../column/judge';
import { pointNames, typeOn } from '../corners/kinds';
import { DamperAt } from '../damper/sweep';
import { loadsOf } from '../loads/loads';
import { judgeDamper, judgeLoads } from '../judging/damper';
import { wheelOf } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { AxleName, Build } from '../model/build';
import { pointLabel } from '../model/labels';
import { takeOffOf } from '../model/takeOff';
import { openVariantOf } from '../model/variants';
import { counted } from '../model/wording';
import { sheetEntries } from '../shop/sheetsOf';
import { takenStates } from '../shop/taken';
import { judgeSteering, steeringOf } from '../steering/steering';
import { readerOf } from '../takeoff/places';
import type { Judged } from '../verdict/verdicts';
import { digits, section } from './section';
import type { BookFigure, BookSection } from './section';

const axlesOf = (build: Build): AxleName[] => (build.rear ? ['front', 'rear'] : ['front']);
const between = (unit: string, [least, most]: readonly [number, number]): string =>
  `${digits(least, 1)} to ${digits(most, 1)}${unit === '°' ? '°' : ` ${unit}`}`;

/** What it is for, what limits it, what it is judged by. */
export function briefSection(build: Build): BookSection {
  const { targets, limits } = briefOf(build);
  const { name, frozen } = openVariantOf(build);
  const BRIEF = 'stated in the brief';
  const own = build.brief ? BRIEF : 'common practice for this use, nobody stated another';
  const told = (named: string, value: string): BookFigure => ({
    ...{ name: named, value, unit: '', means: own },
  });
  const length = (named: string, value: number | undefined): BookFigure[] =>
    value === undefined ? [] : [{ name: named, value, unit: 'mm', means: BRIEF }];
  const bumps = targets.bumpSteer.map((one) => `${one}°`);
  return section('brief', 'Brief', {
    figures: [
      { name: 'use', value: build.use, unit: '', means: BRIEF },
      ...length('wheelbase', build.wheelbase),
      ...(axlesOf(build).some((axle) => wheelOf(build, axle, 'left')?.travels)
        ? [...length('travel up', build.travel.bump), ...length('travel down', build.travel.droop)]
        : []),
      ...length('over the tyres at most', limits.width),
      ...length('ride height of the chassis’ mark', limits.rideHeight),
      told('bump steer: very good, accepted, reworked past', bumps.join(', ')),
      told('camber per 25 mm', between('°', targets.camberGain)),
      told('caster', between('°', targets.caster)),
      told('kingpin inclination', between('°', targets.kpi)),
      told('Ackermann half way to lock', between('%', targets.ackermann)),
      told('steering ratio', between('to 1', targets.ratio)),
      told('lock of the inner wheel at least', `${targets.lock}°`),
    ],
    tables: [
      {
        title: 'Rules and refusals that were written down',
        head: ['what it says', 'where that stands', 'on'],
        widths: [0.55, 0.3, 0.15],
        rows: (build.plan?.rules ?? []).map(({ says, source, at }) => [
          ...[says, source, at.slice(0, 10)],
        ]),
      },
    ],
    notes: [
      `Variant: ${name}, ${frozen ? `frozen ${frozen.slice(0, 10)}` : 'not frozen: what is in this book may still change'}.`,
      ...(build.note ? [build.note] : []),
    ],
    unchecked: [
      ...(build.plan?.rules?.length ? [] : ['Class rules and road law: none were written down.']),
    ],
  });
}

/** What was measured of the parts that exist, and how well. */
export function takeOffSection(build: Build): BookSection {
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  const rows: string[][] = [];
  const unchecked: string[] = [];
  for (const record of takeOff.measured) {
    const place = read(record);
    const design = build[record.axle];
    if (!design) continue;
    const name = `${record.axle} ${record.side} ${pointLabel(design, record.point)}`;
    if (!place.ok) unchecked.push(`${name}: ${place.why}.`);
    else {
      const { point, spread } = place;
      const told = (of: 'ahead' | 'out' | 'up') =>
        `${digits(point[of])} ± ${digits(spread[of], 2)}`;
      rows.push([name, record.method, told('ahead'), told('out'), told('up')]);
      for (const doubt of place.doubts) unchecked.push(`${name}: ${doubt}.`);
    }
  }
  for (const axle of axlesOf(build)) {
    const design = build[axle]!;
    const type = typeOn(design, 'left');
    const measured = new Set(
      takeOff.measured.filter((one) => one.axle === axle).map(({ point }) => point),
    );
    const drawn = pointNames(type).filter((name) => !measured.has(name));
    if (drawn.length > 0)
      unchecked.push(
        `${axle}: ${counted(drawn.length, 'joint')} drawn and not measured (${drawn.map((name) => pointLabel(design, name)).join(', ')}); taken to be placed within ${takeOff.placing} mm.`,
      );
  }
  return section('takeoff', 'Take-off', {
    tables: [
      {
        title: 'Measured places, mm',
        head: ['joint', 'how', 'ahead', 'out', 'up'],
        widths: [0.34, 0.12, 0.18, 0.18, 0.18],
        rows,
      },
    ],
    notes: [
      '± is the root of the sum of squares of what every reading’s own ± does to the place (propagation of uncertainty, JCGM 100).',
      ...(rows.length === 0 ? ['Nothing was measured yet.'] : []),
    ],
    unchecked,
  });
}

const judgedTable = (title: string, judged: readonly Judged[]) => ({
  ...{ title, head: ['what', 'verdict'], widths: [0.75, 0.25] },
  rows: judged.map(({ of, verdict }) => [of, verdict]),
});

/** What the front axle's steering comes to. */
export function steeringSection(build: Build): BookSection | null {
  const wheel = wheelOf(build, 'front', 'left');
  if (!wheel.steered) return null;
  const { targets } = briefOf(build);
  const steering = steeringOf(build);
  const { ackermann, ratio, lock, follows } = steering;
  return section('steering', 'Steering', {
    figures: [
      {
        ...{ name: 'Ackermann', value: ackermann, unit: '%' },
        means:
          'half way to lock; 100 is true, 0 both wheels alike (Ackermann’s condition, ISO 8855)',
      },
      ...(ratio === null
        ? []
        : [
            {
              ...{ name: 'steering ratio', value: ratio, unit: 'to 1' as const },
              means: 'handwheel to road wheels’ mean, about straight ahead (SAE J670)',
            },
          ]),
      {
        ...{ name: 'lock, inner wheel', value: lock?.inner ?? null, unit: '°' },
        means: 'at the steering’s end, to the side that needs the larger circle (SAE J670)',
      },
      {
        ...{ name: 'lock, outer wheel', value: lock?.outer ?? null, unit: '°' },
        means: 'the same of the other wheel',
      },
      {
        ...{ name: 'turning circle between kerbs', unit: 'm' },
        value: lock ? lock.circle / 1000 : null,
        means: 'about the turn centre of both wheels’ mean, no slip (Havrik’s own)',
      },
    ],
    tables: [judgedTable('Verdicts', judgeSteering(steering, targets))],
    unchecked:
      follows === null
        ? [
            'Steering: which way the wheels go; on which side of the rack the pinion lies is not said.',
          ]
        : [],
  });
}

/** From the hands to the pinion. */
export function columnSection(build: Build): BookSection | null {
  const { column } = build.front;
  if (!column) return null;
  return section('column', 'Column', {
    tables: [judgedTable('Verdicts', judgeColumn(column, build.room, 'front'))],
    notes: [
      'Angles at rest, ripple of both together over a turn (Cardan’s joint: tan of one side = cos of the angle × tan of the other).',
    ],
    unchecked: [
      'Column: strength of shafts, joints, bearings and pinch bolts; what happens to it in a crash.',
    ],
  });
}

/** Damper, springs and what the parts carry, of one axle. */
export function damperSection(build: Build, axle: AxleName): BookSection | null {
  const wheel = wheelOf(build, axle, 'left');
  if (!wheel?.corner) return null;
  const { design } = wheel;
  const row = design.damper ? new DamperAt(wheel.corner, design.damper).row(0) : null;
  const found = loadsOf(build, wheel);
  const loads = found.ok ? found.loads : null;
  if (!design.damper && !design.strength) return null;
  return section(`damper-${axle}`, `Damper and loads: ${axle}`, {
    figures: [
      ...(row
        ? ([
            {
              ...{
                name: 'damper, eye to eye at ride height',
                value: row.at.damper.length,
                unit: 'mm',
              },
              means: 'between the middles of its eyes',
            },
            {
              ...{ name: 'motion ratio', value: row.at.damper.ratio, unit: '', places: 3 },
              means:
                'mm of damper for one of wheel, at ride height (common practice; others tell its inverse)',
            },
            ...(row.wheelRate === null
              ? []
              : [
                  {
                    ...{ name: 'wheel rate', value: row.wheelRate, unit: 'N/mm' as const },
                    means: 'of the springs at the wheel, the ratio’s own change counted (SAE J670)',
                  },
                ]),
          ] satisfies BookFigure[])
        : []),
      ...(loads
        ? [
            {
              ...{ name: 'stands on the wheel', value: loads.weight, unit: 'N' as const },
              means: loads.said ? 'as stated' : 'a usual figure: nobody stated one',
            },
          ]
        : []),
    ],
    tables: [
      judgedTable('Verdicts', [...judgeDamper(build, wheel), ...judgeLoads(build, wheel)]),
      {
        title:
          'The most that parts carry over all cases and travel, N (bending N·mm), + in tension',
        head: ['part', 'most', 'case', 'at travel', 'reserve'],
        widths: [0.42, 0.16, 0.16, 0.13, 0.13],
        rows: (loads?.parts ?? []).map(({ name, worst, reserve }) => [
          ...[name, digits(worst.newtons, 0), worst.case, digits(worst.travel, 0)],
          reserve === null ? 'not described' : digits(reserve),
        ]),
      },
    ],
    notes: [
      ...(found.ok ? [] : [`Loads: ${found.why}.`]),
      'Statics of the exact pose, parts rigid and without mass: estimates that say where to look, no approval of strength.',
    ],
    unchecked: [
      `${axle}: strength by whoever may approve it; fatigue, welds, brackets and the frame they are on.`,
      ...(loads && loads.undescribed > 0
        ? [
            `${axle}: what ${counted(loads.undescribed, 'part')} can carry; nobody described ${loads.undescribed === 1 ? 'it' : 'them'}.`,
          ]
        : []),
    ],
  });
}

/** Every sheet there is, its check code, and what was taken of it. */
export function sheetsSection(build: Build): BookSection {
  const open = openVariantOf(build).id;
  const taken = new Map(
    takenStates(build)
      .filter((one) => one.taken.variant === open)
      .map((one) => [one.taken.sheet, one]),
  );
  const old = [...taken.values()].filter(({ state }) => state === 'old');
  return section('sheets', 'Sheets', {
    tables: [
      {
        title: 'Sheets of this variant',
        head: ['sheet', 'check code', 'taken', ''],
        widths: [0.5, 0.16, 0.18, 0.16],
        rows: sheetEntries(build).map((entry) => {
          const has = taken.get(entry.id);
          return [
            ...[entry.title, entry.code?.() ?? entry.make().code],
            ...[has ? has.taken.on.slice(0, 10) : '', has ? has.state : ''],
          ];
        }),
      },
    ],
    unchecked: old.map(
      ({ taken: one }) => `${one.title}: cut by a sheet that is old, code ${one.code}.`,
    ),
  });
}
