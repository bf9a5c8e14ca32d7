'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { USUAL_LEAD } from '@/core/kinematics/coupledBodies';
import { rollCentreOf } from '@/core/motion/rollCentre';
import { axleMadeSchema } from '@/core/model/asked';
import type { Asked } from '@/core/model/asked';
import { leadSchema } from '@/core/model/build';
import type { AxleDesign } from '@/core/model/build';
import { lengthIn, printLength, readable, unitName } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { beamMade, tiltForCaster } from '@/core/upright/clamps';
import { staticQuantities } from '@/core/upright/staticQuantities';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { FiguresTable } from '../../fields/FiguresTable';
import { VERDICT } from '../../theme';
import { LookTake } from '../LookTake';
import { takeAxle } from '../takeAxle';
import { PartGrid } from '../PartGrid';
import type { FloorStation } from '../floorStation';
import { askedOf } from '../useAsked';

const casterSchema = measure('deg', -10, 30);
const deg = (value: number, digits = 2) => readable(`${value.toFixed(digits)}°`);

/** A beam on its springs: caster by the wedges in its clamps, how it is made, what its leaves do. */
export function AxlePart(props: FloorStation) {
  return (
    <PartGrid label="Axle and springs" least={320}>
      <div>
        <Clamps {...props} />
        <Leaves {...props} />
      </div>
      <Made {...props} />
    </PartGrid>
  );
}

/** Bends and clamps to start from: just outside the pads; a plate of two bolts each side. */
const OUTSIDE_PADS = 60;
const CLAMP = 90;

function Made({ build, wheel, unit, onEdit }: FloorStation) {
  const { design, type } = wheel;
  const pad = design.points[type.coupled!.spring!.pad].out;
  const { bends = Math.round(pad + OUTSIDE_PADS), clamp = CLAMP } = build.asked?.axleMade ?? {};
  const asked = { bends, clamp };
  const put = (change: Partial<NonNullable<Asked['axleMade']>>, step?: string) =>
    askedOf(onEdit)('axleMade', { ...asked, ...change }, step);
  const made = useMemo(() => beamMade(design, bends, clamp), [design, bends, clamp]);
  const mm = (value: number) => lengthIn(value, unit, 1);
  return (
    <div>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, pb: 1 }}>
        <LengthField
          label="ends bent, from the middle"
          width={176}
          value={asked.bends}
          unit={unit}
          schema={axleMadeSchema.shape.bends}
          onValue={(bends, step) => put({ bends }, step)}
        />
        <LengthField
          label="clamp, along the beam"
          width={160}
          value={asked.clamp}
          unit={unit}
          schema={axleMadeSchema.shape.clamp}
          onValue={(clamp, step) => put({ clamp }, step)}
        />
      </Box>
      {made ? (
        <>
          <FiguresTable
            label="The beam as it is made"
            heading="the beam as it is made"
            rows={[
              ['boss to boss, straight across', mm(made.straight)],
              ['clamp to clamp: the springs’ locating pins', mm(made.clamps)],
              [
                made.drop < 0 ? 'bosses below the pads by' : 'drop: bosses above the pads by',
                mm(Math.abs(made.drop)),
              ],
              [
                made.lead < 0 ? 'bosses behind the pads by' : 'bosses ahead of the pads by',
                mm(Math.abs(made.lead)),
              ],
              ['between the bends: room for the frame', mm(made.between)],
              ['each end bent from straight', deg(Math.abs(made.bend), 1)],
              ['bend to boss, along the end', mm(made.end)],
              ['bar before it is bent, boss to boss', mm(made.bar)],
            ]}
          />
          {!made.fits && (
            <Typography variant="body2" sx={{ color: VERDICT.edge, mt: 0.5 }} data-clamps="off">
              △ The clamps reach past the bends: the pads want a straight piece of{' '}
              {mm(2 * (pad + asked.clamp / 2))} at least.
            </Typography>
          )}
        </>
      ) : (
        <Typography role="alert" variant="body2">
          The bends lie between the car’s middle and the bosses: give a place in between.
        </Typography>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        Seen from the front, by the pads and the middles of the kingpins. A beam that is bent hot,
        cut or welded carries the car: leave it to qualified hands and have it inspected.
      </Typography>
    </div>
  );
}

/** Which way round a wedge goes that tips the kingpins' tops rearward, or ahead. */
const thick = (rearward: boolean): string =>
  rearward
    ? 'behind where the spring lies on the beam, in front where it hangs under it'
    : 'in front where the spring lies on the beam, behind where it hangs under it';

/** Caster that is wanted, and the wedge that gives it. */
function Clamps({ wheel, unit, tried, onTry, onEdit }: FloorStation) {
  const { design, side, axle } = wheel;
  const { caster = 0 } = staticQuantities(design, side);
  const [wanted, setWanted] = useState(Math.round(10 * caster) / 10);
  const [asked, setAsked] = useState<{ of: AxleDesign; wanted: number } | null>(null);
  const open = asked?.of === design ? asked : null;
  const found = useMemo(() => open && tiltForCaster(open.of, open.wanted), [open]);
  const take = (changed: AxleDesign) => {
    onTry(null);
    onEdit(takeAxle(axle, changed));
  };
  return (
    <Box component="section" aria-label="Caster by the clamps">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <AngleField
          label="Caster wanted"
          value={wanted}
          schema={casterSchema}
          onValue={setWanted}
          width={130}
        />
        <Button
          variant="outlined"
          sx={{ height: 37 }}
          onClick={() => setAsked({ of: design, wanted })}
        >
          Which wedge?
        </Button>
      </Box>
      <Typography variant="body2" sx={{ pt: 0.5 }} data-caster>
        The kingpins lean back {deg(caster)} now.
      </Typography>
      {open && !found && (
        <Typography role="alert" variant="body2" color="error">
          No wedge that a spring still sits on gives {deg(open.wanted, 1)}: the bosses are to be
          welded at another angle.
        </Typography>
      )}
      {found && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }} data-wedge>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {Math.abs(found.by) < 0.005
              ? 'No wedge: it is there.'
              : `A wedge of ${deg(Math.abs(found.by))} in each clamp, its thick end ${thick(found.by > 0)}: caster ${deg(found.caster)}, KPI ${deg(found.kpi)}, camber ${deg(found.camber)}, trail ${lengthIn(found.trail, unit, 1)}. The drag link is set to length again.`}
          </Typography>
          {Math.abs(found.by) >= 0.005 && (
            <LookTake
              what="the wedge"
              looked={tried === found.design}
              onLook={() => onTry(tried === found.design ? null : found.design)}
              onTake={() => take(found.design)}
            />
          )}
        </Box>
      )}
    </Box>
  );
}

function Leaves({ wheel, unit, onEdit }: FloorStation) {
  const { design, type, axle, solved } = wheel;
  const { pad, eye } = type.coupled!.spring!;
  const lead = design.leafLead ?? USUAL_LEAD;
  const [from, to] = [design.points[pad], design.points[eye]];
  const reach = Math.hypot(to.ahead - from.ahead, to.up - from.up);
  const roll = solved.ok ? rollCentreOf(solved.axle, { left: 0, right: 0 }, 0) : null;
  return (
    <Box component="section" aria-label="Leaf springs" sx={{ pt: 1.5 }}>
      <PlainField
        label="arc about, part to the eye"
        ending=""
        width={190}
        value={design.leafLead}
        placeholder={`${USUAL_LEAD}`}
        schema={leadSchema}
        onValue={(value, step) =>
          onEdit((draft) => {
            draft[axle]!.leafLead = value;
          }, step)
        }
        onClear={(step) => onEdit((draft) => void delete draft[axle]!.leafLead, step)}
      />
      <Typography variant="body2" sx={{ pt: 0.5 }}>
        Fixed eye {lengthIn(reach, unit, 0)} {to.ahead < from.ahead ? 'behind' : 'ahead of'} the
        pad: the pad swings on an arc of {lengthIn(lead * reach, unit, 0)}
        {roll &&
          `, and the axle rolls ${printLength(Math.round(roll.height), unit)} ${unitName(unit)} above the ground`}
        .
      </Typography>
      <Typography variant="caption" component="p" color="text.secondary">
        Three quarters of the way from the pad is common practice for a flat leaf; a cambered or
        stiff one is measured: jack the axle, mark the pad’s path beside it, lay the arc through it.
      </Typography>
    </Box>
  );
}
