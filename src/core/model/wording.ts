import { z } from 'zod';

/**
 * Zod's issues in a builder's words. Schemas are made with `group`, `measure` and `coordinate`, so
 * that every refusal says which value is wrong and what is allowed.
 */
export const problem = (issue: z.core.$ZodRawIssue): string | undefined => {
  switch (issue.code) {
    case 'invalid_type':
      if (issue.input === undefined) return 'is missing';
      if (issue.input === null) return 'is empty (null)';
      if (issue.expected === 'number') return `is not a number (${shown(issue.input)})`;
      if (issue.expected === 'object')
        return `should be a group of values, not ${shown(issue.input)}`;
      if (issue.expected === 'string') return `should be text, not ${shown(issue.input)}`;
      return undefined;
    case 'unrecognized_keys':
      return `has ${issue.keys.length > 1 ? 'entries' : 'an entry'} Havrik does not know: ${issue.keys
        .slice(0, 5)
        .map((key) => shown(key))
        .join(', ')}`;
    case 'invalid_value':
      return issue.input === undefined
        ? 'is missing'
        : `is ${shown(issue.input)}, should be ${issue.values.map(String).join(', ')}`;
    default:
      return undefined;
  }
};

/** A value as it may be repeated in a message: short, quoted when text. */
export function shown(value: unknown): string {
  if (typeof value === 'number') return String(value);
  if (typeof value === 'string') {
    const line = value.replace(/\s+/gu, ' ');
    return `“${line.length > 40 ? `${line.slice(0, 40)}…` : line}”`;
  }
  if (Array.isArray(value)) return 'a list';
  if (value === null) return 'null';
  return typeof value === 'object' ? 'a group of values' : String(value);
}

/** A group of named values; entries it does not know are refused. */
export const group = <T extends z.core.$ZodShape>(shape: T) =>
  z.strictObject(shape, { error: problem });

const UNIT_WORDS = {
  mm: 'mm',
  deg: '°',
  m: 'm',
  kN: 'kN',
  N: 'N',
  '': '',
  pcs: 'pcs',
  '%': '%',
  ':1': 'to 1',
  'N/mm²': 'N/mm²',
  'N/mm': 'N/mm',
  kg: 'kg',
  Hz: 'Hz',
  '°C': '°C',
} as const;

/** A finite number within [min, max], refused with the value and the limits named. */
export const measure = (unit: keyof typeof UNIT_WORDS, min: number, max: number) =>
  z
    .number({ error: problem })
    .min(min, { error: (issue) => `is ${shown(issue.input)}: at least ${min} ${UNIT_WORDS[unit]}` })
    .max(max, { error: (issue) => `is ${shown(issue.input)}: at most ${max} ${UNIT_WORDS[unit]}` });

/** How far from the origin a coordinate may lie, mm. */
const FARTHEST = 10_000;

const tooFar = (issue: z.core.$ZodRawIssue): string =>
  `is ${shown(issue.input)} mm, ${(Math.abs(Number(issue.input)) / 1000).toFixed(0)} m away: points lie within ${FARTHEST / 1000} m`;

/** One coordinate of a point, mm. */
export const coordinate = z
  .number({ error: problem })
  .min(-FARTHEST, { error: tooFar })
  .max(FARTHEST, { error: tooFar });

/** Numbers that stand in rising order. */
export const ordered = <T extends z.ZodType<readonly number[]>>(numbers: T) =>
  numbers.refine((list) => list.every((value, i) => i === 0 || list[i - 1] <= value), {
    error: (issue) => `are ${(issue.input as number[]).join(', ')}: write the smaller first`,
  });

/** A ± of a measurement: above nought, for nothing is measured exactly. */
export const tolerance = (unit: 'mm' | 'deg', most: number) =>
  z
    .number({ error: problem })
    .positive({
      error: (issue) => `is ${shown(issue.input)}: a ± is above 0, for nothing is measured exactly`,
    })
    .max(most, {
      error: `is over ${most} ${UNIT_WORDS[unit]}: that is a guess, not a measurement`,
    });

/** A short line of text; may be empty. */
export const remark = (most = 120) =>
  z.string({ error: problem }).trim().max(most, `is too long: at most ${most} letters`);

/** A short name that is not empty. */
export const label = (most = 60) => remark(most).min(1, 'is empty: give it a name');

/** Text cut to at most so many letters, none of them halved; half letters are left out. */
export function cutTo(text: string, most: number): string {
  let cut = '';
  for (const letter of text) {
    if (cut.length + letter.length > most) break;
    // Half a letter: what is left of one that something else cut through.
    if (!/^[\ud800-\udfff]$/u.test(letter)) cut += letter;
  }
  return cut;
}

/** A list of at most so many; `what` they are called. */
export const listOf = <T extends z.ZodType>(one: T, most: number, what: string) =>
  z.array(one).max(most, `: at most ${most} ${what}; remove one first`);

const PLURAL = new Intl.PluralRules('en');

/** So many of something, as it is said of one and of more: `1 place`, `3 places`. */
export const counted = (count: number, one: string, more = `${one}s`): string =>
  `${count} ${PLURAL.select(count) === 'one' ? one : more}`;

/** Text as it is searched: small letters, no accents, one space between words. */
export const searchable = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/gu, ' ').trim();

/** Whether every word that is looked for is somewhere in a text. */
export function hasWords(find: string, text: string): boolean {
  const inside = searchable(text);
  return searchable(find)
    .split(' ')
    .every((word) => inside.includes(word));
}
