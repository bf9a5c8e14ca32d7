import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { rackMoveSchema } from '@/core/model/asked';
import type { RackMoveAsked } from '@/core/model/asked';
import { briefOf } from '@/core/model/brief';
import { lengthIn, readable, saidIn } from '@/core/model/units';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import { moveRack, rackDoubts, rackPlace } from '@/core/rack/moveRack';
import type { RackPlace, RodTaped } from '@/core/rack/moveRack';
import { rackEnd } from '@/core/rack/spacers';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { LookTake } from '../LookTake';
import { askedOf } from '../useAsked';
import type { PartProps } from './parts';
import { takeFront } from './take';

const START: RackMoveAsked = { ahead: 0, up: 0, out: 0, mark: 150, offset: 25 };
const FIELDS: [keyof RackMoveAsked, string][] = [
  ['ahead', 'rack ahead (− back)'],
  ['up', 'rack up (− down)'],
  ['out', 'joints out (− in)'],
  ['mark', 'mark, from the outer joint'],
];

/** The rack in another place, before and after, as a builder tapes it. */
export function MoveRack({
  build,
  unit,
  onEdit,
  wheel,
  tried,
  onTry,
}: PartProps & { wheel: Wheel }) {
  const asked = build.asked?.rackMove ?? START;
  const { ahead, up, out, mark, offset } = asked;
  const put = askedOf(onEdit);
  const moved = useMemo(
    () => moveRack(build.front, { ahead, up, out }),
    [build.front, ahead, up, out],
  );
  const [before, after, doubts] = useMemo(
    () => [
      rackPlace(build, build.front, mark),
      rackPlace(build, moved, mark),
      rackDoubts(build, build.front, moved),
    ],
    [build, moved, mark],
  );
  const end = useMemo(() => rackEnd(build, wheel, offset), [build, wheel, offset]);
  const stays = ahead === 0 && up === 0 && out === 0;
  const looked = tried !== null && tried === moved;
  const { bumpSteer } = briefOf(build).targets;
  const steer = (place: RackPlace | null) =>
    place?.steer == null ? (
      'out of reach'
    ) : (
      <>
        {place.steer.toFixed(2)}° <VerdictMark verdict={judgeBumpSteer(place.steer, bumpSteer)} />
      </>
    );
  const plain = (value: number | null | undefined, places: number, ending: string) =>
    value == null ? '–' : `${readable(value.toFixed(places))}${ending}`;
  const rows: [string, (place: RackPlace | null) => React.ReactNode][] = [
    ['bump steer, at the worst', steer],
    ['Ackermann at half rack', (place) => plain(place?.ackermann, 0, ' %')],
    ['lock, inner wheel', (place) => plain(place?.lock, 1, '°')],
  ];
  const taped = (what: string, of: (one: RodTaped) => string) =>
    ['straight', 'rack at its left end', 'rack at its right end'].map(
      (where, i): (typeof rows)[number] => [
        `${what}, ${where}`,
        (place) => {
          const one = place?.taped[i];
          return one ? of(one) : 'out of reach';
        },
      ],
    );
  if (before)
    rows.push(
      ...taped(`mark to tie rod, skin to skin`, ({ gap }) =>
        gap < 0 ? `${lengthIn(-gap, unit, 0)} in each other` : lengthIn(gap, unit, 1),
      ),
      ...taped('tie rod to steering arm', ({ toArm }) => plain(toArm, 0, '°')),
      ...taped('tie rod to the tube, from above', ({ toTube }) => plain(toTube, 0, '°')),
    );
  return (
    <div>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.75, alignItems: 'center' }}>
        {FIELDS.map(([name, label]) => (
          <LengthField
            key={name}
            label={label}
            unit={unit}
            width={150}
            value={asked[name]}
            schema={rackMoveSchema.shape[name]}
            onValue={(mm, step) => put('rackMove', { ...asked, [name]: mm }, step)}
          />
        ))}
        {!stays && (
          <LookTake
            what="rack moved"
            looked={looked}
            onLook={() => onTry(looked ? null : moved)}
            onTake={() => {
              onTry(null);
              takeFront(onEdit, moved, (draft) => {
                (draft.asked ??= {}).rackMove = { ...asked, ahead: 0, up: 0, out: 0 };
              });
            }}
          />
        )}
      </Box>
      <Table aria-label="The rack before and after">
        <thead>
          <tr>
            <th scope="col">left wheel’s tie rod, ride height</th>
            <th scope="col">as it is</th>
            {!stays && <th scope="col">moved</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, of]) => (
            <tr key={what} data-rack={what}>
              <th scope="row">{what}</th>
              <td>{of(before)}</td>
              {!stays && <td>{of(after)}</td>}
            </tr>
          ))}
        </tbody>
      </Table>
      {!stays && (
        <>
          {doubts.worse.map((one) => (
            <Typography key={one} variant="body2" sx={{ color: VERDICT.bad }}>
              ✕ Moved: {saidIn(one, unit)}
            </Typography>
          ))}
          {doubts.cleared.map((one) => (
            <Typography key={one} variant="body2" sx={{ color: VERDICT.good }}>
              ✓ Cleared: {saidIn(one, unit)}
            </Typography>
          ))}
          {doubts.worse.length === 0 && doubts.cleared.length === 0 && (
            <Typography variant="body2">
              Nothing of the tie rod binds or comes nearer than it was, of the bodies that are
              entered under “room”.
            </Typography>
          )}
        </>
      )}
      <Box sx={{ mt: 1.5 }}>
        <LengthField
          label="or spacers: joint off the bar by"
          unit={unit}
          width={200}
          value={offset}
          schema={rackMoveSchema.shape.offset}
          onValue={(mm, step) => put('rackMove', { ...asked, offset: mm }, step)}
        />
        {end && (
          <Typography variant="body2" sx={{ mt: 0.75 }} data-rack-end>
            {(end.force / 1000).toFixed(1)} kN along the rod over a kerb push the bar sideways with{' '}
            {(end.side / 1000).toFixed(2)} kN, and the offset bends its end with{' '}
            {(end.bending / 1e6).toFixed(2)} kN·m. △ A rack is not made for either: its bushes wear
            and its end breaks; offset both ends on a bar that slides in its own bearings, or move
            the rack.
          </Typography>
        )}
      </Box>
      <Typography variant="caption" component="p" color="text.secondary">
        The mark is on the {before?.tube ?? 'arm'}, the tube nearest to the rod. What has to be cut,
        and whether bolts are got at with a spanner, is told by bodies entered under “room”: enter
        the sump, the rail and the spanner’s room there. Force as under “strength” at the rack: a
        first estimate.
      </Typography>
    </div>
  );
}
