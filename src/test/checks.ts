import { usualSetup } from '../core/check/evidence';
import type { Build, KeptCheck } from '../core/model/build';
import type { CheckReading } from '../core/model/checks';

/** A reading by strings that nobody took. */
export const aReading = (id: string, more: Partial<CheckReading> = {}): CheckReading => ({
  ...{ id, at: '2026-03-01T10:00:00.000Z', side: 'left', round: 0, height: 20, method: 'strings' },
  ...{ values: [100, 98], unit: 'mm', plusMinus: 0.5 },
  ...more,
});

/** A check of a build's front left wheel as it is drawn. */
export const aCheck = (build: Build, id: string, more: Partial<KeptCheck> = {}): KeptCheck => ({
  ...{ id, name: `Check ${id}`, axle: 'front', sides: 'left', moved: 'wheel' },
  ...{ setup: usualSetup(build.front), begun: '2026-03-01T09:00:00.000Z', by: 'Ada', note: '' },
  ...{ variant: { id: 'first', name: 'First variant' }, drawn: build.front, rounds: [] },
  readings: [],
  ...more,
});
