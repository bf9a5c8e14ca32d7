import { produce } from 'immer';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { AxleDesign, Build } from '../core/model/build';
import { wheelOf } from '../core/kinematics/wheel';
import type { Wheel } from '../core/kinematics/wheel';

/** The build as it stands in a screen under test. */
export interface Held {
  build: Build;
}

/** Holds a build as the page does, frozen and edited by drafts, for a screen under test. */
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

const wheels = new WeakMap<AxleDesign, Wheel>();

/** The left front wheel of a build: the same one as long as its axle is the same, as the page has it. */
export function frontWheelOf(build: Build): Wheel {
  const known = wheels.get(build.front);
  if (known?.travel === build.travel) return known;
  const wheel = wheelOf(build, 'front', 'left');
  wheels.set(build.front, wheel);
  return wheel;
}
