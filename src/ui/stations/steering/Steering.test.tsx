import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { prepareAxle } from '@/core/kinematics/axle';
import { blankBuild } from '@/core/model/starts';
import { startingBrief } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { readAt } from '@/core/motion/sweep';
import { useView } from '../../build/viewStore';
import { findAckermann } from '@/core/ackermann/findAckermann';
import { finish } from '@/core/find/finish';
import { wheelOf } from '@/core/kinematics/wheel';
import type { AckermannWanted } from '@/core/model/ackermannWanted';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import { lockLimits } from '@/core/steering/lockLimits';
import { lockToLock } from '@/core/steering/lockToLock';
import { Steering } from './Steering';

// A test's document has no sizes, no workers and no server.
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => mockWorker }));
jest.mock('@/server/actions', () => ({ shelf: () => Promise.resolve(mockShelf) }));
jest.mock('react-use-measure', () => () => [() => undefined, { width: 500, height: 290 }]);

const show = (change: (build: Build) => void = () => undefined) => {
  const build = blankBuild('x');
  build.front.rack!.perTurn = 44;
  change(build);
  const onEdit = jest.fn();
  return { build, onEdit, ...render(<Steering build={build} unit="mm" onEdit={onEdit} />) };
};
const open = (part: string) =>
  userEvent.click(
    within(screen.getByRole('group', { name: 'What of the steering' })).getByText(part),
  );
const cells = (what: string) =>
  within(screen.getByRole('rowheader', { name: what }).closest('tr')!)
    .getAllByRole('cell')
    .map((cell) => cell.textContent!.replace('−', '-'));

const mockWorker = {
  lockLimits: (build: Build) =>
    Promise.resolve(
      lockLimits(build, {
        left: wheelOf(build, 'front', 'left'),
        right: wheelOf(build, 'front', 'right'),
      }),
    ),
  ackermann: (build: Build, wanted: AckermannWanted) =>
    Promise.resolve(finish(findAckermann(build, wanted))),
};
const mockShelf = {
  ok: true,
  value: STARTER_SHELF.map((part, id) => ({ id, part, name: part.name, kind: part.kind })),
};

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

it('says where the joint belongs, and plainly where it is on the other side', async () => {
  const { unmount } = show();
  await open('arms & string');
  expect(screen.getByText(/behind the kingpin: it belongs inboard/)).toBeInTheDocument();
  expect(screen.queryByRole('alert')).toBeNull();
  unmount();
  show((build) => void (build.front.points['tieRodOuter'].out += 60));
  await open('arms & string');
  expect(screen.getByRole('alert')).toHaveTextContent(
    /it belongs inboard of it; yours is .* outboard\./,
  );
  expect(
    screen.getByText(/At half rack the outer wheel turns more than the inner: −\d+ %/),
  ).toBeInTheDocument();
});

it('tells what the curve does where the rule says otherwise', async () => {
  // A joint in its place, and a rack so far ahead of it that the rods turn the outer wheel more.
  show((build) => void (build.front.points['tieRodInner'].ahead = 10));
  await open('arms & string');
  expect(screen.getByText(/belongs inboard of it, and stands .* inboard\./)).toBeInTheDocument();
  expect(screen.getByRole('alert')).toHaveTextContent(
    /At half rack the outer wheel turns more than the inner: −\d+ %, though the arms are on their side/,
  );
});

it('says it of each side where the sides differ', async () => {
  show((build) => {
    build.front.rightPoints = structuredClone(build.front.points);
    build.front.rightPoints['tieRodOuter'].out += 60;
  });
  await open('arms & string');
  expect(screen.getByRole('alert')).toHaveTextContent(/^✕ Right: the outer joint/);
  expect(screen.getByText(/^Left: the outer joint/)).toBeInTheDocument();
  for (const way of ['left', 'right'])
    expect(
      screen.getByText(new RegExp(`^(✕ )?At half rack, the rack to the ${way},`, 'u')),
    ).toBeInTheDocument();
});

it('gives the collars for the brief’s lock, and says where the rack ends before it', async () => {
  const rowOf = (turn: string): string =>
    within(screen.getByRole('table', { name: 'Stops' }))
      .getByRole('rowheader', { name: turn })
      .closest('tr')!.textContent;
  const lockOf24 = (build: Build) => {
    build.brief = startingBrief({ use: 'road' });
    build.brief.targets.lock = 24;
  };
  const { unmount } = show(lockOf24);
  await open('lock & stops');
  for (const turn of ['left', 'right']) {
    expect(rowOf(turn)).toMatch(/\d+(\.\d)? mm, on its (left|right) side/);
    expect(rowOf(turn)).toContain('24.0°');
  }
  unmount();
  show((build) => {
    lockOf24(build);
    build.front.rack!.travel = 20;
  });
  await open('lock & stops');
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
  ['nothing to steer by', (build: Build) => void delete build.front.rack],
  [
    'cannot be solved',
    (build: Build) =>
      void (build.front.points['lowerOuter'] = { ...build.front.points['upperOuter'] }),
  ],
] satisfies [string, (build: Build) => void][])(
  'says in a sentence what keeps the wheels from being steered: %s',
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

it('says of a strut on links, which has no kingpin, that there is nothing to draw or to tell', async () => {
  const build = blankBuild('x', 'strut-links');
  render(<Steering build={build} unit="mm" onEdit={jest.fn()} />);
  expect(screen.getByText(/^Nothing to draw/)).toBeInTheDocument();
  expect(cells('Ackermann')).toEqual(['–']);
  await open('arms & string');
  expect(screen.getByText(/no kingpin to be on a side of/)).toBeInTheDocument();
});

/** What the build comes to by the last change asked for. */
const edited = ({ build, onEdit }: ReturnType<typeof show>): Build => {
  const draft = structuredClone(build);
  (onEdit.mock.lastCall as [(draft: Build) => void])[0](draft);
  return draft;
};

it('says loudly that the wheels go the wrong way, and mends it', async () => {
  const user = userEvent.setup();
  // The rack behind with its arms behind: the rack to the left turns the wheels right.
  const shown = show((build) => void (build.front.rack!.pinionAt = 'below'));
  await open('rack');
  expect(await screen.findByRole('alert')).toHaveTextContent(
    'Turn the handwheel left: the wheels go right.',
  );
  await user.click(screen.getByRole('button', { name: 'Take: rack turned over' }));
  expect(edited(shown).front.rack!.pinionAt).toBe('above');
  shown.unmount();
  show((build) => void (build.front.rack!.pinionAt = 'above'));
  await open('rack');
  expect(
    await screen.findByText(/Turn the handwheel left: the wheels go left/),
  ).toBeInTheDocument();
  expect(screen.queryByRole('alert')).toBeNull();
});

it('finds Ackermann, draws its front and takes an answer that measures as it says', async () => {
  const user = userEvent.setup();
  const shown = show((build) => {
    build.brief = startingBrief({ use: 'road' });
    build.brief.targets.lock = 25;
    build.asked = { ackermann: { small: 70, full: 70, arm: 30, ahead: 20, height: 0, spacing: 0 } };
  });
  await open('find Ackermann');
  await user.click(screen.getByRole('button', { name: 'Find Ackermann' }));
  const [look] = await screen.findAllByRole('button', { name: /^Look: answer/ });
  await user.click(look);
  expect(screen.getByText(/Looked at: dashed/)).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Take: answer 1' }));
  const { front } = edited(shown);
  expect(front.points['tieRodOuter']).not.toEqual(shown.build.front.points['tieRodOuter']);
  expect(front.points['lowerOuter']).toEqual(shown.build.front.points['lowerOuter']);
  const prepared = prepareAxle(front);
  if (!prepared.ok) throw new Error('not solved');
  const told = /Ackermann (−?\d+) % at half lock/.exec(
    screen.getByRole('button', { name: 'Take: answer 1' }).closest('[data-found]')!.textContent!,
  )!;
  // Somewhere about half of the rack's way the percent is what it says.
  const over = lockToLock(
    prepared.axle,
    shown.build.wheelbase,
    0,
    Float64Array.from({ length: 80 }, (_, i) => 5 + i * 0.7),
  )!;
  const near = [...over.percent].filter((one, i) => over.reachable[i] && Number.isFinite(one));
  expect(Math.min(...near) - 1).toBeLessThan(Number(told[1].replace('−', '-')));
  expect(Math.max(...near) + 1).toBeGreaterThan(Number(told[1].replace('−', '-')));
});

it('moves the rack for a look, before beside after, and takes it', async () => {
  const user = userEvent.setup();
  const shown = show(
    (build) =>
      void (build.asked = { rackMove: { ahead: -12, up: 0, out: 0, mark: 150, offset: 25 } }),
  );
  await open('rack');
  const table = within(await screen.findByRole('table', { name: 'The rack before and after' }));
  expect(table.getByRole('columnheader', { name: 'moved' })).toBeInTheDocument();
  await user.click(screen.getByRole('button', { name: 'Take: rack moved' }));
  const taken = edited(shown);
  expect(taken.front.points['tieRodInner'].ahead).toBe(
    shown.build.front.points['tieRodInner'].ahead - 12,
  );
  expect(taken.asked!.rackMove!.ahead).toBe(0);
  expect(await screen.findByText('Quick centre rack')).toBeInTheDocument();
});

it('sets the lock wanted in the station, and says what ends the lock first', async () => {
  const user = userEvent.setup();
  const shown = show();
  await open('lock & stops');
  const field = screen.getByLabelText('lock wanted, inner wheel');
  await user.clear(field);
  await user.type(field, '28');
  expect(edited(shown).brief!.targets.lock).toBe(28);
  const first = await screen.findByText(/^To the left:/, undefined, { timeout: 20_000 });
  expect(first).toHaveTextContent(/of the inner wheel and .* of the outer/);
});

it('lays out the string, and tells ratio and effort', async () => {
  const { build } = show();
  await open('arms & string');
  const sheet = within(screen.getByRole('table', { name: 'String sheet' }));
  const up = sheet.getByRole('rowheader', { name: /above the ground/ }).closest('tr')!;
  expect(up).toHaveTextContent(`${build.front.points['tieRodOuter'].up} mm`);
  await open('ratio & effort');
  expect(screen.getByText(/to 1 takes a rack of/)).toBeInTheDocument();
  const effort = within(screen.getByRole('table', { name: 'Effort at the handwheel' }));
  expect(effort.getByRole('rowheader', { name: /standing/ }).closest('tr')).toHaveTextContent(
    'N·m',
  );
});

it('draws curves against the handwheel where the rack’s mm a turn are known', async () => {
  show();
  const along = within(screen.getByRole('group', { name: 'Curve against' }));
  await userEvent.click(along.getByText('handwheel'));
  expect(along.getByRole('button', { name: 'handwheel' })).toHaveAttribute('aria-pressed', 'true');
});
