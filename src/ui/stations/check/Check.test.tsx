import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { usualSetup } from '@/core/check/evidence';
import { readCar } from '@/core/check/virtualCar';
import { normalsApart } from '@/core/geometry/random';
import { writeLine } from '@/core/instruments/protocol';
import type { CheckReading } from '@/core/model/checks';
import { blankBuild } from '@/core/model/starts';
import { variantsOf } from '@/core/model/variants';
import { showChecks, screenOf } from '@/test/checkScreen';
import { aCheck } from '@/test/checks';
import { useChecks } from './checkStore';

const user = userEvent.setup({ delay: null });
const setup = { ...usualSetup(blankBuild('x').front, 'hub'), heightOff: 0.5 };

const button = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string) => screen.getByRole('textbox', { name });
const type = async (name: string, text: string) => {
  await user.clear(field(name));
  await user.type(field(name), text);
};
const readings = (): readonly CheckReading[] => useChecks.getState().list![0].readings;
const prompt = () => document.querySelector('[data-prompt]')!.textContent;

/** Strings, a level and a sweep on a car whose joint is off. */
function readOff(point: string, by: number): CheckReading[] {
  const build = blankBuild('Stands');
  const travels = [-60, -40, -20, 0, 20, 40, 60];
  return readCar(
    build,
    {
      ...{ axle: 'front', sides: 'left', moved: 'wheel', setup, drawn: build.front, rounds: [] },
      travel: build.travel,
    },
    { errors: new Map([[`left ${point}`, by]]), gain: { left: 1, right: 1 } },
    travels.flatMap((travel) => [
      { method: 'strings' as const, side: 'left' as const, travel, plusMinus: 0.2 },
      { method: 'level' as const, side: 'left' as const, travel, plusMinus: 0.05 },
    ]),
    normalsApart(3),
  ).map((one, i) => ({ ...one, at: `2026-03-01T10:00:${String(i).padStart(2, '0')}.000Z` }));
}

it('begins a check, prompts every height, and says more with every reading', async () => {
  await showChecks();
  await user.click(button('bare hub or disc'));
  await type('Read by', 'Ada');
  await user.click(button('Begin'));
  expect(useChecks.getState().list![0]).toMatchObject({
    ...{ by: 'Ada', sides: 'left', axle: 'front' },
    setup: { on: 'hub', span: 600 },
  });
  expect(prompt()).toBe('Next: −60 mm of travel.');
  await type('front', '101');
  await type('rear', '100');
  await user.click(button('Take it'));
  expect(readings()).toMatchObject([
    { height: -60, values: [101, 100], plusMinus: 0.5, unit: 'mm', going: 'up', round: 0 },
  ]);
  expect(prompt()).toBe('Next: −40 mm of travel.');
  expect(field('front')).toHaveValue('');
  expect(screen.getByText(/Too few readings to say/u)).toBeInTheDocument();
  for (const front of ['100.6', '100.3', '100', '99.8']) {
    await type('front', front);
    await type('rear', '100{Enter}');
  }
  expect(readings()).toHaveLength(5);
  expect(await screen.findByText(/Toe changes by/u)).toHaveTextContent(/± \d\.\d\d° at worst/u);
  expect(screen.getByText(/Of what was read from −60 to 20 mm/u)).toBeInTheDocument();
});

it('takes half of nothing: what is no number stays in its field with the reason', async () => {
  await showChecks([aCheck(blankBuild('Stands'), 'c')]);
  await type('front', '12.x');
  await type('rear', '100');
  await user.click(button('Take it'));
  expect(screen.getByText(/“12.x” is not a length/u)).toBeInTheDocument();
  expect(field('front')).toHaveValue('12.x');
  expect(readings()).toEqual([]);
  await type('front', '3 7/16 in');
  await type('±', '0');
  await user.click(button('Take it'));
  expect(screen.getByText(/nothing is read exactly/u)).toBeInTheDocument();
  await type('±', '1/32"');
  await user.click(button('Take it'));
  expect(readings()[0].values[0]).toBeCloseTo(87.3125, 9);
  expect(readings()[0].plusMinus).toBeCloseTo(0.79375, 9);
});

it('has keys for one thumb', async () => {
  await showChecks([aCheck(blankBuild('Stands'), 'c')], { keys: true });
  const keys = within(screen.getByRole('group', { name: 'Large keys' }));
  const press = (name: string) => user.click(keys.getByRole('button', { name }));
  for (const key of ['1', '0', '7', 'delete a digit', '3', '.', '5']) await press(key);
  await user.click(field('rear'));
  for (const key of ['9', '9', '−']) await press(key);
  expect(field('rear')).toHaveValue('−99');
  await press('−');
  await press('Take it');
  expect(readings()[0].values).toEqual([103.5, 99]);
});

it('takes the last reading back, and brings it again', async () => {
  await showChecks([
    aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 0) }),
  ]);
  await user.click(button('Take the last one back'));
  expect(readings()).toHaveLength(13);
  await user.click(button('Get it back'));
  expect(readings()).toHaveLength(14);
});

it('names the number that was wrong, and takes it into a variant of its own', async () => {
  await showChecks([
    aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 9) }),
  ]);
  expect(await screen.findByText('✕ Does not fit')).toBeInTheDocument();
  const blamed = within(screen.getByRole('region', { name: 'Measure this again first' }));
  const items = await blamed.findAllByRole('listitem');
  const at = items.findIndex((item) => item.textContent?.includes('upper ball joint: up'));
  expect(at).toBeGreaterThanOrEqual(0);
  expect(at).toBeLessThan(3);
  await user.click(within(items[at]).getByRole('button', { name: 'Take it into the model' }));
  const [open, before] = variantsOf(screenOf.build);
  expect(open.name).toMatch(/^As checked: upper ball joint/u);
  expect(before.front.points['upperOuter'].up).toBe(blankBuild('x').front.points['upperOuter'].up);
  const moved = open.front.points['upperOuter'].up - before.front.points['upperOuter'].up;
  expect(Math.abs(moved - 9)).toBeLessThan(4);
});

it('counts what was fitted as a move, and undoes it while nothing was read since', async () => {
  await showChecks([
    aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('tieRodOuter.up', -12) }),
  ]);
  const next = await screen.findByText(/^Next: tie rod (outer|inner) joint/u);
  const said = /(\d+\.\d) mm (up|down)/u.exec(next.textContent ?? '')!;
  await user.click(button('It is fitted'));
  const rounds = () => useChecks.getState().list![0].rounds;
  expect(rounds()[0].fitted[0]).toMatchObject({
    side: 'left',
    by: Number(said[1]) * (said[2] === 'up' ? 1 : -1),
  });
  expect(prompt()).toBe('Next: −60 mm of travel.');
  await user.click(button('readings'));
  expect(screen.getByText(/^Fitted .*left tie rod/u)).toBeInTheDocument();
  await user.click(button('Undo'));
  expect(rounds()).toEqual([]);
});

it('leaves a reading out without losing it', async () => {
  await showChecks([
    aCheck(blankBuild('Stands'), 'c', { setup, readings: readOff('upperOuter.up', 0) }),
  ]);
  await user.click(button('readings'));
  const [first] = screen.getAllByRole('checkbox', { name: 'this reading counts' });
  await user.click(first);
  await waitFor(() => expect(readings().filter(({ leftOut }) => leftOut)).toHaveLength(1));
  await user.click(screen.getAllByRole('checkbox', { name: 'this reading counts' })[0]);
  await waitFor(() => expect(readings().filter(({ leftOut }) => leftOut)).toHaveLength(0));
});

it('tells heights by a tape to the hub, and prompts what it will read', async () => {
  await showChecks([aCheck(blankBuild('Stands'), 'c')]);
  await user.click(button('set-up'));
  await user.click(screen.getByRole('combobox', { name: 'told by' }));
  await user.click(screen.getByRole('option', { name: /from the floor to the hub/u }));
  await type('reads at ride height', '305');
  await user.click(button('read'));
  expect(prompt()).toMatch(
    /^Next: 24\d(\.\d)? mm, tape from the floor to the hub \(−60 mm of travel\)/u,
  );
});

it('says that the server does not answer, and goes on', async () => {
  await showChecks([aCheck(blankBuild('Stands'), 'c')]);
  global.fetch = jest.fn(() => Promise.reject(new TypeError('gone'))) as never;
  await type('front', '101');
  await type('rear', '100{Enter}');
  expect(await screen.findByText(/server does not answer: 1 entry wait/u)).toBeInTheDocument();
  expect(readings()).toHaveLength(1);
});

/** What the page listens to: its own lines, said by the test. */
class Speaker {
  static all: Speaker[] = [];
  onmessage: (event: { data: string }) => void = () => undefined;
  onerror: () => void = () => undefined;
  closed = false;
  constructor(readonly address: string) {
    Speaker.all.push(this);
  }
  close() {
    this.closed = true;
  }
}

const OWN = {
  ...{ id: 'l1', name: 'Level, top drawer', device: 'level', plusMinus: 0.03 },
  ...{ baud: 4800, note: '' },
};

describe('instruments', () => {
  const said = (channel: string, value: number | null, count: number) =>
    act(() =>
      Speaker.all.at(-1)!.onmessage({
        data: writeLine({ device: 'dials', channel, value, unit: 'mm', count }),
      }),
    );
  beforeEach(() => {
    Speaker.all = [];
    Object.assign(globalThis, { EventSource: Speaker });
  });

  it('puts what a stand-in says into the fields, and says where it came from', async () => {
    await showChecks([aCheck(blankBuild('Stands'), 'c')]);
    await type('height', '25');
    await user.click(button('Instruments'));
    await user.click(screen.getByRole('combobox', { name: 'stand-in' }));
    await user.click(screen.getByRole('option', { name: 'two dial gauges' }));
    await user.click(button('Listen to it'));
    expect(Speaker.all.at(-1)!.address).toMatch(/device=dials.*travel=25/u);
    expect(button('Put it in')).toBeDisabled();
    for (let i = 0; i < 5; i++) {
      said('front', 0.51, 2 * i);
      said('rear', 0.2, 2 * i + 1);
    }
    expect(screen.getByText('● stands still')).toBeInTheDocument();
    await user.click(button('Put it in'));
    expect(
      [field('front'), field('rear'), field('height')].map((one) => one.getAttribute('value')),
    ).toEqual(['0.51', '0.2', '25']);
    await user.click(button('Take it'));
    expect(readings()[0]).toMatchObject({
      ...{ method: 'dials', values: [0.51, 0.2], height: 25, from: 'stand-in dials' },
      plusMinus: 0.1,
    });
    // What somebody types over is theirs.
    await user.click(button('Put it in'));
    await type('rear', '0.3{Enter}');
    expect(readings()[1].from).toBeUndefined();
  });

  it('counts what was lost, hears when nothing comes, and stops', async () => {
    await showChecks([aCheck(blankBuild('Stands'), 'c')]);
    await user.click(button('Instruments'));
    await user.click(button('Listen to it'));
    said('front', 1, 0);
    said('rear', null, 4);
    act(() => Speaker.all.at(-1)!.onmessage({ data: 'rubbish' }));
    expect(screen.getByText('3 lost, 1 garbled, 1 without a value')).toBeInTheDocument();
    expect(button('Put it in')).toBeDisabled();
    act(() => Speaker.all.at(-1)!.onerror());
    expect(screen.getByText(/server does not answer/u)).toBeInTheDocument();
    await user.click(button('Stop'));
    expect(Speaker.all.every(({ closed }) => closed)).toBe(true);
  });

  it('reads a serial port, whatever pieces its lines come in', async () => {
    const pieces =
      [0, 1, 2, 3, 4]
        .map((count) =>
          writeLine({ device: 'level', channel: 'camber', value: -1.5, unit: 'deg', count }),
        )
        .join('\n') + '\n';
    let give: (value: { done: boolean; value?: Uint8Array }) => void = () => undefined;
    const chunks = [pieces.slice(0, 20), pieces.slice(20)].map((text) => ({
      done: false,
      value: Uint8Array.from(text, (letter) => letter.charCodeAt(0)),
    }));
    const port = {
      readable: null as unknown,
      open: jest.fn(() => {
        port.readable = opened;
        return Promise.resolve();
      }),
      close: jest.fn(() => Promise.resolve()),
    };
    const opened = {
      getReader: () => ({
        read: () =>
          chunks.length > 0
            ? Promise.resolve(chunks.shift())
            : new Promise((resolve) => (give = resolve)),
        releaseLock: () => undefined,
        cancel: () => {
          give({ done: true });
          return Promise.resolve();
        },
      }),
    };
    Object.defineProperty(navigator, 'serial', {
      value: { requestPort: () => Promise.resolve(port) },
      configurable: true,
    });
    class Decoder {
      decode = (bytes: Uint8Array) => String.fromCharCode(...bytes);
    }
    Object.assign(globalThis, { TextDecoder: Decoder });
    const passed: { address: string; text: string }[] = [];
    await showChecks([aCheck(blankBuild('Stands'), 'c')], {
      answers: (address, init) => {
        if (address === '/api/instruments') return { instruments: [OWN], gone: [] };
        if (address.startsWith('/api/heard/'))
          passed.push({ address, ...(JSON.parse(init!.body as string) as { text: string }) });
        return undefined;
      },
    });
    await user.click(button('Instruments'));
    await user.click(screen.getByRole('combobox', { name: 'which of yours' }));
    await user.click(screen.getByRole('option', { name: OWN.name }));
    await user.click(button('Listen to the serial port'));
    expect(await screen.findByText('● stands still')).toBeInTheDocument();
    expect(port.open).toHaveBeenCalledWith({ baudRate: 4800 });
    await user.click(button('Put it in'));
    expect(field('camber')).toHaveValue('-1.5');
    await user.click(button('Take it'));
    expect(readings()[0]).toMatchObject({
      ...{ method: 'level', values: [-1.5], from: OWN.name, plusMinus: 0.03 },
    });
    // Windows without a port hear every piece of it.
    await waitFor(() => expect(passed.map(({ text }) => text).join('')).toBe(pieces));
    expect(passed[0]).toMatchObject({ name: OWN.name });
    await user.click(button('Stop'));
    await waitFor(() => expect(port.close).toHaveBeenCalled());
  });

  it('listens in on what another window hears', async () => {
    const asked: string[] = [];
    await showChecks([aCheck(blankBuild('Stands'), 'c')], {
      answers: (address) => {
        asked.push(address);
        if (address === '/api/instruments') return { instruments: [OWN], gone: [] };
        if (address === '/api/heard') return [{ session: 'port 1', name: OWN.name }];
        return undefined;
      },
    });
    await user.click(button('Instruments'));
    await user.click(await screen.findByRole('button', { name: `Listen in: ${OWN.name}` }));
    expect(Speaker.all.at(-1)!.address).toBe('/api/heard/port%201');
    for (let count = 0; count < 5; count++)
      act(() =>
        Speaker.all.at(-1)!.onmessage({
          data: writeLine({ device: 'level', channel: 'camber', value: 0.75, unit: 'deg', count }),
        }),
      );
    await user.click(button('Put it in'));
    expect(field('camber')).toHaveValue('0.75');
    expect(field('±')).toHaveValue('0.03');
  });

  it('refuses one that another hangs on the cable of', async () => {
    await showChecks([aCheck(blankBuild('Stands'), 'c')], {
      answers: (address) => {
        if (address === '/api/instruments') return { instruments: [OWN], gone: [] };
        if (address === '/api/heard') return [{ session: 's', name: OWN.name }];
        return undefined;
      },
    });
    await user.click(button('Instruments'));
    await user.click(await screen.findByRole('button', { name: `Listen in: ${OWN.name}` }));
    said('front', 1, 0);
    said('rear', 1, 1);
    expect(screen.getByText(/This is no digital level/u)).toBeInTheDocument();
    expect(button('Put it in')).toBeDisabled();
  });

  it('keeps those of the workshop, and takes none by half', async () => {
    const kept: unknown[] = [];
    let gone: { id: string; name: string }[] = [];
    await showChecks([aCheck(blankBuild('Stands'), 'c')], {
      answers: (address, init) => {
        if (init?.method === 'DELETE') gone = [{ id: OWN.id, name: OWN.name }];
        if (init?.method === 'PUT') kept.push(JSON.parse(init.body as string));
        if (address === '/api/instruments')
          return { instruments: gone.length > 0 ? [] : [OWN], gone };
        return undefined;
      },
    });
    await user.click(button('Instruments'));
    await user.click(button('Instruments of the workshop'));
    await type('called', 'Gauges');
    await user.click(screen.getByRole('combobox', { name: 'what it is' }));
    await user.click(screen.getByRole('option', { name: 'two dial gauges' }));
    await type('± of a reading, mm', 'fine');
    await user.click(button('Add it'));
    expect(screen.getByText(/“fine” is not a length/u)).toBeInTheDocument();
    expect(field('called')).toHaveValue('Gauges');
    await type('± of a reading, mm', '0.02');
    await type('baud', '7');
    await user.click(button('Add it'));
    expect(screen.getByText('is below 300 baud')).toBeInTheDocument();
    expect(kept).toEqual([]);
    await type('baud', '19200{Enter}');
    await waitFor(() => expect(field('called')).toHaveValue(''));
    expect(kept).toMatchObject([
      { instrument: { name: 'Gauges', device: 'dials', plusMinus: 0.02, baud: 19200 } },
    ]);
    await user.click(button(`Away: ${OWN.name}`));
    expect(await screen.findByRole('button', { name: `Get back: ${OWN.name}` })).toBeVisible();
  });
});
