import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { Targets } from '@/core/model/brief';
import { readable } from '@/core/model/units';
import { FULL, HALF_WAY } from '@/core/steering/steering';
import type { SteeringFigures } from '@/core/steering/steering';
import { judgeBand, judgeLeast } from '@/core/verdict/verdicts';
import type { Verdict } from '@/core/verdict/verdicts';
import type { FigureName } from '../build/dialogs';
import { FIGURES, PAPER } from '../theme';
import { VerdictMark } from '../verdict';
import { Meant } from './Meant';

/** Ackermann, ratio and lock of the front axle, each against the brief's target. */
export const SteeringReadouts = memo(function SteeringReadouts({
  steering: { by, ackermann, ratio, lock },
  targets,
}: {
  steering: SteeringFigures;
  targets: Targets;
}) {
  const rows: [of: FigureName, meaning: string, figure: string, verdict: Verdict | null][] = [
    [
      'ackermann',
      `${HALF_WAY[by]}: 100 is true, 0 parallel`,
      ackermann === null ? '–' : readable(`${ackermann.toFixed(0)} %`),
      ackermann === null ? null : judgeBand(ackermann, targets.ackermann),
    ],
    [
      'ratio',
      'degrees of handwheel a degree of road wheel, straight ahead',
      ratio === null ? 'mm a turn?' : `${ratio.toFixed(1)} : 1`,
      ratio === null ? null : judgeBand(ratio, targets.ratio),
    ],
    [
      'lock',
      `of the inner wheel at ${FULL[by]}`,
      lock === null ? 'not reached' : `${lock.inner.toFixed(1)}°`,
      lock === null ? 'rework' : judgeLeast(lock.inner, targets.lock),
    ],
  ];
  return (
    <section aria-label="Steering readouts">
      {rows.map(([of, meaning, figure, verdict]) => (
        <Line key={of} {...{ of, meaning, figure, verdict }} />
      ))}
    </section>
  );
});

/** A figure that stays is not redrawn. */
const LABELS: Partial<Record<FigureName, string>> = {
  ackermann: 'Ackermann',
  ratio: 'Ratio',
  lock: 'Lock',
};

const Line = memo(function Line({
  of,
  meaning,
  figure,
  verdict,
}: {
  of: FigureName;
  meaning: string;
  figure: string;
  verdict: Verdict | null;
}) {
  return (
    <Row data-steering={LABELS[of]}>
      <Meant of={of} label={LABELS[of] ?? of} sign={meaning} />
      <Figure>{figure}</Figure>
      <Mark>{verdict && <VerdictMark verdict={verdict} />}</Mark>
    </Row>
  );
});

const Row = styled('div')({
  display: 'grid',
  gridTemplateColumns: '1fr auto 82px',
  gap: 8,
  alignItems: 'baseline',
  fontSize: 12.5,
  lineHeight: '16px',
  whiteSpace: 'nowrap',
});
const Figure = styled('output')({
  fontFamily: FIGURES,
  fontSize: 14.5,
  fontWeight: 600,
  lineHeight: '16px',
});
const Mark = styled('span')({ color: PAPER.soft, fontSize: 12 });
