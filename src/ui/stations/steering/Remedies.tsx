import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { HALF_WAY } from '@/core/steering/steering';
import type { Wheel } from '@/core/kinematics/wheel';
import { briefOf } from '@/core/model/brief';
import { lengthIn, readable } from '@/core/model/units';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import { ackermannAt } from '@/core/steering/ackermann';
import { armRemedies } from '@/core/steering/armRemedies';
import type { ArmRemedy } from '@/core/steering/armRemedies';
import { PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { LookTake } from '../LookTake';
import type { PartProps } from './parts';
import { takeFront } from './take';

const WORDS: Record<ArmRemedy['kind'], string> = {
  swapped: 'Left and right arm swapped as they are',
  'swapped round': 'Arms swapped and turned round, the rack to the other side of the kingpins',
  'onto the string': 'Arms bent or made new so that the hole is on the string',
  shorter: 'A shorter arm on the string, as long as the rim leaves room for',
};

/** What can be done to the arms, each carried out and measured. */
export function Remedies({
  build,
  unit,
  wheel,
  tried,
  onTry,
  onEdit,
}: PartProps & { wheel: Wheel }) {
  const { wheelbase, room } = build;
  const remedies = useMemo(() => armRemedies({ wheelbase, room }, wheel), [wheelbase, room, wheel]);
  const { bumpSteer, ackermann } = briefOf(build).targets;
  const now = useMemo(() => {
    const { solved, steerRange } = wheel;
    return solved.ok
      ? (ackermannAt(solved.axle, wheelbase, steerRange / 2)?.percent ?? null)
      : null;
  }, [wheel, wheelbase]);
  const offBand = (percent: number) => Math.max(ackermann[0] - percent, percent - ackermann[1], 0);
  if (remedies.length === 0) return null;
  const nulled = wheel.travels ? '; bump steer is to be nulled again after each' : '';
  const onString = remedies.find(({ kind }) => kind === 'onto the string')!;
  return (
    <>
      <Typography variant="h3" sx={{ mt: 1 }}>
        What can be done to the arms
      </Typography>
      {remedies.map((one) => (
        <Box
          key={one.kind}
          data-remedy={one.kind}
          sx={{ display: 'flex', gap: 1, borderTop: `1px solid ${PAPER.line}`, py: 0.5 }}
        >
          <Typography variant="body2" component="div" sx={{ flex: 1 }}>
            {WORDS[one.kind]}:{' '}
            <b>
              {one.percent === null
                ? 'out of reach'
                : `Ackermann ${readable(one.percent.toFixed(0))} %`}
            </b>
            {wheel.travels && one.steer !== null && (
              <>
                , bump steer {one.steer.toFixed(2)}°{' '}
                <VerdictMark verdict={judgeBumpSteer(one.steer, bumpSteer)} />
              </>
            )}
            {one.taper && (
              <Mark>
                arms that fit only turned over have their taper pointing the wrong way then: plug it
                and drill it from the other end
              </Mark>
            )}
            {one.percent !== null && now !== null && offBand(one.percent) > offBand(now) && (
              <Mark>further from the brief’s band than it is</Mark>
            )}
            {one.rackToo && <Mark>the same rack then steers the other way: see its hand</Mark>}
            {!one.fits && (
              <Mark>
                {one.room < 0
                  ? `the joint stands ${lengthIn(-one.room, unit, 0)} in tyre or rim`
                  : `only ${lengthIn(one.room, unit, 0)} are left from the joint to tyre and rim`}
              </Mark>
            )}
          </Typography>
          <LookTake
            what={WORDS[one.kind]}
            looked={tried === one.wheel.design}
            disabled={one.percent === null}
            onLook={() => onTry(tried === one.wheel.design ? null : one.wheel.design)}
            onTake={() => {
              onTry(null);
              takeFront(onEdit, one.wheel.design);
            }}
          />
        </Box>
      ))}
      {!onString.fits && (
        <Typography variant="body2" sx={{ mt: 0.5, fontWeight: 600 }}>
          △ The rim does not leave the place for a joint on the string. What can be had:{' '}
          {wheel.steersBy === 'rack' && 'the rack on the other side of the kingpins, '}a shorter
          arm, or less Ackermann (“find” keeps the room).
        </Typography>
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        Ackermann {HALF_WAY[wheel.steersBy]} by the true curve{nulled}. The room is from the joint’s
        body to tyre and rim as drawn. Bending a forged or cast arm, and welding one, is work for
        qualified hands.
      </Typography>
    </>
  );
}

const Mark = ({ children }: { children: React.ReactNode }) => (
  <span style={{ display: 'block', color: VERDICT.edge }}>△ {children}</span>
);
