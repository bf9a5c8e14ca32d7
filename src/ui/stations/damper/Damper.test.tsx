import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import type * as Mounts from '@/core/damper/findMounts';
import { DamperAt } from '@/core/damper/sweep';
import { loadsOf } from '@/core/loads/loads';
import { briefOf } from '@/core/model/brief';
import { buildSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import type * as Actions from '@/server/actions';
import { aDamper, damped } from '@/test/dampers';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { Damper } from './Damper';

// The worker's own computation, without a worker.
jest.mock('../../build/finderWorker', () => {
  const { findMounts } = jest.requireActual<typeof Mounts>('@/core/damper/findMounts');
  return {
    finderWorker: () => ({
      mounts: async (build: Build, _: string, __: string, choices: Mounts.DamperChoice[]) => {
        const wheel = frontWheelOf(build);
        const search = findMounts(build, wheel, wheel.design.damper?.wanted, choices);
        for (;;) {
          const step = search.next();
          if (step.done) return step.value;
        }
      },
      cancel: jest.fn(),
    }),
  };
});
jest.mock('../../../server/actions', (): Partial<typeof Actions> => ({
  shelf: async () => ({ ok: true, value: [] }) as Awaited<ReturnType<typeof Actions.shelf>>,
}));

const held: Held = { build: blankBuild('x') };
const calls = { onTry: jest.fn(), onShow: jest.fn(), onSelect: jest.fn() };
const user = userEvent.setup({ delay: null });

function show(start: Build = blankBuild('x')) {
  held.build = start;
  Object.values(calls).forEach((call) => call.mockClear());
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(build, onEdit) => (
          <Damper
            build={build}
            wheel={frontWheelOf(build)}
            targets={briefOf(build).targets}
            unit="mm"
            selected={null}
            tried={null}
            clearances={{ list: [], stale: false }}
            onPoints={(change) => onEdit((draft) => change(draft.front.points))}
            onEdit={onEdit}
            {...calls}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
}
const choose = (name: string | RegExp) => user.click(screen.getByRole('button', { name }));
const type = async (label: string | RegExp, text: string) => {
  const field = screen.getByLabelText(label);
  await user.clear(field);
  if (text !== '') await user.type(field, text);
};
const withDamper = (more = {}): Build => {
  const damper = aDamper({ by: 'direct', on: 'lowerArm' }, more);
  return { ...blankBuild('x'), front: damped('double-wishbone', damper) };
};
const front = () => held.build.front;

it('begins a damper as a sketch, goes over to a rocker, and takes all of it away again', async () => {
  show();
  await choose('Straight to the lower arm');
  expect(front().damper).toEqual({ by: 'direct', on: 'lowerArm' });
  expect(front().sketch).toContain('damperOuter.up');
  expect(buildSchema.safeParse(held.build).error?.issues ?? []).toEqual([]);
  const { damperOuter } = front().points;
  await user.click(screen.getByLabelText('Mounted'));
  await user.click(screen.getByRole('option', { name: /by rod and rocker, from the lower arm/ }));
  // Another body carries it: it is begun anew.
  expect(front().points['damperOuter']).not.toEqual(damperOuter);
  expect(front().points).toHaveProperty('rockerPivot');
  await user.click(screen.getByLabelText('Anti-roll bar’s link on'));
  await user.click(screen.getByRole('option', { name: 'rocker' }));
  expect(front().points).toHaveProperty('barLinkOuter');
  expect(buildSchema.safeParse(held.build).error?.issues ?? []).toEqual([]);
  await choose('Take the damper away');
  expect(Object.keys(front().points)).toEqual(Object.keys(blankBuild('x').front.points));
  expect(front().sketch ?? []).toEqual([]);
  expect(front().damper).toBeUndefined();
});

it('takes a half-typed figure for none, and says why', async () => {
  show(withDamper());
  await choose('parts');
  await type('eye to eye, closed', '262');
  expect(front().damper!.unit!.closed).toBe(262);
  await user.tab();
  await type('eye to eye, closed', '26x');
  expect(front().damper!.unit!.closed).toBe(262);
  expect(screen.getByText(/“26x” is not a length/)).toBeVisible();
});

it('says what ends the travel, with the figures of every position', async () => {
  show(withDamper({ unit: { closed: 320, open: 370, outside: 60 } }));
  await choose('stroke');
  const bump = document.querySelector('[data-way="bump"]')!;
  expect(bump).toHaveTextContent(/✕ Bump ends at .* of 60 mm wanted: the damper is closed/);
  const table = screen.getByRole('table', { name: 'Damper over the travel' });
  const { corner, design } = frontWheelOf(held.build);
  const row = new DamperAt(corner!, design.damper!).row(0)!;
  const cells = within(table).getByRole('row', { name: /^motion ratio/ });
  expect(cells).toHaveTextContent(row.at.damper.ratio.toFixed(3));
});

it('finds mounts, shows one beside the present, and takes it', async () => {
  const start = withDamper({ unit: { closed: 250, open: 400, outside: 40 } });
  const { out } = start.front.points['damperOuter'];
  start.front.freedoms = {
    damperOuter: { out: { kind: 'range', min: out - 100, max: out + 30, step: 1 } },
  };
  start.front.damper!.wanted = { mayTouch: true };
  show(start);
  await choose('find');
  await type('motion ratio', '0.6');
  await choose('Find mounts');
  const answer = await screen.findByText(/damper, outer mount out \d/);
  expect(answer).toBeVisible();
  await choose(/^Take: /);
  const { corner, design } = frontWheelOf(held.build);
  const { ratio } = new DamperAt(corner!, design.damper!).home!.damper;
  expect(Math.abs(ratio - 0.6)).toBeLessThan(0.011);
});

it('fits the spacer that holds a droop', async () => {
  show(withDamper({ unit: { closed: 250, open: 400, outside: 40 } }));
  await choose('droop');
  await type('droop to be held', '45');
  await choose('Fit the spacer');
  const { corner, design } = frontWheelOf(held.build);
  const at = new DamperAt(corner!, design.damper!).linkage.at(-45)!;
  expect(design.damper!.unit!.open - design.damper!.unit!.spacer!).toBeCloseTo(at.damper.length, 0);
});

it('turns the perch until the corner stands where it is drawn', async () => {
  show(
    withDamper({
      unit: {
        ...{ closed: 250, open: 400, outside: 40 },
        perch: { pitch: 2, flats: 8, tighter: 60, looser: 60 },
      },
      spring: { rate: 50, free: 260, bind: 120, preload: 0 },
    }),
  );
  await choose('height');
  await type('on the scales', '210');
  await type('of it unsprung', '30');
  await choose('Turn it so');
  expect(screen.getByText(/As it is set it rests at ride height/)).toBeVisible();
  const { tighter, looser } = front().damper!.unit!.perch!;
  expect(tighter + looser).toBeCloseTo(120, 6);
  const { corner, design } = frontWheelOf(held.build);
  expect(new DamperAt(corner!, design.damper!).row(0)!.wheelForce).toBeCloseTo(180 * 9.81, -1);
});

it('judges what was described, and what was meant to give first', async () => {
  show(withDamper());
  await choose('loads');
  expect(screen.getByText(/Nobody has said yet what the parts are made of/)).toBeVisible();
  await choose('upper ball joint');
  await type('rated load, as stated', '9000');
  await user.click(screen.getByLabelText('This is meant to give before all others'));
  expect(front().strength).toMatchObject({
    joints: { upperOuter: { rated: 9000 } },
    first: 'joint upperOuter',
  });
  const found = loadsOf(held.build, frontWheelOf(held.build));
  if (!found.ok) throw new Error(found.why);
  const part = found.loads.parts.find(({ id }) => id === 'joint upperOuter')!;
  expect(part.reserve).toBeCloseTo(9000 / part.worst.newtons, 9);
  expect(screen.getByText(/Meant to give first, and of those described it does/)).toBeVisible();
  // A case of one's own is the build's from then on.
  await choose('Another case');
  expect(held.build.loads).toHaveLength(7);
  await choose('Back to common practice');
  expect(held.build.loads).toBeUndefined();
});

it('tells a kart, which has no travel, what its parts carry', () => {
  show(blankBuild('x', 'kingpin'));
  expect(screen.getByText(/there is nothing to damp/)).toBeVisible();
  expect(screen.getByRole('table', { name: 'Loads' })).toHaveTextContent(/kingpin, lower end/);
});
