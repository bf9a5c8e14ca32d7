import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import {
  END_KINDS,
  HANDS,
  SCHOOLS,
  SCHOOL_NAMES,
  TAPPED_IN,
  housingMade,
  plateMade,
  rodEndMade,
  startingEnd,
} from '@/core/model/made';
import type {
  EndMade,
  Held,
  HousingMade,
  MemberBuild,
  RodEndMade,
  School,
} from '@/core/model/made';
import { THREAD_NAMES } from '@/core/model/threads';
import type { ThreadName } from '@/core/model/threads';
import { lengthIn, saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { EndCut } from '@/core/shop/cut';
import { substituted } from '@/core/shop/kit';
import { stackInWords, stackOf } from '@/core/shop/stack';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { FromShelf } from '../../shelf/FromShelf';
import { Fields, Said, Section } from '../damper/parts';
import { HeldFields } from './HeldFields';
import { rodEndOf } from './rodEndOf';

const KIND_WORDS = { rodEnd: 'rod end', housing: 'housing', plate: 'butted' };
/** What a plate's leg may end in. */
const WELDED = END_KINDS.filter((kind) => kind !== 'rodEnd');
const rodShape = rodEndMade.shape;
const housingShape = housingMade.shape;

interface Props {
  title: string;
  made: MemberBuild;
  end: 'from' | 'to';
  cut: EndCut;
  unit: LengthUnit;
  put: (act: (draft: MemberBuild) => void, step?: string) => void;
}

/** What is at one end of a member. */
export function EndFields({ title, made, end, cut, unit, put }: Props) {
  const one = made[end];
  const set = <K extends EndMade['as']>(
    as: K,
    act: (draft: Extract<EndMade, { as: K }>) => void,
    step?: string,
  ) =>
    put((draft) => {
      const now = draft[end];
      if (now.as === as) act(now as Extract<EndMade, { as: K }>);
    }, step);
  return (
    <Section title={title}>
      <Box sx={{ pt: 1 }}>
        <Choice
          label={`What is at the ${title.toLowerCase()}`}
          value={one.as}
          options={made.form === 'plate' ? WELDED : END_KINDS}
          words={KIND_WORDS}
          onPick={(as) => put((draft) => void (draft[end] = startingEnd(as, draft, end)))}
        />
      </Box>
      {one.as === 'rodEnd' && (
        <RodEnd {...{ one, made, unit }} set={(act, step) => set('rodEnd', act, step)} />
      )}
      {one.as === 'housing' && (
        <Housing {...{ one, unit }} set={(act, step) => set('housing', act, step)} />
      )}
      {one.as === 'plate' && (
        <Fields>
          <LengthField
            label="short of the joint"
            value={one.back}
            unit={unit}
            schema={plateMade.shape.back}
            onValue={(value, step) => set('plate', (draft) => void (draft.back = value), step)}
            width={150}
          />
        </Fields>
      )}
      <Said>
        Takes {lengthIn(cut.from, unit, 1)} of the length.
        {cut.lean !== null && ` Its axis is ${cut.lean.toFixed(1)}° off square to the tube.`}
        {cut.also !== null && ` Coped over the ${cut.also} as well, which is welded first.`}
      </Said>
    </Section>
  );
}

function SchoolPick({ value, onPick }: { value: School; onPick: (school: School) => void }) {
  return (
    <>
      <TextField
        select
        label="joint"
        value={value}
        onChange={(event) => onPick(event.target.value as School)}
        sx={{ width: 205 }}
      >
        {SCHOOL_NAMES.map((name) => (
          <MenuItem key={name} value={name}>
            {SCHOOLS[name].name}
          </MenuItem>
        ))}
      </TextField>
      <Said>{SCHOOLS[value].says}</Said>
    </>
  );
}

interface OfEnd<T> {
  unit: LengthUnit;
  set: (act: (draft: T) => void, step?: string) => void;
}

const LENGTHS: {
  key: 'body' | 'shank' | 'engaged' | 'depth' | 'nut' | 'bung' | 'bore' | 'ball';
  label: string;
}[] = [
  { key: 'body', label: 'ball to tip' },
  { key: 'shank', label: 'thread on it' },
  { key: 'engaged', label: 'engaged' },
  { key: 'depth', label: 'tapped' },
  { key: 'nut', label: 'jam nut' },
  { key: 'bung', label: 'insert out' },
  { key: 'bore', label: 'bore' },
  { key: 'ball', label: 'ball, wide' },
];

function RodEnd({
  one,
  made,
  unit,
  set,
}: OfEnd<RodEndMade> & { one: RodEndMade; made: MemberBuild }) {
  const { held } = one;
  const stack = stackOf(one);
  const [instead, setInstead] = useState<string[]>([]);
  return (
    <>
      <Fields>
        <TextField
          select
          label="thread"
          value={one.thread}
          onChange={(event) =>
            set((draft) => void (draft.thread = event.target.value as ThreadName))
          }
          sx={{ width: 140 }}
        >
          {THREAD_NAMES.map((name) => (
            <MenuItem key={name} value={name}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Choice
          label="Hand"
          value={one.hand}
          options={HANDS}
          onPick={(hand) => set((draft) => void (draft.hand = hand))}
        />
        {LENGTHS.filter(({ key }) => key !== 'bung' || made.form !== 'bar').map(
          ({ key, label }) => (
            <LengthField
              key={key}
              label={label}
              value={one[key]}
              unit={unit}
              schema={rodShape[key]}
              onValue={(value, step) => set((draft) => void (draft[key] = value), step)}
              width={98}
            />
          ),
        )}
      </Fields>
      <Fields>
        <SchoolPick
          value={one.school}
          onPick={(school) => set((draft) => void (draft.school = school))}
        />
        <Choice
          label="Tapped in"
          value={one.tappedIn}
          options={TAPPED_IN}
          onPick={(tappedIn) => set((draft) => void (draft.tappedIn = tappedIn))}
        />
      </Fields>
      <FromShelf
        kind="rodEnd"
        title="Take a rod end from the shelf"
        onPick={(part) => {
          const next = { ...one, ...rodEndOf(part) };
          setInstead(substituted(one, next));
          set((draft) => void Object.assign(draft, rodEndOf(part)));
        }}
      />
      {instead.length > 0 && (
        <Alert severity="warning" onClose={() => setInstead([])} sx={{ mt: 0.5 }}>
          {instead.map((says) => (
            <div key={says}>{saidIn(says, unit)}.</div>
          ))}
        </Alert>
      )}
      <HeldFields
        held={held}
        unit={unit}
        start={{ bolt: one.bore, inside: one.ball + 4, ear: 4, ears: 2 }}
        set={(act, step) => set((draft) => holdBy(draft, act), step)}
      />
      {stack && held && (
        <Said>
          {saidIn(stackInWords(stack, held.ears), unit)}. Grip {lengthIn(stack.grip, unit, 1)}
          {stack.bolt === null
            ? ', longer than bolts are sold'
            : `, bolt ${lengthIn(stack.bolt, unit)} long`}
          . {stack.faults.map((fault) => `${saidIn(fault, unit)}. `)}
        </Said>
      )}
    </>
  );
}

function Housing({ one, unit, set }: OfEnd<HousingMade> & { one: HousingMade }) {
  return (
    <>
      <Fields>
        {(['outside', 'length', 'bore'] as const).map((key) => (
          <LengthField
            key={key}
            label={key}
            value={one[key]}
            unit={unit}
            schema={
              key === 'length'
                ? housingShape.length
                : housingShape[key].refine(
                    (value) => (key === 'bore' ? value < one.outside : value > one.bore),
                    { error: 'a housing is wider outside than its bore' },
                  )
            }
            onValue={(value, step) => set((draft) => void (draft[key] = value), step)}
            width={98}
          />
        ))}
        <SchoolPick
          value={one.school}
          onPick={(school) => set((draft) => void (draft.school = school))}
        />
      </Fields>
      <HeldFields
        held={one.held}
        unit={unit}
        start={{ bolt: 12, inside: one.length + 1, ear: 4, ears: 2 }}
        set={(act, step) => set((draft) => holdBy(draft, act), step)}
      />
    </>
  );
}

/** Says anew how an end is held, or no longer. */
function holdBy(
  draft: RodEndMade | HousingMade,
  act: (held: Held | undefined) => Held | undefined,
): void {
  const next = act(draft.held);
  if (next) draft.held = next;
  else delete draft.held;
}
