import type { Drawing, Layer, Mark, Spot } from './drawing';
import type { Page } from './pages';

/** How thick a layer's lines are, mm, and how they are dashed. */
export const STROKES: Record<Layer, { width: number; dash: readonly number[] }> = {
  CUT: { width: 0.35, dash: [] },
  DRILL: { width: 0.3, dash: [] },
  CENTRE: { width: 0.18, dash: [6, 1.5, 1, 1.5] },
  OUTLINE: { width: 0.18, dash: [] },
  NOTE: { width: 0.15, dash: [] },
};

export const escaped = (words: string): string =>
  words.replace(/[&<>"]/gu, (sign) => `&#${sign.charCodeAt(0)};`);

const told = (mm: number): string => String(Number(mm.toFixed(3)));

const ANCHORS = { start: 'start', middle: 'middle', end: 'end' } as const;

/** One mark as SVG; y grows downward there. */
function marked(mark: Mark, height: number): string {
  const spot = ([x, y]: Spot): string => `${told(x)} ${told(height - y)}`;
  if (mark.as === 'text') {
    const { at, size, from = 'start', bold } = mark;
    return `<text x="${told(at[0])}" y="${told(height - at[1])}" font-size="${size}" text-anchor="${ANCHORS[from]}"${bold ? ' font-weight="bold"' : ''} fill="#111" stroke="none">${escaped(mark.text)}</text>`;
  }
  const { width, dash } = STROKES[mark.layer];
  const stroke = `stroke-width="${width}"${dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : ''}`;
  if (mark.as === 'circle')
    return `<circle cx="${told(mark.at[0])}" cy="${told(height - mark.at[1])}" r="${told(mark.radius)}" ${stroke}/>`;
  return `<path d="M${mark.through.map(spot).join('L')}${mark.closed ? 'Z' : ''}" ${stroke}/>`;
}

const opened = (width: number, height: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${told(width)}mm" height="${told(height)}mm" viewBox="0 0 ${told(width)} ${told(height)}" font-family="Helvetica, Arial, sans-serif" fill="none" stroke="#111" stroke-linejoin="round">`;

/** A page as an SVG of its true size. */
export function pageSvg({ width, height, marks, clip }: Page): string {
  const inside = clip
    ? `<clipPath id="room"><rect x="${told(clip.at[0])}" y="${told(height - clip.at[1] - clip.height)}" width="${told(clip.width)}" height="${told(clip.height)}"/></clipPath><g clip-path="url(#room)">${clip.marks.map((mark) => marked(mark, height)).join('')}</g>`
    : '';
  return `${opened(width, height)}<rect width="100%" height="100%" fill="#fff" stroke="none"/>${inside}${marks.map((mark) => marked(mark, height)).join('')}</svg>\n`;
}

/** A drawing alone at full size, a group for every layer. */
export function drawingSvg({ width, height, marks }: Drawing): string {
  const layers = [...new Set(marks.map(({ layer }) => layer))].map(
    (layer) =>
      `<g id="${layer}">${marks
        .filter((mark) => mark.layer === layer)
        .map((mark) => marked(mark, height))
        .join('')}</g>`,
  );
  return `${opened(width, height)}${layers.join('')}</svg>\n`;
}
