import { existsSync, writeFileSync } from 'node:fs';
import { readyFor } from '../src/core/clearance/surfaces';
import type { Build } from '../src/core/model/build';
import type { Paper } from '../src/core/model/shop';
import { variantsOf } from '../src/core/model/variants';
import { otherVariant, wholeBook } from '../src/core/report/book';
import { bookJson, bookPdf } from '../src/core/report/paper';
import { BadInput } from './input';

export interface ReportRequest {
  out: string;
  against?: string | undefined;
  paper: Paper;
  replace?: boolean | undefined;
}

/** Writes the build book into a file, as its name ends: `.pdf` or `.json`; says what was not checked. */
export async function writeReport(build: Build, request: ReportRequest): Promise<string> {
  const { out, against, paper, replace } = request;
  const ending = /\.(pdf|json)$/iu.exec(out)?.[1].toLowerCase();
  if (!ending) throw new BadInput('--out: name a file that ends in .pdf or .json');
  if (existsSync(out) && !replace)
    throw new BadInput(`--out: ${out} is there already; name another, or say --replace`);
  const other = against === undefined ? undefined : otherVariant(build, against);
  if (other === null)
    throw new BadInput(
      `--against: no other variant is called “${against}”; there are ${variantsOf(build)
        .map(({ name }) => `“${name}”`)
        .join(', ')}`,
    );
  await readyFor(build);
  const book = wholeBook(build, {
    ...{ on: new Date().toISOString(), checks: build.checks ?? [], against: other },
  });
  try {
    writeFileSync(out, ending === 'pdf' ? await bookPdf(book, paper) : bookJson(book));
  } catch (error) {
    throw new BadInput(
      `--out: ${out} cannot be written (${(error as NodeJS.ErrnoException).code ?? String(error)})`,
    );
  }
  const last = book.sections.at(-1)!;
  return [
    `${book.sections.length} chapters of “${book.variant}” in ${out}, code ${book.code}`,
    `${last.title}:`,
    ...last.notes.map((note) => `  ${note}`),
    '',
  ].join('\n');
}
