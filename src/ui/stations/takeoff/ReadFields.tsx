'use client';

import type { LengthUnit } from '@/core/model/units';
import { angleRead, lengthRead } from '@/core/takeoff/records';
import type { Read } from '@/core/takeoff/records';
import { AngleField, LengthField } from '../../fields/NumberField';

type OnRead = (what: 'value' | 'tolerance', value: number, step: string) => void;

/** A length read off and its ±. */
export const ReadFields = ({
  label,
  read,
  unit,
  onRead,
}: {
  label: string;
  read: Read;
  unit: LengthUnit;
  onRead: OnRead;
}) => (
  <>
    <LengthField
      label={label}
      value={read.value}
      unit={unit}
      schema={lengthRead.shape.value}
      onValue={(mm, step) => onRead('value', mm, step)}
      width={112}
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

/** An angle read off a level and its ±. */
export const AngleReadFields = ({
  label,
  read,
  onRead,
}: {
  label: string;
  read: Read;
  onRead: OnRead;
}) => (
  <>
    <AngleField
      label={label}
      value={read.value}
      schema={angleRead.shape.value}
      onValue={(degrees, step) => onRead('value', degrees, step)}
      width={112}
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
