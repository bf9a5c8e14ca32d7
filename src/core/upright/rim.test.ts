import { buildSchema } from '../model/build';
import { isSketched } from '../model/sketch';
import { blankBuild, newBuild } from '../model/starts';
import { rimClearances, rimPath, sayRim, unsayRim } from './rim';

const rimOf = (said: Parameters<typeof sayRim>[1][], of = blankBuild('x')) => {
  for (const part of said)
    sayRim(of.front, part, { diameter: 381, width: 178, offset: 35 }[part], 'track');
  return of;
};
const sketched = ({ front }: ReturnType<typeof rimOf>) =>
  (['diameter', 'width', 'offset'] as const).filter((part) => isSketched(front, rimPath(part)));

describe('a rim', () => {
  it('of which a part is said is a sketch in its other parts, and nothing is held against it', () => {
    const build = rimOf(['width']);
    expect(build.front.rim!.width).toBe(178);
    expect(sketched(build)).toEqual(['diameter', 'offset']);
    expect(rimClearances(build.front, build.front.points)).toEqual([]);
    expect(buildSchema.safeParse(build).success).toBe(true);
    const whole = rimOf(['diameter', 'offset'], build);
    expect(sketched(whole)).toEqual([]);
    expect(rimClearances(whole.front, whole.front.points).length).toBeGreaterThan(0);
  });

  it('takes its diameter from the tyre’s code', () => {
    const build = blankBuild('x');
    build.front.tyre.code = '185/60R14';
    expect(sketched(rimOf(['offset'], build))).toEqual(['width']);
    expect(build.front.rim!.diameter).toBeCloseTo(14 * 25.4, 9);
  });

  it('goes with the last part that is taken back, and leaves what else is a sketch', () => {
    const build = rimOf(['width', 'offset'], newBuild({ name: 'x', front: 'strut' }));
    const before = newBuild({ name: 'x', front: 'strut' }).front.sketch;
    unsayRim(build.front, 'width');
    expect(build.front.rim).toBeDefined();
    unsayRim(build.front, 'offset');
    expect(build.front.rim).toBeUndefined();
    expect(build.front.sketch).toEqual(before);
    unsayRim(build.front, 'offset');
    expect(build.front.rim).toBeUndefined();
  });
});
