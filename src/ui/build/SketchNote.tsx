'use client';

import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import type { AxleName, Build } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { typeOf } from '@/core/corners/kinds';
import { sayPoint, sketchedPoints, takeTemplate, toSet } from '@/core/model/sketch';
import { counted } from '@/core/model/wording';
import { PAPER } from '../theme';

/** Over the station: that joints are nobody's yet, or whose they are. */
export const SketchNote = memo(function SketchNote({
  build,
  axle,
  selected,
  onEdit,
}: {
  build: Build;
  axle: AxleName;
  selected: PointName | null;
  onEdit: (change: (build: Build) => void) => void;
}) {
  const design = build[axle]!;
  const joints = sketchedPoints(design);
  const { figures } = toSet(build, design);
  const { length } = joints;
  if (length === 0 && figures === 0)
    return design.template ? (
      <Note>
        {counted(design.template.length, 'figure')} still from the template: proportions of no
        particular car.
      </Note>
    ) : null;
  const { label } = typeOf(design);
  const asShown = selected !== null && joints.includes(selected) ? selected : null;
  return (
    <Note data-sketch={length}>
      <span>
        {length > 0
          ? `A sketch: ${counted(length, 'joint')} nobody has set. Type or paste yours, read them from a file, take them off the parts.`
          : `Nothing is judged yet: ${counted(figures, 'figure')} of the brief to set.`}
      </span>
      {/* Always there, so that nothing moves under the hand that picks a joint. */}
      {length > 0 && (
        <Button
          size="small"
          disabled={asShown === null}
          onClick={() => asShown !== null && onEdit((b) => sayPoint(b[axle]!, asShown))}
        >
          {asShown === null
            ? 'Pick a joint that is as shown'
            : `The ${pointLabel(design, asShown)} is as shown`}
        </Button>
      )}
      <Button size="small" onClick={() => onEdit((b) => takeTemplate(b, b[axle]!))}>
        Go on from the template: {label.toLowerCase()}, no particular car
      </Button>
    </Note>
  );
});

const Note = styled('div')({
  fontSize: 13.5,
  padding: '4px 8px',
  backgroundColor: PAPER.wash,
  // A line each.
  '& button': {
    ...{ padding: '0 4px', display: 'block', maxWidth: '100%' },
    ...{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  },
});
