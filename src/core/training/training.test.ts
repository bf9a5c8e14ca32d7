import { usualSetup } from '../check/evidence';
import { checkUp } from '../check/checkUp';
import type { CheckedCar } from '../check/carModel';
import { plannedTravels } from '../check/heights';
import { Listener } from '../instruments/listener';
import { StandIn } from '../instruments/standIn';
import { withShim } from '../bumpsteer/shim';
import { bumpSteerOf } from '../bumpsteer/trial';
import { goldenLeast } from '../geometry/golden';
import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { SCENARIOS, trainingSchema } from '../model/checks';
import type { CheckReading, Round, Training } from '../model/checks';
import { blankBuild } from '../model/starts';
import { toVec } from '../model/points';
import { noTakeOff } from '../model/takeOff';
import { CORNER_TYPES } from '../corners/kinds';
import { briefOf } from '../model/brief';
import { joints, lookAt, measureAgain, numbers, seenBy } from './acts';
import { debriefOf } from './debrief';
import { TOE_READERS, fewestMinutes, planBy } from './fewest';
import { MINUTES, shopMinutes } from './minutes';
import { SCENARIO_TABLE, scenariosFor } from './scenarios';
import { instrumentsOn, realCar, realCorner, truthOf, worstOf } from './truth';

const BANDS = briefOf(blankBuild('x')).targets.bumpSteer;

/** A layout that does not steer as it is drawn. */
function nulled(kind: 'double-wishbone' | 'strut' = 'double-wishbone'): {
  build: Build;
  car: CheckedCar;
} {
  const build = blankBuild('trained', kind);
  const wheel = wheelOf(build, 'front', 'left');
  const worst = (raise: number) => bumpSteerOf(withShim(wheel, raise))?.worst ?? Infinity;
  build.front.points['tieRodOuter'].up += goldenLeast(worst, -40, 40, 0.02);
  const takeOff = noTakeOff();
  takeOff.placing = 0.5;
  build.takeOff = takeOff;
  return {
    build,
    car: {
      ...{ axle: 'front', sides: 'left', moved: 'wheel', rounds: [] },
      ...{ drawn: build.front, travel: build.travel },
      setup: usualSetup(build.front, 'hub'),
    },
  };
}
const { build, car } = nulled();
const truth = (scenario: Training['scenario'], seed = 3) =>
  truthOf(build, car, { scenario, seed }, BANDS[1]);

describe('what is hidden', () => {
  it('is the same for the same seed, and makes the wheel steer where it is meant to', () => {
    for (const scenario of SCENARIOS) {
      const [once, again] = [truth(scenario), truth(scenario)];
      expect(again.moves).toEqual(once.moves);
      expect([...again.hidden.errors]).toEqual([...once.hidden.errors]);
      if (once.moves.length > 0) expect(worstOf(build, car, once)).toBeGreaterThan(BANDS[1]);
    }
    expect([...truth('washer', 4).hidden.errors]).not.toEqual([...truth('washer').hidden.errors]);
  });

  it('lies in the joints as far as it says, whatever a bent spacer does', () => {
    for (const scenario of ['washer', 'rack', 'axis', 'spacer', 'two'] as const) {
      const hides = truth(scenario);
      const { model, state } = realCar(build, car, hides);
      const all = model.offsets('left', state, 1);
      const bare = model.offsets('left', state, 0);
      const far = Math.hypot(...all.map((at, i) => at - bare[i]));
      expect(far).toBeCloseTo(Math.hypot(...hides.moves.map(({ by }) => by)), 9);
    }
  });

  it('is what a spacer that is bent leaves of a move', () => {
    const hides = truth('spacer');
    const fitted = { side: 'left', point: 'tieRodOuter', coordinate: 'up', by: 5 } as const;
    const shimmed = { ...car, rounds: [{ fitted: [fitted] }] };
    const up = (of: CheckedCar) => {
      const { model, state } = realCar(build, of, hides);
      return model.offsets('left', state, model.car.rounds.length);
    };
    const [before, after] = [up(car), up(shimmed)];
    expect(Math.hypot(...after.map((at, i) => at - before[i]))).toBeCloseTo(5 * 0.6, 9);
  });

  it('lets a loose rod end lie at one end of its play or the other', () => {
    const hides = truth('loose');
    // The way two gauges on a plate differ is toe: half the play each way, by the arm it acts on.
    const differ = (going: 'up' | 'down' | null) => {
      const { reads } = instrumentsOn(build, car, hides, going);
      return reads('dials', 'front', 0)! - reads('dials', 'rear', 0)!;
    };
    expect(differ(null)).toBeCloseTo(0, 9);
    const byHand = ((0.12 * Math.PI) / 180) * car.setup.dialSpan;
    expect(Math.abs(differ('up'))).toBeCloseTo(byHand, 2);
    expect(differ('up') + differ('down')).toBeCloseTo(0, 3);
  });

  it('is offered for every kind that has such parts, and can be put together there', () => {
    for (const type of CORNER_TYPES) {
      const offered = scenariosFor(type);
      expect(offered).toContain('chance');
      expect(offered.includes('washer')).toBe(type.tieRod !== null);
      for (const id of offered)
        for (const { point } of SCENARIO_TABLE[id].hides(type)!.moves)
          expect(type.points[point]).toBeDefined();
    }
    const strut = nulled('strut');
    for (const scenario of SCENARIOS) {
      const hides = truthOf(strut.build, strut.car, { scenario, seed: 5 }, BANDS[1]);
      expect(realCorner(strut.build, strut.car, hides)).not.toBeNull();
    }
  });
});

describe('acts', () => {
  it('take minutes as added up by hand', () => {
    const at = (k: number) => new Date(k * 60_000).toISOString();
    const reading = (k: number, method: CheckReading['method'], height: number) => ({
      ...{ at: at(k), method, height },
    });
    expect(
      shopMinutes({
        // Not in their order: what was done first counts first.
        readings: [
          reading(3, 'dials', 20),
          reading(1, 'dials', 0),
          reading(2, 'level', 0.5),
          reading(6, 'dials', 20),
        ],
        rounds: [
          { at: at(4), fitted: [{ side: 'left', point: 'tieRodOuter', coordinate: 'up', by: 1 }] },
          { at: at(5), fitted: [] },
        ],
        acts: [
          { at: at(5), did: 'looked' },
          { at: at(7), did: 'measured' },
        ],
      }),
    ).toBe(25 + (12 + 2 + 0.5) + (2 + 0.5) + (2 + 0.5) + 0.5 + 15 + 5 + 12);
    expect(shopMinutes({ readings: [], rounds: [], acts: [] })).toBe(MINUTES.stands);
  });

  it('of looking show what can be seen there alone', () => {
    for (const point of joints(car)) {
      expect(lookAt(car, truth('washer'), point)).toMatchObject({ nipped: false });
      const { found, nipped } = lookAt(car, truth('loose'), point);
      expect(nipped).toBe(point === 'tieRodOuter');
      expect(found).toMatch(nipped ? /rocks by 0\.24° of toe/u : /tight/u);
    }
    expect(lookAt(car, truth('spacer'), 'tieRodOuter').found).toMatch(/spacer under it is bent/u);
  });

  it('of measuring again see a joint that is elsewhere, by coordinates and by tapes', () => {
    const hides = truth('axis');
    const own = numbers(build, car);
    for (const { point, coordinate, by } of hides.moves) {
      const number = own.find(({ id }) => id === `${point}.${coordinate}`)!;
      const real = by + hides.hidden.errors.get(`left ${number.id}`)!;
      const { value, plusMinus } = measureAgain(build, car, hides, number, { seed: 3 });
      expect(plusMinus).toBeCloseTo(number.tolerance / 4, 12);
      expect(Math.abs(value - number.value - real)).toBeLessThan(2 * plusMinus);
      expect(seenBy(number, own, hides)).toBeCloseTo(by, 9);
    }
  });

  it('of measuring tapes again come out as tapes to the moved joint do', () => {
    const normal = normalsApart(8);
    const taped = structuredClone(build);
    const at = toVec(taped.front.points['lowerOuter']);
    const marks = ['A', 'B', 'C', 'D'].map((name, i) => ({
      name,
      vec: [
        at[0] + [-300, 250, 40, -60][i],
        at[1] + [-200, -150, -420, 260][i],
        at[2] + [80, 40, 300, 210][i],
      ],
    }));
    taped.takeOff = {
      ...noTakeOff(),
      marks: marks.map(({ name, vec: [ahead, left, up] }) => ({
        ...{ id: name, name, ahead, left, up, known: { ahead: true, left: true, up: true } },
      })),
      measured: [
        {
          ...{ axle: 'front', side: 'left', point: 'lowerOuter', method: 'distances', answer: 1 },
          tapes: marks.map(({ name, vec }) => ({
            ...{ mark: name, tolerance: 1 },
            distance: Math.hypot(...vec.map((v, k) => v - at[k])),
          })),
        },
      ],
    };
    const all = numbers(taped, { ...car, drawn: taped.front }).filter(
      ({ of }) => of === 'lowerOuter',
    );
    const move = [normal(), normal(), normal()].map((part) => 0.05 * part);
    const moves = (['ahead', 'out', 'up'] as const).map((coordinate, k) => ({
      ...{ side: 'left' as const, point: 'lowerOuter' as const, coordinate, by: move[k] },
    }));
    expect(all.length).toBe(marks.length);
    all.forEach((number, i) => {
      const { vec } = marks[i];
      const before = Math.hypot(...vec.map((v, k) => v - at[k]));
      const after = Math.hypot(...vec.map((v, k) => v - at[k] - move[k]));
      expect(seenBy(number, all, { moves })).toBeCloseTo(after - before, 3);
    });
  });
});

describe('the fewest minutes', () => {
  it('are the least of every plan, whose moves bring the real car where it is accepted', () => {
    for (const scenario of ['washer', 'spacer', 'loose', 'two'] as const) {
      const hides = truth(scenario, 11);
      const { plan, tried } = fewestMinutes(build, car, hides, BANDS[1]);
      const each = TOE_READERS.flatMap((reader) =>
        [3, 4, 5, 6, 7].map((heights) => planBy(build, car, hides, BANDS[1], reader, heights)),
      );
      expect(tried).toBe(each.length);
      expect(plan!.minutes).toBe(Math.min(...each.map((one) => one?.minutes ?? Infinity)));
      // Carried out once more, on a car of its own.
      const rounds = plan!.done.rounds;
      expect(worstOf(build, { ...car, rounds }, hides)).toBeLessThanOrEqual(BANDS[1]);
      // Every one of them was needed.
      if (rounds.length > 0)
        expect(worstOf(build, { ...car, rounds: rounds.slice(0, -1) }, hides)).toBeGreaterThan(
          BANDS[1],
        );
    }
  });
});

/** A learner who reads two gauges on the stand-in at every height and does what the station says. */
function trained(scenario: Training['scenario'], seed: number) {
  const training: Training = { scenario, seed, acts: [] };
  const hides = truthOf(build, car, training, BANDS[1]);
  const rounds: Round[] = [];
  const readings: CheckReading[] = [];
  let clock = 0;
  const at = () => new Date(1000 * clock++).toISOString();
  for (let round = 0; round <= 4; round++) {
    const now = { ...car, rounds };
    const loose = hides.hides.play && training.acts.length === 0;
    let travel = 0;
    let going: 'up' | 'down' = 'up';
    const device = new StandIn(
      'dials',
      (channel) =>
        instrumentsOn(build, now, hides, loose ? going : null).reads('dials', channel, travel),
      { seed: seed + round },
    );
    for (going of loose ? (['up', 'down'] as const) : (['up'] as const))
      for (travel of plannedTravels(car.travel)) {
        const listener = new Listener();
        listener.take(device.lines(clock), 0);
        const { front, rear } = listener.standing.values;
        readings.push({
          ...{ id: `${clock}`, at: at(), side: 'left', round: rounds.length, height: travel },
          ...{ asTravel: true, method: 'dials', unit: 'mm', plusMinus: 0.05, going },
          values: [front!, rear!],
        });
      }
    const found = checkUp(build, now, readings, BANDS);
    if (found.play.length > 0 && training.acts.length === 0) {
      const { found: seen } = lookAt(car, hides, 'tieRodOuter');
      training.acts.push({ at: at(), did: 'looked', of: 'tieRodOuter', found: seen });
      rounds.push({ at: at(), fitted: [], note: seen });
      continue;
    }
    const [side] = found.sides;
    if (side.stop !== null || !side.shims[0]) break;
    rounds.push({ at: at(), fitted: [side.shims[0].move], note: '' });
  }
  expect(trainingSchema.parse(training)).toEqual(training);
  return debriefOf(build, { car: { ...car, rounds }, readings, rounds, training }, BANDS);
}

it('is a test of the station: who does what it says brings every car where it is accepted', () => {
  for (const scenario of SCENARIOS)
    for (const seed of [1, 2]) {
      const end = trained(scenario, seed);
      expect([scenario, seed, end.inBand]).toEqual([scenario, seed, true]);
      expect(end.minutes).toBeGreaterThanOrEqual(end.fewest!.minutes);
      expect(end.truth.length).toBeGreaterThan(1);
    }
});

it('says at the end what the readings allowed to know, and no more', () => {
  const washer = trained('washer', 2);
  const told = washer.allowed.find((line) => line.includes('outer joint'))!;
  const [, real, , put, plusMinus] =
    /really ([\d.]+) mm (\w+).*put it ([\d.]+) ± ([\d.]+)/u.exec(
      told.replaceAll(' mm ±', ' ±').replaceAll(/(\d) mm(?= (up|down)\.)/gu, '$1'),
    ) ?? [];
  if (put !== undefined)
    expect(Math.abs(Number(real) - Number(put))).toBeLessThan(2 * Number(plusMinus));
  else expect(told).toMatch(/hardly more of it/u);
  const nothing = debriefOf(
    build,
    { car, readings: [], rounds: [], training: { scenario: 'two', seed: 1, acts: [] } },
    BANDS,
  );
  expect(nothing.allowed).toEqual(['Nothing: too little was read.']);
  expect(nothing.inBand).toBe(false);
  expect(trained('spacer', 1).allowed.join()).toMatch(/did 0\.[5-7]\d ± .* really 0\.60/u);
});
