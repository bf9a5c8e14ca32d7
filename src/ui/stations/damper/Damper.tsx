'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Damper as DamperOf } from '@/core/model/damper';
import { mountPoints } from '@/core/damper/mountProblem';
import { mountingsOf, setDamper } from '@/core/model/damperStart';
import { Choice } from '../../fields/Choice';
import { useStable } from '../../useStable';
import { FreedomEditor } from '../FreedomEditor';
import type { FloorStation } from '../floorStation';
import { useFreedomEdit } from '../useFreedomEdit';
import { useAxleChange } from '../wheel/useAxleChange';
import { DroopPart } from './DroopPart';
import { FindPart } from './FindPart';
import { HeightPart } from './HeightPart';
import { LoadsPart } from './LoadsPart';
import { MountsPart } from './MountsPart';
import { TravelPart } from './TravelPart';
import { UnitPart } from './UnitPart';
import { mountingInWords } from './parts';

const PARTS = [
  'mounts',
  'damper',
  'stroke',
  'freedoms',
  'find',
  'droop',
  'height',
  'loads',
] as const;
type Part = (typeof PARTS)[number];
const WORDS: Record<Part, string> = {
  mounts: 'mounts',
  damper: 'parts',
  stroke: 'stroke',
  freedoms: 'freedoms',
  find: 'find',
  droop: 'droop',
  height: 'height',
  loads: 'loads',
};

/** Where damper and spring go, what travel they leave, how the car stands on them, and what its parts carry. */
export function Damper(props: FloorStation) {
  const { wheel, selected, onEdit } = props;
  const { axle, design, type } = wheel;
  const [part, setPart] = useState<Part>('mounts');
  const change = useAxleChange(axle, design, onEdit);
  const put = useStable((act: (damper: DamperOf) => void, step?: string) =>
    change(step ?? '', (d) => d.damper && act(d.damper)),
  );
  const mounts = mountPoints(wheel);
  const point = selected && mounts.includes(selected) ? selected : mounts[0];
  const handleFreedom = useFreedomEdit(axle, point, onEdit);
  const { damper } = design;
  // What has no damper is loaded all the same where a frame holds its kingpins.
  if (!damper && type.noTravel)
    return (
      <Scroll label="Damper and springs">
        <Typography variant="body2" sx={{ py: 0.5 }}>
          These wheels have no travel: there is nothing to damp. What their parts carry:
        </Typography>
        <LoadsPart {...props} change={change} />
      </Scroll>
    );
  if (!damper) return <Start {...props} change={change} />;
  const shown = { ...props, damper, change, put };
  return (
    <>
      {/* Eight of them want the width of seven. */}
      <Box sx={{ '&& .MuiToggleButton-root': { px: 0.75 } }}>
        <Choice
          label="Damper and springs"
          value={part}
          options={PARTS}
          words={WORDS}
          onPick={setPart}
        />
      </Box>
      {part === 'freedoms' && point && (
        <FreedomEditor
          key={point}
          wheel={wheel}
          point={point}
          unit={props.unit}
          onFreedom={handleFreedom}
        />
      )}
      {part === 'freedoms' && !point && (
        <Typography variant="body2" sx={{ py: 1 }}>
          The strut holds the wheel: its places are set with the arm’s.
        </Typography>
      )}
      {part !== 'freedoms' && (
        <Scroll label={WORDS[part]}>
          {part === 'mounts' && <MountsPart {...shown} />}
          {part === 'damper' && <UnitPart {...shown} />}
          {part === 'stroke' && <TravelPart {...shown} />}
          {part === 'find' && <FindPart {...shown} />}
          {part === 'droop' && <DroopPart {...shown} />}
          {part === 'height' && <HeightPart {...shown} />}
          {part === 'loads' && <LoadsPart {...shown} />}
        </Scroll>
      )}
    </>
  );
}

const Scroll = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <Box component="section" aria-label={label} sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
    {children}
  </Box>
);

/** No damper yet: how it is to be mounted. */
function Start(props: FloorStation & { change: ReturnType<typeof useAxleChange> }) {
  const { wheel, change } = props;
  const { design, type } = wheel;
  return (
    <Scroll label="Damper and springs">
      <Typography variant="body2" sx={{ py: 0.75 }}>
        No damper is drawn yet. What does its outer end ride on? Its points are begun as a sketch:
        drag them on the floor, or type what you measured.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {mountingsOf(design).map((mounting) => (
          <Button
            key={mountingInWords(mounting)}
            size="small"
            variant="outlined"
            onClick={() => change('', (d) => setDamper(d, mounting))}
          >
            {capital(mountingInWords(mounting))}
          </Button>
        ))}
      </Box>
      {/* Leaves carry a beam, dampers or none: its kingpins and rods are loaded all the same. */}
      {type.coupled && <LoadsPart {...props} />}
    </Scroll>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
