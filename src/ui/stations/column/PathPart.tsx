'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { PathAnswer, PathFinding } from '@/core/column/findPath';
import { movesOf } from '@/core/column/pathMoves';
import { wantedOf } from '@/core/column/measure';
import { lengthIn, saidIn } from '@/core/model/units';
import { finderWorker } from '../../build/finderWorker';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { LookTake } from '../LookTake';
import { SearchRow, Stale } from '../SearchRow';
import { useSearch } from '../useSearch';
import { axisOfRack } from './ColumnFloor';
import type { PartProps } from './parts';
import { takeColumn } from './parts';

/** A path past everything, by what may be moved: several answers, the least work first. */
export function PathPart(props: PartProps) {
  const { build, column, measured, onTry } = props;
  const { room } = build;
  const bodies = room?.keepOuts;
  const search = useSearch<PathFinding>('path', column, { bodies });
  const { part, found, stale, start } = search;
  const wanted = wantedOf(column);
  const moves = movesOf(column, axisOfRack(build));
  const plain = column.joints.filter(({ kind }) => kind !== 'box').length;
  return (
    <section aria-label="Find a path">
      <Typography variant="body2">
        Wanted: joints within {wanted.comfort}° (if that cannot be, {wanted.sharpest}°), ripple to{' '}
        {wanted.ripple} %, {lengthIn(wanted.clear, props.unit)} clear of every body, at the most{' '}
        {wanted.joints} joints. Change it under “line & joints”.
      </Typography>
      <SearchRow
        label="Find a path"
        part={part}
        opened={[
          ...moves.map(({ name }) => ({ point: name, coordinate: 'up' as const, said: name })),
          ...(plain < wanted.joints
            ? [{ point: 'more', coordinate: 'up' as const, said: 'a joint more, anywhere between' }]
            : []),
          ...(plain > 1
            ? [{ point: 'less', coordinate: 'up' as const, said: 'a joint left out' }]
            : []),
        ]}
        design={build.front}
        onSearch={() => {
          onTry(null);
          start((onProgress) => finderWorker().columnPath(build, onProgress));
        }}
      />
      {stale && <Stale />}
      {measured.ok && found && <Results {...props} finding={found} />}
      <Typography variant="caption" component="p" color="text.secondary">
        Every answer is clocked, measured again, and left out if it is not as wanted. Looked for
        from places by chance downhill: not every path there is may be among them. The pinion’s
        shaft, arms and tie rods are not looked at; welds on a steering shaft belong to who may.
      </Typography>
    </section>
  );
}

function Results({ finding, unit, tried, onTry, onEdit }: PartProps & { finding: PathFinding }) {
  const { answers, missed, inTheWay, tried: count, unsettled } = finding;
  const answer = (one: PathAnswer, i: number) => {
    const name = `path ${i + 1}`;
    const looked = tried === one.column;
    const { joints, ripple, nearest, lacking } = one;
    return (
      <Box
        key={name}
        data-path={i + 1}
        data-path-ripple={(100 * ripple.ripple).toFixed(2)}
        sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, display: 'flex', gap: 1 }}
      >
        <Box sx={{ flex: 1, minWidth: 0 }}>
          {(one.done.length > 0 ? one.done : ['as it is, clocked']).map((line) => (
            <Typography key={line} variant="body2" component="div">
              {saidIn(line, unit)}
            </Typography>
          ))}
          <Typography variant="caption" component="div" sx={{ fontFamily: FIGURES }}>
            <b>
              joints {joints.map(({ bend }) => `${bend.toFixed(1)}°`).join(', ')}; ripple{' '}
              {(100 * ripple.ripple).toFixed(1)} %
              {nearest && `; nearest ${lengthIn(nearest.clearance, unit, 1)}, ${nearest.to}`}
            </b>
          </Typography>
          <Typography variant="caption" component="div" sx={{ color: VERDICT.edge }}>
            {[
              i === 0 ? '★ least work' : '',
              one.comfortable ? '' : '△ a joint is past comfort',
              lacking.length > 0 ? '△ see supports' : '',
            ]
              .filter(Boolean)
              .join('; ')}
          </Typography>
        </Box>
        <LookTake
          what={name}
          looked={looked}
          onLook={() => onTry(looked ? null : one.column)}
          onTake={() => {
            onTry(null);
            takeColumn(onEdit, one.column);
          }}
        />
      </Box>
    );
  };
  return (
    <Box role="status">
      <Typography variant="body2">
        {answers.length > 0
          ? `Looked at ${count} places.`
          : `No way within what may be moved, of ${count} places looked at. The nearest misses: ${saidIn(missed.join('; '), unit)}.`}
        {unsettled > 0 &&
          ` ${unsettled} of the searches were stopped before they came to rest: there may be less work to be found.`}
      </Typography>
      {answers.length === 0 && (
        <Typography variant="body2" sx={{ fontWeight: 600 }} data-in-the-way>
          {inTheWay.length > 0
            ? `In the way: ${inTheWay.map((name) => `without the ${name} there is one`).join('; ')}.`
            : 'No single body is it: more has to be free to move, or less asked.'}
        </Typography>
      )}
      {answers.map(answer)}
    </Box>
  );
}
