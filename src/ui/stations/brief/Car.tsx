'use client';

import { lengthIn } from '@/core/model/units';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useRef } from 'react';
import type { ComponentProps } from 'react';
import { USES, buildSchema } from '@/core/model/build';
import type { Build } from '@/core/model/build';
import { WIDTH_AT, briefForStart, briefOf, limitsSchema } from '@/core/model/brief';
import type { WidthAt } from '@/core/model/brief';
import { measure } from '@/core/model/wording';
import type { LengthUnit } from '@/core/model/units';
import { hasTravel, isOfSketch, isSketched, say, sketchInWords, unsay } from '@/core/model/sketch';
import { isSteered, steerUnitOf } from '@/core/kinematics/axle';
import { FULL } from '@/core/steering/steering';
import { lockOf, steerForCircle } from '@/core/steering/lock';
import { raiseChassis } from '@/core/upright/place';
import { widthOver } from '@/core/upright/width';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { VERDICT } from '../../theme';
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
}

type LimitName = 'rideHeight' | 'width' | 'nose' | 'turningCircle' | 'massHeight' | 'brakeFront';

/** Limits that may be set, and what they count where that is no length. */
const LIMITS: { name: LimitName; label: string; ending?: 'm' | '%' }[] = [
  { name: 'rideHeight', label: 'Ride height' },
  { name: 'width', label: 'Width allowed' },
  { name: 'nose', label: 'Nose past axle' },
  { name: 'turningCircle', label: 'Turning circle', ending: 'm' },
  { name: 'massHeight', label: 'Mass height' },
  { name: 'brakeFront', label: 'Front brakes', ending: '%' },
];

const TRAVELS = [
  { way: 'bump', label: 'Travel up' },
  { way: 'droop', label: 'Travel down' },
] as const;
const travelled = measure('mm', 1, 500);

const WIDTH_WORDS: Record<WidthAt, string> = {
  ground: 'at the ground',
  hub: 'at hub height',
  anywhere: 'anywhere',
};

/** Use, wheelbase, travel and the limits that the car must keep. */
export function Car({ build, unit, onEdit }: Props) {
  const { limits } = briefOf(build);
  const travels = hasTravel(build);
  // The height the chassis stands at as the visit to the field goes on; none where none was said before.
  const visit = useRef<{ step: string; at: number | undefined }>({ step: '', at: undefined });
  const limit = (name: LimitName, value: number | undefined, step: string) => {
    if (visit.current.step !== step) visit.current = { step, at: limits.rideHeight };
    const { at } = visit.current;
    const raise = name === 'rideHeight' && at !== undefined && value !== undefined ? value - at : 0;
    if (raise !== 0) visit.current.at = value;
    onEdit((b) => {
      b.brief ??= structuredClone(briefOf(b));
      if (value === undefined) delete b.brief.limits[name];
      else b.brief.limits[name] = value;
      // A car that stood at a height and is set lower keeps its wheels on the ground: the chassis comes down. A
      // height that is said for the first time is the one it is drawn at.
      if (raise !== 0) raiseChassis(b, raise);
    }, step);
  };
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
              if (b.brief) b.brief = briefForStart(b.brief, b, { ...b, use });
              b.use = use;
            });
          }}
          sx={{ width: FIELD }}
        >
          {USES.map((use) => (
            <MenuItem key={use} value={use}>
              {USE_WORDS[use]}
            </MenuItem>
          ))}
        </TextField>
        <LengthField
          label="Wheelbase"
          value={build.wheelbase}
          sketched={isSketched(build, 'wheelbase')}
          onUnsay={(mm, step) =>
            onEdit((b) => {
              b.wheelbase = mm;
              unsay(b, 'wheelbase');
            }, step)
          }
          unit={unit}
          schema={buildSchema.shape.wheelbase}
          onValue={(mm, step) =>
            onEdit((b) => {
              b.wheelbase = mm;
              say(b, 'wheelbase');
            }, step)
          }
          width={FIELD}
        />
        {travels &&
          TRAVELS.map(({ way, label }) => (
            <LengthField
              key={way}
              label={label}
              value={build.travel[way]}
              sketched={isSketched(build, `travel.${way}`)}
              onUnsay={(mm, step) =>
                onEdit((b) => {
                  b.travel[way] = mm;
                  unsay(b, `travel.${way}`);
                }, step)
              }
              unit={unit}
              schema={travelled}
              onValue={(mm, step) =>
                onEdit((b) => {
                  b.travel[way] = mm;
                  say(b, `travel.${way}`);
                }, step)
              }
              width={FIELD}
            />
          ))}
        {LIMITS.map(({ name, label, ending }) => (
          <Limit
            key={name}
            label={label}
            ending={ending ?? unit}
            value={limits[name]}
            unit={unit}
            schema={limitsSchema.shape[name].unwrap()}
            onValue={(value, step) => limit(name, value, step)}
            onClear={(step) => limit(name, undefined, step)}
          />
        ))}
      </Fields>
      {limits.width !== undefined && (
        <Box sx={{ mt: 1.25, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Typography variant="body2">Width is measured</Typography>
          <Choice
            label="Width is measured"
            value={limits.widthAt ?? 'anywhere'}
            options={WIDTH_AT}
            words={WIDTH_WORDS}
            onPick={(at) =>
              onEdit((b) => {
                b.brief ??= structuredClone(briefOf(b));
                b.brief.limits.widthAt = at;
              })
            }
          />
        </Box>
      )}
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
      <Reached build={build} unit={unit} />
    </Section>
  );
}

/** A limit: an empty field is none. */
function Limit({ ending, unit, ...field }: LimitField) {
  const props = { ...field, placeholder: 'any', width: FIELD };
  return ending === 'm' || ending === '%' ? (
    <PlainField {...props} ending={ending} />
  ) : (
    <LengthField {...props} unit={unit} />
  );
}

type LimitField = Omit<ComponentProps<typeof PlainField>, 'placeholder'> & { unit: LengthUnit };

/** How the layout as drawn stands against the limits. */
function Reached({ build, unit }: { build: Build; unit: LengthUnit }) {
  const lock = useMemo(() => lockOf(build), [build]);
  const { limits, targets } = briefOf(build);
  const where = limits.widthAt ?? 'anywhere';
  const widest = Math.max(
    widthOver(build.front, where),
    build.rear ? widthOver(build.rear, where) : 0,
  );
  const needed =
    limits.turningCircle === undefined
      ? null
      : steerForCircle(
          build.wheelbase,
          limits.turningCircle,
          build.front.tyre.width,
          build.front.points.wheelCentre.out,
        );
  if (isOfSketch(build, build.front))
    return (
      <Typography variant="body2" color="text.secondary" aria-label="Reached" component="div">
        What is reached is told once the front corners are set ({sketchInWords(build, build.front)}
        ).
      </Typography>
    );
  const notes: [text: string, bad: boolean][] = [];
  if (!isSteered(build.front)) notes.push(['The front wheels are not steered.', false]);
  else if (lock)
    notes.push([
      `At ${FULL[steerUnitOf(build.front)]} the inner wheel turns ${lock.inner.toFixed(1)}° (wanted ${targets.lock}°), the outer ${lock.outer.toFixed(1)}°: a circle of ${lock.circle.toFixed(1)} m between kerbs.`,
      lock.inner < targets.lock - 0.5,
    ]);
  else notes.push([`The wheels do not reach ${FULL[steerUnitOf(build.front)]} as drawn.`, true]);
  if (limits.turningCircle !== undefined)
    notes.push(
      needed === null
        ? [`No steer turns this wheelbase in ${limits.turningCircle} m.`, true]
        : [
            `${limits.turningCircle} m wants about ${needed.toFixed(1)}° of both wheels’ mean.`,
            lock !== null && lock.circle > limits.turningCircle,
          ],
    );
  if (limits.width !== undefined)
    notes.push([
      `Over the tyres, ${WIDTH_WORDS[where]}, it is ${lengthIn(widest, unit)} of ${lengthIn(limits.width, unit)} allowed.`,
      widest > limits.width + 0.05,
    ]);
  return (
    <Typography variant="body2" component="div" aria-label="Reached">
      {notes.map(([text, bad]) => (
        <div key={text} style={bad ? { color: VERDICT.edge } : undefined}>
          {bad ? '△ ' : '✓ '}
          {text}
        </div>
      ))}
    </Typography>
  );
}
