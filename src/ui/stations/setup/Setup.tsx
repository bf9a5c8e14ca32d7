'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { useMemo, useState } from 'react';
import { setNow } from '@/core/setup/book';
import { Choice } from '../../fields/Choice';
import { UNSEEN } from '../../theme';
import type { DeskProps } from '../list';
import { Adjusters } from './Adjusters';
import { Book } from './Book';
import { Height } from './Height';
import { Turn } from './Turn';

const PARTS = ['turn', 'adjusters', 'height', 'book'] as const;
const PART_WORDS = {
  turn: 'read and turn',
  adjusters: 'what each one does',
  height: 'ride height',
  book: 'set-up book',
};

/** Camber, caster and toe of the finished car by its own adjusters, and the book of its sets. */
export function Setup({ build, wheel, unit, onEdit }: DeskProps) {
  const [part, setPart] = useState<(typeof PARTS)[number]>('turn');
  const now = useMemo(() => setNow(build, wheel), [build, wheel]);
  const asSet = useMemo(() => now.setting.wheelAt(now.setting.still) ?? wheel, [now, wheel]);
  return (
    <Box sx={{ display: 'grid', gap: 1.5, alignContent: 'start', overflow: 'auto', minHeight: 0 }}>
      <Choice
        label="Part of the set-up"
        value={part}
        options={PARTS}
        words={PART_WORDS}
        onPick={setPart}
      />
      <Heading>{PART_WORDS[part]}</Heading>
      {!now.model ? (
        <Typography variant="body2">
          The layout cannot be put together as it is set: nothing can be told of it.
        </Typography>
      ) : part === 'turn' ? (
        // Another wheel is another form.
        <Turn
          key={`${wheel.axle} ${wheel.side}`}
          {...{ build, wheel, now, model: now.model, unit, onEdit }}
        />
      ) : part === 'adjusters' ? (
        <Adjusters {...{ wheel, now, unit }} />
      ) : part === 'height' ? (
        <Height wheel={asSet} unit={unit} />
      ) : (
        <Book {...{ build, unit, onEdit }} />
      )}
    </Box>
  );
}

const Heading = styled('h2')(UNSEEN);
