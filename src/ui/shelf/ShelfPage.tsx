'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { PART_KINDS } from '@/core/model/parts';
import type { Part, PartKind } from '@/core/model/parts';
import { keepPart, putPartBack, removePart } from '@/server/actions';
import type { Shelved } from '@/server/reading';
import { hasWords } from '@/core/model/wording';
import { Page, PageLink } from '../Page';
import { Find } from '../fields/Find';
import { PAPER } from '../theme';
import { useActions } from '../useActions';
import { PartDialog } from './PartDialog';
import { BLANKS, KIND_WORDS, inBrief } from './kinds';

/** Parts the builder has or knows, to be used in any build. */
export function ShelfPage({ parts }: { parts: Shelved[] }) {
  const router = useRouter();
  const { busy, run, offerUndo } = useActions();
  const [open, setOpen] = useState<{ id: string | null; part: Part } | null>(null);
  const [find, setFind] = useState('');
  const found = parts.filter(({ name, kind, part }) =>
    hasWords(
      find,
      [name, part ? [KIND_WORDS[part.kind].one, inBrief(part), part.note] : kind].flat().join(' '),
    ),
  );
  const keep = (part: Part) =>
    open &&
    run(
      () => keepPart(open.id, part),
      () => {
        setOpen(null);
        router.refresh();
      },
    );
  const remove = ({ id, name }: Shelved) =>
    run(
      () => removePart(id),
      () => offerUndo(`“${name}” is in the bin.`, () => putPartBack(id)),
    );
  return (
    <Page
      title="Parts shelf"
      about="What you have or know, for any build. A build takes a copy, so a change here changes no build. Loads are what sellers state: nobody has checked them here."
      actions={<PageLink href="/">All builds</PageLink>}
    >
      <Box sx={{ mb: 2 }}>
        <Find label="Find a part" value={find} onValue={setFind} />
      </Box>
      {find.trim() !== '' && found.length === 0 && (
        <Typography role="status">No part has all of these words.</Typography>
      )}
      {PART_KINDS.filter(
        (kind) => find.trim() === '' || found.some((one) => one.kind === kind),
      ).map((kind) => (
        <Kind
          key={kind}
          kind={kind}
          parts={found.filter((one) => one.kind === kind)}
          busy={busy}
          onNew={kind === 'kit' ? null : () => setOpen({ id: null, part: BLANKS[kind] })}
          onOpen={(id, part) => setOpen({ id, part })}
          onRemove={remove}
        />
      ))}
      {open && (
        <PartDialog
          part={open.part}
          isNew={open.id === null}
          onClose={() => setOpen(null)}
          onKeep={keep}
        />
      )}
    </Page>
  );
}

function Kind({
  kind,
  parts,
  busy,
  onNew,
  onOpen,
  onRemove,
}: {
  kind: PartKind;
  parts: Shelved[];
  busy: boolean;
  /** Null where it is kept from a build. */
  onNew: (() => void) | null;
  onOpen: (id: string | null, part: Part) => void;
  onRemove: (one: Shelved) => void;
}) {
  const { one, many } = KIND_WORDS[kind];
  return (
    <Box component="section" aria-label={many} sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mb: 0.5 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {many}
        </Typography>
        {onNew && (
          <Button size="small" onClick={onNew} disabled={busy}>
            New {one}
          </Button>
        )}
      </Box>
      {parts.length === 0 && (
        <Typography color="text.secondary">
          {onNew
            ? 'None yet: put the first one there.'
            : 'None yet: keep the first one from Jigs & parts, parts list.'}
        </Typography>
      )}
      {parts.map((shelved) => {
        const { id, name, part } = shelved;
        return (
          <Box
            key={id}
            data-part={name}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              py: 0.75,
              borderTop: `1px solid ${PAPER.line}`,
            }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
              {part ? (
                <Typography variant="body2">
                  {inBrief(part)}
                  {part.note !== '' && (
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                      . {part.note}
                    </Box>
                  )}
                </Typography>
              ) : (
                <Typography variant="body2" color="error">
                  Cannot be read: {shelved.why}
                </Typography>
              )}
            </Box>
            {part && (
              <>
                <Button size="small" onClick={() => onOpen(id, part)} disabled={busy}>
                  Change
                </Button>
                <Button
                  size="small"
                  onClick={() =>
                    onOpen(null, { ...part, name: `${part.name.slice(0, 70)} (copy)` })
                  }
                  disabled={busy}
                >
                  Copy
                </Button>
              </>
            )}
            <Button size="small" color="error" onClick={() => onRemove(shelved)} disabled={busy}>
              Remove
            </Button>
          </Box>
        );
      })}
    </Box>
  );
}
