import type { Wheel } from '../../kinematics/wheel';
import type { Build } from '../../model/build';
import { PIECES, pieceName } from '../../model/pieces';
import type { PieceKind } from '../../model/pieces';
import { DENSITY, round } from '../listed';
import type { ListedPart } from '../listed';
import { areaOf } from '../plates';
import { worked } from './pieces';

const ON_UPRIGHT: readonly PieceKind[] = ['uprightPlate', 'steeringArm'];

/** What of an axle's pieces is made, for the list of parts: plates with what they weigh. */
export const listedPieces = (build: Build, wheel: Wheel): Omit<ListedPart, 'record'>[] =>
  (wheel.design.pieces ?? []).flatMap((piece) => {
    // What is a way of doing it is no thing.
    if (piece.as === 'fit' || piece.as === 'pose') return [];
    const { plates } = worked(build, wheel, piece);
    const thick =
      'thick' in piece
        ? piece.thick
        : piece.as === 'firewallPlate'
          ? wheel.design.column?.firewall?.thickness
          : undefined;
    const isPlate = PIECES[piece.as].plate && 'material' in piece;
    const weight =
      isPlate && plates.length > 0 && thick !== undefined
        ? areaOf(plates[0]) * thick * DENSITY[piece.material]
        : null;
    return [
      {
        key: `${wheel.axle} piece ${piece.id}`,
        name: `${wheel.axle} ${pieceName(piece)}`,
        what:
          isPlate && thick !== undefined
            ? `${round(thick)} ${piece.material} plate`
            : PIECES[piece.as].says,
        count: 'count' in piece ? piece.count : piece.as === 'halfShaft' ? 2 : 1,
        ...{ hand: null, length: null, weight, made: true, where: wheel.axle },
        // What is bolted to the wheel's own side goes up and down with it.
        unsprung:
          ON_UPRIGHT.includes(piece.as) && 'count' in piece ? (weight ?? 0) * piece.count : 0,
      },
    ];
  });
