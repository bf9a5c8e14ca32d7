'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { pedalsOff } from '@/core/column/driver';
import { wantedOf } from '@/core/column/measure';
import { startingRoom } from '@/core/model/room';
import type { Room } from '@/core/model/room';
import { driverSchema } from '@/core/model/column';
import { PLACE_WAYS } from '@/core/model/place';
import { lengthIn } from '@/core/model/units';
import { judgeRoom } from '@/core/verdict/verdicts';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VerdictMark } from '../../verdict';
import { useStable } from '../../useStable';
import { Bodies } from '../arms/Bodies';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { FIELD, PlaceFields, Row } from './fields';
import type { PartProps } from './parts';

const size = driverSchema.shape.pedals.unwrap().shape.size.shape;
/** Rows of the tightest shown. */
const MOST = 12;

/** The pedals' box, the bodies of the room, and how near the column comes to each. */
export function PedalsPart({ build, column, measured, unit, onColumn, onEdit }: PartProps) {
  const { driver } = column;
  const pedals = driver?.pedals;
  const off = pedalsOff(column);
  const { clear } = wantedOf(column);
  const handleRoom = useStable((change: (room: Room) => void, step?: string) =>
    onEdit((draft) => {
      draft.room ??= startingRoom();
      change(draft.room);
    }, step),
  );
  return (
    <TwoColumns>
      <div>
        <Section title="Pedals">
          {pedals ? (
            <Row>
              <PlaceFields
                label="box’s middle"
                place={pedals.middle}
                unit={unit}
                onValue={(way, mm, step) =>
                  onColumn((draft) => {
                    if (draft.driver?.pedals) draft.driver.pedals.middle[way] = mm;
                  }, step)
                }
              />
              {PLACE_WAYS.map((way) => (
                <LengthField
                  key={way}
                  label={`box’s size, ${way}`}
                  value={pedals.size[way]}
                  unit={unit}
                  schema={size[way]}
                  onValue={(mm, step) =>
                    onColumn((draft) => {
                      if (draft.driver?.pedals) draft.driver.pedals.size[way] = mm;
                    }, step)
                  }
                  width={FIELD + 40}
                />
              ))}
              <Button
                size="small"
                onClick={() => onColumn((draft) => void delete draft.driver?.pedals)}
              >
                No pedal box
              </Button>
            </Row>
          ) : (
            <Button
              size="small"
              variant="outlined"
              onClick={() =>
                onColumn((draft) => {
                  const { ahead, left } = draft.wheel.centre;
                  (draft.driver ??= { moves: 'seat' }).pedals = {
                    middle: { ahead: ahead + 450, left, up: 250 },
                    size: { ahead: 120, left: 260, up: 200 },
                  };
                })
              }
            >
              Add the pedal box
            </Button>
          )}
          {off !== null && Math.abs(off) >= 0.5 && (
            <Typography variant="body2">
              The pedals’ middle is {lengthIn(Math.abs(off), unit)} {off > 0 ? 'left' : 'right'} of
              the handwheel’s.
            </Typography>
          )}
        </Section>
        <Section title="Bodies beside the front wheels, shared with the arms">
          <Bodies
            keepOuts={build.room?.keepOuts}
            axle="front"
            ahead={0}
            unit={unit}
            onRoom={handleRoom}
          />
        </Section>
      </div>
      <div>
        {measured.ok && measured.near.length > 0 ? (
          <Table aria-label="Room round the column">
            <thead>
              <tr>
                <th scope="col">what comes near what</th>
                <th scope="col" className="number">
                  clear
                </th>
                <th scope="col">verdict</th>
              </tr>
            </thead>
            <tbody>
              {measured.near.slice(0, MOST).map(({ what, to, id, clearance }) => (
                <tr key={what + id} data-near={`${what}|${to}`}>
                  <th scope="row" style={{ fontWeight: 400 }}>
                    {what}, {to}
                  </th>
                  <td className="number">
                    {clearance < 0 ? '✕ ' : ''}
                    {lengthIn(clearance, unit, 1)}
                  </td>
                  <td>
                    <VerdictMark verdict={judgeRoom(clearance, clear)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        ) : (
          <Typography variant="body2">
            {measured.ok
              ? 'No body is in the room yet: exhaust, engine mount, frame rail, pedal box.'
              : 'Nothing can be looked at while the column does not turn.'}
          </Typography>
        )}
        <Typography variant="caption" component="p" color="text.secondary">
          Shafts, joints either side of their middles, boxes and motors as round bodies that turn;
          not the arms and tie rods, nor one shaft against another. {lengthIn(clear, unit)} is asked
          of it here (line & joints).
        </Typography>
      </div>
    </TwoColumns>
  );
}
