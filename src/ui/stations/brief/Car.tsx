'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { USES, buildSchema, travelSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import { briefForUse, briefOf, limitsSchema } from '@/core/model/brief';
import type { Brief } from '@/core/model/brief';
import type { LengthUnit } from '@/core/model/units';
import { isSteered } from '@/core/kinematics/axle';
import { lockOf, steerForCircle } from '@/core/steering/lock';
import { overallWidthOf, raiseChassis } from '@/core/upright/place';
import { LengthField, PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER, VERDICT } from '../../theme';
import { FIELD, Fields, Section } from './parts';

const USE_WORDS: Record<Build['use'], string> = {
  road: 'Road',
  track: 'Track',
  hillclimb: 'Hillclimb',
  drift: 'Drift',
  kart: 'Kart',
  trail: 'Trail',
  free: 'Something else',
};

interface Props {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onBrief: (change: (brief: Brief) => void, step?: string) => void;
}

/** Where a limit begins that nobody has set yet. */
const START = {
  width: 1800,
  rideHeight: 120,
  turningCircle: 10,
  massHeight: 450,
  brakeFront: 65,
};

/** Use, wheelbase, travel and the limits that the car must keep. */
export function Car({ build, unit, onEdit, onBrief }: Props) {
  const { limits } = briefOf(build);
  // Karts have no arms to draw yet; one that says it is one may go on saying so.
  const uses = USES.filter((use) => use !== 'kart' || build.use === 'kart');
  const limit = (name: keyof typeof START, value: number, step?: string) =>
    onBrief((brief) => void (brief.limits[name] = value), step);
  return (
    <Section title="The car">
      <Fields>
        <TextField
          select
          label="Use"
          value={build.use}
          onChange={(event) => {
            const use = event.target.value as Build['use'];
            onEdit((b) => {
              if (b.brief) b.brief = briefForUse(b.brief, b.use, use);
              b.use = use;
            });
          }}
          sx={{ width: FIELD }}
        >
          {uses.map((use) => (
            <MenuItem key={use} value={use}>
              {USE_WORDS[use]}
            </MenuItem>
          ))}
        </TextField>
        <LengthField
          label="Wheelbase"
          value={build.wheelbase}
          unit={unit}
          schema={buildSchema.shape.wheelbase}
          onValue={(mm, step) => onEdit((b) => void (b.wheelbase = mm), step)}
          width={FIELD}
        />
        <LengthField
          label="Travel up"
          value={build.travel.bump}
          unit={unit}
          schema={travelSchema.shape.bump}
          onValue={(mm, step) => onEdit((b) => void (b.travel.bump = mm), step)}
          width={FIELD}
        />
        <LengthField
          label="Travel down"
          value={build.travel.droop}
          unit={unit}
          schema={travelSchema.shape.droop}
          onValue={(mm, step) => onEdit((b) => void (b.travel.droop = mm), step)}
          width={FIELD}
        />
        <Limit
          label="Ride height"
          set={limits.rideHeight !== undefined}
          onSet={() => limit('rideHeight', START.rideHeight)}
          onAny={() => onBrief((brief) => void delete brief.limits.rideHeight)}
        >
          <LengthField
            label="Ride height"
            value={limits.rideHeight ?? START.rideHeight}
            unit={unit}
            schema={limitsSchema.shape.rideHeight.unwrap()}
            onValue={(mm, step) =>
              onEdit((b) => {
                const before = briefOf(b).limits.rideHeight;
                b.brief ??= structuredClone(briefOf(b));
                b.brief.limits.rideHeight = mm;
                if (before !== undefined) raiseChassis(b, mm - before);
              }, step)
            }
            width={FIELD}
          />
        </Limit>
        <Limit
          label="Width allowed"
          set={limits.width !== undefined}
          onSet={() => limit('width', START.width)}
          onAny={() => onBrief((brief) => void delete brief.limits.width)}
        >
          <LengthField
            label="Width allowed"
            value={limits.width ?? START.width}
            unit={unit}
            schema={limitsSchema.shape.width.unwrap()}
            onValue={(mm, step) => limit('width', mm, step)}
            width={FIELD}
          />
        </Limit>
        <Limit
          label="Turning circle"
          set={limits.turningCircle !== undefined}
          onSet={() => limit('turningCircle', START.turningCircle)}
          onAny={() => onBrief((brief) => void delete brief.limits.turningCircle)}
        >
          <PlainField
            label="Turning circle"
            ending="m"
            value={limits.turningCircle ?? START.turningCircle}
            schema={limitsSchema.shape.turningCircle.unwrap()}
            onValue={(m, step) => limit('turningCircle', m, step)}
            width={FIELD}
          />
        </Limit>
        <Limit
          label="Mass height"
          set={limits.massHeight !== undefined}
          onSet={() => limit('massHeight', START.massHeight)}
          onAny={() => onBrief((brief) => void delete brief.limits.massHeight)}
        >
          <LengthField
            label="Mass height"
            value={limits.massHeight ?? START.massHeight}
            unit={unit}
            schema={limitsSchema.shape.massHeight.unwrap()}
            onValue={(mm, step) => limit('massHeight', mm, step)}
            width={FIELD}
          />
        </Limit>
        <Limit
          label="Front brakes"
          set={limits.brakeFront !== undefined}
          onSet={() => limit('brakeFront', START.brakeFront)}
          onAny={() => onBrief((brief) => void delete brief.limits.brakeFront)}
        >
          <PlainField
            label="Front brakes"
            ending="%"
            value={limits.brakeFront ?? START.brakeFront}
            schema={limitsSchema.shape.brakeFront.unwrap()}
            onValue={(percent, step) => limit('brakeFront', percent, step)}
            width={FIELD}
          />
        </Limit>
      </Fields>
      <Box sx={{ my: 1.25 }}>
        <TextLine
          label="Note: whose it is, what it is for"
          value={build.note ?? ''}
          schema={buildSchema.shape.note.unwrap()}
          onValue={(note) =>
            onEdit((b) => {
              if (note === '') delete b.note;
              else b.note = note;
            }, 'note')
          }
          width="100%"
          lines={2}
        />
      </Box>
      <Reached build={build} />
    </Section>
  );
}

/** A limit that is not set is a button to set it; one that is set can be put away. */
function Limit({
  label,
  set,
  onSet,
  onAny,
  children,
}: {
  label: string;
  set: boolean;
  onSet: () => void;
  onAny: () => void;
  children: React.ReactNode;
}) {
  if (!set)
    return (
      <Button
        variant="outlined"
        color="inherit"
        onClick={onSet}
        sx={{ width: FIELD, height: 40, fontWeight: 400, px: 0.5, borderColor: PAPER.line }}
      >
        {label}: any
      </Button>
    );
  return (
    <div>
      {children}
      <Button size="small" sx={{ py: 0, fontSize: 12 }} onClick={onAny}>
        any will do
      </Button>
    </div>
  );
}

/** How the layout as drawn stands against the limits. */
function Reached({ build }: { build: Build }) {
  const lock = useMemo(() => lockOf(build), [build]);
  const { limits, targets } = briefOf(build);
  const widest = Math.max(overallWidthOf(build.front), build.rear ? overallWidthOf(build.rear) : 0);
  const needed =
    limits.turningCircle === undefined
      ? null
      : steerForCircle(build.wheelbase, limits.turningCircle, build.front.tyre.width);
  const notes: [text: string, bad: boolean][] = [];
  if (!isSteered(build.front)) notes.push(['The front wheels are not steered.', false]);
  else if (lock)
    notes.push([
      `At full rack the inner wheel turns ${lock.inner.toFixed(1)}° (wanted ${targets.lock}°), the outer ${lock.outer.toFixed(1)}°: a circle of ${lock.circle.toFixed(1)} m between kerbs.`,
      lock.inner < targets.lock - 0.5,
    ]);
  else notes.push(['The wheels do not reach full rack as drawn.', true]);
  if (limits.turningCircle !== undefined)
    notes.push(
      needed === null
        ? [`No steer turns this wheelbase in ${limits.turningCircle} m.`, true]
        : [
            `${limits.turningCircle} m wants ${needed.toFixed(1)}° of the outer wheel.`,
            lock !== null && lock.outer < needed,
          ],
    );
  if (limits.width !== undefined)
    notes.push([
      `Over the tyres it is ${widest.toFixed(0)} mm of ${limits.width} mm allowed.`,
      widest > limits.width + 0.05,
    ]);
  return (
    <Typography variant="body2" component="div" aria-label="Reached">
      {notes.map(([text, bad]) => (
        <div key={text} style={bad ? { color: VERDICT.edge } : undefined}>
          {bad ? '+ ' : '✓ '}
          {text}
        </div>
      ))}
    </Typography>
  );
}
