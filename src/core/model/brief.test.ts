import { TARGET_REASONS, DISPUTES } from './schools';
import { USES } from './build';
import { briefForStart, briefOf, briefSchema, isStarting, startingBrief } from './brief';
import type { TargetName } from './brief';

describe('the brief', () => {
  it('starts from the use, every target with its reason', () => {
    for (const use of USES) {
      const brief = startingBrief({ use });
      expect(briefSchema.safeParse(brief).success).toBe(true);
      for (const name of Object.keys(brief.targets) as TargetName[])
        expect(TARGET_REASONS[name](use).length).toBeGreaterThan(20);
    }
    // Bands of the trade (common practice): half a degree is accepted, past one is reworked.
    expect(startingBrief({ use: 'road' }).targets.bumpSteer).toEqual([0.25, 0.5, 1]);
    expect(startingBrief({ use: 'trail' }).targets.bumpSteer[1]).toBe(2);
  });

  it('holds for a build that has none of its own', () => {
    expect(briefOf({ use: 'track' })).toEqual(startingBrief({ use: 'track' }));
    const own = { ...startingBrief({ use: 'road' }), rule: 'shim' as const };
    expect(briefOf({ use: 'track', brief: own })).toBe(own);
  });

  it('changes with the use what was not set by hand', () => {
    const brief = startingBrief({ use: 'road' });
    brief.targets.caster = [7, 9];
    const next = briefForStart(brief, { use: 'road' }, { use: 'drift' });
    expect(next.targets.caster).toEqual([7, 9]);
    expect(next.targets.lock).toBe(startingBrief({ use: 'drift' }).targets.lock);
    expect(isStarting(next, { use: 'drift' }, 'lock')).toBe(true);
    expect(isStarting(next, { use: 'drift' }, 'caster')).toBe(false);
    expect(briefForStart(next, { use: 'drift' }, { use: 'road' }).targets.lock).toBe(35);
  });

  it('refuses a band that runs backwards, in words', () => {
    const brief = startingBrief({ use: 'road' });
    brief.targets.kpi = [14, 8];
    const parsed = briefSchema.safeParse(brief);
    expect(parsed.error!.issues[0].message).toBe('are 14, 8: write the smaller first');
  });

  it('sets something real for every school', () => {
    for (const { schools } of DISPUTES)
      for (const { sets } of schools) {
        const brief = startingBrief({ use: 'road' });
        const next =
          'rule' in sets
            ? { ...brief, ...sets }
            : { ...brief, targets: { ...brief.targets, ...sets } };
        expect(briefSchema.safeParse(next).success).toBe(true);
      }
  });
});
