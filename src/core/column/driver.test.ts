import fc from 'fast-check';
import { aColumn } from '../../test/columns';
import type { Vec } from '../geometry/vec';
import type { Column, Driver } from '../model/column';
import { handsOf, legsOf, pedalsOff } from './driver';

const RAD = Math.PI / 180;
/** A handwheel whose shaft falls from level by some degrees, straight ahead; nothing of the rest matters here. */
const raked = (degrees: number, driver: Partial<Driver>, flat?: number): Column => {
  const column = aColumn();
  const centre = { ahead: -900, left: 320, up: 690 };
  return {
    ...column,
    wheel: { centre, diameter: 360, rim: 30, ...(flat !== undefined && { flat }) },
    joints: [
      {
        ...column.joints[0],
        at: {
          ahead: -900 + 400 * Math.cos(degrees * RAD),
          left: 320,
          up: 690 - 400 * Math.sin(degrees * RAD),
        },
      },
      column.joints[1],
    ],
    driver: { moves: 'seat', ...driver },
  };
};

it('sees over the rim, through it or not, as the handwheel stands square to its shaft', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 40, noNaN: true }),
      fc.double({ min: 0.15, max: 0.85, noNaN: true }),
      fc.double({ min: -250, max: 350, noNaN: true }),
      (rake, part, high) => {
        // A place in the rim's plane, so high up it from the middle; the eye behind it and what is seen ahead on one line.
        const [s, c] = [Math.sin(rake * RAD), Math.cos(rake * RAD)];
        const on = { ahead: -900 + high * s, up: 690 + high * c };
        const [dx, dz] = [700, -120];
        const eye = { ahead: on.ahead - part * dx, up: on.up - part * dz };
        const sight = { ahead: eye.ahead + dx, up: eye.up + dz };
        const hands = handsOf(raked(rake, { eye, sight }))!;
        expect(hands.rake).toBeCloseTo(rake, 9);
        const off = Math.abs(high);
        const { passes, by } = hands.sight!;
        const edge = [45, 150, 180].some((at) => Math.abs(off - at) < 1e-6);
        fc.pre(!edge);
        expect(passes).toBe(
          off > 180
            ? high > 0
              ? 'over'
              : 'beside'
            : off > 150
              ? 'rim'
              : off < 45
                ? 'boss'
                : 'through',
        );
        if (passes === 'over') expect(by).toBeCloseTo(off - 180, 6);
        if (passes === 'through') expect(by).toBeCloseTo(Math.min(150 - off, off - 45), 6);
      },
    ),
  );
});

it('keeps the knuckles off the legs, as places all over rim and legs have it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 300, max: 560, noNaN: true }),
      fc.double({ min: 0, max: 320, noNaN: true }),
      fc.integer({ min: 0, max: 80 }),
      (knee, apart, flat) => {
        const driver = {
          ...{ hip: { ahead: -1350, up: 300 }, knee: { ahead: -880, up: knee } },
          ...{ heel: { ahead: -500, up: 200 }, kneesApart: apart, leg: 140, knuckles: 40 },
        };
        const column = raked(22, driver, flat);
        const { straight, quarter } = handsOf(column)!.legs!;
        const [s, c] = [Math.sin(22 * RAD), Math.cos(22 * RAD)];
        const least = (cut: number) => {
          let found = Infinity;
          for (let i = 0; i < 720; i++) {
            const angle = (i * Math.PI) / 360;
            const up = Math.max(165 * Math.sin(angle), cut - 165);
            const rim: Vec = [-900 + up * s, 320 + 165 * Math.cos(angle), 690 + up * c];
            for (const [from, to] of [
              [driver.hip, driver.knee],
              [driver.knee, driver.heel],
            ])
              for (const side of [1, -1])
                for (let k = 0; k <= 100; k++) {
                  const p: Vec = [
                    from.ahead + (k / 100) * (to.ahead - from.ahead),
                    320 + (side * apart) / 2,
                    from.up + (k / 100) * (to.up - from.up),
                  ];
                  found = Math.min(
                    found,
                    Math.hypot(p[0] - rim[0], p[1] - rim[1], p[2] - rim[2]) - 70 - 15 - 40,
                  );
                }
          }
          return found;
        };
        // Legs end flat where the test's are round: near a knee or hip the test's come nearer, never further off.
        for (const [clear, cut] of [
          [straight, flat],
          [quarter, 0],
        ] as const) {
          const by = least(cut);
          if (by > -125) expect(clear.clearance).toBeGreaterThan(by - 1);
          if (Math.abs(clear.clearance - by) > 2) expect(clear.clearance).toBeGreaterThan(by);
        }
        expect(quarter.clearance).toBeLessThanOrEqual(straight.clearance + 1e-9);
      },
    ),
    { numRuns: 12 },
  );
  expect(legsOf(raked(20, { hip: { ahead: -1300, up: 300 } }))).toEqual([]);
});

it('puts the helmet under the hoops’ line, and the wrist over the rim, by hand', () => {
  // A level line 1200 up: the helmet's top 70 under it. Up to the front by 45°: 70 / √2 square to it.
  const helmet = { ahead: -1400, up: 1130 };
  const level = { frontHoop: { ahead: -700, up: 1200 }, mainHoop: { ahead: -1700, up: 1200 } };
  expect(handsOf(raked(20, { helmet, ...level }))!.helmet).toBeCloseTo(70, 9);
  const steep = { frontHoop: { ahead: -1300, up: 1300 }, mainHoop: { ahead: -1500, up: 1100 } };
  expect(handsOf(raked(20, { helmet, ...steep }))!.helmet).toBeCloseTo(70 / Math.SQRT2, 9);
  const over = { helmet: { ahead: -1400, up: 1230 }, ...level };
  expect(handsOf(raked(20, over))!.helmet).toBeCloseTo(-30, 9);
  // An upright handwheel: its rim's top 165 over its middle; the shoulder level with it, 600 behind.
  const shoulder = { ahead: -1500, up: 855 };
  expect(handsOf(raked(0, { shoulder, arm: 620 }))!.wrist).toBeCloseTo(20, 9);
  expect(handsOf(raked(0, { shoulder, arm: 580, left: 320 }))!.wrist).toBeCloseTo(-20, 9);
  // The shoulder is in the seat's middle, which may not be the handwheel's.
  expect(handsOf(raked(0, { shoulder, arm: 620, left: 300 }))!.wrist).toBeCloseTo(
    620 - Math.hypot(600, 20),
    9,
  );
});

it('tells nothing of what nobody said', () => {
  expect(handsOf(aColumn())).toBeNull();
  const none = handsOf(raked(20, { eye: { ahead: -1500 }, shoulder: { ahead: -1500, up: 800 } }))!;
  expect(none).toMatchObject({ legs: null, wrist: null, sight: null, helmet: null });
  expect(pedalsOff(aColumn())).toBeNull();
});
