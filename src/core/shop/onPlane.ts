import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { memberId } from '../model/made';
import { startingRoom } from '../model/room';
import type { Spot } from '../sheets/drawing';
import { cutsOf } from './cut';
import { inPlane, planeOf } from './jig';
import type { Plane } from './jig';
import type { OnBoard } from './jigSheet';
import { middleLine, middlePoints } from './middleLine';
import { sweptBy } from './neighbours';
import { apart } from './outlines';
import type { ShopPart } from './parts';
import { plateArmOf } from './plateArm';
import type { PlateArm } from './plateArm';

/** What a part's tubes and plate take of its own plane. */
interface OnPlane extends OnBoard {
  name: string;
}

/** A part as it lies in its own plane: tubes by their skins, a plate by its edge. */
function lying(wheel: Wheel, part: ShopPart, plane: Plane, plate: PlateArm | null): OnPlane[] {
  const flat = (p: Vec): Spot => {
    const [x, y] = inPlane(plane, p);
    return [x, y];
  };
  const tubes = cutsOf(wheel, part).flatMap(({ member, ends }): OnPlane[] => {
    if (member.made.form === 'plate') return [];
    const line = middleLine(wheel, part, member);
    const skin = middlePoints(line, [ends[0].from, ends[1].from]).map(flat);
    return [
      {
        name: member.name,
        skin: beside(skin, member.made.outside / 2),
        middle: middlePoints(line, [0, 0]).map(flat),
      },
    ];
  });
  return plate ? [...tubes, { name: 'plate', skin: plate.edge, middle: [] }] : tubes;
}

/** The outline of what is so wide either side of a line. */
function beside(line: readonly Spot[], half: number): Spot[] {
  const normals = line.map((_, i): Spot => {
    const [p, q] = [line[Math.max(0, i - 1)], line[Math.min(line.length - 1, i + 1)]];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    return [-(q[1] - p[1]) / long, (q[0] - p[0]) / long];
  });
  const side = (k: 1 | -1): Spot[] =>
    line.map(([x, y], i): Spot => [x + k * half * normals[i][0], y + k * half * normals[i][1]]);
  return [...side(1), ...side(-1).reverse()];
}

/** A part in its own plane with what its neighbours take of that, and its plate where it is one. */
export function onPlane(build: Build, wheel: Wheel, part: ShopPart) {
  const plane = planeOf(wheel, part);
  const half = Math.max(...part.members.map(thicknessOf)) / 2;
  const swept = sweptBy(wheel, part, plane, half);
  const { moving, tyre } = (build.room ?? startingRoom()).wanted;
  const wantedOf = (name: string): number => (name === 'tyre' ? tyre : moving);
  const plate = plateArmOf(wheel, part, plane, swept, wantedOf);
  const tubes = lying(wheel, part, plane, plate);
  const own = standingOn(wheel, part);
  const rooms = swept.map(({ name, outlines }) => ({
    name,
    /** It is bolted to the part: by its own lug it is no neighbour. */
    bolted: own.has(name),
    wanted: wantedOf(name),
    room: Math.min(...outlines.flatMap((outline) => tubes.map(({ skin }) => apart(skin, outline)))),
  }));
  return { plane, half, swept, plate, tubes, rooms };
}

/** What ends on a part itself, by the names that neighbours go by. */
function standingOn({ type }: Wheel, { body }: ShopPart): Set<string> {
  return new Set(
    type.members
      .filter(
        (member) => body && [member.from, member.to].some((at) => type.points[at]?.on === body),
      )
      .map((member) => member.name ?? memberId(member)),
  );
}

/** How far a member stands out of its part's plane, both ways together, mm. */
const thicknessOf = ({ made: { form, outside, wall } }: ShopPart['members'][number]): number =>
  form === 'plate' ? wall : outside;
