import { checkDraft } from '../core/file/check';
import { FORMAT } from '../core/model/build';
import type { Build } from '../core/model/build';
import { describeProblems } from '../core/model/problems';
import { RECKONING, summaryOf } from '../core/summary/summary';
import { searchable } from '../core/model/wording';
import type { Summary } from '../core/summary/summary';
import type { BuildRow, DocumentRow } from './models';
import { UnreadableBuild } from './trouble';

/** What a build is read from: its name and use, and its document. */
export type Stored = Pick<BuildRow, 'name' | 'use'> & Pick<DocumentRow, 'geometry' | 'format'>;

export const storedOf = ({ name, use }: BuildRow, { geometry, format }: DocumentRow): Stored => ({
  name,
  use,
  geometry,
  format,
});

/** A build as it is stored; its checks and instruments have rows of their own. */
export function rowOf(build: Build): Stored {
  const {
    name,
    use,
    format: _format,
    version,
    checks: _checks,
    instruments: _instruments,
    ...geometry
  } = build;
  return { name, use, geometry: JSON.stringify(geometry), format: version };
}

/** @throws {UnreadableBuild} where the document is damaged, or of another format */
export function buildOf({ name, use, geometry: text, format }: Stored): Build {
  let geometry: object;
  try {
    geometry = JSON.parse(text) as object;
  } catch {
    throw new UnreadableBuild(`The build “${name}” is damaged in the database`);
  }
  const checked = checkDraft({ format: FORMAT, version: format, name, use, ...geometry });
  if (!checked.ok)
    throw new UnreadableBuild(
      `The build “${name}” cannot be read from the database:\n${describeProblems(checked.problems)}`,
    );
  return checked.value;
}

type Columns = Pick<BuildRow, 'summary' | 'words' | 'worst' | 'reckoned'>;

/** The columns that the list reads, of a build. */
export function summarised(build: Build): Columns {
  const summary = summaryOf(build);
  return {
    summary: JSON.stringify(summary),
    words: searchable(`${build.name} ${summary.note}`),
    worst: summary.worst,
    reckoned: RECKONING,
  };
}

/** The same of a build that cannot be read. */
export const unreadable = (name: string): Columns => ({
  summary: null,
  words: searchable(name),
  worst: null,
  reckoned: RECKONING,
});

/** A row's summary; null where its build cannot be read. */
export const summaryIn = ({ summary }: Pick<BuildRow, 'summary'>): Summary | null =>
  summary === null ? null : (JSON.parse(summary) as Summary);
