import { setLoadedRadius } from './place';
import { rodEnds, steersBy, typeOf } from '../corners/kinds';
import { rackWay } from '../kinematics/axle';
import type { AxleDesign, AxleName, Build } from '../model/build';
import { startingRoom } from '../model/room';
import type { KeepOut } from '../model/room';
import type { RackPart, TyrePart } from '../model/parts';
import { readTyreCode } from '../model/tyre';

/** Parts from the shelf put into a design. A copy: what is typed over afterwards changes no shelf. */

/** Puts a tyre on an axle; wheel and upright come up or down with its loaded radius. */
export function fitTyre(design: AxleDesign, tyre: TyrePart): void {
  design.tyre.width = tyre.width;
  if (tyre.code === '') delete design.tyre.code;
  else design.tyre.code = tyre.code;
  const size = readTyreCode(tyre.code);
  if (size.ok && size.value.rim !== null && design.rim) design.rim.diameter = size.value.rim;
  setLoadedRadius(design, tyre.radius);
}

/** Puts a rack on an axle whose kind has a tie rod: its travel, and its inner joints as far apart as they are on it. */
export function fitRack(design: AxleDesign, rack: RackPart): void {
  const { travel, perTurn, between, innerThread, pinion, mounts, spline } = rack;
  const type = typeOf(design);
  if (!steersBy(type, 'rack')) return;
  const { rise, sweep } = design.rack ?? {};
  design.rack = {
    ...{ travel, perTurn, innerThread, pinion, mounts, spline },
    // How it lies is the car's own affair.
    ...(rise !== undefined && { rise }),
    ...(sweep !== undefined && { sweep }),
  };
  for (const points of [design.points, design.rightPoints])
    if (points) points[rodEnds(type).inner].out = between / 2;
}

/** A rack's tube as it usually is, mm across; and how far inboard of the inner joint's centre it ends. */
const RACK_BODY = 45;
const RACK_END = 25;

/**
 * Puts the rack's body among what arms and rods keep clear of: a round body from the centreline to near the inner
 * joint, along the rack's own axis. Where the joints are taken off elsewhere it is moved to where the body is.
 */
export function putRackBody(build: Build, axle: AxleName): void {
  const design = build[axle];
  if (!design?.rack) return;
  const from = design.points[rodEnds(typeOf(design)).inner];
  const way = rackWay(design.rack, 'left');
  const out = Math.max(RACK_END, from.out - RACK_END);
  const at = (reach: number) => ({
    ahead: tidy(from.ahead + (reach - from.out) * (way[0] / way[1])),
    out: reach,
    up: tidy(from.up + (reach - from.out) * (way[2] / way[1])),
  });
  const body: KeepOut = {
    kind: 'cylinder',
    id: `rack-${axle}`,
    name: 'rack',
    axle,
    from: at(0),
    to: at(tidy(out)),
    diameter: RACK_BODY,
  };
  const room = (build.room ??= startingRoom());
  room.keepOuts = [...room.keepOuts.filter(({ id }) => id !== body.id), body];
}

const tidy = (mm: number): number => Math.round(mm * 10) / 10;
