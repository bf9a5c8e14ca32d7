import type { Build } from '../model/build';
import type { GateAnswer } from '../model/plan';
import { isOfSketch, sketchInWords } from '../model/sketch';
import { openVariantOf } from '../model/variants';
import { counted } from '../model/wording';
import { wheelOf } from '../kinematics/wheel';
import { judgeParts } from '../shop/judge';
import { partsList } from '../shop/partsList';
import { worstOf } from '../verdict/verdicts';
import type { BandState } from './inBand';
import { recordOf } from './planned';
import type { Gate, Step } from './step';

/** How a gate stands, and why. */
export interface GateState {
  gate: Gate;
  open: boolean;
  says: string;
  answer: GateAnswer | null;
  /** It is open for a reason alone: what it asks is not so. */
  despite?: true;
}

/** What is known of a build besides what its document says. */
export interface PlanKnown {
  /** How the newest check of an axle stands; `since`: begun after that moment. Null: not known yet. */
  inBand: ((axle: 'front' | 'rear', since: string | null) => BandState) | null;
}

/** How every gate of a step stands. */
export function gatesOf(build: Build, step: Step, known: PlanKnown): GateState[] {
  const answers = new Map((recordOf(build, step.id)?.gates ?? []).map((one) => [one.gate, one]));
  return step.gates.map((gate) => {
    const answer = answers.get(gate.id) ?? null;
    const { open, says } = stands(build, step, gate, answer, known);
    if (!open && answer?.despite !== undefined && answer.despite !== '')
      return {
        ...{ gate, answer, open: true, despite: true },
        says: `${says}; gone on with: ${answer.despite}`,
      };
    return { gate, answer, open, says };
  });
}

type Stands = { open: boolean; says: string };

function stands(
  build: Build,
  step: Step,
  gate: Gate,
  answer: GateAnswer | null,
  known: PlanKnown,
): Stands {
  switch (gate.as) {
    case 'said':
      return answer && answer.despite === undefined
        ? { open: true, says: `${answer.by}, ${answer.at.slice(0, 10)}` }
        : { open: false, says: 'nobody has said so yet' };
    case 'pair':
      return answer?.values
        ? alike(answer.values, gate)
        : { open: false, says: 'not measured yet' };
    case 'reckoned':
      return reckoned(build, step, gate.by, known);
  }
}

/** Rounding of what was typed, mm. */
const TYPED = 1e-6;

function alike(
  values: readonly (number | null)[],
  { drawn, within, names }: Extract<Gate, { as: 'pair' }>,
): Stands {
  const [a, b] = values;
  if (a === null || b === null) {
    const [has, other] = a === null ? [b, 0] : [a, 1];
    return {
      open: false,
      says:
        has === null
          ? 'not measured yet'
          : `${has.toFixed(1)} mm; ${names[other]} not measured yet`,
    };
  }
  const apart = Math.abs(a - b);
  const told = `${a.toFixed(1)} and ${b.toFixed(1)} mm`;
  if (apart > within + TYPED)
    return {
      open: false,
      says: `${told}: ${apart.toFixed(1)} mm apart, ${within} at the most; ${names[a > b ? 0 : 1]} is the larger`,
    };
  if (drawn !== null) {
    const off = Math.max(Math.abs(a - drawn), Math.abs(b - drawn));
    if (off > within + TYPED)
      return {
        open: false,
        says: `${told}: ${off.toFixed(1)} mm off the drawn ${drawn.toFixed(1)} mm, ${within} at the most`,
      };
  }
  return { open: true, says: `${told}, ${apart.toFixed(1)} mm apart` };
}

type By = Extract<Gate, { as: 'reckoned' }>['by'];

function reckoned(build: Build, step: Step, by: By, known: PlanKnown): Stands {
  switch (by) {
    case 'settled':
      return settled(build);
    case 'frozen': {
      const { name, frozen } = openVariantOf(build);
      return frozen
        ? { open: true, says: `“${name}” since ${frozen.slice(0, 10)}` }
        : { open: false, says: `“${name}” is not frozen: variants, freeze` };
    }
    case 'made':
      return made(build, step);
    case 'here':
      return here(build, step);
    case 'inBand':
      return inBand(build, step, known);
  }
}

function settled(build: Build): Stands {
  const open = (['front', 'rear'] as const).flatMap((axle) => {
    const design = build[axle];
    return design && isOfSketch(build, design) ? [`${axle}: ${sketchInWords(build, design)}`] : [];
  });
  return open.length > 0
    ? { open: false, says: open.join('; ') }
    : { open: true, says: 'every joint and figure is somebody’s' };
}

function made(build: Build, { axle }: Step): Stands {
  const sides =
    axle && build[axle]?.rightPoints ? (['left', 'right'] as const) : (['left'] as const);
  const judged = sides.flatMap((side) => {
    const wheel = axle && wheelOf(build, axle, side);
    return wheel ? judgeParts(build, wheel) : [];
  });
  const worst = worstOf(judged);
  if (!worst) return { open: false, says: 'nothing is described yet at Jigs & parts' };
  return {
    open: worst.verdict === 'accept' || worst.verdict === 'very good',
    says: worst.of,
  };
}

/** What was noted of an axle's parts: those that nobody noted are told, and hold nothing up. */
function here(build: Build, { axle, stage }: Step): Stands {
  const rows = partsList(build).filter(
    ({ where, record }) =>
      axle !== null &&
      // Like parts of both axles stand on one line.
      where.split(', ').some((one) => one.split(' ')[0] === axle) &&
      (record?.stage ?? 1) <= stage,
  );
  const noted = (state: string) => rows.filter(({ record }) => record?.state === state);
  const [ordered, toBuy] = [noted('ordered'), noted('to buy')];
  const open = rows.filter(({ record }) => !record?.state).length;
  const rest = open > 0 ? `; of ${counted(open, 'line')} nothing is noted` : '';
  const missing = [...ordered, ...toBuy];
  if (missing.length === 0)
    return { open: true, says: `nothing noted as ordered or to buy${rest}` };
  const names = missing.slice(0, 3).map(({ name }) => name);
  const more = missing.length > 3 ? ` and ${missing.length - 3} more` : '';
  return {
    open: false,
    says: `${counted(ordered.length, 'line')} ordered, ${toBuy.length} to buy: ${names.join(', ')}${more}${rest}`,
  };
}

function inBand(build: Build, { axle, kind, after }: Step, { inBand: asked }: PlanKnown): Stands {
  if (!asked || !axle) return { open: false, says: 'the checks are not here yet' };
  // What was read before the last work on it says nothing of what stands there after it.
  const work = kind === 'check' ? after.flatMap((id) => recordOf(build, id)?.done?.at ?? []) : [];
  return asked(axle, work.sort().at(-1) ?? null);
}
