import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Adjustment } from '@/core/shop/threads';
import type { Effect } from '@/core/tolerance/adjusters';
import { Table } from '../../fields/Table';
import { Said } from '../damper/parts';

const deg = (value: number | null | undefined): string =>
  value === null || value === undefined
    ? '–'
    : `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(2)}°`;

/** How far a member can be set either way, and what the wheel does then. */
export function SetBy({ adjustment, unit }: { adjustment: Adjustment; unit: LengthUnit }) {
  const { shorter, longer, atShortest, atLongest, perTurn } = adjustment;
  const row = (word: string, by: number, effect: Effect | null) => (
    <tr>
      <th scope="row" style={{ fontWeight: 400 }}>
        {word}
      </th>
      <td className="number">{lengthIn(by, unit, 1)}</td>
      <td className="number">{deg(effect?.toe)}</td>
      <td className="number">{deg(effect?.camber)}</td>
      <td className="number">{deg(effect?.caster)}</td>
    </tr>
  );
  return (
    <>
      <Table aria-label="Range of adjustment">
        <thead>
          <tr>
            <th scope="col">as drawn, then</th>
            {['by', 'toe', 'camber', 'caster'].map((word) => (
              <th key={word} scope="col" className="number">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row('shorter', shorter, atShortest)}
          {row('longer', longer, atLongest)}
        </tbody>
      </Table>
      <Said>
        {perTurn === null
          ? 'It is taken off at one end to be turned.'
          : `A turn of its middle is ${lengthIn(perTurn, unit, 2)}.`}{' '}
        The other lengths stay as they are; exact, the wheel put together again.
      </Said>
    </>
  );
}
