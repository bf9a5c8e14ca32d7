import { surfaceOf } from '@/core/model/mesh';
import type { KeepOut, MeshBody } from '@/core/model/room';
import type { Vec } from '@/core/geometry/vec';
import { SLATE } from '../theme';

/** Bodies to keep clear of, hatched faintly; a round one as a thick line of its own width, one out of a file as dots. */
export function KeepOuts({
  bodies,
  px,
  scale,
  hand = 1,
}: {
  bodies: KeepOut[];
  /** −1 where outward is the car's right. */
  hand?: 1 | -1;
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
        if (body.kind === 'mesh')
          return (
            <path
              key={body.id}
              d={dotsOf(body, px, hand)}
              strokeWidth={1.6}
              strokeLinecap="round"
              strokeOpacity={0.55}
              fill="none"
              data-keepout={body.name}
            >
              <title>{body.name}</title>
            </path>
          );
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

/** So many places of a surface are drawn. */
const DOTS = 1500;

/** A surface out of a file as the places that it has. */
function dotsOf(body: MeshBody, px: (p: Vec) => [number, number], hand: 1 | -1): string {
  const { places } = surfaceOf(body)!;
  const count = places.length / 3;
  const step = Math.max(1, Math.ceil(count / DOTS));
  let path = '';
  for (let i = 0; i < count; i += step) {
    const [x, y] = px([places[3 * i], hand * places[3 * i + 1], places[3 * i + 2]]);
    path += `M${x.toFixed(1)} ${y.toFixed(1)}h0`;
  }
  return path;
}
