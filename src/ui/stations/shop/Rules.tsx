import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns/format';
import { useMemo } from 'react';
import type { Build } from '@/core/model/build';
import { PAPERS, PINS, engagedOf, shopSchema } from '@/core/model/shop';
import type { Shop } from '@/core/model/shop';
import type { LengthUnit } from '@/core/model/units';
import { takenStates } from '@/core/shop/taken';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { Fields, Said, Section } from '../damper/parts';

const shape = shopSchema.shape;
const engagedShape = shape.engaged.unwrap().shape;
const STATE_WORDS = {
  'as it is': '✓ as the layout is',
  old: '△ old: the layout has changed',
  gone: '✕ no longer a sheet of this build',
};

/** The workshop's own rules, the paper, and which sheets were taken. */
export function Rules({
  build,
  unit,
  onEdit,
}: {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const states = useMemo(() => takenStates(build), [build]);
  const { shop } = build;
  const put = (act: (draft: Shop) => void, step?: string) =>
    onEdit((draft) => act((draft.shop ??= {})), step);
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0, flex: 1 }}>
      <Section title="Rules">
        <Fields>
          {(['steel', 'aluminium'] as const).map((material) => (
            <PlainField
              key={material}
              label={`thread in ${material}`}
              ending="diameters"
              value={engagedOf(shop)[material]}
              schema={engagedShape[material]}
              onValue={(value, step) =>
                put(
                  (draft) => void (draft.engaged = { ...engagedOf(draft), [material]: value }),
                  step,
                )
              }
              width={190}
            />
          ))}
          <LengthField
            label="pins stand within ±"
            value={shop?.pins ?? PINS}
            unit={unit}
            schema={shape.pins.unwrap()}
            onValue={(value, step) => put((draft) => void (draft.pins = value), step)}
            width={170}
          />
          <Choice
            label="Paper"
            value={shop?.paper ?? 'A4'}
            options={PAPERS}
            onPick={(paper) => put((draft) => void (draft.paper = paper))}
          />
        </Fields>
        <Said>
          One and a half diameters of thread in steel, two in aluminium: common practice, from
          memory.
        </Said>
      </Section>
      <Section title="Sheets that were taken">
        {states.length === 0 ? (
          <Typography variant="body2" color="text.secondary" sx={{ pt: 1 }}>
            None yet. What is printed or kept as a file is noted here, and told when the layout has
            changed since.
          </Typography>
        ) : (
          <Table aria-label="Sheets that were taken">
            <thead>
              <tr>
                {['sheet', 'variant', 'taken', 'code', 'now'].map((word) => (
                  <th key={word} scope="col">
                    {word}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {states.map(({ taken, variant, state }) => (
                <tr key={`${taken.variant} ${taken.sheet}`} data-taken={state}>
                  <th scope="row" style={{ fontWeight: 400 }}>
                    {taken.title}
                  </th>
                  <td>{variant ?? 'thrown away'}</td>
                  <td>{format(new Date(taken.on), 'd MMM yyyy HH:mm')}</td>
                  <td>{taken.code}</td>
                  <td>{STATE_WORDS[state]}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
      </Section>
    </Box>
  );
}
