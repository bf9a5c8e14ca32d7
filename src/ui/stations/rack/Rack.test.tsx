import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useMemo, useState } from 'react';
import type * as Find from '@/core/bumpsteer/findNull';
import type * as Map from '@/core/bumpsteer/bumpMap';
import { bumpSteerOf } from '@/core/bumpsteer/trial';
import { nullsOf } from '@/core/bumpsteer/nulls';
import { briefOf } from '@/core/model/brief';
import type { AxleDesign, Build } from '@/core/model/build';
import type { PointName } from '@/core/model/points';
import { blankBuild } from '@/core/model/starts';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { FreedomEditor } from '../FreedomEditor';
import { NullFinder } from './NullFinder';
import { NullMap } from './NullMap';
import { NullPanel } from './NullPanel';
import type { RackProps } from './Rack';
import { RodStrength } from './RodStrength';
import { moveInWords } from './places';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Wheel } from '@/core/kinematics/wheel';
import type { PlaneName } from '@/core/model/mapPlanes';
import type { NullWanted } from '@/core/model/nullWanted';
import { wheelIn } from '@/test/layouts';

// The worker's own computations, without a worker; maps are small here.
jest.mock('../../build/finderWorker', () => {
  const find = jest.requireActual<typeof Find>('@/core/bumpsteer/findNull');
  const maps = jest.requireActual<typeof Map>('@/core/bumpsteer/bumpMap');
  const finish = <T,>(search: Generator<unknown, T>): T => {
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
    }
  };
  return {
    finderWorker: () => ({
      null: async (build: Build, _axle: 'front', _side: 'left', wanted: NullWanted) =>
        finish(find.findNull(build, frontWheelOf(build), wanted)),
      map: async ({ design, travel }: Wheel, plane: PlaneName, size: number) =>
        finish(maps.bumpMap(wheelIn(design, 'left', travel), plane, size, 9)),
      cancel: jest.fn(),
    }),
  };
});
jest.mock('comlink', () => ({ proxy: <T,>(value: T) => value }));

const NO_ROOM = { list: [], stale: false };
const held: Held = { build: blankBuild('x') };
const user = userEvent.setup({ delay: null });
// A test's document does not draw.
HTMLCanvasElement.prototype.getContext = () => null;

function Station({ part: Part }: { part: React.ComponentType<RackProps> }) {
  const [tried, setTried] = useState<AxleDesign | null>(null);
  const [selected, setSelected] = useState<PointName | null>(null);
  return (
    <Editing held={held}>
      {(build, onEdit) => {
        const wheel = frontWheelOf(build);
        return (
          <>
            <div aria-label="tried">{tried ? JSON.stringify(tried.points) : ''}</div>
            <WithNulls
              part={Part}
              build={build}
              wheel={wheel}
              targets={briefOf(build).targets}
              unit="mm"
              selected={selected}
              onSelect={setSelected}
              onPoints={(change) => onEdit((draft) => change(draft.front.points))}
              onEdit={onEdit}
              tried={tried}
              onTry={setTried}
              onShow={jest.fn()}
              bumpSteer={bumpSteerOf(wheel)}
              clearances={NO_ROOM}
            />
          </>
        );
      }}
    </Editing>
  );
}
/** As the page gives them: found once a layout. */
function WithNulls({
  part: Part,
  ...props
}: Omit<RackProps, 'nulls'> & { part: React.ComponentType<RackProps> }) {
  const { wheel } = props;
  const nulls = useMemo(() => nullsOf(wheel), [wheel]);
  return <Part {...props} nulls={nulls} />;
}
const show = (part: React.ComponentType<RackProps>, change?: (build: Build) => void) => {
  const start = blankBuild('x');
  change?.(start);
  held.build = start;
  render(<Station part={part} />);
};
const range = () => bumpSteerOf(wheelOf(held.build, 'front', 'left'))!.span.range;
const press = (where: { getByRole: typeof screen.getByRole }, name: string | RegExp) =>
  user.click(where.getByRole('button', { name }));
const tried = () => screen.getByLabelText('tried').textContent;

describe('the null line', () => {
  it('says what is wrong and puts either joint where nothing is left', async () => {
    show(NullPanel);
    expect(screen.getByText(/Toes (in|out) in bump/)).toBeVisible();
    const inner = within(document.querySelectorAll<HTMLElement>('[data-way="tieRodInner"]')[0]);
    await press(inner, /^Look/);
    expect(tried()).toContain('tieRodInner');
    await press(inner, /^Put away/);
    expect(tried()).toBe('');
    const before = range();
    await press(inner, /^Take/);
    expect(range()).toBeLessThan(before / 10);
    expect(screen.getByText(/runs a circle of \d+ mm to within/)).toBeVisible();
  });

  it('judges the rules of thumb by the exact curve, the brief’s own marked', async () => {
    show(NullPanel);
    const parallel = within(document.querySelector<HTMLElement>('[data-rule="parallel"]')!);
    expect(parallel.getByText(/Rod as long as the lower arm/)).toBeVisible();
    expect(screen.getByText(/Lines, your brief’s/)).toBeVisible();
    await press(within(document.querySelector<HTMLElement>('[data-rule="shim"]')!), /^Take/);
    expect(held.build.front.points['tieRodOuter'].up).not.toBe(
      blankBuild('x').front.points['tieRodOuter'].up,
    );
  });

  it('does not let a layout that is good straight ahead and bad at lock pass unseen', () => {
    show(NullPanel);
    const cells = within(screen.getByRole('table', { name: 'Toe range at part lock' }))
      .getAllByRole('cell')
      .slice(1)
      .map((cell) => Number.parseFloat(cell.textContent ?? ''));
    expect(cells).toHaveLength(7);
    expect(cells[3]).toBeCloseTo(range(), 2);
    expect(Math.max(...cells)).toBeGreaterThan(cells[3]);
  });

  it('says so where the travel is out of reach', () => {
    show(NullPanel, (build) => (build.travel = { bump: 400, droop: 60 }));
    expect(screen.getByRole('alert')).toHaveTextContent(/cannot go through its whole travel/);
  });
});

describe('the map', () => {
  const picture = () => screen.findByRole('application', { name: /Toe range by out and up/ });

  it('shows where the joint is, where the null line cuts and where the rules put it', async () => {
    show(NullMap);
    await picture();
    await waitFor(() => expect(document.querySelector('[data-map="1"]')).not.toBeNull());
    const marks = Array.from(
      document.querySelectorAll('[data-map-label]'),
      (mark) => mark.textContent,
    );
    expect(marks).toEqual(expect.arrayContaining(['now', 'null line', 'lines']));
    expect(
      within(screen.getByRole('list', { name: 'Shades' })).getAllByRole('listitem'),
    ).toHaveLength(8);
  });

  it('goes where it is clicked, tells what that leaves, and takes it', async () => {
    show(NullMap);
    const map = await picture();
    map.getBoundingClientRect = () => new DOMRect(0, 0, 306, 306);
    // The middle of the picture is where the joint is; a quarter to the right is 20 mm further out.
    await user.pointer({
      keys: '[MouseLeft]',
      target: map,
      coords: { clientX: 34 + 204, clientY: 136 },
    });
    const { out, up } = blankBuild('x').front.points['tieRodInner'];
    expect(screen.getByRole('status')).toHaveTextContent(`out ${out + 20}, up ${up}`);
    expect(tried()).toContain(`"out":${out + 20}`);
    await press(screen, /^Take/);
    expect(held.build.front.points['tieRodInner']).toMatchObject({ out: out + 20, up });
  });

  it('draws the limits of the freedoms', async () => {
    show(NullMap, ({ front }) => {
      const { up } = front.points['tieRodInner'];
      front.freedoms = {
        tieRodInner: { up: { kind: 'range', min: up - 10, max: up + 10, step: 0 } },
      };
    });
    await picture();
    const limits = document.querySelector('[data-part="limits"]')!;
    expect(Number(limits.getAttribute('height'))).toBeCloseTo((272 * 20) / 80, 0);
  });
});

describe('a null that is searched for', () => {
  const free = ({ front }: Build) => {
    const { tieRodInner, tieRodOuter } = front.points;
    front.freedoms = {
      tieRodInner: {
        up: { kind: 'range', min: tieRodInner.up - 30, max: tieRodInner.up + 30, step: 0 },
      },
      tieRodOuter: {
        up: { kind: 'shims', base: tieRodOuter.up, stock: [1, 1.6, 3.2, 6.35], most: 2, way: 1 },
      },
    };
  };
  const answers = () => document.querySelectorAll<HTMLElement>('[data-found]');

  it('asks for a freedom first', () => {
    show(NullFinder);
    expect(screen.getByRole('button', { name: 'Find a null' })).toBeDisabled();
    expect(screen.getByText(/Nothing may move yet/)).toBeVisible();
  });

  it('lists instructions with what they leave as drawn, as built and at lock; one is taken', async () => {
    show(NullFinder, free);
    await press(screen, 'Find a null');
    await waitFor(() => expect(answers().length).toBeGreaterThan(0));
    const text = Array.from(answers(), (one) => one.textContent).join('\n');
    expect(text).toMatch(/as drawn; .* as built; .* at half lock/);
    expect(text).toContain('★ least on paper');
    expect(text).toContain('★ least when it is built');
    expect(text).toContain('★ least work');
    expect(text).toMatch(/at the worst, straight ahead/);
    expect(text).toMatch(/not judged: range .* at half lock/);
    expect(text).toMatch(/A millimetre out in the tie rod/);
    expect(text).toMatch(
      /bracket of the tie rod inner joint .* mm (up|down)|Washers .* mm at the tie rod outer joint/,
    );
    const before = range();
    await press(within(answers()[0]), /^Look/);
    expect(tried()).not.toBe('');
    await press(within(answers()[0]), /^Take/);
    expect(range()).toBeLessThan(before);
    expect(answers()).toHaveLength(0);
  });

  it('says what plate is to be cut and what rack made narrower, where that may be', async () => {
    show(NullFinder, ({ front }) => {
      const { out, up } = front.points['tieRodInner'];
      front.freedoms = {
        tieRodInner: {
          up: { kind: 'plate', min: up - 40, max: up + 40 },
          out: { kind: 'rackWidth', min: out - 60, max: out + 60 },
        },
      };
    });
    await press(screen, 'Find a null');
    await waitFor(() => expect(answers().length).toBeGreaterThan(0));
    const text = Array.from(answers(), (one) => one.textContent).join('\n');
    expect(text).toMatch(/A plate on the rack that takes the tie rods off .* mm (up|down)/);
    expect(text).toMatch(/The rack (narrowed|widened), each end .* mm (in|out)/);
  });

  it('offers swapped steering arms when they may be, and says what that does to the rack', async () => {
    show(NullFinder, free);
    await user.click(screen.getByLabelText('Steering arms may be swapped side to side'));
    await press(screen, 'Find a null');
    await waitFor(() => expect(answers().length).toBeGreaterThan(0));
    const swapped = Array.from(answers()).find((one) =>
      one.textContent!.includes('Swap the steering arms'),
    )!;
    expect(swapped).toHaveTextContent(/now steers the other way/);
    await press(within(swapped), /^Take/);
    expect(held.build.front.points['tieRodOuter'].ahead).toBeGreaterThan(0);
  });

  it('says when nothing within the freedoms does better', async () => {
    show(NullFinder, ({ front }) => {
      const { up } = front.points['tieRodOuter'];
      front.freedoms = { tieRodOuter: { up: { kind: 'choices', at: [up] } } };
    });
    await press(screen, 'Find a null');
    expect(await screen.findByText(/Nothing within the freedoms does better than/)).toBeVisible();
    // What would help was put in and measured, and never is worse.
    const advice = document.querySelector('[data-advice]')!;
    expect(advice).toHaveTextContent(/If it may move: .* leaves 0\.\d+°/);
    for (const [, left] of advice.textContent!.matchAll(/leaves ([\d.]+)°/gu))
      expect(Number(left)).toBeLessThan(range());
  });

  it('keeps what was asked with the build', async () => {
    show(NullFinder, free);
    const field = screen.getByLabelText('longest spacer');
    await user.clear(field);
    await user.type(field, '8');
    expect(held.build.asked!.null!.spacer).toBe(8);
  });
});

describe('strength', () => {
  const estimate = (what: RegExp) => screen.getByText(what).closest('tr')!;

  it('warns of a long spacer in single shear and names the cures', async () => {
    show(RodStrength);
    expect(estimate(/bolt bent/)).toHaveAttribute('data-estimate', 'enough');
    const field = screen.getByLabelText('spacer, single shear');
    await user.clear(field);
    await user.type(field, '40');
    expect(held.build.front.tieRod!.spacer).toBe(40);
    expect(screen.getAllByText('yours')).toHaveLength(1);
    expect(estimate(/bolt bent/)).toHaveAttribute('data-estimate', 'short');
    expect(screen.getByText(/double shear/)).toBeVisible();
    await press(screen, '12.9');
    expect(held.build.front.tieRod!.grade).toBe('12.9');
  });

  it('takes the spacer that is fitted, marks what is typed over it, and goes back to it', async () => {
    show(RodStrength, ({ front }) => {
      const { up } = front.points['tieRodOuter'];
      front.freedoms = {
        tieRodOuter: {
          up: { kind: 'shims', base: up - 24.5, stock: [3.2, 6.35], most: 6, way: 1 },
        },
      };
    });
    expect(screen.getByLabelText('spacer, single shear')).toHaveValue('24.5');
    expect(screen.getByText('the washers fitted')).toBeVisible();
    expect(estimate(/bolt bent/)).toHaveAttribute('data-estimate', 'short');
    const field = screen.getByLabelText('spacer, single shear');
    await user.clear(field);
    await user.type(field, '5');
    expect(screen.getByText('typed over 24.5 of washers')).toBeVisible();
    await press(screen, 'Back to the washers fitted');
    expect(screen.getByLabelText('spacer, single shear')).toHaveValue('24.5');
  });

  it('says how far the rod’s ends articulate against what they may', () => {
    show(RodStrength, (build) => {
      build.room = { keepOuts: [], wanted: { moving: 10, tyre: 20, ground: 60, rodEnd: 3 } };
    });
    expect(estimate(/tie rod inner joint articulates/)).toHaveAttribute('data-estimate', 'enough');
    expect(estimate(/tie rod outer joint articulates/)).toHaveAttribute('data-estimate', 'short');
    expect(screen.getByText(/Spacers for high misalignment/)).toBeVisible();
  });

  it('asks for thread and a rod that does not buckle', async () => {
    show(RodStrength);
    const type = async (label: string, text: string) => {
      await user.clear(screen.getByLabelText(label));
      await user.type(screen.getByLabelText(label), text);
    };
    await type('thread engaged', '9');
    expect(estimate(/thread wanted/)).toHaveAttribute('data-estimate', 'short');
    await type('rod, outside', '6');
    expect(estimate(/rod buckles/)).toHaveAttribute('data-estimate', 'short');
    await type('grip', '9');
    expect(screen.getByText(/is 9: at most 2/)).toBeVisible();
    expect(held.build.rod?.grip ?? 0.9).toBe(0.9);
  });
});

describe('what may be changed of a joint', () => {
  const kindsOf = async (point: PointName, coordinate: string) => {
    const Editor = ({ wheel }: RackProps) => (
      <FreedomEditor wheel={wheel} point={point} unit="mm" onFreedom={jest.fn()} />
    );
    show(Editor);
    const row = within(document.querySelector<HTMLElement>(`[data-freedom="${coordinate}"]`)!);
    await user.click(row.getByRole('combobox'));
    return screen.getAllByRole('option').map(({ textContent }) => textContent);
  };

  it('is a plate or another width only where a rack carries it', async () => {
    const inner = await kindsOf('tieRodInner', 'out');
    expect(inner).toEqual(
      expect.arrayContaining(['plate on the rack', 'rack narrowed or widened']),
    );
  });

  it.each([
    ['tieRodInner', 'up', ['plate on the rack']],
    ['tieRodOuter', 'out', []],
  ])('%s %s', async (point, coordinate, has) => {
    const kinds = await kindsOf(point, coordinate);
    expect(kinds.filter((kind) => /\brack\b/.test(kind!))).toEqual(has);
  });
});

it('says a move in words', () => {
  const print = (mm: number) => mm.toFixed(1);
  const from = { ahead: 0, out: 100, up: 50 };
  expect(moveInWords(from, { ahead: 0.02, out: 113, up: 40.7 }, print)).toBe('13.0 out, 9.3 down');
  expect(moveInWords(from, from, print)).toBe('stays');
});
