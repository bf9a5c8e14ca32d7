import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { prepareAxle } from '@/core/kinematics/axle';
import { blankBuild } from '@/core/model/starts';
import { startingBrief } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { readAt } from '@/core/motion/sweep';
import { useView } from '../../build/viewStore';
import { Steering } from './Steering';

// A test's document has no sizes.
jest.mock('react-use-measure', () => () => [() => undefined, { width: 500, height: 290 }]);

const show = (change: (build: Build) => void = () => undefined) => {
  const build = blankBuild('x');
  build.front.rack!.perTurn = 44;
  change(build);
  return { build, ...render(<Steering build={build} unit="mm" />) };
};
const cells = (what: string) =>
  within(screen.getByRole('rowheader', { name: what }).closest('tr')!)
    .getAllByRole('cell')
    .map((cell) => cell.textContent!.replace('−', '-'));

beforeEach(() => act(() => useView.getState().show({ travel: 0, rack: 0, compared: null })));

it('shows both wheels where the rack is, as they are read one by one', () => {
  const { build } = show();
  act(() => useView.getState().show({ rack: 40, travel: 15 }));
  const prepared = prepareAxle(build.front);
  if (!prepared.ok) throw new Error('not solved');
  for (const [i, side] of (['left', 'right'] as const).entries()) {
    const [at, straight] = [40, 0].map((rack) => readAt(prepared.axle[side], 15, rack));
    if (!at.ok || !straight.ok) throw new Error('not reached');
    const turned = (side === 'left' ? -1 : 1) * (at.value.toe - straight.value.toe);
    expect(parseFloat(cells('steer, + left')[i])).toBeCloseTo(turned, 2);
    expect(parseFloat(cells('camber')[i])).toBeCloseTo(at.value.camber, 2);
  }
  expect(cells('handwheel from straight')).toEqual(['0.91 turns']);
  expect(screen.getByRole('img', { name: /The car from above/ })).toBeInTheDocument();
});

it('says where the joint belongs, and plainly where it is on the other side', () => {
  show();
  expect(screen.getByText(/behind the kingpin: it belongs inboard/)).toBeInTheDocument();
  expect(screen.queryByRole('alert')).toBeNull();
  show((build) => void (build.front.points['tieRodOuter'].out += 60));
  expect(screen.getByRole('alert')).toHaveTextContent(
    /it belongs inboard of it; yours is .* outboard\./,
  );
  expect(
    screen.getByText(/At half rack the outer wheel turns more than the inner: −\d+ %/),
  ).toBeInTheDocument();
});

it('tells what the curve does where the rule says otherwise', () => {
  // A joint in its place, and a rack so far ahead of it that the rods turn the outer wheel more.
  show((build) => void (build.front.points['tieRodInner'].ahead = 10));
  expect(screen.getByText(/belongs inboard of it, and stands .* inboard\./)).toBeInTheDocument();
  expect(screen.getByRole('alert')).toHaveTextContent(
    /At half rack the outer wheel turns more than the inner: −\d+ %, though the arms are on their side/,
  );
});

it('says it of each side where the sides differ', () => {
  show((build) => {
    build.front.rightPoints = structuredClone(build.front.points);
    build.front.rightPoints['tieRodOuter'].out += 60;
  });
  expect(screen.getByRole('alert')).toHaveTextContent(/^✕ Right: the outer joint/);
  expect(screen.getByText(/^Left: the outer joint/)).toBeInTheDocument();
  for (const way of ['left', 'right'])
    expect(
      screen.getByText(new RegExp(`^(✕ )?At half rack, the rack to the ${way},`, 'u')),
    ).toBeInTheDocument();
});

it('gives the collars for the brief’s lock, and says where the rack ends before it', () => {
  const rowOf = (turn: string): string =>
    screen.getByRole('rowheader', { name: turn }).closest('tr')!.textContent;
  const lockOf24 = (build: Build) => {
    build.brief = startingBrief('road');
    build.brief.targets.lock = 24;
  };
  const { unmount } = show(lockOf24);
  for (const turn of ['left', 'right']) {
    expect(rowOf(turn)).toMatch(/\d+(\.\d)? mm, on its (left|right) side/);
    expect(rowOf(turn)).toContain('24.0°');
  }
  unmount();
  show((build) => {
    lockOf24(build);
    build.front.rack!.travel = 20;
  });
  expect(rowOf('left')).toMatch(/none: it ends before 24°/);
});

it('draws what is picked, and needs the rack’s mm a turn for a ratio', async () => {
  const user = userEvent.setup();
  show((build) => void delete build.front.rack!.perTurn);
  await user.click(screen.getByRole('combobox', { name: 'Steering curve shown' }));
  await user.click(screen.getByRole('option', { name: 'ratio' }));
  expect(screen.getByText(/needs what the rack moves in a turn/)).toBeInTheDocument();
  expect(cells('ratio here')).toEqual(['mm a turn?']);
});

it.each([
  ['are not steered', (build: Build) => void delete build.front.rack],
  [
    'cannot be solved',
    (build: Build) =>
      void (build.front.points['lowerOuter'] = { ...build.front.points['upperOuter'] }),
  ],
] satisfies [string, (build: Build) => void][])(
  'says in a sentence that the wheels %s',
  (words, change) => {
    show(change);
    expect(screen.getByRole('alert')).toHaveTextContent(words);
  },
);

it('says that a travel is out of reach', () => {
  show((build) => void (build.travel.bump = 480));
  act(() => useView.getState().show({ travel: 480 }));
  expect(screen.getByRole('alert')).toHaveTextContent(/With the rack centred, left: /);
});

it('says of a strut on links, which has no kingpin, that there is nothing to draw or to tell', () => {
  const build = blankBuild('x', 'strut-links');
  render(<Steering build={build} unit="mm" />);
  expect(screen.getByText(/^Nothing to draw/)).toBeInTheDocument();
  expect(screen.getByText(/no kingpin to be on a side of/)).toBeInTheDocument();
  expect(cells('Ackermann')).toEqual(['–']);
});
