import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useState } from 'react';
import type { Build, KeptCheck } from '@/core/model/build';
import { PAPERS } from '@/core/model/shop';
import type { Paper } from '@/core/model/shop';
import { openVariantOf } from '@/core/model/variants';
import { counted } from '@/core/model/wording';
import { fileName } from '@/core/shop/csv';
import type { MadeBook } from '@/workers/finder.worker';
import { finderWorker } from '../../build/finderWorker';
import { download } from '../../download';
import { Choice } from '../../fields/Choice';
import { PickOne } from '../../fields/PickOne';
import { Making } from '../Making';

const NONE = '';

/** The build book: all that is known of the open variant on paper, and what nobody has checked. */
export function BookPart({ build, checks }: { build: Build; checks: readonly KeptCheck[] | null }) {
  const [against, setAgainst] = useState(NONE);
  const [paper, setPaper] = useState<Paper>(build.shop?.paper ?? 'A4');
  const [part, setPart] = useState<number | null>(null);
  const [trouble, setTrouble] = useState('');
  const [made, setMade] = useState<{ of: Build; book: MadeBook } | null>(null);
  const others = build.layouts ?? [];
  const make = async () => {
    setPart(0);
    setTrouble('');
    let ended = false;
    try {
      const book = await finderWorker().book(
        build,
        {
          ...{ on: new Date().toISOString(), checks: checks! },
          against: others.find(({ id }) => id === against),
        },
        paper,
        proxy((now: number) => ended || setPart(now)),
      );
      if (book) setMade({ of: build, book });
    } catch (error) {
      setTrouble(`The book could not be made: ${(error as Error).message}`);
    } finally {
      ended = true;
      setPart(null);
    }
  };
  const name = `${fileName(build.name)}-build-book`;
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 860 }}>
      <Typography variant="body2">
        Brief, take-off with its ±, layout with figures and curves, bump steer and what it
        tolerates, steering, column, damper, loads, sheets, checks, set-ups, work and hours of “
        {openVariantOf(build).name}”; every figure with its unit and whose definition it goes by.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 0.5 }}>
        <Choice label="Paper" value={paper} options={PAPERS} onPick={setPaper} />
        <PickOne
          label="held against"
          value={against}
          options={[
            { value: NONE, words: 'no other variant' },
            ...others.map(({ id, name: words }) => ({ value: id, words })),
          ]}
          onPick={setAgainst}
          width={240}
        />
        {part === null ? (
          <Button variant="contained" disabled={!checks} onClick={() => void make()}>
            Make the book
          </Button>
        ) : (
          <Making part={part} label="The book is made" />
        )}
        {!checks && (
          <Typography variant="caption" color="text.secondary">
            The checks are not here yet: a book without them would say that nobody read anything.
          </Typography>
        )}
      </Box>
      <div role="status">
        {trouble}
        {made &&
          `${counted(made.book.chapters.length, 'chapter')}, code ${made.book.code}${made.of === build ? '' : '; the build has changed since'}`}
      </div>
      {made && (
        <>
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button
              variant="outlined"
              onClick={() =>
                download(`${name}.pdf`, made.book.pdf as Uint8Array<ArrayBuffer>, 'application/pdf')
              }
            >
              Take it as PDF
            </Button>
            <Button
              variant="outlined"
              onClick={() => download(`${name}.json`, made.book.json, 'application/json')}
            >
              Take it as JSON
            </Button>
          </Box>
          <Typography variant="h3">What was not checked</Typography>
          <Box component="ul" aria-label="What was not checked" sx={{ m: 0, pl: 3, fontSize: 14 }}>
            {made.book.unchecked.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
