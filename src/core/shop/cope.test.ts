import fc from 'fast-check';
import {
  CylinderGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  Quaternion,
  Raycaster,
  Vector3,
} from 'three';
import { add, cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { copeAt, copeOf, keelOf } from './cope';
import type { Branch, Round } from './cope';

const toward = (along: Vec, outside: number, wall: number, keel: Vec = [0, 0, 1]): Branch => ({
  ...{ at: [0, 0, 0], along: unit(along), keel: keelOf(unit(along), keel), outside, wall },
});
const post = (radius: number, at: Vec = [0, 0, 0]): Round => ({ at, along: [0, 0, 1], radius });

describe('copes', () => {
  it('are y = √(R² − x²) square to an equal tube: intersection of two cylinders', () => {
    // Analytic: square, equal diameters, no wall to speak of.
    const branch = toward([1, 0, 0], 30, 1e-9);
    for (let turn = -3; turn <= 3; turn += 0.37) {
      const x = 15 * Math.sin(turn);
      expect(copeAt(branch, [post(15)], turn)).toBeCloseTo(Math.sqrt(15 ** 2 - x ** 2), 6);
    }
  });

  it('follow the handbook’s cope for two angles and diameters', () => {
    // Common practice, from memory: s = (√(R² − r² sin² φ) − r cos φ cos θ) / sin θ, θ between the axes, for a thin wall.
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 150, noNaN: true }),
        fc.double({ min: 5, max: 20, noNaN: true }),
        fc.double({ min: -3.1, max: 3.1, noNaN: true }),
        (degrees, r, turn) => {
          const theta = (degrees * Math.PI) / 180;
          const along: Vec = [Math.sin(theta), 0, Math.cos(theta)];
          const s =
            (Math.sqrt(20 ** 2 - (r * Math.sin(turn)) ** 2) -
              r * Math.cos(turn) * -Math.sin(theta) * 0 -
              r * Math.cos(turn) * -Math.cos(theta)) /
            Math.sin(theta);
          const branch = {
            ...toward(along, 2 * r, 1e-9),
            keel: unit([-Math.cos(theta), 0, Math.sin(theta)]),
          };
          expect(copeAt(branch, [post(20)], turn)).toBeCloseTo(s, 5);
        },
      ),
    );
  });

  const vec = fc.tuple(
    ...([0, 1, 2].map(() => fc.double({ min: -1, max: 1, noNaN: true })) as [
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
    ]),
  );

  it('are where rays along the wall leave a mesh of the body, its inside and what lies between looked at', () => {
    // A general-purpose mesh library: rays against triangles.
    const radius = 24;
    const mesh = new Mesh(
      new CylinderGeometry(radius, radius, 4000, 720, 1, true),
      new MeshBasicMaterial({ side: DoubleSide }),
    );
    const rays = new Raycaster();
    fc.assert(
      fc.property(
        vec,
        vec,
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (a, b, offset, turned) => {
          // A ray along an edge of two triangles may miss both.
          const [off, turn] = [offset + 0.0137, turned + 0.0071];
          fc.pre(Math.hypot(...a) > 0.3 && Math.hypot(...b) > 0.3);
          const [x, h] = [unit(a), unit(b)];
          const sine = Math.hypot(...cross(x, h));
          fc.pre(sine > 0.5);
          const c = scale(unit(cross(x, h)), off);
          mesh.quaternion.copy(
            new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), new Vector3(...h)),
          );
          mesh.position.set(...c);
          mesh.updateMatrixWorld(true);
          const branch: Branch = {
            at: [0, 0, 0],
            along: x,
            keel: keelOf(x, [0, 0, 1]),
            outside: 32,
            wall: 4,
          };
          const side = cross(x, branch.keel);
          const u = add(scale(branch.keel, Math.cos(turn)), scale(side, Math.sin(turn)));
          let most = -Infinity;
          for (let rho = 12; rho <= 16.0001; rho += 0.25) {
            // From far out toward the joint: the first that is met is where the body ends.
            const start = add(scale(u, rho), scale(x, 900));
            rays.set(new Vector3(...start), new Vector3(...scale(x, -1)));
            const [hit] = rays.intersectObject(mesh);
            most = Math.max(most, 900 - hit.distance);
          }
          expect(
            Math.abs(copeAt(branch, [{ at: c, along: h, radius }], turn)! - most),
          ).toBeLessThan(0.05);
        },
      ),
      { numRuns: 15, endOnFailure: true },
    );
  });

  it('leave no part of the wall within what it meets, and touch it somewhere at every turn', () => {
    fc.assert(
      fc.property(vec, vec, fc.double({ min: -5, max: 5, noNaN: true }), (a, b, off) => {
        fc.pre(Math.hypot(...a) > 0.3 && Math.hypot(...b) > 0.3);
        const [x, h] = [unit(a), unit(b)];
        fc.pre(Math.hypot(...cross(x, h)) > 0.4);
        const body: Round = { at: scale(unit(cross(x, h)), off), along: h, radius: 22 };
        const other: Round = { at: [0, 0, 0], along: unit(cross(h, x)), radius: 14 };
        const branch: Branch = {
          at: [0, 0, 0],
          along: x,
          keel: keelOf(x, [0, 0, 1]),
          outside: 25,
          wall: 3,
        };
        const cope = copeOf(branch, [body, other])!;
        const side = cross(x, branch.keel);
        for (const { turn, from } of cope.profile.filter((_, i) => i % 10 === 0)) {
          const u = add(scale(branch.keel, Math.cos(turn)), scale(side, Math.sin(turn)));
          let nearest = Infinity;
          for (let rho = 9.5; rho < 12.51; rho += 0.05)
            for (const { at, along, radius } of [body, other]) {
              const p = sub(add(scale(x, from), scale(u, rho)), at);
              const off = Math.hypot(...sub(p, scale(along, dot(p, along)))) - radius;
              nearest = Math.min(nearest, off);
            }
          expect(nearest).toBeGreaterThan(-1e-6);
          expect(nearest).toBeLessThan(0.04);
        }
        expect(cope.least).toBeCloseTo(Math.min(...cope.profile.map(({ from }) => from)), 9);
      }),
      { numRuns: 40, endOnFailure: true },
    );
  });

  it('are none for a tube wider than what it meets, or along it', () => {
    expect(copeOf(toward([1, 0, 0], 40, 2), [post(15)])).toBeNull();
    expect(copeOf(toward([0, 0, 1], 20, 2, [1, 0, 0]), [post(15)])).toBeNull();
    expect(copeOf(toward([1, 0, 0], 20, 2), [post(15, [0, 30, 0])])).toBeNull();
  });
});

describe('square tubes', () => {
  const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
  const unitVec = fc
    .tuple(angle, fc.double({ min: -0.9, max: 0.9, noNaN: true }))
    .map(([turn, z]): Vec => {
      const flat = Math.sqrt(1 - z * z);
      return [flat * Math.cos(turn), flat * Math.sin(turn), z];
    });

  /** How far out something solid is met by the wall at a turn: steps inward along lines through it. */
  function walked(branch: Branch, turn: number, inside: (p: Vec) => boolean): number | null {
    const side = cross(branch.along, branch.keel);
    const a = branch.outside / 2;
    // Once round a square of side 2a, from the middle of the keel's flat.
    let way = ((turn / (2 * Math.PI)) * 8 * a + 8 * a + a) % (8 * a);
    const corner = Math.floor(way / (2 * a));
    way -= corner * 2 * a + a;
    const n = [branch.keel, side, scale(branch.keel, -1), scale(side, -1)][corner % 4];
    const t = [side, scale(branch.keel, -1), scale(side, -1), branch.keel][corner % 4];
    let most: number | null = null;
    for (let k = 0; k <= 40; k++) {
      const rho = a - (branch.wall * k) / 40;
      const base = add(branch.at, add(scale(n, rho), scale(t, way)));
      for (let s = 90; s > -90; s -= 0.05)
        if (inside(add(base, scale(branch.along, s)))) {
          if (most === null || s > most) most = s;
          break;
        }
    }
    return most;
  }

  it('are cut where their wall first meets a round or square body, all the way through it', () => {
    fc.assert(
      fc.property(
        unitVec,
        unitVec,
        fc.double({ min: 12, max: 30, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.boolean(),
        (along, axis, radius, turn, round) => {
          if (Math.abs(dot(along, axis)) > 0.6) return;
          const branch: Branch = {
            ...{ at: [0, 0, 0], along, keel: keelOf(along, axis), square: true },
            ...{ outside: 22, wall: 3 },
          };
          const u = keelOf(axis, [0.3, 0.4, 1]);
          const v = cross(axis, u);
          const body = round
            ? { at: [0, 0, 0] as Vec, along: axis, radius }
            : { at: [0, 0, 0] as Vec, flats: [u, v] as const, half: radius };
          const inside = (p: Vec): boolean =>
            round
              ? Math.hypot(dot(p, u), dot(p, v)) <= radius
              : Math.abs(dot(p, u)) <= radius && Math.abs(dot(p, v)) <= radius;
          const found = copeAt(branch, [body], turn);
          const own = walked(branch, turn, inside);
          // At a corner the next flat's wall is met as well: where it begins, a hair past the corner.
          const corner = Math.PI / 4 + (Math.PI / 2) * Math.floor(turn / (Math.PI / 2));
          const beside = ((turn - corner) * 4 * 22) / (2 * Math.PI);
          const next =
            Math.abs(beside) < 3 ? walked(branch, corner - Math.sign(beside) * 1e-6, inside) : null;
          const seen = own === null || next === null ? (own ?? next) : Math.max(own, next);
          if (found === null || seen === null) {
            // Met by a hair or not at all.
            expect(found === null || seen === null).toBe(true);
            return;
          }
          expect(found).toBeGreaterThan(seen - 0.051);
          // Between two lines of the walk a round body bulges a little.
          expect(found).toBeLessThan(seen + 0.3);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('end square on a flat that is square to them', () => {
    const branch: Branch = {
      ...{ at: [0, 0, 0], along: [1, 0, 0], keel: [0, 0, 1], square: true, outside: 20, wall: 2 },
    };
    const block = {
      at: [0, 0, 0] as Vec,
      flats: [
        [1, 0, 0],
        [0, 0, 1],
      ] as const,
      half: 15,
    };
    const { least, most } = copeOf(branch, [block])!;
    expect([least, most]).toEqual([expect.closeTo(15, 9), expect.closeTo(15, 9)]);
    // On a round post: its flats touch along their middles, √(R² − 10²) at their edges.
    const cope = copeOf(branch, [post(16)])!;
    expect(cope.most).toBeCloseTo(16, 6);
    expect(cope.least).toBeCloseTo(Math.sqrt(16 ** 2 - 8 ** 2), 6);
  });
});
