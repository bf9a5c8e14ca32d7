import { VERDICTS, judgeBand, judgeLeast, judgeRoom, judgeSize, worstOf } from './verdicts';

it('has a word of its own between accepted and reworked', () => {
  const bands = [0.25, 0.5, 1] as const;
  expect([0.25, 0.26, 0.51, 1, 1.01].map((size) => judgeSize(size, bands))).toEqual([
    'very good',
    'accept',
    'look again',
    'look again',
    'rework',
  ]);
});

it('reworks what lies far outside a band, however near the band is', () => {
  const band = [-1.2, -0.6] as const;
  expect([-0.6, -1.2, -0.5, -1.5, -0.29, -1.51].map((gain) => judgeBand(gain, band))).toEqual([
    'accept',
    'accept',
    'look again',
    'look again',
    'rework',
    'rework',
  ]);
  expect(judgeBand(2.05, [2, 2])).toBe('look again');
});

it('reworks what is in something, looks again where room is short', () => {
  expect([12, 10, 9, 0, -0.1].map((room) => judgeRoom(room, 10))).toEqual([
    'accept',
    'accept',
    'look again',
    'look again',
    'rework',
  ]);
  expect([35, 33, 30].map((lock) => judgeLeast(lock, 35))).toEqual([
    'accept',
    'look again',
    'rework',
  ]);
});

it('takes the worst, and none of nothing', () => {
  expect(worstOf([])).toBeNull();
  expect(
    worstOf([
      { verdict: 'very good', of: 'a' },
      { verdict: 'look again', of: 'b' },
      { verdict: 'look again', of: 'c' },
      { verdict: 'accept', of: 'd' },
    ]),
  ).toEqual({ verdict: 'look again', of: 'b' });
  expect(new Set(VERDICTS).size).toBe(VERDICTS.length);
});
