import { useId } from 'react';
import { usePlotArea, useXAxisScale, useYAxisScale } from 'recharts';

/** A frame's scales in px, its inside and a name to clip to it by; null until it is laid out. */
export function usePlot() {
  const id = useId();
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  const area = usePlotArea();
  if (!x || !y || !area) return null;
  return {
    ...{ id, area, clip: `url(#${id})` },
    x: (value: number) => Number(x(value)),
    y: (value: number) => Number(y(value)),
  };
}
export type Plot = NonNullable<ReturnType<typeof usePlot>>;

/** What draws nothing outside the frame is clipped by. */
export const Inside = ({ id, area: { x, y, width, height } }: Plot) => (
  <clipPath id={id}>
    <rect x={x} y={y} width={width} height={height} />
  </clipPath>
);

/** For data that only stretch the axes. */
export const NOTHING = () => <g />;
