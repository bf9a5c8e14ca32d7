import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { carriersOf } from '@/core/corners/damperTable';
import { typeOf } from '@/core/corners/kinds';
import { coilRate, twistRate } from '@/core/damper/springs';
import { damperSchema, damperUnitSchema, springSchema } from '@/core/model/damper';
import type { Damper, DamperUnit, Spring } from '@/core/model/damper';
import { setDamper } from '@/core/model/damperStart';
import { measure } from '@/core/model/wording';
import { useState } from 'react';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { OneOf } from './MountsPart';
import { Fields, Said, Section } from './parts';
import type { DamperPartProps } from './parts';

const UNIT: DamperUnit = { closed: 250, open: 380, outside: 60 };
const SPRING: Spring = { rate: 30, free: 250, bind: 115, preload: 0 };
const UNIT_FIELDS = [
  ['closed', 'eye to eye, closed'],
  ['open', 'eye to eye, open'],
  ['outside', 'widest across'],
] as const;
const UNIT_MORE = [
  ['stop', 'stop before closed'],
  ['spacer', 'droop spacer in it'],
] as const;
const perchShape = damperUnitSchema.shape.perch.unwrap().shape;
const helperShape = springSchema.shape.helper.unwrap().shape;

/** What the damper, the coil spring, torsion bar and anti-roll bar are. */
export function UnitPart(props: DamperPartProps) {
  const { damper, unit, put, wheel, change } = props;
  const { unit: own, spring } = damper;
  const carriers = carriersOf(typeOf({ kind: wheel.design.kind }));
  const putUnit = (act: (one: DamperUnit) => void, step?: string) =>
    put((d) => d.unit && act(d.unit), step);
  const putSpring = (act: (one: Spring) => void, step?: string) =>
    put((d) => d.spring && act(d.spring), step);
  return (
    <>
      <Section title="Damper">
        {damper.by === 'strut' && (
          <Typography variant="body2">
            A strut’s lengths count from its top to the lower place on its axis, as they are drawn.
          </Typography>
        )}
        {!own && (
          <Typography variant="body2">
            Its lengths are not said yet: nothing of its stroke is judged.
          </Typography>
        )}
        <Fields>
          {own &&
            UNIT_FIELDS.map(([key, label]) => (
              <LengthField
                key={key}
                label={label}
                value={own[key]}
                unit={unit}
                schema={damperUnitSchema.shape[key]}
                onValue={(value, step) => putUnit((one) => void (one[key] = value), step)}
                width={140}
              />
            ))}
          {own &&
            UNIT_MORE.map(([key, label]) => (
              <LengthField
                key={key}
                label={label}
                value={own[key]}
                unit={unit}
                schema={damperUnitSchema.shape[key].unwrap()}
                onValue={(value, step) => putUnit((one) => void (one[key] = value), step)}
                onClear={(step) => putUnit((one) => void delete one[key], step)}
                placeholder="none"
                width={140}
              />
            ))}
          {own && (
            <AngleField
              label="eyes articulate, ±"
              value={own.eye}
              schema={damperUnitSchema.shape.eye.unwrap()}
              onValue={(value, step) => putUnit((one) => void (one.eye = value), step)}
              onClear={(step) => putUnit((one) => void delete one.eye, step)}
              placeholder=""
              width={140}
            />
          )}
        </Fields>
        {own && (
          <>
            <Toggle
              label="Its spring’s perch is on a thread"
              on={own.perch !== undefined}
              onSwitch={(on) =>
                putUnit((one) => {
                  if (on) one.perch = { pitch: 2, tighter: 30, looser: 10 };
                  else delete one.perch;
                })
              }
            />
            {own.perch && (
              <Fields>
                {(
                  [
                    ['pitch', 'thread pitch'],
                    ['tighter', 'thread left, tighter'],
                    ['looser', 'thread left, looser'],
                  ] as const
                ).map(([key, label]) => (
                  <LengthField
                    key={key}
                    label={label}
                    value={own.perch?.[key]}
                    unit={unit}
                    schema={perchShape[key]}
                    onValue={(value, step) =>
                      putUnit((one) => one.perch && void (one.perch[key] = value), step)
                    }
                    width={150}
                  />
                ))}
                <PlainField
                  label="flats of its nut"
                  ending=""
                  value={own.perch.flats}
                  schema={perchShape.flats.unwrap()}
                  onValue={(value, step) =>
                    putUnit((one) => one.perch && void (one.perch.flats = value), step)
                  }
                  onClear={(step) =>
                    putUnit((one) => one.perch && void delete one.perch.flats, step)
                  }
                  placeholder=""
                  width={120}
                />
              </Fields>
            )}
          </>
        )}
        <FromShelf
          kind="damper"
          title="Take a damper from the shelf"
          onPick={({ name, closed, open, outside, stop, eye, pitch }) =>
            put((d) => {
              d.unit = {
                ...{ part: name, closed, open, outside, eye },
                ...(stop > 0 && { stop }),
                ...(pitch > 0 && { perch: { pitch, tighter: 30, looser: 10 } }),
              };
            })
          }
        />
        {own ? (
          <Button size="small" color="inherit" onClick={() => put((d) => void delete d.unit)}>
            Its lengths are not known
          </Button>
        ) : (
          <Button size="small" onClick={() => put((d) => void (d.unit = { ...UNIT }))}>
            Type its lengths
          </Button>
        )}
      </Section>
      <Section title="Coil spring">
        <Fields>
          {spring && (
            <>
              <PlainField
                label="rate"
                ending="N/mm"
                value={spring.rate}
                schema={springSchema.shape.rate}
                onValue={(value, step) => putSpring((one) => void (one.rate = value), step)}
                width={130}
              />
              {(
                [
                  ['free', 'free length'],
                  ['bind', 'coil bound'],
                  ['preload', spring.on ? 'pressed at ride height' : 'pressed, damper open'],
                ] as const
              ).map(([key, label]) => (
                <LengthField
                  key={key}
                  label={label}
                  value={spring[key]}
                  unit={unit}
                  schema={springSchema.shape[key]}
                  onValue={(value, step) => putSpring((one) => void (one[key] = value), step)}
                  width={key === 'preload' ? 170 : 130}
                />
              ))}
              <OneOf
                label="It stands on"
                none="the damper"
                options={carriers}
                value={spring.on}
                onPick={(on) => {
                  const { on: _, ...rest } = spring;
                  const next: Damper = { ...damper, spring: on ? { ...rest, on } : rest };
                  change('', (d) => setDamper(d, next));
                }}
              />
            </>
          )}
        </Fields>
        {spring && (
          <Toggle
            label="A helper spring on top of it"
            on={spring.helper !== undefined}
            onSwitch={(on) =>
              putSpring((one) => {
                if (on) one.helper = { rate: 4, free: 60, bind: 15 };
                else delete one.helper;
              })
            }
          />
        )}
        {spring?.helper && (
          <Fields>
            <PlainField
              label="helper’s rate"
              ending="N/mm"
              value={spring.helper.rate}
              schema={helperShape.rate}
              onValue={(value, step) =>
                putSpring((one) => one.helper && void (one.helper.rate = value), step)
              }
              width={130}
            />
            {(['free', 'bind'] as const).map((key) => (
              <LengthField
                key={key}
                label={key === 'free' ? 'helper, free' : 'helper, bound'}
                value={spring.helper?.[key]}
                unit={unit}
                schema={helperShape[key]}
                onValue={(value, step) =>
                  putSpring((one) => one.helper && void (one.helper[key] = value), step)
                }
                width={130}
              />
            ))}
          </Fields>
        )}
        <FromShelf
          kind="spring"
          title="Take a spring from the shelf"
          onPick={({ name, rate, free, bind, inside, outside }) =>
            put((d) => {
              const { preload = 0, on, helper } = d.spring ?? {};
              d.spring = {
                ...{ part: name, rate, free, bind, inside, outside, preload },
                ...(on && { on }),
                ...(helper && { helper }),
              };
            })
          }
        />
        {spring ? (
          <Button
            size="small"
            color="inherit"
            onClick={() => {
              const { spring: _, ...rest } = damper;
              change('', (d) => setDamper(d, rest));
            }}
          >
            No coil spring
          </Button>
        ) : (
          <Button size="small" onClick={() => put((d) => void (d.spring = { ...SPRING }))}>
            Type a spring
          </Button>
        )}
        <RateByWire />
      </Section>
      <Section title="Torsion bar and anti-roll bar">
        <Twisted {...props} which="torsion" />
        <Twisted {...props} which="bar" />
        {!damper.bar && <Said>An anti-roll bar is begun under “mounts”: it has points.</Said>}
      </Section>
    </>
  );
}

const WIRE = measure('mm', 1, 60);
const MEAN = measure('mm', 10, 400);
const TURNS = measure('', 1, 60);

/** A spring without a label: what its wire makes of it. Nothing is kept of this. */
function RateByWire() {
  const [[wire, mean, turns], set] = useState<(number | undefined)[]>([]);
  const rate = wire && mean && turns ? coilRate(wire, mean, turns) : null;
  const put = (i: number) => (value: number) =>
    set((all) => [0, 1, 2].map((k) => (k === i ? value : all[k])));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mt: 1 }}>
      <Typography variant="caption" color="text.secondary">
        No label on it?
      </Typography>
      <PlainField label="wire" ending="mm" value={wire} schema={WIRE} onValue={put(0)} width={96} />
      <PlainField
        label="coil, middle to middle"
        ending="mm"
        value={mean}
        schema={MEAN}
        onValue={put(1)}
        width={170}
      />
      <PlainField
        label="working turns"
        ending=""
        value={turns}
        schema={TURNS}
        onValue={put(2)}
        width={120}
      />
      <Typography variant="body2" role="status">
        {rate === null ? '' : `about ${rate.toFixed(1)} N/mm`}
      </Typography>
    </Box>
  );
}

/** A bar that is twisted: its sizes, and what it gives. */
function Twisted({
  damper,
  put,
  unit,
  wheel,
  which,
}: DamperPartProps & { which: 'torsion' | 'bar' }) {
  const one = damper[which];
  const { pivots } = wheel.type;
  const about = [
    ...pivots.flatMap(({ body, carries }) => (body && carries ? [body] : [])),
    ...(damper.by === 'rocker' ? (['rocker'] as const) : []),
  ];
  const shape = (which === 'torsion' ? damperSchema.shape.torsion : damperSchema.shape.bar).unwrap()
    .shape;
  const size = (key: 'outside' | 'length', label: string) => (
    <LengthField
      label={label}
      value={one?.[key]}
      unit={unit}
      schema={shape[key]}
      onValue={(value, step) =>
        put((d) => {
          const it = d[which];
          if (it) it[key] = value;
        }, step)
      }
      width={150}
    />
  );
  return (
    <>
      {which === 'torsion' && about.length > 0 && (
        <Fields>
          <OneOf
            label="Torsion bar about"
            none="no torsion bar"
            options={about}
            value={damper.torsion?.about}
            onPick={(next) =>
              put((d) => {
                if (next)
                  d.torsion = {
                    ...(d.torsion ?? { outside: 22, length: 700, wound: 0 }),
                    about: next,
                  };
                else delete d.torsion;
              })
            }
          />
        </Fields>
      )}
      {one && (
        <Fields>
          {size('outside', which === 'bar' ? 'bar, across' : 'torsion bar, across')}
          {size('length', which === 'bar' ? 'bar, twisted length' : 'torsion bar, length')}
          <LengthField
            label="wall, empty is solid"
            value={one.wall}
            unit={unit}
            schema={shape.wall.unwrap()}
            onValue={(value, step) =>
              put((d) => {
                const it = d[which];
                if (it) it.wall = value;
              }, step)
            }
            onClear={(step) => put((d) => void delete d[which]?.wall, step)}
            placeholder="solid"
            width={150}
          />
          {which === 'torsion' && (
            <AngleField
              label="wound at ride height"
              value={damper.torsion?.wound}
              schema={damperSchema.shape.torsion.unwrap().shape.wound}
              onValue={(value, step) =>
                put((d) => d.torsion && void (d.torsion.wound = value), step)
              }
              width={160}
            />
          )}
          <Typography variant="body2" sx={{ alignSelf: 'center' }}>
            {(twistRate(one) / 1000).toFixed(1)} N·m per degree
          </Typography>
        </Fields>
      )}
    </>
  );
}
