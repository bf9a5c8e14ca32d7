import { plain } from './plain';

it('shows what a terminal would obey', () => {
  expect(plain('\u001b]0;gone\u0007\u001b[2J\u009b31mred')).toBe(
    '\ufffd]0;gone\ufffd\ufffd[2J\ufffd31mred',
  );
  expect(plain('gnp.\u202etxt')).toBe('gnp.\ufffdtxt');
  expect(plain('Über 3 1/2″,\t0.5°\nnext')).toBe('Über 3 1/2″,\t0.5°\nnext');
});
