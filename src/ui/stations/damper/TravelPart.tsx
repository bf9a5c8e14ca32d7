import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { damperHoles } from '@/core/damper/heights';
import { jointLimit, travelEnds } from '@/core/damper/ends';
import type { TravelEnd } from '@/core/damper/ends';
import { damperSweep } from '@/core/damper/sweep';
import type { DamperRow } from '@/core/damper/sweep';
import { placedDamper } from '@/core/damper/placed';
import { strokeOf } from '@/core/damper/springs';
import { UPRIGHT_SIZE } from '@/core/kinematics/corner';
import type { Wheel } from '@/core/kinematics/wheel';
import { pointLabel } from '@/core/model/labels';
import { lengthIn, readable, unitName } from '@/core/model/units';
import { shaftAt } from '@/core/motion/halfShaft';
import { articulationsOf } from '@/core/clearance/articulation';
import { judgeRoom } from '@/core/verdict/verdicts';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { Said, Section, lengthBy } from './parts';
import type { DamperPartProps } from './parts';

const figure = (value: number | null | undefined, places: number): string =>
  value === null || value === undefined ? '–' : readable(value.toFixed(places));

/** What the damper does from full droop to full bump, and what ends that first. */
export function TravelPart(props: DamperPartProps) {
  const { build, wheel, unit, damper, clearances, onShow } = props;
  const rows = useMemo(() => damperSweep(wheel, 5), [wheel]);
  const ends = useMemo(() => travelEnds(build, wheel), [build, wheel]);
  const holes = useMemo(() => damperHoles(wheel), [wheel]);
  const eyes = useMemo(() => eyesOf(build, wheel), [build, wheel]);
  const placed = useMemo(() => placedDamper(build, wheel), [build, wheel]);
  const shafts = useMemo(() => shaftRows(wheel, rows), [wheel, rows]);
  const length = lengthBy(unit);
  if (!ends || rows.length === 0)
    return (
      <Typography variant="body2">
        As drawn the damper cannot move: look at its places under “mounts”.
      </Typography>
    );
  const stroke = damper.unit && strokeOf(damper.unit);
  const wanted = {
    bump: damper.wanted?.bump ?? wheel.travel.bump,
    droop: damper.wanted?.droop ?? wheel.travel.droop,
  };
  const lines: [string, (row: DamperRow, i: number) => string][] = [
    [`damper, eye to eye, ${unitName(unit)}`, ({ at }) => length(at.damper.length)],
    ...(stroke
      ? ([
          [
            `stroke left to closed, ${unitName(unit)}`,
            ({ at }) => length(at.damper.length - stroke.closed),
          ],
          [
            `stroke left to open, ${unitName(unit)}`,
            ({ at }) => length(stroke.open - at.damper.length),
          ],
        ] as [string, (row: DamperRow) => string][])
      : []),
    ['motion ratio', ({ at }) => figure(at.damper.ratio, 3)],
    [
      'its change, % per 10 mm of bump',
      ({ at, ratioChange }) =>
        ratioChange === null ? '–' : figure((1000 * ratioChange) / at.damper.ratio, 1),
    ],
    ...(damper.spring
      ? ([
          [
            `spring pressed, ${unitName(unit)}`,
            (row) => (row.pressed === null ? '–' : length(row.pressed)),
          ],
          ['spring force, N', (row) => figure(row.springForce, 0)],
        ] as [string, (row: DamperRow) => string][])
      : []),
    ...(damper.spring || damper.torsion
      ? ([
          ['carried at the wheel, N', (row) => figure(row.wheelForce, 0)],
          ['wheel rate, N/mm', (row) => figure(row.wheelRate, 2)],
        ] as [string, (row: DamperRow) => string][])
      : []),
    ...(damper.bar
      ? ([['anti-roll bar at the wheel, N/mm', (row) => figure(row.barRate, 2)]] as [
          string,
          (row: DamperRow) => string,
        ][])
      : []),
    ['damper or rod to its arm', ({ at }) => (at.toArm === null ? '–' : `${figure(at.toArm, 1)}°`)],
    ...(damper.by === 'rocker'
      ? ([
          ['rod to rocker, from straight', ({ at }) => `${figure(at.rodToRocker, 1)}°`],
          ['damper to rocker, from straight', ({ at }) => `${figure(at.damperToRocker, 1)}°`],
        ] as [string, (row: DamperRow) => string][])
      : []),
    ...(shafts
      ? ([
          [`half-shaft longer, ${unitName(unit)}`, (_, i) => length(shafts[i].longer)],
          ['half-shaft, inner joint', (_, i) => `${figure(shafts[i].inner, 1)}°`],
          ['half-shaft, outer joint', (_, i) => `${figure(shafts[i].outer, 1)}°`],
        ] as [string, (row: DamperRow, i: number) => string][])
      : []),
  ];
  const tight = (clearances.list ?? []).filter(({ ofDamper }) => ofDamper).slice(0, 6);
  return (
    <>
      <Section title="What ends the travel">
        {(['bump', 'droop'] as const).map((way) => (
          <EndLine
            key={way}
            way={way}
            end={ends[way]}
            wanted={wanted[way]}
            looked={ends.looked[way]}
            unit={unit}
          />
        ))}
        <Table aria-label="Ends of the travel">
          <thead>
            <tr>
              <th>at</th>
              <th>what</th>
            </tr>
          </thead>
          <tbody>
            {ends.all.map((end) => (
              <tr key={`${end.way} ${end.id} ${end.point ?? ''}`} data-end={end.id}>
                <td className="number">
                  {lengthIn(Math.abs(end.travel), unit, 1)} {end.way}
                </td>
                <td>
                  {end.what}
                  {end.begins ? ', and the wheel goes on' : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Said>
          Straight ahead, looked for as far as {lengthIn(ends.looked.bump, unit)} bump and{' '}
          {lengthIn(ends.looked.droop, unit)} droop: {ends.covers.join(', ')}. What nobody said is
          not among it; what bodies touch stands below.
        </Said>
      </Section>
      <Section title="Over the travel">
        <Table aria-label="Damper over the travel">
          <thead>
            <tr>
              <td />
              {rows.map(({ travel }) => (
                <th key={travel} className="number">
                  {travel === 0
                    ? 'ride'
                    : `${length(Math.abs(travel))} ${travel > 0 ? 'bump' : 'droop'}`}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(([what, of]) => (
              <tr key={what}>
                <th scope="row" style={{ fontWeight: 400, textAlign: 'left' }}>
                  {what}
                </th>
                {rows.map((row, i) => (
                  <td key={row.travel} className="number">
                    {of(row, i)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
        {placed && (
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            With its mounts off by their ±
            {placed.measured ? '' : ', as drawings are placed where nobody measured them'}: ratio ±
            {placed.ratio.toFixed(3)}, eye to eye ±{lengthIn(placed.length, unit, 1)}.
          </Typography>
        )}
        <Said>
          Travel is the wheel centre’s. The wheel rate has the ratio’s own change in it: k · ratio²
          + force · change. Ratio and length are among the curves, too.
        </Said>
      </Section>
      <Section title="What its body comes near">
        {tight.length === 0 ? (
          <Typography variant="body2">
            {clearances.list === undefined ? 'Still looking …' : 'Nothing that was drawn.'}
          </Typography>
        ) : (
          <Table aria-label="Damper, clearances">
            <tbody>
              {tight.map(({ what, to, clearance, wanted: by, travel, rack }) => (
                <tr key={`${what} ${to}`} data-near={to}>
                  <td>
                    {what} to {to}
                  </td>
                  <td className="number">
                    {clearance < 0
                      ? `${lengthIn(-clearance, unit, 1)} into it`
                      : lengthIn(clearance, unit, 1)}
                  </td>
                  <td>
                    <VerdictMark verdict={judgeRoom(clearance, by)} />
                  </td>
                  <td>
                    <button type="button" onClick={() => onShow({ travel, rack })} style={LINK}>
                      {travel === 0
                        ? 'ride height'
                        : `${lengthIn(Math.abs(travel), unit)} ${travel > 0 ? 'bump' : 'droop'}`}
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
        <Said>
          The damper counts as a cylinder from eye to eye, as wide as it was said to be; against the
          arm that it stands on it is looked at from one and a half times that above its lug. Over
          travel and lock, tubes, rods, half-shaft, tyre, and bodies under “room” at the arms.
        </Said>
      </Section>
      {eyes.length > 0 && (
        <Section title="Its joints">
          <Table aria-label="Joints of the damper">
            <tbody>
              {eyes.map(({ name, angle, limit }) => (
                <tr key={name}>
                  <td>{pointLabel(wheel.design, name)} articulates</td>
                  <td className="number">
                    {figure(angle, 1)}° of {limit}°
                  </td>
                  <td>
                    <VerdictMark verdict={angle > limit ? 'rework' : 'accept'} />
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Said>
            Over travel and lock, bolts taken as lying along the car and set square at ride height;
            another way of theirs is told under “room” at the arms.
          </Said>
        </Section>
      )}
      {holes.length > 0 && (
        <Section title="Hole by hole">
          <Table aria-label="What each hole does">
            <thead>
              <tr>
                <th>hole</th>
                <th className="number">motion ratio</th>
                <th className="number">to its arm</th>
                <th className="number">at full bump</th>
                <th className="number">at full droop</th>
              </tr>
            </thead>
            <tbody>
              {holes.map(({ point, coordinate, at, now, home, bump, droop }) => (
                <tr
                  key={`${point} ${coordinate} ${at}`}
                  style={now ? { fontWeight: 600 } : undefined}
                >
                  <td>
                    {pointLabel(wheel.design, point)}, {coordinate} {length(at)}
                    {now ? ' (now)' : ''}
                  </td>
                  <td className="number">{figure(home.damper.ratio, 3)}</td>
                  <td className="number">
                    {home.toArm === null ? '–' : `${figure(home.toArm, 1)}°`}
                  </td>
                  <td className="number">{bump === null ? '–' : length(bump)}</td>
                  <td className="number">{droop === null ? '–' : length(droop)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Said>
            Each hole alone, the rest as it is; lengths are the damper’s. What holes of the arms do
            to camber, roll centre and anti-dive stands with the arms.
          </Said>
        </Section>
      )}
    </>
  );
}

const LINK = {
  all: 'unset',
  cursor: 'pointer',
  textDecoration: 'underline',
} as const;

/** What ends one way first, against what is wanted. */
function EndLine({
  way,
  end,
  wanted,
  looked,
  unit,
}: {
  way: 'bump' | 'droop';
  end: TravelEnd | null;
  wanted: number;
  looked: number;
  unit: DamperPartProps['unit'];
}) {
  if (!end)
    return (
      <Typography variant="body2">
        Nothing that is known ends the {way} within {lengthIn(looked, unit)}.
      </Typography>
    );
  const has = Math.abs(end.travel);
  const short = has < wanted - 0.5;
  return (
    <Typography
      variant="body2"
      data-way={way}
      sx={{ fontWeight: 600, color: short ? VERDICT.bad : VERDICT.good }}
    >
      {short ? '✕' : '✓'} {capital(way)} ends at {lengthIn(has, unit, 1)}
      {short ? ` of ${lengthIn(wanted, unit)} wanted` : ''}: {end.what}.
    </Typography>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** How far each joint of the damper articulates, degrees, and how far it may. */
const eyesOf = (build: DamperPartProps['build'], wheel: Wheel) =>
  Object.entries(articulationsOf(wheel) ?? {}).flatMap(([name, { angle }]) =>
    wheel.type.points[name].ofDamper
      ? [{ name, angle, limit: jointLimit(build, wheel, name) }]
      : [],
  );

/** The half-shaft at the travels of some rows; null where there is none. */
function shaftRows({ design, corner }: Wheel, rows: readonly DamperRow[]) {
  const { halfShaft } = design;
  if (!halfShaft || !corner) return null;
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (!corner.corner.pose(0, 0, upright)) return null;
  const home = shaftAt(halfShaft, upright).length;
  return rows.map(({ travel }) => {
    corner.corner.pose(travel, 0, upright);
    const { length, innerBend, outerBend } = shaftAt(halfShaft, upright);
    return { longer: length - home, inner: innerBend, outer: outerBend };
  });
}
