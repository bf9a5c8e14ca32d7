import type { NAMES } from './names';

/** What a figure is, which way it counts, why it matters, what moves it: in a few words each. */
export interface FigureHelp {
  of: keyof typeof NAMES;
  is: string;
  sign: string;
  why: string;
  moves: string;
}

/** Definitions as in SAE J670 and ISO 8855 where these have one; the rest is common practice. */
export const FIGURE_HELP: readonly FigureHelp[] = [
  {
    of: 'toe',
    is: 'The wheel’s plane against straight ahead, seen from above, degrees of each wheel.',
    sign: '+ front of the tyre in, − out.',
    why: 'It holds the car straight, or turns it in; too much of it eats tyres.',
    moves: 'The rod’s length; over bumps where its joints are.',
  },
  {
    of: 'bumpSteer',
    is: 'The most that toe goes from ride height over the travel, the steering held.',
    sign: 'Always +; the curve says which way.',
    why: 'The car steers itself over every bump and in every roll.',
    moves: 'Height and reach of the rod’s inner and outer joints; their null line.',
  },
  {
    of: 'toeRange',
    is: 'The largest toe over the travel less the smallest.',
    sign: 'Always +.',
    why: 'One number for the whole curve; what the ± of the measurements makes of it is told with it.',
    moves: 'As bump steer.',
  },
  {
    of: 'camber',
    is: 'The wheel’s plane against the vertical, seen from the front.',
    sign: '+ top out, − top in.',
    why: 'The tyre grips most when it stands flat in the corner, with the car rolled.',
    moves: 'Length of one arm against the other, spacers at their pivots.',
  },
  {
    of: 'camberGain',
    is: 'Camber for 25 mm of bump at ride height.',
    sign: '− where the top goes in with bump.',
    why: 'It gives back what roll takes; too much of it costs braking.',
    moves: 'How the arms lean to each other, and how long they are.',
  },
  {
    of: 'caster',
    is: 'The steering axis against the vertical, seen from the side.',
    sign: '+ top rearward.',
    why: 'It centres the steering and cambers the wheels into the corner as they turn.',
    moves: 'An upper joint further back, or a lower one further ahead.',
  },
  {
    of: 'kpi',
    is: 'The steering axis against the vertical, seen from the front.',
    sign: '+ top inward.',
    why: 'It brings the axis to the tyre, and lifts the car as the wheels turn.',
    moves: 'The upright itself: its two joints.',
  },
  {
    of: 'scrub',
    is: 'From the tyre’s contact to where the steering axis meets the ground, across.',
    sign: '+ axis inboard of the contact.',
    why: 'The arm by which one braked wheel, or a stone, pulls at the hands.',
    moves: 'Rim offset, spacers, the upright’s lean.',
  },
  {
    of: 'trail',
    is: 'The same along: how far the axis meets the ground ahead of the contact.',
    sign: '+ axis ahead.',
    why: 'The arm by which a cornering tyre centres the steering: what the hands feel.',
    moves: 'Caster, and the hub ahead of or behind the axis.',
  },
  {
    of: 'rollCentre',
    is: 'Where the body turns about the wheels in roll, as their lines have it; above the ground.',
    sign: '+ above the ground.',
    why: 'High it rolls little and jacks up; it should not wander over the travel.',
    moves: 'How steep the arms stand, where their lines meet.',
  },
  {
    of: 'ackermann',
    is: 'How much more the inner wheel turns than the outer, of what rolling without scrub asks.',
    sign: '100 % true, 0 parallel, − the outer more.',
    why: 'Tyres scrub and the nose pushes where it is wrong for the corner’s speed.',
    moves: 'The steering arms’ angle and the rack ahead of or behind them.',
  },
  {
    of: 'ratio',
    is: 'Degrees of the handwheel for one of the road wheels’ mean, about straight ahead.',
    sign: 'Larger is slower and lighter.',
    why: 'How far the hands go, how hard they pull.',
    moves: 'The rack’s mm a turn, the arms’ length, a quickener.',
  },
  {
    of: 'lock',
    is: 'How far the inner wheel turns at the steering’s end.',
    sign: 'Always +.',
    why: 'The circle the car turns in.',
    moves: 'Rack travel, arms’ length, what touches first.',
  },
];
