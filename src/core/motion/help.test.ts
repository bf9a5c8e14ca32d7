import { FIGURE_HELP } from './help';
import { NAMES } from './names';

it('has a word for every figure that has a name, in the same order of things', () => {
  expect([...FIGURE_HELP.map(({ of }) => of)].sort()).toEqual(Object.keys(NAMES).sort());
  for (const { is, sign, why, moves } of FIGURE_HELP)
    for (const words of [is, sign, why, moves]) expect(words).toMatch(/^[A-Z+−\d].*\.$/u);
});
