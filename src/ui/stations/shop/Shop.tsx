'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { useDeferredValue, useMemo, useState } from 'react';
import { MOST_PIECES, drawnPiece } from '@/core/model/pieces';
import { nameVariant, openVariantOf } from '@/core/model/variants';
import { pieceFor } from '@/core/shop/pieces/start';
import { sheetEntries } from '@/core/shop/sheetsOf';
import { takenStates } from '@/core/shop/taken';
import { NARROW, PHONE, UNSEEN } from '../../theme';
import { Choice } from '../../fields/Choice';
import type { DeskProps } from '../list';
import { AddPiece } from './AddPiece';
import { AllSheets } from './AllSheets';
import { MadeOf } from './MadeOf';
import { PartsList } from './PartsList';
import { PieceFields } from './PieceFields';
import { Rules } from './Rules';
import { SheetTree } from './SheetTree';
import { SheetView } from './SheetView';

const VIEWS = ['sheets', 'list', 'rules'] as const;
type View = (typeof VIEWS)[number];
const WORDS: Record<View, string> = {
  sheets: 'sheets',
  list: 'parts list',
  rules: 'rules & what was taken',
};

/** From the layout to metal: sheets to cut, drill and weld by, what they are made of, what is bought. */
export function Shop({
  build,
  wheel,
  unit,
  onEdit,
}: Pick<DeskProps, 'build' | 'wheel' | 'unit' | 'onEdit'>) {
  const [view, setView] = useState<View>('sheets');
  const [picked, setPicked] = useState<string | null>(null);
  // Sheets follow what is typed; the field does not wait for them.
  const drawn = useDeferredValue(build);
  const entries = useMemo(() => sheetEntries(drawn), [drawn]);
  const old = useMemo(
    () =>
      new Map(
        takenStates(drawn).map(({ taken, state }) => [`${taken.variant} ${taken.sheet}`, state]),
      ),
    [drawn],
  );
  const variant = openVariantOf(build);
  const entry =
    entries.find(({ id }) => id === picked) ??
    // Until one is picked, the first of the axle that is looked at.
    entries.find(({ of }) => of?.axle === wheel.axle) ??
    entries[0];
  const axle = entry.of?.axle ?? wheel.axle;
  const piece = build[axle]?.pieces?.find(({ id }) => id === entry.of?.piece);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0, gap: 1 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Choice
          label="What of the parts"
          value={view}
          options={VIEWS}
          words={WORDS}
          onPick={setView}
        />
        <Box sx={{ flex: 1 }} />
        {!variant.frozen && (
          <>
            <Typography variant="body2" color="text.secondary">
              Drafts, until “{variant.name}” is frozen.
            </Typography>
            <Button
              size="small"
              onClick={() =>
                onEdit((draft) =>
                  nameVariant(draft, variant.id, { frozen: new Date().toISOString() }),
                )
              }
            >
              Freeze it
            </Button>
          </>
        )}
        <AllSheets build={build} onEdit={onEdit} />
      </Box>
      <Unseen>{WORDS[view]}</Unseen>
      {view === 'sheets' && (
        <Box
          sx={{
            flex: 1,
            minHeight: 0,
            display: 'grid',
            gridTemplateColumns: '216px minmax(0, 1fr) 330px',
            gap: 2,
            [NARROW]: { gridTemplateColumns: '180px minmax(0, 1fr) 280px' },
            [PHONE]: { gridTemplateColumns: 'minmax(0, 1fr)' },
          }}
        >
          <SheetTree
            build={drawn}
            entries={entries}
            picked={entry.id}
            states={old}
            onPick={setPicked}
          >
            <AddPiece
              axle={axle}
              room={MOST_PIECES - (build[axle]?.pieces?.length ?? 0)}
              onAdd={(kind) => {
                const piece = pieceFor(build, axle, kind);
                onEdit((draft) => void (draft[axle]!.pieces ??= []).push(piece));
                setPicked(`${axle}/piece/${piece.id}`);
              }}
              onDrawn={(shapes, name) => {
                const there = [...(build[axle]?.pieces ?? [])];
                const fresh = shapes.map((shape, i) => {
                  const piece = drawnPiece(shape, i > 0 ? `${name} ${i + 1}` : name, there);
                  there.push(piece);
                  return piece;
                });
                onEdit((draft) => void (draft[axle]!.pieces ??= []).push(...fresh));
                setPicked(`${axle}/piece/${fresh[0].id}`);
              }}
            />
          </SheetTree>
          <SheetView build={drawn} entry={entry} onEdit={onEdit} />
          {piece ? (
            <PieceFields
              key={entry.id}
              build={build}
              axle={axle}
              piece={piece}
              unit={unit}
              onEdit={onEdit}
            />
          ) : (
            <MadeOf key={entry.id} build={build} entry={entry} unit={unit} onEdit={onEdit} />
          )}
        </Box>
      )}
      {view === 'list' && <PartsList build={build} unit={unit} onEdit={onEdit} />}
      {view === 'rules' && <Rules build={build} unit={unit} onEdit={onEdit} />}
      <Typography variant="caption" component="p" color="text.secondary">
        Prototype geometry, not a strength approval. Steering and suspension welds belong to
        qualified hands and are inspected where the law asks for it; measure before you weld, and
        again after.
      </Typography>
    </Box>
  );
}

/** What the view is called, for those who hear it. */
const Unseen = styled('h2')(UNSEEN);
