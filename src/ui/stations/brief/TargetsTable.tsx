'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { z } from 'zod';
import { hasTravel } from '@/core/model/sketch';
import { briefOf, isStarting, startingTargets, targetsSchema } from '@/core/model/brief';
import type { Brief, TargetName, Targets } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { TARGET_REASONS } from '@/core/model/schools';
import { trimmed } from '@/core/model/units';
import { NAMES, titled } from '@/core/motion/names';
import { VERDICT_WORDS } from '../../verdict';
import { PlainField } from '../../fields/NumberField';
import { Meant } from '../../readouts/Meant';
import { PAPER } from '../../theme';
import { Section } from './parts';

const ROWS: { name: TargetName; label: string; ending: string; parts: string[] }[] = [
  {
    name: 'bumpSteer',
    label: `${titled(NAMES.bumpSteer)}, each wheel`,
    ending: '°',
    parts: [VERDICT_WORDS['very good'], VERDICT_WORDS.accept, `${VERDICT_WORDS.rework} past`],
  },
  { name: 'camberGain', label: titled(NAMES.camberGain), ending: '°', parts: ['from', 'to'] },
  { name: 'ackermann', label: NAMES.ackermann, ending: '%', parts: ['from', 'to'] },
  { name: 'caster', label: titled(NAMES.caster), ending: '°', parts: ['from', 'to'] },
  { name: 'kpi', label: titled(NAMES.kpi), ending: '°', parts: ['from', 'to'] },
  { name: 'ratio', label: titled(NAMES.ratio), ending: ': 1', parts: ['from', 'to'] },
  { name: 'lock', label: titled(NAMES.lock), ending: '°', parts: ['wanted'] },
];

/** Targets of a wheel that goes up and down. */
const OVER_TRAVEL: readonly TargetName[] = ['bumpSteer', 'camberGain'];

const asList = (value: Targets[TargetName]): number[] =>
  typeof value === 'number' ? [value] : [...value];

/** What the build is judged by: where each comes from, and every one to be changed. */
export function TargetsTable({
  build,
  onBrief,
}: {
  build: Build;
  onBrief: (change: (brief: Brief) => void, step?: string) => void;
}) {
  const brief = briefOf(build);
  const rows = hasTravel(build) ? ROWS : ROWS.filter(({ name }) => !OVER_TRAVEL.includes(name));
  const put = (name: TargetName, list: number[], step?: string) =>
    onBrief((draft) => {
      Object.assign(draft.targets, { [name]: name === 'lock' ? list[0] : list });
    }, step);
  return (
    <Box sx={{ mt: 2.5 }}>
      <Section title="Targets">
        {rows.map(({ name, label, ending, parts }) => {
          const values = asList(brief.targets[name]);
          const own = !isStarting(brief, build, name);
          return (
            <Box
              key={name}
              data-target={name}
              sx={{
                display: 'grid',
                gridTemplateColumns: '1fr auto',
                gap: 1,
                py: 1,
                borderTop: `1px solid ${PAPER.line}`,
                alignItems: 'start',
              }}
            >
              <div>
                <Typography component="div" sx={{ fontWeight: 600, fontSize: 14 }}>
                  <Meant of={name} label={label} sign="What it means" />
                </Typography>
                <Typography variant="caption" component="div" color="text.secondary">
                  {own ? (
                    <>
                      Yours. Common practice:{' '}
                      {asList(startingTargets(build)[name])
                        .map((v) => trimmed(v, 2))
                        .join(' to ')}{' '}
                      {ending}.
                      <Button
                        size="small"
                        sx={{ py: 0, ml: 0.5, fontSize: 12 }}
                        onClick={() => put(name, asList(startingTargets(build)[name]))}
                      >
                        Back to it
                      </Button>
                    </>
                  ) : (
                    `Common practice. ${TARGET_REASONS[name](build.use)}`
                  )}
                </Typography>
              </div>
              <Box sx={{ display: 'flex', gap: 0.75 }}>
                {values.map((value, i) => (
                  <PlainField
                    key={parts[i]}
                    label={parts[i]}
                    ending={ending}
                    value={value}
                    schema={partSchema(name, values, i)}
                    onValue={(next, step) =>
                      put(
                        name,
                        values.map((old, j) => (j === i ? next : old)),
                        step,
                      )
                    }
                    width={values.length > 2 ? 86 : 100}
                  />
                ))}
              </Box>
            </Box>
          );
        })}
      </Section>
    </Box>
  );
}

const numberSchema = z.number();

/** What one part of a target may be beside the others, with the reason in words. */
function partSchema(name: TargetName, values: number[], i: number): z.ZodType<number> {
  const whole = targetsSchema.shape[name];
  const messageOf = (value: number): string | null => {
    const next = name === 'lock' ? value : values.map((old, j) => (j === i ? value : old));
    const parsed = whole.safeParse(next);
    return parsed.success ? null : parsed.error.issues[0].message;
  };
  return numberSchema.superRefine((value, context) => {
    const message = messageOf(value);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });
}
