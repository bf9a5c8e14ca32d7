'use client';

import { Canvas } from '@react-three/fiber';
import { memo, useMemo, useState } from 'react';
import { CatmullRomCurve3, Quaternion, Vector2, Vector3 } from 'three';
import type { KeepOut } from '@/core/model/room';
import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign } from '@/core/model/build';
import { pointNames } from '@/core/corners/kinds';
import { pointLabel } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { roomInWheel } from '@/core/upright/rim';
import { SLATE } from '../theme';
import { kingpinString, spindleRoot, wheelOutlines } from './drawing';
import type { Across, Drawn } from './drawing';
import { Body, NoSpace, Tube, Turning, UP, drawsInSpace } from './spaceParts';
import type { Place } from './spaceParts';

interface Props {
  design: AxleDesign;
  mirror: 1 | -1;
  drawn: Drawn;
  /** Drawn thin beside it: a proposal, a variant it is compared with. */
  beside: Drawn[];
  keepOuts: KeepOut[];
  shaft: readonly [Vec, Vec] | null;
  selected: PointName | null;
  onSelect: (name: PointName) => void;
}

/** The corner in space: turn it by dragging, come closer with the wheel, click a joint to select it. */
export const Space = memo(function Space(props: Props) {
  const { design, mirror, drawn, selected } = props;
  // The car's left is the screen's left when one stands before it; y is up for the camera.
  const place = useMemo<Place>(
    () =>
      ([ahead, out, up]) =>
        new Vector3(-mirror * out, up, -ahead),
    [mirror],
  );
  const [middle] = useState(() => place(drawn.at.wheelCentre));
  const [eye] = useState(
    () => new Vector3(middle.x - mirror * 420, middle.y + 620, middle.z - 1150),
  );
  const [works] = useState(drawsInSpace);
  const { contact } = wheelOutlines(drawn, design.tyre);
  const kingpin = kingpinString(drawn, contact[2]);
  const root = spindleRoot(drawn);
  if (!works) return <NoSpace />;
  return (
    <Canvas
      frameloop="demand"
      flat
      camera={{ position: eye, fov: 32, near: 10, far: 12_000 }}
      aria-label="The corner in space"
      role="img"
    >
      <color attach="background" args={[SLATE.ground]} />
      <ambientLight intensity={1.6} />
      <directionalLight position={[-800, 1800, -1200]} intensity={1.8} />
      <Turning about={middle} />
      <gridHelper
        args={[2400, 24, SLATE.line, SLATE.line]}
        position={[middle.x * 0.5, 0, middle.z]}
      />
      <Wheel design={design} drawn={drawn} place={place} />
      {drawn.type.members.map(({ from, to, diameter, role }) => (
        <Tube
          key={from + to}
          from={place(drawn.at[from])}
          to={place(drawn.at[to])}
          radius={diameter / 2}
          colour={role === 'upright' ? SLATE.soft : SLATE.chalk}
        />
      ))}
      {root && (
        <Tube from={place(drawn.at.wheelCentre)} to={place(root)} radius={13} colour={SLATE.soft} />
      )}
      {drawn.across && <AcrossInSpace across={drawn.across} place={place} />}
      {drawn.dropArm && drawn.type.tieRod && (
        <>
          <Tube
            from={place(drawn.dropArm.shaft[0])}
            to={place(drawn.dropArm.shaft[1])}
            radius={10}
            colour={SLATE.string}
          />
          <Tube
            from={place(drawn.dropArm.foot)}
            to={place(drawn.at[drawn.type.tieRod.inner])}
            radius={7}
            colour={SLATE.string}
          />
        </>
      )}
      {props.shaft && (
        <Tube
          from={place(props.shaft[0])}
          to={place(props.shaft[1])}
          radius={14}
          colour={SLATE.string}
        />
      )}
      {kingpin && (
        <Tube from={place(kingpin[0])} to={place(kingpin[1])} radius={1.6} colour={SLATE.accent} />
      )}
      {props.beside.map((other, i) =>
        other.type.members.map(({ from, to }) => (
          <Tube
            key={`${i} ${from}${to}`}
            from={place(other.at[from])}
            to={place(other.at[to])}
            radius={2.5}
            colour={SLATE.accent}
          />
        )),
      )}
      {props.keepOuts.map((body) => (
        <Body key={body.id} body={body} place={place} hand={mirror} />
      ))}
      {pointNames(drawn.type).map((name) => (
        <mesh
          key={name}
          position={place(drawn.at[name])}
          onClick={(event) => {
            event.stopPropagation();
            props.onSelect(name);
          }}
          userData={{ label: pointLabel(design, name) }}
        >
          <sphereGeometry args={[name === selected ? 21 : 17, 24, 16]} />
          <meshStandardMaterial color={name === selected ? SLATE.accent : SLATE.string} />
        </mesh>
      ))}
    </Canvas>
  );
});

/** What goes across to the other wheel, and the leaf that this end hangs on. */
function AcrossInSpace({ across: { rod, beam, leaf }, place }: { across: Across; place: Place }) {
  const curve = useMemo(() => leaf && new CatmullRomCurve3(leaf.map(place)), [leaf, place]);
  return (
    <>
      <Tube from={place(rod[0])} to={place(rod[1])} radius={9} colour={SLATE.chalk} />
      {beam && <Tube from={place(beam[0])} to={place(beam[1])} radius={22} colour={SLATE.chalk} />}
      {curve && (
        <mesh>
          <tubeGeometry args={[curve, 32, 13, 8, false]} />
          <meshStandardMaterial color={SLATE.string} />
        </mesh>
      )}
    </>
  );
}

/** The tyre as a soft round of its own width, open in the middle where the rim is. */
function Wheel({ design, drawn, place }: { design: AxleDesign; drawn: Drawn; place: Place }) {
  const { radius, width } = design.tyre;
  const inner = roomInWheel(design);
  const profile = useMemo(() => {
    const soft = Math.min(width * 0.22, (radius - inner) * 0.45);
    const half = width / 2;
    const corners: [number, number][] = [
      [inner, -half * 0.86],
      [radius - soft, -half],
      [radius, -half + soft],
      [radius, half - soft],
      [radius - soft, half],
      [inner, half * 0.86],
    ];
    const round = new CatmullRomCurve3(
      corners.map(([r, y]) => new Vector3(r, y, 0)),
      true,
      'chordal',
      0.1,
    );
    return round.getPoints(40).map(({ x, y }) => new Vector2(x, y));
  }, [radius, width, inner]);
  const [ax, ay, az] = drawn.spindle;
  const way = place([ax, ay, az]).normalize();
  const quaternion = new Quaternion().setFromUnitVectors(UP, way);
  return (
    <mesh position={place(drawn.at.wheelCentre)} quaternion={quaternion}>
      <latheGeometry args={[profile, 56]} />
      <meshStandardMaterial
        color={SLATE.string}
        transparent
        opacity={0.32}
        depthWrite={false}
        side={2}
      />
    </mesh>
  );
}
