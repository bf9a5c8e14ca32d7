import type { RodEndMade } from '../model/made';
import { counted } from '../model/wording';

/** What stands on a rod end's bolt, mm. */
export interface Stack {
  /** Spacers on the two sides of the ball together, and of each side where they are alike. */
  spacers: number;
  each: number;
  /** Made up of washers on both sides: how many, and what is left for a turned spacer. */
  washers: { thick: number; count: number; left: number };
  /** From the bolt's head to the nut. */
  grip: number;
  /** A bolt that is sold: the shortest that shows a thread past a locking nut; null where none is long enough. */
  bolt: number | null;
  /** Between ball and bolt, a side. */
  play: number;
  faults: string[];
}

/** Lengths that bolts are sold in, mm (ISO 888, from memory). */
const BOLTS = [
  ...[16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90, 95, 100, 110, 120, 130, 140],
  ...[150, 160, 180, 200, 220, 240],
];
/** A locking nut is about as high as its bolt is thick, a plain washer a sixth of it (common practice, from memory). */
const NUT = 1;
export const washerOf = (bolt: number): number => Math.max(1, Math.round(bolt / 6 / 0.5) * 0.5);
/** Past the nut: two turns of an ordinary thread, a seventh of the bolt each. */
const PAST = 2 / 7;

/** The shortest bolt that is sold for a grip, with a washer under its locking nut, mm; null where none is long enough. */
export const boltFor = (grip: number, bolt: number): number | null =>
  BOLTS.find((length) => length >= grip + washerOf(bolt) + bolt * (NUT + PAST)) ?? null;

/** Looser than this a bolt is in its ball, mm a side. */
const LOOSE = 0.05;

/**
 * The stack of a rod end in its bracket: spacers either side of the ball, the bolt's grip and length.
 * @returns null where nobody said how it is held
 */
export function stackOf({ held, bore, ball }: RodEndMade): Stack | null {
  if (!held) return null;
  const { bolt, inside, ear, ears } = held;
  const faults: string[] = [];
  const spacers = ears === 2 ? inside - ball : inside;
  if (spacers < 0)
    faults.push(
      `${inside} mm between the ears is less than the ball’s ${ball} mm: it does not go in`,
    );
  const play = (bore - bolt) / 2;
  if (play < 0) faults.push(`a ${bolt} mm bolt does not go through a bore of ${bore} mm`);
  else if (play > LOOSE)
    faults.push(
      `${bore} bore on a ${bolt} mm bolt: ${play.toFixed(2)} mm of play each side, sleeve it`,
    );
  if (ears === 1)
    faults.push(
      `held at one end, ${inside} mm off its ear: single shear, the bolt bends; a safety washer keeps the rod on if the ball lets go`,
    );
  const thick = washerOf(bolt);
  const room = Math.max(0, spacers);
  // On two sides the same number, so that the ball stays in the middle.
  const count =
    ears === 2 ? 2 * Math.floor(room / 2 / thick + 1e-9) : Math.floor(room / thick + 1e-9);
  const grip = ears === 2 ? inside + 2 * ear : ear + inside + ball;
  return {
    ...{ spacers, grip, play, faults },
    each: ears === 2 ? spacers / 2 : spacers,
    washers: { thick, count, left: room - count * thick },
    bolt: boltFor(grip, bolt),
  };
}

/** The same in a builder's words. */
export function stackInWords(
  { washers: { thick, count, left }, each }: Stack,
  ears: 1 | 2,
): string {
  const turned =
    left < 0.05
      ? ''
      : `${count > 0 ? ' and ' : ''}a turned spacer of ${(ears === 2 ? left / 2 : left).toFixed(1)} mm${ears === 2 ? ' each side' : ''}`;
  const plain = count > 0 ? counted(count, `washer of ${thick} mm`, `washers of ${thick} mm`) : '';
  return `${each.toFixed(1)} mm ${ears === 2 ? 'each side' : 'under it'}: ${plain}${turned}${count === 0 && turned === '' ? 'nothing' : ''}`;
}
