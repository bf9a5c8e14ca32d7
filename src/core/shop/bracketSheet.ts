import { pointLabel } from '../model/labels';
import type { Sheet } from '../sheets/drawing';
import { bracketDrawing } from './bracket';
import type { Bracket } from './bracket';
import { codeOf } from './code';
import type { ShopMember } from './parts';
import { effectInWords, mm } from './sheetWords';
import type { Hand, Named } from './sheetWords';

export function bracketSheet(
  hand: Hand,
  list: readonly { member: ShopMember; bracket: Bracket }[],
  named: Named,
): Sheet {
  const { wheel, hands } = hand;
  const label = (joint: string) => pointLabel(wheel.design, joint);
  return {
    ...named,
    drawing: bracketDrawing(
      list.map(({ bracket }) => ({ bracket, title: label(bracket.joint) })),
      hands.length,
    ),
    tables: [
      {
        title: 'Holes from the middle of the foot, mm',
        head: ['bracket', 'hole', 'along', 'over the foot', 'bolt'],
        widths: [0.36, 0.16, 0.16, 0.16, 0.16],
        rows: list.flatMap(({ bracket }) =>
          bracket.holes.map(({ at, drawn }) => [
            label(bracket.joint),
            drawn ? 'as drawn' : 'another',
            mm(at[0], 2),
            mm(at[1], 2),
            mm(bracket.held.bolt),
          ]),
        ),
      },
      ...(list.some(({ bracket }) => bracket.flat)
        ? [
            {
              title: 'Folded from one plate, mm',
              head: ['bracket', 'flat length', 'each bend takes', 'fold lines from the middle'],
              widths: [0.36, 0.18, 0.2, 0.26],
              rows: list.flatMap(({ bracket: { joint, flat } }) =>
                flat
                  ? [
                      [
                        label(joint),
                        mm(flat.length),
                        mm(flat.allowance, 2),
                        `±${mm(flat.bends[0], 2)}`,
                      ],
                    ]
                  : [],
              ),
            },
          ]
        : []),
    ],
    notes: [
      ...list.flatMap(({ bracket }) => bracket.faults),
      ...list.flatMap(({ bracket: { joint, correction } }) =>
        correction
          ? [
              `${label(joint)}: washers moved from one side to the other, at every pivot of it alike, set it ${mm(correction.each)} mm either way along its bolt${correction.effect ? `; one way that is ${effectInWords(correction.effect)}` : ''}. Washers only add: weld it toward the side that they can bring back.`,
            ]
          : [],
      ),
      'Ears stand square to the bolt. Drill both of a pair together, tacked; ream after welding. Bend allowance by the neutral line at 0.4 of the thickness: fold a strip of the same plate first.',
    ],
    code: codeOf(list.map(({ bracket }) => [bracket.joint, bracket.held, bracket.holes])),
  };
}
