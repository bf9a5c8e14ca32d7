import { memo } from 'react';
import useMeasure from 'react-use-measure';
import { armJointOf } from '@/core/corners/kinds';
import type { Vec } from '@/core/geometry/vec';
import { axisAtHeight } from '@/core/kinematics/joints';
import type { AxleDesign, Side } from '@/core/model/build';
import { Joint } from '../../floor/Joint';
import type { JointDrag } from '../../floor/Joint';
import { SLATE } from '../../theme';
import { useStable } from '../../useStable';
import { HEIGHT, SIDES, Slate, Tyre, inCar, line } from './plan';
import type { Place } from './plan';
import type { BothDrawn } from './useSteering';

/** An outer joint dragged in plan: how far from where it was taken hold of, mm ahead and outboard, as it is seen. */
export interface PlanDrag {
  side: Side;
  by: { ahead: number; out: number };
  first: boolean;
  last: boolean;
}

interface Props {
  front: BothDrawn;
  /** The same of what is looked at beside it. */
  ghost: BothDrawn | null;
  tyre: AxleDesign['tyre'];
  wheelbase: number;
  /** Where a drop arm's shaft is, at the height of its holes; null where a rack steers. */
  shaft: Place | null;
  onDrag: (drag: PlanDrag) => void;
}

/** The front axle from above, nose up: rack, rods, arms, and the strings to the middle of the rear axle. */
export const AxlePlan = memo(function AxlePlan(props: Props) {
  const { front, ghost, tyre, wheelbase, shaft, onDrag } = props;
  const [ref, { width }] = useMeasure();
  const widest = Math.max(...SIDES.map((side) => front[side].at.wheelCentre[1]));
  // In steps, so that the picture stays as it is while a joint is dragged over it.
  const half = Math.ceil(widest / 50) * 50 + 300;
  const scale = Math.min(width / 2 / half, HEIGHT / 900);
  const px = ([ahead, left]: Place): [number, number] => [
    width / 2 - left * scale,
    HEIGHT / 2 - ahead * scale,
  ];
  const drag = useStable((side: Side, { by, first, last }: JointDrag) => {
    const [right, down] = [by[0] / scale, by[1] / scale];
    onDrag({ side, by: { ahead: -down, out: side === 'left' ? -right : right }, first, last });
  });
  const handleLeft = useStable((one: JointDrag) => drag('left', one));
  const handleRight = useStable((one: JointDrag) => drag('right', one));
  const inners = SIDES.flatMap((side) => {
    const { type, at } = front[side];
    return type.tieRod ? [px(inCar(side, at[type.tieRod.inner]))] : [];
  });
  const { across } = front.left;
  return (
    <Slate
      ref={ref}
      label="The front axle from above, nose up; its outer joints can be dragged"
      {...{ width }}
    >
      <path d={line(px([500, 0]), px([-500, 0]))} stroke={SLATE.line} strokeDasharray="10 5 2 5" />
      {ghost && SIDES.map((side) => <Ghost key={side} {...{ side, px }} drawn={ghost[side]} />)}
      {SIDES.map((side) => {
        const drawn = front[side];
        const at = (v: Vec) => px(inCar(side, v));
        const joint = armJoint(drawn);
        const axis = axisAtHeight(drawn.axis, joint[2]);
        return (
          <g key={side}>
            <Tyre {...{ side, px, drawn, tyre }} />
            <g strokeLinecap="round" stroke={SLATE.chalk}>
              {drawn.type.members
                .filter(({ role }) => role !== 'upright')
                .map(({ from, to, role }) => (
                  <path
                    key={from + to}
                    d={line(at(drawn.at[from]), at(drawn.at[to]))}
                    strokeWidth={role === 'rod' ? 4 : 1.6}
                    strokeOpacity={role === 'rod' ? 0.95 : 0.45}
                  />
                ))}
            </g>
            {axis && (
              <>
                <path
                  d={line(at(axis), at(joint))}
                  stroke={SLATE.soft}
                  strokeWidth={5}
                  strokeLinecap="round"
                  data-arm={side}
                />
                <path
                  d={line(...stringOf(at, axis, wheelbase))}
                  stroke={SLATE.accent}
                  strokeDasharray="5 4"
                  data-string={side}
                />
                <circle cx={at(axis)[0]} cy={at(axis)[1]} r={4} fill={SLATE.accent} />
              </>
            )}
          </g>
        );
      })}
      {across && (
        <path
          d={line(px(inCar('left', across.rod[0])), px(inCar('left', across.rod[1])))}
          stroke={SLATE.chalk}
          strokeWidth={4}
          strokeOpacity={0.95}
          data-part="tie rod"
        />
      )}
      {inners.map(([cx, cy], i) => (
        <circle
          key={i}
          {...{ cx, cy }}
          r={4.5}
          fill={SLATE.ground}
          stroke={SLATE.chalk}
          strokeWidth={1.8}
        />
      ))}
      {shaft ? (
        <g stroke={SLATE.string} strokeWidth={7} strokeOpacity={0.6} strokeLinecap="round">
          {inners.map((inner, i) => (
            <path key={i} d={line(px(shaft), inner)} data-part="drop arm" />
          ))}
          <circle cx={px(shaft)[0]} cy={px(shaft)[1]} r={5} fill={SLATE.string} stroke="none" />
        </g>
      ) : (
        <path
          d={line(inners[0], inners[1])}
          stroke={SLATE.string}
          strokeWidth={7}
          strokeOpacity={0.6}
        />
      )}
      {SIDES.map((side) => {
        const [x, y] = px(inCar(side, armJoint(front[side])));
        return (
          <Joint
            key={side}
            name={armJointOf(front[side].type)!}
            label={`${side} tie rod outer joint: drag it`}
            x={x}
            y={y}
            selected={false}
            state={undefined}
            sketched={false}
            onSelect={nothing}
            onDrag={side === 'left' ? handleLeft : handleRight}
          />
        );
      })}
      <text x={12} y={18} fill={SLATE.soft} fontSize={13}>
        Front axle from above: drag an outer joint
      </text>
    </Slate>
  );
});

const nothing = () => undefined;

/** The joint that the string is drawn to: of the arm that turns both wheels alike. */
const armJoint = ({ type, at }: BothDrawn[Side]): Vec => at[armJointOf(type)!];

/** Rod and arm of what is looked at. */
function Ghost({
  side,
  px,
  drawn,
}: {
  side: Side;
  px: (place: Place) => [number, number];
  drawn: BothDrawn[Side];
}) {
  const at = (v: Vec) => px(inCar(side, v));
  const outer = armJoint(drawn);
  const { tieRod } = drawn.type;
  const rod = tieRod && { inner: drawn.at[tieRod.inner], outer: drawn.at[tieRod.outer] };
  const axis = axisAtHeight(drawn.axis, outer[2]);
  return (
    <g stroke={SLATE.accent} fill="none" strokeWidth={2} data-ghost={side}>
      {rod && <path d={line(at(rod.inner), at(rod.outer))} strokeDasharray="3 4" />}
      {axis && <path d={line(at(axis), at(outer))} strokeDasharray="3 4" />}
      <circle cx={at(outer)[0]} cy={at(outer)[1]} r={4} />
      {rod && <circle cx={at(rod.inner)[0]} cy={at(rod.inner)[1]} r={4} />}
    </g>
  );
}

/** The string past the joint, ahead of the axis or behind it as far as the picture goes. */
const stringOf = (
  at: (v: Vec) => [number, number],
  [ahead, out, up]: Vec,
  wheelbase: number,
): [[number, number], [number, number]] => {
  const part = (t: number) => at([ahead - t * (wheelbase + ahead), out * (1 - t), up]);
  return [part(-0.09), part(0.16)];
};
