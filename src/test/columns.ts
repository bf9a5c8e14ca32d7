import type { Column, ColumnJoint } from '../core/model/column';

/** A column of two plain joints from a handwheel down and forward to a pinion behind a rack's bar, mm. */
export const aColumn = (change: Partial<Column> = {}): Column => ({
  wheel: { centre: { ahead: -900, left: 320, up: 690 }, diameter: 340, rim: 28, boss: 60 },
  joints: [
    { kind: 'single', at: { ahead: -430, left: 300, up: 500 }, outside: 36, length: 34 },
    { kind: 'single', outside: 36, length: 34 },
  ],
  shafts: [{ outside: 19 }, { outside: 19, slip: { engaged: 50, least: 30 } }],
  supports: [],
  pinion: {
    foot: { ahead: -120, left: 240, up: 230 },
    tip: { ahead: -175, left: 250, up: 275 },
    reach: 34,
  },
  ...change,
});

/** A plain joint at a place. */
export const aJoint = (ahead: number, left: number, up: number): ColumnJoint => ({
  kind: 'single',
  at: { ahead, left, up },
  outside: 36,
  length: 34,
});
