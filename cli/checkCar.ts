import { randomUUID } from 'node:crypto';
import { checkUp } from '../src/core/check/checkUp';
import type { CheckedUp } from '../src/core/check/checkUp';
import { usualSetup } from '../src/core/check/evidence';
import type { CheckedCar } from '../src/core/check/carModel';
import { readReadingsCsv } from '../src/core/check/readingsCsv';
import {
  AGREES_WORDS,
  ELSE,
  blamedOf,
  degrees,
  isBothAlike,
  numberInWords,
  playInWords,
  shimInWords,
  suspectInWords,
} from '../src/core/check/words';
import { briefOf } from '../src/core/model/brief';
import type { AxleName, Build } from '../src/core/model/build';
import { fittedSchema, setupSchema } from '../src/core/model/checks';
import type { Fitted, ReadSide, Touched } from '../src/core/model/checks';
import { describeProblems, problemsOf } from '../src/core/model/problems';
import { counted } from '../src/core/model/wording';
import { BadInput } from './input';
import { finite } from './table';

export interface CheckCarRequest {
  axle: AxleName;
  side: ReadSide;
  on: Touched;
  moved: 'wheel' | 'chassis';
  span?: number | undefined;
  wall?: number | undefined;
  wall2?: number | undefined;
  dialSpan?: number | undefined;
  heightOff?: number | undefined;
  fitted?: string[] | undefined;
  format: 'text' | 'json';
}

/** Whether a car on the stands agrees with the drawing, what to fit next, and which number to measure again. */
export function checkCarReport(
  build: Build,
  csv: { path: string; text: string },
  request: CheckCarRequest,
): string {
  const { axle, side, format } = request;
  const drawn = build[axle];
  if (!drawn) throw new BadInput(`the build has no ${axle} axle`);
  const usual = usualSetup(drawn, request.on);
  const given = Object.fromEntries(
    (['span', 'wall', 'wall2', 'dialSpan', 'heightOff'] as const).flatMap((name) =>
      request[name] === undefined ? [] : [[name, request[name]]],
    ),
  );
  const setup = setupSchema.safeParse({ ...usual, ...given });
  if (!setup.success) throw new BadInput(describeProblems(problemsOf(setup.error)));
  const car: CheckedCar = {
    ...{ axle, sides: side, moved: request.moved, setup: setup.data, drawn, travel: build.travel },
    rounds: (request.fitted ?? []).map((moves) => ({ fitted: movesOf(moves, side) })),
  };
  const read = readReadingsCsv(csv.text, side, () => randomUUID(), new Date().toISOString());
  if (!read.ok) throw new BadInput(`${csv.path}: refused\n${describeProblems(read.problems, 20)}`);
  const found = checkUp(build, car, read.value, briefOf(build).targets.bumpSteer);
  if (found.why !== '') throw new BadInput(`${csv.path}: ${found.why}`);
  return format === 'json' ? asJson(build, car, found) : asText(build, car, found);
}

/** `tieRodOuter.up=3.2` or `right.tieRodOuter.up=3.2`, several with commas. */
function movesOf(text: string, side: ReadSide): Fitted[] {
  return text.split(',').flatMap((one): Fitted[] => {
    const [name, by] = one.split('=');
    const parts = name.trim().split('.');
    const sides = parts.length === 3 ? [parts[0]] : side === 'both' ? ['left', 'right'] : [side];
    const [point, coordinate] = parts.slice(-2);
    return sides.map((at) => {
      const move = fittedSchema.safeParse({ side: at, point, coordinate, by: Number(by) });
      if (!move.success)
        throw new BadInput(
          `--fitted ${one}: ${describeProblems(problemsOf(move.error))}; write it as tieRodOuter.up=3.2`,
        );
      return move.data;
    });
  });
}

function asText(build: Build, car: CheckedCar, found: CheckedUp): string {
  const { drawn } = car;
  const both = car.sides === 'both';
  const lines: string[] = [];
  const { gathered, fit, sides } = found;
  lines.push(
    `${build.name}: ${counted(gathered.travels.size, 'reading')} of the ${car.axle} ${both ? 'wheels' : `${car.sides} wheel`}`,
  );
  for (const { why } of gathered.apart) lines.push(`not counted: ${why}`);
  lines.push(`fit: ${AGREES_WORDS[found.agrees].toLowerCase()}`);
  if (fit)
    lines.push(
      `misfit: ${fit.asDrawn.toFixed(1)} against the drawing, ${fit.withinPlusMinus.toFixed(1)} within its ±, of ${fit.degrees}`,
    );
  const alike = isBothAlike(sides, car.sides);
  for (const one of sides) {
    const { covers } = one;
    lines.push(
      covers && one.verdict
        ? `${one.side}: toe change ${degrees(one.worst)} ± ${degrees(one.worstOff)} at worst, range ${degrees(one.range)}, read from ${covers.from.toFixed(0)} to ${covers.to.toFixed(0)} mm of travel: ${one.verdict}`
        : `${one.side}: toe was read at too few heights to judge`,
    );
    if (one.did)
      lines.push(
        `${one.side}: what was fitted did ${one.did.gain.toFixed(2)} ± ${one.did.plusMinus.toFixed(2)} of what it should`,
      );
    if (one.stop) lines.push(`${one.side}: ${one.stop}`);
    else if (one.shims[0] && !(alike && one.side === 'right'))
      lines.push(`next: ${shimInWords(drawn, one.shims[0], alike)}`);
  }
  for (const one of found.play) lines.push(playInWords(one));
  const { suspects, explained } = blamedOf(found);
  if (suspects.length > 0) lines.push('measure this again first:');
  suspects.forEach(({ suspect, alone }, i) =>
    lines.push(`  ${i + 1}. ${suspectInWords(drawn, suspect, alone, both)}`),
  );
  if (found.agrees === 'not' && !explained)
    lines.push(`no single number explains it all. It may be ${ELSE.join('; ')}`);
  lines.push(
    `These readings could find an error of three times its ± in ${found.tellable.of} of ${found.tellable.all} numbers.`,
    'Geometry alone was checked, not strength.',
  );
  return `${lines.join('\n')}\n`;
}

function asJson(build: Build, car: CheckedCar, found: CheckedUp): string {
  const { fit, sides } = found;
  return `${JSON.stringify(
    {
      build: build.name,
      agrees: found.agrees,
      misfit: fit && {
        asDrawn: finite(fit.asDrawn),
        withinPlusMinus: finite(fit.withinPlusMinus),
        degrees: fit.degrees,
      },
      notCounted: found.gathered.apart.map(({ why }) => why),
      sides: sides.map((one) => ({
        side: one.side,
        worst: finite(one.worst),
        plusMinus: finite(one.worstOff),
        range: finite(one.range),
        covers: one.covers,
        verdict: one.verdict,
        stop: one.stop,
        did: one.did && { gain: finite(one.did.gain), plusMinus: finite(one.did.plusMinus) },
        shims: one.shims.map(({ move, washers, after, afterOff }) => ({
          ...move,
          by: finite(move.by),
          washers,
          after: finite(after),
          plusMinus: finite(afterOff),
        })),
      })),
      points: found.points.map((point) => ({
        ...point,
        ids: undefined,
        value: finite(point.value),
        modelled: finite(point.modelled),
        plusMinus: finite(point.plusMinus),
        stray: finite(point.stray),
      })),
      suspects: blamedOf(found).suspects.map(({ suspect, alone }) => ({
        side: suspect.side,
        number: suspect.number.id,
        words: numberInWords(car.drawn, suspect.number),
        off: finite(alone.off),
        explains: finite(alone.explains),
        alike: suspect.alike.map(({ number }) => number.id),
      })),
      play: found.play,
      tellable: found.tellable,
    },
    null,
    2,
  )}\n`;
}
