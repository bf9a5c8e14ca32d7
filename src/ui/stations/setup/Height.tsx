import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { loweringSchema } from '@/core/model/setups';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { lowered } from '@/core/setup/lowered';
import type { AtHeight, HeightCure } from '@/core/setup/lowered';
import { signed } from '@/core/setup/words';
import { finderWorker } from '../../build/finderWorker';
import { useAnswer } from '../../build/useAnswer';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { useAngles } from '../../fields/useAngles';

/** What putting the car lower or higher does to everything, and how bump steer is got back. */
export function Height({ wheel, unit }: { wheel: Wheel; unit: LengthUnit }) {
  const said = useAngles();
  const [by, setBy] = useState(15);
  const asked = useDeferredValue(by);
  const found = useMemo(() => lowered(wheel, asked), [wheel, asked]);
  const length = lengthsIn(unit);
  const rows: [string, (at: AtHeight) => string][] = [
    ['camber', ({ camber }) => said(signed(camber))],
    ['caster', ({ caster }) => (caster === null ? '' : said(signed(caster)))],
    ['toe', ({ toe }) => said(signed(toe))],
    ['track, half of it', ({ contactOut }) => length(contactOut)],
    ['largest change of toe over the travel', ({ bump }) => said(`${bump.toFixed(2)}°`)],
    ['camber per 25 mm of bump', ({ gain }) => (gain === null ? '' : said(signed(gain)))],
    [
      'roll centre above the ground',
      ({ rollCentre }) => (rollCentre === null ? '' : length(rollCentre)),
    ],
  ];
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 760 }}>
      <Typography variant="body2">
        The car on shorter or longer springs: every joint of the chassis comes down about the wheel,
        arms and rod as long as they are. As it is set now.
      </Typography>
      <Box sx={{ pt: 0.5 }}>
        <LengthField
          label="lower by"
          value={by}
          unit={unit}
          schema={loweringSchema}
          onValue={setBy}
        />
      </Box>
      {!found ? (
        <Typography variant="body2" role="status">
          {wheel.alone
            ? `So far the wheel does not go: its travel is ${length(wheel.travel.bump)} up and ${length(wheel.travel.droop)} down.`
            : 'This wheel does not go up and down by itself: its height is not set here.'}
        </Typography>
      ) : (
        <>
          <Table aria-label="At either height">
            <thead>
              <tr>
                <th scope="col">quantity</th>
                <th scope="col" className="number">
                  now
                </th>
                <th scope="col" className="number">
                  then
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(([what, of]) => (
                <tr key={what}>
                  <th scope="row" style={{ fontWeight: 400 }}>
                    {what}
                  </th>
                  <td className="number">{of(found.before)}</td>
                  <td className="number">{of(found.after)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Typography variant="body2">
            {length(found.travel.bump)} of bump and {length(found.travel.droop)} of droop are left,
            as far as stops and damper stay where they are.
          </Typography>
          <Cures wheel={wheel} by={asked} now={found.after} unit={unit} />
        </>
      )}
    </Box>
  );
}

const lengthsIn =
  (unit: LengthUnit) =>
  (mm: number): string =>
    readable(unit === 'mm' ? `${mm.toFixed(1)} mm` : lengthIn(mm, unit, 1));

/** What gets bump steer back there, and what else each of them does. */
function Cures({
  wheel,
  by,
  now,
  unit,
}: {
  wheel: Wheel;
  by: number;
  now: AtHeight;
  unit: LengthUnit;
}) {
  const said = useAngles();
  const asked = useMemo(() => ({ wheel, by }), [wheel, by]);
  const { of: cures, stale } = useAnswer(asked, askCures);
  if (!cures) return <Typography variant="body2">Looking for what gets it back…</Typography>;
  if (cures.length === 0)
    return (
      <Typography variant="body2" data-cures="0">
        No height of the rod’s joints, of brackets or of the upright’s joints leaves less change of
        toe there.
      </Typography>
    );
  const length = lengthsIn(unit);
  const columns: [string, (at: AtHeight) => string][] = [
    ['change of toe', ({ bump }) => said(`${bump.toFixed(2)}°`)],
    ['camber', ({ camber }) => said(signed(camber))],
    ['caster', ({ caster }) => (caster === null ? '' : said(signed(caster)))],
    ['camber per 25 mm', ({ gain }) => (gain === null ? '' : said(signed(gain)))],
    ['roll centre', ({ rollCentre }) => (rollCentre === null ? '' : length(rollCentre))],
  ];
  return (
    <Box
      component="section"
      aria-label="What gets it back"
      data-cures={cures.length}
      sx={{ opacity: stale ? 0.55 : 1 }}
    >
      <Typography variant="h3">What gets bump steer back at that height</Typography>
      <Table aria-label="What gets bump steer back">
        <thead>
          <tr>
            <th scope="col">what is moved</th>
            <th scope="col" className="number">
              by
            </th>
            {columns.map(([what]) => (
              <th key={what} scope="col" className="number">
                {what}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row" style={{ fontWeight: 400 }}>
              nothing
            </th>
            <td />
            {columns.map(([what, of]) => (
              <td key={what} className="number">
                {of(now)}
              </td>
            ))}
          </tr>
          {cures.map(({ points, name, how, by: raise, then, atEnd }) => (
            <tr key={points.join()}>
              <th scope="row" style={{ fontWeight: 400 }}>
                {name}
                <Typography variant="caption" component="div" color="text.secondary">
                  {how}
                  {atEnd && '; at the end of its freedom'}
                </Typography>
              </th>
              <td className="number">
                {length(Math.abs(raise))} {raise > 0 ? 'up' : 'down'}
              </td>
              {columns.map(([what, of]) => (
                <td key={what} className="number">
                  {of(then)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" color="text.secondary" component="p">
        Each by itself on the lowered wheel, arms as long as they are, the rod set to length again,
        measured over the travel that is left; both sides alike. Camber and caster are as they come
        out: set them afterwards. Joints that are fixed are in none of it, nor several at once where
        one has holes or washers. Brackets, pins and uprights carry the wheel: their strength is not
        judged here, and welding them belongs to qualified hands.
      </Typography>
    </Box>
  );
}

const askCures = ({ wheel, by }: { wheel: Wheel; by: number }): Promise<HeightCure[]> =>
  finderWorker().heightCures(wheel.axle, wheel.side, wheel.design, wheel.travel, by);
