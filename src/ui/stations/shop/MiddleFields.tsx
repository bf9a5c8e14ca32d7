import Box from '@mui/material/Box';
import { sub, unit as unitVector } from '@/core/geometry/vec';
import type { Wheel } from '@/core/kinematics/wheel';
import { MODULUS } from '@/core/model/loads';
import type { Material } from '@/core/model/loads';
import { FORMS, isTube, memberBuildSchema, startingEnd } from '@/core/model/made';
import type { Form, MemberBuild } from '@/core/model/made';
import { toVec } from '@/core/model/points';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Cut } from '@/core/shop/cut';
import { besideOf } from '@/core/shop/middleLine';
import { upSideOf } from '@/core/shop/parts';
import type { ShopMember, ShopPart } from '@/core/shop/parts';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { Fields, Said, Section } from '../damper/parts';

const shape = memberBuildSchema.shape;
const bendShape = shape.bend.unwrap().shape;
const FORM_WORDS = { tube: 'tube', square: 'square', bar: 'tapped bar', plate: 'plate' };

/** What a member is between its ends: tube, bar or plate, and where a tube is bent. */
export function MiddleFields({
  wheel,
  part,
  member,
  cut,
  unit,
  put,
  other,
}: {
  wheel: Wheel;
  part: ShopPart;
  member: ShopMember;
  cut: Cut;
  unit: LengthUnit;
  put: (act: (draft: MemberBuild) => void, step?: string) => void;
  /** What Loads reckons it as, where that is something else. */
  other: string;
}) {
  const { made } = member;
  const besideWord = besideOf(
    unitVector(sub(toVec(wheel.points[member.to]), toVec(wheel.points[member.from]))),
    upSideOf(wheel, part),
  ).toward;
  return (
    <Section title="Its middle">
      <Box sx={{ pt: 1 }}>
        <Choice
          label="Middle"
          value={made.form}
          options={part.as === 'arm' ? FORMS : WITHOUT_PLATE}
          words={FORM_WORDS}
          onPick={(form) => put((draft) => setForm(draft, form))}
        />
      </Box>
      <Fields>
        <LengthField
          label={
            made.form === 'plate'
              ? 'leg, wide'
              : made.form === 'square'
                ? 'across flats'
                : 'outside'
          }
          value={made.outside}
          unit={unit}
          schema={shape.outside}
          onValue={(value, step) => put((draft) => void (draft.outside = value), step)}
          width={98}
        />
        {made.form === 'plate' && (
          <LengthField
            label="thick"
            value={made.wall}
            unit={unit}
            schema={shape.wall.refine((wall) => wall >= 1, {
              error: 'a plate has at least 1 mm',
            })}
            onValue={(value, step) => put((draft) => void (draft.wall = value), step)}
            width={90}
          />
        )}
        {isTube(made.form) && (
          <LengthField
            label="wall"
            value={made.wall}
            unit={unit}
            schema={shape.wall.refine((wall) => wall >= 0.5 && 2 * wall < made.outside, {
              error: 'a tube has a wall of 0.5 mm to half of what it is across',
            })}
            onValue={(value, step) => put((draft) => void (draft.wall = value), step)}
            width={90}
          />
        )}
        <LengthField
          label="weld gap"
          value={made.gap}
          unit={unit}
          schema={shape.gap}
          onValue={(value, step) => put((draft) => void (draft.gap = value), step)}
          width={98}
        />
      </Fields>
      <Box sx={{ pt: 1 }}>
        <Choice
          label="Material"
          value={made.material}
          options={Object.keys(MODULUS) as Material[]}
          onPick={(material) => put((draft) => void (draft.material = material))}
        />
      </Box>
      {isTube(made.form) && (
        <Toggle
          label="Bent once"
          on={made.bend !== undefined}
          onSwitch={(on) =>
            put((draft) => {
              if (on) draft.bend = startingBend(member.centres, draft.outside);
              else delete draft.bend;
            })
          }
        />
      )}
      {made.bend && (
        <>
          <Fields>
            {(
              [
                ['along', 'corner, along'],
                ['beside', `${besideWord} +`],
                ['radius', 'round'],
              ] as const
            ).map(([key, label]) => (
              <LengthField
                key={key}
                label={label}
                value={made.bend![key]}
                unit={unit}
                schema={bendShape[key]}
                onValue={(value, step) =>
                  put((draft) => draft.bend && void (draft.bend[key] = value), step)
                }
                width={110}
              />
            ))}
          </Fields>
          {cut.bend && (
            <Said>
              Bent {cut.bend.degrees.toFixed(1)}°, {lengthIn(cut.bend.before, unit, 1)} from its cut
              end. Loads reckons it straight.
            </Said>
          )}
        </>
      )}
      {made.form === 'tube' && (
        <FromShelf
          kind="tube"
          title="Take a tube from the shelf"
          onPick={({ outside, wall }) =>
            put((draft) => void Object.assign(draft, { outside, wall }))
          }
        />
      )}
      {other && <Said>{other}</Said>}
    </Section>
  );
}

const WITHOUT_PLATE = FORMS.filter((form) => form !== 'plate');

/** A bend to begin with: a little out of the line in its middle, round three diameters. */
const startingBend = (centres: number, outside: number): NonNullable<MemberBuild['bend']> => ({
  ...{ along: Math.round(centres / 2), beside: 20, radius: Math.max(5, 3 * outside) },
});

/** A bar is tapped itself: it has no wall, and no inserts stand out of it; nothing is screwed into a plate's edge. */
function setForm(draft: MemberBuild, form: Form): void {
  const before = draft.form;
  draft.form = form;
  if (!isTube(form)) delete draft.bend;
  if (form === 'plate') {
    draft.wall = 8;
    draft.outside = Math.max(draft.outside, 50);
    for (const end of ['from', 'to'] as const)
      if (draft[end].as === 'rodEnd') draft[end] = startingEnd('housing', draft, end);
    return;
  }
  if (before === 'plate') draft.outside = 25;
  draft.wall = form === 'bar' ? 0 : Math.max(0.5, Math.min(2, draft.outside / 4));
  for (const end of [draft.from, draft.to])
    if (end.as === 'rodEnd') end.bung = form === 'bar' ? 0 : 8;
}
