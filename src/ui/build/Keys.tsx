import { memo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { FILLED } from '../floor/drawing';
import { FINE, STEP } from '../pad/CyclePad';
import { useView } from './viewStore';
import type { Travel } from '@/core/model/build';

interface Props {
  limits: Travel;
  steerRange: number;
  hasShim: boolean;
  onFind: () => void;
  onTake: () => void;
  onLeave: () => void;
  /** Something is looked at, which is put away. */
  looks: boolean;
  onPutAway: () => void;
  onUndo: () => void;
  onRedo: () => void;
  onHelp: () => void;
  /** Everything by its name. */
  onAsk: () => void;
}

const OPENED = '[role=menu], [role=dialog], [role=listbox]';
/** What takes keys for itself. */
const OWN = '[role=application], [role=separator]';
const ROWS = '[role=group], [role=tablist], [role=radiogroup]';
const OPEN_LISTS = `${OPENED}, [role=combobox]`;
const within = (event: KeyboardEvent, selector: string): boolean =>
  event.target instanceof Element && event.target.closest(selector) !== null;

/** The page's keys. Arrows cycle the wheel wherever nothing is being typed. They are listened for anew where they change only. */
export const Keys = memo(function Keys(keys: Props) {
  const move = (travel: number, rack: number) => {
    const { travel: t, rack: r, show } = useView.getState();
    const { bump, droop } = keys.limits;
    show({
      travel: Math.min(bump, Math.max(-droop, t + travel)),
      rack: Math.min(keys.steerRange, Math.max(-keys.steerRange, r + rack)),
    });
  };
  const anywhere = {
    // The pad is a slider, which the hook would count among the fields that take keys themselves.
    enableOnFormTags: ['slider' as const],
    ignoreEventWhen: (event: KeyboardEvent) => within(event, `${OPEN_LISTS}, ${OWN}`),
  };
  const prevent = { ...anywhere, preventDefault: true };
  const arrows = (up: number, left: number) => (event: KeyboardEvent) => {
    const fine = event.shiftKey;
    move(up * (fine ? FINE : STEP.travel), left * (fine ? FINE : STEP.rack));
  };
  useHotkeys('up, shift+up', arrows(1, 0), prevent);
  useHotkeys('down, shift+down', arrows(-1, 0), prevent);
  // Sideways they go from one of a few to the next where those have the focus.
  const sideways = {
    ...prevent,
    ignoreEventWhen: (event: KeyboardEvent) => within(event, `${OPEN_LISTS}, ${OWN}, ${ROWS}`),
  };
  useHotkeys('left, shift+left', arrows(0, 1), sideways);
  useHotkeys('right, shift+right', arrows(0, -1), sideways);
  useHotkeys('pageup', () => move(Infinity, 0), prevent);
  useHotkeys('pagedown', () => move(-Infinity, 0), prevent);
  useHotkeys('home', () => useView.getState().show({ travel: 0, rack: 0 }), prevent);
  useHotkeys(
    'f',
    () => {
      const { filled, show } = useView.getState();
      show({ filled: FILLED[(FILLED.indexOf(filled) + 1) % FILLED.length] });
    },
    prevent,
  );
  useHotkeys('s', keys.onFind, prevent);
  useHotkeys('alt+s', keys.onFind, { ...prevent, enableOnFormTags: true });
  useHotkeys('enter', keys.onTake, {
    ...anywhere,
    enabled: keys.hasShim,
    // Enter on a button presses the button.
    ignoreEventWhen: (event) => within(event, `button, a, ${OPEN_LISTS}`),
  });
  useHotkeys('escape', keys.onLeave, { enabled: keys.hasShim, enableOnFormTags: true });
  useHotkeys('escape', keys.onPutAway, {
    enabled: !keys.hasShim && keys.looks,
    ignoreEventWhen: (event) => within(event, OPENED),
  });
  // A closed list box has no undo of its own.
  const undoing = {
    preventDefault: true,
    enableOnFormTags: true,
    ignoreEventWhen: (event: KeyboardEvent) => within(event, OPENED),
  };
  useHotkeys('mod+z', keys.onUndo, undoing);
  useHotkeys('mod+shift+z, mod+y', keys.onRedo, undoing);
  useHotkeys('mod+k', keys.onAsk, undoing);
  useHotkeys('?', keys.onHelp, { ...prevent, useKey: true, ignoreModifiers: true });
  return null;
});
