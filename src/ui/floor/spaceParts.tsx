'use client';

import { useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide, Quaternion, Vector3 } from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { surfaceOf } from '@/core/model/mesh';
import type { KeepOut, MeshBody } from '@/core/model/room';
import type { Vec } from '@/core/geometry/vec';
import { toVec } from '@/core/model/points';
import { SLATE } from '../theme';

/** A place of the car as the camera has it: y is up. */
export type Place = (v: Vec) => Vector3;

/** Whether the browser draws in space at all: some shops' machines do not. */
export function drawsInSpace(): boolean {
  try {
    return document.createElement('canvas').getContext('webgl2') !== null;
  } catch {
    return false;
  }
}

/** Lets the eye go round a place. */
export function Turning({ about }: { about: Vector3 }) {
  const { camera, gl, invalidate, set } = useThree();
  useEffect(() => {
    const controls = new OrbitControls(camera, gl.domElement);
    controls.target.copy(about);
    controls.maxPolarAngle = Math.PI / 2 + 0.35;
    controls.minDistance = 200;
    controls.maxDistance = 5000;
    controls.addEventListener('change', () => invalidate());
    controls.update();
    set({ controls });
    return () => controls.dispose();
  }, [camera, gl, invalidate, set, about]);
  return null;
}

/** Holds the eye still while something is dragged, or lets it go round again. */
export const letTurn = ({ controls }: { controls: unknown }, on: boolean): void => {
  if (controls) (controls as OrbitControls).enabled = on;
};

export const UP = new Vector3(0, 1, 0);

/** Where a round body between two places stands: its middle, its way and its length. */
function along(from: Vector3, to: Vector3) {
  const way = to.clone().sub(from);
  const length = Math.max(way.length(), 0.1);
  return {
    length,
    position: from.clone().add(to).multiplyScalar(0.5),
    quaternion: new Quaternion().setFromUnitVectors(UP, way.divideScalar(length)),
  };
}

export function Tube({
  from,
  to,
  radius,
  colour,
  opacity = 1,
}: {
  from: Vector3;
  to: Vector3;
  radius: number;
  colour: string;
  opacity?: number;
}) {
  const { position, quaternion, length } = along(from, to);
  return (
    <mesh position={position} quaternion={quaternion} scale={[radius, length, radius]}>
      <cylinderGeometry args={[1, 1, 1, 20]} />
      <meshStandardMaterial
        color={colour}
        transparent={opacity < 1}
        opacity={opacity}
        depthWrite={opacity === 1}
      />
    </mesh>
  );
}

/** A body to keep clear of; `hand` −1 where outward is the car's right. */
export function Body({ body, place, hand = 1 }: { body: KeepOut; place: Place; hand?: 1 | -1 }) {
  if (body.kind === 'mesh') return <Surface body={body} place={place} hand={hand} />;
  if (body.kind === 'cylinder') {
    return (
      <Tube
        from={place(toVec(body.from))}
        to={place(toVec(body.to))}
        radius={body.diameter / 2}
        colour={SLATE.string}
        opacity={0.5}
      />
    );
  }
  const { middle, size } = body;
  return (
    <mesh position={place(toVec(middle))}>
      <boxGeometry args={[size.out, size.up, size.ahead]} />
      <meshStandardMaterial color={SLATE.string} transparent opacity={0.5} depthWrite={false} />
    </mesh>
  );
}

function Surface({ body, place, hand }: { body: MeshBody; place: Place; hand: 1 | -1 }) {
  const geometry = useMemo(() => {
    const { places, triangles } = surfaceOf(body)!;
    const drawn = new BufferGeometry();
    const at = new Float32Array(places.length);
    for (let i = 0; i < places.length; i += 3)
      place([places[i], hand * places[i + 1], places[i + 2]]).toArray(at, i);
    drawn.setAttribute('position', new BufferAttribute(at, 3));
    drawn.setIndex(new BufferAttribute(triangles.slice(), 1));
    drawn.computeVertexNormals();
    return drawn;
  }, [body, place, hand]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial
        color={SLATE.string}
        transparent
        opacity={0.55}
        side={DoubleSide}
        depthWrite={false}
      />
    </mesh>
  );
}

/** What stands there where the browser cannot. */
export const NoSpace = () => (
  <p role="alert" style={{ color: SLATE.chalk, padding: '60px 24px' }}>
    This browser cannot draw in space (it has no WebGL). The three views show the same.
  </p>
);
