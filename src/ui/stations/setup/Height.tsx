import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { loweringSchema } from '@/core/model/setups';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { lowered } from '@/core/setup/lowered';
import type { AtHeight } from '@/core/setup/lowered';
import { signed } from '@/core/setup/words';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { useAngles } from '../../fields/useAngles';

/** What putting the car lower or higher does to everything, and how bump steer is got back. */
export function Height({ wheel, unit }: { wheel: Wheel; unit: LengthUnit }) {
  const said = useAngles();
  const [by, setBy] = useState(15);
  const asked = useDeferredValue(by);
  const found = useMemo(() => lowered(wheel, asked), [wheel, asked]);
  const length = (mm: number) =>
    readable(unit === 'mm' ? `${mm.toFixed(1)} mm` : lengthIn(mm, unit, 2));
  const rows: [string, (at: AtHeight) => string][] = [
    ['camber', ({ camber }) => said(signed(camber))],
    ['caster', ({ caster }) => (caster === null ? '' : said(signed(caster)))],
    ['toe', ({ toe }) => said(signed(toe))],
    ['track, half of it', ({ contactOut }) => length(contactOut)],
    ['largest change of toe over the travel', ({ bump }) => said(signed(bump))],
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
          {found.cures.length === 0 ? (
            <Typography variant="body2" data-cures="0">
              No height of the rod’s joints leaves less change of toe there.
            </Typography>
          ) : (
            <Box component="section" aria-label="What gets it back" data-cures={found.cures.length}>
              <Typography variant="h3">What gets bump steer back at that height</Typography>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {found.cures.map(({ point, name, by: raise, bump, atEnd }) => (
                  <li key={point}>
                    {name} {length(Math.abs(raise))} {raise > 0 ? 'up' : 'down'}:{' '}
                    {said(signed(bump))} of toe at worst{atEnd && ', at the end of its freedom'}.
                  </li>
                ))}
              </Box>
              <Typography variant="caption" color="text.secondary">
                Each worked out by itself on the lowered wheel, the rod set to length again.
              </Typography>
            </Box>
          )}
        </>
      )}
    </Box>
  );
}
