import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { findAckermann } from '@/core/ackermann/findAckermann';
import { finish } from '@/core/find/finish';
import { wheelOf } from '@/core/kinematics/wheel';
import type { AckermannWanted } from '@/core/model/ackermannWanted';
import { startingBrief } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { jackingAt } from '@/core/steering/jacking';
import { lockLimits } from '@/core/steering/lockLimits';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import { stanceOf } from '@/core/steering/stance';
import { steeringOf } from '@/core/steering/steering';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { prepared } from '@/test/layouts';
import { useView } from '../../build/viewStore';
import { Steering } from './Steering';

// A test's document has no sizes, no workers and no server.
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => mockWorker }));
jest.mock('@/server/actions', () => ({ shelf: () => Promise.resolve({ ok: true, value: [] }) }));
jest.mock('react-use-measure', () => () => [() => undefined, { width: 500, height: 290 }]);

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

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
function show(change: (build: Build) => void = () => undefined, kind = 'kingpin') {
  const build = blankBuild('Kart', kind);
  change(build);
  held.build = build;
  render(
    <Editing held={held}>
      {(now, onEdit) => <Steering build={now} unit="mm" onEdit={onEdit} />}
    </Editing>,
  );
}
const open = (part: string) =>
  user.click(within(screen.getByRole('group', { name: 'What of the steering' })).getByText(part));
const type = async (label: RegExp, text: string) => {
  const field = screen.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
};

beforeEach(() => act(() => useView.getState().show({ travel: 25, rack: 0, compared: null })));

it('is steered by its drop arm, wherever another build’s wheel was left', () => {
  show();
  act(() => useView.getState().show({ rack: 20 }));
  expect(screen.getByRole('table', { name: 'Steering where the drop arm is' })).toBeVisible();
  expect(screen.getByText('0.06 turns')).toBeVisible();
  expect(screen.queryByText(/toe range over the travel/)).toBeNull();
  const against = within(screen.getByRole('group', { name: 'Curve against' }));
  expect(against.getAllByRole('button').map((one) => one.textContent)).toEqual(['handwheel']);
  expect(document.querySelectorAll('[data-part="drop arm"]')).toHaveLength(2);
});

it('says whether the wheels follow the hands, and how the arm is made', async () => {
  show();
  await open('drop arm');
  expect(screen.getByText('✓ Turn the handwheel left: the wheels go left.')).toBeVisible();
  const row = within(
    screen.getByRole('rowheader', { name: 'hole to hole, centre to centre' }).closest('tr')!,
  );
  expect(row.getByRole('cell')).toHaveTextContent('44 mm');
});

it('warns where they go the other way', async () => {
  show((build) => {
    // The arm stands up from the column instead of hanging down.
    const { tieRodInner } = build.front.points;
    Object.assign(tieRodInner, { ahead: -34, up: 190 });
  });
  await open('drop arm');
  expect(screen.getByRole('alert')).toHaveTextContent(
    '✕ Turn the handwheel left: the wheels go right.',
  );
});

it('puts the column’s stops where the lock wanted is reached', async () => {
  show((build) => {
    build.brief = startingBrief(build);
    build.brief.targets.lock = 24;
  });
  await open('lock & stops');
  expect(await screen.findAllByText(/at the drop arm’s stops/)).not.toHaveLength(0);
  expect(screen.queryByText(/droop/)).toBeNull();
  await user.click(screen.getByRole('button', { name: /^Take: stops at/ }));
  const { lock } = held.build.front.dropArm!;
  const over = lockToLock(prepared(held.build.front), 1050, 0, Float64Array.of(lock))!;
  expect(over.left.steer[0]).toBeGreaterThanOrEqual(24);
  expect(over.left.steer[0]).toBeLessThan(24.1);
});

it('tells a box’s drop arm from the handwheel that turns it', async () => {
  show((build) => {
    build.brief = startingBrief(build);
    build.brief.targets.lock = 18;
    build.front.dropArm!.ratio = 12;
  }, 'beam');
  await open('lock & stops');
  const left = (await screen.findByRole('row', { name: /^left 1/ })).textContent!;
  const [, arm, turns] = /left([\d.]+)°([\d.]+) turns/.exec(left)!;
  expect(Number(turns)).toBeCloseTo((Number(arm) * 12) / 360, 1);
  await open('drop arm');
  expect(screen.getByText(/Turn the handwheel left: the wheels go left/)).toBeVisible();
  expect(screen.queryByText('hole to hole, centre to centre')).toBeNull();
  // The ratio counts it too.
  await open('ratio & effort');
  const { ratio } = steeringOf(held.build);
  expect(ratio).toBeGreaterThan(8);
  expect(ratio).toBeLessThan(20);
});

it('shows which wheel hangs, by what is assumed until it is said', async () => {
  show();
  await open('weight jacking');
  const line = () => document.querySelector('[data-jacking="last"]')!.textContent!;
  const told = () => {
    const { stance } = stanceOf(held.build);
    const { dropArm, ...front } = held.build.front;
    const over = lockToLock(
      prepared({ ...front, dropArm }),
      held.build.wheelbase,
      0,
      rackPositions(-dropArm!.lock, dropArm!.lock, 3),
    )!;
    return jackingAt(over, 2, stance)!;
  };
  expect(told().lifts).toBe('frontRight');
  expect(line()).toContain(`front right wheel hangs ${told().gap.toFixed(1)} mm`);
  expect(line()).toContain(`from ${told().insideFrom!.toFixed(2)} g`);
  expect(screen.getByText(/assumed until said: a rear track as wide/)).toBeVisible();
  await type(/g into the turn/, '0.9');
  await type(/rear track/, '1100');
  await type(/weight in front/, '44');
  await type(/mass height/, '280');
  expect(held.build.asked!.stance).toEqual({ rearTrack: 1100, frontShare: 44, sideways: 0.9 });
  expect(held.build.brief!.limits.massHeight).toBe(280);
  expect(told().lifts).toBe('rearLeft');
  expect(line()).toContain(`rear left wheel hangs ${told().gap.toFixed(1)} mm`);
  expect(screen.queryByText(/assumed until said/)).toBeNull();
});

it('finds a drop arm, and takes what it needs with it', async () => {
  show((build) => {
    build.front.dropArm!.lock = 50;
    build.brief = startingBrief(build);
    build.brief.targets.lock = 22;
    build.asked = {
      ackermann: {
        ...{ small: 100, full: 100, arm: 0, ahead: 0, height: 0 },
        ...{ spacing: 6, length: 10, crank: 0 },
      },
    };
  });
  await open('find Ackermann');
  expect(screen.getByText(/May move: .*the drop arm’s length/)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Find Ackermann' }));
  const [first] = await screen.findAllByText(/^Make a drop arm: /);
  expect(first).toHaveTextContent(/mm (longer|shorter)|further (in|out)/);
  expect(screen.queryByText(/bump steer 0/)).toBeNull();
  const before = held.build.front.points['tieRodInner'];
  await user.click(screen.getByRole('button', { name: 'Take: answer 1' }));
  expect(held.build.front.points['tieRodInner']).not.toEqual(before);
});
