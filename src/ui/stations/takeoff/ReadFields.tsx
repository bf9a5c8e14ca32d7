'use client';

import { printAngle, printLength } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { angleRead, lengthRead } from '@/core/model/takeOff';
import type { Read } from '@/core/model/takeOff';
import { AngleField, LengthField } from '../../fields/NumberField';

export type OnRead = (what: 'value' | 'tolerance', value: number | undefined, step: string) => void;

interface Props {
  label: string;
  read: Read;
  onRead: OnRead;
  /** What the model has, shown in an empty field: not a reading. */
  drawn?: number;
}

/** Puts a reading into a record, or takes it out again. */
export function putRead(read: Read, what: 'value' | 'tolerance', value: number | undefined): void {
  if (value !== undefined) read[what] = value;
  else if (what === 'value') delete read.value;
}

/** A length read off and its ±; empty until it is typed. */
export const ReadFields = ({ label, read, unit, onRead, drawn }: Props & { unit: LengthUnit }) => (
  <>
    <LengthField
      label={label}
      value={read.value}
      unit={unit}
      schema={lengthRead.shape.value}
      placeholder={
        drawn === undefined ? 'read off' : `drawn ${printLength(Math.round(drawn * 10) / 10, unit)}`
      }
      onValue={(mm, step) => onRead('value', mm, step)}
      onClear={(step) => onRead('value', undefined, step)}
      width={118}
    />
    <LengthField
      label="±"
      value={read.tolerance}
      unit={unit}
      schema={lengthRead.shape.tolerance}
      onValue={(mm, step) => onRead('tolerance', mm, step)}
      width={86}
    />
  </>
);

/** An angle read off a level and its ±; empty until it is typed. */
export const AngleReadFields = ({ label, read, onRead, drawn }: Props) => (
  <>
    <AngleField
      label={label}
      value={read.value}
      schema={angleRead.shape.value}
      placeholder={drawn === undefined ? 'read off' : `drawn ${printAngle(drawn)}`}
      onValue={(degrees, step) => onRead('value', degrees, step)}
      onClear={(step) => onRead('value', undefined, step)}
      width={118}
    />
    <AngleField
      label="±"
      value={read.tolerance}
      schema={angleRead.shape.tolerance}
      onValue={(degrees, step) => onRead('tolerance', degrees, step)}
      width={86}
    />
  </>
);
