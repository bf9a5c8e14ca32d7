'use client';

import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useMemo, useState } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { readerOf } from '@/core/takeoff/places';
import { noTakeOff } from '@/core/model/takeOff';
import type { TakeOff as TakeOffDocument } from '@/core/model/takeOff';
import type { Bands } from '@/core/tolerance/bands';
import { useStable } from '../../useStable';
import { Caliper } from './Caliper';
import { Marks } from './Marks';
import { Planes } from './Planes';
import { Points } from './Points';
import { Symmetry } from './Symmetry';

export interface StationProps {
  build: Build;
  wheel: Wheel;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  /** Changes the take-off, making one where there is none. */
  onTakeOff: (change: (takeOff: TakeOffDocument) => void, step?: string) => void;
}

const TABS = {
  points: 'Points',
  marks: 'Datum marks',
  planes: 'Datum planes',
  symmetry: 'Left against right',
  caliper: 'What deserves the caliper',
} as const;
type TabName = keyof typeof TABS;

interface Props extends Omit<StationProps, 'onTakeOff'> {
  bands: Bands | null;
}

/** What was measured on the parts that exist, how well, and what that does to the car. */
export function TakeOff({ bands, ...props }: Props) {
  const { build, onEdit } = props;
  const [tab, setTab] = useState<TabName>('points');
  const onTakeOff: StationProps['onTakeOff'] = useStable((change, step) =>
    onEdit((draft) => {
      draft.takeOff ??= noTakeOff();
      change(draft.takeOff);
    }, step),
  );
  const reader = useMemo(() => readerOf(build), [build]);
  const station = { ...props, onTakeOff };
  return (
    <>
      <Tabs
        value={tab}
        onChange={(_, next: TabName) => setTab(next)}
        aria-label="Take-off"
        sx={{ minHeight: 36, mb: 1.5, '& .MuiTab-root': { minHeight: 36, py: 0.5, px: 1.5 } }}
      >
        {Object.entries(TABS).map(([key, label]) => (
          <Tab key={key} value={key} label={label} id={`tab-${key}`} aria-controls="take-off-tab" />
        ))}
      </Tabs>
      <Box id="take-off-tab" role="tabpanel" aria-labelledby={`tab-${tab}`}>
        {tab === 'points' && <Points {...station} reader={reader} />}
        {tab === 'marks' && <Marks {...station} network={reader.network} />}
        {tab === 'planes' && <Planes {...station} />}
        {tab === 'symmetry' && <Symmetry {...station} />}
        {tab === 'caliper' && <Caliper {...station} bands={bands} />}
      </Box>
    </>
  );
}
