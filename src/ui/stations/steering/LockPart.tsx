'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { typeOf } from '@/core/corners/kinds';
import { steerUnitOf } from '@/core/kinematics/axle';
import type { Axle } from '@/core/kinematics/axle';
import type { SteerUnit } from '@/core/kinematics/corner';
import { briefOf, startingBrief, targetsSchema } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { SHAFT_LIMIT, startingRoom, wantedSchema } from '@/core/model/room';
import { lengthIn, readable, saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { LockWay } from '@/core/steering/lockLimits';
import { finderWorker } from '../../build/finderWorker';
import { useAnswer } from '../../build/useAnswer';
import { AngleField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { steerIn } from '../../steerIn';
import { Section } from '../brief/parts';
import { DropArmStops } from './DropArmStops';
import { Stops } from './Stops';
import type { PartProps } from './parts';
import { TwoColumns } from './TwoColumns';

const ask = (build: Build): Promise<LockWay[] | null> => finderWorker().lockLimits(build);

/** How far the wheels go: what ends it first, and where the rack is to be stopped. */
export function LockPart({ build, unit, onEdit, axle }: PartProps & { axle: Axle }) {
  const { lock } = briefOf(build).targets;
  return (
    <TwoColumns>
      <Section title="What ends the lock first">
        <Limits build={build} unit={unit} onEdit={onEdit} />
      </Section>
      <Section title="Stops">
        <Box sx={{ pt: 0.5, pb: 1 }}>
          <AngleField
            label="lock wanted, inner wheel"
            width={190}
            value={lock}
            schema={targetsSchema.shape.lock}
            onValue={(value, step) =>
              onEdit((draft) => {
                draft.brief ??= startingBrief(draft);
                draft.brief.targets.lock = value;
              }, step)
            }
          />
        </Box>
        {build.front.dropArm && (
          <DropArmStops
            axle={axle}
            dropArm={build.front.dropArm}
            build={build}
            lock={lock}
            onEdit={onEdit}
          />
        )}
        {build.front.rack && (
          <Stops
            axle={axle}
            rack={build.front.rack}
            wheelbase={build.wheelbase}
            lock={lock}
            unit={unit}
            onEdit={onEdit}
          />
        )}
      </Section>
    </TwoColumns>
  );
}

function Limits({ build, unit, onEdit }: Pick<PartProps, 'build' | 'unit' | 'onEdit'>) {
  const { of: ways, stale } = useAnswer(build, ask);
  const { halfShaft, rack } = build.front;
  const { noTravel } = typeOf(build.front);
  const collars = (rack?.stop ?? 0) > 0;
  if (ways === undefined)
    return (
      <Typography role="status" variant="body2">
        Looking …
      </Typography>
    );
  if (ways === null)
    return <Typography variant="body2">The front axle cannot go to its locks as drawn.</Typography>;
  return (
    <Box sx={{ opacity: stale ? 0.55 : 1 }} data-limits>
      {halfShaft && (
        <Box sx={{ py: 1 }}>
          <AngleField
            label="half-shaft joint’s limit"
            width={170}
            value={build.room?.wanted.shaft}
            placeholder={`${SHAFT_LIMIT}`}
            schema={wantedSchema.shape.shaft.unwrap()}
            onValue={(shaft, step) =>
              onEdit((draft) => {
                draft.room ??= startingRoom();
                draft.room.wanted.shaft = shaft;
              }, step)
            }
          />
        </Box>
      )}
      {ways.map(({ turn, inner, outer, limits }) => {
        const first = limits.find(({ ends }) => ends);
        return (
          <Typography key={turn} variant="body2" sx={{ mt: 0.5 }} data-lock={turn}>
            To the {turn}: {inner.toFixed(1)}° of the inner wheel and {outer.toFixed(1)}° of the
            outer{' '}
            {first
              ? `before ${saidIn(first.what, unit)}`
              : collars
                ? 'at the collars'
                : build.front.dropArm
                  ? 'at the drop arm’s stops'
                  : 'at the rack’s end'}
            .
          </Typography>
        );
      })}
      {ways[0].missed.length > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5, fontWeight: 600, color: VERDICT.edge }}>
          △ Not looked at, for a wheel does not get there straight ahead:{' '}
          {ways[0].missed
            .map((mm) => `${lengthIn(Math.abs(mm), unit, 0)} ${mm > 0 ? 'bump' : 'droop'}`)
            .join(', ')}
          .
        </Typography>
      )}
      <Uneven ways={ways} />
      <Table aria-label="What ends the lock">
        <thead>
          <tr>
            <th scope="col">turning</th>
            <th scope="col">from the centre</th>
            <th scope="col">what comes</th>
          </tr>
        </thead>
        <tbody>
          {ways.map((way) => (
            <Way key={way.turn} {...{ way, unit, collars }} by={steerUnitOf(build.front)} />
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary">
        {noTravel ? 'Both wheels' : 'Both wheels at five heights from full droop to full bump'}, the{' '}
        {steerUnitOf(build.front)} in steps from its centre, straight between; bodies, clearances
        and joints’ limits are those under “room” at the arms. Bodies that are not entered there are
        not looked at: try both locks{noTravel ? '' : ' at full bump and droop'}, the car on stands,
        before it moves.
      </Typography>
    </Box>
  );
}

/** Everything that comes on one way, the nearest first, the rack's own end last. */
function Way({
  way: { turn, limits, end },
  collars,
  by,
  unit,
}: {
  way: LockWay;
  collars: boolean;
  by: SteerUnit;
  unit: LengthUnit;
}) {
  const at = (mm: number) => lengthIn(Math.abs(mm), unit, 1);
  const steered = (steer: number) => steerIn(steer, by, unit);
  return (
    <>
      {limits.map(({ what, side, rack, travel, ends }, i) => (
        <tr key={`${side} ${what}`} data-limit={turn}>
          <th scope="row">{i === 0 ? turn : ''}</th>
          <td style={{ whiteSpace: 'nowrap' }}>{steered(rack)}</td>
          <td style={{ color: ends ? VERDICT.bad : VERDICT.edge }}>
            {ends ? '✕' : '△'} {side} wheel: {saidIn(what, unit)}
            {travel === 0 ? '' : `, at ${at(travel)} ${travel > 0 ? 'bump' : 'droop'}`}
          </td>
        </tr>
      ))}
      <tr data-limit={turn}>
        <th scope="row">{limits.length === 0 ? turn : ''}</th>
        <td>{steered(end)}</td>
        <td>
          {collars ? 'the collars' : by === 'rack' ? 'the rack’s own end' : 'the drop arm’s stops'}
        </td>
      </tr>
    </>
  );
}

/** Less than this nobody notices, degrees. */
const EVEN = 0.5;

function Uneven({ ways }: { ways: readonly LockWay[] }) {
  const [one, other] = ways;
  if (ways.length < 2 || Math.abs(one.inner - other.inner) < EVEN) return null;
  const [more, less] = one.inner > other.inner ? [one, other] : [other, one];
  return (
    <Typography variant="body2" sx={{ mt: 0.5, fontWeight: 600, color: VERDICT.edge }}>
      △ Uneven lock: {readable((more.inner - less.inner).toFixed(1))}° more to the {more.turn} than
      to the {less.turn}.
    </Typography>
  );
}
