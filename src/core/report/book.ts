import type { AxleName, Build, KeptCheck, Side, Variant } from '../model/build';
import { openVariantOf, variantsOf } from '../model/variants';
import { codeOf } from '../shop/code';
import { againstSections } from './against';
import { checksSection, setupSection, workSection } from './done';
import {
  briefSection,
  columnSection,
  damperSection,
  sheetsSection,
  steeringSection,
  takeOffSection,
} from './drawn';
import { layoutSection, nullSection, ownSides } from './layout';
import { capital } from '../shop/sheetWords';
import { section } from './section';
import type { BookSection } from './section';

/** All that is known of a build, chapter by chapter. Lengths mm, angles degrees. */
export interface Book {
  build: string;
  variant: string;
  /** When the variant was frozen, ISO; null: it is not. */
  frozen: string | null;
  /** When the book was made, ISO. */
  on: string;
  /** The same for the same figures. */
  code: string;
  sections: BookSection[];
}

export interface BookAsked {
  on: string;
  checks: readonly KeptCheck[];
  /** The variant it is held against. */
  against?: Variant | undefined;
}

/** What Havrik checks of no car, whatever was entered. */
const NEVER = [
  'Strength, stiffness and fatigue of anything: estimates say where to look, and approve nothing.',
  'Welds, bolts and threads as made: what was said of them is somebody’s word.',
  'The frame between the pickup points, and everything that bends under load.',
  'Tyres, brakes, aerodynamics, and how the car drives.',
  'Road law, class rules and insurance: those are for whoever makes and inspects them.',
] as const;

/**
 * Makes the book of a build's open variant, chapter by chapter, yielding the part done. The last chapter says what was not
 * checked.
 */
export function* bookOf(build: Build, asked: BookAsked): Generator<number, Book> {
  const { on, checks, against } = asked;
  const wheels = (['front', 'rear'] as const).flatMap((axle) =>
    ownSides(build, axle).map((side): [AxleName, Side] => [axle, side]),
  );
  const makes: (() => (BookSection | null)[])[] = [
    () => [briefSection(build)],
    () => [takeOffSection(build)],
    ...wheels.map(([axle, side]) => () => [layoutSection(build, axle, side)]),
    ...wheels.map(([axle, side]) => () => [nullSection(build, axle, side)]),
    () => [steeringSection(build), columnSection(build)],
    () => [damperSection(build, 'front'), damperSection(build, 'rear')],
    () => [sheetsSection(build)],
    () => [checksSection(build, checks)],
    () => [setupSection(build), workSection(build, checks)],
    () => (against ? againstSections(build, against) : []),
  ];
  const sections: BookSection[] = [];
  for (const [i, make] of makes.entries()) {
    sections.push(...make().filter((one) => one !== null));
    yield (i + 1) / (makes.length + 1);
  }
  const open = sections.flatMap(({ unchecked }) => unchecked.map(capital));
  sections.push(
    section('unchecked', 'What was not checked', {
      notes: [
        ...(open.length > 0
          ? ['Of this build:', ...open]
          : ['Of this build nothing is left open that Havrik could tell.']),
        'Of any build:',
        ...NEVER,
      ],
    }),
  );
  const { name, frozen = null } = openVariantOf(build);
  const code = codeOf(sections.map(({ id, figures, tables }) => [id, figures, tables]));
  return { build: build.name, variant: name, frozen, on, code, sections };
}

/** The whole book at once. */
export function wholeBook(build: Build, asked: BookAsked): Book {
  const making = bookOf(build, asked);
  for (;;) {
    const step = making.next();
    if (step.done) return step.value;
  }
}

/** A variant of a build by its name or id; null where there is none, or it is the open one. */
export const otherVariant = (build: Build, named: string): Variant | null =>
  variantsOf(build)
    .slice(1)
    .find(({ id, name }) => id === named || name === named) ?? null;
