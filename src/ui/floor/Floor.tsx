'use client';

import Box from '@mui/material/Box';
import useMeasure from 'react-use-measure';
import { useMemo } from 'react';
import { pointsOf } from '@/core/kinematics/axle';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import type { PointName } from '@/core/model/points';
import { SLATE } from '../theme';
import type { Figures } from './Dimensions';
import { FloorView } from './FloorView';
import { viewBox } from './drawing';
import type { Drawn, ViewName } from './drawing';

interface Props {
  design: AxleDesign;
  side: Side;
  travel: Travel;
  drawn: Drawn;
  proposed: Drawn | null;
  /** Why the position shown cannot be reached; empty when it can. */
  trouble: string;
  unit: LengthUnit;
  steered: boolean;
  selected: PointName | null;
  /** Measured on the floor where they are given. */
  dimensions: Figures | null;
  onSelect: (name: PointName) => void;
}

const VIEWS: ViewName[] = ['front', 'side', 'above'];

/** The slate floor: one corner from the front, from outside and from above, at one scale. */
export function Floor({ design, side, travel, drawn, proposed, trouble, ...selection }: Props) {
  const [ref, bounds] = useMeasure();
  const mirror = side === 'left' ? 1 : -1;
  const points = pointsOf(design, side);
  const boxes = useMemo(
    () => VIEWS.map((view) => viewBox(view, mirror, design, points, travel)),
    [mirror, design, points, travel],
  );
  const captions: Record<ViewName, string> = {
    front: 'From the front',
    side: `From the ${side} side`,
    above: 'From above',
  };

  const widths = boxes.map((box) => box.right - box.left);
  const total = widths.reduce((sum, width) => sum + width, 0);
  const tallest = Math.max(...boxes.map((box) => box.bottom - box.top));
  const scale = Math.max(0, Math.min(bounds.width / total, (bounds.height - 38) / tallest));

  return (
    <Box
      ref={ref}
      component="section"
      aria-label="Floor"
      sx={{ position: 'relative', bgcolor: SLATE.ground, overflow: 'hidden', minHeight: 0 }}
    >
      <Box sx={{ display: 'flex', position: 'absolute', inset: 0 }}>
        {bounds.width > 0 &&
          VIEWS.map((view, i) => (
            <FloorView
              key={view}
              view={view}
              caption={captions[view]}
              mirror={mirror}
              drawn={drawn}
              proposed={proposed}
              reached={trouble === ''}
              design={design}
              box={boxes[i]}
              scale={scale}
              width={(bounds.width * widths[i]) / total}
              height={bounds.height}
              {...selection}
            />
          ))}
      </Box>
      {trouble !== '' && (
        <Box
          role="alert"
          sx={{
            position: 'absolute',
            left: '50%',
            bottom: 12,
            transform: 'translateX(-50%)',
            bgcolor: SLATE.chalk,
            color: SLATE.ground,
            px: 2,
            py: 0.75,
            borderRadius: 1,
            fontWeight: 600,
          }}
        >
          {trouble}
        </Box>
      )}
    </Box>
  );
}
