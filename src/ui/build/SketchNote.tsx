'use client';

import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { AxleDesign, AxleName, Build } from '@/core/model/build';
import { typeOf } from '@/core/corners/kinds';
import { sketchedPoints, takeTemplate } from '@/core/model/sketch';
import { counted } from '@/core/model/wording';
import { PAPER } from '../theme';

/** Over the station: that joints are nobody's yet, or whose they are. */
export const SketchNote = memo(function SketchNote({
  design,
  axle,
  onEdit,
}: {
  design: AxleDesign;
  axle: AxleName;
  onEdit: (change: (build: Build) => void) => void;
}) {
  const { length } = sketchedPoints(design);
  if (length === 0)
    return design.template ? (
      <Note>
        {counted(design.template.length, 'figure')} still from the template: proportions of no
        particular car.
      </Note>
    ) : null;
  const { label } = typeOf(design);
  return (
    <Note data-sketch={length}>
      <span>
        A sketch: {counted(length, 'joint')} nobody has set. Type or paste yours, read them from a
        file, take them off the parts.
      </span>
      <Button size="small" onClick={() => onEdit((build) => takeTemplate(build[axle]!))}>
        Go on from the template: {label.toLowerCase()}, no particular car
      </Button>
    </Note>
  );
});

const Note = styled('div')({
  fontSize: 13.5,
  padding: '4px 8px',
  backgroundColor: PAPER.wash,
  '& button': { padding: '0 4px' },
});
