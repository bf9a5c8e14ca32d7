import fc from 'fast-check';
import { estimatedLoadedRadius, readTyreCode } from './tyre';

const size = (code: string) => {
  const read = readTyreCode(code);
  if (!read.ok) throw new Error(read.why);
  return read.value;
};

describe('tyre size codes', () => {
  // Overall diameters as tables of the ETRTO's sizes print them, mm (from memory).
  it.each([
    ['195/50R15', 577],
    ['205/55R16', 632],
    ['175/65R14', 584],
    ['185/60R14', 578],
    ['225/45R17', 634],
    ['245/40R18', 653],
    ['165/80R13', 594],
  ])('%s is %d mm across, as the tables have it to a mm', (code, diameter) => {
    expect(Math.abs(size(code).diameter - diameter)).toBeLessThanOrEqual(1.01);
  });

  it('gives width and rim too', () => {
    expect(size('195/50R15')).toEqual({ diameter: 576, width: 195, rim: 381 });
    expect(size('18x7-10')).toEqual({ diameter: 457.2, width: 177.79999999999998, rim: 254 });
    expect(size('31x10.50R15LT').diameter).toBeCloseTo(787.4, 9);
    expect(size('580 x 195 mm')).toEqual({ diameter: 580, width: 195, rim: null });
    expect(size('11x7.10-5').width).toBeCloseTo(180.34, 9);
  });

  it.each([
    '195/50 R 15',
    '195/50r15 82V',
    'P195/50ZR15',
    '195/50-15',
    '195/50 B15',
    ' 195 / 50 R15 ',
    '195/50–15',
  ])('reads “%s” as the same tyre', (code) => {
    expect(size(code)).toEqual(size('195/50R15'));
  });

  it('takes the multiplication sign, a decimal comma and a full-height section', () => {
    expect(size('18×7-10')).toEqual(size('18x7-10'));
    expect(size('31X10,50-15')).toEqual(size('31x10.50R15'));
    expect(size('185R14').diameter).toBeCloseTo(355.6 + 2 * 185 * 0.82, 9);
  });

  it('reads racing tyres by their own diameter in mm', () => {
    expect(size('180/530R13')).toEqual({ diameter: 530, width: 180, rim: 330.2 });
    expect(size('200/580R15')).toEqual({ diameter: 580, width: 200, rim: 381 });
    expect(size('200 / 580 R 15')).toEqual(size('200/580R15'));
  });

  it('reads cross-ply sizes in hundredths of an inch', () => {
    expect(size('560-15')).toEqual(size('5.60-15'));
    expect(size('560-15').width).toBeCloseTo(142.2, 1);
    expect(size('5.60-15').diameter).toBeGreaterThan(640);
    expect(size('5.60-15').diameter).toBeLessThan(680);
  });

  it('reads speed letters before the R, and what stands behind', () => {
    expect(size('155SR13')).toEqual(size('155R13'));
    expect(size('185/70VR15')).toEqual(size('185/70R15'));
    expect(size('195/50R15 82V XL')).toEqual(size('195/50R15'));
    expect(size('195/50 ZR15 82W RF')).toEqual(size('195/50R15'));
    expect(size('175R14C 99/98Q').width).toBe(175);
  });

  it.each([
    ['', 'is empty'],
    ['195-50', 'is not a tyre size: try 195/50R15, 18x7-10'],
    ['fat ones', 'is not a tyre size'],
    ['10x7-12', 'makes no tyre: the rim would not fit'],
  ])('refuses “%s” in words', (code, why) => {
    expect(readTyreCode(code)).toMatchObject({ ok: false, why: expect.stringContaining(why) });
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const read = readTyreCode(text);
        if (read.ok) expect(read.value.rim ?? 0).toBeLessThan(read.value.diameter);
      }),
    );
  });

  it('starts from a loaded radius a little under half the diameter', () => {
    expect(estimatedLoadedRadius(576)).toBe(276.5);
  });
});
