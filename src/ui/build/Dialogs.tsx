import { memo, useEffect } from 'react';
import { Commands } from './Commands';
import type { Command } from './Commands';
import { closeDialog, useDialogs } from './dialogs';
import { FiguresHelp } from './FiguresHelp';
import { KeysHelp } from './KeysHelp';
import { UnitsDialog } from './UnitsDialog';

/** What is asked for over any station: keys, everything by its name, what the figures mean, units. */
export const Dialogs = memo(function Dialogs({ commands }: { commands: readonly Command[] }) {
  const { open, figure } = useDialogs();
  // Another build does not begin with it.
  useEffect(() => closeDialog, []);
  return (
    <>
      <FiguresHelp open={open === 'figures'} figure={figure} onClose={closeDialog} />
      <KeysHelp open={open === 'keys'} onClose={closeDialog} />
      <Commands open={open === 'commands'} commands={commands} onClose={closeDialog} />
      <UnitsDialog open={open === 'units'} onClose={closeDialog} />
    </>
  );
});
