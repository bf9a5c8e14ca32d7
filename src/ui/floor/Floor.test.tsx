import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useMemo, useState } from 'react';
import type { KeepOut } from '@/core/model/room';
import { blankBuild } from '@/core/model/starts';
import type { Point, PointName } from '@/core/model/points';
import { useCorner } from '../build/useCorner';
import { Floor } from './Floor';
import { AS_LAID } from './strings';
import type { Strings } from './strings';
import type { Side } from '@/core/model/build';
import { wheelIn } from '@/test/layouts';

// The floor is 900 px wide here: a test's document has no sizes.
jest.mock('react-use-measure', () => () => [() => undefined, { width: 900, height: 320 }]);
jest.mock('./Space', () => ({ Space: () => <p>in space</p> }));

const user = userEvent.setup({ delay: null });
const moved = jest.fn((_name: PointName, _to: Point, _step: string) => undefined);
const STRAIGHT = { travel: 0, rack: 0 };

const pipe: KeepOut = {
  kind: 'cylinder',
  id: 'p',
  name: 'exhaust',
  axle: 'front',
  from: { ahead: -300, out: 200, up: 120 },
  to: { ahead: 300, out: 200, up: 120 },
  diameter: 50,
};

function Held({
  change,
  ...props
}: { change: ReturnType<typeof design>; position?: typeof STRAIGHT; side?: Side } & Partial<
  Parameters<typeof Floor>[0]
>) {
  const [selected, setSelected] = useState<PointName | null>(null);
  const [strings, setStrings] = useState<Strings>(AS_LAID);
  const side = props.side ?? 'left';
  const wheel = useMemo(() => wheelIn(change, side), [change, side]);
  const corner = useCorner(wheel, props.position ?? STRAIGHT);
  return (
    <Floor
      wheel={wheel}
      drawn={corner.drawn}
      proposed={null}
      compared={null}
      ghosts={corner.ghosts}
      atRest
      trouble=""
      values={corner.reading.ok ? corner.reading.value : null}
      unit="mm"
      selected={selected}
      strings={strings}
      keepOuts={[]}
      dimensions={false}
      states={{}}
      nulls={null}
      shaft={null}
      onStrings={setStrings}
      onSelect={setSelected}
      onMove={moved}
      {...props}
    />
  );
}
const design = (change?: (front: ReturnType<typeof blankBuild>['front']) => void) => {
  const { front } = blankBuild('x');
  change?.(front);
  return front;
};
const show = (props: Partial<Parameters<typeof Held>[0]> = {}) => {
  moved.mockClear();
  return render(<Held change={design()} {...props} />);
};
const view = (name: string) => document.querySelector(`[data-view="${name}"]`) as SVGElement;
const joint = (where: string, name: PointName) =>
  view(where).querySelector(`[data-joint="${name}"]`) as SVGElement;
const circle = (where: string, name: PointName) => {
  const ring = joint(where, name).querySelectorAll('circle')[1];
  return [Number(ring.getAttribute('cx')), Number(ring.getAttribute('cy'))];
};
/** Drags a joint by pixels, right and down. */
const drag = (where: string, name: PointName, right: number, down: number) => {
  const ring = joint(where, name);
  const at = (x: number, y: number, buttons: number) => ({
    clientX: 200 + x,
    clientY: 200 + y,
    buttons,
    pointerId: 1,
  });
  fireEvent.pointerDown(ring, at(0, 0, 1));
  fireEvent.pointerMove(ring, at(right / 2, down / 2, 1));
  fireEvent.pointerMove(ring, at(right, down, 1));
  fireEvent.pointerUp(ring, at(right, down, 0));
};
const tap = (where: string, name: PointName) => {
  const ring = joint(where, name);
  const at = { clientX: 10, clientY: 10, pointerId: 1 };
  fireEvent.pointerDown(ring, { ...at, buttons: 1 });
  fireEvent.pointerUp(ring, { ...at, buttons: 0 });
};
const lay = async (words: string) => {
  await user.click(screen.getByRole('button', { name: 'Strings' }));
  await user.click(screen.getByRole('menuitemcheckbox', { name: words }));
  await user.keyboard('{Escape}');
};

it('shows the same joint in every view, and selects it in all of them', () => {
  show();
  expect(screen.getAllByRole('img').map((one) => one.getAttribute('aria-label'))).toEqual([
    'From the front, to scale',
    'From the left side, to scale',
    'From above, to scale',
  ]);
  tap('side', 'upperOuter');
  for (const name of ['front', 'side', 'above'])
    expect(
      within(view(name) as unknown as HTMLElement).getAllByText('upper ball joint'),
    ).toHaveLength(2);
});

it('stands the right side up as the left’s mirror image', () => {
  const { unmount } = show();
  const left = circle('front', 'lowerOuter');
  const wheel = circle('front', 'wheelCentre');
  unmount();
  show({ side: 'right' });
  expect(screen.getByRole('img', { name: /right side/ })).toBeVisible();
  const right = circle('front', 'lowerOuter');
  const mirrored = circle('front', 'wheelCentre');
  expect(right[0] - mirrored[0]).toBeCloseTo(wheel[0] - left[0], 6);
  expect(right[1]).toBeCloseTo(left[1], 6);
});

describe('dragging a joint', () => {
  it('moves what its view shows, in mm of the drawing’s scale, as one step', () => {
    show();
    const [x, y] = circle('front', 'upperFrontInner');
    const [, low] = circle('front', 'lowerFrontInner');
    const { points } = design();
    const scale = (low - y) / (points['upperFrontInner'].up - points['lowerFrontInner'].up);
    expect(x).toBeGreaterThan(0);
    drag('front', 'upperFrontInner', 20, -10);
    const [name, to, step] = moved.mock.lastCall!;
    expect(name).toBe('upperFrontInner');
    expect(to.out - points['upperFrontInner'].out).toBeCloseTo(20 / scale, 0);
    expect(to.up - points['upperFrontInner'].up).toBeCloseTo(10 / scale, 0);
    expect(to.ahead).toBe(points['upperFrontInner'].ahead);
    expect(new Set(moved.mock.calls.map(([, , each]) => each))).toEqual(new Set([step]));
  });

  it('goes only where freedoms let it: fixed ways not at all, holes from one to the next', () => {
    const { up } = design().points['tieRodInner'];
    show({
      change: design((front) => {
        front.freedoms = {
          tieRodInner: {
            out: { kind: 'fixed' },
            up: { kind: 'choices', at: [up, up + 25, up + 50] },
          },
        };
      }),
    });
    drag('front', 'tieRodInner', 30, -12);
    const [, to] = moved.mock.lastCall!;
    expect(to.out).toBe(design().points['tieRodInner'].out);
    expect([up, up + 25, up + 50]).toContain(to.up);
    tap('front', 'tieRodInner');
    expect(view('front').querySelectorAll('[data-mark="choices"] circle')).toHaveLength(3);
    expect(view('above').querySelector('[data-mark="fixed"]')).not.toBeNull();
    expect(view('side').querySelector('[data-mark="fixed"]')).toBeNull();
  });
});

it('measures between joints, and from a joint square to a tube', async () => {
  show();
  await user.click(screen.getByRole('button', { name: 'Measure' }));
  expect(screen.getByRole('status')).toHaveTextContent(/^Click two joints/);
  tap('front', 'lowerOuter');
  tap('above', 'upperOuter');
  const { lowerOuter: l, upperOuter: u } = design().points;
  const apart = Math.hypot(u.ahead - l.ahead, u.out - l.out, u.up - l.up);
  expect(screen.getByRole('status')).toHaveTextContent(
    `lower ball joint to upper ball joint: ${Math.round(apart * 10) / 10} mm`,
  );
  expect(view('side').querySelector('[data-part="measured"]')).not.toBeNull();
  tap('front', 'tieRodOuter');
  fireEvent.click(view('front').querySelector('[data-line="kingpin axis"]')!);
  expect(screen.getByRole('status')).toHaveTextContent(
    /tie rod outer joint to the kingpin axis, square to it/,
  );
  await user.click(screen.getByRole('button', { name: 'Measure' }));
  expect(screen.queryByRole('status')).toBeNull();
  expect(view('front').querySelector('[data-line]')).toBeNull();
});

it('lays strings and takes them up', async () => {
  show();
  expect(view('front').querySelector('[data-part="instant"]')).toBeNull();
  await lay('instant centre and roll centre');
  expect(view('front').querySelector('[data-part="instant"]')).not.toBeNull();
  expect(screen.getByText('roll centre')).toBeInTheDocument();
  await lay('full bump and droop');
  expect(view('side').querySelectorAll('[data-part="ghost"]')).toHaveLength(2);
  await lay('lengths of arms and rod');
  expect(view('front').querySelectorAll('[data-label="length"]').length).toBeGreaterThan(4);
  await lay('lengths of arms and rod');
  expect(view('front').querySelector('[data-label="length"]')).toBeNull();
});

it('comes closer about the pointer, and goes back to the whole', async () => {
  show();
  const before = circle('front', 'lowerOuter');
  const other = circle('side', 'lowerOuter');
  fireEvent.wheel(view('front'), { deltaY: -500, clientX: before[0], clientY: before[1] });
  const after = circle('front', 'lowerOuter');
  expect(after[0]).toBeCloseTo(before[0], 3);
  expect(circle('side', 'lowerOuter')).toEqual(other);
  expect(circle('front', 'upperOuter')[1]).toBeLessThan(circle('side', 'upperOuter')[1]);
  await user.click(screen.getByRole('button', { name: 'Fit' }));
  expect(circle('front', 'lowerOuter')).toEqual(before);
  expect(screen.queryByRole('button', { name: 'Fit' })).toBeNull();
});

it('draws bodies to keep clear of, a half-shaft, and joints past their limits by shape', () => {
  show({
    keepOuts: [pipe],
    shaft: [
      [0, 120, 260],
      [0, 640, 290],
    ],
    states: {
      upperOuter: { state: 'out', why: 'articulates 27.0°' },
      lowerOuter: { state: 'near', why: 'articulates 22.0°' },
    },
  });
  for (const name of ['front', 'side', 'above']) {
    expect(view(name).querySelector('[data-keepout="exhaust"]')).not.toBeNull();
    expect(view(name).querySelector('[data-part="half-shaft"]')).not.toBeNull();
  }
  expect(joint('front', 'upperOuter')).toHaveTextContent('upper ball joint articulates 27.0°');
  const shape = (name: PointName) => joint('front', name).querySelector('path')?.getAttribute('d');
  expect(shape('upperOuter')).not.toBe(shape('lowerOuter'));
  expect(shape('tieRodOuter')).toBeUndefined();
  tap('front', 'upperOuter');
  expect(
    within(view('front') as unknown as HTMLElement).getAllByText('articulates 27.0°'),
  ).toHaveLength(1);
});

it('says what is out of reach', () => {
  show({ trouble: 'The tie rod is too short past 45 mm droop' });
  expect(screen.getByRole('alert')).toHaveTextContent('The tie rod is too short past 45 mm droop');
});

it('shows the corner in space beside the front view when asked', async () => {
  show();
  expect(screen.queryByText('in space')).toBeNull();
  await user.click(screen.getByRole('button', { name: '3D' }));
  expect(await screen.findByText('in space')).toBeVisible();
  expect(view('front')).not.toBeNull();
  expect(view('side')).toBeNull();
});
