'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { kingpinOf } from '@/core/corners/kinds';
import { staticSchema } from '@/core/model/build';
import type { AxleDesign } from '@/core/model/build';
import { lengthIn, printLength, unitName } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { leanUpright, setAlignment, setTrack, standOnGround, trackOf } from '@/core/upright/place';
import type { Kept, Pivot } from '@/core/upright/place';
import { isSketched, say, sketchedPoints } from '@/core/model/sketch';
import { ToeSketch } from './ToeSketch';
import { staticQuantities } from '@/core/upright/staticQuantities';
import { Choice } from '../../fields/Choice';
import { AngleField } from '../../fields/NumberField';
import { PAPER, VERDICT } from '../../theme';
import { HalfShaft } from './HalfShaft';
import { InTheRim } from './InTheRim';
import { ScrubWanted } from './ScrubWanted';
import { LoadedRadius, RimOffset, TrackFields, TyreCode } from './WheelFields';
import { useAxleChange } from './useAxleChange';
import type { FloorStation } from '../floorStation';

type Props = Pick<FloorStation, 'build' | 'wheel' | 'unit' | 'onEdit' | 'onTry' | 'tried'>;

const FIELD = 128;

/** The wheel placed by track, tyre and rim; the upright hung on it and leaned. */
export function WheelAndUpright({ build, wheel, unit, onEdit, onTry, tried }: Props) {
  const { axle, side, design, points, type } = wheel;
  const [kept, setKept] = useState<Kept>('track');
  const [about, setAbout] = useState<Pivot>('lower');
  const [solid, setSolid] = useState(false);
  const [before, setBefore] = useState<{ step: string; track: number } | null>(null);
  const change = useAxleChange(axle, design, onEdit);
  const now = staticQuantities(design, side);
  /** Changes what may take the track along, and remembers what that was before this stay in the field. */
  const watched: typeof change = (step, act) => {
    setBefore((last) => (last?.step === step ? last : { step, track: trackOf(design) }));
    change(step, act);
  };
  const kingpin = kingpinOf(type);
  // Of two joints that nobody has set the line through them is nobody's either.
  const marked = sketchedPoints(design);
  const ofSketch = kingpin?.every((name) => marked.includes(name)) ?? false;
  const lean = (d: AxleDesign, wanted: { kpi?: number; caster?: number }) => {
    const { kpi = 0, caster = 0 } = staticQuantities(d, side);
    leanUpright(d, { kpi, caster, ...wanted, about, solid });
  };
  const length = (mm: number) => printLength(Math.round(mm * 10) / 10, unit);
  const offGround = Math.abs(now.contactUp) > 0.5;
  const fields = { design, unit, change, width: FIELD };
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }} aria-label="Wheel and upright">
      <Row>
        <TyreCode {...fields} />
        <LoadedRadius {...fields} />
        <RimOffset {...fields} kept={kept} />
      </Row>
      <Row>
        <TrackFields {...fields} />
        <Labelled label="Another offset keeps">
          <Choice
            label="Another offset keeps"
            value={kept}
            options={['track', 'upright']}
            onPick={setKept}
          />
        </Labelled>
      </Row>
      {offGround && (
        <Typography variant="body2" component="div" sx={{ color: VERDICT.edge, mb: 1 }}>
          The tyre stands {lengthIn(Math.abs(now.contactUp), unit, 1)}{' '}
          {now.contactUp > 0 ? 'above' : 'in'} the ground.{' '}
          <Button size="small" onClick={() => change('', standOnGround)}>
            Put it on the ground
          </Button>
        </Typography>
      )}
      <Divider />
      <Row>
        <AngleField
          label="Toe, + in"
          value={design.static.toe}
          sketched={isSketched(design, 'static.toe')}
          onUnsay={(_, step) => change(step, () => undefined)}
          schema={staticSchema.shape.toe}
          onValue={(toe, step) =>
            watched(step, (d) => {
              setAlignment(d, { ...d.static, toe }, solid);
              say(d, 'static.toe');
            })
          }
          width={FIELD}
        />
        <ToeSketch toe={design.static.toe} radius={design.tyre.radius} unit={unit} />
        <AngleField
          label="Camber, + top out"
          value={tidy(design.static.camber)}
          sketched={isSketched(design, 'static.camber')}
          onUnsay={(_, step) => change(step, () => undefined)}
          schema={staticSchema.shape.camber}
          onValue={(camber, step) =>
            watched(step, (d) => {
              setAlignment(d, { ...d.static, camber }, solid);
              say(d, 'static.camber');
            })
          }
          width={FIELD}
        />
        <Tooltip title="An upright that exists leans as one piece with its spindle: a degree of KPI is a degree of camber. One that is still to be made may have any KPI.">
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={solid}
                onChange={(event) => setSolid(event.target.checked)}
              />
            }
            label="One solid part"
            sx={{ ml: 0, '& .MuiFormControlLabel-label': { fontSize: 13.5 } }}
          />
        </Tooltip>
      </Row>
      {before && Math.abs(trackOf(design) - before.track) > 0.05 && (
        <Typography
          variant="body2"
          component="div"
          role="status"
          sx={{ color: VERDICT.edge, mb: 1 }}
        >
          △ That tilts the wheel, and its contact with it: the track went from{' '}
          {length(before.track)} to {length(trackOf(design))} {unitName(unit)}.{' '}
          <Button
            size="small"
            onClick={() => {
              change('', (d) => setTrack(d, before.track));
              setBefore(null);
            }}
          >
            Back to {length(before.track)}
          </Button>
          <Button size="small" onClick={() => setBefore(null)}>
            Leave it so
          </Button>
        </Typography>
      )}
      {kingpin && now.kpi !== undefined && now.caster !== undefined && (
        <Row>
          <AngleField
            label="KPI, + top in"
            value={tidy(now.kpi)}
            sketched={ofSketch}
            onUnsay={(_, step) => change(step, () => undefined)}
            schema={LEAN}
            onValue={(kpi, step) => watched(step, (d) => lean(d, { kpi }))}
            width={FIELD}
          />
          <AngleField
            label="Caster, + top back"
            value={tidy(now.caster)}
            sketched={ofSketch}
            onUnsay={(_, step) => change(step, () => undefined)}
            schema={LEAN}
            onValue={(caster, step) => watched(step, (d) => lean(d, { caster }))}
            width={FIELD}
          />
          <Labelled label="Leaning holds">
            <Choice
              label="Leaning holds"
              value={about}
              options={['lower', 'wheelCentre']}
              words={{ lower: 'lower joint', wheelCentre: 'wheel' }}
              onPick={setAbout}
            />
          </Labelled>
        </Row>
      )}
      <Divider />
      {kingpin && now.scrub !== undefined && (
        <>
          <ScrubWanted
            build={build}
            axle={axle}
            onEdit={onEdit}
            design={design}
            kingpin={kingpin}
            scrub={now.scrub}
            keep={{ offset: kept, about }}
            unit={unit}
            tried={tried}
            onTry={onTry}
            onTake={(reached) => change('', (d) => void Object.assign(d, structuredClone(reached)))}
          />
          <Divider />
        </>
      )}
      <InTheRim design={design} points={points} unit={unit} />
      <Divider />
      <HalfShaft design={design} unit={unit} change={change} />
    </Box>
  );
}

/** KPI and caster that may be asked for. */
const LEAN = measure('deg', -15, 35);

/** To a hundredth, as it is shown. */
const tidy = (degrees: number): number => Math.round(degrees * 100) / 100;

const Row = ({ children }: { children: React.ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      columnGap: 1,
      rowGap: 1.5,
      pt: 1.5,
      alignItems: 'flex-start',
    }}
  >
    {children}
  </Box>
);

const Divider = () => <Box sx={{ borderTop: `1px solid ${PAPER.line}`, mt: 1 }} />;

const Labelled = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <Box>
    <Typography variant="caption" component="div" color="text.secondary" sx={{ mt: -0.5 }}>
      {label}
    </Typography>
    {children}
  </Box>
);
