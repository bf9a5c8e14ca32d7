import fc from 'fast-check';
import { anyLayout, wheelIn } from '../../test/layouts';
import { blankBuild } from '../model/starts';
import { openedRod } from './findNull';
import { STARTING_WANTED } from '../model/nullWanted';
import { NullSearch } from './nullProblem';

it('answers to the joints as differences say, straight ahead and at part lock, on random layouts', () => {
  const slot = { kind: 'range' as const, min: -900, max: 900, step: 0 };
  const freedoms = { ahead: slot, out: slot, up: slot };
  fc.assert(
    fc.property(anyLayout, (design) => {
      const build = {
        ...blankBuild('x'),
        travel: { bump: 20, droop: 20 },
        front: { ...design, freedoms: { tieRodInner: freedoms, tieRodOuter: freedoms } },
      };
      build.front.rack!.travel = 20;
      const wanted = { ...STARTING_WANTED, lock: true, placing: null };
      const opened = openedRod(build.front);
      const { variables, residuals, slopes, count } = new NullSearch(
        build,
        wheelIn(build.front, 'left', build.travel),
        wanted,
      ).problem(opened);
      const here = Float64Array.from(variables, ({ now }) => now);
      const [r, up, down] = [0, 1, 2].map(() => new Float64Array(count));
      fc.pre(residuals(here, r));
      const exact = new Float64Array(6 * count);
      slopes!(here, [0, 1, 2, 3, 4, 5], exact);
      for (let k = 0; k < 6; k++) {
        const at = (by: number) => here.map((value, i) => (i === k ? value + by : value));
        if (!residuals(at(0.02), up) || !residuals(at(-0.02), down)) continue;
        for (let i = 0; i < count; i++) {
          const measured = (up[i] - down[i]) / 0.04;
          expect(Math.abs(exact[k * count + i] - measured)).toBeLessThan(
            2e-3 + 0.01 * Math.abs(measured),
          );
        }
      }
    }),
    { numRuns: 40, seed: 2 },
  );
});
