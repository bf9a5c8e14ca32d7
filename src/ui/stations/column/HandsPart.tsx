'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { KNUCKLES, LEG, UNDER_HOOPS, handsOf } from '@/core/column/driver';
import type { Hands } from '@/core/column/driver';
import { driverSchema, handwheelSchema } from '@/core/model/column';
import type { Driver } from '@/core/model/column';
import { fitOf } from '@/core/model/parts';
import { lengthIn, printLength } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate } from '@/core/model/wording';
import { judgeRoom } from '@/core/verdict/verdicts';
import type { Verdict } from '@/core/verdict/verdicts';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { FromShelf } from '../../shelf/FromShelf';
import { VerdictMark } from '../../verdict';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { FIELD, FitFields, PlaceFields, Row } from './fields';
import type { PartProps } from './parts';

const SIDE = [
  ['eye', 'eye'],
  ['sight', 'has to see'],
  ['shoulder', 'shoulder'],
  ['hip', 'hip'],
  ['knee', 'knee'],
  ['heel', 'heel'],
  ['toe', 'toe'],
  ['helmet', 'helmet’s top'],
  ['frontHoop', 'front hoop’s top'],
  ['mainHoop', 'main hoop’s top'],
] as const satisfies readonly (readonly [keyof Driver, string])[];

/** The handwheel and who holds it: reach, rake, legs, sight, helmet. */
export function HandsPart({ column, unit, onColumn }: PartProps) {
  const { wheel, driver } = column;
  const hands = useMemo(() => handsOf(column), [column]);
  const put = (change: (driver: Driver) => void, step?: string) =>
    onColumn((draft) => change((draft.driver ??= { moves: 'seat' })), step);
  return (
    <TwoColumns>
      <div>
        <Section title="Handwheel">
          <Row>
            <PlaceFields
              label="middle"
              place={wheel.centre}
              unit={unit}
              onValue={(way, mm, step) =>
                onColumn((draft) => void (draft.wheel.centre[way] = mm), step)
              }
            />
            {(['diameter', 'rim'] as const).map((key) => (
              <LengthField
                key={key}
                label={key === 'rim' ? 'rim, thick' : key}
                value={wheel[key]}
                unit={unit}
                schema={handwheelSchema.shape[key]}
                onValue={(mm, step) => onColumn((draft) => void (draft.wheel[key] = mm), step)}
                width={FIELD}
              />
            ))}
            {(['flat', 'boss'] as const).map((key) => (
              <LengthField
                key={key}
                label={key === 'flat' ? 'cut off below' : 'boss & quick release'}
                value={wheel[key]}
                unit={unit}
                schema={handwheelSchema.shape[key].unwrap()}
                onValue={(mm, step) => onColumn((draft) => void (draft.wheel[key] = mm), step)}
                placeholder=""
                onClear={(step) => onColumn((draft) => void delete draft.wheel[key], step)}
                width={key === 'flat' ? FIELD + 4 : FIELD + 34}
              />
            ))}
            <FitFields
              label="boss"
              fit={wheel.fit}
              unit={unit}
              onFit={(fit, step) =>
                onColumn((draft) => {
                  if (fit) draft.wheel.fit = fit;
                  else delete draft.wheel.fit;
                }, step)
              }
            />
          </Row>
          <FromShelf
            kind="quickRelease"
            title="A quick release from the shelf"
            onPick={({ length, fit }) =>
              onColumn((draft) => {
                draft.wheel.boss = length;
                draft.wheel.fit = fitOf(fit);
              })
            }
          />
        </Section>
        <Section title="Who drives">
          <Choice
            label="What is moved to fit"
            value={driver?.moves ?? ('' as Driver['moves'])}
            options={['seat', 'wheel and pedals'] as const}
            words={{ seat: 'the seat moves', 'wheel and pedals': 'handwheel and pedals move' }}
            onPick={(moves) => put((draft) => void (draft.moves = moves))}
          />
          <Row>
            <LengthField
              label="seat’s middle, left"
              value={driver?.left}
              placeholder={driver ? 'as handwheel' : ''}
              unit={unit}
              schema={coordinate}
              onValue={(mm, step) => put((draft) => void (draft.left = mm), step)}
              onClear={(step) => put((draft) => void delete draft.left, step)}
              width={FIELD + 22}
            />
            {(['arm', 'kneesApart', 'leg', 'knuckles'] as const).map((key) => (
              <LengthField
                key={key}
                label={MEASURES[key].label}
                value={driver?.[key]}
                placeholder={
                  MEASURES[key].usual === null ? '' : printLength(MEASURES[key].usual, unit)
                }
                unit={unit}
                schema={driverSchema.shape[key].unwrap()}
                onValue={(mm, step) => put((draft) => void (draft[key] = mm), step)}
                onClear={(step) => put((draft) => void delete draft[key], step)}
                width={FIELD + 22}
              />
            ))}
            {SIDE.map(([key, label]) => (
              <Box key={key} sx={{ display: 'flex', gap: 1 }}>
                {(['ahead', 'up'] as const).map((way) => (
                  <LengthField
                    key={way}
                    label={`${label}, ${way}`}
                    value={driver?.[key]?.[way]}
                    unit={unit}
                    schema={coordinate}
                    onValue={(mm, step) =>
                      put((draft) => void ((draft[key] ??= {})[way] = mm), step)
                    }
                    placeholder=""
                    onClear={(step) => put((draft) => void delete draft[key]?.[way], step)}
                    width={FIELD + 34}
                  />
                ))}
              </Box>
            ))}
          </Row>
        </Section>
      </div>
      <div>
        {hands ? (
          <HandsTable hands={hands} unit={unit} />
        ) : (
          <SayFirst onSay={() => put(() => {})} />
        )}
        <Typography variant="caption" component="p" color="text.secondary">
          Seen from the side, in the seat’s middle; legs as round bodies {lengthIn(LEG, unit)}{' '}
          thick, knuckles {lengthIn(KNUCKLES, unit)} outside the rim, a helmet{' '}
          {lengthIn(UNDER_HOOPS, unit)} under the line of the hoops: common practice, from memory;
          the rules of a series and of the country say. Sit in it, strapped, helmet on, before
          anything is welded.
        </Typography>
      </div>
    </TwoColumns>
  );
}

const MEASURES = {
  arm: { label: 'shoulder to wrist', usual: null },
  kneesApart: { label: 'knees apart', usual: 0 },
  leg: { label: 'leg, thick', usual: LEG },
  knuckles: { label: 'knuckles outside', usual: KNUCKLES },
} as const;

const SayFirst = ({ onSay }: { onSay: () => void }) => (
  <>
    <Typography variant="body2">
      Nothing is said yet of who drives: legs, sight and helmet cannot be looked at.
    </Typography>
    <Button size="small" onClick={onSay}>
      Say who drives
    </Button>
  </>
);

const SIGHT_WORDS = {
  over: 'over the rim',
  through: 'through the rim',
  rim: 'against the rim',
  boss: 'against the boss',
  beside: 'beside the rim',
} as const;

/** What handwheel and body come to; what is not said is asked for. */
function HandsTable({ hands, unit }: { hands: Hands; unit: LengthUnit }) {
  const { rake, offset, legs, wrist, sight, helmet } = hands;
  const mm = (value: number) => lengthIn(Math.abs(value), unit, 0);
  const clear = (value: number) => (value < 0 ? `${mm(value)} into` : `${mm(value)} from`);
  const rows: [what: string, figure: string, verdict: Verdict | null][] = [
    ['first shaft falls from level by', `${rake.toFixed(1)}°`, null],
    [
      'handwheel off the seat’s middle',
      Math.abs(offset) < 0.5 ? 'in line' : `${mm(offset)} ${offset > 0 ? 'left' : 'right'}`,
      null,
    ],
    legs
      ? [
          'knuckles and legs, wheels straight',
          `${clear(legs.straight.clearance)} the ${legs.straight.to}`,
          judgeRoom(legs.straight.clearance, 0),
        ]
      : ['knuckles and legs', 'say hip, knee and heel', null],
    ...(legs
      ? [
          [
            'the same at a quarter turn',
            `${clear(legs.quarter.clearance)} the ${legs.quarter.to}`,
            judgeRoom(legs.quarter.clearance, 0),
          ] as [string, string, Verdict],
        ]
      : []),
    wrist === null
      ? ['wrist over the rim’s top', 'say shoulder and arm', null]
      : [
          'wrist over the rim’s top, shoulders back',
          wrist < 0 ? `${mm(wrist)} short` : `reaches, ${mm(wrist)} over`,
          wrist < 0 ? 'look again' : 'accept',
        ],
    sight === null
      ? ['line of sight', 'say eye and what has to be seen, past the handwheel', null]
      : [
          'line of sight',
          `${SIGHT_WORDS[sight.passes]}${sight.by > 0 ? `, ${mm(sight.by)} clear` : ''}`,
          sight.passes === 'rim' || sight.passes === 'boss' ? 'look again' : 'accept',
        ],
    helmet === null
      ? ['helmet under the hoops', 'say helmet and both hoops', null]
      : [
          'helmet under the line of the hoops',
          helmet < 0 ? `${mm(helmet)} over it` : mm(helmet),
          judgeRoom(helmet, UNDER_HOOPS),
        ],
  ];
  return (
    <Table aria-label="Handwheel and driver">
      <thead>
        <tr>
          <th scope="col">in the seat</th>
          <th scope="col" className="number">
            figure
          </th>
          <th scope="col">verdict</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([what, figure, verdict]) => (
          <tr key={what} data-hands={what}>
            <th scope="row" style={{ fontWeight: 400 }}>
              {what}
            </th>
            <td className="number" style={{ whiteSpace: 'normal' }}>
              {figure}
            </td>
            <td>{verdict ? <VerdictMark verdict={verdict} /> : '–'}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
