import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import RemoveIcon from '@mui/icons-material/DeleteOutlined';
import { useMemo, useState } from 'react';
import type { Build } from '@/core/model/build';
import { PART_STATES, partRecordSchema } from '@/core/model/shop';
import type { PartRecord, PartState } from '@/core/model/shop';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { counted, hasWords } from '@/core/model/wording';
import { fileName, partsCsv } from '@/core/shop/csv';
import { leftOver } from '@/core/shop/kit';
import { partsList, pricesOfVariants, totals, unpriced } from '@/core/shop/partsList';
import type { ListedPart } from '@/core/shop/listed';
import type { Money } from '@/core/shop/partsList';
import { download } from '../../download';
import { PlainField } from '../../fields/NumberField';
import { Find } from '../../fields/Find';
import { Table } from '../../fields/Table';
import { TextLine } from '../../fields/TextLine';
import { Said, Section } from '../damper/parts';
import { Kits } from './Kits';

const shape = partRecordSchema.shape;
const ownShape = shape.own.unwrap().shape;
const currency = shape.currency.unwrap();

interface Props {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}

/** All that is made and bought, what it costs, what is there. */
export function PartsList({ build, unit, onEdit }: Props) {
  const rows = useMemo(() => partsList(build), [build]);
  const [find, setFind] = useState('');
  const shown = rows.filter(({ name, what, where, hand, record }) =>
    hasWords(
      find,
      [name, what, where, hand, record?.state, record?.source, record?.own?.name, record?.own?.what]
        .filter(Boolean)
        .join(' '),
    ),
  );
  const stages = [...new Set(rows.map(({ record }) => record?.stage ?? 1))].toSorted(
    (a, b) => a - b,
  );
  const variants = useMemo(
    () => ((build.layouts ?? []).length > 0 ? pricesOfVariants(build) : []),
    [build],
  );
  const gone = useMemo(() => leftOver(build), [build]);
  const unsprung = rows.reduce((sum, row) => sum + row.unsprung, 0);
  const put = (key: string, act: (record: PartRecord) => void, step?: string) =>
    onEdit((draft) => {
      const list = ((draft.shop ??= {}).parts ??= []);
      let record = list.find((one) => one.key === key);
      if (!record) list.push((record = { key }));
      act(record);
    }, step);
  const addOwn = () =>
    put(`own ${crypto.randomUUID()}`, (record) => {
      record.own = { name: 'something', what: '', count: 1 };
    });
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0, flex: 1 }}>
      <Section title="What it comes to">
        <Typography variant="body2" sx={{ pt: 0.75 }}>
          {moneyInWords(totals(rows))}
          {unpriced(rows) > 0 &&
            ` ${counted(unpriced(rows), 'line')} of ${rows.length} without a price: not in it.`}
        </Typography>
        {stages.length > 1 &&
          stages.map((stage) => (
            <Typography key={stage} variant="body2">
              Stage {stage}: {moneyInWords(totals(rows, stage))}
            </Typography>
          ))}
        {unsprung > 0 && (
          <Said>
            {(unsprung / (build.rear ? 4 : 2)).toFixed(2)} kg a wheel of what arms, links and rods
            weigh is unsprung: half of their tubes, an estimate; all of uprights and steering arms
            of plate; joints and other uprights are not in it.
          </Said>
        )}
      </Section>
      {variants.length > 1 && (
        <Section title="Variants">
          {variants.map(({ id, name, money, unpriced: open, lines }) => (
            <Typography key={id} variant="body2" data-variant={name}>
              {name}: {moneyInWords(money)} {open > 0 && `${open} of ${lines} without a price.`}
            </Typography>
          ))}
        </Section>
      )}
      <Kits build={build} unit={unit} onEdit={onEdit} />
      <Box sx={{ pt: 1.5 }}>
        <Find label="Find in the list" value={find} onValue={setFind} />
        {shown.length < rows.length && (
          <Typography variant="body2" role="status">
            {shown.length} of {counted(rows.length, 'line')}; sums and the file are of all of them.
          </Typography>
        )}
      </Box>
      <Table aria-label="Parts list">
        <thead>
          <tr>
            {['what', 'of', 'hand'].map((word) => (
              <th key={word} scope="col">
                {word}
              </th>
            ))}
            {['count', 'length', 'kg each'].map((word) => (
              <th key={word} scope="col" className="number">
                {word}
              </th>
            ))}
            {['is', 'source', 'price each', 'currency', 'stage'].map((word) => (
              <th key={word} scope="col">
                {word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <Row
              key={row.key}
              row={row}
              unit={unit}
              put={(act, step) => put(row.key, act, step)}
              onEdit={onEdit}
            />
          ))}
        </tbody>
      </Table>
      {gone.length > 0 && (
        <Section title="Noted, and no longer in the list">
          <Said>Bought or noted for something that is made otherwise now.</Said>
          {gone.map(({ key, state, price, currency: of, source }) => (
            <Typography key={key} variant="body2" data-left-over={key}>
              {[key, state, price !== undefined && `${price.toFixed(2)} ${of ?? 'EUR'}`, source]
                .filter(Boolean)
                .join(', ')}
              <Button
                size="small"
                color="inherit"
                aria-label={`Forget ${key}`}
                onClick={() =>
                  onEdit((draft) => {
                    if (draft.shop?.parts)
                      draft.shop.parts = draft.shop.parts.filter((one) => one.key !== key);
                  })
                }
              >
                Forget
              </Button>
            </Typography>
          ))}
        </Section>
      )}
      <Box sx={{ display: 'flex', gap: 1, pt: 1, pb: 2 }}>
        <Button size="small" variant="outlined" onClick={addOwn}>
          Add a line of your own
        </Button>
        <Button
          size="small"
          onClick={() => download(`${fileName(build.name)}-parts.csv`, partsCsv(build), 'text/csv')}
        >
          CSV
        </Button>
      </Box>
    </Box>
  );
}

const moneyInWords = (money: readonly Money[]): string =>
  money.length === 0
    ? 'No price yet.'
    : money
        .map(
          ({ currency: of, all, open }) =>
            `${all.toFixed(2)} ${of} in all, ${open.toFixed(2)} still to be spent.`,
        )
        .join(' ');

function Row({
  row,
  unit,
  put,
  onEdit,
}: {
  row: ListedPart;
  unit: LengthUnit;
  put: (act: (record: PartRecord) => void, step?: string) => void;
  onEdit: Props['onEdit'];
}) {
  const { record, key } = row;
  const own = record?.own;
  const of = own ? own.name : `${row.name}, ${row.what}${row.hand ? `, ${row.hand}` : ''}`;
  return (
    <tr data-part={key}>
      <th scope="row" style={{ fontWeight: 400 }}>
        {own ? (
          <>
            <TextLine
              label="what"
              value={own.name}
              schema={ownShape.name}
              onValue={(value, step) =>
                put((draft) => draft.own && void (draft.own.name = value), step)
              }
              width={124}
            />
            <IconButton
              size="small"
              aria-label={`Remove ${own.name}`}
              onClick={() =>
                onEdit((draft) => {
                  if (draft.shop?.parts)
                    draft.shop.parts = draft.shop.parts.filter((one) => one.key !== key);
                })
              }
            >
              <RemoveIcon fontSize="inherit" />
            </IconButton>
          </>
        ) : (
          row.name
        )}
      </th>
      <td>
        {own ? (
          <TextLine
            label="of"
            value={own.what}
            schema={ownShape.what}
            onValue={(value, step) =>
              put((draft) => draft.own && void (draft.own.what = value), step)
            }
            width={124}
          />
        ) : (
          row.what
        )}
      </td>
      <td>{row.hand ?? ''}</td>
      <td className="number">
        {own ? (
          <PlainField
            label="count"
            ending=""
            value={own.count}
            schema={ownShape.count}
            onValue={(value, step) =>
              put((draft) => draft.own && void (draft.own.count = value), step)
            }
            width={80}
          />
        ) : (
          row.count
        )}
      </td>
      <td className="number">{row.length === null ? '' : lengthIn(row.length, unit, 1)}</td>
      <td className="number">{row.weight === null ? '' : row.weight.toFixed(2)}</td>
      <td>
        <TextField
          select
          value={record?.state ?? (row.made ? 'to make' : 'to buy')}
          onChange={(event) => put((draft) => void (draft.state = event.target.value as PartState))}
          sx={{ width: 102 }}
          slotProps={{ htmlInput: { 'aria-label': `Is ${of}` } }}
        >
          {PART_STATES.map((state) => (
            <MenuItem key={state} value={state}>
              {state}
            </MenuItem>
          ))}
        </TextField>
      </td>
      <td>
        <TextLine
          label="source"
          value={record?.source ?? ''}
          schema={shape.source.unwrap()}
          onValue={(value, step) => put((draft) => void (draft.source = value), step)}
          width={122}
        />
      </td>
      <td>
        <PlainField
          label="price"
          ending=""
          value={record?.price}
          schema={shape.price.unwrap()}
          onValue={(value, step) => put((draft) => void (draft.price = value), step)}
          onClear={(step) => put((draft) => void delete draft.price, step)}
          placeholder=""
          width={84}
        />
      </td>
      <td>
        <TextLine
          label="currency"
          value={record?.currency ?? 'EUR'}
          schema={currency}
          onValue={(value, step) => put((draft) => void (draft.currency = value), step)}
          width={76}
        />
      </td>
      <td>
        <PlainField
          label="stage"
          ending=""
          value={record?.stage ?? 1}
          schema={shape.stage.unwrap()}
          onValue={(value, step) => put((draft) => void (draft.stage = value), step)}
          width={62}
        />
      </td>
    </tr>
  );
}
