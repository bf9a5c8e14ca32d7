import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { finish } from '../src/core/find/finish';
import { bundleFiles, bundleOf } from '../src/core/shop/bundle';
import { partsCsv } from '../src/core/shop/csv';
import { headingOf } from '../src/core/shop/sheetsOf';
import { partsList } from '../src/core/shop/partsList';
import type { Build } from '../src/core/model/build';
import type { Paper } from '../src/core/model/shop';
import { counted } from '../src/core/model/wording';
import { BadInput } from './input';

export interface SheetsRequest {
  out: string;
  paper: Paper;
  replace?: boolean | undefined;
}

/** Writes every sheet and table of a build into a folder; what is there already is not touched unless that is asked for. */
export async function writeSheets(
  build: Build,
  { out, paper, replace }: SheetsRequest,
  now = new Date(),
): Promise<string> {
  const on = now.toISOString();
  const bundle = finish(bundleOf(build, on, paper));
  const files = await bundleFiles(bundle, build);
  const there = files.filter(({ name }) => existsSync(join(out, name)));
  if (there.length > 0 && !replace)
    throw new BadInput(
      `${join(out, there[0].name)} is there already${there.length > 1 ? `, and ${there.length - 1} more` : ''}: give another folder, or say --replace`,
    );
  try {
    mkdirSync(out, { recursive: true });
    for (const { name, bytes } of files) {
      // Whole or not at all, whatever happens meanwhile.
      const made = join(out, `.${name}.part`);
      try {
        writeFileSync(made, bytes);
        renameSync(made, join(out, name));
      } finally {
        rmSync(made, { force: true });
      }
    }
  } catch (error) {
    throw new BadInput(`cannot write into ${out}: ${(error as Error).message}`);
  }
  const { frozen } = headingOf(build, on);
  return `${counted(files.length, 'file')} in ${out}: ${counted(bundle.pages.length, 'page')} of ${paper}${frozen ? '' : ', every one a DRAFT until the variant is frozen'}\n`;
}

/** The parts list as CSV or JSON. */
export const partsTable = (build: Build, format: 'csv' | 'json'): string =>
  format === 'csv' ? partsCsv(build) : `${JSON.stringify(partsList(build), null, 2)}\n`;
