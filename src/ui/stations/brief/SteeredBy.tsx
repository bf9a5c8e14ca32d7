'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { nearSideOf, steersBy, typeOf } from '@/core/corners/kinds';
import type { SteeredBy as By } from '@/core/corners/cornerType';
import { moveDragLink } from '@/core/kinematics/axle';
import type { AxleDesign, AxleName, Build, DropArm } from '@/core/model/build';
import { toVec } from '@/core/model/points';
import { OF_DROP_ARM, unsay } from '@/core/model/sketch';
import { blankDropArm } from '@/core/model/starts';
import type { LengthUnit } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { DropArmFields } from './DropArmFields';
import { Rack } from './Rack';
import { Section } from './parts';

const UNITS = ['dropArm', 'rack'] as const;
const OF_DRAG_LINK: Record<By, string> = { dropArm: 'drop arm and drag link', rack: 'rack' };
const WORDS: Record<By, string> = { dropArm: 'drop arm on the column', rack: 'rack' };

/** What moves an axle's tie rods: a rack, or a drop arm on the column where its kind may have one. */
export function SteeredBy(props: {
  build: Build;
  axle: AxleName;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { build, axle, unit, onEdit } = props;
  const design = build[axle]!;
  const type = typeOf(design);
  if (!type.tieRod) return null;
  if (!steersBy(type, 'dropArm')) return <Rack {...props} />;
  const change = (edit: (target: AxleDesign) => void, step?: string) =>
    onEdit((b) => edit(b[axle]!), step);
  const by: By | null = design.dropArm ? 'dropArm' : design.rack ? 'rack' : null;
  const pick = (next: By) =>
    change((target) => {
      if (next === by) return;
      if (next === 'rack') {
        delete target.dropArm;
        target.rack = { travel: 30 };
        unsay(target, 'rack.travel');
        return;
      }
      const arm = blankDropArm(type, toVec(target.points.wheelCentre));
      if (!arm) return;
      delete target.rack;
      target.dropArm = arm;
      for (const path of OF_DROP_ARM) unsay(target, path);
    });
  return (
    <>
      <Section title={axle === 'front' ? 'Steered by' : 'Rear steered by'}>
        <Box sx={{ pb: 1, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Choice
            label="Steered by"
            value={by ?? ('' as By)}
            options={UNITS.filter((unit) => steersBy(type, unit))}
            words={type.coupled ? OF_DRAG_LINK : WORDS}
            onPick={pick}
          />
          {type.coupled && (
            <Choice
              label="Drag link goes to the"
              value={nearSideOf(design)}
              options={['left', 'right']}
              words={{ left: 'left arm', right: 'right arm' }}
              onPick={(side) => change((target) => moveDragLink(target, side))}
            />
          )}
        </Box>
        {design.dropArm && (
          <>
            <DropArmFields
              design={design as AxleDesign & { dropArm: DropArm }}
              unit={unit}
              change={change}
            />
            <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
              {type.coupled
                ? 'The drag link’s joint is the hole of the arm, as it stands straight ahead.'
                : 'The tie rods’ inner joints are the holes of the arm, as it stands straight ahead.'}{' '}
              Counter-clockwise seen from the upper point is the handwheel turned left. A steering
              box turns the handwheel several times for one turn of the arm.
            </Typography>
          </>
        )}
      </Section>
      {design.rack && <Rack {...props} />}
    </>
  );
}
