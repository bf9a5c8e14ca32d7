import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import type { LengthUnit } from '@/core/model/units';
import type { SetNow } from '@/core/setup/book';
import { unitEffects } from '@/core/setup/setting';
import { signed, trackInWords, unitInWords } from '@/core/setup/words';
import { Table } from '../../fields/Table';
import { useAngles } from '../../fields/useAngles';

/** What one unit of every adjuster does, the rest left as it is. */
export function Adjusters({
  wheel,
  now: { setting },
  unit,
}: {
  wheel: Wheel;
  now: SetNow;
  unit: LengthUnit;
}) {
  const said = useAngles();
  const effects = useMemo(() => unitEffects(setting), [setting]);
  const { adjusters } = setting;
  if (adjusters.length === 0)
    return (
      <Typography variant="body2">
        Nothing of this wheel can be set: describe threads of its tubes in Jigs & parts, or what its
        joints may be moved by.
      </Typography>
    );
  const steers = wheel.type.steersAbout !== null;
  return (
    <>
      <Typography variant="body2">
        The wheel put together again with one of them one unit further, at ride height; toe left to
        follow. Track is of both sides alike.
      </Typography>
      <Table aria-label="What each adjuster does">
        <thead>
          <tr>
            <th scope="col">adjuster</th>
            <th scope="col">one unit</th>
            <th scope="col" className="number">
              camber
            </th>
            {steers && (
              <th scope="col" className="number">
                caster
              </th>
            )}
            <th scope="col" className="number">
              toe
            </th>
            <th scope="col" className="number">
              track
            </th>
            {wheel.travels && (
              <th scope="col" className="number">
                bump steer
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {adjusters.map((adjuster, i) => {
            const effect = effects[i];
            return (
              <tr key={adjuster.id} data-adjuster={adjuster.id}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {adjuster.name}
                  {adjuster.assumed && ' (a usual thread: its own is not described)'}
                </th>
                <td>{unitInWords(adjuster)}</td>
                {effect ? (
                  <>
                    <td className="number">{said(signed(effect.camber))}</td>
                    {steers && (
                      <td className="number">
                        {effect.caster === null ? '' : said(signed(effect.caster))}
                      </td>
                    )}
                    <td className="number">{said(signed(effect.toe))}</td>
                    <td className="number">{trackInWords(effect.track, unit)}</td>
                    {wheel.travels && (
                      <td className="number">
                        {effect.bump === null ? '' : said(signed(effect.bump))}
                      </td>
                    )}
                  </>
                ) : (
                  <td colSpan={5}>does not go together then</td>
                )}
              </tr>
            );
          })}
        </tbody>
      </Table>
    </>
  );
}
