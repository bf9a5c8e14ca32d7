import { STATIONS } from '@/core/judging/stations';
import { addressOf, buildIdIn, goOnAs, goTo, placeAt } from './place';
import { useView } from './viewStore';

jest.mock('next/navigation', () => ({ usePathname: jest.fn(), useSearchParams: jest.fn() }));

const at = (address: string) => {
  const url = new URL(address, 'http://127.0.0.1');
  return placeAt(url.pathname, url.searchParams);
};

it('comes back from its address, for every station and wheel', () => {
  for (const station of STATIONS)
    for (const axle of ['front', 'rear'] as const)
      for (const side of ['left', 'right'] as const) {
        const place = { station, axle, side };
        expect(at(addressOf('b1', place))).toEqual(place);
        expect(buildIdIn(addressOf('b1', place))).toBe('b1');
      }
});

it('is the usual one where the address does not say, or says what there is not', () => {
  const usual = { station: 'rack', axle: 'front', side: 'left' };
  for (const address of [
    '/builds/b1',
    '/builds/b1/',
    '/builds/b1/garage',
    '/builds/b1/rack?wheel=spare',
  ])
    expect(at(address)).toEqual(usual);
  expect(buildIdIn('/shelf')).toBe('');
});

it('makes a step of the history of another station, none of another wheel or another build', () => {
  window.history.replaceState(null, '', '/builds/b1/rack');
  const steps = () => window.history.length;
  const before = steps();
  goTo({ station: 'arms' });
  expect([window.location.pathname, steps()]).toEqual(['/builds/b1/arms', before + 1]);
  goTo({ axle: 'rear', side: 'right' });
  expect([window.location.search, steps()]).toEqual(['?wheel=rear-right', before + 1]);
  goOnAs('b2');
  expect([window.location.pathname, steps()]).toEqual(['/builds/b2/arms', before + 1]);
  expect(useView.getState()).toMatchObject({ station: 'arms', axle: 'rear', side: 'right' });
});
