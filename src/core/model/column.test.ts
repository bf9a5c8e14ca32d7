import { aColumn, aJoint } from '../../test/columns';
import { readBuildFile, writeBuildFile } from '../file/buildFile';
import { measureColumn } from '../column/measure';
import { judgeColumn } from '../column/judge';
import { pathInWords, unitAt } from './changeInWords';
import { columnSchema } from './column';
import { blankColumn } from './columnStart';
import { describeProblems } from './problems';
import { asKind, blankBuild } from './starts';
import { differencesOf } from './variants';

const withColumn = (change: (column: ReturnType<typeof aColumn>) => void): string => {
  const build = blankBuild('Test');
  build.front.column = structuredClone(aColumn());
  change(build.front.column);
  return JSON.stringify(build);
};
const said = (text: string) => {
  const read = readBuildFile(text);
  return read.ok ? 'accepted' : describeProblems(read.problems, 5);
};

it('is read as it was written, and refused in a builder’s words', () => {
  expect(said(withColumn(() => undefined))).toBe('accepted');
  const build = { ...blankBuild('x') };
  build.front.column = aColumn();
  const read = readBuildFile(writeBuildFile(build));
  expect(read.ok && read.value.front.column).toEqual(aColumn());
  expect(said(withColumn((c) => c.shafts.pop()))).toMatch(
    /column\.shafts are 1 for 2 joints: one stands above each/u,
  );
  expect(said(withColumn((c) => void (c.joints[1] = aJoint(0, 0, 0))))).toMatch(
    /joints\[?\.?1\]?\.at is not asked: the last one lies on the pinion’s line/u,
  );
  expect(said(withColumn((c) => void delete c.joints[0].at))).toMatch(/at is missing/u);
  expect(said(withColumn((c) => void (c.pinion.tip = { ...c.pinion.foot })))).toMatch(
    /tip is where its foot is/u,
  );
  expect(said(withColumn((c) => void (c.pinion.reach = -90)))).toMatch(/lie past the rack/u);
  expect(
    said(
      withColumn((c) => {
        const bearing = { name: 'b', along: 10, kind: 'plain', collarAbove: false };
        c.supports.push({ ...bearing, id: 'b', shaft: 3, collarBelow: false } as never);
      }),
    ),
  ).toMatch(/shaft is 3: there are 2 shafts/u);
  expect(
    said(
      withColumn((c) => {
        c.joints = [1, 2, 3, 4].map((i) => aJoint(-500 + 50 * i, 300, 500)).concat(c.joints[1]);
        c.shafts = c.joints.map(() => ({ outside: 19 }));
      }),
    ),
  ).toMatch(/more than 4 universal joints/u);
});

it('is laid between what was typed, and says what is still to say', () => {
  const foot = { ahead: -120, left: 240, up: 230 };
  const tip = { ahead: -175, left: 250, up: 275 };
  const wheel = { ahead: -900, left: 320, up: 690 };
  expect(blankColumn({})).toEqual({
    ok: false,
    why: 'Still to say: the handwheel’s middle, ahead, left, up.',
  });
  expect(blankColumn({ wheel, foot, tip: { ahead: 1, up: 2 } })).toMatchObject({
    why: 'Still to say: the pinion’s tip, left.',
  });
  expect(blankColumn({ wheel, foot: tip, tip: foot })).toMatchObject({
    why: expect.stringContaining('the other way round'),
  });
  expect(blankColumn({ wheel: { ...tip, up: 320 }, foot, tip })).toMatchObject({
    why: expect.stringContaining('no room for a column'),
  });
  for (const joints of [1, 2, 3, 4]) {
    const laid = blankColumn({ wheel, foot, tip, joints });
    if (!laid.ok) throw new Error(laid.why);
    expect(columnSchema.safeParse(laid.column).success).toBe(true);
    expect(laid.column.joints).toHaveLength(joints);
    const measured = measureColumn(laid.column, undefined, 'front');
    expect(measured.ok && measured.joints.every(({ bend }) => bend < 75)).toBe(true);
  }
});

it('goes with an axle that keeps its rod, and differs by its own figures', () => {
  const { front } = blankBuild('x');
  const own = { ...front, column: aColumn() };
  expect(asKind(own, 'strut', 'front').column).toEqual(aColumn());
  expect(asKind(own, 'trailing-arm', 'front').column).toBeUndefined();
  const moved = {
    ...own,
    column: aColumn({ joints: [aJoint(-400, 300, 500), aColumn().joints[1]] }),
  };
  expect(differencesOf({ front: own }, { front: moved })).toEqual([
    { axle: 'front', path: ['column', 'joints', '0', 'at', 'ahead'], from: -430, to: -400 },
  ]);
  const words = (...path: string[]) => `${pathInWords(path, own)} ${unitAt(path)}`;
  expect(words('column', 'joints', '0', 'at', 'ahead')).toBe('column, joint 1, at, ahead mm');
  expect(words('column', 'shafts', '1', 'clock')).toBe('column, shaft 2, clock deg');
  expect(words('column', 'pinion', 'turn', 'min')).toBe('column, pinion, turn, min deg');
  expect(words('column', 'supports', '0', 'shaft')).toBe('column, bearing 1, shaft ');
  expect(words('column', 'adjust', 'up')).toBe('column, adjust, up deg');
  expect(words('column', 'wheel', 'centre', 'up')).toBe('column, wheel, centre, up mm');
  expect(words('static', 'toe')).toBe('toe deg');
});

it('is judged by its joints, its ripple, its room, its splines and what holds it', () => {
  const verdicts = (column: ReturnType<typeof aColumn>) =>
    Object.fromEntries(
      judgeColumn(column, undefined, 'front').map(({ verdict, of }) => [of, verdict]),
    );
  expect(verdicts(aColumn())).toEqual({
    'joint 1 20°': 'accept',
    'joint 2 2°': 'accept',
    'ripple 12.9 %': 'rework',
    '2 things missing or too much': 'look again',
  });
  const asked = { sharpest: 20, comfort: 10, ripple: 13, joints: 2, clear: 10 };
  expect(verdicts(aColumn({ wanted: asked }))).toMatchObject({
    'joint 1 20°': 'rework',
    'ripple 12.9 %': 'accept',
  });
  const bent = aColumn({ joints: [aJoint(-900, 320, 100), aColumn().joints[1]] });
  expect(judgeColumn(bent, undefined, 'front')).toEqual([
    { verdict: 'rework', of: expect.stringContaining('its forks meet') },
  ]);
});
