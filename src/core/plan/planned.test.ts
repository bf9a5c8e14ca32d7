import fc from 'fast-check';
import { CORNER_TYPES } from '../corners/kinds';
import { blankBuild } from '../model/starts';
import type { Build } from '../model/build';
import { buildSchema } from '../model/build';
import { costsOf, merged, schoolOrder, schoolsFor } from './orders';
import { movedTo, plannedSteps, stageId } from './planned';
import type { Step } from './step';
import { ownSteps } from './steps';

const ids = (steps: readonly Step[]) => steps.map(({ id }) => id);
const wishbones = (): Build => blankBuild('x', 'double-wishbone', 'double-wishbone');
const place = (steps: readonly Step[], id: string): number => {
  const at = ids(steps).indexOf(id);
  expect(at).toBeGreaterThanOrEqual(0);
  return at;
};

it.each(CORNER_TYPES.map(({ kind }) => kind))(
  'plans the work on a %s axle in every order that says something of it',
  (kind) => {
    const build = blankBuild('x', kind);
    for (const school of schoolsFor(ownSteps(build))) {
      const steps = plannedSteps({ ...build, plan: { school, steps: [] } });
      const all = new Set(ids(steps));
      expect(all.size).toBe(steps.length);
      steps.forEach(({ after, points, axle, gates }, i) => {
        // What a step comes after is there, and before it.
        for (const id of after) expect(ids(steps.slice(0, i))).toContain(id);
        for (const name of points) expect(build[axle!]!.points).toHaveProperty(name);
        expect(new Set(gates.map(({ id }) => id)).size).toBe(gates.length);
      });
      // Everything hangs together: nothing is welded before it was cycled, nothing driven before it was looked at.
      expect(steps.at(-1)!.kind).toBe('inspect');
      expect(place(steps, 'front/cycle')).toBeLessThan(place(steps, 'front/weld'));
    }
  },
);

it('asks a kart for strings and nothing of travel, a car for checks', () => {
  const kart = ownSteps(blankBuild('x', 'kingpin'));
  expect(ids(kart)).toContain('strings');
  expect(kart.map(({ kind }) => kind)).not.toContain('check');
  expect(kart.map(({ title, does }) => `${title} ${does}`).join(' ')).not.toMatch(/bump|travel/iu);
  expect(schoolsFor(kart)).toEqual(['kart', 'steering']);
  const car = ownSteps(wishbones());
  expect(ids(car)).toEqual(expect.arrayContaining(['front/check', 'rear/check', 'front/rack']));
  expect(ids(car)).not.toContain('rear/rack');
});

it('puts first what a school puts first, and says what that costs where it is paid', () => {
  const of = (school: 'lower' | 'upper' | 'steering') => {
    const steps = plannedSteps({ ...wishbones(), plan: { school, steps: [] } });
    const costs = new Map(costsOf(steps).map(({ id, says }) => [id, says]));
    return { steps, costs };
  };
  const lower = of('lower');
  const [low, high] = ['front/arm/lower arm', 'front/arm/upper arm'];
  expect(place(lower.steps, low)).toBeLessThan(place(lower.steps, 'front/rack'));
  expect(place(lower.steps, 'front/rack')).toBeLessThan(place(lower.steps, high));
  expect(lower.costs.get(high)).toMatch(/camber and caster are made up here/u);
  const upper = of('upper');
  expect(place(upper.steps, high)).toBeLessThan(place(upper.steps, low));
  expect(upper.costs.get(low)).toMatch(/What was kept above is settled/u);
  // A rack that comes last finds no place.
  expect(upper.costs.get('front/rack')).toMatch(/finds its place only where/u);
  const steering = of('steering');
  expect(place(steering.steps, 'front/rack')).toBeLessThan(place(steering.steps, low));
  expect(steering.costs.get(low)).toMatch(/steering has its place already/u);
  expect(steering.costs.get('front/rack')).toBeUndefined();
});

it('moves a step just where nothing is against it', () => {
  const steps = plannedSteps(wishbones());
  fc.assert(
    fc.property(fc.nat(steps.length - 1), fc.nat(steps.length - 1), (from, to) => {
      const moved = movedTo(steps, steps[from].id, to);
      const order = steps.filter((_, i) => i !== from);
      order.splice(to, 0, steps[from]);
      const possible = order.every(({ after }, i) =>
        after.every((id) => order.slice(0, i).some((one) => one.id === id)),
      );
      expect(moved.ok).toBe(possible);
      if (moved.ok) {
        expect(moved.order).toEqual(ids(order));
        // And there it stays when the plan is made again.
        const plan = { order: moved.order, steps: [] };
        expect(ids(plannedSteps({ ...wishbones(), plan }))).toEqual(moved.order);
      } else expect(moved.against.length).toBeGreaterThan(0);
    }),
  );
});

it('keeps an order of the builder’s own when the build changes', () => {
  const build = blankBuild('x');
  const order = ids(plannedSteps(build));
  const [a, b] = [order.indexOf('seat'), order.indexOf('frame')];
  expect(b).toBeLessThan(a);
  order.splice(order.indexOf('pedals'), 1);
  order.splice(order.indexOf('front/rack'), 0, 'pedals');
  const grown = { ...wishbones(), plan: { order, steps: [] } };
  const steps = plannedSteps(grown);
  expect(place(steps, 'pedals')).toBe(place(steps, 'front/rack') - 1);
  // The rear axle is there too, behind what the school has before it.
  const rear = ids(steps).filter((id) => id.startsWith('rear/'));
  expect(rear.length).toBeGreaterThan(8);
  // What went with an axle is forgotten.
  expect(merged(['gone', 'b'], ['a', 'b', 'c'])).toEqual(['a', 'b', 'c']);
  const all = ownSteps(grown);
  expect([...schoolOrder(all, 'lower')].sort()).toEqual(ids(all).sort());
});

it('takes steps of one’s own, and lets none wait for itself', () => {
  const own = (id: string, after: string[]) => ({ id, own: { name: id, does: '', after } });
  const build = {
    ...blankBuild('x'),
    plan: { steps: [own('paint', ['front/weld', 'dry']), own('dry', ['paint'])] },
  };
  // A file may say anything: what waits for each other waits for nothing.
  const steps = plannedSteps(build);
  expect(ids(steps)).toEqual(expect.arrayContaining(['paint', 'dry']));
  const good = plannedSteps({
    ...build,
    plan: { steps: [own('paint', ['front/weld']), own('dry', ['paint'])] },
  });
  expect(place(good, 'front/weld')).toBeLessThan(place(good, 'paint'));
  expect(place(good, 'paint')).toBeLessThan(place(good, 'dry'));
});

it('does in a later stage what was chosen, and what hangs on it, after the first', () => {
  const build = wishbones();
  build.plan = { steps: [], stages: [{ name: 'own arms', again: ['front/arm/upper arm'] }] };
  const steps = plannedSteps(build);
  const later = steps.filter(({ stage }) => stage === 2);
  expect(ids(later)).toEqual(
    ['arm/upper arm', 'cycle', 'refit', 'check', 'setup'].map((id) => stageId(`front/${id}`, 2)),
  );
  expect(place(steps, 'front/setup')).toBeLessThan(place(steps, later[0].id));
  expect(steps.at(-1)!.after).toContain('front/setup@2');
  expect(later[0].title).toMatch(/: own arms$/u);
});

it('lets a rule make a step wait', () => {
  const build = blankBuild('x');
  const rule = { id: 'r', kind: 'refusal', says: 'No rod ends in bending', source: 'Inspector' };
  build.plan = {
    steps: [],
    rules: [{ ...rule, kind: 'refusal', at: '2026-03-01T09:00:00.000Z', gate: 'front/refit' }],
  };
  expect(buildSchema.safeParse(build).success).toBe(true);
  const refit = plannedSteps(build).find(({ id }) => id === 'front/refit')!;
  expect(refit.gates).toContainEqual(
    expect.objectContaining({ id: 'rule/r', asks: rule.says, source: 'Inspector' }),
  );
});
