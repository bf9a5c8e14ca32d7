import fc from 'fast-check';
import {
  anglesIn,
  lengthIn,
  parseAngle,
  parseLength,
  parseLengths,
  parseNumber,
  printAngle,
  printFraction,
  printLength,
  saidIn,
  trimmed,
} from './units';

const mm = (text: string, unit?: 'mm' | 'in') => {
  const parsed = parseLength(text, unit);
  return parsed.ok ? parsed.value : parsed.why;
};

describe('lengths as builders type them', () => {
  it.each([
    ['12.5', 12.5],
    ['12,5', 12.5],
    ['12.5 mm', 12.5],
    ['  -3 ', -3],
    ['−3', -3],
    ['5.', 5],
    ['.5', 0.5],
    ['1/2"', 12.7],
    ['3 7/16 in', 87.3125],
    ['3-7/16"', 87.3125],
    ['-1 1/2"', -38.1],
    ['½ in', 12.7],
    ['2 ft', 609.6],
    ['1.2 cm', 12],
    ['0.5 m', 500],
    ['10MM', 10],
    [`1'2"`, 355.6],
    [`1' 2 1/2"`, 368.3],
    [`-5' 0"`, -1524],
    ['6 ft 1 in', 1854.2],
    [`3'`, 914.4],
    ['1½ in', 38.1],
  ])('%s is %d mm', (text, value) => expect(mm(text)).toBeCloseTo(value, 10));

  it('takes a bare number in the unit that is shown', () => {
    expect(mm('2 1/4', 'in')).toBeCloseTo(57.15, 10);
    expect(mm('10 mm', 'in')).toBe(10);
  });

  it.each([
    '',
    '  ',
    '-',
    '12.',
    '1/',
    '3 7',
    'abc',
    '1/0',
    '1,234.5',
    '12 mmm',
    '1e999',
    'mm',
    '"',
    '3 -7/16',
    '5_5',
    '1_000.5',
    '268..5',
    '-1x5',
    `1'14"`,
  ])('“%s” is refused or, half typed, read as far as it goes', (text) => {
    const result = parseLength(text);
    if (text === '12.') expect(result).toEqual({ ok: true, value: 12 });
    else expect(result.ok).toBe(false);
  });

  it('says what to type instead', () => {
    expect(parseLength('1o5')).toMatchObject({ why: expect.stringContaining('3 7/16 in') });
    expect(parseNumber('1,234.5')).toMatchObject({ why: expect.stringContaining('1234.5') });
  });

  it('reads back what it prints', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5_000_000, max: 5_000_000 }), (thousandths) => {
        const value = thousandths / 1000;
        expect(mm(printLength(value))).toBeCloseTo(value, 9);
        const inches = thousandths / 10_000;
        expect(mm(printLength(inches * 25.4, 'in'), 'in')).toBeCloseTo(inches * 25.4, 9);
      }),
    );
  });

  it('prints fractions that read back', () => {
    expect([0, 0.5, 1, 1.09375, -3.4375].map((v) => printFraction(v, 32))).toEqual([
      '0',
      '1/2',
      '1',
      '1 3/32',
      '-3 7/16',
    ]);
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), (parts) => {
        expect(parseNumber(printFraction(parts / 64, 64))).toEqual({ ok: true, value: parts / 64 });
      }),
    );
  });

  it('prints no trailing zeros and no minus nought', () => {
    expect(trimmed(1.5, 3)).toBe('1.5');
    expect(trimmed(100, 0)).toBe('100');
    expect(trimmed(-0.0001, 2)).toBe('0');
    expect(printLength(25.4, 'in')).toBe('1');
  });
});

describe('fractions of an inch', () => {
  const UNITS_OF = { 'in/16': 16, 'in/32': 32 } as const;

  it('say a length as a tape would, and what is over or short of it', () => {
    expect(lengthIn(312.8, 'in/16', 1)).toBe('12 5/16 + 0.002 in');
    expect(lengthIn(90, 'in/16', 1)).toBe('3 9/16 − 0.019 in');
    expect(lengthIn(38, 'in/16')).toBe('1 1/2 in');
    expect(lengthIn(88.9, 'in/32', 1)).toBe('3 1/2 in');
    expect(lengthIn(-88.9, 'in/32', 1)).toBe('−3 1/2 in');
    expect(lengthIn(1.3, 'in/16', 1)).toBe('0.051 in');
    expect(lengthIn(0.3, 'in/16')).toBe('0.01 in');
    expect(lengthIn(2, 'in/16')).toBe('0.08 in');
    expect(lengthIn(0, 'in/16')).toBe('0 in');
    expect(saidIn('cut 88.9 mm off', 'in/16')).toBe('cut 3 1/2 in off');
  });

  it('keep what they say within what decimals say, read back by the same field', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -900_000, max: 900_000 }),
        fc.constantFrom('in/16', 'in/32'),
        fc.constantFrom(1, 2),
        (thousandths, unit, decimals) => {
          const inches = thousandths / 1000 / 25.4;
          const said = lengthIn(inches * 25.4, unit, decimals).replace(/ in$/u, '');
          const read = parseLength(said, unit);
          expect(read.ok).toBe(true);
          if (!read.ok) return;
          // Half of the last place said, and as much again where the fraction was rounded to it.
          expect(Math.abs(read.value / 25.4 - inches)).toBeLessThan(0.51 * 10 ** -(decimals + 2));
        },
      ),
    );
  });

  it('say whole millimetres by the next of them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 27, max: 4000 }),
        fc.constantFrom('in/16', 'in/32'),
        (mm, unit) => {
          const read = parseLength(lengthIn(mm, unit), unit);
          const marks = Array.from({ length: 4000 / 0.79 }, (_, i) => (i * 25.4) / UNITS_OF[unit]);
          const nearest = Math.min(...marks.map((mark) => Math.abs(mark - mm)));
          expect(read.ok && Math.abs(read.value - mm)).toBeCloseTo(nearest, 6);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('stand in a field only where they are that very length', () => {
    expect(printLength(88.9, 'in/16')).toBe('3 1/2');
    expect(printLength(90, 'in/16')).toBe('3.5433');
    expect(printLength(25.4 / 32, 'in/16')).toBe('0.0313');
    expect(printLength(25.4 / 32, 'in/32')).toBe('1/32');
    fc.assert(
      fc.property(fc.integer({ min: -90_000, max: 90_000 }), (parts) => {
        const mm = parts / 100;
        for (const unit of ['in/16', 'in/32'] as const) {
          const read = parseLength(printLength(mm, unit), unit);
          expect(read.ok && Math.abs(read.value - mm)).toBeLessThan(0.0013);
        }
      }),
    );
  });

  it('take a dash between whole and fraction for no minus', () => {
    expect(parseLength('3-7/16', 'in/16')).toEqual(parseLength('3 7/16 in'));
    expect(parseLength('3 - 7/16', 'in').ok).toBe(false);
  });
});

describe('minutes', () => {
  it('are read with or without degrees', () => {
    expect(
      ["1° 30'", "12'", '-0° 6′', '1 deg 15 min', '−1°30.5’', '90 min'].map(parseAngle),
    ).toEqual([1.5, 0.2, -0.1, 1.25, -1.508333333, 1.5].map((value) => ({ ok: true, value })));
    expect(parseAngle("1° 75'").ok).toBe(false);
    expect(parseAngle("1° 30' 5").ok).toBe(false);
  });

  it('read back as a field prints them', () => {
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 20_000 }), (thousandths) => {
        const value = thousandths / 1000;
        const read = parseAngle(printAngle(value, 'min'));
        // A hundredth of a minute.
        expect(read.ok && Math.abs(read.value - value)).toBeLessThan(0.51 / 6000);
      }),
    );
    expect(printAngle(6.5, 'min')).toBe("6° 30'");
    expect(printAngle(-0.25, 'min')).toBe("-15'");
    expect(printAngle(0, 'min')).toBe("0'");
  });

  it('stand in sentences for what is said to hundredths, and for nothing else', () => {
    expect(anglesIn('camber −1.10° → −1.50°, lock 34.5°, toe +0.083°', 'min')).toBe(
      'camber −1° 6′ → −1° 30′, lock 34.5°, toe +5′',
    );
    expect(anglesIn('toe −0.00° and 0.999°', 'min')).toBe('toe 0′ and 59.9′');
    expect(anglesIn('toe 0.25°', 'deg')).toBe('toe 0.25°');
  });
});

describe('angles', () => {
  it('read back as they are printed', () => {
    fc.assert(
      fc.property(fc.integer({ min: -180_000, max: 180_000 }), (thousandths) => {
        const value = thousandths / 1000;
        expect(parseAngle(printAngle(value))).toEqual({ ok: true, value });
        expect(parseAngle(`${printAngle(value)}°`)).toEqual({ ok: true, value });
      }),
    );
  });

  it('are refused in words', () => {
    expect(parseAngle('steep')).toMatchObject({ why: expect.stringContaining('not an angle') });
    expect(parseAngle('')).toEqual({ ok: false, why: 'is empty' });
  });
});

describe('several lengths', () => {
  it.each([
    ['0; 25; 50', [0, 25, 50]],
    ['0, 25, 50', [0, 25, 50]],
    ['0,5; 0,8', [0.5, 0.8]],
    ['1 2.5 -3', [1, 2.5, -3]],
    ['1/2"; 10 mm', [12.7, 10]],
    ['3 7/16 in; 4 in', [87.3125, 101.6]],
    ['3 7/16 in, 4 in', [87.3125, 101.6]],
    ['3 7/16 in 4 in', [87.3125, 101.6]],
    ['1/2" 3/4"', [12.7, 19.05]],
    ['3 7/16; 4', [3.4375, 4]],
    ['10 mm 20 mm', [10, 20]],
    ['1\n2\n3', [1, 2, 3]],
    ['25', [25]],
  ])('%s', (text, value) => expect(parseLengths(text)).toEqual({ ok: true, value }));

  it('are refused in words', () => {
    expect(parseLengths('1; two')).toMatchObject({ why: expect.stringContaining('two') });
    expect(parseLengths(' ; ')).toEqual({ ok: false, why: 'is empty' });
  });
});

describe('a sentence of lengths', () => {
  it('is said in the window’s unit, but for what counts per 25 mm', () => {
    expect(saidIn('damper 12.7 mm into arm', 'in')).toBe('damper 0.5 in into arm');
    const said = 'tie rod 12.7 mm into sump, ±0.5 mm; camber −0.45° per 25 mm';
    expect(saidIn(said, 'mm')).toBe(said);
    expect(saidIn(said, 'in')).toBe('tie rod 0.5 in into sump, ±0.02 in; camber −0.45° per 25 mm');
  });

  it('rounds a length as it is shown', () => {
    expect(lengthIn(1533.96, 'mm')).toBe('1534 mm');
    expect(lengthIn(38.1, 'in')).toBe('1.5 in');
    expect(lengthIn(-0.04, 'mm', 1)).toBe('0 mm');
  });
});
