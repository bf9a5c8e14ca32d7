import { produce } from 'immer';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Build } from '../core/model/build';

/** The build as it stands in a screen under test. */
export interface Held {
  build: Build;
}

/** Holds a build as the bench does, frozen and edited by drafts, for a screen under test. */
export function Editing({
  held,
  children,
}: {
  held: Held;
  children: (build: Build, onEdit: (change: (build: Build) => void) => void) => ReactNode;
}) {
  const [build, setBuild] = useState(() => produce(held.build, () => undefined));
  return children(build, (change) =>
    setBuild((before) => {
      const next = produce(before, (draft) => void change(draft));
      held.build = next;
      return next;
    }),
  );
}
