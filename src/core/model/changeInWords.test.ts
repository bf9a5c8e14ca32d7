import { changeInWords } from './changeInWords';
import { asKind, blankBuild, newRear } from './starts';
import { copyVariant } from './variants';
import type { Build } from './build';

const said = (change: (build: Build) => void, start = blankBuild('x')) => {
  const after = structuredClone(start);
  change(after);
  return changeInWords(start, after);
};

it('says nothing where nothing differs', () => expect(said(() => undefined)).toBe(''));

it('names the one figure that differs, with both', () => {
  expect(said((b) => void (b.front.points['tieRodInner'].up += 4))).toBe(
    'front tie rod inner joint, up, 240 → 244',
  );
  expect(said((b) => void (b.front.static.toe = 0.2))).toBe('front toe, 0 → 0.2');
});

it('speaks of a drop arm and its shaft', () => {
  const kart = blankBuild('x', 'kingpin');
  expect(said((b) => void (b.front.dropArm!.lock = 36), kart)).toBe(
    'front drop arm, lock, 30 → 36',
  );
  expect(said((b) => void (b.front.dropArm!.upper.up += 5), kart)).toMatch(
    /^front drop arm, upper, up, \d+ → \d+$/,
  );
});

it('counts figures where more differ', () => {
  expect(
    said((b) => {
      b.front.points['lowerOuter'].up += 1;
      b.front.points['upperOuter'].up += 1;
    }),
  ).toBe('front lower ball joint, up and 1 more');
});

it('names what else a build is made of', () => {
  expect(said((b) => void (b.wheelbase = 2500))).toBe('the wheelbase');
  expect(said((b) => void (b.rear = newRear(b)))).toBe('the rear axle');
  expect(said((b) => void (b.front = asKind(b.front, 'strut', 'front')))).toMatch(
    /^the front corners: /,
  );
  expect(said((b) => void (b.front.freedoms = { tieRodOuter: { up: { kind: 'fixed' } } }))).toBe(
    'front freedoms',
  );
  expect(said((b) => copyVariant(b, 'b', 'Lower rack'))).toBe('the variant: “Lower rack” is open');
  expect(
    said((b) => {
      b.name = 'y';
      b.use = 'track';
      b.wheelbase = 2000;
    }),
  ).toBe('the name, the use and more');
});
