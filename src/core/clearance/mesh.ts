import { BufferAttribute, BufferGeometry, Line3, Vector3 } from 'three';
import type { Box3 } from 'three';
import { INTERSECTED, MeshBVH, NOT_INTERSECTED } from 'three-mesh-bvh';
import type { HitPointInfo } from 'three-mesh-bvh';
import { add, distance, length, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Surface } from '../model/mesh';
import type { Least } from './shapes';
import { letAsk } from './surfaces';
import type { AskedSurface } from './surfaces';

/** What a surface's triangle is to a query: three corners, and what is nearest on it. */
interface Triangle {
  a: Vector3;
  b: Vector3;
  c: Vector3;
  closestPointToSegment: (segment: Line3, onTriangle: Vector3, onSegment: Vector3) => number;
}

const vector = ([x, y, z]: Vec): Vector3 => new Vector3(x, y, z);
const vec = ({ x, y, z }: Vector3): Vec => [x, y, z];

/** A surface of triangles that distances are asked of; it is a skin: what is all within it is only told from that. mm. */
export class SurfaceTree implements AskedSurface {
  private readonly tree: MeshBVH;
  private readonly asked = new Vector3();
  private readonly found: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };

  constructor({ places, triangles }: Surface) {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(places.slice(), 3));
    geometry.setIndex(new BufferAttribute(triangles.slice(), 1));
    this.tree = new MeshBVH(geometry);
  }

  /** From a place to the nearest of the surface; never below 0. */
  toPoint(p: Vec): number {
    return this.tree.closestPointToPoint(this.asked.set(...p), this.found)!.distance;
  }

  /** The least distance of a line's stretch, and where on the line; exact for the triangles there are. */
  toLine(from: Vec, to: Vec): Least {
    const segment = new Line3(vector(from), vector(to));
    const [on, at] = [new Vector3(), new Vector3()];
    const best: Least = { distance: Infinity, at: from };
    const middle = scale(add(from, to), 0.5);
    const half = distance(from, to) / 2;
    this.tree.shapecast({
      boundsTraverseOrder: (box: Box3) => boxTo(box, middle),
      intersectsBounds: (box: Box3) =>
        boxTo(box, middle) - half < best.distance ? INTERSECTED : NOT_INTERSECTED,
      intersectsTriangle: (triangle) => {
        const found = (triangle as unknown as Triangle).closestPointToSegment(segment, on, at);
        if (found < best.distance) {
          best.distance = found;
          best.at = vec(at);
        }
        return false;
      },
    });
    return best;
  }

  /**
   * The least of a distance that changes by no more than the way gone, over all of the surface, to within `close` mm;
   * null where none is under `ceiling`.
   */
  leastOf(distanceTo: (p: Vec) => number, close: number, ceiling = Infinity): Least | null {
    let best: Least | null = null;
    let least = ceiling;
    const centre = new Vector3();
    const size = new Vector3();
    const bound = (box: Box3): number => {
      box.getCenter(centre);
      box.getSize(size);
      return distanceTo(vec(centre)) - size.length() / 2;
    };
    this.tree.shapecast({
      boundsTraverseOrder: bound,
      intersectsBounds: (box: Box3) =>
        bound(box) >= least - close ? NOT_INTERSECTED : INTERSECTED,
      intersectsTriangle: ({ a, b, c }) => {
        const stack: [Vec, Vec, Vec][] = [[vec(a), vec(b), vec(c)]];
        while (stack.length > 0) {
          const [p, q, r] = stack.pop()!;
          const middle = scale(add(add(p, q), r), 1 / 3);
          const here = distanceTo(middle);
          if (here < least) {
            best = { distance: here, at: middle };
            least = here;
          }
          const reach = Math.max(...[p, q, r].map((corner) => distance(corner, middle)));
          if (here - reach >= least - close) continue;
          // Halved along its longest side.
          const sides = [distance(p, q), distance(q, r), distance(r, p)];
          const k = sides.indexOf(Math.max(...sides));
          const [s, t, other] = [
            [p, q, r],
            [q, r, p],
            [r, p, q],
          ][k];
          const half = scale(add(s, t), 0.5);
          stack.push([s, half, other], [half, t, other]);
        }
        return false;
      },
    });
    return best;
  }
}

/** From a place to a box, its sides along the axes; 0 within. */
const boxTo = ({ min, max }: Box3, [x, y, z]: Vec): number =>
  length([
    Math.max(min.x - x, 0, x - max.x),
    Math.max(min.y - y, 0, y - max.y),
    Math.max(min.z - z, 0, z - max.z),
  ]);

letAsk((surface) => new SurfaceTree(surface));
