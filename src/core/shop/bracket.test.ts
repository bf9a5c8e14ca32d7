import fc from 'fast-check';
import { anyAxle, wheelOn } from '../../test/shop';
import { dot, scale, sub, unit } from '../geometry/vec';
import { startingEnd } from '../model/made';
import type { Held, RodEndMade } from '../model/made';
import { toVec } from '../model/points';
import { bracketDrawing, bracketOf } from './bracket';
import { shopParts } from './parts';
import { bendAllowance } from './plates';
import type { AxleDesign } from '../model/build';

const ID = 'upperFrontInner upperOuter';
const HELD: Held = {
  ...{ bolt: 12, inside: 20, ear: 4, ears: 2 },
  bracket: { reach: 40, folded: true, radius: 5, material: 'steel' },
};

function bracketed(design: AxleDesign, change: Partial<Held> = {}) {
  const bare = shopParts(wheelOn(design)).flatMap(({ members }) => members);
  const made = structuredClone(bare.find(({ id }) => id === ID)!.made);
  made.from = {
    ...(startingEnd('rodEnd', made, 'from') as RodEndMade),
    held: { ...HELD, ...change },
  };
  const wheel = wheelOn({ ...design, made: { [ID]: made } });
  const member = shopParts(wheel)
    .flatMap(({ members }) => members)
    .find(({ id }) => id === ID)!;
  return { wheel, member, bracket: bracketOf(wheel, member, 'upperFrontInner')! };
}

describe('brackets', () => {
  it('have a hole for every place of the joint, where the layout has it, within their edge', () => {
    fc.assert(
      fc.property(
        anyAxle('double-wishbone'),
        fc.uniqueArray(fc.integer({ min: 1, max: 3 }), { maxLength: 3 }),
        (design, steps) => {
          const { up } = design.points['upperFrontInner'];
          const at = [up, ...steps.map((step) => up + 25 * step)];
          const freedoms = { upperFrontInner: { up: { kind: 'choices' as const, at } } };
          const { bracket, wheel } = bracketed({ ...design, freedoms });
          expect(bracket.holes).toHaveLength(at.length);
          expect(bracket.holes[0]).toMatchObject({
            drawn: true,
            at: [expect.closeTo(0, 9), expect.closeTo(40, 9)],
          });
          // Each pair is as far apart as its places are, square to the bolt.
          const axis = unit(
            sub(toVec(wheel.points['upperFrontInner']), toVec(wheel.points['upperRearInner'])),
          );
          const heights = bracket.holes.map(({ at: [x, y] }) => [x, y]);
          for (const one of at.slice(1)) {
            const off = sub([0, 0, one - up], scale(axis, dot([0, 0, one - up], axis)));
            const found = heights.slice(1).map(([x, y]) => Math.hypot(x, y - 40));
            expect(found.some((d) => Math.abs(d - Math.hypot(...off)) < 1e-6)).toBe(true);
          }
          // Inside its edge with room all round: by the distance to every side of the outline.
          const { ear } = bracket;
          for (const { at: spot } of bracket.holes)
            ear.forEach((a, k) => {
              const b = ear[(k + 1) % ear.length];
              const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
              const off =
                Math.abs((b[0] - a[0]) * (spot[1] - a[1]) - (b[1] - a[1]) * (spot[0] - a[0])) /
                long;
              expect(off).toBeGreaterThan(Math.min(1.75 * 12 - 0.05, spot[1] - 1e-9));
            });
        },
      ),
      { numRuns: 30 },
    );
  });

  it('unfold to what the handbook’s bend takes', () => {
    // Machinery's Handbook, from memory: a 90° bend of 2 mm plate round 3 mm, K = 0.4: π/2 · 3.8 = 5.97 mm.
    expect(bendAllowance(3, 2)).toBeCloseTo(5.969, 3);
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 10, noNaN: true }),
        fc.double({ min: 22, max: 60, noNaN: true }),
        (radius, inside) => {
          const design = fc.sample(anyAxle('double-wishbone', 0), 1)[0];
          const { bracket } = bracketed(design, {
            inside,
            bracket: { ...HELD.bracket!, radius },
          });
          const { flat, ear, held } = bracket;
          // Along the plate's neutral line once folded: two ears' straight parts, two arcs, the foot's straight part.
          const top = Math.max(...ear.map(([, y]) => y));
          const straight = 2 * (top - radius - held.ear) + inside - 2 * radius;
          const arcs = Math.PI * (radius + 0.4 * held.ear);
          expect(flat!.length).toBeCloseTo(straight + arcs, 6);
          // The bolt's holes come opposite each other, at their reach over the foot.
          const [a, b] = flat!.holes;
          expect(a[1]).toBeCloseTo(-b[1], 9);
          expect(a[1] - flat!.bends[0] - flat!.allowance / 2).toBeCloseTo(
            40 - radius - held.ear,
            9,
          );
        },
      ),
      { numRuns: 30 },
    );
  });

  it('say how far washers set them right each way, and what that does', () => {
    const design = fc.sample(anyAxle('double-wishbone', 0), 1)[0];
    const { bracket, wheel } = bracketed(design);
    expect(bracket.correction!.each).toBeCloseTo(2, 9);
    // The whole upper arm goes two millimetres along its axis: caster, by the ball joints' heights (within a fifth).
    const { upperOuter, lowerOuter } = wheel.points;
    const caster = (Math.atan(2 / (upperOuter.up - lowerOuter.up)) * 180) / Math.PI;
    const found = Math.abs(bracket.correction!.effect!.caster!);
    expect(found / caster).toBeGreaterThan(0.8);
    expect(found / caster).toBeLessThan(1.2);
    expect(bracketed(design, { inside: 16 }).bracket.correction).toBeNull();
  });

  it('say what does not hold', () => {
    const design = fc.sample(anyAxle('double-wishbone', 0), 1)[0];
    const { up } = design.points['upperFrontInner'];
    const close = {
      ...design,
      freedoms: { upperFrontInner: { up: { kind: 'choices' as const, at: [up, up + 15] } } },
    };
    expect(bracketed(close).bracket.faults.join()).toMatch(/holes 15.0 mm apart/u);
    expect(
      bracketed(design, { bracket: { ...HELD.bracket!, radius: 1 } }).bracket.faults.join(),
    ).toMatch(/plate cracks/u);
    expect(
      bracketed(design, { bracket: { ...HELD.bracket!, reach: 10 } }).bracket.faults.join(),
    ).toMatch(/over its foot/u);
  });

  it('are drawn with closed edges, holes of their bolt, lines to fold along', () => {
    const design = fc.sample(anyAxle('double-wishbone', 0), 1)[0];
    const { bracket } = bracketed(design);
    const { marks, width, height } = bracketDrawing(
      [
        { bracket, title: 'a' },
        { bracket, title: 'b' },
      ],
      2,
    );
    const cuts = marks.filter((mark) => mark.as === 'line' && mark.layer === 'CUT');
    expect(cuts).toHaveLength(2);
    expect(cuts.every((mark) => mark.as === 'line' && mark.closed)).toBe(true);
    for (const mark of marks)
      if (mark.as === 'circle') {
        expect(mark.radius).toBe(6);
        expect(mark.at[0]).toBeGreaterThan(0);
        expect(mark.at[0]).toBeLessThan(width);
        expect(mark.at[1]).toBeLessThan(height);
      }
  });
});
