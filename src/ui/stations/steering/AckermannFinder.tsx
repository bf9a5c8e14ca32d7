'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { AckermannAnswer } from '@/core/ackermann/findAckermann';
import { movesOf } from '@/core/ackermann/problem';
import type { Move } from '@/core/ackermann/problem';
import { typeOf } from '@/core/corners/kinds';
import { ackermannWantedSchema, startingAckermann } from '@/core/model/ackermannWanted';
import type { AckermannWanted } from '@/core/model/ackermannWanted';
import { briefOf } from '@/core/model/brief';
import { finderWorker } from '../../build/finderWorker';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { SearchRow, Stale } from '../SearchRow';
import { askedOf } from '../useAsked';
import { useSearch } from '../useSearch';
import { AckermannResults } from './AckermannResults';
import type { PartProps } from './parts';

const AIMS = ['true', 'parallel', 'anti', 'own'] as const;
type Aim = (typeof AIMS)[number];
const WORDS: Record<Aim, string> = {
  true: 'true, 100 %',
  parallel: 'parallel, 0 %',
  anti: 'anti, −20 %',
  own: 'my own',
};
const PERCENT: Record<Exclude<Aim, 'own'>, number> = { true: 100, parallel: 0, anti: -20 };

const aimOf = ({ small, full }: AckermannWanted): Aim =>
  AIMS.find((aim) => aim !== 'own' && PERCENT[aim] === small && small === full) ?? 'own';

interface Reach {
  name: 'arm' | 'ahead' | 'height' | 'spacing' | 'length' | 'crank';
  label: string;
}
const OF_RACK: Reach[] = [
  { name: 'arm', label: 'new arm’s hole ±' },
  { name: 'ahead', label: 'rack ahead/back ±' },
  { name: 'height', label: 'rack up/down ±' },
  { name: 'spacing', label: 'rack’s joints in/out ±' },
];

const OF_DROP_ARM: Reach[] = [
  { name: 'arm', label: 'new arm’s hole ±' },
  { name: 'length', label: 'drop arm longer ±' },
  { name: 'spacing', label: 'its holes in/out ±' },
  { name: 'crank', label: 'cranked on shaft ±' },
];

/** What a move is called that is no coordinate of its joint. */
const SAID: Partial<Record<Move['by'], string>> = {
  length: 'the drop arm’s length',
  crank: 'its crank along the shaft',
};

/** Ackermann wanted, by what may be made new or moved, bump steer kept null. */
export function AckermannFinder(props: PartProps) {
  const { build, unit, onEdit, onTry } = props;
  const { front } = build;
  const { targets } = briefOf(build);
  const wanted = build.asked?.ackermann ?? startingAckermann(targets);
  // The brief's lock and bands are wishes too.
  const search = useSearch<AckermannAnswer>('ackermann', front, { wanted, targets });
  const { part, found, stale, start } = search;
  const put = askedOf(onEdit);
  const change = (next: Partial<AckermannWanted>, step?: string) =>
    put('ackermann', { ...wanted, ...next }, step);
  return (
    <section aria-label="Find Ackermann">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Choice
          label="Ackermann wanted"
          value={aimOf(wanted)}
          options={AIMS}
          words={WORDS}
          onPick={(aim) => aim !== 'own' && change({ small: PERCENT[aim], full: PERCENT[aim] })}
        />
        <PlainField
          label="at small lock"
          ending="%"
          width={112}
          value={wanted.small}
          schema={ackermannWantedSchema.shape.small}
          onValue={(small, step) => change({ small }, step)}
        />
        <PlainField
          label="at full lock"
          ending="%"
          width={112}
          value={wanted.full}
          schema={ackermannWantedSchema.shape.full}
          onValue={(full, step) => change({ full }, step)}
        />
        {(front.dropArm ? OF_DROP_ARM : OF_RACK).map(({ name, label }) => (
          <LengthField
            key={name}
            label={label}
            unit={unit}
            width={142}
            value={wanted[name] ?? 0}
            schema={ackermannWantedSchema.shape[name]}
            onValue={(mm, step) => change({ [name]: mm }, step)}
          />
        ))}
      </Box>
      <SearchRow
        label="Find Ackermann"
        part={part}
        opened={movesOf(front, wanted).map(({ by, ...one }) => ({ ...one, said: SAID[by] }))}
        design={front}
        onSearch={() => {
          onTry(null);
          start((onProgress) => finderWorker().ackermann(build, wanted, onProgress));
        }}
      />
      {stale && <Stale />}
      {found && !found.ok && (
        <Typography role="status" variant="body2" sx={{ fontWeight: 600 }}>
          Nothing can be looked for: {found.why}.
        </Typography>
      )}
      {found?.ok && <AckermannResults {...props} finding={found.finding} />}
      <Typography variant="caption" color="text.secondary" component="p">
        Both sides alike; the tie rods are set to length again for every answer, so toe at ride
        height stays. Ackermann counts from the centre to the lock, at ride height
        {typeOf(front).noTravel ? '' : '; bump steer over the whole travel, straight ahead'}. Room
        and joints are looked at for the left wheel’s tie rod over travel and lock. The strength of
        a new arm is not looked at: steering parts are made and welded by qualified hands.
      </Typography>
    </section>
  );
}
