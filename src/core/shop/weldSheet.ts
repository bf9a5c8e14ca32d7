import type { Wheel } from '../kinematics/wheel';
import { pointLabel } from '../model/labels';
import { counted } from '../model/wording';
import type { Sheet } from '../sheets/drawing';
import type { MemberBuild } from '../model/made';
import { codeOf, partCode } from './code';
import { roundOf } from './copeSheet';
import { cutsOf } from './cut';
import type { EndCut } from './cut';
import type { ShopPart } from './parts';
import { capital, handsInWords, hasThreads, mm } from './sheetWords';
import type { Hand, Named } from './sheetWords';

/** A weld of a part: where, round how much, in how many runs, what is kept out of its heat. Lengths mm. */
export interface Weld {
  part: string;
  where: string;
  length: number;
  runs: number;
  keep: string;
}

/** A run is no longer than this before the torch goes to the other side, mm (common practice, from memory). */
const RUN = 25;
/** Rubber, grease and hardened balls stay this far from a weld, mm (common practice, from memory). */
export const AWAY = 75;

/** Every weld of a part's tubes: coped ends, butted ends, inserts. */
export function weldsOf(wheel: Wheel, part: ShopPart): Weld[] {
  return cutsOf(wheel, part).flatMap(({ member, ends }) =>
    ends.flatMap((end): Weld[] => {
      const length = lengthOf(end, member.made);
      if (length === null) return [];
      return [
        {
          part: member.name,
          where: pointLabel(wheel.design, end.joint),
          length,
          // In pairs that lie opposite each other.
          runs: 2 * Math.max(1, Math.ceil(length / RUN / 2)),
          keep: keptOut(end),
        },
      ];
    }),
  );
}

/** Round the tube's skin as it is cut; null where nothing is welded. */
function lengthOf({ made, cope }: EndCut, tube: MemberBuild): number | null {
  const around = roundOf(tube);
  if (made.as === 'rodEnd') return made.bung > 0 ? around : null;
  // A plate is welded on both its faces.
  if (tube.form === 'plate')
    return made.as === 'plate' ? 2 * tube.outside : 2 * Math.PI * made.outside;
  if (made.as === 'plate') return around;
  if (!cope) return null;
  let round = 0;
  cope.profile.forEach(({ turn, from }, i) => {
    const before = cope.profile[i - 1];
    if (before)
      round += Math.hypot(((turn - before.turn) * around) / (2 * Math.PI), from - before.from);
  });
  return round;
}

function keptOut({ made }: EndCut): string {
  if (made.as === 'rodEnd') return 'rod end out, an old bolt in the thread';
  if (made.as === 'plate') return 'what is bolted to it off';
  return made.school === 'rubber' || made.school === 'polyurethane'
    ? 'bush out; a dummy in its bore'
    : 'joint out; a dummy in its bore';
}

/** In which order an axle's parts are tacked, checked and welded. */
export function weldSheet(hand: Hand, parts: readonly ShopPart[], named: Named): Sheet {
  const { wheel } = hand;
  const welds = parts.flatMap((part) => weldsOf(wheel, part));
  const steps = parts.flatMap((part) => stepsOf(part));
  return {
    ...named,
    drawing: null,
    tables: [
      {
        title: 'In this order',
        head: ['', 'what', 'goes on when'],
        widths: [0.06, 0.54, 0.4],
        rows: [...steps, ...LAST].map(([what, gate], i) => [String(i + 1), what, gate]),
      },
      {
        title: 'Welds of one side, mm',
        head: ['of', 'at', 'about long', 'runs', 'kept out of the heat'],
        widths: [0.25, 0.25, 0.12, 0.08, 0.3],
        rows: welds.map(({ part, where, length, runs, keep }) => [
          part,
          where,
          mm(length, 0),
          String(runs),
          keep,
        ]),
      },
    ],
    notes: [
      handsInWords(hand),
      `Runs of ${RUN} mm at the most, each next one opposite the last, the part cold to the hand before it is turned over. Rubber, grease, balls and anything hardened stay ${AWAY} mm off or come out.`,
      'Both hands are welded in the same order and the same way round: they pull alike.',
      'A weld that holds the car to the road is made by qualified hands and looked at by others; where the law asks for it, it is inspected before it is painted.',
    ],
    code: codeOf([parts.map((part) => partCode(wheel, part)), welds]),
  };
}

/** What has to be done to a part, and what has to be true before the next is begun. */
function stepsOf(part: ShopPart): [string, string][] {
  const { name, members } = part;
  const welded = members.some(({ made }) =>
    [made.from, made.to].some((end) => end.as !== 'rodEnd' || end.bung > 0),
  );
  if (!welded) return [];
  const tubes = counted(members.length, 'tube');
  const jig = part.as === 'arm' && part.joints.length > 2;
  return [
    [
      `${capital(name)}: cut ${tubes}, check by its sheet`,
      'lengths within 0.5 mm, copes close without light',
    ],
    [
      `${capital(name)}: ${jig ? 'pin it in its jig' : 'set its length between two pins'}, tack at four places an end`,
      jig ? 'every distance of the jig’s table by tape' : 'joint to joint by tape',
    ],
    [
      `${capital(name)}: take it off, measure, put it back, weld`,
      'it goes back on its pins by hand',
    ],
    [
      `${capital(name)}: cold, off the jig, measure again${hasThreads(part) ? ', run the taps through' : ', ream'}`,
      'what it pulled is written down; past 0.5 mm it is set right before the other hand',
    ],
  ];
}

const LAST: [string, string][] = [
  [
    'Brackets: tack on the frame, hang the arms, go through travel and lock',
    'nothing binds or touches',
  ],
  [
    'Brackets: measure both sides from the setting jig, then weld with a dummy bolt in',
    'left and right within 1 mm',
  ],
  [
    'Everything apart, cleaned, looked at for cracks; then put together with new locking nuts',
    'measured again before paint',
  ],
];
