import { BAND, PAPER } from '../theme';

interface Props {
  now: number;
  /** Least and greatest value over the travel; null where part of it is out of reach. */
  span: { min: number; max: number } | null;
  band: readonly [number, number] | null;
  /** How far nine cars in ten built from these measurements deviate from `now`. */
  built: { low: number; high: number } | null;
}

/** A short ruler: the band as a shaded bed, the span over the travel as a bar, the value now as a mark with whiskers for what the ± leaves open. */
export function Ruler({ now, span, band, built }: Props) {
  const [least, most] = [now + (built?.low ?? 0), now + (built?.high ?? 0)];
  const low = Math.min(now, least, span?.min ?? now, band?.[0] ?? now);
  const high = Math.max(now, most, span?.max ?? now, band?.[1] ?? now);
  const room = Math.max((high - low) * 0.08, 1e-6);
  const x = (value: number) => ((value - low + room) / (high - low + 2 * room)) * 100;
  return (
    <svg
      width="100%"
      height={10}
      viewBox="0 0 100 10"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {band && (
        <rect x={x(band[0])} width={x(band[1]) - x(band[0])} y={0} height={10} fill={BAND.within} />
      )}
      <path d="M0 5h100" stroke={PAPER.line} strokeWidth={1} vectorEffect="non-scaling-stroke" />
      {span && (
        <path
          d={`M${x(span.min)} 5H${x(span.max)}`}
          stroke={PAPER.soft}
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {built && (
        <path
          d={`M${x(least)} 5H${x(most)}M${x(least)} 2V8M${x(most)} 2V8`}
          stroke={PAPER.accent}
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={`M${x(now)} 0V10`}
        stroke={PAPER.accent}
        strokeWidth={3}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
