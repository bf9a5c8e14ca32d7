'use client';

import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { cutList } from '@/core/column/cutList';
import { misfitsOf } from '@/core/column/fits';
import { jointName } from '@/core/column/places';
import { columnShaftSchema } from '@/core/model/column';
import { fitOf } from '@/core/model/parts';
import type { ColumnShaft } from '@/core/model/column';
import { lengthIn, saidIn } from '@/core/model/units';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import { TwoColumns } from '../steering/TwoColumns';
import { FirewallPart } from './FirewallPart';
import { FIELD, FitFields, Row } from './fields';
import type { PartProps } from './parts';

const { outside, wall, slip, assist } = columnShaftSchema.shape;
const ASSIST = { along: 150, length: 120, outside: 110 };

/** What is cut, to what length, how deep it goes in, and the firewall's hole and plate. */
export function CutPart(props: PartProps) {
  const { column, unit, onColumn } = props;
  const list = useMemo(() => cutList(column), [column]);
  const misfits = misfitsOf(column);
  const straight = column.joints.length === 1 && !column.shafts.some(({ collapses }) => collapses);
  const mm = (value: number) => lengthIn(value, unit, 1);
  const put = (i: number, change: (draft: ColumnShaft) => void, step?: string) =>
    onColumn((draft) => change(draft.shafts[i]), step);
  return (
    <>
      <Table aria-label="Cut list">
        <thead>
          <tr>
            <th scope="col">shaft</th>
            {['centres', 'cut', 'in above', 'in below', 'clocked', 'free'].map((word) => (
              <th key={word} scope="col" className="number">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {list.map((one, i) => (
            <tr key={one.name} data-cut={one.name}>
              <th scope="row" style={{ fontWeight: 400 }}>
                {one.name}, {mm(column.shafts[i].outside)}
                {column.shafts[i].wall !== undefined && ` x ${mm(column.shafts[i].wall)}`}
                {one.engaged > 0 && `; two pieces, ${mm(one.engaged)} in each other`}
              </th>
              <td className="number">{mm(one.centres)}</td>
              <td className="number">
                <b>{mm(one.cut)}</b>
              </td>
              <td className="number">{mm(one.above)}</td>
              <td className="number">{mm(one.below)}</td>
              <td className="number">{i === 0 ? '–' : `${one.clock.toFixed(1)}°`}</td>
              <td className="number">{mm(one.free)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary" sx={{ mb: 1.5 }}>
        Cut: end to end, or weld to weld, with what goes into joints and boss, and what a joint that
        was not fully on lets it go further in. Centres: middle to middle; shaft 1 from the
        handwheel’s. Free: the longest stretch without a bearing. Pinch bolts to their full depth;
        set screws in a dimple, locked. Fit it dry before it is welded, by who may.
      </Typography>
      {straight && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ One shaft and nothing that gives way: a spear in a frontal crash. Break its line with a
          joint, or use a shaft that collapses.
        </Typography>
      )}
      {misfits.map(({ where, why }) => (
        <Typography key={where} variant="body2" sx={{ color: VERDICT.bad }} data-misfit={where}>
          ✕ {where}: {saidIn(why, unit)}
        </Typography>
      ))}
      <TwoColumns>
        <div>
          {column.shafts.map((shaft, i) => (
            <Section
              key={i}
              title={`Shaft ${i + 1}, ${i === 0 ? 'handwheel' : jointName(column.joints, i - 1)} to ${jointName(column.joints, i)}`}
            >
              <Row>
                <LengthField
                  label="across"
                  value={shaft.outside}
                  unit={unit}
                  schema={outside}
                  onValue={(value, step) => put(i, (draft) => void (draft.outside = value), step)}
                  width={FIELD - 8}
                />
                <LengthField
                  label="wall, if a tube"
                  value={shaft.wall}
                  unit={unit}
                  schema={wall.unwrap()}
                  onValue={(value, step) => put(i, (draft) => void (draft.wall = value), step)}
                  placeholder=""
                  onClear={(step) => put(i, (draft) => void delete draft.wall, step)}
                  width={FIELD + 8}
                />
                <Toggle
                  label="telescopes"
                  on={shaft.slip !== undefined}
                  onSwitch={(on) =>
                    put(i, (draft) => {
                      if (on) draft.slip = { engaged: 50, least: 30 };
                      else delete draft.slip;
                    })
                  }
                />
                {shaft.slip &&
                  (['engaged', 'least'] as const).map((key) => (
                    <LengthField
                      key={key}
                      label={key === 'engaged' ? 'in itself now' : 'to stay in, least'}
                      value={shaft.slip?.[key]}
                      unit={unit}
                      schema={slip.unwrap().shape[key]}
                      onValue={(value, step) =>
                        put(
                          i,
                          (draft) => {
                            if (draft.slip) draft.slip[key] = value;
                          },
                          step,
                        )
                      }
                      width={FIELD + 12}
                    />
                  ))}
                <Toggle
                  label="gives way in a crash"
                  on={shaft.collapses ?? false}
                  onSwitch={(on) => put(i, (draft) => void (draft.collapses = on))}
                />
                <Toggle
                  label="a motor helps on it"
                  on={shaft.assist !== undefined}
                  onSwitch={(on) =>
                    put(i, (draft) => {
                      if (on) draft.assist = { ...ASSIST };
                      else delete draft.assist;
                    })
                  }
                />
                {shaft.assist &&
                  (['along', 'length', 'outside'] as const).map((key) => (
                    <LengthField
                      key={key}
                      label={ASSIST_WORDS[key]}
                      value={shaft.assist?.[key]}
                      unit={unit}
                      schema={assist.unwrap().shape[key]}
                      onValue={(value, step) =>
                        put(
                          i,
                          (draft) => {
                            if (draft.assist) draft.assist[key] = value;
                          },
                          step,
                        )
                      }
                      width={FIELD + 30}
                    />
                  ))}
                {(['above', 'below'] as const).map((end) => (
                  <FitFields
                    key={end}
                    label={`its ${end === 'above' ? 'upper' : 'lower'} end`}
                    fit={shaft[end]}
                    unit={unit}
                    onFit={(fit, step) =>
                      put(
                        i,
                        (draft) => {
                          if (fit) draft[end] = fit;
                          else delete draft[end];
                        },
                        step,
                      )
                    }
                  />
                ))}
              </Row>
              <FromShelf
                kind="columnShaft"
                title={`Take shaft ${i + 1} from the shelf`}
                onPick={({ outside: across, wall: thick, engaged, least, above, below }) =>
                  put(i, (draft) => {
                    Object.assign(draft, { outside: across, wall: thick });
                    Object.assign(draft, { above: fitOf(above), below: fitOf(below) });
                    if (engaged > 0) draft.slip = { engaged, least };
                    else delete draft.slip;
                  })
                }
              />
              <FromShelf
                kind="coupler"
                title={`A coupler below shaft ${i + 1}`}
                onPick={({ below }) => put(i, (draft) => void (draft.below = fitOf(below)))}
              />
              <FromShelf
                kind="assistMotor"
                title={`A motor on shaft ${i + 1}`}
                onPick={({ length, outside: across, above, below, torque, name }) =>
                  put(i, (draft) => {
                    draft.assist = {
                      ...{ along: Math.round(list[i].centres / 2), length, outside: across },
                      bracket: `${name}, ${torque} N·m`,
                    };
                    Object.assign(draft, { above: fitOf(above), below: fitOf(below) });
                  })
                }
              />
              {shaft.assist && (
                <Typography variant="caption" component="p" color="text.secondary">
                  Its housing wants a bracket of its own that takes all of its torque: without it
                  the motor turns itself and not the shaft.
                </Typography>
              )}
            </Section>
          ))}
        </div>
        <FirewallPart {...props} />
      </TwoColumns>
    </>
  );
}

const ASSIST_WORDS = {
  along: 'motor’s middle, down',
  length: 'motor, long',
  outside: 'motor, across',
} as const;
