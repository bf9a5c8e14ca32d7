import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { counted } from '../model/wording';
import { bracketOf } from './bracket';
import { cutsOf } from './cut';
import { worked } from './pieces/pieces';
import { shopParts } from './parts';
import { stackOf } from './stack';
import { adjustmentOf } from './threads';
import type { Judged } from '../verdict/verdicts';

/**
 * Verdicts on the parts of a wheel that somebody has described: whether they can be cut, tapped and bolted as they are
 * described, how far they can be set. Of what stands in for nobody's word there is none.
 */
export function judgeParts(build: Build, wheel: Wheel): Judged[] {
  const { made = {}, pieces = [] } = wheel.design;
  if (Object.keys(made).length === 0 && pieces.length === 0) return [];
  const faults: Judged[] = [];
  for (const piece of pieces)
    for (const fault of worked(build, wheel, piece).faults)
      faults.push({ verdict: 'rework', of: fault.split(';')[0] });
  let described = 0;
  let all = 0;
  for (const part of shopParts(wheel)) {
    const cuts = cutsOf(wheel, part);
    cuts.forEach(({ member, faults: ofCut }) => {
      all++;
      if (member.assumed) return;
      described++;
      const adjustment = adjustmentOf(wheel, member, build.shop);
      for (const of of [...ofCut, ...(adjustment?.faults ?? [])])
        faults.push({ verdict: 'rework', of: of.split(';')[0] });
      if (adjustment?.wanted && !adjustment.wanted.inside)
        faults.push({
          verdict: adjustment.wanted.possible ? 'look again' : 'rework',
          of: `${member.name}: its threads do not reach the range that is wanted`,
        });
      for (const name of [member.from, member.to])
        for (const fault of bracketOf(wheel, member, name)?.faults ?? [])
          faults.push({ verdict: 'look again', of: fault.split(';')[0] });
      for (const end of [member.made.from, member.made.to])
        if (end.as === 'rodEnd')
          for (const fault of stackOf(end)?.faults ?? [])
            faults.push({ verdict: 'look again', of: `${member.name}: ${fault.split(';')[0]}` });
    });
  }
  if (described === 0 && pieces.length === 0) return [];
  const also = pieces.length > 0 ? ` and ${counted(pieces.length, 'piece')}` : '';
  return faults.length > 0
    ? faults
    : [
        {
          verdict: 'accept',
          of: `${described} of ${counted(all, 'part')}${also} described, can be cut and tapped`,
        },
      ];
}
