import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { TYPED_KINDS, partSchema } from '@/core/model/parts';
import { BLANKS, FIELDS, KIND_WORDS, inBrief } from './kinds';
import { PartDialog } from './PartDialog';

const user = userEvent.setup({ delay: null });

it.each(TYPED_KINDS)('takes a new %s in any notation once it has a name', async (kind) => {
  const keep = jest.fn();
  render(<PartDialog part={BLANKS[kind]} isNew onClose={jest.fn()} onKeep={keep} />);
  const put = screen.getByRole('button', { name: 'Put it on the shelf' });
  await user.click(put);
  expect(await screen.findByText('is empty: give it a name')).toBeVisible();
  expect(keep).not.toHaveBeenCalled();
  await user.type(screen.getByLabelText('Name'), `My ${KIND_WORDS[kind].one}`);
  // Nothing of its measures is invented: each is asked for.
  await user.click(put);
  expect(keep).not.toHaveBeenCalled();
  // What its seller need not have stated stays unsaid.
  const measures = FIELDS[kind].filter(
    ({ type, optional }) => ['length', 'angle', 'number'].includes(type) && !optional,
  );
  expect(measures.length).toBeGreaterThan(0);
  for (const { label, path } of measures) {
    expect(screen.getByLabelText(label)).toHaveValue('');
    const value = path
      .split('.')
      .reduce<unknown>((of, key) => (of as Record<string, unknown>)[key], BLANKS[kind]);
    await user.type(screen.getByLabelText(label), String(value));
  }
  await user.click(put);
  expect(keep).toHaveBeenCalledTimes(1);
  const part = partSchema.parse(keep.mock.calls[0][0]);
  expect(part).toEqual({ ...BLANKS[kind], name: `My ${KIND_WORDS[kind].one}` });
  expect(inBrief(part).length).toBeGreaterThan(10);
});

it('reads inches, and says field by field what cannot be read, losing nothing', async () => {
  const keep = jest.fn();
  const part = { ...BLANKS.rodEnd, name: 'Half inch' };
  render(<PartDialog part={part} isNew={false} onClose={jest.fn()} onKeep={keep} />);
  await user.clear(screen.getByLabelText('Bore'));
  await user.type(screen.getByLabelText('Bore'), '1/2"');
  await user.clear(screen.getByLabelText('Misalignment limit'));
  await user.type(screen.getByLabelText('Misalignment limit'), 'lots');
  await user.clear(screen.getByLabelText('Load, as the seller says'));
  await user.type(screen.getByLabelText('Load, as the seller says'), '-3');
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  expect(await screen.findByText(/“lots” is not an angle/)).toBeVisible();
  expect(screen.getByText(/is -3: at least 0 kN/)).toBeVisible();
  expect(screen.getByLabelText('Bore')).toHaveValue('1/2"');
  await user.clear(screen.getByLabelText('Misalignment limit'));
  await user.type(screen.getByLabelText('Misalignment limit'), '22°');
  await user.clear(screen.getByLabelText('Load, as the seller says'));
  await user.type(screen.getByLabelText('Load, as the seller says'), '30');
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  expect(keep).toHaveBeenCalledWith({ ...part, bore: 12.7, misalignment: 22, load: 30 });
});
