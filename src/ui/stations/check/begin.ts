import { usualSetup } from '@/core/check/evidence';
import type { AxleDesign, AxleName, Build, Check } from '@/core/model/build';
import type { Wheel } from '@/core/kinematics/wheel';
import { SCENARIO_TABLE } from '@/core/training/scenarios';
import type { ReadSide, ScenarioId, Touched } from '@/core/model/checks';
import { openVariantOf } from '@/core/model/variants';

/** What is asked before a check is begun. */
export interface Asked {
  axle: AxleName;
  sides: ReadSide;
  moved: Check['moved'];
  on: Touched;
  name: string;
  by: string;
}

/** The axle as it is drawn now, without what a check does not go by. */
function asDrawn(design: AxleDesign): AxleDesign {
  const { pieces: _pieces, made: _made, column: _column, strength: _strength, ...rest } = design;
  return structuredClone(rest);
}

/** A check of the open variant as it is drawn now. */
export function begunCheck(build: Build, { axle, sides, moved, on, name, by }: Asked): Check {
  const drawn = build[axle]!;
  const { id, name: called } = openVariantOf(build);
  const usual = usualSetup(drawn, on);
  return {
    ...{ id: crypto.randomUUID(), axle, sides, moved, name, by, note: '', rounds: [] },
    begun: new Date().toISOString(),
    variant: { id, name: called },
    drawn: asDrawn(drawn),
    setup: { ...usual, heightBy: 'travel' },
  };
}

/** A check of a car that is not there; every one of a scenario is another car. */
export function trainedCheck(
  build: Build,
  { axle, side }: Pick<Wheel, 'axle' | 'side'>,
  scenario: ScenarioId,
  before: readonly Pick<Check, 'training'>[],
): Check {
  const { grade } = SCENARIO_TABLE[scenario];
  const times = before.filter(({ training }) => training?.scenario === scenario).length;
  const check = begunCheck(build, {
    ...{ axle, sides: side, moved: 'wheel', on: 'hub', by: '' },
    name: `${grade === 0 ? 'Any car' : `Car ${grade}`}, ${axle} ${side}, ${times + 1}`,
  });
  const seed = 1 + (crypto.getRandomValues(new Uint32Array(1))[0] % 1_000_000);
  return { ...check, training: { scenario, seed, acts: [] } };
}
