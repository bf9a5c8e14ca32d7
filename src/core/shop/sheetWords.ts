import type { Wheel } from '../kinematics/wheel';
import type { Side } from '../model/build';
import type { Effect } from '../tolerance/adjusters';
import type { Sheet } from '../sheets/drawing';
import type { ShopPart } from './parts';

export const mm = (value: number, places = 1): string => signed(value.toFixed(places));
export const deg = (value: number): string => `${signed(value.toFixed(2))}°`;
export const signed = (figure: string): string => figure.replace('-', '−');
export const by = (value: number, unit = '°'): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(2)}${unit}`;

/** A wheel whose sheets are made, and which hands they are for. */
export interface Hand {
  wheel: Wheel;
  side: Side;
  hands: readonly Side[];
}

export type Named = Pick<Sheet, 'id' | 'title' | 'group'>;

export const ASSUMED =
  'Nobody has said yet what this is made of: common sizes stand in. Say it before you cut.';

export const handsInWords = ({ hands }: Hand): string =>
  hands.length === 2 ? 'One for the left, one for the right.' : `For the ${hands[0]} side alone.`;

export const effectInWords = (effect: Effect | null): string =>
  effect
    ? `toe ${by(effect.toe)}, camber ${by(effect.camber)}${effect.caster === null ? '' : `, caster ${by(effect.caster)}`}`
    : '';

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
export const hasThreads = ({ members }: ShopPart): boolean =>
  members.some(({ made }) => made.from.as === 'rodEnd' || made.to.as === 'rodEnd');
