import { wheelOf } from '../../kinematics/wheel';
import { distance } from '../../geometry/vec';
import type { AxleName, Build } from '../../model/build';
import { startingPiece } from '../../model/pieces';
import type { Piece, StartedKind } from '../../model/pieces';
import { toVec } from '../../model/points';

const tenths = (mm: number): number => Math.round(mm * 10) / 10;

/** A piece as it begins on an axle: what the layout says already stands as it is drawn. */
export function pieceFor(build: Build, axle: AxleName, kind: StartedKind): Piece {
  const wheel = wheelOf(build, axle, 'left');
  const piece = startingPiece(kind, wheel?.design.pieces ?? []);
  const rod = wheel?.type.tieRod;
  if (!wheel || !rod) return piece;
  const [inner, outer] = [wheel.points[rod.inner], wheel.points[rod.outer]];
  if (piece.as === 'rackPlate')
    return { ...piece, ahead: tenths(inner.ahead), up: Math.max(-500, tenths(inner.up)) };
  if (piece.as === 'rack') return { ...piece, between: Math.max(50, tenths(2 * inner.out)) };
  if (piece.as === 'donor')
    return { ...piece, has: Math.max(50, tenths(distance(toVec(inner), toVec(outer)))) };
  return piece;
}
