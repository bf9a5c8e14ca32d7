'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { format } from 'date-fns/format';
import { memo } from 'react';
import type { Build } from '@/core/model/build';
import { copyVariant } from '@/core/model/variants';
import { PAPER } from '../theme';

interface Props {
  name: string;
  frozen: string | undefined;
  /** What the variant is compared with. */
  against: string | null;
  onEdit: (change: (build: Build) => void) => void;
  onStopComparing: () => void;
}

/** Over the station: that the open variant is frozen, or what it is compared with. */
export const VariantNotes = memo(function VariantNotes(props: Props) {
  const { name, frozen, against, onEdit, onStopComparing } = props;
  if (!frozen && against === null) return null;
  return (
    <Box role="note" sx={{ bgcolor: PAPER.wash, px: 1, fontSize: 13.5, borderRadius: 0.5 }}>
      {frozen && (
        <div>
          ▣ “{name}” is frozen since {format(new Date(frozen), 'd MMM yyyy')}.{' '}
          <Button
            size="small"
            onClick={() =>
              onEdit((draft) =>
                copyVariant(draft, crypto.randomUUID(), `${name.slice(0, 50)}, changed`),
              )
            }
          >
            Go on with a copy
          </Button>
        </div>
      )}
      {against !== null && (
        <div>
          Compared with “{against}”, thin on floor and curve.{' '}
          <Button size="small" onClick={onStopComparing}>
            Stop
          </Button>
        </div>
      )}
    </Box>
  );
});
