import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import type { AxleName, Build, Side } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { HITS, readLengthSchema } from '@/core/model/plan';
import type { Hit, Knock } from '@/core/model/plan';
import { HIT_WORDS, afterKnock, isOff, knockLeft } from '@/core/plan/knock';
import type { LookAt } from '@/core/plan/knock';
import { planIn } from '@/core/plan/write';
import { useView } from '../../build/viewStore';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { PickOne } from '../../fields/PickOne';
import { Table } from '../../fields/Table';
import { PAPER, VERDICT } from '../../theme';

const SIDES = ['left', 'right'] as const;
type Found = Knock['found'][number];
/** What is said of a part; a length that is taken out again is undefined. */
type Change = { as?: NonNullable<Found['as']>; length?: number | undefined };
const AS: readonly NonNullable<Found['as']>[] = ['good', 'replaced', 'bad'];

/** After a knock: what to look at, to replace, to measure again, and what was found. */
export function KnockPart({
  build,
  who,
  onEdit,
}: {
  build: Build;
  who: string;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { enqueueSnackbar } = useSnackbar();
  const axles: AxleName[] = build.rear ? ['front', 'rear'] : ['front'];
  const [axle, setAxle] = useState<AxleName>('front');
  const [side, setSide] = useState<Side>('left');
  const [hit, setHit] = useState<Hit>('kerb');
  const knocks = build.plan?.knocks ?? [];
  const add = () =>
    onEdit((draft) => {
      (planIn(draft).knocks ??= []).unshift({
        ...{ id: crypto.randomUUID(), at: new Date().toISOString(), axle, side, hit },
        ...{ note: '', found: [] },
      });
    });
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 1000 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', pt: 0.5 }}>
        <Typography variant="body2">The</Typography>
        <Choice label="Axle that was hit" value={axle} options={axles} onPick={setAxle} />
        <Choice label="Side that was hit" value={side} options={SIDES} onPick={setSide} />
        <PickOne
          label="wheel"
          value={hit}
          options={HITS.map((one) => ({ value: one, words: HIT_WORDS[one] }))}
          onPick={setHit}
          width={320}
        />
        <Button variant="outlined" onClick={add} disabled={knocks.length >= 60}>
          What is to be looked at
        </Button>
      </Box>
      <Typography variant="caption" color="text.secondary" component="p" sx={{ m: 0 }}>
        It does not drive until this is through: what bent once is weaker, and a cracked rod end
        does not show. Steering parts are replaced, never straightened; whoever licenses the car may
        want to see it.
      </Typography>
      {knocks.map((knock) => (
        <OneKnock
          key={knock.id}
          {...{ build, knock, who, onEdit }}
          onRemove={() => {
            onEdit((draft) => {
              const plan = planIn(draft);
              plan.knocks = plan.knocks?.filter(({ id }) => id !== knock.id);
            });
            enqueueSnackbar('The knock is away. Undo brings it back.');
          }}
        />
      ))}
    </Box>
  );
}

function OneKnock({
  build,
  knock,
  who,
  onEdit,
  onRemove,
}: {
  build: Build;
  knock: Knock;
  who: string;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onRemove: () => void;
}) {
  const unit = useView((view) => view.unit);
  const items = afterKnock(build, knock);
  const { open, bad } = knockLeft(build, knock);
  const of = (id: string) => knock.found.find((one) => one.of === id);
  const put = (id: string, to: Change, step?: string) =>
    onEdit((draft) => {
      const kept = planIn(draft).knocks?.find((one) => one.id === knock.id);
      if (!kept) return;
      const at = kept.found.findIndex((one) => one.of === id);
      const next: Found = {
        ...(at >= 0 ? kept.found[at] : {}),
        ...{ of: id, at: new Date().toISOString(), by: who.trim() },
        ...to,
      } as Found;
      if ('length' in to && to.length === undefined) delete next.length;
      if (at >= 0) kept.found[at] = next;
      else kept.found.push(next);
    }, step);
  const name = `${knock.axle} ${knock.side} ${HIT_WORDS[knock.hit]}`;
  return (
    <Box component="section" aria-label={name}>
      <Typography variant="h3" sx={{ '&::first-letter': { textTransform: 'uppercase' } }}>
        {name}, {knock.at.slice(0, 10)}
      </Typography>
      <Typography variant="body2" role="status">
        {bad.length > 0
          ? `Bad: ${bad.map((one) => one.name).join(', ')}. It stays on its stands.`
          : open.length > 0
            ? `${open.length} of ${items.length} still to be looked at.`
            : 'Everything on this list was looked at: it covers this wheel, its steering and its brackets, not the rest of the car.'}
      </Typography>
      <Table aria-label={`After a knock: ${name}`}>
        <thead>
          <tr>
            <th scope="col">what</th>
            <th scope="col">look for</th>
            <th scope="col">joint to joint</th>
            <th scope="col">found</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.id}>
              <th scope="row" style={{ fontWeight: 600, verticalAlign: 'top' }}>
                {item.name}
                {item.share !== null && (
                  <div style={{ fontWeight: 400, fontSize: 13, color: PAPER.soft }}>
                    {item.share > 0.995
                      ? 'carried most of it'
                      : `carried ${(100 * item.share).toFixed(0)} % of that`}
                  </div>
                )}
              </th>
              <td style={{ verticalAlign: 'top' }}>
                {item.looks}
                {item.replace !== null && (
                  <div>
                    <strong>Replace:</strong> {item.replace}
                  </div>
                )}
              </td>
              <td style={{ verticalAlign: 'top', minWidth: 150 }}>
                {item.length !== null && (
                  <Measured item={item} found={of(item.id)} unit={unit} who={who} onPut={put} />
                )}
              </td>
              <td style={{ verticalAlign: 'top' }}>
                <Choice
                  label={`Found: ${item.name}`}
                  value={(of(item.id)?.as ?? '') as NonNullable<Found['as']>}
                  options={AS}
                  onPick={(as) => who.trim() !== '' && put(item.id, { as })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {who.trim() === '' && (
        <Typography variant="caption" color="text.secondary" component="p">
          Say who works here: findings are signed.
        </Typography>
      )}
      <Button size="small" aria-label={`Take away: ${name}`} onClick={onRemove}>
        Take this list away
      </Button>
    </Box>
  );
}

/** A length measured after the knock against the drawn one. */
function Measured({
  item,
  found,
  unit,
  who,
  onPut,
}: {
  item: LookAt;
  found: Found | undefined;
  unit: LengthUnit;
  who: string;
  onPut: (id: string, to: Change, step?: string) => void;
}) {
  const off = found?.length === undefined ? null : found.length - item.length!;
  return (
    <>
      <LengthField
        label="measured"
        note={`drawn ${item.length!.toFixed(1)} mm`}
        width={140}
        value={found?.length}
        schema={readLengthSchema}
        unit={unit}
        disabled={who.trim() === ''}
        onValue={(length, step) => onPut(item.id, { length }, step)}
        onClear={(step) => onPut(item.id, { length: undefined }, step)}
      />
      {off !== null && isOff(item, found?.length) && (
        <div style={{ color: VERDICT.bad, fontSize: 13 }}>
          {Math.abs(off).toFixed(1)} mm {off > 0 ? 'longer' : 'shorter'} than drawn
        </div>
      )}
    </>
  );
}
