import { Document, WebIO } from '@gltf-transform/core';
import type { Material, Mesh, Scene } from '@gltf-transform/core';
import { CylinderGeometry, Quaternion, SphereGeometry, Vector3 } from 'three';
import type { BufferGeometry } from 'three';
import { distance, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import { spindleOf } from '../kinematics/spindle';
import type { Build } from '../model/build';
import { memberId } from '../model/made';
import { toVec } from '../model/points';

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
      for (const member of type.members) {
        const across = design.made?.[memberId(member)]?.outside ?? member.diameter;
        const name = member.name ?? `${member.from} to ${member.to}`;
        cylinder(document, scene, rod, `${which} ${name}`, at(member.from), at(member.to), across);
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

function cylinder(
  document: Document,
  scene: Scene,
  mesh: Mesh,
  name: string,
  from: Vec,
  to: Vec,
  across: number,
): void {
  const long = distance(from, to);
  if (long < 0.01) return;
  const [x, y, z] = placed(unit(sub(to, from)));
  const turn = new Quaternion().setFromUnitVectors(
    new Vector3(0, 1, 0),
    new Vector3(x, y, z).normalize(),
  );
  scene.addChild(
    document
      .createNode(name)
      .setMesh(mesh)
      .setTranslation(placed(scale([from[0] + to[0], from[1] + to[1], from[2] + to[2]], 0.5)))
      .setRotation([turn.x, turn.y, turn.z, turn.w])
      .setScale([across / 1000, long / 1000, across / 1000]),
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
