/** What holds one shaft of a column; the pinion's own shaft is held by its rack. */
export interface ShaftHeld {
  /** Bearings that it runs in: each keeps a place of it on its line. */
  bearings: number;
  /** How often it is kept from sliding, by collars or a fixed bearing: above its slip, and below it. */
  located: { above: number; below: number };
  /** It telescopes: what is above slides in what is below. */
  slip: boolean;
}

/** Something that a column lacks or has too much of. */
export interface Lacking {
  kind: 'no place' | 'slides' | 'fights' | 'spare bearing';
  /** From the handwheel's, 0; of several the first and the last. */
  shafts: readonly [number, number];
}

/**
 * What is missing until every shaft of a column is held, and held once: a line of its own, by bearings or by the joints
 * at its ends; a place along it, once between any two slips. Joints are taken as bent and not all in one plane.
 * @param shafts from the handwheel's to the last above the pinion's: as many as there are joints
 */
export function lackingOf(shafts: readonly ShaftHeld[]): Lacking[] {
  const joints = shafts.length;
  // On the pinion's line stands the last joint; on a shaft's line both of its own.
  const placed = Array.from({ length: joints }, (_, j) => j === joints - 1);
  const held = new Array<boolean>(joints).fill(false);
  for (let again = true; again;) {
    again = false;
    shafts.forEach(({ bearings }, i) => {
      if (held[i]) return;
      const ends = Number(i > 0 && placed[i - 1]) + Number(placed[i]);
      if (bearings + ends < 2) return;
      held[i] = true;
      if (i > 0) placed[i - 1] = true;
      placed[i] = true;
      again = true;
    });
  }
  const lacking: Lacking[] = runsOf(held.map((is) => !is)).map((run) => ({
    kind: 'no place',
    shafts: run,
  }));
  const spare = shafts.reduce((sum, { bearings }) => sum + bearings, 0) - joints;
  if (lacking.length === 0 && spare > 0) {
    const most = shafts.reduce((a, { bearings }, i) => (bearings > shafts[a].bearings ? i : a), 0);
    lacking.push({ kind: 'spare bearing', shafts: [most, most] });
  }
  // From slip to slip; the pinion's shaft is kept along its line by its rack.
  let from = 0;
  let count = 0;
  const close = (to: number) => {
    if (count === 0) lacking.push({ kind: 'slides', shafts: [from, to] });
    if (count > 1) lacking.push({ kind: 'fights', shafts: [from, to] });
  };
  shafts.forEach(({ located, slip }, i) => {
    count += located.above;
    if (slip) {
      close(i);
      [from, count] = [i, 0];
    }
    count += located.below;
  });
  count++;
  close(joints);
  return lacking;
}

/** Runs of what is so, first and last. */
function runsOf(is: readonly boolean[]): [number, number][] {
  const runs: [number, number][] = [];
  is.forEach((so, i) => {
    if (!so) return;
    if (i > 0 && is[i - 1]) runs[runs.length - 1][1] = i;
    else runs.push([i, i]);
  });
  return runs;
}

const shaft = (i: number) => `shaft ${i + 1}`;
const both = ([a, b]: Lacking['shafts']) => (a === b ? shaft(a) : `${shaft(a)} to ${shaft(b)}`);

/** One line of the check list, in a builder's words. */
export function lackingInWords({ kind, shafts }: Lacking): string {
  const which = both(shafts);
  const one = shafts[0] === shafts[1];
  switch (kind) {
    case 'no place':
      return `${which} ${one ? 'has' : 'have'} no place of ${one ? 'its' : 'their'} own: add a bearing`;
    case 'slides':
      return `${which} can slide: add a collar or a fixed bearing`;
    case 'fights':
      return `${which}: fixed twice along the line and there is no slip joint between: it will fight`;
    case 'spare bearing':
      return `${which} runs in a bearing more than it needs: line them up exactly, or it binds`;
  }
}
