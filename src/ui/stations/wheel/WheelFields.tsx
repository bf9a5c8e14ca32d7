'use client';

import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { rimSchema, tyreSchema } from '@/core/model/build';
import type { AxleDesign } from '@/core/model/build';
import { estimatedLoadedRadius, readTyreCode } from '@/core/model/tyre';
import type { LengthUnit } from '@/core/model/units';
import { isSketched, say } from '@/core/model/sketch';
import { measure } from '@/core/model/wording';
import { setLoadedRadius, setTrack, trackOf } from '@/core/upright/place';
import { setOverallWidth, widthOver } from '@/core/upright/width';
import type { Kept } from '@/core/upright/place';
import { rimPath, sayRim, unsayRim } from '@/core/upright/rim';
import type { RimPart } from '@/core/upright/rim';
import { LengthField } from '../../fields/NumberField';
import type { AxleChange } from './useAxleChange';

interface Props {
  design: AxleDesign;
  unit: LengthUnit;
  change: AxleChange;
  width?: number;
}

/** The tyre's size code. One that can be read fills in width, rim and an estimate of the loaded radius. */
export function TyreCode({ design, change, width = 132 }: Props) {
  const code = design.tyre.code ?? '';
  const [text, setText] = useState<string | null>(null);
  const read = text === null || text.trim() === '' ? null : readTyreCode(text);
  const take = () => {
    if (text === null) return;
    const typed = text.trim();
    if (typed === '' && code !== '') change('', (d) => void delete d.tyre.code);
    if (read?.ok && typed !== code)
      change('', (d) => {
        d.tyre.code = typed;
        d.tyre.width = read.value.width;
        if (d.rim && read.value.rim !== null) d.rim.diameter = read.value.rim;
        setLoadedRadius(d, estimatedLoadedRadius(read.value.diameter));
        say(d, 'tyre.width', 'tyre.radius');
      });
    if (typed === '' || read?.ok) setText(null);
  };
  return (
    <TextField
      label="Tyre size"
      value={text ?? code}
      placeholder="195/50R15"
      onChange={(event) => setText(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') setText(null);
      }}
      error={read?.ok === false}
      helperText={read?.ok === false ? read.why : undefined}
      sx={{ width }}
      slotProps={{
        htmlInput: { autoComplete: 'off', spellCheck: false, maxLength: 30 },
        inputLabel: { shrink: true },
        formHelperText: { sx: { mx: 0 } },
      }}
    />
  );
}

export const LoadedRadius = ({ design, unit, change, width }: Props) => (
  <LengthField
    label="Loaded radius"
    value={design.tyre.radius}
    sketched={isSketched(design, 'tyre.radius')}
    onUnsay={(_, step) => change(step, () => undefined)}
    unit={unit}
    schema={tyreSchema.shape.radius}
    onValue={(mm, step) =>
      change(step, (d) => {
        setLoadedRadius(d, mm);
        say(d, 'tyre.radius');
      })
    }
    width={width}
  />
);

/** Size, loaded radius and width of the tyre. */
export const TyreFields = (props: Props) => (
  <>
    <TyreCode {...props} />
    <LoadedRadius {...props} />
    <LengthField
      label="Tyre width"
      value={props.design.tyre.width}
      sketched={isSketched(props.design, 'tyre.width')}
      onUnsay={(_, step) => props.change(step, () => undefined)}
      unit={props.unit}
      schema={tyreSchema.shape.width}
      onValue={(mm, step) =>
        props.change(step, (d) => {
          d.tyre.width = mm;
          say(d, 'tyre.width');
        })
      }
      width={props.width}
    />
  </>
);

/** One figure of the rim; empty where nobody has said it. */
function RimField({
  part,
  label,
  unit,
  design,
  change,
  width,
  kept,
}: Props & { part: RimPart; label: string; kept: Kept }) {
  const clear = (step: string) => change(step, (d) => unsayRim(d, part));
  return (
    <LengthField
      label={label}
      value={design.rim?.[part]}
      sketched={isSketched(design, rimPath(part))}
      placeholder="not known"
      unit={unit}
      schema={rimSchema.shape[part]}
      onValue={(mm, step) => change(step, (d) => sayRim(d, part, mm, kept))}
      onClear={clear}
      onUnsay={(_, step) => clear(step)}
      width={width}
    />
  );
}

/** How far the hub face is outboard of the rim's middle, always mm. */
export const RimOffset = (props: Props & { kept: Kept }) => (
  <RimField {...props} part="offset" label="Offset, + hub out" unit="mm" />
);

/** Rim, in inches as rims are sold; its offset in mm. Without a rim the hub face is at the wheel centre. */
export const RimFields = (props: Props & { kept: Kept }) => (
  <>
    <RimField {...props} part="diameter" label="Rim diameter" unit="in" />
    <RimField {...props} part="width" label="Rim width" unit="in" />
    <RimOffset {...props} />
  </>
);

const widthSchema = measure('mm', 300, 4000);

/** Where the wheels stand across the car; they and their uprights move together. */
export function TrackFields({ design, unit, change, width }: Props) {
  const sketched = isSketched(design, 'wheelCentre.out');
  return (
    <>
      <LengthField
        label="Track at contact"
        value={tidy(trackOf(design))}
        sketched={sketched}
        onUnsay={(_, step) => change(step, () => undefined)}
        unit={unit}
        schema={widthSchema}
        onValue={(mm, step) =>
          change(step, (d) => {
            setTrack(d, mm);
            say(d, 'wheelCentre.out');
          })
        }
        width={width}
      />
      <LengthField
        label="Over the tyres"
        value={tidy(widthOver(design))}
        sketched={sketched}
        onUnsay={(_, step) => change(step, () => undefined)}
        unit={unit}
        schema={widthSchema}
        onValue={(mm, step) =>
          change(step, (d) => {
            setOverallWidth(d, mm);
            say(d, 'wheelCentre.out');
          })
        }
        width={width}
      />
    </>
  );
}

const tidy = (mm: number): number => Math.round(mm * 10) / 10;
