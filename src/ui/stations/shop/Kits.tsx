import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { AxleName, Build } from '@/core/model/build';
import type { Kit } from '@/core/model/parts';
import type { LengthUnit } from '@/core/model/units';
import { saidIn } from '@/core/model/units';
import { cutTo } from '@/core/model/wording';
import { kitOf, takeKit } from '@/core/shop/kit';
import { keepPart } from '@/server/actions';
import { Choice } from '../../fields/Choice';
import { FromShelf } from '../../shelf/FromShelf';
import { useActions } from '../../useActions';
import { Section } from '../damper/parts';

const AXLES = ['front', 'rear'] as const;

/** What an axle is made of, kept on the shelf for another build, or taken from there. */
export function Kits({
  build,
  unit,
  onEdit,
}: {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void) => void;
}) {
  const [axle, setAxle] = useState<AxleName>('front');
  const [said, setSaid] = useState<{ says: string; fits: boolean }[]>([]);
  const { busy, run } = useActions();
  const kit = kitOf(build, axle, cutTo(`${build.name}, ${axle}`, 80));
  const keep = () =>
    kit &&
    run(
      () => keepPart(null, kit),
      () => setSaid([{ says: `On the shelf as “${kit.name}”.`, fits: true }]),
    );
  const take = (from: Kit) => {
    const { taken, without } = takeKit(build, axle, from);
    onEdit((draft) => {
      const design = draft[axle];
      if (!design || taken.length === 0) return;
      const made = (design.made ??= {});
      for (const { id, made: own } of taken) made[id] = structuredClone(own);
    });
    setSaid([
      ...taken,
      ...without.map((name) => ({ says: `${name}: this axle has none.`, fits: false })),
    ]);
  };
  return (
    <Section title="Kits">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 0.75 }}>
        {build.rear && (
          <Choice label="Axle of the kit" value={axle} options={AXLES} onPick={setAxle} />
        )}
        <Button size="small" disabled={busy || !kit} onClick={keep}>
          Keep what it is made of as a kit
        </Button>
        <FromShelf kind="kit" title="Take a kit from the shelf" onPick={take} />
      </Box>
      {said.length > 0 && (
        <Alert
          severity={said.every(({ fits }) => fits) ? 'success' : 'warning'}
          onClose={() => setSaid([])}
          sx={{ mt: 0.75 }}
        >
          {said.map(({ says }) => (
            <div key={says}>{saidIn(says, unit)}</div>
          ))}
        </Alert>
      )}
    </Section>
  );
}
