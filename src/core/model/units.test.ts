import fc from 'fast-check';
import {
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
