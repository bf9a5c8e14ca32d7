import type { Nulls } from '@/core/bumpsteer/nulls';
import { add, scale } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import { SLATE } from '../theme';
import type { Label } from './labels';

/** How far each way a null line is drawn, mm. */
const LONG = 160;

/** Where joints leave the toe alone: both null lines as strings, the outer joint's path held straight. */
export function NullStrings({ nulls, px }: { nulls: Nulls; px: (p: Vec) => [number, number] }) {
  const path = nulls.path.map((p) => px(p).join(' ')).join('L');
  return (
    <g fill="none" stroke={SLATE.accent} strokeWidth={1.2} pointerEvents="none" data-part="nulls">
      {path !== '' && <path d={`M${path}`} strokeDasharray="1.5 2.5" />}
      {(['lines', 'parallel'] as const).map((rule) => {
        const at = nulls.rules[rule];
        if (!at) return null;
        const [x1, y1] = px(nulls.from);
        const [x, y] = px(at);
        return (
          <g key={rule} stroke={SLATE.soft} data-rule={rule}>
            <path d={`M${x1} ${y1}L${x} ${y}`} strokeDasharray="2 5" />
            <path d={`M${x - 4} ${y - 4}l8 8M${x + 4} ${y - 4}l-8 8`} />
          </g>
        );
      })}
      {[nulls.inner, nulls.outer].map((one) => {
        if (!one) return null;
        const { nearest, axis } = one.line;
        const [x1, y1] = px(add(nearest, scale(axis, LONG)));
        const [x2, y2] = px(add(nearest, scale(axis, -LONG)));
        const [x, y] = px(one.at);
        return (
          <g key={one.point} data-null={one.point}>
            <path
              d={`M${x1} ${y1}L${x2} ${y2}`}
              strokeDasharray={one === nulls.outer ? '9 4' : undefined}
              strokeOpacity={0.8}
            />
            <path d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`} strokeWidth={1.8} />
          </g>
        );
      })}
    </g>
  );
}

/** What the rules of thumb are called, where their joints would be; and whose a null line is. */
export const nullLabels = (nulls: Nulls, px: (p: Vec) => [number, number]): Label[] =>
  (['lines', 'parallel'] as const).flatMap((rule): Label[] => {
    const at = nulls.rules[rule];
    return at ? [{ text: rule, at: px(at), tone: 'soft', size: 12 }] : [];
  });
