import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { surfaceOf } from '@/core/model/mesh';
import type { MeshBody } from '@/core/model/room';
import { readOutlines } from '@/core/scan/outlines';
import { drawingDxf } from '@/core/sheets/dxf';
import { outline } from '@/core/sheets/drawing';
import { fileOf } from '@/test/fileOf';
import { BodyDialog } from './BodyDialog';

const mockRead = jest.fn();
const mockPlace = jest.fn();
const mockOutlines = (name: string, text: string) => Promise.resolve(readOutlines(name, text));
// A test's document has no workers.
jest.mock('../../build/scanWorker', () => ({
  scanWorker: () => ({ read: mockRead, place: mockPlace, outlines: mockOutlines }),
}));

const user = userEvent.setup({ delay: null });

function show(file: File) {
  const onBody = jest.fn();
  const onClose = jest.fn();
  render(<BodyDialog file={file} axle="front" unit="mm" onBody={onBody} onClose={onClose} />);
  return {
    onClose,
    body: () => onBody.mock.calls[0][0]('an id') as MeshBody,
  };
}
const type = async (label: string, text: string) => {
  const field = screen.getByLabelText(label, { selector: 'input' });
  await user.clear(field);
  await user.type(field, text);
  await user.tab();
};

it('puts an outline of a drawing into the car, as thick as is said, where it is said', async () => {
  const text = drawingDxf({
    ...{ width: 60, height: 40 },
    marks: [
      outline('CUT', [
        [0, 0],
        [60, 0],
        [60, 40],
        [0, 40],
      ]),
    ],
  });
  const { body, onClose } = show(fileOf(text, 'rail.dxf'));
  await screen.findByRole('combobox', { name: /Outline/u });
  await user.click(screen.getByRole('button', { name: 'the front' }));
  await type('thick', '500');
  await type('drawing’s origin, ahead', '100');
  await type('drawing’s origin, left', '180');
  await type('drawing’s origin, up', '150');
  await user.click(screen.getByRole('button', { name: 'Put it in the car' }));
  expect(onClose).toHaveBeenCalled();
  expect(body()).toMatchObject({ id: 'an id', name: 'rail', file: 'rail.dxf', exact: 0 });
  const { places } = surfaceOf(body())!;
  const span = [0, 1, 2].map((k) => {
    const all = [...places].filter((_, i) => i % 3 === k);
    return [Math.min(...all), Math.max(...all)];
  });
  expect(span).toEqual([
    [-150, 350],
    [180, 240],
    [150, 190],
  ]);
});

it('asks three marks of a scan, says how far they stay off, and keeps trouble in sight', async () => {
  mockRead.mockResolvedValue({
    ok: true,
    seen: { triangles: 31_000, least: [0, 0, 0], most: [10, 20, 30] },
  });
  mockPlace.mockResolvedValue({ why: 'the file is not held any more' });
  const { onClose } = show(fileOf('x', 'bay.stl'));
  expect(await screen.findByText(/31000 triangles, 10 mm × 20 mm × 30 mm/u)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'inch' }));
  expect(screen.getByText(/254 mm × 508 mm × 762 mm/u)).toBeVisible();
  const put = screen.getByRole('button', { name: 'Put it in the car' });
  expect(put).toBeDisabled();
  for (const [i, [scan, car]] of (
    [
      [
        [0, 0, 0],
        [100, 50, 20],
      ],
      [
        [10, 0, 0],
        [354, 50, 20],
      ],
      [
        [0, 10, 0],
        [100, 310, 20],
      ],
    ] as const
  ).entries())
    for (const k of [0, 1, 2]) {
      await type(`scan ${i + 1}, ${'xyz'[k]}`, String(scan[k]));
      await type(`car ${i + 1}, ${['ahead', 'left', 'up'][k]}`, String(car[k]));
    }
  expect(screen.getByRole('alert')).toHaveTextContent(/Marks stay .* a mark that is mistaken/u);
  await user.click(put);
  expect(await screen.findByText(/not held any more/u)).toBeVisible();
  expect(onClose).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'as it is' }));
  expect(put).toBeEnabled();
});

it('says in words why a file is nothing', async () => {
  mockRead.mockResolvedValue({ ok: false, why: 'bay.ply has no triangles' });
  show(fileOf('x', 'bay.ply'));
  await waitFor(() =>
    expect(screen.getByRole('alert')).toHaveTextContent('bay.ply has no triangles.'),
  );
});
