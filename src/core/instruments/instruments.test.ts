import fc from 'fast-check';
import { Listener, QUIET } from './listener';
import { COUNTS, DEVICES, READS, inUnit, readLine, sumOf, writeLine } from './protocol';
import { INSTRUMENT_KINDS } from '../model/instruments';
import type { Device, InstrumentUnit } from './protocol';
import type { TROUBLE_NAMES } from './standIn';
import { GOOD, StandIn } from './standIn';

const UNITS: Record<'mm' | 'deg', InstrumentUnit[]> = { mm: ['mm', 'in'], deg: ['deg', 'min'] };

const anyDevice = fc.constantFrom(...INSTRUMENT_KINDS);
const line = (text: string) => `${text}*${sumOf(text)}`;

describe('a line', () => {
  it('is understood as it was written, in any unit', () => {
    fc.assert(
      fc.property(
        anyDevice.chain((device) =>
          fc.record({
            device: fc.constant<Device>(device),
            channel: fc.constantFrom<string>(...DEVICES[device]),
            unit: fc.constantFrom(...UNITS[READS[device]]),
            value: fc.option(fc.double({ min: -900, max: 900, noNaN: true })),
            count: fc.nat({ max: COUNTS - 1 }),
          }),
        ),
        (said) => {
          const heard = readLine(writeLine(said, 6));
          if (!heard.ok) throw new Error(heard.why);
          const { value: _, ...rest } = said;
          expect(heard.said).toMatchObject(rest);
          if (said.value === null) expect(heard.said.value).toBeNull();
          else expect(inUnit(heard.said.value!, said.unit)).toBeCloseTo(said.value, 5);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('is refused with any one letter changed', () => {
    const good = writeLine({
      device: 'level',
      channel: 'camber',
      value: -1.23,
      unit: 'deg',
      count: 41,
    });
    expect(good).toBe('level camber -1.230 deg 41*' + sumOf('level camber -1.230 deg 41'));
    for (let i = 0; i < good.length; i++) {
      const bad = `${good.slice(0, i)}${good[i] === '#' ? '?' : '#'}${good.slice(i + 1)}`;
      expect([bad, readLine(bad).ok]).toEqual([bad, false]);
    }
  });

  it.each([
    ['tape front 1 mm 3', 'an instrument that nobody knows'],
    ['level spot 1 deg 3', 'a channel that a level does not have'],
    ['level camber 1 mm 3', 'a unit that a level does not read in'],
    ['height hub 1 deg 3', 'a unit that a height does not read in'],
    ['height hub 1e3 mm 3', 'a value that is no number'],
    ['height hub 1 mm 65536', 'a count that is none'],
    ['height hub 1 mm', 'not five words'],
    ['height hub 1 mm 3 4', 'not five words'],
    ['__proto__ hub 1 mm 3', 'an instrument that nobody knows'],
  ])('“%s” is refused: %s', (text, why) => {
    const heard = readLine(line(text));
    expect(heard.ok ? '' : heard.why).toContain(why);
  });

  it('without its sum is refused', () => {
    expect(readLine('height hub 1 mm 3').ok).toBe(false);
    expect(readLine('x'.repeat(500)).ok).toBe(false);
  });
});

describe('a listener', () => {
  const level = (value: number | null, count: number) =>
    `${writeLine({ device: 'level', channel: 'camber', value, unit: 'deg', count })}\n`;

  it('understands lines whatever pieces they come in', () => {
    const all = [1, 2, 3, 4].map((n) => level(n / 10, n)).join('');
    fc.assert(
      fc.property(fc.array(fc.nat({ max: all.length }), { maxLength: 12 }), (cuts) => {
        const listener = new Listener();
        const at = [0, ...[...cuts].sort((a, b) => a - b), all.length];
        const said = at.slice(1).flatMap((end, i) => listener.take(all.slice(at[i], end), i));
        expect(said.map(({ value }) => value)).toEqual([0.1, 0.2, 0.3, 0.4]);
        expect(listener.standing).toMatchObject({ lost: 0, garbled: 0, device: 'level' });
      }),
    );
  });

  it('says when it stands still, and gives the mean then', () => {
    const listener = new Listener();
    [-1.2, -1.21, -1.19, -1.2].forEach((value, i) => listener.take(level(value, i), i));
    expect(listener.standing).toMatchObject({ steady: false, values: { camber: -1.2 } });
    listener.take(level(-1.21, 4), 4);
    expect(listener.standing.steady).toBe(true);
    expect(listener.standing.values['camber']).toBeCloseTo(-1.202, 9);
    listener.take(level(-1.4, 5), 5);
    expect(listener.standing).toMatchObject({ steady: false, values: { camber: -1.4 } });
    listener.take(level(null, 6), 6);
    expect(listener.standing).toMatchObject({ empty: 1, values: { camber: null } });
  });

  it('counts what was lost, over the end of the count too, and hears a cable come loose', () => {
    const listener = new Listener();
    listener.take(level(1, COUNTS - 2), 0);
    listener.take(level(1, 1), 100);
    expect(listener.standing.lost).toBe(2);
    expect(listener.isQuiet(100 + QUIET)).toBe(false);
    expect(listener.isQuiet(101 + QUIET)).toBe(true);
    listener.take('nonsense\n', 200);
    expect(listener.standing).toMatchObject({ garbled: 1, why: 'a line without its sum' });
  });
});

describe('a stand-in', () => {
  const hear = (device: Device, trouble: (typeof TROUBLE_NAMES)[number], at: number | null = 2) => {
    const standIn = new StandIn(device, () => at, { trouble, seed: 5 });
    const listener = new Listener();
    const values: number[] = [];
    let quiet = 0;
    for (let i = 0; i < 600; i++) {
      const said = listener.take(standIn.lines(i / 5), i * 200);
      values.push(...said.flatMap(({ value }) => (value === null ? [] : [value])));
      if (listener.isQuiet(i * 200)) quiet++;
    }
    return { values, quiet, standing: listener.standing };
  };
  const spread = (list: number[]) => {
    const mean = list.reduce((sum, x) => sum + x, 0) / list.length;
    return Math.sqrt(list.reduce((sum, x) => sum + (x - mean) ** 2, 0) / list.length);
  };

  it.each(INSTRUMENT_KINDS)(
    'says what the car stands at, as well as a good one does: %s',
    (device) => {
      const { values, quiet, standing } = hear(device, 'none');
      expect(values).toHaveLength(600 * DEVICES[device].length);
      expect(Math.abs(values.reduce((sum, x) => sum + x, 0) / values.length - 2)).toBeLessThan(
        0.01,
      );
      expect(spread(values) / GOOD[device].noise).toBeGreaterThan(0.85);
      expect(spread(values) / GOOD[device].noise).toBeLessThan(1.15);
      expect([quiet, standing.lost, standing.garbled, standing.empty]).toEqual([0, 0, 0, 0]);
    },
  );

  it('has every trouble that it is asked for', () => {
    expect(spread(hear('level', 'noise').values) / GOOD.level.noise).toBeGreaterThan(6);
    const drift = hear('level', 'drift').values;
    expect(Math.abs(drift.at(-1)! - drift[0])).toBeGreaterThan(3 * GOOD.level.noise);
    const { standing } = hear('level', 'dropouts');
    expect(standing.lost).toBeGreaterThan(20);
    expect(standing.garbled).toBeGreaterThan(20);
    expect(standing.empty).toBeGreaterThan(40);
    expect(hear('level', 'cable').quiet).toBeGreaterThan(5);
    // Minutes and inches are told as such: what they say comes out the same.
    for (const device of INSTRUMENT_KINDS) {
      const { values } = hear(device, 'units');
      expect(Math.abs(values.reduce((sum, x) => sum + x, 0) / values.length - 2)).toBeLessThan(
        0.01,
      );
      expect(new StandIn(device, () => 2, { trouble: 'units' }).lines(0)).toMatch(/ (in|min) 0\*/u);
    }
  });

  it('says the same for the same seed, and nothing where the car does not go', () => {
    expect(hear('dials', 'dropouts').values).toEqual(hear('dials', 'dropouts').values);
    const { values, standing } = hear('pointer', 'none', null);
    expect(values).toEqual([]);
    expect(standing.empty).toBe(600);
  });
});
