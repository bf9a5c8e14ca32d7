import { Box3, Matrix4, Quaternion, Vector3 } from 'three';
import { WebIO } from '@gltf-transform/core';
import { startingBuild } from '../model/made';
import type { Point } from '../model/points';
import { blankBuild } from '../model/starts';
import { buildGlb } from './gltf';

describe('the corners in space', () => {
  it('are read back where they stand, mirrored on the right, metres, y up', async () => {
    const build = blankBuild('A car');
    const document = await new WebIO().readBinary(await buildGlb(build));
    const nodes = document.getRoot().listNodes();
    const node = (name: string) => nodes.find((one) => one.getName() === name)!;
    const { lowerOuter, lowerFrontInner } = build.front.points;
    for (const [side, hand] of [
      ['left', 1],
      ['right', -1],
    ] as const) {
      const [x, y, z] = node(`front ${side} lower ball joint`).getTranslation();
      expect([x, y, z].map((m) => m * 1000)).toEqual([
        expect.closeTo(hand * lowerOuter.out, 3),
        expect.closeTo(lowerOuter.up, 3),
        expect.closeTo(lowerOuter.ahead, 3),
      ]);
      // The cylinder's two ends, by its own matrix, are the joints.
      const arm = node(`front ${side} lower arm, front tube`);
      const matrix = new Matrix4().compose(
        new Vector3(...arm.getTranslation()),
        new Quaternion(...arm.getRotation()),
        new Vector3(...arm.getScale()),
      );
      const ends = [-0.5, 0.5].map((end) => new Vector3(0, end, 0).applyMatrix4(matrix));
      const wanted = [lowerFrontInner, lowerOuter].map(
        ({ ahead, out, up }) => new Vector3((hand * out) / 1000, up / 1000, ahead / 1000),
      );
      expect(Math.min(ends[0].distanceTo(wanted[0]), ends[0].distanceTo(wanted[1]))).toBeLessThan(
        1e-6,
      );
      expect(Math.min(ends[1].distanceTo(wanted[0]), ends[1].distanceTo(wanted[1]))).toBeLessThan(
        1e-6,
      );
    }
    // The tyre as wide and as high as it is said to be.
    const tyre = node('front left tyre');
    const [across, wide] = tyre.getScale();
    expect(across * 1000).toBeCloseTo(2 * build.front.tyre.radius, 3);
    expect(wide * 1000).toBeCloseTo(build.front.tyre.width, 3);
    const positions = tyre.getMesh()!.listPrimitives()[0].getAttribute('POSITION')!.getArray()!;
    const box = new Box3().setFromArray(Float32Array.from(positions));
    expect(box.getSize(new Vector3()).toArray()).toEqual(
      [1, 1, 1].map((n) => expect.closeTo(n, 2)),
    );
  });

  it('have bent tubes in two legs that meet, flat sides on bars that have them, both sides', async () => {
    const build = blankBuild('A car');
    const made = startingBuild({ role: 'arm', diameter: 25 });
    build.front.made = {
      'lowerFrontInner lowerOuter': { ...made, bend: { along: 150, beside: 30, radius: 80 } },
      'lowerRearInner lowerOuter': { ...made, form: 'square' },
    };
    const document = await new WebIO().readBinary(await buildGlb(build));
    const matrixOf = (name: string) => {
      const node = document
        .getRoot()
        .listNodes()
        .find((one) => one.getName() === name)!;
      return new Matrix4().compose(
        new Vector3(...node.getTranslation()),
        new Quaternion(...node.getRotation()),
        new Vector3(...node.getScale()),
      );
    };
    for (const side of ['left', 'right'] as const) {
      const hand = side === 'left' ? 1 : -1;
      const [one, two] = [1, 2].map((leg) =>
        matrixOf(`front ${side} lower arm, front tube, leg ${leg}`),
      );
      const end = (of: Matrix4, at: number) => new Vector3(0, at, 0).applyMatrix4(of);
      expect(end(one, 0.5).distanceTo(end(two, -0.5))).toBeLessThan(1e-6);
      const { lowerOuter, lowerFrontInner, lowerRearInner } = build.front.points;
      const car = ({ ahead, out, up }: Point) =>
        new Vector3((hand * out) / 1000, up / 1000, ahead / 1000);
      expect(end(one, -0.5).distanceTo(car(lowerFrontInner))).toBeLessThan(1e-6);
      expect(end(two, 0.5).distanceTo(car(lowerOuter))).toBeLessThan(1e-6);
      // The square one: its flat looks where the arm's plane does, 25 mm across both ways.
      const bar = matrixOf(`front ${side} lower arm, rear tube`);
      const [x, y, z] = [0, 1, 2].map((k) => new Vector3().setFromMatrixColumn(bar, k));
      expect(x.length() * 1000).toBeCloseTo(25, 6);
      expect(z.length() * 1000).toBeCloseTo(25, 6);
      expect(x.dot(y)).toBeCloseTo(0, 9);
      const plane = car(lowerFrontInner)
        .sub(car(lowerOuter))
        .cross(car(lowerRearInner).sub(car(lowerOuter)))
        .normalize();
      expect(Math.abs(plane.dot(z.normalize()))).toBeCloseTo(1, 6);
    }
  });
});
