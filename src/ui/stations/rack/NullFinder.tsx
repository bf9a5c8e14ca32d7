'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { openedRod } from '@/core/bumpsteer/findNull';
import { STARTING_WANTED } from '@/core/bumpsteer/nullWanted';
import type { NullFinding } from '@/core/bumpsteer/findNull';
import type { NullWanted } from '@/core/bumpsteer/nullWanted';
import type { Placing } from '@/core/bumpsteer/nullWanted';
import { measure } from '@/core/model/wording';
import { finderWorker } from '../../bench/finderWorker';
import { LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { SearchRow } from '../SearchRow';
import { useSearch } from '../useSearch';
import { NullResults } from './NullResults';
import type { RackProps } from './Rack';

const spacerSchema = measure('mm', 0, 100);
const placingSchema = measure('mm', 0.05, 20);

/** What within the freedoms leaves the toe alone, the least work first, as drawn and as it will be built. */
export function NullFinder(props: RackProps) {
  const { build, axle, side, design, steered, unit, onTry } = props;
  const [wanted, setWanted] = useState<NullWanted & { placing: Placing }>(STARTING_WANTED);
  const { part, found, start } = useSearch<NullFinding>(design);
  const change = (next: Partial<typeof wanted>) => setWanted((before) => ({ ...before, ...next }));
  const place = (next: Partial<Placing>) => change({ placing: { ...wanted.placing, ...next } });
  return (
    <Box
      component="section"
      aria-label="Find a null"
      sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, rowGap: 1.25, pt: 1.25 }}>
        <LengthField
          label="longest spacer"
          value={wanted.spacer}
          unit={unit}
          schema={spacerSchema}
          onValue={(spacer) => change({ spacer })}
          width={126}
        />
        <LengthField
          label="inner placed to ±"
          value={wanted.placing.inner}
          unit={unit}
          schema={placingSchema}
          onValue={(inner) => place({ inner })}
          width={132}
        />
        <LengthField
          label="outer placed to ±"
          value={wanted.placing.outer}
          unit={unit}
          schema={placingSchema}
          onValue={(outer) => place({ outer })}
          width={132}
        />
      </Box>
      {steered && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
          <Toggle
            label="Bumps at half lock count too"
            on={wanted.lock}
            onSwitch={(lock) => change({ lock })}
          />
          <Toggle
            label="Ackermann stays in the brief’s band"
            on={wanted.ackermann}
            onSwitch={(ackermann) => change({ ackermann })}
          />
          <Toggle
            label="Steering arms may be swapped side to side"
            on={wanted.swap}
            onSwitch={(swap) => change({ swap })}
          />
        </Box>
      )}
      <SearchRow
        label="Find a null"
        part={part}
        opened={openedRod(design)}
        steered={steered}
        onSearch={() => {
          onTry(null);
          start((onProgress) => finderWorker().null(build, axle, side, wanted, onProgress));
        }}
      />
      {found && <NullResults {...props} finding={found} />}
      <Typography variant="caption" color="text.secondary" component="p">
        The tie rod is set to length again for every answer, so toe at ride height stays. As built:{' '}
        half of the cars stay under the first figure, nine in ten under the second.
      </Typography>
    </Box>
  );
}
