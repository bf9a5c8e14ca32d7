import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { packed } from '@/core/model/mesh';
import type { PlateShape } from '@/core/model/pieces';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate, counted, label, measure } from '@/core/model/wording';
import { SEEN_FROM, extruded } from '@/core/scan/extrude';
import type { SeenFrom } from '@/core/scan/extrude';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { Fields, Said } from '../damper/parts';
import type { Carried } from './BodyDialog';

const thickSchema = measure('mm', 0.5, 5000);
const nameSchema = label();
const WHERE = ['ahead', 'left', 'up'] as const;

/** Where an outline of a drawing stands in the car, and how thick it is. */
export function OutlinePlace({
  shapes,
  left,
  unit,
  name: first,
  onTake,
}: {
  shapes: readonly PlateShape[];
  /** Lines of the drawing that close nowhere. */
  left: number;
  unit: LengthUnit;
  name: string;
  onTake: (carried: Carried, name: string) => void;
}) {
  const [picked, setPicked] = useState(0);
  const [seen, setSeen] = useState<SeenFrom>('the side');
  const [at, setAt] = useState<[number, number, number]>([0, 0, 0]);
  const [thick, setThick] = useState(40);
  const [name, setName] = useState(first);
  const take = () => {
    const surface = extruded(shapes[picked], seen, at, thick);
    onTake(
      { places: packed(surface.places), triangles: packed(surface.triangles), exact: 0 },
      name,
    );
  };
  return (
    <>
      <Fields>
        <TextField
          select
          label="Outline"
          value={picked}
          onChange={(event) => setPicked(Number(event.target.value))}
          sx={{ width: 280 }}
        >
          {shapes.map(({ edge, holes, windows }, i) => (
            <MenuItem key={i} value={i}>
              {sizeOf(edge, unit)}
              {holes.length + windows.length > 0 && `, ${holes.length + windows.length} cut out`}
            </MenuItem>
          ))}
        </TextField>
        <TextLine label="Name" value={name} schema={nameSchema} onValue={setName} width={200} />
        <LengthField
          label="thick"
          value={thick}
          unit={unit}
          schema={thickSchema}
          onValue={setThick}
          width={120}
        />
      </Fields>
      <Box sx={{ pt: 1.25 }}>
        <Choice label="Drawn as seen from" value={seen} options={SEEN_FROM} onPick={setSeen} />
      </Box>
      <Said>
        {seen === 'the side'
          ? 'To the right in the drawing is ahead, up is up; it is thick across the car.'
          : seen === 'the front'
            ? 'To the right in the drawing is the car’s left, up is up; it is thick along the car.'
            : 'To the right in the drawing is ahead, up is the car’s left; it is thick upward.'}{' '}
        Half of it is on either side of its place.
        {left > 0 && ` ${counted(left, 'line')} of the drawing close nowhere and are not taken.`}
      </Said>
      <Fields>
        {WHERE.map((where, k) => (
          <LengthField
            key={where}
            label={`drawing’s origin, ${where}`}
            value={at[k]}
            unit={unit}
            schema={coordinate}
            onValue={(mm) => setAt((now) => now.map((x, i) => (i === k ? mm : x)) as typeof now)}
            width={190}
          />
        ))}
      </Fields>
      <Button variant="contained" sx={{ mt: 2 }} onClick={take}>
        Put it in the car
      </Button>
    </>
  );
}

function sizeOf(edge: readonly (readonly [number, number])[], unit: LengthUnit): string {
  const [x, y] = [0, 1].map((k) => {
    const all = edge.map((spot) => spot[k]);
    return lengthIn(Math.max(...all) - Math.min(...all), unit, 1);
  });
  return `${x} × ${y}`;
}
