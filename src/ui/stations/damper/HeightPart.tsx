import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { heightsOf, restOf } from '@/core/damper/heights';
import {
  FREQUENCIES,
  captiveAt,
  frequencyOf,
  preloadFor,
  rateFor,
  sprungOn,
} from '@/core/damper/rideHeight';
import { DamperAt } from '@/core/damper/sweep';
import { damperSchema, damperWantedSchema, rideHeightSchema } from '@/core/model/damper';
import { lengthIn, readable } from '@/core/model/units';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { TextLine } from '../../fields/TextLine';
import { VERDICT } from '../../theme';
import { Fields, Said, Section, lengthBy } from './parts';
import type { DamperPartProps } from './parts';

const weightShape = damperSchema.shape.weight.unwrap().shape;

/** How the car stands: weights, spring, perch, and heights that have names. */
export function HeightPart(props: DamperPartProps) {
  const { build, wheel, unit, damper, put } = props;
  const { corner } = wheel;
  const length = lengthBy(unit);
  const known = useMemo(() => {
    if (!corner) return null;
    const at = new DamperAt(corner, damper);
    return {
      row: at.row(0),
      preload: preloadFor(damper, at, 0),
      rest: restOf(build, wheel),
      captive: captiveAt(damper, at, -wheel.travel.droop),
      bump: captiveAt(damper, at, wheel.travel.bump),
    };
  }, [build, wheel, corner, damper]);
  const heights = useMemo(() => heightsOf(build, wheel), [build, wheel]);
  const sprung = sprungOn(damper);
  const { weight, spring } = damper;
  const frequency = damper.wanted?.frequency;
  const row = known?.row ?? null;
  const rate =
    frequency !== undefined && sprung !== null && row
      ? rateFor(frequency, sprung, row, spring)
      : null;
  const usual = FREQUENCIES[build.use];
  const setWeight = (key: 'wheel' | 'unsprung') => (kg: number, step?: string) =>
    put((d) => {
      const now = d.weight ?? { wheel: 0, unsprung: 0 };
      d.weight = { ...now, [key]: kg };
    }, step);
  return (
    <>
      <Section title="What stands on the wheel">
        <Fields>
          <PlainField
            label="on the scales"
            ending="kg"
            value={weight?.wheel}
            schema={weightShape.wheel}
            onValue={setWeight('wheel')}
            placeholder=""
            width={120}
          />
          <PlainField
            label="of it unsprung"
            ending="kg"
            value={weight?.unsprung}
            schema={weightShape.unsprung}
            onValue={setWeight('unsprung')}
            placeholder=""
            width={120}
          />
          <PlainField
            label="bounces how often"
            ending="Hz"
            value={frequency}
            schema={damperWantedSchema.shape.frequency.unwrap()}
            onValue={(value, step) => put((d) => void ((d.wanted ??= {}).frequency = value), step)}
            onClear={(step) => put((d) => void delete d.wanted?.frequency, step)}
            placeholder={usual ? `${usual[0]} to ${usual[1]}` : ''}
            width={150}
          />
        </Fields>
        {sprung === null && (
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            Weigh the corner, and say what of it is wheel, hub, brake and half of the arms: then
            preload, rest and frequency are told.
          </Typography>
        )}
        {sprung !== null && row?.wheelRate !== null && row?.wheelRate !== undefined && (
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            Now {readable(row.wheelRate.toFixed(1))} N/mm at the wheel:{' '}
            {row.wheelRate > 0
              ? `${frequencyOf(row.wheelRate, sprung).toFixed(2)} Hz`
              : 'it does not hold itself up'}
            .
          </Typography>
        )}
        {rate !== null && spring && (
          <Typography variant="body2">
            For {frequency} Hz: a coil spring of {rate.toFixed(1)} N/mm, now {spring.rate}.{' '}
            <Button
              size="small"
              onClick={() =>
                put((d) => d.spring && void (d.spring.rate = Math.round(rate * 10) / 10))
              }
            >
              Take that rate
            </Button>
          </Typography>
        )}
        <Said>
          {usual
            ? `Cars for ${build.use} bounce ${usual[0]} to ${usual[1]} times a second: common practice, from memory; type your own.`
            : 'Type how often the body is to bounce.'}{' '}
          Tyres give, too: that is not in it.
        </Said>
      </Section>
      {spring && (
        <Section title="Preload and rest">
          {known?.preload ? (
            <>
              <Typography variant="body2" sx={{ fontWeight: 600 }}>
                To stand at ride height as drawn: spring pressed{' '}
                {lengthIn(known.preload.pressed, unit, 1)} ({known.preload.force.toFixed(0)} N),
                which is{' '}
                {Math.abs(known.preload.more) < 0.05
                  ? 'as it is'
                  : `${lengthIn(Math.abs(known.preload.more), unit, 1)} ${known.preload.more > 0 ? 'more' : 'less'} preload than now`}
                {known.preload.turns === null || Math.abs(known.preload.more) < 0.05
                  ? ''
                  : `: the perch ${Math.abs(known.preload.turns).toFixed(2)} turns ${known.preload.more > 0 ? 'tighter' : 'looser'}${known.preload.flats === null ? '' : ` (${Math.abs(known.preload.flats).toFixed(1)} flats)`}`}
                .{' '}
                {Math.abs(known.preload.more) >= 0.05 && (
                  <Button
                    size="small"
                    onClick={() =>
                      put((d) => {
                        if (!d.spring || !known.preload) return;
                        const { more } = known.preload;
                        d.spring.preload = Math.round(known.preload.preload * 100) / 100;
                        const perch = d.unit?.perch;
                        if (!perch) return;
                        perch.tighter = Math.max(0, tidy(perch.tighter - more));
                        perch.looser = Math.max(0, tidy(perch.looser + more));
                      })
                    }
                  >
                    Turn it so
                  </Button>
                )}
              </Typography>
              {known.preload.beyond !== null && (
                <Typography variant="body2" sx={{ color: VERDICT.bad }}>
                  ✕ The thread has {lengthIn(known.preload.beyond, unit, 1)} too little room for
                  that: another spring length, or the mount moved.
                </Typography>
              )}
            </>
          ) : (
            <Typography variant="body2">
              Weights, spring and the damper’s lengths are needed for the preload.
            </Typography>
          )}
          {sprung !== null && known && (
            <Typography variant="body2">
              {known.rest === null
                ? 'As it is set it comes to rest nowhere within its travel.'
                : Math.abs(known.rest) < 0.05
                  ? 'As it is set it rests at ride height.'
                  : `As it is set the car rests ${lengthIn(Math.abs(known.rest), unit, 1)} ${known.rest > 0 ? 'lower' : 'higher'} than drawn.`}
              {known.rest === null || known.captive === null
                ? ''
                : ` From full droop it sags ${lengthIn(known.rest + wheel.travel.droop, unit, 1)}.`}
            </Typography>
          )}
          {known?.captive && (
            <Typography
              variant="body2"
              sx={{ color: known.captive.pressed < 0 ? VERDICT.edge : undefined }}
            >
              {known.captive.pressed < 0
                ? `△ At full droop the spring is loose by ${lengthIn(-known.captive.pressed, unit, 1)}: it leaves its seats. A helper spring or a droop limiter keeps it.`
                : `✓ At full droop the spring is still pressed ${lengthIn(known.captive.pressed, unit, 1)}: it stays in its seats.`}
            </Typography>
          )}
          {known?.bump && (
            <Typography
              variant="body2"
              sx={{ color: known.bump.toBind < 0 ? VERDICT.bad : undefined }}
            >
              {known.bump.toBind < 0
                ? `✕ At full bump it would have to be ${lengthIn(-known.bump.toBind, unit, 1)} shorter than its coils allow.`
                : `✓ At full bump ${lengthIn(known.bump.toBind, unit, 1)} are left until the coils touch.`}
            </Typography>
          )}
        </Section>
      )}
      <Section title="Ride heights by name">
        {heights.length > 0 && (
          <Table aria-label="Ride heights">
            <thead>
              <tr>
                <th>height</th>
                <th className="number">wheel up</th>
                <th className="number">toe</th>
                <th className="number">camber</th>
                <th className="number">bump steer per 10 mm</th>
                <th className="number">bump left</th>
                <th className="number">droop left</th>
                <th className="number">wheel rate</th>
                <th>tightest</th>
              </tr>
            </thead>
            <tbody>
              {heights.map((one) => (
                <tr key={one.height.id} data-height={one.height.name}>
                  <td>{one.height.name}</td>
                  <td className="number">{length(one.height.travel)}</td>
                  <td className="number">{readable(one.toe.toFixed(2))}°</td>
                  <td className="number">{readable(one.camber.toFixed(2))}°</td>
                  <td className="number">{readable((10 * one.bumpSteer).toFixed(3))}°</td>
                  <td className="number" title={one.bumpEnd?.what}>
                    {left(one.bump, length)}
                  </td>
                  <td className="number" title={one.droopEnd?.what}>
                    {left(one.droop, length)}
                  </td>
                  <td className="number">
                    {one.row?.wheelRate === null || one.row?.wheelRate === undefined
                      ? '–'
                      : `${one.row.wheelRate.toFixed(1)} N/mm`}
                  </td>
                  <td>
                    {one.tightest
                      ? `${one.tightest.what} ${one.tightest.clearance < 0 ? `${lengthIn(-one.tightest.clearance, unit)} into` : `${lengthIn(one.tightest.clearance, unit)} from`} ${one.tightest.to}`
                      : '–'}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
        {(damper.heights ?? []).map((one, i) => (
          <Fields key={one.id}>
            <TextLine
              label="name"
              value={one.name}
              schema={rideHeightSchema.shape.name}
              onValue={(name, step) => put((d) => void (d.heights![i].name = name), step)}
              width={150}
            />
            <LengthField
              label="wheel up from drawn"
              value={one.travel}
              unit={unit}
              schema={rideHeightSchema.shape.travel}
              onValue={(value, step) => put((d) => void (d.heights![i].travel = value), step)}
              width={150}
            />
            <PlainField
              label="spring there"
              ending="N/mm"
              value={one.rate}
              schema={rideHeightSchema.shape.rate.unwrap()}
              onValue={(value, step) => put((d) => void (d.heights![i].rate = value), step)}
              onClear={(step) => put((d) => void delete d.heights![i].rate, step)}
              placeholder="its own"
              width={140}
            />
            <Button
              size="small"
              color="inherit"
              aria-label={`Take away: ${one.name}`}
              onClick={() =>
                put((d) => void (d.heights = d.heights?.filter(({ id }) => id !== one.id)))
              }
            >
              Take away
            </Button>
          </Fields>
        ))}
        <Button
          size="small"
          onClick={() =>
            put(
              (d) =>
                void (d.heights ??= []).push({
                  id: crypto.randomUUID(),
                  name: NAMES[(d.heights?.length ?? 0) % NAMES.length],
                  travel: 0,
                }),
            )
          }
        >
          Another height
        </Button>
        <Said>
          Wheel up: so far the wheels stand higher in the car than drawn, which is the car lower by
          as much. An air spring has another rate at another height: type it there. Not reached
          heights are left out of the table.
        </Said>
      </Section>
    </>
  );
}

const NAMES = ['road', 'track', 'parked', 'loaded'];
const tidy = (mm: number): number => Math.round(mm * 100) / 100;
const left = (value: number | null, length: (mm: number) => string): string =>
  value === null ? '–' : length(value);
