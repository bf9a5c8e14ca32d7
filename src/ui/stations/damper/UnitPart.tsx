import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { damperUnitSchema } from '@/core/model/damper';
import type { DamperUnit } from '@/core/model/damper';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { SpringSection } from './SpringSection';
import { Twisted } from './Twisted';
import { Fields, Said, Section } from './parts';
import type { DamperPartProps } from './parts';

const UNIT: DamperUnit = { closed: 250, open: 380, outside: 60 };
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

/** What the damper, the coil spring, torsion bar and anti-roll bar are. */
export function UnitPart(props: DamperPartProps) {
  const { damper, unit, put } = props;
  const { unit: own } = damper;
  const putUnit = (act: (one: DamperUnit) => void, step?: string) =>
    put((d) => d.unit && act(d.unit), step);
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
      <SpringSection {...props} />
      <Section title="Torsion bar and anti-roll bar">
        <Twisted {...props} which="torsion" />
        <Twisted {...props} which="bar" />
        {!damper.bar && <Said>An anti-roll bar is begun under “mounts”: it has points.</Said>}
      </Section>
    </>
  );
}
