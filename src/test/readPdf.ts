import { execFileSync } from 'node:child_process';
import { join } from 'node:path';

/** A page as a PDF library reads it back, mm. */
export interface ReadPage {
  width: number;
  height: number;
  text: string;
  /** What each path on it covers. */
  paths: { x: number; y: number; width: number; height: number }[];
}

/** Reads a PDF back with a library that shows them. */
export const readPdf = (bytes: Uint8Array): { pages: ReadPage[] } =>
  JSON.parse(
    execFileSync(process.execPath, ['--import', 'tsx', join(__dirname, 'pdfReader.ts')], {
      input: bytes,
      maxBuffer: 2 ** 28,
      stdio: ['pipe', 'pipe', 'ignore'],
    }).toString(),
  ) as { pages: ReadPage[] };
