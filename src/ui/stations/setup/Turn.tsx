import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { anglesSchema, toeLengthSchema, toeToldSchema } from '@/core/model/setups';
import type { Angles } from '@/core/model/setups';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import {
  setupsOf,
  takeTurnedBack,
  turnedOf,
  typedOf,
  writeTurned,
  writeTyped,
} from '@/core/setup/book';
import type { SetNow } from '@/core/setup/book';
import type { SetBy, Stands } from '@/core/setup/setting';
import { setUp } from '@/core/setup/solve';
import { toeEach, toeTold } from '@/core/setup/toeIn';
import type { ToeTold } from '@/core/setup/toeIn';
import { changesInWords, moveInWords, shortInWords, signed } from '@/core/setup/words';
import { Choice } from '../../fields/Choice';
import { AngleField, LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { useAngles } from '../../fields/useAngles';
import { RackOff } from './RackOff';

const AS = ['deg', 'mm'] as const;
const OF = ['each', 'total'] as const;

/** From what the car reads to what is wanted: what to turn, in which order; then it is read again. */
export function Turn({
  build,
  wheel,
  now,
  model,
  unit,
  onEdit,
}: {
  build: Build;
  wheel: Wheel;
  now: SetNow;
  model: Stands;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const said = useAngles();
  const { setting, did, lost } = now;
  const turned = turnedOf(build, wheel);
  const { read, wanted } = typedOf(build, wheel);
  const [alike, setAlike] = useState(false);
  const told: ToeTold = setupsOf(build).toe ?? {
    ...{ as: 'deg', of: 'each', over: Math.round(2 * wheel.design.tyre.radius) },
  };
  const tell = (to: Partial<ToeTold>) =>
    onEdit((draft) => {
      draft.setups ??= { wheels: [], sets: [] };
      draft.setups.toe = { ...told, ...to };
    });
  const plan = useMemo(
    () => (Object.keys(wanted).length > 0 ? setUp(setting, wanted, read, did) : null),
    [setting, wanted, read, did],
  );
  const stands = (adjuster: { id: string }) =>
    setting.base[setting.adjusters.findIndex(({ id }) => id === adjuster.id)] ?? 0;
  const write = () => {
    if (!plan) return;
    onEdit((draft) =>
      writeTurned(
        draft,
        wheel,
        {
          at: new Date().toISOString(),
          ...{ read, wanted },
          moved: plan.moves.map(({ adjuster, by }) => ({ id: adjuster.id, by })),
        },
        alike,
      ),
    );
  };
  /** As an angle stands in a field, to a hundredth of a degree or to a minute. */
  const asRead = (degrees: number) =>
    said(`${readable(degrees.toFixed(2).replace(/^-(0\.00)$/u, '$1'))}°`).replace(/°$/u, '');
  const names = (['camber', 'caster', 'toe'] as const).filter(
    (of) => of !== 'caster' || model.caster !== null,
  );
  const put =
    (what: 'read' | 'wanted', of: SetBy) =>
    (value: number | undefined, visit: string): void =>
      onEdit((draft) => writeTyped(draft, wheel, what, of, value), visit);
  const field = (
    which: 'reads' | 'wanted',
    of: SetBy,
    values: Angles,
    what: 'read' | 'wanted',
    placeholder: number | null,
  ) => {
    const label = `${of} ${which}`;
    const common = {
      key: label,
      label,
      schema: anglesSchema.shape[of],
      onClear: (visit: string) => put(what, of)(undefined, visit),
      width: 140,
    };
    if (of !== 'toe' || (told.as === 'deg' && told.of === 'each'))
      return (
        <AngleField
          {...common}
          key={label}
          value={values[of]}
          onValue={put(what, of)}
          {...(placeholder !== null && { placeholder: asRead(placeholder) })}
        />
      );
    // As it is told: the build keeps degrees of one wheel.
    const value = values.toe === undefined ? undefined : toeTold(values.toe, told);
    const take = (typed: number, visit: string) => put(what, of)(toeEach(typed, told), visit);
    const shown =
      placeholder === null
        ? {}
        : {
            placeholder:
              told.as === 'deg'
                ? asRead(toeTold(placeholder, told))
                : printLength(Number(toeTold(placeholder, told).toFixed(2)), unit),
          };
    return told.as === 'deg' ? (
      <AngleField {...common} key={label} value={value} onValue={take} {...shown} />
    ) : (
      <LengthField
        {...common}
        key={label}
        schema={toeLengthSchema}
        value={value}
        unit={unit}
        onValue={take}
        {...shown}
      />
    );
  };
  const other = wheel.side === 'left' ? 'right' : 'left';
  const across = crossOf(build, wheel);
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 760 }}>
      <Typography variant="body2">
        Car at ride height, driver’s weight in, tyres at their pressures, rolled to and fro. What is
        left empty is taken as the drawing has it, as it is set now.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography variant="body2">Toe is told in</Typography>
        <Choice
          label="Toe as"
          value={told.as}
          options={AS}
          words={{ deg: 'degrees', mm: unit === 'mm' ? 'mm' : 'inches' }}
          onPick={(as) => tell({ as })}
        />
        <Choice
          label="Toe of"
          value={told.of}
          options={OF}
          words={{ each: 'each wheel', total: 'both together' }}
          onPick={(of) => tell({ of })}
        />
        {told.as === 'mm' && (
          <LengthField
            label="over, front to rear mark"
            value={told.over}
            unit={unit}
            schema={toeToldSchema.shape.over}
            onValue={(over) => tell({ over })}
            width={180}
          />
        )}
      </Box>
      {wheel.axle === 'front' && wheel.steered && (
        <RackOff build={build} unit={unit} onEdit={onEdit} />
      )}
      <Box component="section" aria-label="As the car reads" sx={ROW}>
        <Typography sx={LABEL}>It reads</Typography>
        {names.map((of) => field('reads', of, read, 'read', model[of]))}
      </Box>
      <Box component="section" aria-label="What is wanted" sx={ROW}>
        <Typography sx={LABEL}>Wanted</Typography>
        {names.map((of) => field('wanted', of, wanted, 'wanted', null))}
      </Box>
      {lost.length > 0 && (
        <Typography variant="body2">
          △ {counted(lost.length, 'adjuster')} that was turned is not there any more:{' '}
          {lost.map(({ id }) => id).join(', ')}.
        </Typography>
      )}
      {!plan ? (
        <Typography variant="body2">
          {Object.keys(wanted).length > 0
            ? 'Nothing can be told: beside where it is set the wheel cannot be put together.'
            : 'Say what is wanted, and this says what to turn.'}
        </Typography>
      ) : (
        <Box component="section" aria-label="What to turn" data-reached={plan.reached}>
          <Typography variant="h3">
            {plan.reached ? 'What to turn, in this order' : 'As near as it goes'}
          </Typography>
          {plan.moves.length === 0 && (
            <Typography variant="body2">Nothing is to be turned.</Typography>
          )}
          <Box component="ol" sx={{ m: 0, pl: 2.5, '& li': { mb: 0.5 } }}>
            {plan.moves.map((move) => (
              <li key={move.adjuster.id}>
                {moveInWords(wheel.design, move, unit, stands(move.adjuster))}
                {move.adjuster.assumed && ' (a usual thread of 3 mm a turn is taken)'}
              </li>
            ))}
          </Box>
          <Typography variant="body2" sx={{ fontWeight: 600, mt: 0.5 }} data-then>
            Then: {said(changesInWords(plan).join(', '))}.
          </Typography>
          {plan.short.map((one) => (
            <Typography key={one.of} variant="body2">
              ▲ Not to be had: {said(shortInWords(one, unit))}.
            </Typography>
          ))}
          {plan.bump && (
            <Typography variant="body2">
              Largest change of toe over the travel: {plan.bump.before.toFixed(2)}° →{' '}
              {plan.bump.after.toFixed(2)}°, as drawn and set, steering straight.
            </Typography>
          )}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mt: 1 }}>
            <Button
              variant="outlined"
              disabled={plan.moves.length === 0 && Object.keys(read).length === 0}
              onClick={write}
            >
              {plan.moves.length > 0 ? 'These were turned' : 'Write down what it reads'}
            </Button>
            <Toggle label={`the ${other} side alike`} on={alike} onSwitch={setAlike} />
          </Box>
          <Typography variant="caption" color="text.secondary">
            Nuts tight and marked, thread seen in the witness hole, then read again. Have steering
            and suspension inspected as the law where you drive asks.
          </Typography>
        </Box>
      )}
      {turned.length > 0 && (
        <Box component="section" aria-label="Turned so far">
          <Typography variant="h3">Turned so far</Typography>
          {turned.length > 1 && (
            <Typography variant="body2">
              What was turned did {did.gain.toFixed(2)} ± {(2 * did.sigma).toFixed(2)} of what it
              should.
            </Typography>
          )}
          <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
            {turned.map(({ at, moved, read: was }) => (
              <li key={at}>
                {at.slice(0, 16).replace('T', ' ')}: {counted(moved.length, 'adjuster')}
                {Object.entries(was).length > 0 &&
                  `, read ${Object.entries(was)
                    .map(([of, value]) => `${of} ${said(signed(value))}`)
                    .join(', ')}`}
              </li>
            ))}
          </Box>
          <Button size="small" onClick={() => onEdit((draft) => takeTurnedBack(draft, wheel))}>
            Take the last one back
          </Button>
        </Box>
      )}
      {across && (
        <Typography variant="body2" data-cross>
          As read last, left less right: {said(across)}.
        </Typography>
      )}
    </Box>
  );
}

const ROW = { display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start' } as const;
const LABEL = { width: 72, pt: 1, fontWeight: 600 } as const;

/** What the two wheels of an axle read apart, as far as both were read. */
function crossOf(build: Build, { axle }: Wheel): string {
  const [left, right] = (['left', 'right'] as const).map(
    (side) =>
      turnedOf(build, { axle, side }).findLast(({ read }) => Object.keys(read).length > 0)?.read,
  );
  if (!left || !right) return '';
  return (['camber', 'caster', 'toe'] as const)
    .flatMap((of) => {
      const [a, b] = [left[of], right[of]];
      return a === undefined || b === undefined ? [] : [`${of} ${signed(a - b)}`];
    })
    .join(', ');
}
