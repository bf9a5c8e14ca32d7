import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { Editing } from '@/test/editing';
import type { Held } from '@/test/editing';
import { settled, usualBuild } from '@/test/plans';
import { useView } from '../../build/viewStore';
import { Plan } from './Plan';

const mockWorker = { book: jest.fn() };
jest.mock('comlink', () => ({ proxy: (one: unknown) => one }));
jest.mock('../../build/finderWorker', () => ({ finderWorker: () => mockWorker }));

const user = userEvent.setup({ delay: null });
const held: Held = { build: blankBuild('x') };
const PHOTO = '0f0e7a52-7d1e-4a4e-9a52-2d0c3f0a1b2c';
let photoRefused = '';

beforeEach(() => {
  window.history.replaceState(null, '', '/builds/one/plan');
  useView.getState().show({ who: '', unit: 'mm' });
  photoRefused = '';
  global.fetch = ((address: string) =>
    Promise.resolve({
      ok: photoRefused === '' || !address.includes('photos'),
      json: () =>
        Promise.resolve(
          address.includes('photos')
            ? photoRefused
              ? { message: photoRefused }
              : { id: PHOTO }
            : { checks: [], gone: [] },
        ),
    })) as unknown as typeof fetch;
});

function show(build: Build = settled(usualBuild())) {
  held.build = build;
  render(
    <SnackbarProvider>
      <Editing held={held}>
        {(now, onEdit) => (
          <Plan
            build={now}
            wheel={wheelOf(now, 'front', 'left')}
            unit="mm"
            bands={null}
            onEdit={onEdit}
            onAxle={() => undefined}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
}
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const step = (name: RegExp) =>
  within(screen.getByRole('list', { name: 'Steps' })).getByRole('button', { name });
const detail = (name: string) => within(screen.getByRole('region', { name }));
const type = async (name: string | RegExp, text: string) => {
  const field = screen.getByRole('textbox', { name });
  await user.clear(field);
  if (text !== '') await user.type(field, text);
  await user.tab();
};
const FRAME = 'Frame on stands, level, datum marked';
const record = (id: string) => held.build.plan!.steps.find((one) => one.id === id)!;

it('goes from a gate that is answered to a step that is done, signed by who works there', async () => {
  show();
  await user.click(step(/Frame on stands/u));
  expect(button('It is so: Level both ways, and again after leaning on it')).toBeDisabled();
  await type('Who works here', 'Ada');
  await user.click(button('It is done'));
  expect(await screen.findByText(/Not yet true: Both diagonals/u)).toBeVisible();
  await type('left front to right rear', '2100');
  // One length alone is kept, and opens nothing.
  expect(detail(FRAME).getByText(/right front to left rear not measured yet/u)).toBeVisible();
  expect(record('frame').gates![0].values).toEqual([2100, null]);
  await type('right front to left rear', '2103.5');
  expect(await detail(FRAME).findByText(/3\.5 mm apart, 2 at the most/u)).toBeVisible();
  await type('right front to left rear', '2101');
  await user.click(button('It is so: Level both ways, and again after leaning on it'));
  await type('used', '150');
  await user.click(button('It is done'));
  expect(record('frame')).toMatchObject({ used: 150, done: { by: 'Ada' } });
  expect(step(/Frame on stands/u)).toHaveTextContent(record('frame').done!.at.slice(0, 10));
  await user.click(button('It is not done yet'));
  expect(record('frame').done).toBeUndefined();
});

it('says why a step is open again after a point has moved', async () => {
  const build = settled(usualBuild());
  const [ahead, out, up] = [0, 0, 0];
  build.plan = {
    steps: [
      {
        id: 'front/rack',
        done: {
          ...{ at: '2026-03-01T09:00:00.000Z', by: 'Ada' },
          stood: [{ of: 'front/left/tieRodInner', is: [ahead, out, up] }],
        },
      },
    ],
  };
  show(build);
  await user.click(step(/Rack loosely placed/u));
  const why = within(screen.getByRole('list', { name: 'Why it is open again' }));
  expect(why.getByText(/tie rod inner joint is .* of what it was/u)).toBeVisible();
  expect(why.getByText(/Frame on stands.* is not done/u)).toBeVisible();
});

it('goes on all the same for a reason that is written down', async () => {
  show();
  await type('Who works here', 'Ada');
  await user.click(step(/Drawing settled/u));
  await user.click(button('Go on all the same: The variant is frozen'));
  await type(/goes on all the same, because \(The variant/u, 'the rack is here next week only');
  expect(
    await detail('Drawing settled').findByText(/gone on with: the rack is here/u),
  ).toBeVisible();
  expect(record('drawn').gates![0].despite).toBe('the rack is here next week only');
});

it('keeps photos with a step, and says why one is refused', async () => {
  show();
  await user.click(step(/Frame on stands/u));
  const file = new File(['x'], 'datum.jpg', { type: 'image/jpeg' });
  await user.upload(screen.getByLabelText('Photos'), file);
  await user.click(await screen.findByRole('button', { name: 'Photo datum.jpg' }));
  expect(record('frame').photos).toMatchObject([{ id: PHOTO, name: 'datum.jpg' }]);
  await user.click(button('Take it off the step'));
  await waitFor(() => expect(record('frame').photos).toBeUndefined());
  photoRefused = 'The photo is empty.';
  await user.upload(screen.getByLabelText('Photos'), file);
  expect(await screen.findByText('datum.jpg: The photo is empty.')).toBeVisible();
});

it('orders the steps by a school, moves them as far as others let it, takes own ones in and out', async () => {
  show();
  await user.click(button('their order'));
  const order = () =>
    within(screen.getByRole('list', { name: 'Order of the steps' }))
      .getAllByRole('button', { name: /^Later: / })
      .map((one) => one.getAttribute('aria-label')!.slice(7));
  expect(order().indexOf('Rack loosely placed')).toBeLessThan(
    order().indexOf('Front upper arm hung'),
  );
  await user.click(screen.getByRole('combobox', { name: 'put first' }));
  await user.click(screen.getByRole('option', { name: 'Kept upper parts first' }));
  expect(order().indexOf('Front upper arm hung')).toBeLessThan(
    order().indexOf('Front lower arm hung'),
  );
  expect(screen.getByText(/finds its place only where arms, engine/u)).toBeVisible();
  await user.click(button('Earlier: Pedals'));
  expect(await screen.findByText(/Not moved: Seat and hands and it hang together/u)).toBeVisible();
  await user.click(button('Later: Pedals'));
  expect(held.build.plan!.order!.indexOf('pedals')).toBe(4);
  await user.type(screen.getByRole('textbox', { name: 'a step of your own' }), 'Paint the frame');
  await user.click(button('Put it in'));
  expect(order()[order().indexOf(FRAME) + 1]).toBe('Paint the frame');
  await user.click(button('Take out: Paint the frame'));
  expect(order()).not.toContain('Paint the frame');
});

it('adds a stage in which parts are made again', async () => {
  show();
  await user.click(button('their order'));
  await user.click(screen.getByRole('checkbox', { name: 'Front upper arm hung' }));
  await user.type(screen.getByRole('textbox', { name: 'the stage is called' }), 'own arms');
  await user.click(button('Add the stage'));
  expect(held.build.plan!.stages).toEqual([{ name: 'own arms', again: ['front/arm/upper arm'] }]);
  await user.click(button('steps'));
  expect(step(/Front set up: own arms/u)).toHaveTextContent('waits');
  await user.click(button('their order'));
  await user.click(button('Take the stage out: own arms'));
  expect(held.build.plan!.stages).toEqual([]);
});

it('writes a rule down that holds a coordinate and makes a step wait', async () => {
  show();
  await user.click(button('rules and refusals'));
  await user.click(button('inspector’s refusal'));
  await user.type(screen.getByRole('textbox', { name: 'what it says' }), 'No slotted lower pivots');
  await user.type(
    screen.getByRole('textbox', { name: /where that stands/u }),
    'Inspector, 3 March',
  );
  await user.click(screen.getByRole('combobox', { name: 'a step waits for it' }));
  await user.click(screen.getByRole('option', { name: 'Front put together for good' }));
  await user.click(screen.getByRole('combobox', { name: 'it holds' }));
  await user.click(screen.getByRole('option', { name: 'front lower ball joint, up' }));
  await user.click(button('Write it down'));
  expect(held.build.front.freedoms!['lowerOuter']!.up).toEqual({ kind: 'fixed' });
  const rules = within(screen.getByRole('list', { name: 'Rules and refusals' }));
  expect(rules.getByText(/Holds the front lower ball joint, up/u)).toBeVisible();
  await user.click(button('steps'));
  await user.click(step(/Front put together/u));
  expect(screen.getByText(/No slotted lower pivots \(Inspector, 3 March\)/u)).toBeVisible();
  await user.click(button('rules and refusals'));
  await user.click(button('Take away: No slotted lower pivots'));
  expect(held.build.plan!.rules).toEqual([]);
  expect(held.build.front.freedoms!['lowerOuter']!.up).toBeUndefined();
});

it('lists what to look at after a knock, and counts a length that is off as bad', async () => {
  show();
  await type('Who works here', 'Ada');
  await user.click(button('after a knock'));
  await user.click(button('What is to be looked at'));
  const list = within(screen.getByRole('region', { name: /front left slid against a kerb/u }));
  expect(list.getByRole('status')).toHaveTextContent(/of \d+ still to be looked at/u);
  const row = within(list.getByRole('row', { name: /^Tie rod/u }));
  await user.click(row.getByRole('button', { name: 'good' }));
  await user.type(row.getByRole('textbox', { name: 'measured' }), '300');
  expect(await row.findByText(/mm shorter than drawn/u)).toBeVisible();
  expect(list.getByRole('status')).toHaveTextContent('Bad: Tie rod. It stays on its stands.');
  expect(held.build.plan!.knocks![0].found).toMatchObject([{ as: 'good', length: 300, by: 'Ada' }]);
});

it('makes the build book, says what was not checked, and that the build has changed since', async () => {
  mockWorker.book.mockResolvedValueOnce({
    ...{ pdf: new Uint8Array([1]), json: '{}', code: 'ABC123', chapters: ['Brief'] },
    unchecked: ['Of this build:', 'Nobody read the rear axle.'],
  });
  show();
  await user.click(button('build book'));
  await user.click(button('Make the book'));
  const list = within(await screen.findByRole('list', { name: 'What was not checked' }));
  expect(list.getByText('Nobody read the rear axle.')).toBeVisible();
  expect(screen.getByText('1 chapter, code ABC123')).toBeVisible();
  expect(mockWorker.book.mock.calls[0][1]).toMatchObject({ checks: [] });
  mockWorker.book.mockRejectedValueOnce(new Error('out of memory'));
  await user.click(button('Make the book'));
  expect(await screen.findByText(/could not be made: out of memory/u)).toBeVisible();
});
