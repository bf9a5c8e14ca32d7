'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { HOLE_ROOM, throughFirewall } from '@/core/column/firewall';
import { placesOf, shaftLinesOf, tidyPlace } from '@/core/column/places';
import { shaftName } from '@/core/column/clearance';
import { add, scale } from '@/core/geometry/vec';
import { firewallSchema } from '@/core/model/column';
import type { Column } from '@/core/model/column';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField } from '../../fields/NumberField';
import { FiguresTable } from '../../fields/FiguresTable';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import { FIELD, PlaceFields, Row } from './fields';
import type { PartProps } from './parts';

type Firewall = NonNullable<Column['firewall']>;

const ROOM = { left: 100, right: 100, up: 100, down: 100 };
const PLATE = { width: 120, height: 120, inset: 12, bolt: 6 };
const { lean, turn, thickness, hole, room, plate } = firewallSchema.shape;

/** The plate between driver and engine: its hole, its bolts, and the joints on either side. */
export function FirewallPart({ column, unit, onColumn }: PartProps) {
  const { firewall } = column;
  const through = useMemo(() => throughFirewall(column), [column]);
  const put = (change: (draft: Firewall) => void, step?: string) =>
    onColumn((draft) => {
      if (draft.firewall) change(draft.firewall);
    }, step);
  if (!firewall)
    return (
      <Section title="Firewall">
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            onColumn((draft) => {
              const lines = shaftLinesOf(placesOf(draft));
              const { from, way, length } = lines[Math.max(0, draft.joints.length - 1)];
              draft.firewall = {
                at: tidyPlace(add(from, scale(way, length / 2))),
                lean: 0,
                turn: 0,
                thickness: 2,
              };
            })
          }
        >
          Add the firewall
        </Button>
      </Section>
    );
  return (
    <Section title="Firewall">
      <Row>
        <PlaceFields
          label="a place of it"
          place={firewall.at}
          unit={unit}
          onValue={(way, mm, step) => put((draft) => void (draft.at[way] = mm), step)}
        />
        <AngleField
          label="top leans back"
          value={firewall.lean}
          schema={lean}
          onValue={(value, step) => put((draft) => void (draft.lean = value), step)}
          width={FIELD + 8}
        />
        <AngleField
          label="left edge ahead"
          value={firewall.turn}
          schema={turn}
          onValue={(value, step) => put((draft) => void (draft.turn = value), step)}
          width={FIELD + 8}
        />
        <LengthField
          label="thick"
          value={firewall.thickness}
          unit={unit}
          schema={thickness}
          onValue={(value, step) => put((draft) => void (draft.thickness = value), step)}
          width={FIELD - 14}
        />
        <LengthField
          label="hole, as drilled"
          value={firewall.hole}
          unit={unit}
          schema={hole.unwrap()}
          onValue={(value, step) => put((draft) => void (draft.hole = value), step)}
          placeholder=""
          onClear={(step) => put((draft) => void delete draft.hole, step)}
          width={FIELD + 12}
        />
        {(['left', 'right', 'up', 'down'] as const).map((way) => (
          <LengthField
            key={way}
            label={`hole may go ${way}`}
            value={firewall.room?.[way]}
            unit={unit}
            schema={room.unwrap().shape[way]}
            onValue={(value, step) =>
              put((draft) => void ((draft.room ??= { ...ROOM })[way] = value), step)
            }
            placeholder=""
            onClear={(step) => put((draft) => void delete draft.room, step)}
            width={FIELD + 26}
          />
        ))}
        {(['width', 'height', 'inset', 'bolt'] as const).map((key) => (
          <LengthField
            key={key}
            label={PLATE_WORDS[key]}
            value={firewall.plate?.[key]}
            unit={unit}
            schema={plate.unwrap().shape[key]}
            onValue={(value, step) =>
              put((draft) => void ((draft.plate ??= { ...PLATE })[key] = value), step)
            }
            placeholder=""
            onClear={(step) => put((draft) => void delete draft.plate, step)}
            width={FIELD + 12}
          />
        ))}
        <Button size="small" onClick={() => onColumn((draft) => void delete draft.firewall)}>
          No firewall
        </Button>
      </Row>
      {through ? (
        <Hole through={through} {...{ column, unit }} />
      ) : (
        <Typography variant="body2" role="alert">
          No shaft goes through it: its place is past one end of the column.
        </Typography>
      )}
    </Section>
  );
}

const PLATE_WORDS = {
  width: 'plate, wide',
  height: 'plate, high',
  inset: 'bolts off its edges',
  bolt: 'bolts, across',
} as const;

function Hole({
  through,
  column,
  unit,
}: {
  through: NonNullable<ReturnType<typeof throughFirewall>>;
  column: Column;
  unit: LengthUnit;
}) {
  const mm = (value: number) => lengthIn(value, unit, 1);
  const way = (value: number, plus: string, minus: string) =>
    `${mm(Math.abs(value))} ${value < 0 ? minus : plus}`;
  const { left, up, hole: least, room: play, allowed, bolts, joints } = through;
  return (
    <>
      <FiguresTable
        label="Firewall hole"
        heading={`${shaftName(through.shaft, column.joints.length)} goes through`}
        rows={[
          [
            'hole from the plate’s place',
            `${way(left, 'left', 'right')}, ${way(up, 'up', 'down')}`,
          ],
          ['shaft from square to the plate', `${through.angle.toFixed(1)}°`],
          [
            `least hole, ${mm(HOLE_ROOM)} round the shaft`,
            `${mm(least.least)} x ${mm(least.long)}`,
          ],
          ...(play === null
            ? []
            : ([['room in the hole as drilled', mm(play)]] as [string, string][])),
          ...joints.map(({ name, ahead, gap, passes }): [string, string] => [
            `${name}, ${ahead ? 'outside' : 'inside'}`,
            `${gap < 0 ? `${mm(-gap)} into the plate` : `${mm(gap)} off it`}${passes ? ', passes the hole' : ''}`,
          ]),
        ]}
      />
      {allowed === false && (
        <Typography variant="body2" sx={{ color: VERDICT.bad }}>
          ✕ The hole is not where it may be.
        </Typography>
      )}
      {play !== null && play < 0 && (
        <Typography variant="body2" sx={{ color: VERDICT.bad }}>
          ✕ The shaft does not pass the hole as drilled.
        </Typography>
      )}
      {joints.some(({ gap, passes }) => gap < 0 && !passes) && (
        <Typography variant="body2" sx={{ color: VERDICT.bad }}>
          ✕ A joint stands in the plate.
        </Typography>
      )}
      {bolts.length > 0 && (
        <Table aria-label="Bolts of the plate">
          <thead>
            <tr>
              <th scope="col">bolts, from the hole’s middle</th>
              <th scope="col" className="number">
                to the left
              </th>
              <th scope="col" className="number">
                up the plate
              </th>
            </tr>
          </thead>
          <tbody>
            {bolts.map(([x, y], i) => (
              <tr key={i}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  bolt {i + 1}, {mm(column.firewall?.plate?.bolt ?? 0)}
                </th>
                <td className="number">{mm(x)}</td>
                <td className="number">{mm(y)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </>
  );
}
