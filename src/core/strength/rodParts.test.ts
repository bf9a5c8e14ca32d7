import { blankBuild } from '../model/starts';
import { rodAsBuilt } from './rodParts';
import { ASSUMED } from '../model/rod';
import { STARTING_LOADS } from '../model/rod';
import { rodStrength } from './rodStrength';
import { wheelIn } from '../../test/layouts';

const made = () => {
  const build = blankBuild('x');
  return { build, of: () => rodAsBuilt(build, wheelIn(build.front)) };
};

it('assumes until somebody says, and says so', () => {
  const { parts, from, washers } = made().of();
  expect(parts).toEqual(ASSUMED);
  expect(new Set(Object.values(from))).toEqual(new Set(['assumed']));
  expect(washers).toBeNull();
});

it('takes the spacer from the washers that are fitted', () => {
  const { build, of } = made();
  const { tieRodOuter } = build.front.points;
  build.front.freedoms = {
    tieRodOuter: {
      up: { kind: 'shims', base: tieRodOuter.up, stock: [3.2, 6.35], most: 6, way: -1 },
    },
  };
  expect(of()).toMatchObject({ parts: { spacer: 0 }, from: { spacer: 'layout' }, washers: 0 });
  tieRodOuter.up -= 24.5;
  expect(of().parts.spacer).toBeCloseTo(24.5, 9);
  // An older file's spacer, of no layout in particular, does not stand in their way.
  build.rod = { ...STARTING_LOADS, ...ASSUMED, spacer: 5 };
  expect(of().parts.spacer).toBeCloseTo(24.5, 9);
  build.front.tieRod = { spacer: 7 };
  expect(of()).toMatchObject({ parts: { spacer: 7 }, from: { spacer: 'typed' } });
  expect(of().washers).toBeCloseTo(24.5, 9);
});

it('does not tick a bolt for washers that are not the ones fitted', () => {
  const { build, of } = made();
  const { tieRodOuter } = build.front.points;
  const reserve = () =>
    rodStrength(wheelIn(build.front), { ...STARTING_LOADS, ...of().parts })!.boltReserve;
  const short = reserve();
  build.front.freedoms = {
    tieRodOuter: {
      up: { kind: 'shims', base: tieRodOuter.up - 24.5, stock: [3.2, 6.35], most: 6, way: 1 },
    },
  };
  expect(reserve()).toBeLessThan(short / 2);
});

it('has less thread in a rod that got longer, the tube being the same', () => {
  const { build, of } = made();
  const { length } = of();
  build.front.tieRod = { engaged: 22, engagedAt: length };
  expect(of()).toMatchObject({ parts: { engaged: 22 }, from: { engaged: 'typed' }, longer: 0 });
  build.front.points['tieRodInner'].out -= 6;
  const { parts, from, longer } = of();
  expect(longer).toBeGreaterThan(5);
  expect(parts.engaged).toBeCloseTo(22 - longer, 9);
  expect(from.engaged).toBe('layout');
});
