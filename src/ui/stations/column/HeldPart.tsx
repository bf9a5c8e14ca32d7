'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { supportsLack } from '@/core/column/held';
import { placesOf, shaftLinesOf } from '@/core/column/places';
import { TwoColumns } from '../steering/TwoColumns';
import { Section } from '../brief/parts';
import { VERDICT } from '../../theme';
import { AdjustPart } from './AdjustPart';
import { SupportFields } from './SupportFields';
import type { PartProps } from './parts';
import { saidIn } from '@/core/model/units';

/** What holds each shaft, what is missing, and how far the handwheel is set. */
export function HeldPart(props: PartProps) {
  const { column, unit, selected, onSelect, onColumn } = props;
  const lack = supportsLack(column);
  const lines = shaftLinesOf(placesOf(column));
  const add = () => {
    const id = crypto.randomUUID();
    onColumn((draft) => {
      draft.supports.push({
        id,
        name: `bearing ${draft.supports.length + 1}`,
        shaft: 1,
        along: Math.round(lines[0].length / 2),
        kind: 'plain',
        collarAbove: false,
        collarBelow: false,
      });
    });
    onSelect(`support ${id}`);
  };
  return (
    <TwoColumns>
      <div>
        <Section title="Bearings">
          {column.supports.map((support) => (
            <SupportFields
              key={support.id}
              {...props}
              support={support}
              open={selected === `support ${support.id}`}
            />
          ))}
          <Button size="small" onClick={add} disabled={column.supports.length >= 12}>
            Add a bearing
          </Button>
        </Section>
      </div>
      <div>
        <Section title="What is missing">
          <ul style={{ margin: 0, paddingLeft: 18 }} data-lacking={lack.length}>
            {lack.map((line) => (
              <li key={line}>
                <Typography variant="body2" component="span" sx={{ color: VERDICT.edge }}>
                  △ {saidIn(line, unit)}
                </Typography>
              </li>
            ))}
          </ul>
          {lack.length === 0 && (
            <Typography variant="body2" sx={{ color: VERDICT.good, fontWeight: 600 }}>
              ✓ Every shaft has a place of its own, and is kept along it once.
            </Typography>
          )}
          <Typography variant="caption" component="p" color="text.secondary">
            A bearing keeps a place of its shaft on its line; with two joints none is needed between
            them, every joint more wants one. Bearings lie above the slip of a shaft that
            telescopes; the pinion’s shaft is held by its rack. Joints are taken as bent, and not
            all in one plane.
          </Typography>
        </Section>
        <AdjustPart {...props} />
      </div>
    </TwoColumns>
  );
}
