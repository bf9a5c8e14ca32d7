'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { measureColumn } from '@/core/column/measure';
import type { Column as ColumnDesign } from '@/core/model/column';
import { useCalm } from '../../build/useCalm';
import { useView } from '../../build/viewStore';
import { Choice } from '../../fields/Choice';
import { useStable } from '../../useStable';
import { OfSketch } from '../../verdict';
import { comparedIn } from '../../variants/compared';
import type { DeskProps } from '../list';
import { ColumnFloor } from './ColumnFloor';
import { CutPart } from './CutPart';
import { HandsPart } from './HandsPart';
import { HeldPart } from './HeldPart';
import { LinePart } from './LinePart';
import { PathPart } from './PathPart';
import { PedalsPart } from './PedalsPart';
import { StartColumn } from './StartColumn';
import { TurnsPart } from './TurnsPart';
import { columnEdit } from './parts';
import { sightlinesOf } from './sightlines';

const PARTS = ['hands', 'line', 'pedals', 'turns', 'path', 'held', 'cut'] as const;
type Part = (typeof PARTS)[number];
const WORDS: Record<Part, string> = {
  hands: 'seat & hands',
  line: 'line & joints',
  pedals: 'pedals & bodies',
  turns: 'how it turns',
  path: 'find a path',
  held: 'supports & range',
  cut: 'cut list',
};

/** From the hands to the pinion: does it turn evenly, past everything, and how is it made? */
export function Column({ build, unit, onEdit }: Pick<DeskProps, 'build' | 'unit' | 'onEdit'>) {
  const { column } = build.front;
  return column ? (
    <Laid {...{ build, column, unit, onEdit }} />
  ) : (
    <StartColumn {...{ build, unit, onEdit }} />
  );
}

function Laid({
  build,
  column,
  unit,
  onEdit,
}: Pick<DeskProps, 'build' | 'unit' | 'onEdit'> & { column: ColumnDesign }) {
  const [part, setPart] = useState<Part>('hands');
  const [selected, setSelected] = useState<string | null>(null);
  // What is looked at is a change of the column as it stood then.
  const [look, setLook] = useState<{ at: ColumnDesign; column: ColumnDesign } | null>(null);
  const tried = look?.at === column ? look.column : null;
  const { room } = build;
  const measured = useMemo(() => measureColumn(column, room, 'front'), [column, room]);
  const shown = useMemo(() => ({ build, column, measured }), [build, column, measured]);
  const calm = useCalm(shown);
  const compared = comparedIn(
    build,
    useView((view) => view.compared),
  );
  const beside = tried ?? compared?.front.column ?? null;
  const strings = useMemo(() => (part === 'hands' ? sightlinesOf(column) : []), [part, column]);
  const handleColumn = useStable(columnEdit(onEdit));
  const handleTry = useStable((next: ColumnDesign | null) =>
    setLook(next && { at: column, column: next }),
  );
  const props = {
    ...calm,
    unit,
    selected,
    onSelect: setSelected,
    onColumn: handleColumn,
    onEdit,
    tried,
    onTry: handleTry,
  };
  return (
    // Nothing of it rests on what a corner's sketch stands in for.
    <OfSketch.Provider value={false}>
      <ColumnFloor
        {...{ build, column, measured, strings, unit, selected, onEdit }}
        tried={beside}
        onSelect={setSelected}
      />
      <Box sx={{ my: 1.25, overflowX: 'auto' }}>
        <Choice
          label="What of the column"
          value={part}
          options={PARTS}
          words={WORDS}
          onPick={setPart}
        />
      </Box>
      {!measured.ok && (
        <Typography role="alert" variant="body2" color="error" sx={{ fontWeight: 600, mb: 1 }}>
          The column does not turn: {measured.why}.
        </Typography>
      )}
      {part === 'hands' && <HandsPart {...props} />}
      {part === 'line' && <LinePart {...props} />}
      {part === 'pedals' && <PedalsPart {...props} />}
      {part === 'turns' && <TurnsPart {...props} beside={beside} />}
      {part === 'path' && <PathPart {...props} />}
      {part === 'held' && <HeldPart {...props} />}
      {part === 'cut' && <CutPart {...props} />}
      <Typography variant="caption" component="p" color="text.secondary" sx={{ mt: 1.5 }}>
        Welded steering shafts and joints are inspected work; set screws sit in a dimple and are
        locked, pinch bolts go in to their full depth. A straight solid column is a spear in a
        frontal crash: break its line, or use one that gives way. A key lock must not be able to
        engage while it is driven. Local rules go before all of this.
      </Typography>
    </OfSketch.Provider>
  );
}
