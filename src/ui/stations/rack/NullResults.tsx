import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { rodEnds } from '@/core/corners/kinds';
import type { NullFinding } from '@/core/bumpsteer/findNull';
import type { NullFound } from '@/core/bumpsteer/nullProblem';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { printLength, readable, saidIn, unitName } from '@/core/model/units';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { LookTake } from '../LookTake';
import type { RackProps } from './Rack';
import { adviceInWords, instruction } from './instructions';
import { takeRod } from './places';
import type { Wheel } from '@/core/kinematics/wheel';
import { useAngles } from '../../fields/useAngles';

/** Stacks longer than this want another cure than a bolt held at one end (common practice), mm. */
const LONG_SPACER = 15;

/** Answers as instructions, each with what it leaves as drawn, as built and at part lock. */
export function NullResults(props: RackProps & { finding: NullFinding }) {
  const said = useAngles();
  const { finding, wheel, unit, tried, onTry, onEdit } = props;
  const { design, type } = wheel;
  const { inner, outer } = rodEnds(type);
  const { found, before, tried: count, all, work, paper, steady, advice } = finding;
  const length = (mm: number) => readable(printLength(Math.round(mm * 100) / 100, unit));
  if (!before)
    return (
      <Typography role="status" variant="body2">
        The wheel cannot go through its whole travel as drawn.
      </Typography>
    );
  const best = found[paper];
  return (
    <Box role="status">
      <Typography variant="body2">
        {found.length === 0
          ? `Nothing within the freedoms does better than the ${before.span.range.toFixed(2)}° there is. `
          : found[work]?.verdict !== 'very good'
            ? `Nothing within the freedoms is very good: the least is ${said(angle(best.steer.span.range))}. `
            : ''}
        {all
          ? `All ${count} combinations were tried.`
          : `The best of ${count} tried; there are more combinations than were tried.`}
      </Typography>
      {advice.length > 0 && (
        <Box data-advice sx={{ color: VERDICT.edge, mb: 0.5 }}>
          {advice.map((one, i) => (
            <Typography key={i} variant="body2">
              △ {adviceInWords(one, design, length, unit)}
            </Typography>
          ))}
        </Box>
      )}
      {found.map((one, i) => {
        const looked = tried !== null && sameRod(wheel.drawnAs(tried), one);
        return (
          <Box
            key={i}
            data-found={i}
            sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, display: 'flex', gap: 1 }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2" component="div">
                {one.swapped && (
                  <div>
                    Swap the steering arms side to side: joint at {length(one.points[outer].ahead)}{' '}
                    {unitName(unit)} ahead, the rack’s at {length(one.points[inner].ahead)}
                  </div>
                )}
                {one.changes.map((change) => (
                  <div key={`${change.point} ${change.coordinate}`}>
                    {instruction(change, design, length, unit)}
                  </div>
                ))}
              </Typography>
              <Typography variant="caption" component="div" sx={{ fontFamily: FIGURES }}>
                <b>
                  {said(angle(one.steer.worst))} at the worst, straight ahead,{' '}
                  <VerdictMark verdict={one.verdict} />
                </b>
                <div>{said(figures(one))}</div>
              </Typography>
              <Typography variant="caption" component="div" sx={{ color: VERDICT.edge }}>
                {[
                  one.verdict === 'rework' ? 'still to be reworked' : '',
                  i === work && one.verdict !== 'rework' ? '★ least work' : '',
                  i === paper && one.verdict !== 'rework' ? '★ least on paper' : '',
                  i === steady && one.verdict !== 'rework' ? '★ least when it is built' : '',
                  one.swapped
                    ? '△ the same rack now steers the other way: turn it over, or take its pinion to the other side'
                    : '',
                  ...one.doubts.map((doubt) => `△ ${saidIn(doubt, unit)}`),
                  longest(one) > LONG_SPACER
                    ? '△ a spacer this long in single shear bends: hold the bolt at both ends'
                    : '',
                ]
                  .filter(Boolean)
                  .join('; ')}
              </Typography>
              {one.buildable && (
                <Typography variant="caption" component="div" color="text.secondary">
                  A millimetre out in the {exact(one, design)}.
                </Typography>
              )}
            </Box>
            <LookTake
              what={`answer ${i + 1}`}
              looked={looked}
              onLook={() => onTry(looked ? null : wheel.withRod(one.points).design)}
              onTake={() => {
                onTry(null);
                onEdit(takeRod(wheel, one.points));
              }}
            />
          </Box>
        );
      })}
    </Box>
  );
}

const sameRod = ({ points: tried }: Wheel, { points }: NullFound) =>
  Object.keys(points).every((name) => tried[name] === points[name]);

const angle = (degrees: number): string => `${degrees.toFixed(degrees < 0.1 ? 3 : 2)}°`;

function figures({ steer, buildable, atLock, ackermann }: NullFound): string {
  const degrees = (value: number | null) =>
    value === null
      ? '–'
      : Number.isFinite(value)
        ? `${value.toFixed(value < 0.1 ? 3 : 2)}°`
        : 'out of reach';
  return [
    `range ${degrees(steer.span.range)} as drawn`,
    buildable ? `${degrees(buildable.median)} / ${degrees(buildable.ninety)} as built` : '',
    atLock
      ? `not judged: range ${degrees(atLock.half)} at half lock, ${degrees(atLock.full)} at full`
      : '',
    ackermann === null ? '' : `Ackermann ${ackermann.toFixed(0)} %`,
  ]
    .filter(Boolean)
    .join('; ');
}

/** What has to be exact: the two coordinates in which a millimetre costs most. */
const exact = ({ buildable }: NullFound, design: AxleDesign): string =>
  buildable!.perMm
    .slice(0, 2)
    .map(
      ({ point, coordinate, range }) =>
        `${pointLabel(design, point)} ${coordinate} makes ${range.toFixed(2)}°`,
    )
    .join(', in the ');

const longest = ({ changes }: NullFound): number =>
  Math.max(0, ...changes.map(({ washers }) => washers?.reduce((sum, mm) => sum + mm, 0) ?? 0));
