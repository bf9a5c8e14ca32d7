import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { carriersOf } from '@/core/corners/damperTable';
import type { Carrier } from '@/core/corners/cornerType';
import { typeOf } from '@/core/corners/kinds';
import { damperPointsOf } from '@/core/model/damper';
import type { Damper } from '@/core/model/damper';
import { mountingsOf, setDamper } from '@/core/model/damperStart';
import { linkageFaults } from '@/core/damper/linkage';
import { VERDICT } from '../../theme';
import { PointsTable } from '../rack/PointsTable';
import { CARRIER_WORDS, Fields, Said, mountingInWords } from './parts';
import type { DamperPartProps } from './parts';

/** How the damper is mounted, and where its points are. */
export function MountsPart(props: DamperPartProps) {
  const { wheel, damper, change, unit, selected } = props;
  const { design, points } = wheel;
  const type = typeOf({ kind: design.kind });
  const carriers = carriersOf(type);
  const names = damperPointsOf(type, damper);
  const mountings = mountingsOf(design);
  const now = mountings.findIndex(({ by, on }) => by === damper.by && on === damper.on);
  const faults = wheel.corner ? linkageFaults(wheel.corner, damper) : [];
  const remake = (next: Damper) => change('', (d) => setDamper(d, next));
  const without = (key: keyof Damper): Damper => {
    const { [key]: _, ...rest } = damper;
    return rest as Damper;
  };
  const barOn: (Carrier | 'rocker')[] = damper.by === 'rocker' ? ['rocker', ...carriers] : carriers;
  return (
    <>
      <Fields>
        <TextField
          select
          size="small"
          label="Mounted"
          value={now}
          onChange={(event) => {
            const next = mountings[Number(event.target.value)];
            const { on: _, torsion, bar, ...rest } = damper;
            const fits =
              next.by === 'rocker' || (torsion?.about !== 'rocker' && bar?.on !== 'rocker');
            remake({
              ...rest,
              ...next,
              ...(fits && torsion && { torsion }),
              ...(fits && bar && { bar }),
            });
          }}
          sx={{ minWidth: 290 }}
        >
          {mountings.map((mounting, i) => (
            <MenuItem key={mountingInWords(mounting)} value={i}>
              {mountingInWords(mounting)}
            </MenuItem>
          ))}
        </TextField>
        <OneOf
          label="Anti-roll bar’s link on"
          none="no bar"
          options={barOn}
          value={damper.bar?.on}
          onPick={(on) =>
            remake(
              on
                ? { ...damper, bar: { ...(damper.bar ?? { outside: 19, length: 760 }), on } }
                : without('bar'),
            )
          }
        />
        <OneOf
          label="Droop strap on"
          none="no strap"
          options={carriers}
          value={damper.strap?.on}
          onPick={(on) =>
            remake(
              on
                ? { ...damper, strap: { ...(damper.strap ?? { length: 260 }), on } }
                : without('strap'),
            )
          }
        />
      </Fields>
      {faults.map(({ point, message }) => (
        <Typography key={point + message} variant="body2" role="status" sx={{ color: VERDICT.bad }}>
          ✕ {capital(message)}.
        </Typography>
      ))}
      {names.length > 0 ? (
        <PointsTable
          design={design}
          names={names}
          points={points}
          unit={unit}
          selected={selected}
          onSelect={props.onSelect}
          onEdit={props.onPoints}
        />
      ) : (
        <Typography variant="body2" sx={{ py: 1 }}>
          The strut holds the wheel: its top and its axis are set with the arm’s joints.
        </Typography>
      )}
      <Said>
        All of these are dragged on the floor and in space, have freedoms, stand in the take-off and
        in CSV files like the corner’s own joints. A bar lies straight across the car; its arm ends
        where the link is. Taking something away takes its points with it: undo brings them back.
      </Said>
      <Button
        size="small"
        color="inherit"
        onClick={() => change('', (d) => setDamper(d, undefined))}
      >
        Take the damper away
      </Button>
    </>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** One of what carries, or none. */
export function OneOf<T extends Carrier | 'rocker'>({
  label,
  none,
  options,
  value,
  onPick,
}: {
  label: string;
  none: string;
  options: readonly T[];
  value: T | undefined;
  onPick: (value: T | null) => void;
}) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value ?? ''}
      onChange={(event) => onPick((event.target.value || null) as T | null)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 160 }}
    >
      <MenuItem value="">{none}</MenuItem>
      {options.map((one) => (
        <MenuItem key={one} value={one}>
          {one === 'rocker' ? 'rocker' : CARRIER_WORDS[one as Carrier]}
        </MenuItem>
      ))}
    </TextField>
  );
}
