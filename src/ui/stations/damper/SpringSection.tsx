import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { carriersOf } from '@/core/corners/damperTable';
import { typeOf } from '@/core/corners/kinds';
import { coilRate } from '@/core/damper/springs';
import { springSchema } from '@/core/model/damper';
import type { Damper, Spring } from '@/core/model/damper';
import { setDamper } from '@/core/model/damperStart';
import { measure } from '@/core/model/wording';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { OneOf } from './MountsPart';
import { Fields, Section } from './parts';
import type { DamperPartProps } from './parts';

const SPRING: Spring = { rate: 30, free: 250, bind: 115, preload: 0 };
const helperShape = springSchema.shape.helper.unwrap().shape;

/** The coil spring: what it is, what it stands on, its helper. */
export function SpringSection({ damper, unit, put, wheel, change }: DamperPartProps) {
  const { spring } = damper;
  const carriers = carriersOf(typeOf({ kind: wheel.design.kind }));
  const putSpring = (act: (one: Spring) => void, step?: string) =>
    put((d) => d.spring && act(d.spring), step);
  return (
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
