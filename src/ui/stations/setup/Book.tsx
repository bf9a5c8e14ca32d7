import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { Build } from '@/core/model/build';
import { fileNameOf } from '@/core/file/buildFile';
import { SET_KINDS, setNoteSchema, setWordsSchema } from '@/core/model/setups';
import type { KeptSet, SetKind } from '@/core/model/setups';
import type { LengthUnit } from '@/core/model/units';
import { counted } from '@/core/model/wording';
import { bankedPlates, bankedSet } from '@/core/setup/banked';
import type { Bank } from '@/core/setup/banked';
import { setFrom, setsDiffer, setupsOf, turnedWheels } from '@/core/setup/book';
import { setSheet, setSheetHeading } from '@/core/setup/setSheet';
import { moveInWords, signed, standsInWords } from '@/core/setup/words';
import { pagesOf } from '@/core/sheets/pages';
import { download } from '../../download';
import { PickOne } from '../../fields/PickOne';
import { Table } from '../../fields/Table';
import { TextLine } from '../../fields/TextLine';
import { Toggle } from '../../fields/Toggle';
import { useAngles } from '../../fields/useAngles';

const DRAWN = 'drawn';
const BANKS: Partial<Record<SetKind, Bank>> = {
  'banked to the left': 'left',
  'banked to the right': 'right',
};

/** Sets of the car: what each is from the drawing, notes, two of them compared, one on a sheet. */
export function Book({
  build,
  unit,
  onEdit,
}: {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const said = useAngles();
  const { sets } = setupsOf(build);
  const wheels = turnedWheels(build);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<SetKind>('road');
  const [turned, setTurned] = useState(true);
  const bank = BANKS[kind] ?? null;
  const plates = useMemo(() => (bank ? bankedPlates(build, bank) : []), [build, bank]);
  const [first, setFirst] = useState(DRAWN);
  const [second, setSecond] = useState('');
  const keep = () => {
    const id = crypto.randomUUID();
    const at = new Date().toISOString();
    const called = name.trim() || `Set ${sets.length + 1}`;
    onEdit((draft) => {
      draft.setups ??= { wheels: [], sets: [] };
      const about = { name: called, kind, note: '' };
      draft.setups.sets.push(
        bank && turned ? bankedSet(build, bank, about, id, at) : setFrom(build, id, about, at),
      );
    });
    setName('');
    setSecond(id);
  };
  const change = (id: string, to: Partial<KeptSet>) =>
    onEdit((draft) => {
      const set = draft.setups?.sets.find((one) => one.id === id);
      if (set) Object.assign(set, to);
    });
  const paper = async (set: KeptSet) => {
    const { pagesPdf } = await import('@/core/sheets/pdf');
    const sheet = setSheet(build, set, unit);
    const heading = setSheetHeading(build, new Date().toISOString());
    const bytes = await pagesPdf(pagesOf(sheet, heading, build.shop?.paper ?? 'A4'), sheet.title);
    download(
      fileNameOf(`${build.name} ${set.name}`, 'pdf'),
      bytes as Uint8Array<ArrayBuffer>,
      'application/pdf',
    );
  };
  const drawn = { wheels: [] };
  const of = (id: string) => sets.find((one) => one.id === id);
  const [a, b] = [first === DRAWN ? drawn : (of(first) ?? drawn), of(second) ?? sets.at(-1)];
  const differs = b ? setsDiffer(build, a, b) : [];
  const pick = (label: string, value: string, onPick: (id: string) => void, bare: boolean) => (
    <PickOne
      label={label}
      value={value}
      options={[
        ...(bare ? [{ value: DRAWN, words: 'as drawn' }] : []),
        ...sets.map(({ id, name: words }) => ({ value: id, words })),
      ]}
      onPick={onPick}
      width={180}
    />
  );
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 860 }}>
      <Box
        component="form"
        aria-label="Keep a set"
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 0.5 }}
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <TextField
          size="small"
          label="Called"
          value={name}
          onChange={(event) => setName(event.target.value.slice(0, 60))}
          sx={{ width: 200 }}
        />
        <PickOne
          label="for"
          value={kind}
          options={SET_KINDS.map((one) => ({ value: one, words: one }))}
          onPick={setKind}
          width={180}
        />
        <Button type="submit" variant="outlined" disabled={sets.length >= 60}>
          Keep the car as it is set now
        </Button>
        <Typography variant="caption" color="text.secondary">
          {wheels.length === 0
            ? 'Nothing was turned yet: that is the car as drawn.'
            : `Set so far: ${counted(wheels.length, 'wheel')}.`}
        </Typography>
      </Box>
      {bank && (
        <Box component="section" aria-label="Plates for the bank">
          {plates.length === 0 ? (
            <Typography variant="body2">
              No joint has a plate that can be turned over: give one that freedom in Arms, and it is
              told here how it goes.
            </Typography>
          ) : (
            <>
              <Typography variant="body2">
                Every top leans to the {bank}, as far as its plates have it (common practice):
              </Typography>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {plates.map(({ axle, side, moves, before, after, untried }) => (
                  <li key={`${axle} ${side}`}>
                    {axle} {side}:{' '}
                    {moves.length === 0
                      ? 'as it is'
                      : moves.map((move) => moveInWords(build[axle]!, move, unit)).join('; ')}
                    {said(
                      `, camber ${signed(before.camber)} → ${signed(after.camber)}, toe ${signed(before.toe)} → ${signed(after.toe)}`,
                    )}
                    {untried > 0 && `; ${counted(untried, 'plate')} not tried`}.
                  </li>
                ))}
              </Box>
              <Toggle label="keep the set with its plates so" on={turned} onSwitch={setTurned} />
              <Typography variant="caption" color="text.secondary" component="p">
                Toe goes with the plates: read and set it again. On a car that turns the other way
                it pulls: off the track for good, back as they were.
              </Typography>
            </>
          )}
        </Box>
      )}
      {sets.length === 0 ? (
        <Typography variant="body2">
          No set yet. One is where every adjuster stands, counted from the drawing.
        </Typography>
      ) : (
        <>
          {sets.map((set) => (
            <Box
              key={set.id}
              data-set={set.name}
              sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}
            >
              <Typography variant="body2" sx={{ width: 220 }}>
                <strong>{set.name}</strong>, {set.kind}, {set.at.slice(0, 10)}
              </Typography>
              <TextLine
                label={`notes, ${set.name}`}
                value={set.note}
                schema={setNoteSchema}
                width={300}
                onValue={(note) => change(set.id, { note })}
              />
              <TextLine
                label={`driver’s words or lap, ${set.name}`}
                value={set.words ?? ''}
                schema={setWordsSchema}
                width={300}
                onValue={(words) => change(set.id, { words })}
              />
              <Button
                size="small"
                onClick={() => void paper(set)}
                aria-label={`Sheet: ${set.name}`}
              >
                Sheet (PDF)
              </Button>
              <Button
                size="small"
                aria-label={`Take away: ${set.name}`}
                onClick={() =>
                  onEdit((draft) => {
                    draft.setups!.sets = draft.setups!.sets.filter((one) => one.id !== set.id);
                  }, 'A set was taken away')
                }
              >
                Take away
              </Button>
            </Box>
          ))}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 1 }}>
            <Typography variant="body2">From</Typography>
            {pick('one set', first, setFirst, true)}
            <Typography variant="body2">to</Typography>
            {pick('another set', b?.id ?? '', setSecond, false)}
          </Box>
          {differs.length === 0 ? (
            <Typography variant="body2" role="status">
              Nothing is set otherwise.
            </Typography>
          ) : (
            <Table aria-label="What two sets differ by">
              <thead>
                <tr>
                  <th scope="col">wheel</th>
                  <th scope="col">adjuster</th>
                  <th scope="col">from</th>
                  <th scope="col">to</th>
                  <th scope="col">that is</th>
                </tr>
              </thead>
              <tbody>
                {differs.map(({ axle, side, adjuster, id, first: was, second: is }) => (
                  <tr key={`${axle} ${side} ${id}`}>
                    <th scope="row" style={{ fontWeight: 400 }}>
                      {axle} {side}
                    </th>
                    <td>{adjuster?.name ?? `${id}, not there any more`}</td>
                    <td>{standsInWords(adjuster, was, unit)}</td>
                    <td>{standsInWords(adjuster, is, unit)}</td>
                    <td>{standsInWords(adjuster, is - was, unit)}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
          )}
        </>
      )}
    </Box>
  );
}
