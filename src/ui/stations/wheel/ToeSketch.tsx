import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { totalToe } from '@/core/upright/place';
import { PAPER } from '../../theme';

/** How far a degree is drawn: what is set would not be seen. */
const SHOWN = 12;

/** Both wheels from above, nose up, as the sign of toe has them, and what both come to. */
export const ToeSketch = memo(function ToeSketch({
  toe,
  radius,
  unit,
}: {
  /** Of one wheel, degrees, + in. */
  toe: number;
  radius: number;
  unit: LengthUnit;
}) {
  const turn = Math.sign(toe) * Math.min(18, SHOWN * Math.max(0.35, Math.abs(toe)));
  const { degrees, across } = totalToe(toe, radius);
  const word = toe === 0 ? 'straight ahead' : toe > 0 ? 'toe-in' : 'toe-out';
  return (
    <figure style={{ display: 'flex', alignItems: 'center', gap: 8, margin: 0 }}>
      <svg
        width={64}
        height={40}
        viewBox="0 0 64 40"
        role="img"
        aria-label={`From above, nose up: ${word}`}
      >
        <path d="M32 6v28M28 10l4-5 4 5" fill="none" stroke={PAPER.soft} strokeWidth={1.3} />
        {[
          [12, 1],
          [52, -1],
        ].map(([x, way]) => (
          <rect
            key={x}
            x={x - 4}
            y={7}
            width={8}
            height={26}
            rx={2}
            fill={PAPER.wash}
            stroke={PAPER.ink}
            strokeWidth={1.4}
            transform={`rotate(${toe === 0 ? 0 : way * turn} ${x} 20)`}
          />
        ))}
      </svg>
      <Typography component="figcaption" variant="caption">
        {word}
        {toe !== 0 && (
          <>
            <br />
            total {readable(degrees.toFixed(2))}°, {lengthIn(Math.abs(across), unit, 1)} at the
            tyres
          </>
        )}
      </Typography>
    </figure>
  );
});
