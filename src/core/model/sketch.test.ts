import { produce } from 'immer';
import { CORNER_TYPES, typeOf } from '../corners/kinds';
import { setTrack } from '../upright/place';
import { buildSchema } from './build';
import type { Build } from './build';
import {
  CAR_FIGURES,
  figuresOf,
  isOfSketch,
  isSketched,
  say,
  sayPoint,
  unsay,
  settleSketch,
  sketchInWords,
  sketchedPoints,
  takeTemplate,
} from './sketch';
import { asKind, blankBuild, newBuild, newRear } from './starts';
import { copyVariant, openVariant } from './variants';

const edited = (change: (build: Build) => void, from = newBuild({ name: 'x', front: 'strut' })) =>
  produce(from, (draft) => {
    change(draft as Build);
    settleSketch(from, draft as Build);
  });

describe('a sketch', () => {
  it.each(CORNER_TYPES.map(({ kind }) => kind))(
    'stands in for every figure of a new build of %s, which is a file like others',
    (kind) => {
      const build = newBuild({ name: 'x', front: kind, rear: kind });
      expect(buildSchema.safeParse(build).success).toBe(true);
      // Where no wheel goes up and down there is no travel to say.
      expect(build.sketch).toEqual(typeOf({ kind }).noTravel ? ['wheelbase'] : [...CAR_FIGURES]);
      for (const design of [build.front, build.rear!]) {
        expect(design.sketch).toEqual(figuresOf(design));
        expect(isSketched(design, 'rack.travel')).toBe(design.rack !== undefined);
        expect(sketchedPoints(design)).toEqual(Object.keys(design.points));
      }
      // Nothing else sets it apart from one that was always somebody's.
      const { sketch: _, ...front } = build.front;
      expect(front).toEqual(blankBuild('x', kind, kind).front);
    },
  );

  it('ends coordinate by coordinate as they are changed', () => {
    const build = edited((b) => void (b.front.points['strutTop'].up = 801));
    expect(isSketched(build.front, 'strutTop.up')).toBe(false);
    expect(isSketched(build.front, 'strutTop.out')).toBe(true);
    expect(sketchedPoints(build.front)).toContain('strutTop');
    const whole = edited((b) => {
      b.front.points['strutTop'].ahead -= 3;
      b.front.points['strutTop'].out += 4;
    }, build);
    expect(sketchedPoints(whole.front)).not.toContain('strutTop');
  });

  it('ends where somebody says what stood there', () => {
    const build = edited((b) => {
      say(b, 'wheelbase');
      say(b.front, 'lowerOuter.up', 'lowerOuter.out', 'lowerOuter.ahead', 'tyre.radius');
    });
    expect(build.sketch).toEqual(['travel.bump', 'travel.droop']);
    expect(sketchedPoints(build.front)).not.toContain('lowerOuter');
    expect(isSketched(build.front, 'tyre.radius')).toBe(false);
    expect(isSketched(build.front, 'tyre.width')).toBe(true);
  });

  it('comes back where what was typed over it is taken back', () => {
    const start = newBuild({ name: 'x', front: 'strut' });
    const typed = edited((b) => {
      b.front.points['lowerOuter'].up = 17;
      b.wheelbase = 2;
    }, start);
    expect(isSketched(typed.front, 'lowerOuter.up')).toBe(false);
    const back = edited((b) => {
      b.front.points['lowerOuter'].up = start.front.points['lowerOuter'].up;
      unsay(b.front, 'lowerOuter.up');
      b.wheelbase = start.wheelbase;
      unsay(b, 'wheelbase');
    }, typed);
    expect(new Set(back.front.sketch)).toEqual(new Set(start.front.sketch));
    expect(new Set(back.sketch)).toEqual(new Set(start.sketch));
    expect(back.front.points).toEqual(start.front.points);
  });

  it('stays where the whole corner is moved, and where another variant is opened', () => {
    const start = newBuild({ name: 'x', front: 'double-wishbone' });
    const wider = edited((b) => setTrack(b.front, 1500), start);
    expect(wider.front.points).not.toEqual(start.front.points);
    expect(sketchedPoints(wider.front)).toEqual(sketchedPoints(start.front));
    const two = edited((b) => {
      copyVariant(b, 'b', 'B');
      b.front.points['lowerOuter'].up += 5;
    }, wider);
    const back = edited((b) => void openVariant(b, 'first'), two);
    expect(back.front.sketch).toEqual(wider.front.sketch);
  });

  it('is a template once it is taken for one, until its figures are changed', () => {
    const build = edited((b) => takeTemplate(b, b.front));
    expect(build.front.sketch).toBeUndefined();
    expect(build.template).toEqual([...CAR_FIGURES]);
    expect(build.front.template).toHaveLength(figuresOf(build.front).length);
    expect(sketchInWords(build, build.front)).toBe('');
    const next = edited((b) => void (b.front.static.toe = 0.2), build);
    expect(next.front.template).not.toContain('static.toe');
    expect(next.front.template).toContain('static.camber');
  });

  it('comes back for joints that another kind stands in for', () => {
    const mine = blankBuild('x').front;
    const strut = asKind(mine, 'strut', 'front');
    expect(sketchedPoints(strut)).toEqual(
      Object.keys(strut.points).filter((name) => !(name in mine.points)),
    );
    expect(buildSchema.safeParse({ ...blankBuild('x'), front: strut }).success).toBe(true);
  });

  it('counts joints in words', () => {
    const build = blankBuild('x');
    build.front.sketch = ['lowerOuter.up'];
    const words = () => sketchInWords(build, build.front);
    expect(words()).toBe('sketch: 1 joint to set');
    build.front.sketch.push('upperOuter.up', 'upperOuter.out');
    expect(words()).toBe('sketch: 2 joints to set');
  });

  it('tells of figures of the brief once the joints are set, of those that verdicts rest on', () => {
    const build = newBuild({ name: 'x', front: 'double-wishbone' });
    for (const name of Object.keys(build.front.points)) sayPoint(build.front, name);
    const words = () => sketchInWords(build, build.front);
    expect(words()).toBe('sketch: 5 figures of the brief to set');
    expect(isOfSketch(build, build.front)).toBe(true);
    say(build, ...CAR_FIGURES);
    say(build.front, 'tyre.radius');
    expect(words()).toBe('sketch: 1 figure of the brief to set');
    say(build.front, 'rack.travel');
    // Toe, camber and the tyre’s width turn no verdict.
    expect(build.front.sketch).toEqual(['tyre.width', 'static.toe', 'static.camber']);
    expect(isOfSketch(build, build.front)).toBe(false);
    expect(words()).toBe('');
  });

  it('of a rear axle takes over the tyres that the front says', () => {
    const build = blankBuild('x');
    expect(newRear(build).sketch).not.toContain('tyre.radius');
    expect(newRear(newBuild({ name: 'x', front: 'strut' })).sketch).toContain('tyre.radius');
  });
});
