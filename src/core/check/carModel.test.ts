import { CORNER_TYPES } from '../corners/kinds';
import { normalsApart } from '../geometry/random';
import type { Build } from '../model/build';
import type { MethodId } from '../model/checks';
import { blankBuild } from '../model/starts';
import { CarModel } from './carModel';
import type { CheckedCar, Evidence } from './carModel';
import { usualSetup } from './evidence';
import { METHOD_TABLE } from './methods';

const carOf = (build: Build, more: Partial<CheckedCar> = {}): CheckedCar => ({
  ...{ axle: 'front', sides: 'both', moved: 'wheel', drawn: build.front, rounds: [] },
  travel: { bump: 50, droop: 50 },
  setup: { ...usualSetup(build.front), spotUp: 200 },
  ...more,
});

const evidenceOf = (methods: readonly MethodId[], round = 0): Evidence[] =>
  methods.flatMap((method) =>
    (method === 'sweep' ? [0] : [-30, 0, 40]).flatMap((travel) =>
      METHOD_TABLE[method].components.map(({ id }): Evidence => ({
        ...{ ids: [], round, travel, method, component: id, value: 0, plusMinus: 1, heightOff: 1 },
        side: METHOD_TABLE[method].ofBoth ? 'both' : 'right',
      })),
    ),
  );

describe('what readings answer to', () => {
  for (const { kind, coupled } of CORNER_TYPES.filter((type) => !type.noTravel))
    it(`is as the car put together a little off either way: ${kind}`, () => {
      const build = blankBuild('x', kind);
      const { outer } = build.front.points['tieRodOuter']
        ? { outer: 'tieRodOuter' }
        : { outer: null };
      const rounds =
        outer === null
          ? []
          : [
              {
                fitted: [
                  { side: 'right' as const, point: outer, coordinate: 'up' as const, by: 4 },
                ],
              },
            ];
      const car = carOf(build, { rounds });
      const model = new CarModel(build, car);
      const normal = normalsApart(7);
      const state = Float64Array.from(model.unknowns, ({ mean, sigma }) => mean + sigma * normal());
      const steers = model.wheels.right.steered && !coupled;
      const all = evidenceOf(
        ['tape', 'wall', 'dials', 'strings', 'level', ...(steers ? (['sweep'] as const) : [])],
        rounds.length,
      );
      const rows = model.slopes(all, state)!;
      const step = 1e-3;
      model.unknowns.forEach((_, u) => {
        const off = (by: number) =>
          model.predict(
            all,
            state.map((x, i) => (i === u ? x + by : x)),
          )!;
        const [plus, minus] = [off(step), off(-step)];
        all.forEach((one, e) => {
          const measured = (plus[e] - minus[e]) / (2 * step);
          // An axle is told by differences itself; of a strut's line the far end is taken where it stands now.
          const close = coupled ? 0.02 : kind.startsWith('strut') ? 2e-3 : 1e-5;
          expect({
            ...one,
            u,
            off: Math.abs(rows[e][u] - measured) < close * Math.max(1, Math.abs(measured)),
          }).toEqual({ ...one, u, off: true });
        });
      });
      const height = model.unknowns.length;
      const higher = all.map((one) => ({ ...one, travel: one.travel + step }));
      const lower = all.map((one) => ({ ...one, travel: one.travel - step }));
      const [up, down] = [model.predict(higher, state)!, model.predict(lower, state)!];
      all.forEach((one, e) => {
        if (one.method === 'sweep') return;
        expect(rows[e][height]).toBeCloseTo((up[e] - down[e]) / (2 * step), coupled ? 3 : 5);
      });
    });

  it('refuses a layout that cannot be solved', () => {
    const build = blankBuild('x');
    build.front.points['upperOuter'] = { ...build.front.points['lowerOuter'] };
    expect(() => new CarModel(build, carOf(build))).toThrow(RangeError);
  });
});
