import { checkLoop } from '../../test/checkLoop';

describe('sixty virtual cars on virtual stands', () => {
  it('come into the band, and show the number that was planted', () => {
    const tally = checkLoop(60);
    expect(tally.out).toBeGreaterThan(25);
    expect(tally.inAfterTwo / tally.out).toBeGreaterThanOrEqual(0.95);
    expect(tally.inAfterOne).toBeLessThanOrEqual(tally.inAfterTwo);
    // What is told with a shim is what it does, nineteen times in twenty.
    expect(tally.withinTold / tally.advice).toBeGreaterThanOrEqual(0.95);
    // Every car is within its ±: the verdict says so as often as it should.
    expect(tally.fits / tally.cars).toBeGreaterThanOrEqual(0.88);
    // Of planted numbers those count whose error the readings could find at all.
    expect(tally.told).toBeGreaterThan(10);
    expect(tally.three / tally.told).toBeGreaterThanOrEqual(0.9);
  });
});
