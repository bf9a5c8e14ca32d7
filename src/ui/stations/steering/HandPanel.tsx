import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { PINION_AT } from '@/core/model/build';
import type { PinionAt } from '@/core/model/build';
import { armRemedies } from '@/core/steering/armRemedies';
import { handOf, handwheelOf, otherSide } from '@/core/steering/hand';
import { readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { VERDICT } from '../../theme';
import { LookTake } from '../LookTake';
import type { PartProps } from './parts';
import { takeFront } from './take';

const WORDS: Record<PinionAt, string> = {
  above: 'above the bar',
  below: 'below it',
  ahead: 'ahead of it',
  behind: 'behind it',
};

/** Whether the wheels follow the hands, and what mends it where they do not. */
export function HandPanel({ build, wheel, tried, onTry, onEdit }: PartProps & { wheel: Wheel }) {
  const { wheelbase, room } = build;
  const { rack } = build.front;
  const pinion = rack?.pinionAt;
  const { solved } = wheel;
  const { way } = handwheelOf(build.front);
  const hand = useMemo(
    () => (solved.ok ? handOf(solved.axle, wheelbase, way) : null),
    [solved, wheelbase, way],
  );
  const wrong = hand?.wheelLeft === false;
  const round = useMemo(
    () =>
      wrong
        ? armRemedies({ wheelbase, room }, wheel).find(({ kind }) => kind === 'swapped round')
        : undefined,
    [wrong, wheelbase, room, wheel],
  );
  if (!hand || !rack)
    return <Typography variant="body2">The wheels do not steer about straight ahead.</Typography>;
  const put = (at: PinionAt) =>
    onEdit((draft) => {
      if (draft.front.rack) draft.front.rack.pinionAt = at;
    });
  return (
    <div data-hand={String(hand.wheelLeft)}>
      <Typography variant="body2">
        The rack to the left turns the wheels {hand.rackLeft ? 'left' : 'right'}. Where is the
        pinion, seen from the rack’s bar, the column coming from the driver?
      </Typography>
      <Box sx={{ py: 0.75 }}>
        <Choice
          label="Pinion"
          value={pinion ?? ('' as PinionAt)}
          options={PINION_AT}
          words={WORDS}
          onPick={put}
        />
      </Box>
      {hand.wheelLeft === null && (
        <Typography variant="body2" color="text.secondary">
          Until that is said nobody knows which way the car goes.
        </Typography>
      )}
      {hand.wheelLeft === true && (
        <Typography variant="body2" sx={{ color: VERDICT.good, fontWeight: 600 }}>
          ✓ Turn the handwheel left: the wheels go left.
        </Typography>
      )}
      {wrong && pinion && (
        <>
          <Typography
            role="alert"
            variant="body2"
            sx={{ color: VERDICT.bad, fontWeight: 700, fontSize: 16 }}
          >
            ✕ Turn the handwheel left: the wheels go right.
          </Typography>
          <Typography variant="body2" component="ol" sx={{ pl: 2.5, my: 0.5 }}>
            <li>
              The rack turned end for end about its middle and over, so that its pinion comes{' '}
              {WORDS[otherSide(pinion)]}: it then goes the other way, the column comes down on the
              other side of the car, and nothing of the wheels changes.{' '}
              <Take onTake={() => put(otherSide(pinion))} what="rack turned over" />
            </li>
            <li>
              A rack, or a pair of gears in the column, that has the pinion{' '}
              {WORDS[otherSide(pinion)]}: nothing of the wheels changes.
            </li>
            {round && (
              <li>
                The rack on the other side of the kingpins, the arms swapped and turned round:{' '}
                {round.percent === null
                  ? 'which is out of reach here'
                  : `Ackermann ${readable(round.percent.toFixed(0))} %${round.steer === null ? '' : `, bump steer ${round.steer.toFixed(2)}°`}, both to be found again`}
                .{' '}
                {round.percent !== null && (
                  <Box component="span" sx={{ whiteSpace: 'nowrap' }}>
                    <LookTake
                      what="rack on the other side"
                      looked={tried === round.wheel.design}
                      onLook={() => onTry(tried === round.wheel.design ? null : round.wheel.design)}
                      onTake={() => {
                        onTry(null);
                        takeFront(onEdit, round.wheel.design);
                      }}
                    />
                  </Box>
                )}
              </li>
            )}
          </Typography>
        </>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        By the teeth’s movement under the pinion, with a column that has universal joints only: a
        gear or chain in it turns the answer round. Turn the wheel with the car on stands before it
        is driven.
      </Typography>
    </div>
  );
}

const Take = ({ what, onTake }: { what: string; onTake: () => void }) => (
  <Button size="small" variant="outlined" aria-label={`Take: ${what}`} onClick={onTake}>
    Take
  </Button>
);
