import type { ComponentType } from 'react';
import { typeOf } from '@/core/corners/kinds';
import type { CornerType } from '@/core/corners/cornerType';
import type { Station } from '@/core/judging/stations';
import { isSteered } from '@/core/kinematics/axle';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, AxleName, Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import type { Bands } from '@/core/tolerance/bands';
import {
  Arms,
  Brief,
  Check,
  Column,
  Damper,
  Plan,
  Setup,
  Shop,
  Steering,
  TakeOff,
  WheelAndUpright,
} from './lazy';
import { Rack } from './rack/Rack';
import type { RackPanelProps } from './rack/Rack';

/** What a station that takes the whole desk knows, and what it may do. */
export interface DeskProps {
  build: Build;
  wheel: Wheel;
  unit: LengthUnit;
  bands: Bands | null;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onAxle: (axle: AxleName) => void;
}

/** A station: what it is called for an axle's kind, what it asks, where it applies, and its panel. */
interface Entry {
  id: Station;
  name: (axle: Axle) => string;
  question: (axle: Axle) => string;
  shows: (axle: Axle) => boolean;
  /** Fills the desk, or stands under the floor. */
  panel:
    | {
        desk: ComponentType<DeskProps>;
        ofOneWheel: boolean;
        /** It takes the figures' place too. */
        wide?: true;
      }
    | { underFloor: ComponentType<RackPanelProps> };
}

/** What an entry goes by: the table of the axle's kind, and whether it is steered. */
interface Axle {
  type: CornerType;
  steered: boolean;
}

const always = () => true;

/** Every station, in the order of the work. Rail, panels and keys read this list alone. */
export const STATION_LIST: readonly Entry[] = [
  {
    id: 'brief',
    name: () => 'Brief',
    question: () => 'What is it for, what limits it?',
    shows: always,
    panel: { desk: Brief as ComponentType<DeskProps>, ofOneWheel: false },
  },
  {
    id: 'takeoff',
    name: () => 'Take-off',
    question: () => 'Where are the parts that exist?',
    shows: always,
    panel: { desk: TakeOff as ComponentType<DeskProps>, ofOneWheel: true },
  },
  {
    id: 'wheel',
    name: () => 'Wheel & upright',
    question: () => 'Where does the wheel sit?',
    shows: always,
    panel: { underFloor: WheelAndUpright as ComponentType<RackPanelProps> },
  },
  {
    id: 'arms',
    name: ({ type }) => type.station.name,
    question: ({ type }) => type.station.question,
    shows: always,
    panel: { underFloor: Arms as ComponentType<RackPanelProps> },
  },
  {
    id: 'rack',
    name: ({ type, steered }) =>
      type.coupled
        ? 'Drag link'
        : !steered
          ? 'Toe link'
          : type.noTravel
            ? 'Tie rods'
            : 'Rack & tie rod',
    question: ({ type, steered }) =>
      type.noTravel
        ? `Where ${type.coupled ? 'does it go, and does it' : 'do they go, and do they'} hold?`
        : type.coupled
          ? 'Where does it go so that bumps do not steer the car?'
          : steered
            ? 'Where do they go so that bumps do not steer?'
            : 'Where does it go so that bumps do not steer?',
    // Without a rod there is nothing to null by.
    shows: ({ type }) => type.tieRod !== null,
    panel: { underFloor: Rack },
  },
  {
    id: 'steering',
    name: () => 'Steering',
    question: () => 'Does it turn true, far enough, the right way?',
    shows: ({ type, steered }) => type.tieRod !== null && steered,
    panel: { desk: Steering as ComponentType<DeskProps>, ofOneWheel: false },
  },
  {
    id: 'column',
    name: () => 'Column',
    question: () => 'From the hands to the pinion: smoothly, past everything?',
    shows: ({ type, steered }) => type.tieRod !== null && steered,
    panel: { desk: Column as ComponentType<DeskProps>, ofOneWheel: false },
  },
  {
    id: 'damper',
    name: ({ type }) => (type.noTravel ? 'Loads' : 'Damper & springs'),
    question: ({ type }) =>
      type.noTravel
        ? 'What do the parts carry?'
        : 'Does the travel fit the damper, and what do the parts carry?',
    shows: always,
    panel: { underFloor: Damper as ComponentType<RackPanelProps> },
  },
  {
    id: 'shop',
    name: () => 'Jigs & parts',
    question: () => 'What do I cut, drill, weld, buy?',
    shows: always,
    panel: { desk: Shop as ComponentType<DeskProps>, ofOneWheel: false, wide: true },
  },
  {
    id: 'check',
    name: () => 'Check',
    question: () => 'Does the car on the stands agree with the drawing?',
    // What never goes up and down has no bump steer to read.
    shows: ({ type }) => !type.noTravel,
    panel: { desk: Check as ComponentType<DeskProps>, ofOneWheel: false, wide: true },
  },
  {
    id: 'setup',
    name: () => 'Set-up',
    question: () => 'How are camber, caster and toe set, and to what?',
    shows: always,
    panel: { desk: Setup as ComponentType<DeskProps>, ofOneWheel: true, wide: true },
  },
  {
    id: 'plan',
    name: () => 'Order of work',
    question: () => 'What next, and what must be true first?',
    shows: always,
    panel: { desk: Plan as ComponentType<DeskProps>, ofOneWheel: false, wide: true },
  },
];

export interface NamedStation {
  id: Station;
  name: string;
  question: string;
  panel: Entry['panel'];
}

/** The stations of an axle, named for its kind. */
export const stationsOf = (
  design: Pick<AxleDesign, 'kind' | 'rack' | 'dropArm'>,
): NamedStation[] => {
  const axle = { type: typeOf(design), steered: isSteered(design) };
  return STATION_LIST.filter(({ shows }) => shows(axle)).map(({ id, name, question, panel }) => ({
    id,
    name: name(axle),
    question: question(axle),
    panel,
  }));
};
