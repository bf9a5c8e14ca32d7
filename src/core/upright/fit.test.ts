import { staticQuantities } from './staticQuantities';
import { fitRack, fitTyre, putRackBody } from './fit';
import { PART_KINDS, partSchema } from '../model/parts';
import type { RackPart, TyrePart } from '../model/parts';
import { STARTER_SHELF } from '../model/starterShelf';
import { blankBuild } from '../model/starts';

const parts = <K extends string>(kind: K) => STARTER_SHELF.filter((part) => part.kind === kind);

describe('the shelf to start with', () => {
  it('holds parts of every kind, each whole and with a name of its own', () => {
    for (const part of STARTER_SHELF) expect(partSchema.parse(part)).toEqual(part);
    expect(new Set(STARTER_SHELF.map(({ name }) => name)).size).toBe(STARTER_SHELF.length);
    expect(new Set(STARTER_SHELF.map(({ kind }) => kind)).size).toBe(PART_KINDS.length);
  });

  it('refuses a part that no shop would have, in words', () => {
    const rodEnd = parts('rodEnd')[0];
    const why = (change: object) =>
      partSchema.safeParse({ ...rodEnd, ...change }).error?.issues[0].message;
    expect(why({ bore: 0 })).toBe('is 0: at least 2 mm');
    expect(why({ misalignment: 95 })).toBe('is 95: at most 90 °');
    expect(why({ hand: 'up' })).toMatch(/left.*right/);
    expect(why({ colour: 'red' })).toBeDefined();
  });
});

describe('a tyre from the shelf', () => {
  it('brings its size, and wheel and upright come to stand on it', () => {
    const { front } = blankBuild('test');
    const tyre = parts('tyre')[0] as TyrePart;
    const before = structuredClone(front.points);
    const contactUp = () => staticQuantities(front, 'left').contactUp;
    const stood = contactUp();
    const raised = tyre.radius - front.tyre.radius;
    fitTyre(front, tyre);
    expect(front.tyre).toEqual({ radius: tyre.radius, width: tyre.width, code: tyre.code });
    expect(contactUp()).toBeCloseTo(stood, 2);
    expect(front.points['lowerOuter'].up - before['lowerOuter'].up).toBeCloseTo(raised, 2);
    expect(front.points['lowerFrontInner']).toEqual(before['lowerFrontInner']);
  });

  it('brings the rim’s diameter where its code says one, and no code where it has none', () => {
    const { front } = blankBuild('test');
    front.rim = { width: 178, diameter: 330, offset: 20 };
    const tyre = parts('tyre').find((part) => (part as TyrePart).code.includes('R')) as TyrePart;
    fitTyre(front, tyre);
    expect(front.rim.diameter).toBeCloseTo(25.4 * Number(tyre.code.split('R')[1]), 6);
    fitTyre(front, { ...tyre, code: '' });
    expect(front.tyre).not.toHaveProperty('code');
  });
});

it('puts a rack’s inner joints as far apart as they are on it, on both sides', () => {
  const { front } = blankBuild('test');
  front.rightPoints = structuredClone(front.points);
  const rack = parts('rack')[0] as RackPart;
  fitRack(front, rack);
  expect(front.rack!.travel).toBe(rack.travel);
  expect(front.rack!.perTurn).toBe(rack.perTurn);
  for (const points of [front.points, front.rightPoints])
    expect(points['tieRodInner'].out).toBe(rack.between / 2);
});

it('puts the rack’s body where its axis is, and once', () => {
  const build = blankBuild('x');
  build.front.rack = { travel: 60, rise: 4, sweep: 0 };
  putRackBody(build, 'front');
  putRackBody(build, 'front');
  const [body, ...more] = build.room!.keepOuts;
  expect(more).toEqual([]);
  const { out, up, ahead } = build.front.points['tieRodInner'];
  expect(body).toMatchObject({ kind: 'cylinder', axle: 'front', to: { out: out - 25, ahead } });
  if (body.kind !== 'cylinder') throw new Error('round');
  // It falls towards the middle as the axis does, 4° from level.
  expect(body.from.up).toBeCloseTo(up - out * Math.tan((4 * Math.PI) / 180), 1);
});
