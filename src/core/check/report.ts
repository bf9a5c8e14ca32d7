import type { Build, Check } from '../model/build';
import type { CheckReading } from '../model/checks';
import type { Heading, Mark, Sheet, SheetTable, Spot } from '../sheets/drawing';
import { line, text } from '../sheets/drawing';
import { counted } from '../model/wording';
import { briefOf } from '../model/brief';
import type { CheckedUp, SideChecked } from './checkUp';
import { drawnCurve } from './measuredCurve';
import { HEIGHT_TABLE } from './heights';
import { METHOD_TABLE } from './methods';
import {
  AGREES_WORDS,
  ELSE,
  blamedOf,
  degrees,
  isBothAlike,
  moveInWords,
  playInWords,
  shimInWords,
  suspectInWords,
} from './words';

/** What is said over the report: the build and the variant that the check was begun on. */
export const reportHeading = (build: Build, check: Check, on: string): Heading => ({
  build: build.name,
  variant: check.variant.name,
  on,
  // A record of what was read is no draft.
  frozen: true,
});

/** A check as a sheet: what was read, how it fits, what comes next, which number to measure again. */
export function checkReportSheet(
  build: Build,
  check: Check,
  readings: readonly CheckReading[],
  found: CheckedUp,
): Sheet {
  const { drawn } = check;
  const both = check.sides === 'both';
  const { suspects, explained } = blamedOf(found);
  const notes = [
    `${check.axle} ${both ? 'wheels' : `${check.sides} wheel`}, ${check.moved === 'wheel' ? 'the wheel moved, the car on stands' : 'the chassis moved, the tyres on the floor'}; readings on the ${check.setup.on}; heights by ${HEIGHT_TABLE[check.setup.heightBy].name}.`,
    ...(check.by === '' ? [] : [`Read by ${check.by}.`]),
    ...(check.note === '' ? [] : [check.note]),
    `${AGREES_WORDS[found.agrees]}.${found.fit ? ` Misfit ${found.fit.asDrawn.toFixed(1)} against the drawing, ${found.fit.withinPlusMinus.toFixed(1)} within its ±, of ${found.fit.degrees} that chance makes.` : ''}`,
    ...(found.why === '' ? [] : [found.why]),
    ...found.sides.flatMap((side) => sideNotes(check, found, side)),
    ...found.play.map(playInWords),
    ...(suspects.length > 0 ? ['Measure this again first:'] : []),
    ...suspects.map(
      ({ suspect, alone }, i) => `${i + 1}. ${suspectInWords(drawn, suspect, alone, both)}`,
    ),
    ...(found.agrees === 'not' && !explained
      ? [`No single number explains it all. It may be ${ELSE.join('; ')}.`]
      : []),
    'Covers: geometry of the wheels read, at the heights read, steering straight. Not strength, not the other wheels, not the car under load.',
  ];
  return {
    id: `check/${check.id}`,
    title: `${check.training ? 'Training, no real car' : 'Check'}: ${check.name}`,
    group: 'check',
    drawing: curveDrawing(build, found),
    tables: [roundsTable(check), readingsTable(readings, found)].filter(
      ({ rows }) => rows.length > 0,
    ),
    notes,
    code: check.id.slice(0, 6),
  };
}

function sideNotes(check: Check, found: CheckedUp, side: SideChecked): string[] {
  const { covers, verdict } = side;
  if (!covers || !verdict) return [`${side.side}: toe was read at too few heights to judge.`];
  const alike = isBothAlike(found.sides, check.sides);
  const next =
    side.stop ??
    (side.shims[0] && !(alike && side.side === 'right')
      ? `Next: ${shimInWords(check.drawn, side.shims[0], alike)}.`
      : '');
  return [
    `${side.side}: toe changes by ${degrees(side.worst)} ± ${degrees(side.worstOff)} at worst from ride height, range ${degrees(side.range)}, read from ${covers.from.toFixed(0)} to ${covers.to.toFixed(0)} mm of travel: ${verdict}.`,
    ...(side.did
      ? [
          `${side.side}: what was fitted did ${side.did.gain.toFixed(2)} ± ${side.did.plusMinus.toFixed(2)} of what it should.`,
        ]
      : []),
    ...(next === '' ? [] : [next]),
  ];
}

const roundsTable = ({ rounds, drawn }: Check): SheetTable => ({
  title: 'What was fitted',
  head: ['after round', 'when', 'what', 'note'],
  widths: [0.12, 0.18, 0.45, 0.25],
  rows: rounds.map(({ at, fitted, note }, i) => [
    String(i + 1),
    at.slice(0, 16).replace('T', ' '),
    fitted.map((move) => `${move.side}: ${moveInWords(drawn, move)}`).join('; '),
    note,
  ]),
});

function readingsTable(readings: readonly CheckReading[], found: CheckedUp): SheetTable {
  const apart = new Map(found.gathered.apart.map(({ id, why }) => [id, why]));
  const points = new Map(
    found.points.flatMap((point) => point.ids.map((id) => [id, point] as const)),
  );
  return {
    title: counted(readings.length, 'reading'),
    head: ['round', 'wheel', 'travel', 'how', 'read', '±', 'is', 'off the fit'],
    widths: [0.07, 0.08, 0.1, 0.24, 0.18, 0.09, 0.13, 0.11],
    rows: readings.map((one) => {
      const method = METHOD_TABLE[one.method];
      const point = points.get(one.id);
      const travel = found.gathered.travels.get(one.id);
      return [
        String(one.round),
        one.side,
        travel === undefined ? (apart.get(one.id) ?? '') : `${travel.toFixed(1)} mm`,
        method.name,
        one.values.map((value) => value.toFixed(2)).join(' / '),
        `${one.plusMinus} ${method.unit === 'mm' ? 'mm' : '°'}`,
        point ? `${method.shows} ${degrees(point.value)}` : '',
        point ? `${point.stray > 0 ? '+' : ''}${point.stray.toFixed(1)} σ` : '',
      ];
    }),
  };
}

const WIDE = 130;
const HIGH = 84;

/** Toe over the travel, as drawn and as read, + in to the right. */
function curveDrawing(build: Build, found: CheckedUp): Sheet['drawing'] {
  const points = found.points.filter(({ shows }) => shows === 'toe');
  if (points.length === 0 || !found.fit) return null;
  const { bump, droop } = found.fit.model.car.travel;
  const bands = briefOf(build).targets.bumpSteer;
  const { fit } = found;
  const drawn = fit.model.sides.map((side) => drawnCurve(fit.model.wheels[side], 'toe'));
  const values = [
    ...points.map(({ value }) => value),
    ...drawn.flatMap((curve) => curve.map(([toe]) => toe)),
  ];
  const most = Math.max(0.1, ...values.map(Math.abs)) * 1.15;
  const at = (toe: number, travel: number): Spot => [
    WIDE / 2 + (toe / most) * (WIDE / 2 - 8),
    8 + ((travel + droop) / (bump + droop)) * (HIGH - 16),
  ];
  const marks: Mark[] = [
    line('OUTLINE', at(-most, -droop), at(most, -droop)),
    line('CENTRE', at(0, -droop), at(0, bump)),
    line('CENTRE', at(-most, 0), at(most, 0)),
    ...bands
      .slice(0, 2)
      .filter((band) => band < most)
      .flatMap((band) => [
        line('NOTE', at(-band, -droop), at(-band, bump)),
        line('NOTE', at(band, -droop), at(band, bump)),
        text(at(band, bump), `${band}°`, 2.6, { from: 'middle' }),
      ]),
    text([WIDE / 2, HIGH - 3], 'toe, + in; bump up', 2.8, { from: 'middle' }),
    text(at(most, -droop), `${most.toFixed(2)}°`, 2.6, { from: 'end' }),
    text(at(-most, bump), `${bump} mm`, 2.6),
    text(at(-most, -droop + 4), `−${droop} mm`, 2.6),
    ...drawn.map((curve): Mark => line('CUT', ...curve.map(([toe, travel]) => at(toe, travel)))),
  ];
  for (const point of points) {
    const [x, y] = at(point.value, point.travel);
    const half = (point.plusMinus / most) * (WIDE / 2 - 8);
    marks.push(
      line('OUTLINE', [x - half, y], [x + half, y]),
      line('OUTLINE', [x, y - 1], [x, y + 1]),
      text([x + half + 1, y - 1], `${point.side === 'left' ? 'L' : 'R'}${point.round}`, 2.2),
    );
  }
  return { width: WIDE, height: HIGH, marks };
}
