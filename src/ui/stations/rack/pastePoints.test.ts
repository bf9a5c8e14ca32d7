import { blankBuild } from '@/core/model/starts';
import { pastedPoints } from './pastePoints';

const { front } = blankBuild('x');
const { points } = front;
const at = (text: string, unit: 'mm' | 'in' = 'mm') =>
  pastedPoints(text, unit, { point: 'tieRodInner', coordinate: 'out' }, front, points);

it('leaves one value to the cell', () => {
  expect(at('12.5')).toBeNull();
  expect(at('12.5\r\n')).toBeNull();
});

it('fills the table from the cell on', () => {
  expect(at('291\t241\n611,5\t242')).toEqual({
    ok: true,
    value: {
      tieRodInner: { ahead: -110, out: 291, up: 241 },
      tieRodOuter: { ahead: -115, out: 611.5, up: 242 },
    },
  });
  expect(at('10\n11 1/2', 'in')).toMatchObject({
    value: { tieRodInner: { out: 254 }, tieRodOuter: { out: 292.1 } },
  });
});

it.each([
  ['291\t24x', /tie rod inner joint, up “24x” is not a length/],
  ['1\t2\t3', /more cells than the table has room for/],
  ['1\n2\n3\n4', /more cells/],
  ['1\n99999', /points lie within 10 m/],
])('changes nothing for %j', (text, reason) => {
  const read = at(text);
  expect(read && !read.ok && read.problems.map((p) => `${p.path} ${p.message}`).join()).toMatch(
    reason,
  );
});
