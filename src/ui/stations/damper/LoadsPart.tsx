import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Fragment, useMemo, useState } from 'react';
import { judgeReserve } from '@/core/judging/damper';
import { casesOf, loadsOf } from '@/core/loads/loads';
import type { PartLoad } from '@/core/loads/loads';
import { LOAD_CASES, loadCaseSchema, startingStrength, strengthSchema } from '@/core/model/loads';
import type { LoadCase, Strength } from '@/core/model/loads';
import { readable } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { PlainField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { TextLine } from '../../fields/TextLine';
import { PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import type { FloorStation } from '../floorStation';
import type { AxleChange } from '../wheel/useAxleChange';
import { MadeOf } from './MadeOf';
import { Proofs } from './Proofs';
import { Fields, Said, Section, lengthBy } from './parts';

export interface LoadsProps extends FloorStation {
  change: AxleChange;
}

/** What every part of the corner carries in the worst case, and whether what was said of it stands that. */
export function LoadsPart(props: LoadsProps) {
  const { build, wheel, unit, change, onEdit, onShow } = props;
  const [picked, pick] = useState<string | null>(null);
  const found = useMemo(() => loadsOf(build, wheel), [build, wheel]);
  const strength = wheel.design.strength ?? startingStrength();
  const put = (act: (strength: Strength) => void, step = '') =>
    change(step, (d) => act((d.strength ??= startingStrength())));
  const cases = casesOf(build);
  const putCases = (act: (list: LoadCase[]) => void, step?: string) =>
    onEdit((draft) => act((draft.loads ??= structuredClone(LOAD_CASES))), step);
  const length = lengthBy(unit, 0);
  if (!found.ok)
    return (
      <Typography variant="body2" sx={{ py: 1 }}>
        Nothing can be told of loads: {found.why}.
      </Typography>
    );
  const { parts, first, weight, said, travels, undescribed } = found.loads;
  const caseName = (id: string) => cases.find((one) => one.id === id)?.name ?? '–';
  const meant = parts.find(({ id }) => id === strength.first) ?? null;
  return (
    <>
      <Typography variant="body2" sx={{ color: VERDICT.edge, mt: 0.75 }}>
        △ Estimates that say where to look, no approval. Prototypes fail where an estimate did not
        look: welded steering and suspension parts want inspection, racing use is not road approval,
        the law where you drive decides.
      </Typography>
      <Section title="What gives first">
        <Typography variant="body2" sx={{ fontWeight: 600 }} role="status">
          {first === null
            ? 'Nobody has said yet what the parts are made of: pick one below.'
            : `Of the ${parts.length - undescribed} parts that were described: ${first.name}, at ${first.reserve!.toFixed(1)} times the worst case (${first.stands!.by}).`}
        </Typography>
        {meant && (
          <Typography
            variant="body2"
            sx={{ color: meant.id === first?.id ? VERDICT.good : VERDICT.bad }}
          >
            {meant.id === first?.id
              ? `✓ Meant to give first, and of those described it does: ${meant.name}.`
              : `✕ Meant to give first: ${meant.name}${meant.reserve === null ? ', of which nobody said what it stands' : `, at ${meant.reserve.toFixed(1)} times`}; but ${first?.name ?? 'nothing'} would.`}
          </Typography>
        )}
        {undescribed > 0 && (
          <Typography variant="body2">
            {undescribed} of {parts.length} are not described: of them nothing is judged.
          </Typography>
        )}
      </Section>
      <Table aria-label="Loads" sx={{ mt: 1 }}>
        <thead>
          <tr>
            <th>part</th>
            <th className="number">worst</th>
            <th className="number">reserve</th>
            <th>of {strength.reserve} wanted</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <Fragment key={part.id}>
              <tr data-part={part.id}>
                <td>
                  <button
                    type="button"
                    aria-expanded={part.id === picked}
                    onClick={() => pick(part.id === picked ? null : part.id)}
                    style={{ ...PLAIN, fontWeight: part.id === picked ? 600 : 400 }}
                  >
                    {part.name}
                  </button>
                  <Small>
                    <button
                      type="button"
                      onClick={() => onShow({ travel: part.worst.travel, rack: 0 })}
                      style={PLAIN}
                    >
                      {caseName(part.worst.case)},{' '}
                      {part.worst.travel === 0
                        ? 'ride height'
                        : `${length(Math.abs(part.worst.travel))} ${part.worst.travel > 0 ? 'bump' : 'droop'}`}
                    </button>
                  </Small>
                </td>
                <td className="number">{amount(part)}</td>
                <td className="number">{part.reserve === null ? '–' : part.reserve.toFixed(1)}</td>
                <td>
                  <Reserve part={part} wanted={strength.reserve} />
                </td>
              </tr>
              {part.id === picked && (
                <tr>
                  <td colSpan={4}>
                    <MadeOf {...{ part, strength, put, unit, design: wheel.design }} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </Table>
      {parts.some(({ reserve }) => reserve !== null && reserve < strength.reserve) && (
        <Typography variant="body2" sx={{ color: VERDICT.edge, mt: 0.5 }}>
          + Usual cures: a larger tube before a thicker one; a bolt held at both ends (double
          shear); a shorter spacer; the damper’s lug nearer the joint; a stronger rod end; a bracket
          meant to give before upright or arm.
        </Typography>
      )}
      <Fields>
        <PlainField
          label="reserve wanted"
          ending="×"
          value={strength.reserve}
          schema={strengthSchema.shape.reserve}
          onValue={(value, step) => put((s) => void (s.reserve = value), step)}
          width={130}
        />
        <Typography variant="body2" sx={{ alignSelf: 'center' }}>
          {weight.toFixed(0)} N stand on the wheel
          {said ? '' : ', assumed: weigh it under “ride height”'}.
        </Typography>
      </Fields>
      <Section title="Cases">
        <Typography variant="body2">
          Multiples of what stands on the wheel: + ahead, + outward, + up, as the road pushes the
          tyre.
        </Typography>
        {cases.map((one, i) => (
          <Box key={one.id} data-case={one.id}>
            <Fields>
              <TextLine
                label="case"
                value={one.name}
                schema={loadCaseSchema.shape.name}
                onValue={(name, step) => putCases((list) => void (list[i].name = name), step)}
                width={190}
              />
              {(['ahead', 'out', 'up'] as const).map((way) => (
                <PlainField
                  key={way}
                  label={way}
                  ending="×"
                  value={one[way]}
                  schema={loadCaseSchema.shape[way]}
                  onValue={(value, step) => putCases((list) => void (list[i][way] = value), step)}
                  width={84}
                />
              ))}
              <Choice
                label={`${one.name}: along the car at`}
                value={one.at}
                options={['road', 'hub']}
                words={{ road: 'at the road', hub: 'at the hub' }}
                onPick={(at) => putCases((list) => void (list[i].at = at))}
              />
              <TextLine
                label="why"
                value={one.reason}
                schema={loadCaseSchema.shape.reason}
                onValue={(reason, step) => putCases((list) => void (list[i].reason = reason), step)}
                width={330}
              />
              <Button
                size="small"
                color="inherit"
                aria-label={`Take away: ${one.name}`}
                disabled={cases.length === 1}
                onClick={() => putCases((list) => void list.splice(i, 1))}
              >
                Take away
              </Button>
            </Fields>
          </Box>
        ))}
        <Button
          size="small"
          onClick={() =>
            putCases(
              (list) =>
                void list.push({
                  ...{ id: crypto.randomUUID(), name: 'Another case', ahead: 0, out: 0, up: 1 },
                  ...{ at: 'road' as const, reason: '' },
                }),
            )
          }
        >
          Another case
        </Button>
        {build.loads && (
          <Button
            size="small"
            color="inherit"
            onClick={() => onEdit((draft) => void delete draft.loads)}
          >
            Back to common practice
          </Button>
        )}
        <Said>
          To start from: common practice, from memory. At {travels.count} travels from{' '}
          {length(Math.abs(travels.from))} droop to {length(travels.to)} bump
          {travels.missed > 0 ? `, ${travels.missed} of which are not reached` : ''}, straight
          ahead. Links and arm tubes carry along themselves; an arm that the damper stands on is
          bent by it, one of its tubes taken as carrying all of that; the spring carries the wheel,
          whatever that takes, also where it would be on its stop. A bar from wheel to wheel,
          friction and what a weld or a plate does are not in it. Of wheels joined by a rod the
          other one is taken as unloaded; a beam and its leaves are not reckoned.
        </Said>
      </Section>
      <Proofs parts={parts} strength={strength} put={put} />
    </>
  );
}

const PLAIN = { all: 'unset', cursor: 'pointer' } as const;

const Small = ({ children }: { children: React.ReactNode }) => (
  <Typography variant="caption" component="div" color="text.secondary">
    {children}
  </Typography>
);

/** N or N·m, a member's with what it does to it. */
function amount({ as, worst: { newtons } }: PartLoad): string {
  if (as === 'bending') return `${readable((newtons / 1000).toFixed(0))} N·m`;
  const size = readable(Math.abs(newtons).toFixed(0));
  if (as !== 'axial' || newtons === 0) return `${size} N`;
  return `${size} N ${newtons > 0 ? 'pulled' : 'pressed'}`;
}

/** A reserve as a bar: full is what is wanted. */
function Reserve({ part: { reserve, stands }, wanted }: { part: PartLoad; wanted: number }) {
  if (reserve === null) return <span style={{ color: PAPER.soft }}>not described</span>;
  const verdict = judgeReserve(reserve, wanted);
  const colour =
    verdict === 'accept' ? VERDICT.good : verdict === 'rework' ? VERDICT.bad : VERDICT.edge;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
      <Box
        sx={{
          width: 64,
          height: 8,
          flex: 'none',
          border: `1px solid ${PAPER.line}`,
          position: 'relative',
        }}
      >
        <Box
          sx={{
            ...{ position: 'absolute', inset: 0, right: 'auto', bgcolor: colour },
            width: `${Math.min(1, reserve / wanted) * 100}%`,
          }}
        />
      </Box>
      <div>
        <VerdictMark verdict={verdict} />
        <Small>{stands?.by}</Small>
      </div>
    </Box>
  );
}
