'use client';

import { Canvas, useThree } from '@react-three/fiber';
import { memo, useMemo, useRef, useState } from 'react';
import { CatmullRomCurve3, Plane, Vector3 } from 'three';
import type { ColumnPoint } from '@/core/column/move';
import type { Vec } from '@/core/geometry/vec';
import type { Column } from '@/core/model/column';
import type { KeepOut } from '@/core/model/room';
import { Body, NoSpace, Tube, Turning, drawsInSpace, letTurn } from '../../floor/spaceParts';
import { SLATE } from '../../theme';
import { drawnRounds, rimOf } from './drawing';

interface Props {
  column: Column;
  tried: Column | null;
  points: readonly ColumnPoint[];
  bodies: KeepOut[];
  rack: readonly [Vec, Vec] | null;
  selected: string | null;
  onSelect: (id: string) => void;
  /** Moves a point to a place, [ahead, left, up] mm; the first and the last of a drag are told. */
  onMove: (id: string, to: Vec, first: boolean, last: boolean) => void;
}

/** The car's left is the screen's left when one stands behind it; y is up for the camera. */
const place = ([ahead, left, up]: Vec): Vector3 => new Vector3(-left, up, -ahead);
const inCar = ({ x, y, z }: Vector3): Vec => [-z, -x, y];

/** A column in space: turn it by dragging beside it, drag a joint across the line of sight. */
export const ColumnSpace = memo(function ColumnSpace(props: Props) {
  const { column, tried, points, selected } = props;
  const [works] = useState(drawsInSpace);
  const [middle] = useState(() => {
    const sum = points.reduce((all, { at }) => all.add(place(at)), new Vector3());
    return sum.divideScalar(points.length);
  });
  const [eye] = useState(() => new Vector3(middle.x + 700, middle.y + 650, middle.z + 1500));
  if (!works) return <NoSpace />;
  return (
    <Canvas
      frameloop="demand"
      flat
      camera={{ position: eye, fov: 32, near: 10, far: 12_000 }}
      aria-label="The column in space"
      role="img"
    >
      <color attach="background" args={[SLATE.ground]} />
      <ambientLight intensity={1.6} />
      <directionalLight position={[800, 1800, 1200]} intensity={1.8} />
      <Turning about={middle} />
      <gridHelper args={[2400, 24, SLATE.line, SLATE.line]} position={[middle.x, 0, middle.z]} />
      <Chain column={column} colour={SLATE.chalk} />
      {tried && <Chain column={tried} colour={SLATE.accent} />}
      {props.rack && (
        <Tube
          from={place(props.rack[0])}
          to={place(props.rack[1])}
          radius={16}
          colour={SLATE.string}
        />
      )}
      {props.bodies.map((body) => (
        <Body key={body.id} body={body} place={place} />
      ))}
      {points.map((point) => (
        <Handle
          key={point.id}
          point={point}
          selected={point.id === selected}
          onSelect={props.onSelect}
          onMove={props.onMove}
        />
      ))}
    </Canvas>
  );
});

function Chain({ column, colour }: { column: Column; colour: string }) {
  const rim = useMemo(() => new CatmullRomCurve3(rimOf(column).map(place), true), [column]);
  return (
    <>
      {drawnRounds(column).map(({ from, to, radius }, i) => (
        <Tube key={i} from={place(from)} to={place(to)} radius={radius} colour={colour} />
      ))}
      <mesh>
        <tubeGeometry args={[rim, 96, column.wheel.rim / 2, 10, true]} />
        <meshStandardMaterial color={colour} transparent opacity={0.6} />
      </mesh>
    </>
  );
}

/** A place that can be taken hold of: it goes in the plane that faces the eye. */
function Handle({
  point: { id, at, label },
  selected,
  onSelect,
  onMove,
}: Pick<Props, 'onSelect' | 'onMove'> & { point: ColumnPoint; selected: boolean }) {
  // The eye does not go round while something is held.
  const get = useThree((state) => state.get);
  const held = useRef<{ plane: Plane; off: Vector3; last: Vec; moved: boolean } | null>(null);
  return (
    <mesh
      position={place(at)}
      userData={{ label }}
      onPointerDown={(event) => {
        event.stopPropagation();
        onSelect(id);
        letTurn(get(), false);
        const facing = event.camera.getWorldDirection(new Vector3());
        // Through where it was taken hold of: that is not its middle.
        const plane = new Plane().setFromNormalAndCoplanarPoint(facing, event.point);
        held.current = { plane, off: place(at).sub(event.point), last: at, moved: false };
        (event.target as Element).setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        const now = held.current;
        const hit = now && event.ray.intersectPlane(now.plane, new Vector3());
        if (!now || !hit) return;
        event.stopPropagation();
        const first = !now.moved;
        held.current = { ...now, last: inCar(hit.add(now.off)), moved: true };
        onMove(id, held.current.last, first, false);
      }}
      onPointerUp={(event) => {
        const now = held.current;
        held.current = null;
        letTurn(get(), true);
        (event.target as Element).releasePointerCapture(event.pointerId);
        if (now?.moved) onMove(id, now.last, false, true);
      }}
    >
      <sphereGeometry args={[selected ? 21 : 17, 24, 16]} />
      <meshStandardMaterial color={selected ? SLATE.accent : SLATE.string} />
    </mesh>
  );
}
