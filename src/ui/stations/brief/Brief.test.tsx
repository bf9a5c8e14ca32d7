import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { blankBuild, newBuild } from '@/core/model/starts';
import { STARTER_SHELF } from '@/core/model/starterShelf';
import { trackOf } from '@/core/upright/place';
import { Editing, frontWheelOf } from '@/test/editing';
import type { Held } from '@/test/editing';
import { WheelAndUpright } from '../wheel/WheelAndUpright';
import { Brief } from './Brief';

jest.mock('@/server/actions', () => ({
  shelf: jest.fn(async () => ({
    ok: true,
    value: STARTER_SHELF.map((part, id) => ({ id, part, name: part.name, kind: part.kind })),
  })),
}));

const held: Held = { build: blankBuild('x') };

const user = userEvent.setup({ delay: null });
const show = (station: 'brief' | 'wheel', start = blankBuild('x')) => {
  held.build = start;
  render(
    <Editing held={held}>
      {(build, onEdit) =>
        station === 'brief' ? (
          <Brief build={build} unit="mm" onEdit={onEdit} onAxle={() => undefined} />
        ) : (
          <WheelAndUpright
            build={build}
            wheel={frontWheelOf(build)}
            unit="mm"
            onEdit={onEdit}
            onTry={() => undefined}
            tried={null}
          />
        )
      }
    </Editing>,
  );
};
const type = async (label: string, text: string) => {
  const element = screen.getAllByRole('textbox', { name: label })[0];
  await user.clear(element);
  await user.type(element, text);
};
const target = (name: string) =>
  within(document.querySelector(`[data-target="${name}"]`) as HTMLElement);

describe('the brief', () => {
  it('fills in targets by use with their reasons, and keeps those that were changed', async () => {
    show('brief');
    expect(target('caster').getByText(/Common practice/)).toBeVisible();
    await user.clear(target('caster').getByLabelText('to'));
    await user.type(target('caster').getByLabelText('to'), '9');
    expect(target('caster').getByText(/Yours\. Common practice: 3 to 6/)).toBeVisible();
    await user.click(screen.getByRole('combobox', { name: 'Use' }));
    expect(screen.getByRole('option', { name: 'Kart' })).toBeVisible();
    await user.click(screen.getByRole('option', { name: 'Drift' }));
    expect(held.build.brief!.targets).toMatchObject({ caster: [3, 9], lock: 55 });
    await user.click(target('caster').getByRole('button', { name: 'Back to it' }));
    expect(held.build.brief!.targets.caster).toEqual([6, 9]);
  });

  it('refuses a band that runs backwards, and keeps what was typed', async () => {
    show('brief');
    await user.clear(target('kpi').getByLabelText('from'));
    await user.type(target('kpi').getByLabelText('from'), '20');
    expect(target('kpi').getByText(/write the smaller first/)).toBeVisible();
    expect(target('kpi').getByLabelText('from')).toHaveValue('20');
    // Not its first digit, which would have been one.
    expect(held.build.brief?.targets.kpi[0] ?? 8).toBe(8);
  });

  it('is empty where nobody has said a figure, and takes nothing of what is taken back', async () => {
    show('brief', newBuild({ name: 'Begun', front: 'double-wishbone' }));
    const { sketch, front } = held.build;
    const marks = () => [new Set(held.build.sketch), new Set(held.build.front.sketch)];
    const none = [new Set(sketch), new Set(front.sketch)];
    for (const label of ['Travel up', 'Loaded radius']) {
      const field = screen.getAllByRole('textbox', { name: label })[0];
      expect(field).toHaveValue('');
      // Half a figure that turns out to be none, one that is deleted, one that is left by Escape.
      for (const text of ['95x', '95{Backspace}{Backspace}', '95{Escape}']) {
        await user.type(field, text);
        expect(held.build).toMatchObject({ travel: { bump: 60 }, front: { tyre: front.tyre } });
        expect(marks()).toEqual(none);
        await user.clear(field);
      }
    }
    // What stood in, said.
    await user.type(screen.getByRole('textbox', { name: 'Travel up' }), '60');
    expect(held.build.sketch).not.toContain('travel.bump');
    expect(held.build.sketch).toContain('travel.droop');
  });

  it('lets a school be picked, and shows which one holds', async () => {
    show('brief');
    const ackermann = within(screen.getByRole('group', { name: 'How much Ackermann?' }));
    await user.click(ackermann.getByRole('button', { name: /Parallel or less/ }));
    expect(held.build.brief!.targets.ackermann).toEqual([-40, 20]);
    expect(ackermann.getByRole('button', { pressed: true })).toHaveTextContent('Parallel or less');
  });

  it('says how the layout stands against the limits that are set', async () => {
    show('brief');
    await type('Width allowed', '1400');
    expect(screen.getByLabelText('Reached')).toHaveTextContent(/mm of 1400 mm allowed/);
    await user.clear(screen.getByLabelText('Width allowed'));
    expect(held.build.brief!.limits.width).toBeUndefined();
  });

  it('reads a tyre’s size, and says what is wrong with one it cannot read', async () => {
    show('brief');
    await type('Tyre size', '195/55');
    expect(screen.getByText(/is not a tyre size: try 195\/50R15/)).toBeVisible();
    await type('Tyre size', '195/50R15{Enter}');
    expect(held.build.front.tyre).toEqual({ radius: 276.5, width: 195, code: '195/50R15' });
  });

  it('takes a rack from the shelf, which then is the build’s own', async () => {
    show('brief');
    await user.click(screen.getByRole('button', { name: 'A rack from the shelf' }));
    await user.click(await screen.findByText('Quick centre rack'));
    expect(held.build.front.rack).toMatchObject({ travel: 42, perTurn: 65, pinion: 'centre' });
    expect(held.build.front.points['tieRodInner'].out).toBe(158);
  });
});

describe('the wheel and its upright', () => {
  it('are placed by track without a trace of what was typed on the way', async () => {
    show('wheel');
    await type('Track at contact', '1400');
    expect(trackOf(held.build.front)).toBeCloseTo(1400, 3);
    const start = blankBuild('x').front.points;
    const by = held.build.front.points.wheelCentre.out - start.wheelCentre.out;
    expect(held.build.front.points['upperOuter'].out - start['upperOuter'].out).toBeCloseTo(by, 3);
  });

  it('lean for KPI, with camber going along where the upright is one solid part', async () => {
    show('wheel');
    await type('KPI, + top in', '12');
    expect(held.build.front.static.camber).toBe(-1);
    await user.click(screen.getByLabelText('One solid part'));
    await type('KPI, + top in', '13');
    expect(held.build.front.static.camber).toBeCloseTo(-2, 1);
  });

  it('name what alone gives a wanted scrub radius, and take it', async () => {
    const start = blankBuild('x');
    start.front.rim = { width: 177.8, diameter: 381, offset: 30 };
    show('wheel', start);
    await type('Scrub radius wanted', '20');
    await user.click(screen.getByRole('button', { name: 'What gives it?' }));
    const way = document.querySelector('[data-way="offset"]') as HTMLElement;
    expect(way).toHaveTextContent('30 mm → 44.1 mm');
    await user.click(within(way).getByRole('button', { name: /^Take/ }));
    expect(held.build.front.rim!.offset).toBeCloseTo(44.13, 1);
    expect(document.querySelector('[data-way]')).toBeNull();
  });

  it('say how much room the joints have in the rim, and when a tyre is off the ground', async () => {
    const start = blankBuild('x');
    start.front.rim = { width: 177.8, diameter: 254, offset: 30 };
    start.front.points.wheelCentre.up += 6;
    show('wheel', start);
    expect(screen.getByRole('region', { name: 'Inside the rim' })).toHaveTextContent(
      /in the rim by/,
    );
    expect(screen.getByText(/The tyre stands 6 mm above the ground/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Put it on the ground' }));
    expect(screen.queryByText(/above the ground/)).toBeNull();
  });
});
