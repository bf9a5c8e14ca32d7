import { Document, WebIO } from '@gltf-transform/core';
import type { Material, Mesh, Scene } from '@gltf-transform/core';
import { BoxGeometry, CylinderGeometry, Matrix4, Quaternion, SphereGeometry, Vector3 } from 'three';
import type { BufferGeometry } from 'three';
import { distance, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { spindleOf } from '../kinematics/spindle';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { memberId } from '../model/made';
import { toVec } from '../model/points';
import { middleLine } from './middleLine';
import { shopParts } from './parts';

/** Joints are drawn as balls of so much across, mm. */
const BALL = 18;

/** A place [ahead, left, up] mm as glTF has it: x left, y up, z ahead, metres. */
const placed = ([ahead, left, up]: Vec): [number, number, number] => [
  left / 1000,
  up / 1000,
  ahead / 1000,
];

/**
 * All corners of a build as they stand at ride height, as binary glTF 2.0: a node for every member and joint, named as
 * they are called; cylinders of true diameter, metres.
 */
export async function buildGlb(build: Build): Promise<Uint8Array> {
  const document = new Document();
  document.createBuffer();
  const scene = document.createScene(build.name);
  const metal = document.createMaterial('metal').setBaseColorFactor([0.55, 0.57, 0.6, 1]);
  const rubber = document.createMaterial('tyre').setBaseColorFactor([0.12, 0.12, 0.12, 1]);
  const rod = meshOf(document, 'rod', new CylinderGeometry(0.5, 0.5, 1, 24), metal);
  const block = meshOf(document, 'bar', new BoxGeometry(1, 1, 1), metal);
  const tyre = meshOf(document, 'tyre', new CylinderGeometry(0.5, 0.5, 1, 48), rubber);
  const ball = meshOf(document, 'joint', new SphereGeometry(0.5, 20, 12), metal);
  for (const axle of ['front', 'rear'] as const)
    for (const side of ['left', 'right'] as const) {
      const wheel = wheelOf(build, axle, side);
      if (!wheel) continue;
      const { type, points, design } = wheel;
      const hand = side === 'left' ? 1 : -1;
      const at = (name: string): Vec => {
        const [ahead, out, up] = toVec(points[name]);
        return [ahead, hand * out, up];
      };
      const which = `${axle} ${side}`;
      const lines = linesOf(wheel, hand);
      for (const member of type.members) {
        const made = design.made?.[memberId(member)];
        const across = made?.outside ?? member.diameter;
        const name = `${which} ${member.name ?? `${member.from} to ${member.to}`}`;
        const line = lines.get(memberId(member));
        const corners = line?.corners ?? [at(member.from), at(member.to)];
        const flat = made && (made.form === 'square' || made.form === 'plate');
        corners.slice(1).forEach((to, i) => {
          const own = corners.length > 2 ? `${name}, leg ${i + 1}` : name;
          if (flat && line)
            bar(document, scene, block, own, corners[i], to, line.up, [
              across,
              made.form === 'square' ? across : made.wall,
            ]);
          else cylinder(document, scene, rod, own, corners[i], to, across);
        });
      }
      for (const [name, { label, mark }] of Object.entries(type.points))
        if (!mark && name in points)
          scene.addChild(
            document
              .createNode(`${which} ${label}`)
              .setMesh(ball)
              .setTranslation(placed(at(name)))
              .setScale([BALL / 1000, BALL / 1000, BALL / 1000]),
          );
      const [a, o, u] = spindleOf(design.static);
      const half = scale([a, hand * o, u], design.tyre.width / 2);
      const centre = at('wheelCentre');
      cylinder(
        document,
        scene,
        tyre,
        `${which} tyre`,
        sub(centre, half),
        [centre[0] + half[0], centre[1] + half[1], centre[2] + half[2]],
        2 * design.tyre.radius,
      );
    }
  return new WebIO().writeBinary(document);
}

/** A round bar of so much across, mm. */
function cylinder(
  document: Document,
  scene: Scene,
  mesh: Mesh,
  name: string,
  from: Vec,
  to: Vec,
  across: number,
): void {
  if (distance(from, to) < LEAST) return;
  const along = new Vector3(...placed(unit(sub(to, from)))).normalize();
  const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), along);
  between(document, scene, mesh, name, from, to, turn, [across, across]);
}
/** Shorter than this nothing is drawn, mm. */
const LEAST = 0.01;

/** Where the members that are made go in the car, and which way their upper side looks. */
function linesOf(wheel: Wheel, hand: 1 | -1): Map<string, { corners: Vec[]; up: Vec }> {
  const turned = ([a, o, u]: Vec): Vec => [a, hand * o, u];
  return new Map(
    shopParts(wheel).flatMap((part) =>
      part.members.map((member) => {
        const { corners, up } = middleLine(wheel, part, member);
        return [member.id, { corners: corners.map(turned), up: turned(up) }] as const;
      }),
    ),
  );
}

/** A bar with flat sides: so wide beside its upper side, so thick along it, mm. */
function bar(
  document: Document,
  scene: Scene,
  mesh: Mesh,
  name: string,
  from: Vec,
  to: Vec,
  up: Vec,
  sides: readonly [wide: number, thick: number],
): void {
  if (distance(from, to) < LEAST) return;
  const y = new Vector3(...placed(unit(sub(to, from)))).normalize();
  const wanted = new Vector3(...placed(up));
  const z = wanted.addScaledVector(y, -wanted.dot(y)).normalize();
  const x = new Vector3().crossVectors(y, z);
  const turn = new Quaternion().setFromRotationMatrix(new Matrix4().makeBasis(x, y, z));
  between(document, scene, mesh, name, from, to, turn, sides);
}

/** A mesh of unit length along y, from a place to another, turned, so much across. */
function between(
  document: Document,
  scene: Scene,
  mesh: Mesh,
  name: string,
  from: Vec,
  to: Vec,
  turn: Quaternion,
  [wide, thick]: readonly [number, number],
): void {
  scene.addChild(
    document
      .createNode(name)
      .setMesh(mesh)
      .setTranslation(placed(scale([from[0] + to[0], from[1] + to[1], from[2] + to[2]], 0.5)))
      .setRotation([turn.x, turn.y, turn.z, turn.w])
      .setScale([wide / 1000, distance(from, to) / 1000, thick / 1000]),
  );
}

function meshOf(document: Document, name: string, of: BufferGeometry, material: Material): Mesh {
  const numbers = (attribute: string) =>
    document
      .createAccessor()
      .setType('VEC3')
      .setArray(Float32Array.from(of.getAttribute(attribute).array))
      .setBuffer(document.getRoot().listBuffers()[0]);
  const primitive = document
    .createPrimitive()
    .setMaterial(material)
    .setAttribute('POSITION', numbers('position'))
    .setAttribute('NORMAL', numbers('normal'))
    .setIndices(
      document
        .createAccessor()
        .setType('SCALAR')
        .setArray(Uint16Array.from(of.index!.array))
        .setBuffer(document.getRoot().listBuffers()[0]),
    );
  return document.createMesh(name).addPrimitive(primitive);
}
