'use client';

import type { LengthUnit } from '@/core/model/units';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { rodEnds } from '@/core/corners/kinds';
import { toRad } from '@/core/geometry/angle';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import { classify } from '@/core/bumpsteer/classify';
import type { NullLine } from '@/core/bumpsteer/nullLine';
import { rulesOfThumb } from '@/core/bumpsteer/rules';
import { bumpSteerWith } from '@/core/bumpsteer/trial';
import { errorInWords } from '@/core/bumpsteer/words';
import type { Vec } from '@/core/geometry/vec';
import { briefOf } from '@/core/model/brief';
import { isOnSolid } from '@/core/takeoff/solid';
import type { Rule } from '@/core/model/brief';
import { toPoint } from '@/core/model/points';
import { pointLabel, rodWord } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { lengthIn, printLength, readable, unitName } from '@/core/model/units';
import { PAPER } from '../../theme';
import { VerdictMark } from '../../verdict';
import { AtLock } from './AtLock';
import { LookTake } from '../LookTake';
import type { RackProps } from './Rack';
import { moveInWords, moved, takeRod } from './places';
import { useAngles } from '../../fields/useAngles';

const RULES: Record<Rule, { name: string; why: string }> = {
  lines: {
    name: 'Lines',
    why: 'Inner joint on the line of the inner pivots, rod aimed at the instant centre. Good enough where the arms’ axes lie nearly square to the car.',
  },
  parallel: {
    name: 'Equal and parallel',
    why: 'Rod as long as the lower arm, level with it and parallel. Good enough where upper and lower arm are alike.',
  },
  shim: {
    name: 'Cycle and shim',
    why: 'No theory: washers under the outer end until the tape reads the same. Takes a tilt away, no bow.',
  },
};

const ALONG_LEAF =
  'The link as long as the arc that the leaf swings its pad on, level with it and parallel. Right in heave as long as the leaf swings as assumed.';

/** Both null lines, what kind of error there is, the rules of thumb judged, and how it does at part lock. */
export function NullPanel(props: RackProps) {
  const said = useAngles();
  const { build, wheel, targets, unit, nulls, bumpSteer } = props;
  const { axle, side, design, points } = wheel;
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  const withUnit = (mm: number) => `${length(mm)} ${unitName(unit)}`;
  const shape = useMemo(() => classify(wheel), [wheel]);
  const rules = useMemo(() => rulesOfThumb(wheel), [wheel]);
  const ways = useMemo(
    () =>
      [nulls?.inner, nulls?.outer].flatMap((one) =>
        one ? [{ ...one, steer: bumpSteerWith(wheel, one.point, one.at) }] : [],
      ),
    [nulls, wheel],
  );
  const proposal = (key: string, point: PointName, at: Vec, steer: BumpSteer | null) => (
    <Way
      key={key}
      {...props}
      name={pointLabel(design, point)}
      point={point}
      at={at}
      steer={steer}
      move={moveInWords(points[point], toPoint(at), length)}
    />
  );
  if (!bumpSteer)
    return (
      <Typography role="alert" variant="body2" sx={{ mt: 1 }}>
        The wheel cannot go through its whole travel: there is no path to null.
      </Typography>
    );
  const { rule } = briefOf(build);
  return (
    <Box
      component="section"
      aria-label="Null line"
      sx={{ overflow: 'auto', minHeight: 0, pr: 0.5, '& h3': { mt: 1 } }}
    >
      <Typography variant="body2" component="div" sx={{ mt: 0.75 }}>
        <b>
          Bump steer {said(angle(bumpSteer.worst))} at the worst, straight ahead,{' '}
          <VerdictMark verdict={judgeBumpSteer(bumpSteer.worst, targets.bumpSteer)} />
        </b>
        <div>
          Range {said(angle(bumpSteer.span.range))},{' '}
          {withUnit(2 * design.tyre.radius * Math.sin(toRad(bumpSteer.span.range)))} at the tyre.
        </div>
        {shape &&
          errorInWords(shape, rodWord(design), withUnit).map((line) => (
            <div key={line}>{line}</div>
          ))}
      </Typography>
      <Typography variant="h3">Onto the null line</Typography>
      {nulls ? (
        ways.map(({ point, at, steer }) => proposal(point, point, at, steer))
      ) : (
        <Typography variant="body2">Looking …</Typography>
      )}
      {isOnSolid(build, axle, rodEnds(wheel.type).outer) && (
        <Typography variant="caption" component="p" color="text.secondary">
          The outer joint was measured on the upright as one part: other than by washers it moves
          with another steering arm only.
        </Typography>
      )}
      {wheel.type.coupled && wheel.steersBy === 'drop arm' && (
        <Typography variant="caption" component="p" color="text.secondary">
          The box goes along with the drop arm’s hole, arm and shaft as they stand to it.
        </Typography>
      )}
      {nulls?.inner && (
        <Typography variant="caption" component="p" color="text.secondary">
          {fitInWords(nulls.inner.line, rodWord(design), unit)}
        </Typography>
      )}
      <Typography variant="h3">Rules of thumb, judged by the exact curve</Typography>
      {rules.map(({ rule: name, point, at, steer }) => (
        <Box key={name} data-rule={name}>
          {proposal(name, point, at, steer)}
          <Typography variant="caption" component="p" color="text.secondary">
            <b>
              {RULES[name].name}
              {name === rule ? ', your brief’s' : ''}.
            </b>{' '}
            {name === 'parallel' && wheel.type.coupled ? ALONG_LEAF : RULES[name].why}
          </Typography>
        </Box>
      ))}
      {wheel.steered && <AtLock wheel={wheel} unit={unit} />}
      <Typography variant="caption" component="p" color="text.secondary">
        The {axle} {side} wheel. Verdicts are on the largest toe change from ride height, straight
        ahead, by the brief’s bands; part lock is not judged.
      </Typography>
    </Box>
  );
}

function Way({
  name,
  point,
  at,
  steer,
  move,
  wheel,
  targets,
  tried,
  onTry,
  onEdit,
}: RackProps & {
  name: string;
  point: PointName;
  at: Vec;
  steer: BumpSteer | null;
  move: string;
}) {
  const said = useAngles();
  const trial = useMemo(() => moved(wheel, point, at), [wheel, point, at]);
  return (
    <Box
      data-way={point}
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        borderTop: `1px solid ${PAPER.line}`,
        py: 0.25,
      }}
    >
      <Typography
        variant="body2"
        sx={{ flex: 1, '&::first-letter': { textTransform: 'uppercase' } }}
      >
        {name} {move} →{' '}
        {steer
          ? `${said(angle(steer.worst))} at the worst, range ${said(angle(steer.span.range))}`
          : 'out of reach'}
        {steer && (
          <>
            {' '}
            <VerdictMark verdict={judgeBumpSteer(steer.worst, targets.bumpSteer)} />
          </>
        )}
      </Typography>
      <LookTake
        what={`${name} ${move}`}
        looked={tried === trial}
        disabled={steer === null}
        onLook={() => onTry(tried === trial ? null : trial)}
        onTake={() => {
          onTry(null);
          onEdit(takeRod(wheel, { [point]: toPoint(at) }));
        }}
      />
    </Box>
  );
}

const angle = (degrees: number) => `${degrees.toFixed(degrees < 0.1 ? 3 : 2)}°`;

/** How round the path is: what no place of the joint can take away. */
function fitInWords({ offPlane, offRim, radius }: NullLine, rod: string, unit: LengthUnit): string {
  const off = Math.hypot(offPlane, offRim);
  const round = `Held straight, the outer joint runs a circle of ${lengthIn(radius, unit)} to within ${lengthIn(Math.max(0.01, off), unit, 2)}`;
  return off > 0.05 ? `${round}: no ${rod} follows that exactly.` : `${round}.`;
}
