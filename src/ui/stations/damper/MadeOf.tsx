import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { bentMember, memberKey } from '@/core/loads/loads';
import type { PartLoad } from '@/core/loads/loads';
import { wallFor } from '@/core/loads/reserve';
import type { AxleDesign } from '@/core/model/build';
import { MODULUS, jointMadeSchema, memberMadeSchema } from '@/core/model/loads';
import type { JointMade, Material, MemberMade, Strength } from '@/core/model/loads';
import { GRADES } from '@/core/model/rod';
import type { Grade } from '@/core/model/rod';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { Toggle } from '../../fields/Toggle';
import { FromShelf } from '../../shelf/FromShelf';
import { Fields, Section } from './parts';

interface Props {
  part: PartLoad;
  strength: Strength;
  put: (act: (strength: Strength) => void, step?: string) => void;
  unit: LengthUnit;
  design: AxleDesign;
}

/** What one part is made of, as far as somebody says. */
export function MadeOf(props: Props) {
  const { part, strength, put } = props;
  const { as, id, name } = part;
  const meant = strength.first === id;
  return (
    <Section title={`${name}: what is it?`}>
      {as === 'axial' && <Member {...props} />}
      {as === 'joint' && <Joint {...props} />}
      {as === 'bending' && <Bent {...props} />}
      {as === 'side' && (
        <Typography variant="body2">
          This bends the strut’s rod between its top and the guide in its body: ask whoever made the
          strut what it stands.
        </Typography>
      )}
      {as !== 'side' && (
        <Toggle
          label="This is meant to give before all others"
          on={meant}
          onSwitch={(on) =>
            put((s) => {
              if (on) s.first = id;
              else delete s.first;
            })
          }
        />
      )}
    </Section>
  );
}

const TUBE: MemberMade = { outside: 22, wall: 2, material: 'steel', yield: 235 };
const memberShape = memberMadeSchema.shape;

function Member({ part, strength, put, unit }: Props) {
  const key = memberKey(part.at);
  const made = strength.members[key];
  const set = (act: (one: MemberMade) => void, step?: string) =>
    put((s) => act((s.members[key] ??= { ...TUBE })), step);
  return (
    <>
      {made && (
        <Fields>
          <LengthField
            label="outside"
            value={made.outside}
            unit={unit}
            schema={memberShape.outside}
            onValue={(value, step) => set((one) => void (one.outside = value), step)}
            width={110}
          />
          <LengthField
            label="wall, 0 solid"
            value={made.wall}
            unit={unit}
            schema={memberShape.wall}
            onValue={(value, step) => set((one) => void (one.wall = value), step)}
            width={120}
          />
          <Choice
            label="Material"
            value={made.material}
            options={Object.keys(MODULUS) as Material[]}
            onPick={(material) => set((one) => void (one.material = material))}
          />
          <PlainField
            label="yield, as stated"
            ending="N/mm²"
            value={made.yield}
            schema={memberShape.yield}
            onValue={(value, step) => set((one) => void (one.yield = value), step)}
            width={150}
          />
          <TextLine
            label="stated by"
            value={made.source ?? ''}
            schema={memberShape.source.unwrap()}
            onValue={(source, step) => set((one) => void (one.source = source), step)}
            width={180}
          />
        </Fields>
      )}
      <FromShelf
        kind="tube"
        title="Take a tube from the shelf"
        onPick={({ outside, wall, yield: yields, source }) =>
          set((one) => {
            Object.assign(one, { outside, wall });
            if (yields !== undefined) one.yield = yields;
            if (source) one.source = source;
          })
        }
      />
      {made ? (
        <Button size="small" color="inherit" onClick={() => put((s) => void delete s.members[key])}>
          Not known
        </Button>
      ) : (
        <Button size="small" onClick={() => set(() => undefined)}>
          Type its tube
        </Button>
      )}
    </>
  );
}

const jointShape = jointMadeSchema.shape;
const boltShape = jointShape.bolt.unwrap().shape;

function Joint({ part, strength, put, unit }: Props) {
  const [name] = part.at;
  const made = strength.joints[name] ?? {};
  const set = (act: (one: JointMade) => void, step?: string) =>
    put((s) => act((s.joints[name] ??= {})), step);
  const { bolt } = made;
  return (
    <>
      <Fields>
        <PlainField
          label="rated load, as stated"
          ending="N"
          value={made.rated}
          schema={jointShape.rated.unwrap()}
          onValue={(value, step) => set((one) => void (one.rated = value), step)}
          onClear={(step) => set((one) => void delete one.rated, step)}
          placeholder=""
          width={170}
        />
        <TextLine
          label="stated by"
          value={made.source ?? ''}
          schema={jointShape.source.unwrap()}
          onValue={(source, step) => set((one) => void (one.source = source), step)}
          width={180}
        />
        <PlainField
          label="bracket gives at"
          ending="N"
          value={made.gives}
          schema={jointShape.gives.unwrap()}
          onValue={(value, step) => set((one) => void (one.gives = value), step)}
          onClear={(step) => set((one) => void delete one.gives, step)}
          placeholder=""
          width={150}
        />
      </Fields>
      <Toggle
        label="Reckon its bolt"
        on={bolt !== undefined}
        onSwitch={(on) =>
          set((one) => {
            if (on) one.bolt = { diameter: 12, grade: '8.8', planes: 2, spacer: 0 };
            else delete one.bolt;
          })
        }
      />
      {bolt && (
        <Fields>
          <LengthField
            label="bolt"
            value={bolt.diameter}
            unit={unit}
            schema={boltShape.diameter}
            onValue={(value, step) =>
              set((one) => one.bolt && void (one.bolt.diameter = value), step)
            }
            width={100}
          />
          <Choice
            label="Grade"
            value={bolt.grade}
            options={Object.keys(GRADES) as Grade[]}
            onPick={(grade) => set((one) => one.bolt && void (one.bolt.grade = grade))}
          />
          <Choice
            label="Held"
            value={bolt.planes === 1 ? 'one end' : 'both ends'}
            options={['one end', 'both ends']}
            onPick={(held) =>
              set((one) => one.bolt && void (one.bolt.planes = held === 'one end' ? 1 : 2))
            }
          />
          {bolt.planes === 1 && (
            <LengthField
              label="spacer under it"
              value={bolt.spacer}
              unit={unit}
              schema={boltShape.spacer}
              onValue={(value, step) =>
                set((one) => one.bolt && void (one.bolt.spacer = value), step)
              }
              width={130}
            />
          )}
        </Fields>
      )}
      <FromShelf
        kind="rodEnd"
        title="Take a rod end from the shelf"
        onPick={({ load, name: source }) =>
          set((one) => Object.assign(one, { rated: load * 1000, source }))
        }
      />
    </>
  );
}

/** A bent arm has no part of its own: its tubes are what bends. */
function Bent({ part, strength, unit, design }: Props) {
  const made = bentMember(design, part, strength);
  const wall = made && wallFor(part.worst.newtons, strength.reserve, made);
  return (
    <Typography variant="body2">
      The tubes of this arm are what is bent: say under them what they are.
      {made === undefined
        ? ''
        : wall === null
          ? ` Of ${lengthIn(made.outside, unit)} across, ${made.yield} N/mm², not even a solid bar carries it with a reserve of ${strength.reserve}: a larger tube, or the lug nearer the joint.`
          : ` Of ${lengthIn(made.outside, unit)} across, ${made.yield} N/mm², one would want a wall of ${lengthIn(wall!, unit, 1)} for the bending alone; what goes along it comes on top.`}
    </Typography>
  );
}
