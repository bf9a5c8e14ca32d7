import type { Travel } from '@/core/model/build';
import { FIGURE_HELP } from '@/core/motion/help';
import { NAMES } from '@/core/motion/names';
import { LENGTH_UNITS } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FILLED } from '../floor/drawing';
import type { NamedStation } from '../stations/list';
import type { Command } from './Commands';
import type { MenuEntry } from './TopBar';
import { openDialog } from './dialogs';
import { goTo } from './place';
import { ANGLES_IN_WORDS, LENGTHS_IN_WORDS, showLengths } from './showLengths';
import type { Steps } from './useSteps';
import { useView } from './viewStore';

const AXLES = ['front', 'rear'] as const;
const SIDES = ['left', 'right'] as const;

/** All that the page can do whatever is open on it: stations, wheels, heights, views, units, steps back, files. */
export function commandsOf({
  stations,
  steps,
  menu,
  hasRear,
  unit,
  travel,
}: {
  stations: readonly NamedStation[];
  steps: Steps;
  menu: readonly MenuEntry[];
  hasRear: boolean;
  unit: LengthUnit;
  travel: Travel;
}): Command[] {
  const { show } = useView.getState();
  return [
    ...stations.map(({ id, name }) => ({
      ...{ of: 'Stations', name: `Open ${name}`, act: () => goTo({ station: id }) },
    })),
    ...AXLES.filter((axle) => axle === 'front' || hasRear).flatMap((axle) =>
      SIDES.map((side) => ({
        ...{
          of: 'Wheels',
          name: `Show the ${axle} ${side} wheel`,
          act: () => goTo({ axle, side }),
        },
      })),
    ),
    {
      of: 'Heights',
      name: 'Ride height, straight ahead',
      keys: 'Home',
      act: () => show({ travel: 0, rack: 0 }),
    },
    ...(travel.bump + travel.droop > 0
      ? [
          {
            of: 'Heights',
            name: 'Full bump',
            keys: 'Page up',
            act: () => show({ travel: travel.bump }),
          },
          {
            of: 'Heights',
            name: 'Full droop',
            keys: 'Page down',
            act: () => show({ travel: -travel.droop }),
          },
        ]
      : []),
    ...FILLED.map((filled) => ({
      of: 'Views',
      name: filled === null ? 'All views on the floor' : `Only the view from ${VIEW_WORDS[filled]}`,
      act: () => show({ filled }),
    })),
    { of: 'Page', name: 'Undo', keys: 'Ctrl+Z', act: steps.undo },
    { of: 'Page', name: 'Redo', keys: 'Ctrl+Shift+Z', act: steps.redo },
    ...LENGTH_UNITS.filter((one) => one !== unit).map((one) => ({
      ...{ of: 'Page', name: `Lengths in ${LENGTHS_IN_WORDS[one]}`, act: () => showLengths(one) },
    })),
    ...(['deg', 'min'] as const).map((angles) => ({
      ...{ of: 'Page', name: `Angles in ${ANGLES_IN_WORDS[angles]}`, act: () => show({ angles }) },
    })),
    ...FIGURE_HELP.map(({ of }) => ({
      ...{ of: 'What it means', name: `What ${NAMES[of]} means` },
      act: () => openDialog('figures', of),
    })),
    ...menu
      .filter(({ label }) => !label.startsWith('Do by name'))
      .map(({ label, act }) => ({ of: 'Files and help', name: label, act })),
  ];
}

const VIEW_WORDS = { front: 'the front', side: 'the side', above: 'above' } as const;
