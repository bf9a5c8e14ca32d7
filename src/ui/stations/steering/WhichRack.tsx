import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { briefOf } from '@/core/model/brief';
import type { InnerRodPart, Part, RackPart } from '@/core/model/parts';
import { lengthIn, readable, saidIn } from '@/core/model/units';
import { judgeBumpSteer } from '@/core/motion/bumpSteer';
import { tryInnerRod, tryRack } from '@/core/rack/tryRacks';
import type { InnerRodTried, RackTried } from '@/core/rack/tryRacks';
import { rodEnds, typeOf } from '@/core/corners/kinds';
import { distance } from '@/core/geometry/vec';
import { toVec } from '@/core/model/points';
import { shelf } from '@/server/actions';
import { PAPER, VERDICT } from '../../theme';
import { VerdictMark } from '../../verdict';
import { LookTake } from '../LookTake';
import type { PartProps } from './parts';
import { takeFront } from './take';

/** The parts on the shelf, once they are here. */
function useShelf(): { parts: Part[] | null; trouble: string } {
  const [parts, setParts] = useState<Part[] | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    void shelf().then(
      (answer) => {
        if (answer.ok) setParts(answer.value.flatMap(({ part }) => (part ? [part] : [])));
        else setTrouble(answer.message);
      },
      () => setTrouble('The shelf cannot be reached: is Havrik still running?'),
    );
  }, []);
  return { parts, trouble };
}

/** Every rack of the shelf in the present one's place, and every inner rod on the present one. */
export function WhichRack({ build, unit, tried, onTry, onEdit }: PartProps) {
  const { parts, trouble } = useShelf();
  const racks = useMemo(
    () =>
      (parts ?? [])
        .filter((part): part is RackPart => part.kind === 'rack')
        .map((part) => ({ part, is: tryRack(build, part) })),
    [parts, build],
  );
  const { points } = build.front;
  const { inner, outer } = rodEnds(typeOf(build.front));
  const rod = distance(toVec(points[inner]), toVec(points[outer]));
  const rods = useMemo(
    () =>
      (parts ?? [])
        .filter((part): part is InnerRodPart => part.kind === 'innerRod')
        .map((part) => tryInnerRod(part, build.front.rack?.innerThread, rod)),
    [parts, build.front.rack, rod],
  );
  if (trouble !== '') return <Typography color="error">{trouble}</Typography>;
  if (!parts) return <Typography variant="body2">Looking at the shelf …</Typography>;
  const { bumpSteer } = briefOf(build).targets;
  return (
    <>
      {racks.length === 0 && (
        <Typography variant="body2">There is no rack on the shelf yet: enter one there.</Typography>
      )}
      {racks.map(({ part, is }) => {
        const looked = tried === is.design;
        return (
          <Box
            key={part.name}
            data-rack-tried={part.name}
            sx={{ display: 'flex', gap: 1, borderTop: `1px solid ${PAPER.line}`, py: 0.5 }}
          >
            <Typography variant="body2" component="div" sx={{ flex: 1 }}>
              <b>{part.name}</b>: {figures(is)}
              {is.steer === null ? (
                ', its travel is out of reach'
              ) : (
                <>
                  , bump steer {is.steer.toFixed(2)}°{' '}
                  <VerdictMark verdict={judgeBumpSteer(is.steer, bumpSteer)} />
                </>
              )}
              <div>
                Joints {lengthIn(part.between, unit, 0)} apart
                {is.toNull && Math.abs(is.toNull.up) >= 0.05
                  ? `, the null line ${lengthIn(Math.abs(is.toNull.up), unit, 1)} ${is.toNull.up > 0 ? 'over' : 'under'} them`
                  : ''}
                ; {part.mounts || 'mounts not written'}; spline {part.spline || 'not written'}
              </div>
              {is.doubts.map((doubt) => (
                <div key={doubt} style={{ color: VERDICT.edge }}>
                  △ {saidIn(doubt, unit)}
                </div>
              ))}
            </Typography>
            <LookTake
              what={part.name}
              looked={looked}
              onLook={() => onTry(looked ? null : is.design)}
              onTake={() => {
                onTry(null);
                takeFront(onEdit, is.design);
              }}
            />
          </Box>
        );
      })}
      {rods.map((one) => (
        <Typography key={one.part.name} variant="body2" data-rod-tried={one.part.name}>
          {markOf(one)} {one.part.name}: {suits(one, unit)}
        </Typography>
      ))}
      <Typography variant="caption" component="p" color="text.secondary">
        In the present rack’s place and line, its height and distance ahead; every figure measured
        anew. The pinion’s side of the bar is to be said again. An inner rod is judged by its rack
        end’s thread and by what it leaves of the {lengthIn(rod, unit, 0)} from joint to joint for
        the outer end (common practice).
      </Typography>
    </>
  );
}

const figures = ({ ratio, lock, reached, turns, ackermann }: RackTried): string =>
  [
    ratio === null ? 'no ratio' : `${ratio.toFixed(1)} to 1`,
    `${turns.toFixed(1)} turns lock to lock`,
    lock === null
      ? 'no lock'
      : `${lock.toFixed(1)}° of lock${reached ? '' : ', short of what is wanted'}`,
    ackermann === null ? '' : `Ackermann ${readable(ackermann.toFixed(0))} %`,
  ]
    .filter(Boolean)
    .join(', ');

/** What is not known is no ✓. */
const markOf = ({ fitsRack, tooLong, tooShort }: InnerRodTried): string =>
  fitsRack === false || tooLong || tooShort ? '△' : fitsRack === null ? '?' : '✓';

const suits = (
  { part, fitsRack, left, tooLong, tooShort }: InnerRodTried,
  unit: PartProps['unit'],
): string =>
  [
    fitsRack === null
      ? `${part.rackThread} on the rack, whose thread is not known`
      : fitsRack
        ? `${part.rackThread} fits the rack`
        : `${part.rackThread} does not fit the rack`,
    tooLong
      ? 'too long: it leaves no room for an outer end'
      : `leaves ${lengthIn(left, unit, 0)} for an outer end${tooShort ? ', more than one takes: a sleeve' : ''} with ${part.outerThread}`,
  ].join('; ');
