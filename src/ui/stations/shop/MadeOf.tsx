import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { memberBuildSchema } from '@/core/model/made';
import type { MemberBuild } from '@/core/model/made';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { cutOf } from '@/core/shop/cut';
import { shopParts } from '@/core/shop/parts';
import type { SheetEntry } from '@/core/shop/sheetsOf';
import { adjustmentOf, engagedFor } from '@/core/shop/threads';
import { LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { Fields, Said, Section } from '../damper/parts';
import { useAxleChange } from '../wheel/useAxleChange';
import { EndFields } from './EndFields';
import { Faults } from './Faults';
import { MiddleFields } from './MiddleFields';
import { SetBy } from './SetBy';
import { capital } from './words';

const shape = memberBuildSchema.shape;
const wantedShape = shape.wanted.unwrap().shape;

interface Props {
  build: Build;
  entry: SheetEntry;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}

/** What the members of the sheet that is picked are made of. */
export function MadeOf({ build, entry, unit, onEdit }: Props) {
  const [picked, setPicked] = useState<string | null>(null);
  const { of } = entry;
  const wheel = of && wheelOf(build, of.axle, of.side);
  const parts = wheel ? shopParts(wheel) : [];
  const found = parts.flatMap((part) =>
    part.members.flatMap((member, i) =>
      of!.members.includes(member.id) ? [{ part, member, i }] : [],
    ),
  );
  const one = found.find(({ member }) => member.id === picked) ?? found[0];
  const change = useAxleChange(
    of?.axle ?? 'front',
    build[of?.axle ?? 'front'] ?? build.front,
    onEdit,
  );
  if (!wheel || !one)
    return (
      <Box component="section" aria-label="Made of">
        <Typography variant="body2" color="text.secondary">
          {of === null
            ? 'Prices, sources and what is there already are typed under “parts list”.'
            : 'This sheet is made from the layout alone.'}
        </Typography>
      </Box>
    );
  const { part, member, i } = one;
  const { made, assumed } = member;
  const cut = cutOf(wheel, part, i);
  const adjustment = adjustmentOf(wheel, member, build.shop);
  const put = (act: (draft: MemberBuild) => void, step = '') =>
    change(step, (design) => {
      const all = (design.made ??= {});
      act((all[member.id] ??= structuredClone(made)));
    });
  const strong = wheel.design.strength?.members[member.id];
  const other =
    strong && (strong.outside !== made.outside || strong.wall !== made.wall)
      ? `Loads reckons this as ${lengthIn(strong.outside, unit, 1)} × ${lengthIn(strong.wall, unit, 1)}: say one of them anew.`
      : '';
  const faults = [...cut.faults, ...(adjustment?.faults ?? [])];
  return (
    <Box component="section" aria-label="Made of" sx={{ overflow: 'auto', minHeight: 0, pr: 0.5 }}>
      {found.length > 1 && (
        <TextField
          select
          fullWidth
          label="Which"
          value={member.id}
          onChange={(event) => setPicked(event.target.value)}
          sx={{ mt: 1, mb: 1 }}
        >
          {found.map(({ member: { id, name } }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Typography variant="h3">{capital(member.name)}</Typography>
      <Typography variant="body2" component="p" data-cut={member.id}>
        {lengthIn(member.centres, unit, 1)} joint to joint, cut <b>{lengthIn(cut.cut, unit, 1)}</b>
        {cut.marks !== null && `, ${lengthIn(cut.marks, unit, 1)} between the marks`}.
      </Typography>
      <Faults faults={faults} unit={unit} />
      {assumed && (
        <Said>
          Nobody has said yet what it is made of: common sizes stand in until you change one.
        </Said>
      )}
      <MiddleFields {...{ wheel, part, member, cut, unit, put }} other={other} />
      {(['from', 'to'] as const).map((end) => (
        <EndFields
          key={`${member.id} ${end}`}
          title={capital(pointLabel(wheel.design, member[end]))}
          made={made}
          end={end}
          cut={cut.ends[end === 'from' ? 0 : 1]}
          unit={unit}
          put={put}
        />
      ))}
      {adjustment && (
        <Section title="Set by its threads">
          <SetBy adjustment={adjustment} unit={unit} />
          <Toggle
            label="I want a range of my own"
            on={made.wanted !== undefined}
            onSwitch={(on) =>
              put((draft) => {
                if (on) draft.wanted = { shorter: 5, longer: 5 };
                else delete draft.wanted;
              })
            }
          />
          {made.wanted && (
            <Fields>
              {(['shorter', 'longer'] as const).map((way) => (
                <LengthField
                  key={way}
                  label={way}
                  value={made.wanted![way]}
                  unit={unit}
                  schema={wantedShape[way]}
                  onValue={(value, step) =>
                    put((draft) => draft.wanted && void (draft.wanted[way] = value), step)
                  }
                  width={110}
                />
              ))}
            </Fields>
          )}
          {adjustment.wanted && !adjustment.wanted.inside && (
            <>
              <Typography variant="body2" sx={{ mt: 0.75 }}>
                {adjustment.wanted.possible
                  ? `Not within it as drawn: cut the tube ${lengthIn(Math.abs(adjustment.wanted.tubeBy), unit, 1)} ${adjustment.wanted.tubeBy > 0 ? 'longer' : 'shorter'}, its ends so much further ${adjustment.wanted.tubeBy > 0 ? 'in' : 'out'}.`
                  : 'More than these threads give, wherever it starts: longer shanks, or a thinner nut.'}
              </Typography>
              {adjustment.wanted.possible && (
                <Button
                  size="small"
                  onClick={() => {
                    const engaged = engagedFor(adjustment.ends, adjustment.wanted!.tubeBy);
                    put((draft) =>
                      adjustment.ends.forEach(({ at }, i) => {
                        const end = draft[at];
                        if (engaged && end.as === 'rodEnd') end.engaged = engaged[i];
                      }),
                    );
                  }}
                >
                  Start it so
                </Button>
              )}
            </>
          )}
        </Section>
      )}
      {!assumed && (
        <Button
          size="small"
          color="inherit"
          sx={{ mt: 1 }}
          onClick={() =>
            change('', (design) => {
              delete design.made?.[member.id];
              if (design.made && Object.keys(design.made).length === 0) delete design.made;
            })
          }
        >
          Not said
        </Button>
      )}
    </Box>
  );
}
