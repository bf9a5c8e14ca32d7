import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { CyclePad } from './CyclePad';

const user = userEvent.setup({ delay: null });
const moved = jest.fn();
const limits = { bump: 60, droop: 80 };
const show = (props: Partial<Parameters<typeof CyclePad>[0]> = {}) => {
  moved.mockClear();
  return render(
    <CyclePad
      travel={0}
      rack={0}
      limits={limits}
      steerRange={50}
      steersBy="rack"
      unit="mm"
      onMove={moved}
      {...props}
    />,
  );
};
const square = () => {
  const pad = screen.getByRole('slider');
  pad.getBoundingClientRect = () => new DOMRect(100, 200, 140, 140);
  return pad;
};
/** Presses and drags by a share of the pad, across from its left and down from its top. */
const drag = (across: number, down: number) => {
  const pad = square();
  const at = { clientX: 100 + 140 * across, clientY: 200 + 140 * down, buttons: 1, pointerId: 1 };
  fireEvent.pointerDown(pad, { ...at, clientX: at.clientX + 5 });
  fireEvent.pointerMove(pad, at);
  fireEvent.pointerUp(pad, { ...at, buttons: 0 });
};

it('says where it stands to those who cannot see it', () => {
  show({ travel: 30, rack: -12 });
  const pad = screen.getByRole('slider', { name: 'Wheel travel and rack' });
  expect(pad).toHaveAttribute('aria-valuenow', '30');
  expect(pad).toHaveAttribute('aria-valuemin', '-80');
  expect(pad).toHaveAttribute('aria-valuemax', '60');
  expect(pad).toHaveAttribute(
    'aria-valuetext',
    expect.stringMatching(/30.0 mm bump.*12.0 mm right/),
  );
});

it('goes where the dot is dragged: up is bump, left is left', () => {
  show();
  drag(0.1, 0.1);
  expect(moved).toHaveBeenLastCalledWith({ travel: 46, rack: 40 });
  drag(0.9, 1);
  expect(moved).toHaveBeenLastCalledWith({ travel: -80, rack: -40 });
});

it('keeps to the centre lines near them, and to the pad when dragged past it', () => {
  show();
  drag(0.51, 60 / 140 + 0.01);
  expect(moved).toHaveBeenLastCalledWith({ travel: 0, rack: 0 });
  drag(-3, -3);
  expect(moved).toHaveBeenLastCalledWith({ travel: 60, rack: 50 });
});

it('takes a typed travel in any notation and keeps the rack', async () => {
  show({ rack: 10 });
  const field = screen.getByLabelText('Travel');
  await user.clear(field);
  await user.type(field, '1 1/2"');
  expect(moved).toHaveBeenLastCalledWith({ travel: 38.1, rack: 10 });
});

it('is a strip across for a wheel that has no travel, in degrees of a drop arm', async () => {
  show({ limits: { bump: 0, droop: 0 }, steerRange: 40, steersBy: 'drop arm', rack: 10 });
  const pad = screen.getByRole('slider', { name: 'Drop arm' });
  expect(pad).toHaveAttribute('aria-valuetext', 'ride height with the drop arm 10.0° left');
  expect(pad).toHaveAttribute('aria-orientation', 'horizontal');
  expect(pad).toHaveAttribute('aria-valuemax', '40');
  expect(screen.queryByLabelText(/Travel/)).toBeNull();
  expect(screen.queryByText('bump')).toBeNull();
  drag(0.25, 0.1);
  expect(moved).toHaveBeenLastCalledWith({ travel: 0, rack: 20 });
  const field = screen.getByLabelText(/Drop arm/, { selector: 'input' });
  await user.clear(field);
  await user.type(field, '−12');
  expect(moved).toHaveBeenLastCalledWith({ travel: 0, rack: -12 });
});

it('is not there for a wheel that neither steers nor travels', () => {
  const { container } = show({ limits: { bump: 0, droop: 0 }, steerRange: 0 });
  expect(container).toBeEmptyDOMElement();
});

it('has no steering where there is no rack', () => {
  show({ steerRange: 0 });
  expect(screen.queryByLabelText('Rack')).toBeNull();
  expect(screen.queryByLabelText('Steer lock to lock')).toBeNull();
  drag(0.1, 0);
  expect(moved).toHaveBeenLastCalledWith({ travel: 60, rack: 0 });
});

describe('playing', () => {
  let frames: FrameRequestCallback[] = [];
  beforeEach(() => {
    frames = [];
    jest.spyOn(window, 'requestAnimationFrame').mockImplementation((act) => frames.push(act));
    jest.spyOn(performance, 'now').mockReturnValue(0);
  });
  afterEach(() => jest.restoreAllMocks());
  const at = (time: number) => frames.splice(0).forEach((act) => act(time));

  it('cycles between full bump and full droop, the rack held', () => {
    show({ rack: 10 });
    fireEvent.click(screen.getByLabelText('Cycle bump to droop'));
    at(1000);
    expect(moved.mock.lastCall[0].travel).toBeCloseTo(60, 9);
    at(3000);
    expect(moved.mock.lastCall[0]).toEqual({ travel: expect.closeTo(-80, 9), rack: 10 });
  });

  it('steers from lock to lock, and stops when it is told to', () => {
    show({ travel: -20 });
    const play = screen.getByLabelText('Steer lock to lock');
    fireEvent.click(play);
    at(1000);
    expect(moved.mock.lastCall[0]).toEqual({ travel: -20, rack: expect.closeTo(50, 9) });
    const count = moved.mock.calls.length;
    fireEvent.click(play);
    expect(play).toHaveAttribute('aria-pressed', 'false');
    expect(moved).toHaveBeenCalledTimes(count);
  });
});
