import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { z } from 'zod';
import { AngleField, LengthField } from './NumberField';

const schema = z.number().max(500, 'is more than 500 mm');
const taken = jest.fn();

function Field({ start = 100, unit = 'mm' as const }: { start?: number; unit?: 'mm' | 'in' }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <LengthField
        label="Width"
        value={value}
        unit={unit}
        schema={schema}
        onValue={(mm, visit) => {
          taken(mm, visit);
          setValue(mm);
        }}
      />
      <button onClick={() => setValue(77)}>elsewhere</button>
    </>
  );
}

const field = () => screen.getByLabelText<HTMLInputElement>('Width');
beforeEach(() => taken.mockClear());

it('takes every whole value as it is typed, under one visit', async () => {
  render(<Field />);
  await userEvent.clear(field());
  await userEvent.type(field(), '1/2"');
  expect(field()).toHaveValue('1/2"');
  // 1, then 1/ which is none: what was there before, then 1/2 and 1/2".
  expect(taken.mock.calls.map(([mm]) => mm as number)).toEqual([1, 100, 0.5, 12.7]);
  expect(new Set(taken.mock.calls.map(([, visit]) => visit as string)).size).toBe(1);
  await userEvent.tab();
  expect(field()).toHaveValue('12.7');
});

it('does not touch a value that is only looked at, however many digits it has', async () => {
  render(<Field start={100.123456789} />);
  await userEvent.click(field());
  await userEvent.tab();
  expect(field()).toHaveValue('100.123');
  expect(taken).not.toHaveBeenCalled();
});

it('keeps what is half typed, says why, and holds the last value', async () => {
  render(<Field />);
  await userEvent.type(field(), 'x');
  expect(screen.getByText(/“100x” is not a length/)).toBeVisible();
  await userEvent.tab();
  expect(field()).toHaveValue('100x');
  expect(field()).toBeInvalid();
  expect(taken).not.toHaveBeenCalled();
});

it('refuses what the schema refuses', async () => {
  render(<Field />);
  await userEvent.type(field(), '0');
  expect(screen.getByText(/is more than 500 mm/)).toBeVisible();
  expect(taken).not.toHaveBeenCalled();
});

it('brings the value back on Escape', async () => {
  render(<Field />);
  await userEvent.clear(field());
  await userEvent.type(field(), '45');
  await userEvent.keyboard('{Escape}');
  expect(field()).toHaveValue('100');
  expect(taken.mock.calls.at(-1)?.[0]).toBe(100);
});

it('drops what was left half typed when the value changes from elsewhere', async () => {
  render(<Field />);
  await userEvent.type(field(), 'x');
  await userEvent.click(screen.getByText('elsewhere'));
  expect(field()).toHaveValue('77');
});

it('shows inches', () => {
  render(<Field start={25.4} unit="in" />);
  expect(field()).toHaveValue('1');
});

it('reads angles with a degree sign', async () => {
  render(<AngleField label="Toe" value={0.5} schema={z.number()} onValue={taken} />);
  await userEvent.type(screen.getByLabelText('Toe'), '5°');
  expect(taken.mock.calls.at(-1)?.[0]).toBe(0.55);
});

describe('a mistyped figure leaves nothing of itself behind', () => {
  it.each(['23o.25', '1/0', '-1x5', '268..5', '12.5 kg'])('%s', async (text) => {
    render(<Field start={230.25} />);
    await userEvent.clear(field());
    await userEvent.type(field(), text);
    await userEvent.tab();
    expect(taken.mock.calls.at(-1)?.[0] ?? 230.25).toBe(230.25);
    expect(field()).toBeInvalid();
    expect(field()).toHaveValue(text);
    expect(screen.getByText(/230.25 holds/)).toBeVisible();
  });

  it('in a field that was empty', async () => {
    const cleared = jest.fn();
    render(
      <AngleField
        label="Lean"
        value={undefined}
        schema={z.number().optional()}
        placeholder="not measured"
        onValue={taken}
        onClear={cleared}
      />,
    );
    const lean = screen.getByLabelText('Lean');
    expect(lean).toHaveValue('');
    expect(lean).toHaveAttribute('placeholder', 'not measured');
    await userEvent.type(lean, 'x');
    expect(lean).toBeInvalid();
    await userEvent.clear(lean);
    expect(lean).toBeValid();
    expect(taken).not.toHaveBeenCalled();
  });

  it('can be taken back to nothing where nothing is allowed', async () => {
    const cleared = jest.fn();
    render(
      <AngleField
        label="Lean"
        value={12}
        schema={z.number().optional()}
        onValue={taken}
        onClear={cleared}
      />,
    );
    await userEvent.clear(screen.getByLabelText('Lean'));
    expect(cleared).toHaveBeenCalledTimes(1);
  });
});
