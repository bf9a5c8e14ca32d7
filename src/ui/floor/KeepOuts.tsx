import type { KeepOut } from '@/core/model/room';
import type { Vec } from '@/core/geometry/vec';
import { SLATE } from '../theme';

/** Bodies to keep clear of, hatched faintly; a round one as a thick line of its own width. */
export function KeepOuts({
  bodies,
  px,
  scale,
}: {
  bodies: KeepOut[];
  px: (p: Vec) => [number, number];
  scale: number;
}) {
  return (
    <g stroke={SLATE.string} fill={SLATE.string} fillOpacity={0.22} pointerEvents="none">
      {bodies.map((body) => {
        if (body.kind === 'box') {
          const corner = (sign: 1 | -1): Vec => [
            body.middle.ahead + (sign * body.size.ahead) / 2,
            body.middle.out + (sign * body.size.out) / 2,
            body.middle.up + (sign * body.size.up) / 2,
          ];
          const [x1, y1] = px(corner(-1));
          const [x2, y2] = px(corner(1));
          return (
            <rect
              key={body.id}
              x={Math.min(x1, x2)}
              y={Math.min(y1, y2)}
              width={Math.abs(x2 - x1)}
              height={Math.abs(y2 - y1)}
              data-keepout={body.name}
            >
              <title>{body.name}</title>
            </rect>
          );
        }
        const [x1, y1] = px([body.from.ahead, body.from.out, body.from.up]);
        const [x2, y2] = px([body.to.ahead, body.to.out, body.to.up]);
        return (
          <line
            key={body.id}
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            strokeWidth={Math.max(2, body.diameter * scale)}
            strokeOpacity={0.35}
            data-keepout={body.name}
          >
            <title>{body.name}</title>
          </line>
        );
      })}
    </g>
  );
}
