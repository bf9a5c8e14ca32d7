import type { z } from 'zod';

/** Something wrong in a document: where, and a plain reason. */
export interface Problem {
  path: string;
  message: string;
}

/** A value accepted, or every reason why not. */
export type Checked<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/** Zod's issues as problems: `front.points.lowerOuter.up` + `is missing`. */
export const problemsOf = (error: z.ZodError): Problem[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));

/** One line: `front.points.lowerOuter.up is missing`. */
export const sentence = ({ path, message }: Problem): string =>
  path === '' ? message : `${path}${message.startsWith(':') ? '' : ' '}${message}`;

/** The first few problems as one text, one a line. */
export function describeProblems(problems: Problem[], most = 6): string {
  const lines = problems.slice(0, most).map(sentence);
  if (problems.length > most) lines.push(`and ${problems.length - most} more`);
  return lines.join('\n');
}
