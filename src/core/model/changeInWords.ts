import { typeOf } from '../corners/kinds';
import type { AxleDesign, Build } from './build';
import { pointLabel } from './labels';
import { differencesOf, openVariantOf } from './variants';
import { counted } from './wording';

const GROUPS: Record<string, string> = {
  points: '',
  rightPoints: 'right ',
  static: '',
  halfShaft: 'half-shaft ',
  dropArm: 'drop arm, ',
};

/** Lists of a column, as one of them is called. */
const OF_COLUMN: Record<string, string> = {
  joints: 'joint',
  shafts: 'shaft',
  supports: 'bearing',
};

function columnInWords([list, index, ...rest]: string[]): string {
  const one = OF_COLUMN[list];
  const words = one ? [`${one} ${Number(index) + 1}`, ...rest] : [list, index, ...rest];
  return ['column', ...words.filter((word) => word !== undefined)].join(', ');
}

const DEGREES = new Set([
  ...['clock', 'start', 'lean', 'turn', 'leans', 'limit', 'sharpest', 'comfort', 'degrees'],
]);
const PLAIN = new Set(['teeth', 'ratio', 'shaft', 'ripple', 'joints']);

/** What a figure of an axle's document counts in: degrees, nothing, or mm. */
export function unitAt(path: readonly string[]): 'deg' | '' | 'mm' {
  if (path[0] === 'static') return 'deg';
  if (path[0] !== 'column') return 'mm';
  const last = path[path.length - 1];
  if (DEGREES.has(last) || path.includes('turn')) return 'deg';
  if (path[1] === 'adjust' && (last === 'up' || last === 'down')) return 'deg';
  return PLAIN.has(last) ? '' : 'mm';
}

/** Where in an axle's document a figure stands: `upper ball joint, out`, `right tie rod inner joint, up`, `rim offset`. */
export function pathInWords([group, ...rest]: string[], design: AxleDesign): string {
  if (group === 'column') return columnInWords(rest);
  const words = rest.map((word) => pointLabel(design, word));
  return `${GROUPS[group] ?? `${group} `}${words.join(', ')}`.trim();
}

/** Parts of a build's document, as they are spoken of. */
const PARTS: Partial<Record<keyof Build, string>> = {
  name: 'the name',
  use: 'the use',
  note: 'the note',
  wheelbase: 'the wheelbase',
  travel: 'the travel',
  brief: 'the brief',
  takeOff: 'the take-off',
  room: 'room and bodies',
  rod: 'figures of strength',
  asked: 'what a finder was asked',
  setups: 'the set-up',
  plan: 'the order of work',
  shop: 'the workshop’s notes',
  layouts: 'variants',
  layout: 'variants',
  sketch: 'figures of the sketch',
};

/** What of a build differs, in a few words: for saying what was undone. Empty where nothing does. */
export function changeInWords(before: Build, after: Build): string {
  const same = (key: keyof Build) =>
    before[key] === after[key] || JSON.stringify(before[key]) === JSON.stringify(after[key]);
  if (openVariantOf(before).id !== openVariantOf(after).id)
    return `the variant: “${openVariantOf(after).name}” is open`;
  const said: string[] = [];
  for (const axle of ['front', 'rear'] as const) {
    if (same(axle)) continue;
    const [from, to] = [before[axle], after[axle]];
    if (!from || !to) said.push(`the ${axle} axle`);
    else if (from.kind !== to.kind) said.push(`the ${axle} corners: ${typeOf(to).label}`);
    else said.push(axleInWords(axle, from, to));
  }
  for (const key of Object.keys(PARTS) as (keyof Build)[])
    if (!same(key) && !said.includes(PARTS[key]!)) said.push(PARTS[key]!);
  return said.length > 2 ? `${said.slice(0, 2).join(', ')} and more` : said.join(', ');
}

function axleInWords(axle: 'front' | 'rear', from: AxleDesign, to: AxleDesign): string {
  const found = differencesOf({ front: from }, { front: to }).filter(
    ({ path }) => path[0] !== 'sketch' && path[0] !== 'template',
  );
  const [first] = found;
  if (!first)
    return JSON.stringify(from.freedoms) === JSON.stringify(to.freedoms)
      ? `${axle}: figures of the sketch`
      : `${axle} freedoms`;
  const where = pathInWords(first.path, to);
  if (found.length > 1) return `${axle} ${where} and ${counted(found.length - 1, 'more', 'more')}`;
  const print = (value: typeof first.to) =>
    typeof value === 'number' ? String(Math.round(value * 100) / 100) : (value ?? 'none');
  return `${axle} ${where}, ${print(first.from)} → ${print(first.to)}`;
}
