/**
 * Threads that rod ends, bungs and rods are made with. Metric: ISO 261 (diameters and pitches), drills of ISO 2306 (from
 * memory); inch: ASME B1.1 (from memory), drills for three quarters of the full thread. mm.
 */
export interface Thread {
  /** Over the crests. */
  diameter: number;
  pitch: number;
  /** The drill before the tap. */
  drill: number;
  /** What the drill is called where it has a name of its own. */
  drillName?: string;
}

const metric = (diameter: number, pitch: number, drill: number): Thread => ({
  ...{ diameter, pitch, drill },
});
const INCH = 25.4;
const inch = (diameter: number, perInch: number, drill: number, drillName: string): Thread => ({
  ...{ diameter: diameter * INCH, pitch: INCH / perInch, drill: drill * INCH, drillName },
});

export const THREADS = {
  'M5x0.8': metric(5, 0.8, 4.2),
  M6x1: metric(6, 1, 5),
  'M8x1.25': metric(8, 1.25, 6.8),
  M8x1: metric(8, 1, 7),
  'M10x1.5': metric(10, 1.5, 8.5),
  'M10x1.25': metric(10, 1.25, 8.8),
  M10x1: metric(10, 1, 9),
  'M12x1.75': metric(12, 1.75, 10.2),
  'M12x1.5': metric(12, 1.5, 10.5),
  'M12x1.25': metric(12, 1.25, 10.8),
  M14x2: metric(14, 2, 12),
  'M14x1.5': metric(14, 1.5, 12.5),
  M16x2: metric(16, 2, 14),
  'M16x1.5': metric(16, 1.5, 14.5),
  'M18x1.5': metric(18, 1.5, 16.5),
  'M20x2.5': metric(20, 2.5, 17.5),
  'M20x1.5': metric(20, 1.5, 18.5),
  'M22x1.5': metric(22, 1.5, 20.5),
  M24x3: metric(24, 3, 21),
  M24x2: metric(24, 2, 22),
  '10-32 UNF': inch(0.19, 32, 0.159, 'No. 21'),
  '1/4-28 UNF': inch(1 / 4, 28, 0.213, 'No. 3'),
  '1/4-20 UNC': inch(1 / 4, 20, 0.201, 'No. 7'),
  '5/16-24 UNF': inch(5 / 16, 24, 0.272, 'I'),
  '5/16-18 UNC': inch(5 / 16, 18, 0.257, 'F'),
  '3/8-24 UNF': inch(3 / 8, 24, 0.332, 'Q'),
  '3/8-16 UNC': inch(3 / 8, 16, 5 / 16, '5/16'),
  '7/16-20 UNF': inch(7 / 16, 20, 25 / 64, '25/64'),
  '7/16-14 UNC': inch(7 / 16, 14, 0.368, 'U'),
  '1/2-20 UNF': inch(1 / 2, 20, 29 / 64, '29/64'),
  '1/2-13 UNC': inch(1 / 2, 13, 27 / 64, '27/64'),
  '5/8-18 UNF': inch(5 / 8, 18, 37 / 64, '37/64'),
  '5/8-11 UNC': inch(5 / 8, 11, 17 / 32, '17/32'),
  '3/4-16 UNF': inch(3 / 4, 16, 11 / 16, '11/16'),
  '3/4-10 UNC': inch(3 / 4, 10, 21 / 32, '21/32'),
  '7/8-14 UNF': inch(7 / 8, 14, 13 / 16, '13/16'),
} as const satisfies Record<string, Thread>;
export type ThreadName = keyof typeof THREADS;
export const THREAD_NAMES = Object.keys(THREADS) as [ThreadName, ...ThreadName[]];

export const threadOf = (name: ThreadName): Thread => THREADS[name];

/** Diameter at the roots of the nut's thread, mm: D − 1.0825 P (ISO 724; the same profile in ASME B1.1). */
export const minorDiameter = ({ diameter, pitch }: Thread): number =>
  diameter - (5 / 8) * Math.sqrt(3) * pitch;

/** A thread as builders write it: `M12 x 1,75`, `m12x1.75`, `1/2-20`, `M12` for the coarse one; null where it is none of these. */
export function threadNamed(text: string): ThreadName | null {
  const plain = (words: string) =>
    words
      .toLowerCase()
      .replace(/[×*]/gu, 'x')
      .replace(/,/gu, '.')
      .replace(/\s|"|unf|unc|lh|rh/gu, '');
  const wanted = plain(text);
  return (
    THREAD_NAMES.find((name) => plain(name) === wanted) ??
    // Without a pitch the coarse one is meant, which stands first of its diameter.
    THREAD_NAMES.find((name) => name.startsWith('M') && plain(name).split('x')[0] === wanted) ??
    null
  );
}
