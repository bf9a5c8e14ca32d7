import { washersFor } from '../freedoms/freedoms';
import type { AxleDesign } from '../model/build';
import { wayOf } from '../model/labels';
import type { LengthUnit } from '../model/units';
import { lengthIn, readable, unitName } from '../model/units';
import { counted } from '../model/wording';
import type { Adjuster } from './adjusters';
import type { SetBy } from './setting';
import type { SetMove, SetupPlan, Short } from './solve';

const FLATS = 6;

/** Signed, with a real minus. */
export function signed(degrees: number, decimals = 2): string {
  const figure = degrees.toFixed(decimals);
  return Number(figure) === 0
    ? `${(0).toFixed(decimals)}°`
    : readable(`${degrees > 0 ? '+' : ''}${figure}°`);
}

const lengthOf = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${Math.abs(mm).toFixed(1)} mm` : lengthIn(Math.abs(mm), unit, 2);

/** How far the track goes, both sides alike: `−1.2 mm`, in either unit. */
export function trackInWords(mm: number, unit: LengthUnit = 'mm'): string {
  const figure = mm.toFixed(1);
  if (Number(figure) === 0) return `0.0 ${unitName(unit)}`;
  return readable(unit === 'mm' ? `${mm > 0 ? '+' : ''}${figure} mm` : lengthIn(mm, unit, 2));
}

/** Whole turns and flats: `1 turn and 2 flats`. */
export function turnsInWords(turns: number): string {
  const flats = Math.round(Math.abs(turns) * FLATS);
  const [whole, rest] = [Math.floor(flats / FLATS), flats % FLATS];
  return (
    [whole > 0 && counted(whole, 'turn'), rest > 0 && counted(rest, 'flat')]
      .filter(Boolean)
      .join(' and ') || 'not at all'
  );
}

/**
 * One move: `upper arm, front tube: 1 turn and 2 flats longer`.
 * @param stands where it stands from the drawing already, mm
 */
export function moveInWords(
  { freedoms, points }: Pick<AxleDesign, 'freedoms' | 'points'>,
  { adjuster, by }: SetMove,
  unit: LengthUnit = 'mm',
  stands = 0,
): string {
  const { name, of, per } = adjuster;
  if (of.kind === 'member') {
    const way = by > 0 ? 'longer' : 'shorter';
    return adjuster.unit === 'turn'
      ? `${name}: ${turnsInWords(by / per)} ${way}`
      : `${name}: ${counted(Math.round(Math.abs(by / per)), 'half turn')} ${way}, that end undone`;
  }
  const { point, coordinate } = of;
  const way = wayOf(coordinate, by);
  const joint = name.slice(0, name.lastIndexOf(','));
  const length = lengthOf(by, unit);
  switch (adjuster.unit) {
    case 'washer': {
      const freedom = freedoms?.[point]?.[coordinate];
      const washers =
        freedom?.kind === 'shims'
          ? washersFor(freedom, points[point][coordinate] + stands + by)
          : null;
      const stack = washers
        ? washers.length === 0
          ? 'all washers out'
          : `washers ${washers.map((one) => lengthOf(one, unit)).join(' + ')} in all`
        : 'washers';
      return `${joint}: ${stack}, ${length} ${way}`;
    }
    case 'hole':
      return `${joint}: to the hole ${length} further ${way}`;
    case 'flip':
      return `${joint}: its plate turned over, ${length} ${way}`;
    case 'throw':
      return `${joint}: eccentric ${length} ${way}, of ${lengthOf(per, unit)} either way`;
    case 'half turn':
      return `${joint}: ${counted(Math.round(Math.abs(by / per)), 'half turn')} ${way}, undone`;
    default:
      return `${joint}: ${length} ${way} in its slot`;
  }
}

/** What one unit of an adjuster is called. */
export const unitInWords = ({ unit, of }: Adjuster): string =>
  unit === 'turn' && of.kind === 'member' ? 'one turn longer' : `one ${unit}`;

/** What cannot be had: `0.41° of camber short: upper arm, front tube 3.2 mm further; it is at its end`. */
export function shortInWords({ of, by, cure }: Short, unit: LengthUnit = 'mm'): string {
  const short = `${Math.abs(by).toFixed(2)}° of ${of} ${by > 0 ? 'too little' : 'too much'}`;
  if (!cure) return `${short}: nothing here sets it`;
  const { adjuster, more, atEnd } = cure;
  const end = more > 0 ? adjuster.ends.to : adjuster.ends.from;
  const further = `${adjuster.name} would have to go ${lengthOf(more, unit)} ${
    adjuster.of.kind === 'member' ? (more > 0 ? 'longer' : 'shorter') : 'further'
  }`;
  return `${short}: ${further}${atEnd ? `, past its end (${end})` : ', between two of its places'}`;
}

const OF: Readonly<Record<SetBy, string>> = { camber: 'camber', caster: 'caster', toe: 'toe' };

/** What a plan comes to: `camber −1.10° → −1.50°`. */
export const changesInWords = ({ before, after }: SetupPlan): string[] =>
  (['camber', 'caster', 'toe'] as const).flatMap((of) =>
    before[of] === null || after[of] === null
      ? []
      : [`${OF[of]} ${signed(before[of])} → ${signed(after[of])}`],
  );

/** Where an adjuster stands from the drawing: `1 turn and 2 flats longer`, `as drawn`. */
export function standsInWords(
  adjuster: Adjuster | null,
  by: number,
  unit: LengthUnit = 'mm',
): string {
  if (Math.abs(by) < 1e-6) return 'as drawn';
  if (!adjuster) return `${readable((by > 0 ? '+' : '') + by.toFixed(2))} mm`;
  const { of, per } = adjuster;
  if (of.kind === 'point') return `${lengthOf(by, unit)} ${wayOf(of.coordinate, by)}`;
  const way = by > 0 ? 'longer' : 'shorter';
  return adjuster.unit === 'turn'
    ? `${turnsInWords(by / per)} ${way}`
    : `${counted(Math.round(Math.abs(by / per)), 'half turn')} ${way}`;
}
