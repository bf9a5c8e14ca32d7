'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { distance } from '@/core/geometry/vec';
import { LARGEST_FILE, tooLarge } from '@/core/file/buildFile';
import type { PointRow } from '@/core/file/pointsCsv';
import { counted } from '@/core/model/wording';
import { askWhere } from '../../points/previewStore';
import { kingpinOf, pointNames, uprightPoints } from '@/core/corners/kinds';
import { toVec } from '@/core/model/points';
import { pointLabel } from '@/core/model/labels';
import type { Point, PointName } from '@/core/model/points';
import { UPRIGHT_JOINTS } from '@/core/model/parts';
import { describeProblems } from '@/core/model/problems';
import { printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { isMeasured, recordOf, takeOffOf } from '@/core/model/takeOff';
import { isInConflict } from '@/core/takeoff/measured';
import type { PlaceRead } from '@/core/takeoff/measured';
import type { Reader } from '@/core/takeoff/places';
import { USUAL } from '@/core/model/takeOff';
import type { Measured } from '@/core/model/takeOff';
import { putMeasured } from '@/core/takeoff/symmetry';
import { pickText } from '../../download';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { NARROW, PAPER, VERDICT } from '../../theme';
import { tolerance } from '@/core/model/wording';
import { useStable } from '../../useStable';
import { AskFirst } from './AskFirst';
import { RecordEditor } from './RecordEditor';
import type { StationProps } from './TakeOff';
import { UprightFromShelf } from './UprightFromShelf';

interface Props extends StationProps {
  reader: Reader;
}

const HOW: Record<Measured['method'], string> = {
  direct: 'tape',
  distances: 'distances',
  bench: 'bench',
};

/** A place nearer to the model than this is in it, mm: a tape reads no finer. */
const IN_MODEL = 0.2;

/** The wanted points of one wheel and how each was measured. */
export function Points(props: Props) {
  const { build, wheel, unit, reader, onEdit, onTakeOff } = props;
  const { axle, side, design, points, type } = wheel;
  const { enqueueSnackbar } = useSnackbar();
  const [picked, setChosen] = useState<PointName | null>(null);
  const takeOff = takeOffOf(build);
  // What is measured first: the lower end of what the wheel steers about, where that is a joint of the upright.
  const first = kingpinOf(type)?.[0] ?? uprightPoints(type)[0] ?? pointNames(type)[0];
  const chosen = picked !== null && picked in points ? picked : first;
  const rows = pointNames(type).map((point) => {
    const record = recordOf(takeOff, axle, side, point);
    return { point, record, place: record ? reader.read(record) : null };
  });
  const off = rows.filter(
    ({ point, place }) => place?.ok && apart(place.point, points[point]) > IN_MODEL,
  ).length;
  const disputed = rows.flatMap(({ point, place }) =>
    place?.ok && isInConflict(place)
      ? [`${pointLabel(design, point)}, ±${largest(place.spread, unit)} ${unitName(unit)}`]
      : [],
  );
  const [asking, setAsking] = useState(false);
  const putIn = () => {
    setAsking(false);
    onEdit((draft) => putMeasured(draft, axle, side));
  };
  const measuredOn = (other: 'left' | 'right') =>
    takeOff.measured.some((m) => m.axle === axle && m.side === other && isMeasured(m));
  const both = measuredOn('left') && measuredOn('right');

  const importCsv = async () => {
    const file = await pickText('.csv,.txt,.tsv', LARGEST_FILE);
    if (file.ok) readRows(file.text);
    else enqueueSnackbar(tooLarge(file.size), { variant: 'error' });
  };
  const readRows = (text: string) => {
    const problems = askWhere(text, { design, points, onTake: takeRows });
    if (problems)
      enqueueSnackbar(`Nothing was taken in:\n${describeProblems(problems, 4)}`, {
        variant: 'error',
        style: { whiteSpace: 'pre-line' },
      });
  };
  const takeRows = (rows: PointRow[]) => {
    onTakeOff((draft) => {
      for (const { name, point, tolerance: given } of rows) {
        const at = (value: number) => ({ value, tolerance: given ?? USUAL.tape });
        draft.measured = draft.measured.filter(
          (m) => !(m.axle === axle && m.side === side && m.point === name),
        );
        draft.measured.push({
          axle,
          side,
          point: name,
          method: 'direct',
          ahead: at(point.ahead),
          out: at(point.out),
          up: at(point.up),
        });
      }
    });
    enqueueSnackbar(`${counted(rows.length, 'joint')} taken in as measured.`);
  };

  const readPaste = useStable((event: ClipboardEvent) => {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    // A table with its heading; a single value belongs to the field it lands in.
    if (!/[\r\n]/u.test(text.trim()) || !/[\t,;]/u.test(text)) return;
    event.preventDefault();
    readRows(text);
  });
  useEffect(() => {
    document.addEventListener('paste', readPaste);
    return () => document.removeEventListener('paste', readPaste);
  }, [readPaste]);

  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr) 344px',
        gap: 2.5,
        [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
      }}
    >
      <div>
        <Table aria-label="Measured points">
          <thead>
            <tr>
              <th scope="col">Point</th>
              <th scope="col">How</th>
              <th scope="col" className="number">
                ahead, out, up ({unitName(unit)})
              </th>
              <th scope="col" className="number">
                ±
              </th>
              <th scope="col">In the model?</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ point, record, place }) => (
              <tr key={point} data-measured={point} aria-selected={point === chosen}>
                <th scope="row">
                  <RowButton type="button" onClick={() => setChosen(point)}>
                    {pointLabel(design, point)}
                  </RowButton>
                </th>
                <td>{record ? HOW[record.method] : <Soft>as drawn</Soft>}</td>
                <td className="number">
                  {place === null ? (
                    <Soft>{show(points[point], unit)}</Soft>
                  ) : place.ok ? (
                    show(place.point, unit)
                  ) : place.waits ? (
                    <Soft>{show(points[point], unit)}</Soft>
                  ) : (
                    <Bad>no place</Bad>
                  )}
                </td>
                <td className="number">
                  {place === null || (!place.ok && place.waits) ? (
                    <Soft>{printLength(takeOff.placing, unit)}</Soft>
                  ) : place.ok ? (
                    largest(place.spread, unit)
                  ) : (
                    ''
                  )}
                </td>
                <td>{place && <State place={place} model={points[point]} unit={unit} />}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5, alignItems: 'center' }}>
          {both ? (
            <Typography variant="body2">
              Both sides are measured: “Left against right” puts them into the model.
            </Typography>
          ) : (
            <Button
              variant="contained"
              disabled={off === 0}
              onClick={() => (disputed.length > 0 ? setAsking(true) : putIn())}
            >
              {off === 0 ? 'The model has them all' : `Put ${off} into the model`}
            </Button>
          )}
          <AskFirst points={asking ? disputed : null} onYes={putIn} onNo={() => setAsking(false)} />
          <Button onClick={() => void importCsv()}>Read a CSV</Button>
          {UPRIGHT_JOINTS.every((name) => name in points) && <UprightFromShelf {...props} />}
          <Box sx={{ flex: 1 }} />
          <LengthField
            label="± of what is drawn"
            value={takeOff.placing}
            unit={unit}
            schema={placingSchema}
            onValue={(mm, step) => onTakeOff((draft) => void (draft.placing = mm), step)}
            width={140}
          />
        </Box>
        <Typography variant="caption" color="text.secondary" component="p">
          Paste works too: first line point,ahead_mm,out_mm,up_mm and, if you like, tolerance_mm. A
          ± is what 19 readings in 20 stay within. Points that are drawn count as placed within the
          ± beside them.
        </Typography>
      </div>
      <RecordEditor
        {...props}
        key={`${axle} ${side} ${chosen}`}
        point={chosen}
        place={rows.find(({ point }) => point === chosen)?.place ?? null}
      />
    </Box>
  );
}

const placingSchema = tolerance('mm', 100);

const apart = (a: Point, b: Point): number => distance(toVec(a), toVec(b));

const show = ({ ahead, out, up }: Point, unit: LengthUnit): string =>
  [ahead, out, up].map((mm) => readable(printLength(Math.round(mm * 10) / 10, unit))).join(',  ');

const largest = ({ ahead, out, up }: Point, unit: LengthUnit): string => {
  const mm = Math.max(ahead, out, up);
  return printLength(Math.round(mm * 10) / 10, unit);
};

function State({ place, model, unit }: { place: PlaceRead; model: Point; unit: LengthUnit }) {
  if (!place.ok) return place.waits ? <Soft>still to be typed</Soft> : <Bad>✕ not yet</Bad>;
  const off = apart(place.point, model);
  return (
    <>
      {off <= IN_MODEL ? (
        <span style={{ color: VERDICT.good }}>✓ yes</span>
      ) : (
        <span>{printLength(Math.round(off * 10) / 10, unit)} off</span>
      )}
      {place.doubts.length > 0 && (
        <span style={{ color: VERDICT.edge, fontWeight: 600 }}> + doubt</span>
      )}
    </>
  );
}

const RowButton = styled('button')({
  all: 'unset',
  cursor: 'pointer',
  whiteSpace: 'nowrap',
  '&:focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 2 },
  'tr[aria-selected="true"] &': { fontWeight: 600 },
});
const Soft = styled('span')({ color: PAPER.soft });
const Bad = styled('span')({ color: VERDICT.bad });
