import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { AckermannFinding } from '@/core/ackermann/findAckermann';
import type { AckermannFound } from '@/core/ackermann/judge';
import { wheelOf } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import { readable, saidIn } from '@/core/model/units';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { LookTake } from '../LookTake';
import { Front } from './Front';
import { makingOf } from './making';
import type { PartProps } from './parts';
import { takeFront } from './take';

/** Answers as things to make, each with the Ackermann and the bump steer that fresh sweeps measure. */
export function AckermannResults(props: PartProps & { finding: AckermannFinding }) {
  const { finding, build, unit, tried, onTry, onEdit } = props;
  const { found, before, lock, tried: count, all, work, nearest, steady, advice } = finding;
  const { bumpSteer } = briefOf(build).targets;
  const wheel = useMemo(() => wheelOf(build, 'front', 'left'), [build]);
  const { travels } = wheel;
  const kept = travels ? ' with bump steer kept' : '';
  const making = (one: AckermannFound) => makingOf(one, wheel, build.wheelbase, unit);
  const answer = (one: AckermannFound, name: string, stars: string[]) => {
    const looked = tried === one.design;
    return (
      <Box
        key={name}
        data-found={name}
        sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, display: 'flex', gap: 1 }}
      >
        <Box sx={{ flex: 1, minWidth: 0 }}>
          {making(one).map((line) => (
            <Typography key={line} variant="body2" component="div">
              {line}
            </Typography>
          ))}
          <Typography variant="caption" component="div" sx={{ fontFamily: FIGURES }}>
            <b>
              {ackermann(one)}
              {travels && (
                <>
                  ; bump steer {degrees(one.steer.worst)} at the worst,{' '}
                  <VerdictMark verdict={one.verdict} />
                </>
              )}
            </b>
            <div>{off(one)}</div>
          </Typography>
          <Typography variant="caption" component="div" sx={{ color: VERDICT.edge }}>
            {[...stars, ...one.doubts.map((doubt) => `△ ${saidIn(doubt, unit)}`)].join('; ')}
          </Typography>
        </Box>
        <LookTake
          what={name}
          looked={looked}
          onLook={() => onTry(looked ? null : one.design)}
          onTake={() => {
            onTry(null);
            takeFront(onEdit, one.design);
          }}
        />
      </Box>
    );
  };
  return (
    <Box role="status">
      <Typography variant="body2">
        As it is: {ackermann(before)}, {off(before)}
        {travels && (
          <>
            ; bump steer {degrees(before.steer.worst)},{' '}
            <VerdictMark verdict={judgeBumpSteer(before.steer.worst, bumpSteer)} />
          </>
        )}
        . Kept are {lock.toFixed(1)}° of lock, the ratio to within 15 % or in the brief’s band, and
        the room in the rim.{' '}
        {found.length === 0
          ? `Nothing that may move brings it nearer${kept}. `
          : work >= 0
            ? ''
            : found.some(({ meets }) => meets)
              ? 'What meets what is wanted comes too near something: see the marks. '
              : `Nothing that may move meets what is wanted, within a degree${travels ? ' and with bump steer very good' : ''}. `}
        {all
          ? `All ${count} combinations were tried.`
          : `The best of ${count} tried; there are more combinations than these, or a search did not come to rest.`}
      </Typography>
      {advice && (
        <Box data-advice sx={{ my: 0.5 }}>
          <Typography variant="body2" sx={{ color: VERDICT.edge }}>
            △ With more reach, this would come nearer:
          </Typography>
          {answer(advice, 'with more reach', [])}
        </Box>
      )}
      {travels && found.length > 1 && (
        <Front
          found={found}
          before={before}
          looked={found.findIndex((one) => one.design === tried)}
          onLook={(i) => onTry(found[i].design)}
        />
      )}
      {found.map((one, i) =>
        answer(
          one,
          `answer ${i + 1}`,
          [
            i === work ? '★ least work' : '',
            i === nearest ? '★ nearest' : '',
            travels && i === steady ? '★ least bump steer' : '',
          ].filter(Boolean),
        ),
      )}
    </Box>
  );
}

type Measured = Pick<AckermannFound, 'ackermann' | 'steer'>;

const degrees = (value: number): string => `${value.toFixed(value < 0.1 ? 3 : 2)}°`;
const percent = (value: number | null): string =>
  value === null ? '–' : `${readable(value.toFixed(0))} %`;

const ackermann = ({ ackermann: { half, full } }: Measured): string =>
  `Ackermann ${percent(half)} at half lock, ${percent(full)} at lock`;

/** How far from what is wanted. */
const off = ({ ackermann: { worst } }: Measured): string =>
  `the inner wheel ${Math.abs(worst).toFixed(2)}° ${worst < 0 ? 'short of' : 'past'} what is wanted at the most`;
