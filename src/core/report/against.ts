import { wheelOf } from '../kinematics/wheel';
import type { Build, Variant } from '../model/build';
import { pathInWords, unitAt } from '../model/changeInWords';
import { differencesOf, openVariantOf } from '../model/variants';
import { counted } from '../model/wording';
import { capital } from '../shop/sheetWords';
import { digits, figureInWords, section } from './section';
import type { BookSection } from './section';
import { ownSides, wheelCurves, wheelFigures } from './layout';

/** What says nothing of the geometry: told by how much of it differs alone. */
const MADE: Readonly<Record<string, string>> = {
  ...{ made: 'what arms and rods are made of', pieces: 'pieces', strength: 'what parts carry' },
};
/** Which figures nobody has said yet: no figures themselves. */
const MARKS: readonly string[] = ['sketch', 'template'];

/** The open layout held against another one: figure by figure, curve by curve, every number that differs. */
export function againstSections(build: Build, other: Variant): BookSection[] {
  const then: Build = { ...build, front: other.front, rear: other.rear };
  const now = openVariantOf(build).name;
  const sections = (['front', 'rear'] as const).flatMap((axle) =>
    ownSides(build, axle).flatMap((side): BookSection[] => {
      const wheel = wheelOf(build, axle, side)!;
      const before = wheelOf(then, axle, side);
      if (!before) return [];
      const was = new Map(wheelFigures(before).map((figure) => [figure.name, figure]));
      const rows = wheelFigures(wheel).map((figure) => {
        const old = was.get(figure.name);
        const [a, b] = [old?.value, figure.value];
        const by = typeof a === 'number' && typeof b === 'number' ? b - a : null;
        return [
          figure.name,
          old ? figureInWords(old) : 'none',
          figureInWords(figure),
          by === null ? '' : figureInWords({ ...figure, value: by }),
          figure.means,
        ];
      });
      const old = new Map(wheelCurves(before).map(({ name, points }) => [name, points]));
      return [
        section(`against-${axle}-${side}`, `Against “${other.name}”: ${axle} ${side}`, {
          curves: wheelCurves(wheel).map((curve) => ({
            ...curve,
            ...(old.has(curve.name) && { against: old.get(curve.name)! }),
          })),
          tables: [
            {
              title: `“${other.name}”, “${now}”, and what that changes`,
              head: ['figure', other.name, now, 'change', 'what it means'],
              widths: [0.27, 0.13, 0.13, 0.13, 0.34],
              rows,
            },
          ],
        }),
      ];
    }),
  );
  const all = differencesOf(other, build).filter(({ path }) => !MARKS.includes(path[0]));
  const differs = all.filter(({ path }) => !(path[0] in MADE));
  return [
    ...sections,
    section('against-numbers', `Every number that differs from “${other.name}”`, {
      tables: [
        {
          title: 'mm and degrees',
          head: ['axle', 'what', other.name, now, 'by'],
          widths: [0.1, 0.45, 0.15, 0.15, 0.15],
          rows: differs.map(({ axle, path, from, to }) => {
            const print = (value: typeof from) =>
              typeof value === 'number' ? digits(value, 2) : (value ?? 'none');
            const by = typeof from === 'number' && typeof to === 'number' ? to - from : null;
            const unit = { deg: '°', mm: ' mm', '': '' }[unitAt(path)];
            const design = build[axle] ?? other[axle];
            return [
              axle,
              design ? pathInWords(path, design) : path.join(' '),
              ...[print(from), print(to)],
              by === null ? '' : `${digits(by, 2)}${unit}`,
            ];
          }),
        },
      ],
      notes: [
        ...(all.length === 0 ? ['Nothing differs.'] : []),
        ...Object.entries(MADE).flatMap(([key, what]) => {
          const count = all.filter(({ path }) => path[0] === key).length;
          return count > 0 ? [`${capital(what)}: ${counted(count, 'figure')} besides.`] : [];
        }),
      ],
    }),
  ];
}
