'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { typeOf } from '@/core/corners/kinds';
import { CLOSE, partnerOf } from '@/core/arms/armsProblem';
import type { ArmsFinding } from '@/core/arms/armsFromCamber';
import type { ArmsFound, Change } from '@/core/arms/armsProblem';
import { washersFor } from '@/core/freedoms/freedoms';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel, rodWord } from '@/core/model/labels';
import type { Coordinate, PointName } from '@/core/model/points';
import { lengthIn, printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { LookTake } from '../LookTake';

interface Props {
  finding: ArmsFinding;
  design: AxleDesign;
  unit: LengthUnit;
  tried: AxleDesign | null;
  onTry: (design: AxleDesign | null) => void;
  onTake: (found: ArmsFound) => void;
}

/** What a search for arms found: the least work first, or the nearest and what would help. */
export function ArmsResults({ finding, design, unit, tried, onTry, onTake }: Props) {
  const { found, opening, all } = finding;
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  const reached = found.filter((one) => one.reached).length;
  return (
    <Box role="status">
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {found[0]?.reached && found[0].changes.length === 0
          ? 'The arms do it as they are. '
          : reached > 0
            ? `${reached === 1 ? 'One way does' : `${reached} ways do`} it, the least work first. `
            : found.length > 0
              ? 'Nothing within the freedoms reaches it; the nearest first. '
              : 'No combination makes arms that reach their travel. '}
        <Box component="span" sx={{ fontWeight: 400 }}>
          {all
            ? `All ${finding.tried} combinations were tried.`
            : `The best of ${finding.tried} tried; there are more combinations than were tried.`}
        </Box>
      </Typography>
      {opening && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ Let the {pointLabel(design, opening.point)} go {length(Math.abs(opening.by))}{' '}
          {unitName(unit)} {WAYS[opening.coordinate][opening.by > 0 ? 0 : 1]} than it may now, and
          it is reached.
        </Typography>
      )}
      {!opening && reached === 0 && found.length > 0 && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ No one coordinate let out by {lengthIn(120, unit)} would reach it: ask for less, or open
          two.
        </Typography>
      )}
      {found.slice(0, 8).map((one, i) => {
        const trial = { ...design, points: one.points };
        const looked = tried?.points === one.points;
        return (
          <Box
            key={i}
            data-arms={one.reached ? 'reached' : 'near'}
            sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, display: 'flex', gap: 1 }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2">
                {one.changes.length === 0
                  ? 'As it is'
                  : inWords(one.changes, design, length, unit).join('; ')}
              </Typography>
              <Typography variant="caption" component="div" sx={{ fontFamily: FIGURES }}>
                {one.reached ? '✓ ' : '△ '}
                {degrees(one.gain)} per 25 mm, {degrees(one.bump)} at bump, {degrees(one.droop)} at
                droop; roll centre {length(one.rollCentre)},{' '}
                {one.scrub === null ? '' : `scrub ${length(one.scrub)}, `}
                {steerInWords(one, design)}
                {withRod(one, rodWord(design), length)}
              </Typography>
            </Box>
            {one.changes.length > 0 && (
              <LookTake
                what={inWords(one.changes, design, length, unit).join('; ')}
                looked={looked}
                onLook={() => onTry(looked ? null : trial)}
                onTake={() => onTake(one)}
              />
            )}
          </Box>
        );
      })}
      <Typography variant="caption" color="text.secondary" component="p">
        Good enough is {CLOSE.camber}° of camber, {CLOSE.gain}° per 25 mm,{' '}
        {lengthIn(CLOSE.rollCentre, unit)} of roll centre.{' '}
        {typeOf(design).tieRod
          ? `Figures are with the steering held straight: what they are once the bump steer is nulled, which comes next; the ${rodWord(design)} is not touched here.`
          : `${CLOSE.toe}° of toe. Camber, roll centre and toe come of the same places: there is no rod to set toe by afterwards.`}
      </Typography>
    </Box>
  );
}

/** What the toe does over the travel: to be nulled next by the rod, or, where there is none, what it is. */
const steerInWords = ({ bumpSteer }: ArmsFound, design: AxleDesign): string =>
  typeOf(design).tieRod
    ? `bump steer ${bumpSteer === null ? 'unknown' : `${degrees(bumpSteer)} to null`}`
    : `toe range ${bumpSteer === null ? 'unknown' : degrees(bumpSteer)}`;

/** Changes as a builder says them: both pivots of an arm that move alike are one. */
function inWords(
  changes: Change[],
  design: AxleDesign,
  length: (mm: number) => string,
  unit: LengthUnit,
): string[] {
  const rear = (one: Change) =>
    changes.find(
      (other) =>
        other.point === partnerOf(typeOf(design), one.point) &&
        typeOf(design).pivots.some(({ through }) => through[0] === one.point) &&
        other.coordinate === one.coordinate &&
        Math.abs(other.to - other.from - (one.to - one.from)) < 0.01,
    );
  const partners = new Set(changes.map(rear));
  return changes
    .filter((one) => !partners.has(one))
    .map((one) => {
      const { point, coordinate, from, to } = one;
      if (!rear(one))
        return `${pointLabel(design, point)} ${coordinate} ${length(from)} → ${length(to)}${washersIn(design, point, coordinate, to, unit)}`;
      const pivots = typeOf(design).pivots.find(({ through }) => through[0] === point);
      return `both ${pivots?.arm} pivots ${length(Math.abs(to - from))} ${WAYS[coordinate][to > from ? 0 : 1]}`;
    });
}

/** The washers that make a place, where it is made of washers. */
function washersIn(
  design: AxleDesign,
  point: PointName,
  coordinate: Coordinate,
  to: number,
  unit: LengthUnit,
): string {
  const freedom = design.freedoms?.[point]?.[coordinate];
  const washers = freedom?.kind === 'shims' ? washersFor(freedom, to) : null;
  if (!washers) return '';
  return washers.length === 0
    ? ' (no washer)'
    : ` (${washers.map((mm) => printLength(mm, unit)).join(' + ')} ${unitName(unit)})`;
}

const WAYS = {
  ahead: ['further ahead', 'further back'],
  out: ['further out', 'further in'],
  up: ['higher', 'lower'],
} as const;

/** What it is with the tie rod as it is, where its bump steer makes that something else. */
function withRod(
  { gain, rollCentre, withRod: now }: ArmsFound,
  rod: string,
  length: (mm: number) => string,
) {
  const parts = [
    ...(Math.abs(now.gain - gain) >= 0.02 ? [`${degrees(now.gain)} per 25 mm`] : []),
    ...(Math.abs(now.rollCentre - rollCentre) > 5 ? [`roll centre ${length(now.rollCentre)}`] : []),
  ];
  return parts.length === 0 ? '' : ` (with the ${rod} as it is now: ${parts.join(', ')})`;
}

const degrees = (value: number): string => `${readable(value.toFixed(2))}°`;
