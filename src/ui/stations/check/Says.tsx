import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { judgedOf } from './judged';
import type { CheckedUp, SideChecked } from '@/core/check/checkUp';
import type { ShimAdvice } from '@/core/check/nextShim';
import type { Blamed } from '@/core/check/words';
import {
  ELSE,
  degrees,
  isBothAlike,
  moveInWords,
  playInWords,
  shimInWords,
  suspectInWords,
} from '@/core/check/words';
import { wayOf } from '@/core/model/labels';
import type { KeptCheck } from '@/core/model/build';
import { fittedSchema } from '@/core/model/checks';
import type { Fitted } from '@/core/model/checks';
import { printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { LengthField } from '../../fields/NumberField';
import { VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { useAngles } from '../../fields/useAngles';

interface Props {
  check: KeptCheck;
  found: CheckedUp;
  /** Null while it is still worked out. */
  blamed: Blamed | null;
  unit: LengthUnit;
  onFitted: (moves: Fitted[]) => void;
  onLeaveOut: (ids: readonly string[]) => void;
  /** Takes a number into the model as a variant of its own; null where there is no car that it would be of. */
  onModel: ((suspect: Blamed['suspects'][number]) => void) | null;
}

/** What the readings say: whether the car fits, what to fit next, which number to measure again. */
export function Says({ check, found, blamed, unit, onFitted, onLeaveOut, onModel }: Props) {
  const said = useAngles();
  const both = check.sides === 'both';
  const { agrees, fit, sides, tellable } = found;
  const { words, shape, colour } = judgedOf(agrees);
  const alike = isBothAlike(sides, check.sides);
  return (
    <Box component="section" aria-label="What the readings say" sx={{ display: 'grid', gap: 1.25 }}>
      <Box role="status" data-agrees={agrees}>
        <Typography sx={{ fontWeight: 600, color: colour }}>
          {shape} {words}
        </Typography>
        {fit && agrees !== 'too few' && (
          <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
            Misfit {fit.asDrawn.toFixed(1)} against the drawing, {fit.withinPlusMinus.toFixed(1)}{' '}
            within its ±; chance makes about {fit.degrees}.
          </Typography>
        )}
        {found.why !== '' && <Typography variant="body2">{found.why}.</Typography>}
      </Box>
      {sides.map((side) => (
        <SideSays
          key={side.side}
          check={check}
          side={side}
          named={both}
          alike={alike}
          other={sides.find((one) => one !== side) ?? null}
          unit={unit}
          onFitted={onFitted}
        />
      ))}
      {found.play.map((one) => (
        <Typography key={one.of} variant="body2" sx={{ color: VERDICT.edge }}>
          △ {playInWords(one)}
        </Typography>
      ))}
      {found.strays.slice(0, 3).map(({ ids, size }) => (
        <Box key={ids.join()}>
          <Typography variant="body2" sx={{ color: VERDICT.edge }}>
            △ The reading at {placeOf(found, ids[0], unit)} lies {size.toFixed(1)} standard
            deviations off what the others say: read it again.
          </Typography>
          <Button size="small" onClick={() => onLeaveOut(ids)}>
            Leave it out
          </Button>
        </Box>
      ))}
      {agrees === 'not' && (
        <Box component="section" aria-label="Measure this again first">
          <Typography variant="h3">Measure this again first</Typography>
          {blamed === null && <Typography variant="body2">Working out …</Typography>}
          <Box component="ol" sx={{ m: 0, pl: 2.5, '& li': { fontSize: 13.5, mb: 0.75 } }}>
            {blamed?.suspects.map((one) => (
              <li key={`${one.suspect.side} ${one.suspect.number.id}`}>
                {said(suspectInWords(check.drawn, one.suspect, one.alone, both, unit))}
                {onModel && (
                  <Box>
                    <Button size="small" onClick={() => onModel(one)}>
                      Take it into the model
                    </Button>
                  </Box>
                )}
              </li>
            ))}
          </Box>
          {blamed && !blamed.explained && (
            <Typography variant="body2">
              No single number within reach explains it all. It may be {ELSE.join('; ')}.
            </Typography>
          )}
        </Box>
      )}
      {fit && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
          These readings could find an error of three times its ± in {tellable.of} of {tellable.all}{' '}
          numbers. They say nothing of strength, or of the car under load.
        </Typography>
      )}
    </Box>
  );
}

const heightIn = (mm: number, unit: LengthUnit): string =>
  readable(unit === 'mm' ? mm.toFixed(0) : printLength(Math.round(mm * 10) / 10, unit));

function placeOf(found: CheckedUp, id: string, unit: LengthUnit): string {
  const travel = found.gathered.travels.get(id);
  return travel === undefined
    ? 'one height'
    : `${heightIn(travel, unit)} ${unitName(unit)} of travel`;
}

function SideSays({
  check,
  side,
  named,
  alike,
  other,
  unit,
  onFitted,
}: {
  check: KeptCheck;
  side: SideChecked;
  named: boolean;
  alike: boolean;
  other: SideChecked | null;
  unit: LengthUnit;
  onFitted: (moves: Fitted[]) => void;
}) {
  const said = useAngles();
  const { covers, verdict, did, stop } = side;
  const height = (mm: number) => heightIn(mm, unit);
  const advice = side.shims[0];
  return (
    <Box data-side={side.side}>
      {named && <Typography variant="h3">{side.side} wheel</Typography>}
      {covers && verdict ? (
        <>
          <Typography variant="body2">
            Toe changes by {said(degrees(side.worst))} ± {said(degrees(side.worstOff))} at worst,
            range {said(degrees(side.range))}: <VerdictMark verdict={verdict} />
          </Typography>
          <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
            Of what was read from {height(covers.from)} to {height(covers.to)} {unitName(unit)} of
            travel, steering straight.
          </Typography>
        </>
      ) : (
        <Typography variant="body2">
          Read toe at three heights or more, and this says how far the wheel steers.
        </Typography>
      )}
      {did && (
        <Typography variant="body2">
          What was fitted did {did.gain.toFixed(2)} ± {did.plusMinus.toFixed(2)} of what it should.
        </Typography>
      )}
      {stop && (
        <Typography variant="body2" sx={{ fontWeight: 600 }} data-stop>
          {stop}
        </Typography>
      )}
      {!stop && advice && !(alike && side.side === 'right') && (
        <Fit
          key={`${check.rounds.length}`}
          check={check}
          advice={advice}
          alike={alike}
          other={alike ? (other?.shims[0] ?? null) : null}
          unit={unit}
          onFitted={onFitted}
        />
      )}
      {!stop && side.shims.length > 1 && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
          Or:{' '}
          {side.shims
            .slice(1, 3)
            .map(
              ({ move, after }) =>
                `${moveInWords(check.drawn, move, unit)} → ${said(degrees(after))}`,
            )
            .join('; ')}
          .
        </Typography>
      )}
    </Box>
  );
}

/** What to fit, and what really was. */
function Fit({
  check,
  advice,
  alike,
  other,
  unit,
  onFitted,
}: {
  check: KeptCheck;
  advice: ShimAdvice;
  alike: boolean;
  other: ShimAdvice | null;
  unit: LengthUnit;
  onFitted: (moves: Fitted[]) => void;
}) {
  const said = useAngles();
  const [typed, setTyped] = useState<number | null>(null);
  // What washers, holes and steps make is exact; where anything may be, tenths will do.
  const by = typed ?? (advice.freedom ? advice.move.by : Math.round(advice.move.by * 10) / 10);
  return (
    <Box data-next-shim>
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        Next: {said(shimInWords(check.drawn, advice, alike, unit))}.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1.25, mb: 0.5 }}>
        <LengthField
          label={`fitted, + ${wayOf(advice.move.coordinate)}`}
          value={by}
          unit={unit}
          schema={fittedSchema.shape.by}
          onValue={setTyped}
          width={150}
        />
        <Button
          variant="outlined"
          onClick={() =>
            onFitted([
              { ...advice.move, by },
              // Alike is alike: the other side is given the same.
              ...(other ? [{ ...other.move, by }] : []),
            ])
          }
        >
          It is fitted
        </Button>
      </Box>
    </Box>
  );
}
