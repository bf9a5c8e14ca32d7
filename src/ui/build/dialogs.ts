import { create } from 'zustand';
import type { NAMES } from '@/core/motion/names';

export type FigureName = keyof typeof NAMES;
export type DialogName = 'keys' | 'commands' | 'figures' | 'units';

interface OpenDialog {
  open: DialogName | null;
  /** The figure that help was asked about; null for all of them. */
  figure: FigureName | null;
}

/** Which of the page's dialogs is open: one at a time. */
export const useDialogs = create<OpenDialog>()(() => ({ open: null, figure: null }));

export const openDialog = (open: DialogName, figure: FigureName | null = null) =>
  useDialogs.setState({ open, figure });
export const closeDialog = () => useDialogs.setState({ open: null });
