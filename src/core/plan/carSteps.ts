import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { ALIKE, MINUTES, said, step } from './step';
import type { Step } from './step';

/** What is done once for the whole car: drawing, frame, and where nothing travels the rear axle's strings. */
export function carSteps(build: Build, travels: boolean): Step[] {
  const common: Step[] = [
    step('drawn', {
      ...{ kind: 'drawn', title: 'Drawing settled', minutes: MINUTES.drawn },
      does: 'Freeze the variant that is built, so that sheets and metal agree.',
      fixes: 'Every joint’s place on paper: from here a change costs metal.',
      gates: [
        {
          ...{ as: 'reckoned', id: 'settled', by: 'settled' },
          asks: 'No joint and no figure is a sketch',
        },
        { as: 'reckoned', id: 'frozen', by: 'frozen', asks: 'The variant is frozen' },
        said(
          'asked',
          'Class rules and licensing were asked about, their answers written under rules',
        ),
      ],
    }),
    step('frame', {
      ...{ kind: 'frame', title: 'Frame on stands, level, datum marked', minutes: MINUTES.frame },
      does: 'Frame on four stands that cannot tip, level both ways; centreline, axle lines and a height datum marked so that they last.',
      fixes: 'What every height, every “ahead” and every “out” is counted from.',
      tools: ['four stands', 'level', 'plumb line', 'tape', 'scriber'],
      gates: [
        {
          ...{ as: 'pair', id: 'diagonals', asks: 'Both diagonals between the marks alike' },
          ...{ names: ['left front to right rear', 'right front to left rear'] },
          ...{ drawn: null, within: 2 },
        },
        said('level', 'Level both ways, and again after leaning on it'),
      ],
      cautions: ['stands'],
    }),
  ];
  if (travels || build.rear) return common;
  return [
    ...common,
    step('strings', {
      ...{ kind: 'strings', title: 'Rear axle square, strings along both sides' },
      does: 'Axle in its bearings, square to the frame’s centreline; a string along each side, the same distance from the axle’s ends.',
      fixes: 'Straight ahead: toe is read from these strings.',
      minutes: MINUTES.strings,
      after: ['frame'],
      tools: ['two strings', 'square', 'rule'],
      stock: [],
      gates: [
        {
          ...{ as: 'pair', id: 'square', asks: 'From the axle’s ends to a mark on the centreline' },
          ...{ names: ['left', 'right'], drawn: null, within: ALIKE },
        },
      ],
    }),
  ];
}

/** What is beside the steered axle: seat, pedals, column. */
export function handSteps({ axle, design }: Wheel): Step[] {
  const unit = `${axle}/rack`;
  const column = design.column !== undefined;
  const [end, its] = design.dropArm ? ['drop arm’s shaft', 'shaft’s'] : ['pinion', 'pinion’s'];
  return [
    step('seat', {
      ...{ kind: 'seat', title: 'Seat and hands', minutes: MINUTES.seat },
      does: 'Seat loosely in, the driver in it with helmet; handwheel held where hands, knees and sight want it.',
      fixes: 'Where the column begins, and how near the pedals are.',
      after: ['frame'],
      tools: ['clamps', 'a helper'],
      gates: [
        said(
          'sat',
          'The driver sat in it with helmet and belts, and turned the wheel past the knees',
        ),
      ],
      ...(column && { column: true as const }),
    }),
    step('pedals', {
      ...{ kind: 'pedals', title: 'Pedals', minutes: MINUTES.pedals },
      does: 'Pedals to the driver’s feet; master cylinders and their room.',
      fixes: 'What the column has to pass.',
      after: ['seat'],
      gates: [said('pressed', 'Full stroke of each pedal, foot clear of column and rack')],
    }),
    step('column', {
      ...{
        kind: 'column',
        title: 'Column from the hands to the steering',
        minutes: MINUTES.column,
      },
      does: `Joints, shafts and bearings in; the ${end} held at its angle.`,
      fixes: `The ${its} angle: the brackets are welded to suit it.`,
      after: ['seat', unit],
      tools: ['angle gauge', 'pinch-bolt spanner'],
      gates: [
        said(
          'finger',
          'Wheels off the ground: turns with one finger from lock to lock, no tight spot',
        ),
        said('pinched', 'Every pinch bolt in its groove, its nut locked'),
      ],
      cautions: ['steering'],
      points: [],
      ...(column && { column: true as const }),
    }),
  ];
}
