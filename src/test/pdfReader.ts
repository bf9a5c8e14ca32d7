import { readFileSync } from 'node:fs';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { ReadPage } from './readPdf';

const MM = 25.4 / 72;

/** Reads a PDF with a library that shows them: a program of its own, for that library is a module of the newer kind. */
async function read(bytes: Uint8Array): Promise<{ pages: ReadPage[] }> {
  const pdf = await getDocument({ data: bytes.slice(), useSystemFonts: false, verbosity: 0 })
    .promise;
  const pages: ReadPage[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const page = await pdf.getPage(i);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const { fnArray, argsArray } = await page.getOperatorList();
    const paths: ReadPage['paths'] = [];
    // Where paths are drawn is moved and mirrored by what stands before them.
    let now = [1, 0, 0, 1, 0, 0];
    const kept: number[][] = [];
    fnArray.forEach((fn, k) => {
      if (fn === OPS.save) kept.push(now);
      else if (fn === OPS.restore) now = kept.pop()!;
      else if (fn === OPS.transform) {
        const [a, b, c, d, e, f] = argsArray[k] as number[];
        const [A, B, C, D, E, F] = now;
        now = [
          ...[A * a + C * b, B * a + D * b, A * c + C * d, B * c + D * d],
          ...[A * e + C * f + E, B * e + D * f + F],
        ];
      } else if (fn === OPS.constructPath) {
        const box = (argsArray[k] as [unknown, unknown, Float32Array | null])[2];
        if (!box) return;
        const at = (x: number, y: number) => [
          now[0] * x + now[2] * y + now[4],
          now[1] * x + now[3] * y + now[5],
        ];
        const [p, q] = [at(box[0], box[1]), at(box[2], box[3])];
        paths.push({
          x: Math.min(p[0], q[0]) * MM,
          y: Math.min(p[1], q[1]) * MM,
          width: Math.abs(q[0] - p[0]) * MM,
          height: Math.abs(q[1] - p[1]) * MM,
        });
      }
    });
    pages.push({
      width: width * MM,
      height: height * MM,
      text: items.map((item) => ('str' in item ? item.str : '')).join(' '),
      paths,
    });
  }
  return { pages };
}

void read(new Uint8Array(readFileSync(0))).then((found) => {
  process.stdout.write(JSON.stringify(found));
});
