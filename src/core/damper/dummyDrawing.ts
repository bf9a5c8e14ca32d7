import type { Dummy } from './dummy';

/** From the outer holes to the bar's ends, the bar's height, a hole and the scale bar, mm. */
const SIZES = { end: 20, height: 30, hole: 12, scale: 100, margin: 10, line: 12 } as const;

const escaped = (text: string): string =>
  text.replace(/[&<>"]/gu, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * A dummy as a drawing at full size: an SVG whose units are millimetres, with a bar to be checked by a rule before
 * anything is drilled.
 * @param title what stands over it
 */
export function dummyDrawing({ holes }: Dummy, title: string): string {
  const { end, height, hole, scale, margin, line } = SIZES;
  const longest = Math.max(scale, ...holes.map(({ length }) => length));
  const width = longest + 2 * (end + margin);
  const tall = 2 * margin + height + line * (holes.length + 3);
  const x = (mm: number) => (margin + end + mm).toFixed(2);
  const middle = margin + line + height / 2;
  const lines: string[] = [
    `<rect x="${margin}" y="${(middle - height / 2).toFixed(2)}" width="${(longest + 2 * end).toFixed(2)}" height="${height}" rx="${height / 2}"/>`,
    `<path d="M${x(0)} ${tall - margin}h${scale}M${x(0)} ${tall - margin - 3}v6M${x(scale)} ${tall - margin - 3}v6"/>`,
  ];
  const texts: string[] = [
    `<text x="${margin}" y="${margin + 4}">${escaped(title)}</text>`,
    `<text x="${x(scale + 3)}" y="${tall - margin + 2}">${scale} mm: check with a rule before drilling</text>`,
  ];
  for (const mm of [0, ...holes.map(({ length }) => length)])
    lines.push(
      `<circle cx="${x(mm)}" cy="${middle}" r="${hole / 2}"/>`,
      `<path d="M${x(mm)} ${middle - hole}v${2 * hole}M${x(mm - hole)} ${middle}h${2 * hole}"/>`,
    );
  holes.forEach(({ name, length }, i) => {
    const y = middle + height / 2 + line * (i + 1);
    lines.push(`<path d="M${x(0)} ${y}H${x(length)}M${x(length)} ${middle}V${y}"/>`);
    texts.push(
      `<text x="${x(length / 2)}" y="${y - 1.5}" text-anchor="middle">${escaped(name)} ${length.toFixed(1)} mm</text>`,
    );
  });
  const size = `width="${width.toFixed(2)}mm" height="${tall}mm" viewBox="0 0 ${width.toFixed(2)} ${tall}"`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} font-family="sans-serif" font-size="5">`,
    `<g fill="none" stroke="#000" stroke-width="0.25">${lines.join('')}</g>`,
    `<g>${texts.join('')}</g>`,
    '</svg>\n',
  ].join('');
}
