'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { LengthUnit } from '@/core/model/units';
import { lengthIn, printLength, readable, saidIn, unitName } from '@/core/model/units';
import { coordinate, label, tolerance } from '@/core/model/wording';
import type { Adjusted } from '@/core/takeoff/network';
import { takeOffOf } from '@/core/model/takeOff';
import type { Mark } from '@/core/model/takeOff';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER, VERDICT } from '../../theme';
import { MarkTapes } from './MarkTapes';
import { Table } from '../../fields/Table';
import type { StationProps } from './TakeOff';

const nameSchema = label();
const toleranceSchema = tolerance('mm', 100);
const AXES = ['ahead', 'left', 'up'] as const;
const WORDS = { ahead: 'ahead', left: 'left of centre', up: 'up' };

interface Props extends StationProps {
  network: Adjusted | null;
}

/** Datum marks: what is known of each, and what the tapes between them make of the rest. */
export function Marks(props: Props) {
  const { build, unit, network, onTakeOff } = props;
  const takeOff = takeOffOf(build);
  const { marks, measured } = takeOff;
  const edit = (i: number, act: (mark: Mark) => void, step?: string) =>
    onTakeOff((draft) => act(draft.marks[i]), step);
  const used = (id: string) =>
    measured.some((m) => m.method === 'distances' && m.tapes.some(({ mark }) => mark === id));
  const add = () =>
    onTakeOff((draft) => {
      const first = draft.marks.length === 0;
      draft.marks.push({
        id: crypto.randomUUID(),
        name: nextName(draft.marks),
        ahead: 0,
        left: 0,
        up: first ? 150 : 0,
        known: { ahead: first, left: first, up: first },
      });
    });
  return (
    <Box>
      <Typography variant="body2" sx={{ mb: 1, maxWidth: 760 }}>
        Scribe or punch a few marks on the frame. Tick what you know of each; of the rest write
        roughly where it is. A bare frame needs no surface plate: one mark on the centreline, a pair
        that mirrors each other with its height, and tapes between them all.
      </Typography>
      {marks.length > 0 && (
        <Box sx={{ overflowX: 'auto' }} data-sideways>
          <Table aria-label="Datum marks" sx={{ '& tbody td': { py: '8px', px: '3px' } }}>
            <thead>
              <tr>
                <th scope="col">Mark</th>
                {AXES.map((axis) => (
                  <th key={axis} scope="col">
                    {WORDS[axis]}, known?
                  </th>
                ))}
                <th scope="col">± of what is known</th>
                <th scope="col">mirrors</th>
                <th scope="col" className="number">
                  placed at ({unitName(unit)})
                </th>
                <th scope="col" className="number">
                  ±
                </th>
                <td />
              </tr>
            </thead>
            <tbody>
              {marks.map((mark, i) => (
                <tr key={mark.id} data-mark={mark.name}>
                  <td>
                    <TextLine
                      label="Name"
                      value={mark.name}
                      schema={nameSchema}
                      onValue={(name) => edit(i, (m) => void (m.name = name), `mark-${mark.id}`)}
                      width={76}
                    />
                  </td>
                  {AXES.map((axis) => (
                    <td key={axis} style={{ whiteSpace: 'nowrap' }}>
                      <LengthField
                        label={mark.known[axis] ? axis : `${axis}, roughly`}
                        value={mark[axis]}
                        unit={unit}
                        schema={coordinate}
                        onValue={(mm, step) => edit(i, (m) => void (m[axis] = mm), step)}
                        width={104}
                      />
                      <Checkbox
                        size="small"
                        sx={{ p: 0.25 }}
                        checked={mark.known[axis]}
                        slotProps={{ input: { 'aria-label': `${mark.name}: ${axis} is known` } }}
                        onChange={(event) =>
                          edit(i, (m) => void (m.known[axis] = event.target.checked))
                        }
                      />
                    </td>
                  ))}
                  <td>
                    <LengthField
                      label="±"
                      value={mark.tolerance}
                      placeholder="exact"
                      unit={unit}
                      schema={toleranceSchema}
                      disabled={!AXES.some((axis) => mark.known[axis])}
                      onValue={(mm, step) => edit(i, (m) => void (m.tolerance = mm), step)}
                      onClear={(step) => edit(i, (m) => void delete m.tolerance, step)}
                      width={88}
                    />
                  </td>
                  <td>
                    <TextField
                      select
                      value={mark.mirrors ?? mirrorOf(mark, marks) ?? ''}
                      onChange={(event) =>
                        onTakeOff((draft) => {
                          for (const other of draft.marks)
                            if (other.mirrors === mark.id) delete other.mirrors;
                          if (event.target.value === '') delete draft.marks[i].mirrors;
                          else draft.marks[i].mirrors = event.target.value;
                        })
                      }
                      sx={{ width: 76 }}
                      slotProps={{
                        select: { displayEmpty: true },
                        htmlInput: { 'aria-label': `${mark.name} mirrors` },
                      }}
                    >
                      <MenuItem value="">–</MenuItem>
                      {marks
                        .filter(({ id }) => id !== mark.id)
                        .map(({ id, name }) => (
                          <MenuItem key={id} value={id}>
                            {name}
                          </MenuItem>
                        ))}
                    </TextField>
                  </td>
                  <PlacedCells mark={mark} network={network} unit={unit} />
                  <td>
                    <IconButton
                      size="small"
                      aria-label={`Remove ${mark.name}`}
                      title={used(mark.id) ? 'Points are measured to it' : 'Remove'}
                      disabled={used(mark.id)}
                      onClick={() =>
                        onTakeOff((draft) => {
                          draft.marks.splice(i, 1);
                          draft.between = draft.between.filter(
                            ({ from, to }) => from !== mark.id && to !== mark.id,
                          );
                          for (const other of draft.marks)
                            if (other.mirrors === mark.id) delete other.mirrors;
                        })
                      }
                    >
                      <DeleteIcon fontSize="small" />
                    </IconButton>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      <Button variant="outlined" size="small" onClick={add} sx={{ mt: 1.25 }}>
        Add a mark
      </Button>
      {network && <Verdict network={network} unit={unit} />}
      {marks.length > 1 && <MarkTapes {...props} />}
    </Box>
  );
}

/** The mark that names this one as its mirror image. */
const mirrorOf = (mark: Mark, marks: Mark[]): string | undefined =>
  marks.find(({ mirrors }) => mirrors === mark.id)?.id;

function PlacedCells({
  mark,
  network,
  unit,
}: {
  mark: Mark;
  network: Adjusted | null;
  unit: LengthUnit;
}) {
  const placed = network?.ok ? network.value.marks.find(({ id }) => id === mark.id) : undefined;
  const whole = mark.known.ahead && mark.known.left && mark.known.up;
  const list = (numbers: readonly number[]) =>
    numbers.map((mm) => readable(printLength(Math.round(mm * 10) / 10, unit))).join(',  ');
  return (
    <>
      <td className="number">
        {placed ? list(placed.place) : whole ? list([mark.ahead, mark.left, mark.up]) : ''}
      </td>
      <td className="number">
        {placed ? printLength(Math.round(Math.max(...placed.spread) * 10) / 10, unit) : ''}
      </td>
    </>
  );
}

function Verdict({ network, unit }: { network: Adjusted; unit: LengthUnit }) {
  const lines = network.ok ? network.value.doubts : [network.why];
  return (
    <Box role="status" sx={{ mt: 1, mb: 1, color: lines.length > 0 ? VERDICT.edge : PAPER.ink }}>
      {lines.length === 0 && network.ok
        ? `✓ The tapes agree to ${lengthIn(network.value.misfit, unit, 1)}.`
        : lines.map((line) => <div key={line}>△ {saidIn(line, unit)}.</div>)}
    </Box>
  );
}

/** A, B, C … past Z: A1, B1. */
function nextName(marks: Mark[]): string {
  for (let i = 0; ; i++) {
    const name = String.fromCharCode(65 + (i % 26)) + (i < 26 ? '' : Math.floor(i / 26));
    if (!marks.some((mark) => mark.name === name)) return name;
  }
}
