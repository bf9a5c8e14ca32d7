import type { Wheel } from '../../kinematics/wheel';
import type { Build } from '../../model/build';
import { PIECES, pieceName } from '../../model/pieces';
import type { Piece, PieceKind, PieceOf } from '../../model/pieces';
import type { Sheet } from '../../sheets/drawing';
import { codeOf } from '../code';
import { platesDrawing } from '../plates';
import type { Named } from '../sheetWords';
import { fit } from './fits';
import { gusset, rackMount, skid } from './folded';
import { sleeve, straight, taper } from './holes';
import { drawn, dummy, firewallPlate } from './ofOthers';
import { pose } from './pose';
import { centrePlate, rackPlate } from './rackPlates';
import { donor, halfShaft, rack } from './shafts';
import { steeringArm, uprightPlate } from './uprights';
import type { Shop, Worked } from './worked';

const WORKERS: { [K in PieceKind]: (shop: Shop, piece: PieceOf<K>) => Worked } = {
  ...{ gusset, skid, rackPlate, rackMount, centrePlate, firewallPlate, dummy },
  drawn,
  ...{ uprightPlate, steeringArm, rack, halfShaft, taper, straight, sleeve, donor, fit, pose },
};

/** A piece worked out for a wheel of its axle: what is cut, what it measures, why it cannot be made. */
export const worked = (build: Build, wheel: Wheel, piece: Piece): Worked =>
  (WORKERS[piece.as] as (shop: Shop, piece: Piece) => Worked)({ build, wheel }, piece);

/** The sheet of a piece. */
export function pieceSheet(build: Build, wheel: Wheel, piece: Piece, named: Named): Sheet {
  const { plates, drawing, tables, notes, faults } = worked(build, wheel, piece);
  const drawn = plates.length > 0 ? platesDrawing(plates) : (drawing ?? null);
  const { id: _, name: __, ...said } = piece;
  return {
    ...named,
    drawing: drawn,
    tables,
    notes: [
      ...faults,
      ...(wheel.design.rightPoints || wheel.type.coupled
        ? ['Worked out for the left wheel: this axle’s sides are not alike.']
        : []),
      ...notes,
    ],
    // What it is made from, not what it is called; where the layout decides, that shows in its figures.
    code: codeOf([said, drawn, tables]),
  };
}

/** Its own words over its sheet. */
export const pieceTitle = (piece: Piece): string =>
  piece.name ? `${piece.name}, ${PIECES[piece.as].name}` : pieceName(piece);
