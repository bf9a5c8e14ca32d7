import { MODULUS } from '@/core/model/loads';
import type { Material } from '@/core/model/loads';
import { heldSchema } from '@/core/model/made';
import type { Held } from '@/core/model/made';
import type { LengthUnit } from '@/core/model/units';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { Toggle } from '../../fields/Toggle';
import { Fields } from '../damper/parts';

const shape = heldSchema.shape;
const bracketShape = shape.bracket.unwrap().shape;
const BRACKET: NonNullable<Held['bracket']> = {
  ...{ reach: 45, folded: false, radius: 5, material: 'steel' },
};
const MADE_AS = ['two plates', 'folded'] as const;
const EARS = ['two ears', 'one ear'] as const;

/** The bolt through a joint, the ears that hold it, and the bracket as it is cut. */
export function HeldFields({
  held,
  unit,
  start,
  set,
}: {
  held: Held | undefined;
  unit: LengthUnit;
  /** What it begins with. */
  start: Held;
  set: (act: (held: Held | undefined) => Held | undefined, step?: string) => void;
}) {
  const change = (act: (draft: Held) => void, step?: string) =>
    set((now) => {
      const draft = now ?? { ...start };
      act(draft);
      return draft;
    }, step);
  const changeBracket = (act: (draft: NonNullable<Held['bracket']>) => void, step?: string) =>
    change((draft) => draft.bracket && act(draft.bracket), step);
  const length = (key: 'bolt' | 'inside' | 'ear', label: string) => (
    <LengthField
      label={label}
      value={held![key]}
      unit={unit}
      schema={shape[key]}
      onValue={(value, step) => change((draft) => void (draft[key] = value), step)}
      width={104}
    />
  );
  const bracket = held?.bracket;
  const ofBracket = (key: 'reach' | 'radius', label: string) => (
    <LengthField
      label={label}
      value={bracket![key]}
      unit={unit}
      schema={bracketShape[key]}
      onValue={(value, step) => changeBracket((draft) => void (draft[key] = value), step)}
      width={104}
    />
  );
  return (
    <>
      <Toggle
        label="Say how it is bolted"
        on={held !== undefined}
        onSwitch={(on) => set(() => (on ? start : undefined))}
      />
      {held && (
        <>
          <Fields>
            <Choice
              label="Ears"
              value={held.ears === 2 ? 'two ears' : 'one ear'}
              options={EARS}
              onPick={(ears) => change((draft) => void (draft.ears = ears === 'two ears' ? 2 : 1))}
            />
            {length('bolt', 'bolt')}
            {length('inside', held.ears === 2 ? 'between ears' : 'off the ear')}
            {length('ear', 'ear, thick')}
          </Fields>
          <Toggle
            label="Cut its bracket"
            on={bracket !== undefined}
            onSwitch={(on) =>
              change((draft) => {
                if (on) draft.bracket = { ...BRACKET };
                else delete draft.bracket;
              })
            }
          />
        </>
      )}
      {held && bracket && (
        <Fields>
          {ofBracket('reach', 'bolt to foot')}
          <Choice
            label="Material of the bracket"
            value={bracket.material}
            options={Object.keys(MODULUS) as Material[]}
            onPick={(material) => changeBracket((draft) => void (draft.material = material))}
          />
          {held.ears === 2 && (
            <Choice
              label="Made as"
              value={bracket.folded ? 'folded' : 'two plates'}
              options={MADE_AS}
              onPick={(as) => changeBracket((draft) => void (draft.folded = as === 'folded'))}
            />
          )}
          {held.ears === 2 && bracket.folded && ofBracket('radius', 'inner radius')}
        </Fields>
      )}
    </>
  );
}
