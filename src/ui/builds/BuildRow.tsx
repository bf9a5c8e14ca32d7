'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { formatDistanceToNow } from 'date-fns/formatDistanceToNow';
import Link from 'next/link';
import type { Listed } from '@/server/reading';
import type { Summary } from '@/core/summary/summary';
import { CornerSketch } from '../floor/CornerSketch';
import { PAPER, PHONE, SLATE } from '../theme';
import { VerdictMark } from '../verdict';

/** One build of the list: its front corner, its name, how it stands. */
export function BuildRow({
  listed,
  busy,
  onCopy,
  onRemove,
  onRefuse,
}: {
  listed: Listed;
  busy: boolean;
  onCopy: () => void;
  onRemove: () => void;
  /** Says why something cannot be done. */
  onRefuse: (why: string) => void;
}) {
  const { id, name, summary, updatedAt } = listed;
  const problems = summary?.problems;
  return (
    <Box
      sx={{
        height: 1,
        display: 'flex',
        alignItems: 'center',
        gap: 2.5,
        bgcolor: 'background.paper',
        border: `1px solid ${PAPER.line}`,
        borderRadius: 1,
        overflow: 'hidden',
        pr: 2,
        // The words above, what can be done below.
        [PHONE]: { flexWrap: 'wrap', gap: 0.5, p: 1, alignContent: 'flex-start' },
      }}
    >
      <Box
        sx={{
          width: 168,
          height: 104,
          bgcolor: SLATE.ground,
          flex: 'none',
          [PHONE]: { width: 84, height: 52, mr: 1 },
        }}
      >
        {summary && <CornerSketch design={summary.corner} travel={summary.travel} view="front" />}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, [PHONE]: { flexBasis: 'calc(100% - 110px)' } }}>
        <Typography variant="h2" component="h2" noWrap>
          <Link href={`/builds/${id}`} prefetch={false} style={{ color: 'inherit' }}>
            {name}
          </Link>
        </Typography>
        {summary ? <Standing summary={summary} /> : <Damaged />}
        <Typography
          variant="caption"
          component="div"
          color="text.secondary"
          noWrap
          suppressHydrationWarning
        >
          Last worked on {formatDistanceToNow(new Date(updatedAt), { addSuffix: true })}
          {summary?.note && `. ${summary.note}`}
        </Typography>
      </Box>
      {summary && (
        <>
          <Button size="small" onClick={onCopy} disabled={busy} aria-label={`Duplicate ${name}`}>
            Duplicate
          </Button>
          <Button
            size="small"
            aria-label={`Export ${name}`}
            {...(problems
              ? { onClick: () => onRefuse(`Mend “${name}” before exporting:\n${problems}`) }
              : { component: 'a', href: `/api/builds/${id}/file` })}
          >
            Export
          </Button>
        </>
      )}
      <Button
        size="small"
        color="error"
        onClick={onRemove}
        disabled={busy}
        aria-label={`Delete ${name}`}
      >
        Delete
      </Button>
    </Box>
  );
}

const Damaged = () => (
  <Typography color="error">This build cannot be read from the database.</Typography>
);

function Standing({ summary }: { summary: Summary }) {
  const { use, wheelbase, worst, verdict, instead, sketch } = summary;
  return (
    <Typography component="div" variant="body2">
      {use}, wheelbase {wheelbase} mm.{' '}
      {sketch ? (
        `Front corners: ${sketch}.`
      ) : instead !== null && verdict !== null ? (
        <>
          No travel; steering: {instead} <VerdictMark verdict={verdict} />
        </>
      ) : worst !== null && verdict !== null ? (
        <>
          Bump steer front left, straight ahead: {worst.toFixed(2)}°{' '}
          <VerdictMark verdict={verdict} />
        </>
      ) : (
        'The front wheel does not reach its whole travel.'
      )}
    </Typography>
  );
}
