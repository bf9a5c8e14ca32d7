import { kill } from './kills';

it.each(['first start', 'migration'] as const)(
  'comes back whole after kills in a %s',
  async (moment) => expect(await kill(moment, 6)).toEqual([]),
  120_000,
);
