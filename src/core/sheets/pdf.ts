import {
  PDFDocument,
  PrintScaling,
  StandardFonts,
  clip,
  degrees,
  endPath,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
} from 'pdf-lib';
import type { PDFFont, PDFPage } from 'pdf-lib';
import type { Mark, Spot } from './drawing';
import type { Page } from './pages';
import { STROKES } from './svg';

/** Points of a PDF a millimetre. */
const PT = 72 / 25.4;
const INK = rgb(0.067, 0.067, 0.067);

interface Fonts {
  plain: PDFFont;
  bold: PDFFont;
}

/**
 * Pages as a PDF of lines, not of pixels, at full size.
 * @param title what the file says it is
 */
export async function pagesPdf(pages: readonly Page[], title: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(writable(title));
  pdf.setCreator('Havrik');
  // A reader is asked not to fit it to the paper.
  pdf.catalog.getOrCreateViewerPreferences().setPrintScaling(PrintScaling.None);
  const fonts: Fonts = {
    plain: await pdf.embedFont(StandardFonts.Helvetica),
    bold: await pdf.embedFont(StandardFonts.HelveticaBold),
  };
  for (const { width, height, marks, clip: shown } of pages) {
    const page = pdf.addPage([width * PT, height * PT]);
    if (shown) {
      page.pushOperators(
        pushGraphicsState(),
        rectangle(shown.at[0] * PT, shown.at[1] * PT, shown.width * PT, shown.height * PT),
        clip(),
        endPath(),
      );
      for (const mark of shown.marks) put(page, mark, fonts);
      page.pushOperators(popGraphicsState());
    }
    for (const mark of marks) put(page, mark, fonts);
  }
  return pdf.save();
}

function put(page: PDFPage, mark: Mark, { plain, bold }: Fonts): void {
  if (mark.as === 'text') {
    const font = mark.bold ? bold : plain;
    const words = writable(mark.text);
    const size = mark.size * PT;
    const width = font.widthOfTextAtSize(words, size);
    const before = mark.from === 'end' ? width : mark.from === 'middle' ? width / 2 : 0;
    page.drawText(words, {
      ...{ x: mark.at[0] * PT - before, y: mark.at[1] * PT, size, font, color: INK },
      rotate: degrees(0),
    });
    return;
  }
  const { width, dash } = STROKES[mark.layer];
  const stroke = {
    borderWidth: width * PT,
    borderColor: INK,
    ...(dash.length > 0 && { borderDashArray: dash.map((mm) => mm * PT) }),
  };
  if (mark.as === 'circle') {
    const [x, y] = mark.at;
    page.drawCircle({ x: x * PT, y: y * PT, size: mark.radius * PT, ...stroke });
    return;
  }
  const path = mark.through.map(([x, y]: Spot) => `${x * PT} ${-y * PT}`).join('L');
  page.drawSvgPath(`M${path}${mark.closed ? 'Z' : ''}`, { x: 0, y: 0, ...stroke });
}

/** Signs that the fonts of every PDF reader do not have, as ones that they have. */
const INSTEAD: Record<string, string> = {
  '−': '-',
  '≤': '<=',
  '≥': '>=',
  '→': '->',
  '⌀': 'ø',
  Ł: 'L',
  ł: 'l',
  Đ: 'D',
  đ: 'd',
  ı: 'i',
};

/** Text as it can be written with the fonts that every reader has: letters of other scripts become question marks. */
export const writable = (words: string): string =>
  [...words]
    .map((sign) => {
      if (WRITTEN.test(sign)) return sign;
      const plain = INSTEAD[sign] ?? sign.normalize('NFD').replace(/\p{Mn}/gu, '');
      return [...plain].every((one) => WRITTEN.test(one)) ? plain : '?';
    })
    .join('');
const WRITTEN = /^[\u0020-\u007e\u00a0-\u00ff–—‘’“”•…€™]$/u;
