'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { briefOf } from '@/core/model/brief';
import type { Brief, TargetName } from '@/core/model/brief';
import type { Build } from '@/core/model/build';
import { DISPUTES } from '@/core/model/schools';
import { hasTravel } from '@/core/model/sketch';
import type { School } from '@/core/model/schools';
import { PAPER } from '../../theme';
import { Section } from './parts';

/** Whether the brief already does as a school does. */
const follows = (brief: Brief, { sets }: School): boolean =>
  'rule' in sets
    ? brief.rule === sets.rule
    : Object.entries(sets).every(
        ([name, value]) =>
          JSON.stringify(brief.targets[name as TargetName]) === JSON.stringify(value),
      );

/** Where good builders disagree: what each school does and why, to pick from. */
export function Disputes({
  build,
  onBrief,
}: {
  build: Build;
  onBrief: (change: (brief: Brief) => void, step?: string) => void;
}) {
  const brief = briefOf(build);
  // Where nothing travels no tie rod is to be nulled, nor camber gained.
  const travels = hasTravel(build);
  return (
    <Section title="Where builders disagree">
      {DISPUTES.filter(
        ({ schools }) =>
          travels || !schools.some(({ sets }) => 'rule' in sets || 'camberGain' in sets),
      ).map(({ question, schools }) => (
        <Box key={question} role="group" aria-label={question} sx={{ mb: 2 }}>
          <Typography variant="h3" sx={{ mb: 0.5 }}>
            {question}
          </Typography>
          {schools.map((school) => {
            const picked = follows(brief, school);
            return (
              <ButtonBase
                key={school.name}
                aria-pressed={picked}
                onClick={() =>
                  onBrief((draft) => {
                    if ('rule' in school.sets) draft.rule = school.sets.rule;
                    else Object.assign(draft.targets, structuredClone(school.sets));
                  })
                }
                sx={{
                  display: 'block',
                  width: '100%',
                  textAlign: 'left',
                  px: 1.25,
                  py: 0.75,
                  mb: 0.5,
                  border: `1px solid ${picked ? PAPER.accent : PAPER.line}`,
                  borderRadius: 1,
                  bgcolor: picked ? PAPER.wash : PAPER.sheet,
                  '&:hover': { borderColor: PAPER.accent },
                }}
              >
                <Typography sx={{ fontWeight: 600, fontSize: 14 }}>
                  {picked ? '✓ ' : ''}
                  {school.name}
                </Typography>
                <Typography variant="body2">{school.does}</Typography>
                <Typography variant="body2" color="text.secondary">
                  {school.why}
                </Typography>
              </ButtonBase>
            );
          })}
        </Box>
      ))}
    </Section>
  );
}
