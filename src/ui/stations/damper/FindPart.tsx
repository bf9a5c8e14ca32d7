'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { openedMounts } from '@/core/damper/mountProblem';
import type { DamperChoice, Mounts, MountsFound } from '@/core/damper/findMounts';
import { damperWantedSchema } from '@/core/model/damper';
import type { DamperWanted } from '@/core/model/damper';
import { pointLabel } from '@/core/model/labels';
import type { AxleDesign } from '@/core/model/build';
import { lengthIn, unitName } from '@/core/model/units';
import { shelf } from '@/server/actions';
import { finderWorker } from '../../build/finderWorker';
import { LengthField, PlainField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FIGURES, PAPER, VERDICT } from '../../theme';
import { LookTake } from '../LookTake';
import { SearchRow, Stale } from '../SearchRow';
import { useSearch } from '../useSearch';
import { Fields, Said, lengthBy } from './parts';
import type { DamperPartProps } from './parts';

const LENGTHS = [
  ['bump', 'bump wanted'],
  ['droop', 'droop wanted'],
  ['keep', 'stroke kept at either end'],
] as const;

type Asked = Exclude<keyof DamperWanted, 'mayTouch'>;

/** Travel, ratio and rise wanted, and the mounts within their freedoms that give them, every damper tried. */
export function FindPart(props: DamperPartProps) {
  const { build, wheel, unit, damper, put, onTry } = props;
  const { axle, side, design } = wheel;
  const wanted = damper.wanted ?? {};
  const [fromShelf, setFromShelf] = useState(true);
  const [trouble, setTrouble] = useState('');
  const search = useSearch<MountsFound>(`mounts ${axle} ${side}`, design, fromShelf);
  const { part, found, stale, start } = search;
  const ask = (key: Asked) => (value: number, step?: string) =>
    put((d) => void ((d.wanted ??= {})[key] = value), step);
  const clear = (key: Asked) => (step: string) => put((d) => void delete d.wanted?.[key], step);
  const go = async () => {
    onTry(null);
    setTrouble('');
    const choices = fromShelf ? await dampersOnShelf() : [];
    if (typeof choices === 'string') {
      setTrouble(choices);
      return;
    }
    start((onProgress) => finderWorker().mounts(build, axle, side, choices, onProgress));
  };
  return (
    <>
      <Fields>
        {LENGTHS.map(([key, label]) => (
          <LengthField
            key={key}
            label={label}
            value={wanted[key]}
            unit={unit}
            schema={damperWantedSchema.shape[key].unwrap()}
            onValue={ask(key)}
            onClear={clear(key)}
            placeholder={key === 'keep' ? '0' : lengthBy(unit, 0)(wheel.travel[key])}
            width={key === 'keep' ? 190 : 130}
          />
        ))}
        <PlainField
          label="motion ratio"
          ending=""
          value={wanted.ratio}
          schema={damperWantedSchema.shape.ratio.unwrap()}
          onValue={ask('ratio')}
          onClear={clear('ratio')}
          placeholder="any"
          width={120}
        />
        <PlainField
          label="more at full bump"
          ending="%"
          value={wanted.rise}
          schema={damperWantedSchema.shape.rise.unwrap()}
          onValue={ask('rise')}
          onClear={clear('rise')}
          placeholder="any"
          width={140}
        />
      </Fields>
      <Toggle label="Try every damper on the shelf" on={fromShelf} onSwitch={setFromShelf} />
      <Toggle
        label="Clear of arms, rod and half-shaft, straight ahead"
        on={!wanted.mayTouch}
        onSwitch={(on) =>
          put((d) => {
            d.wanted ??= {};
            if (on) delete d.wanted.mayTouch;
            else d.wanted.mayTouch = true;
          })
        }
      />
      <SearchRow
        label="Find mounts"
        part={part}
        opened={openedMounts(wheel)}
        design={design}
        onSearch={() => void go()}
      />
      {trouble !== '' && <Typography color="error">{trouble}</Typography>}
      {stale && <Stale />}
      {found && <Results {...props} found={found} />}
      <Said>
        A lug on an arm of which only “out” is free goes along its arm. Work counts as with all
        finders, another damper like a moved bracket. Every answer is put in and measured again over
        its travel, and what it then touches is said; good enough is 0.01 of ratio, 2 % of rise, 0.1
        mm of stroke.
      </Said>
    </>
  );
}

/** Dampers of the shelf as they are tried, or why it cannot be read. */
async function dampersOnShelf(): Promise<DamperChoice[] | string> {
  try {
    const answer = await shelf();
    if (!answer.ok) return answer.message;
    return answer.value.flatMap(({ part }): DamperChoice[] =>
      part?.kind === 'damper'
        ? [
            {
              name: part.name,
              unit: {
                ...{ part: part.name, closed: part.closed, open: part.open, outside: part.outside },
                ...{ eye: part.eye, stop: part.stop },
              },
            },
          ]
        : [],
    );
  } catch {
    return 'The shelf cannot be reached: is Havrik still running?';
  }
}

function Results({
  found: { found, tried, all, dampers, opening, why },
  wheel,
  unit,
  tried: looked,
  onTry,
  change,
}: DamperPartProps & { found: MountsFound }) {
  const { design } = wheel;
  const length = lengthBy(unit);
  if (why !== undefined)
    return (
      <Typography variant="body2" role="status" sx={{ color: VERDICT.edge }}>
        △ Nothing was looked for: {why}.
      </Typography>
    );
  const reached = found.filter((one) => one.reached).length;
  const inWords = (one: Mounts): string => {
    const moves = one.changes.map(
      ({ point, coordinate, from, to }) =>
        `${pointLabel(design, point)} ${coordinate} ${length(from)} → ${length(to)}`,
    );
    const parts = [...(one.other ? [`damper “${one.damper}”`] : []), ...moves];
    return parts.length === 0 ? 'As it is' : parts.join('; ');
  };
  return (
    <Box role="status">
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {reached > 0
          ? `${reached === 1 ? 'One way does' : `${reached} ways do`} it, those that touch nothing first, then the least work. `
          : found.length > 0
            ? 'Nothing within the freedoms reaches it; the nearest first. '
            : 'No choice of mounts reaches the travel. '}
        <Box component="span" sx={{ fontWeight: 400 }}>
          {dampers} {dampers === 1 ? 'damper' : 'dampers'},{' '}
          {all ? `all ${tried} combinations were tried.` : `the best of ${tried} tried.`}
        </Box>
      </Typography>
      {opening && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ Let the {pointLabel(design, opening.point)} go {length(Math.abs(opening.by))}{' '}
          {unitName(unit)} {WAYS[opening.coordinate][opening.by > 0 ? 0 : 1]} than it may now, with{' '}
          {opening.damper}, and it is reached.
        </Typography>
      )}
      {!opening && reached === 0 && (
        <Typography variant="body2" sx={{ color: VERDICT.edge }}>
          △ No one coordinate let out by {lengthIn(150, unit)} would reach it: ask for less, open
          two, or try a damper of another length.
        </Typography>
      )}
      {found.map((one, i) => {
        const trial = placed(design, one);
        const shown = looked !== null && JSON.stringify(looked) === JSON.stringify(trial);
        return (
          <Box
            key={i}
            data-mounts={one.reached ? 'reached' : 'near'}
            sx={{ borderTop: `1px solid ${PAPER.line}`, py: 0.75, display: 'flex', gap: 1 }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography variant="body2">{inWords(one)}</Typography>
              <Typography variant="caption" component="div" sx={{ fontFamily: FIGURES }}>
                {one.reached ? '✓ ' : '△ '}ratio {one.ratio.toFixed(3)}
                {one.rise === null ? '' : `, ${one.rise.toFixed(0)} % more at full bump`}; eye to
                eye {length(one.shortest)} to {length(one.longest)} of {length(one.unit.closed)} to{' '}
                {length(one.unit.open)}
              </Typography>
              {one.fouls.slice(0, 2).map(({ what, to, clearance }) => (
                <Typography
                  key={`${what} ${to}`}
                  variant="caption"
                  component="div"
                  sx={{ color: VERDICT.edge }}
                >
                  △ {what}{' '}
                  {clearance < 0
                    ? `${lengthIn(-clearance, unit)} into`
                    : `${lengthIn(clearance, unit)} from`}{' '}
                  {to}
                </Typography>
              ))}
            </Box>
            {(one.changes.length > 0 || one.other) && (
              <LookTake
                what={inWords(one)}
                looked={shown}
                onLook={() => onTry(shown ? null : trial)}
                onTake={() => {
                  onTry(null);
                  change('', (d) => void Object.assign(d, structuredClone(placed(d, one))));
                }}
              />
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** An axle with an answer in it; the right side's own points move by as much. */
function placed(design: AxleDesign, one: Mounts): AxleDesign {
  const next = structuredClone(design);
  for (const { point, coordinate, from, to } of one.changes)
    for (const points of [next.points, next.rightPoints])
      if (points) points[point][coordinate] = tidy(points[point][coordinate] + to - from);
  if (one.other && next.damper) next.damper.unit = one.unit;
  return next;
}

/** To a thousandth of a mm. */
const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;

const WAYS = {
  ahead: ['further ahead', 'further back'],
  out: ['further out', 'further in'],
  up: ['higher', 'lower'],
} as const;
