'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { rodWord } from '@/core/model/labels';
import { openedRod } from '@/core/bumpsteer/findNull';
import { STARTING_WANTED, nullWantedSchema, placingSchema } from '@/core/model/nullWanted';
import type { Placing } from '@/core/model/nullWanted';
import type { NullFinding } from '@/core/bumpsteer/findNull';
import { finderWorker } from '../../build/finderWorker';
import { LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { SearchRow, Stale } from '../SearchRow';
import { askedOf } from '../useAsked';
import { useSearch } from '../useSearch';
import { NullResults } from './NullResults';
import type { RackProps } from './Rack';

/** What within the freedoms leaves the toe alone, the least work first, as drawn and as it will be built. */
export function NullFinder(props: RackProps) {
  const { build, wheel, unit, onTry, onEdit } = props;
  const { axle, side, design } = wheel;
  const wanted = build.asked?.null ?? STARTING_WANTED;
  const search = useSearch<NullFinding>(`null ${axle} ${side}`, design, wanted);
  const { part, found, stale, start } = search;
  const put = askedOf(onEdit);
  const change = (next: Partial<typeof wanted>, step?: string) =>
    put('null', { ...wanted, ...next }, step);
  const place = (next: Partial<Placing>, step: string) =>
    change({ placing: { ...wanted.placing, ...next } }, step);
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
          schema={nullWantedSchema.shape.spacer}
          onValue={(spacer, step) => change({ spacer }, step)}
          width={126}
        />
        <LengthField
          label="inner placed to ±"
          value={wanted.placing.inner}
          unit={unit}
          schema={placingSchema.shape.inner}
          onValue={(inner, step) => place({ inner }, step)}
          width={132}
        />
        <LengthField
          label="outer placed to ±"
          value={wanted.placing.outer}
          unit={unit}
          schema={placingSchema.shape.outer}
          onValue={(outer, step) => place({ outer }, step)}
          width={132}
        />
      </Box>
      {wheel.steered && (
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
          {!wheel.type.coupled && (
            <Toggle
              label="Steering arms may be swapped side to side"
              on={wanted.swap}
              onSwitch={(swap) => change({ swap })}
            />
          )}
        </Box>
      )}
      <SearchRow
        label="Find a null"
        part={part}
        opened={openedRod(design)}
        design={design}
        onSearch={() => {
          onTry(null);
          start((onProgress) => finderWorker().null(build, axle, side, wanted, onProgress));
        }}
      />
      {stale && <Stale />}
      {found && <NullResults {...props} finding={found} />}
      <Typography variant="caption" color="text.secondary" component="p">
        The {rodWord(design)} is set to length again for every answer, so toe at ride height stays.
        As built: half of the cars stay under the first figure, nine in ten under the second.
      </Typography>
    </Box>
  );
}
