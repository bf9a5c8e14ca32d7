import { checkUp } from '../check/checkUp';
import { AGREES_WORDS } from '../check/words';
import { gatesOf } from '../plan/gates';
import type { PlanKnown } from '../plan/gates';
import { HIT_WORDS, knockLeft } from '../plan/knock';
import { bandOf } from '../plan/inBand';
import { planNow } from '../plan/states';
import { setsDiffer, setupsOf, turnedWheels } from '../setup/book';
import { signed, standsInWords } from '../setup/words';
import { wheelOf } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { Build, KeptCheck } from '../model/build';
import { counted } from '../model/wording';
import { digits, section } from './section';
import type { BookSection } from './section';

/** Checks that are read through, the newest; of those before them their names alone. */
const MOST_CHECKS = 12;

/** What was read on the stands, and what that says. */
export function checksSection(build: Build, checks: readonly KeptCheck[]): BookSection {
  const { targets } = briefOf(build);
  const real = checks
    .filter(({ training, readings }) => !training && readings.length > 0)
    .sort((a, b) => b.begun.localeCompare(a.begun));
  const rows = real.slice(0, MOST_CHECKS).flatMap((check) => {
    const car = { ...check, travel: build.travel };
    const { agrees, sides } = checkUp(build, car, check.readings, targets.bumpSteer);
    const named = [check.name, check.begun.slice(0, 10), check.axle];
    if (sides.length === 0) return [[...named, '', '', '', AGREES_WORDS[agrees]]];
    return sides.map(({ side, covers, worst, worstOff, verdict }) => [
      ...named,
      side,
      covers ? `${digits(covers.from, 0)} to ${digits(covers.to, 0)}` : 'too few',
      covers ? `${digits(worst, 2)} ± ${digits(worstOff, 2)}` : '',
      `${verdict ?? 'not judged'}; ${AGREES_WORDS[agrees]}`,
    ]);
  });
  const axles = (['front', 'rear'] as const).filter(
    (axle) => wheelOf(build, axle, 'left')?.travels,
  );
  return section('checks', 'Checks on the stands', {
    tables: [
      {
        title: 'What was read: most change of toe from ride height, °',
        head: ['check', 'on', 'axle', 'side', 'from, to mm', 'toe, °', 'says'],
        widths: [0.22, 0.11, 0.08, 0.08, 0.13, 0.13, 0.25],
        rows,
      },
    ],
    notes: [
      'Toe by the readings and the drawing together, with its ±, between the heights that were read; the verdict covers these alone.',
      ...(real.length > MOST_CHECKS
        ? [`${counted(real.length - MOST_CHECKS, 'earlier check')} not read through again here.`]
        : []),
    ],
    unchecked: axles.flatMap((axle) => {
      const { open, says } = bandOf(build, checks, axle, null);
      return open ? [] : [`${axle} on the stands: ${says}.`];
    }),
  });
}

/** What the finished car is set to, and the book of its sets. */
export function setupSection(build: Build): BookSection {
  const { sets } = setupsOf(build);
  const wheels = turnedWheels(build);
  return section('setup', 'Set-up', {
    tables: [
      {
        title: 'As read before it was turned last, °',
        head: ['wheel', 'camber', 'caster', 'toe', 'on', 'times turned'],
        widths: [0.2, 0.16, 0.16, 0.16, 0.16, 0.16],
        rows: wheels.flatMap(({ axle, side, turned }) => {
          const last = turned.at(-1);
          if (!last) return [];
          const told = (value: number | undefined) => (value === undefined ? '' : signed(value));
          const { camber, caster, toe } = last.read;
          return [
            [
              ...[`${axle} ${side}`, told(camber), told(caster), told(toe)],
              ...[last.at.slice(0, 10), String(turned.length)],
            ],
          ];
        }),
      },
      ...sets.map((set) => ({
        title: `Set: ${set.name}, ${set.kind}, ${set.at.slice(0, 10)}${set.note ? `. ${set.note}` : ''}${set.words ? `. Driver’s words, or lap: ${set.words}` : ''}`,
        head: ['wheel', 'adjuster', 'from the drawing'],
        widths: [0.2, 0.5, 0.3],
        rows: setsDiffer(build, { wheels: [] }, set).map(({ axle, side, adjuster, id, second }) => [
          `${axle} ${side}`,
          adjuster?.name ?? `${id}, not there any more`,
          standsInWords(adjuster, second, 'mm'),
        ]),
      })),
    ],
    notes: sets.length + wheels.length === 0 ? ['Nothing was set yet.'] : [],
    unchecked:
      wheels.length > 0
        ? [
            'Set-up: camber, caster and toe after the last turn; the book has what was read before it.',
          ]
        : ['Set-up: camber, caster and toe of the finished car.'],
  });
}

/** The work: what was done, by whom, in how long, and what was gone on with though it was not so. */
export function workSection(build: Build, checks: readonly KeptCheck[]): BookSection {
  const { all, hours } = planNow(build);
  const known: PlanKnown = { inBand: (axle, since) => bandOf(build, checks, axle, since) };
  const despite = all.flatMap(({ step }) =>
    gatesOf(build, step, known).flatMap(({ gate, answer, despite: alone }) =>
      alone ? [[step.title, gate.asks, answer!.despite!, answer!.by]] : [],
    ),
  );
  const knocks = build.plan?.knocks ?? [];
  const open = all.filter(({ state }) => state !== 'done');
  return section('work', 'Order of work', {
    figures: [
      {
        name: 'planned',
        value: hours.planned,
        unit: 'min',
        means: 'of one pair of hands: guesses, until the builder said otherwise',
      },
      { name: 'used', value: hours.used, unit: 'min', means: 'as noted at the steps' },
      {
        ...{ name: 'left', value: hours.left, unit: 'min' },
        means:
          hours.factor === 1
            ? 'as planned'
            : `at ${digits(hours.factor, 2)} of what was planned, as ${hours.from} done steps took`,
      },
    ],
    tables: [
      {
        title: 'Steps',
        head: ['step', 'state', 'by', 'on', 'planned', 'used, min'],
        widths: [0.42, 0.15, 0.13, 0.12, 0.09, 0.09],
        rows: all.map(({ step, state, record, planned }) => [
          ...[step.title, state, record?.done?.by ?? '', record?.done?.at.slice(0, 10) ?? ''],
          ...[digits(planned, 0), record?.used === undefined ? '' : digits(record.used, 0)],
        ]),
      },
      {
        title: 'Gone on with, though it was not so',
        head: ['step', 'what should have been', 'why it went on', 'by'],
        widths: [0.25, 0.3, 0.33, 0.12],
        rows: despite,
      },
      {
        title: 'Knocks',
        head: ['wheel', 'what', 'on', 'found bad', 'still to be looked at'],
        widths: [0.14, 0.28, 0.12, 0.26, 0.2],
        rows: knocks.map((knock) => {
          const { bad, open: left } = knockLeft(build, knock);
          return [
            ...[`${knock.axle} ${knock.side}`, HIT_WORDS[knock.hit], knock.at.slice(0, 10)],
            ...[bad.map(({ name }) => name).join(', '), String(left.length)],
          ];
        }),
      },
    ],
    notes: ['People signed for what they did. This book signs nothing off.'],
    unchecked: [
      ...(open.length > 0
        ? [`Work: ${counted(open.length, 'step')} of ${all.length} not done or open again.`]
        : []),
      ...despite.map(([title, asks]) => `${title}: ${asks}.`),
      ...knocks.flatMap((knock) =>
        knockLeft(build, knock).open.length > 0
          ? [`${knock.axle} ${knock.side}, ${HIT_WORDS[knock.hit]}: not all was looked at.`]
          : [],
      ),
    ],
  });
}
