import Typography from '@mui/material/Typography';
import { twistRate } from '@/core/damper/springs';
import { damperSchema } from '@/core/model/damper';
import { AngleField, LengthField } from '../../fields/NumberField';
import { OneOf } from './MountsPart';
import { Fields } from './parts';
import type { DamperPartProps } from './parts';

/** A bar that is twisted: its sizes, and what it gives. */
export function Twisted({
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
