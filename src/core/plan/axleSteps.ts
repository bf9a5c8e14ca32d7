import { DAMPER_POINTS } from '../corners/damperTable';
import { distance } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { rodWord } from '../model/labels';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { shopParts } from '../shop/parts';
import type { ShopPart } from '../shop/parts';
import { capital, hasThreads } from '../shop/sheetWords';
import { ALIKE, MINUTES, ROD_ALIKE, said, step } from './step';
import type { Draft, Gate, Step } from './step';

/** What is done at one axle, from its tubes to its set-up, in no order yet. */
export function axleSteps(wheel: Wheel, steered: boolean): Step[] {
  const { axle, type, design, travels } = wheel;
  const Axle = capital(axle);
  const at = (id: string) => `${axle}/${id}`;
  const parts = shopParts(wheel);
  const rod = type.tieRod ? [type.tieRod.inner, type.tieRod.outer] : [];
  const crossing = type.coupled ? [type.coupled.crossRod] : [];
  const isRod = (part: ShopPart) =>
    part.members.some(({ role }) => role === 'rod') ||
    part.joints.every((name) => [...rod, ...crossing].includes(name));
  const rods = parts.filter(isRod);
  const arms = parts.filter((part) => !isRod(part));
  const members = parts.flatMap((part) => part.members.map(({ id }) => id));
  const ofDamper: string[] = DAMPER_POINTS.filter((name) => name in type.points);
  const all = Object.keys(type.points).filter((name) => !ofDamper.includes(name));
  const place = (name: PointName) => toVec(wheel.points[name]);
  const own = (id: string, draft: Draft): Step => step(at(id), { axle, ...draft });
  const armId = (part: ShopPart) => `arm/${part.id}`;
  const threaded = (those: readonly ShopPart[]): Gate[] =>
    those.some((part) => hasThreads(part))
      ? [said('witness', 'Thread seen in every witness hole, jam nuts tight')]
      : [];
  const full = [travels && 'bump', steered && 'lock'].filter(Boolean).join(' and ');
  const steps: Step[] = [];

  if (parts.length > 0)
    steps.push(
      own('cut', {
        ...{ kind: 'cut', minutes: MINUTES.part * parts.length * 2 },
        title: arms.some(({ as }) => as === 'arm')
          ? `${Axle} tubes cut, arms tacked in their jigs`
          : `${Axle} links and rods cut`,
        does: 'By the sheets: cut, cope, tack on the jig, take off, measure, put back, weld, measure again cold.',
        fixes: 'How long every arm and rod is; threads move them by their range alone.',
        after: ['drawn'],
        ...{
          members,
          sheets: ['tubes', 'jig', 'copes', 'threads', 'brackets', 'upright', 'order'],
        },
        tools: ['jig board and pins', 'saw', 'file', 'welder', 'tape'],
        stock: ['tube', 'rod ends or bushes', 'inserts', 'bolts'],
        gates: [
          {
            ...{ as: 'reckoned', id: 'made', by: 'made' },
            asks: 'What is described can be cut, tapped and bolted',
          },
          said('jig', 'Every distance of the jigs’ tables by tape, cold, off the jig'),
        ],
        cautions: ['welding'],
        ...{ points: all, made: members },
      }),
    );
  steps.push(
    own('wheel', {
      ...{ kind: 'wheel', minutes: MINUTES.wheel },
      title: type.coupled?.spring ? `${Axle} axle hung on its springs` : `${Axle} wheels placed`,
      does: 'Wheel and upright held where they are drawn at ride height: track, height, camber, straight ahead. Blocks and clamps, not the jack.',
      fixes: 'Track, ride height, kingpin, caster: the arms are made to meet this.',
      after: ['frame'],
      tools: ['blocks', 'level', 'plumb line', 'strings'],
      sheets: ['setting'],
      gates: [
        {
          ...{ as: 'pair', id: 'hubs', asks: 'Hub’s middle over the datum, both sides' },
          ...{ names: ['left', 'right'], drawn: null, within: ALIKE },
        },
        {
          ...{ as: 'pair', id: 'out', asks: 'Hub’s face from the centreline, both sides' },
          ...{ names: ['left', 'right'], drawn: null, within: ALIKE },
        },
      ],
      cautions: ['stands'],
      points: all.filter((name) => type.points[name].on !== 'chassis'),
    }),
  );
  for (const part of arms) {
    const inner = part.joints.filter((name) => type.points[name].on === 'chassis');
    const arm = part.as === 'arm';
    steps.push(
      own(armId(part), {
        ...{ kind: 'arm', title: `${Axle} ${part.name} hung` },
        does: `Brackets clamped or tacked at two spots, ${part.name} between frame and upright, bolts in hand-tight.`,
        fixes: arm
          ? 'Its pivots’ line: camber curve, roll centre and what is left for the others.'
          : 'Its length and both its places.',
        minutes: arm ? MINUTES.arm * 2 : MINUTES.link * 2,
        after: [at('wheel'), at('cut')],
        members: part.members.map(({ id }) => id),
        sheets: ['brackets'],
        tools: ['clamps', 'dummy bolts', 'level'],
        stock: ['brackets', 'bolts'],
        gates:
          inner.length > 0
            ? [
                {
                  ...{ as: 'pair', id: 'pivots', drawn: null, within: ALIKE },
                  asks: `${capital(type.points[inner[0]].label)} over the datum, both sides`,
                  names: ['left', 'right'],
                },
              ]
            : [],
        points: part.joints,
        made: part.members.map(({ id }) => id),
        high: part.joints.reduce((sum, name) => sum + place(name)[2], 0) / part.joints.length,
        ...(arm && { pivots: true as const }),
      }),
    );
  }
  const carried = design.damper
    ? arms.filter(({ body }) => ofDamper.some((name) => type.points[name].on === body))
    : [];
  if (design.damper)
    steps.push(
      own('damper', {
        ...{ kind: 'damper', title: `${Axle} damper’s dummy in, travel tried` },
        does: 'A bar with holes in the damper’s place; wheel held at full bump, ride height and full droop.',
        fixes: 'How far the wheel goes, and where the mounts are.',
        minutes: MINUTES.damper,
        after: [at('wheel'), ...carried.map((part) => at(armId(part)))],
        sheets: ['dummy'],
        tools: ['dummy damper', 'jack', 'stands'],
        gates: [said('noSpring', 'Cycled without spring to both ends, by hand')],
        cautions: ['spring', 'stands'],
        points: ofDamper,
      }),
    );
  if (steered) {
    const rack = design.dropArm === undefined;
    const [what, turn] = rack ? ['rack', 'travel'] : ['drop arm’s shaft', 'turn'];
    steps.push(
      own('rack', {
        ...{ kind: 'rack', title: `${capital(what)} loosely placed`, minutes: MINUTES.rack },
        does: `${capital(what)} clamped where it is drawn, middle of its ${turn} found and marked; nothing welded.`,
        fixes:
          'Where the inner joints are, so what the wheel does over bumps: it moves until the check is in band.',
        after: ['frame'],
        tools: ['clamps', 'level', 'rule'],
        sheets: ['rackPlate', 'rackMount'],
        gates: [
          {
            ...{ as: 'pair', id: 'rail', drawn: null, within: ALIKE },
            asks: rack
              ? 'Both rack mounts the same distance from the rail'
              : 'Shaft to the rail on either side',
            names: ['left', 'right'],
          },
          said('middle', `Middle of its ${turn} marked: as many turns to either end`),
        ],
        cautions: ['steering'],
        points: type.tieRod ? [type.tieRod.inner] : [],
      }),
    );
  }
  if (rods.length > 0 && type.tieRod) {
    const word = rodWord(design);
    const long = distance(place(type.tieRod.inner), place(type.tieRod.outer));
    steps.push(
      own('rods', {
        ...{ kind: 'rods', title: `${Axle} ${word}${type.coupled ? '' : 's'} in` },
        does: `Set to the drawn length between joints, both wheels straight ahead, ${steered ? 'steering in its middle' : 'toe as drawn'}.`,
        fixes: 'Toe at ride height, and with the inner joints what bumps do to it.',
        minutes: MINUTES.rods,
        after: [at('wheel'), at('cut'), ...(steered ? [at('rack')] : [])],
        members: rods.flatMap((part) => part.members.map(({ id }) => id)),
        sheets: ['threads'],
        tools: ['tape', 'spanners'],
        stock: ['washers for the outer joints'],
        gates: [
          ...(type.coupled
            ? []
            : ([
                {
                  ...{ as: 'pair', id: 'long', drawn: long, within: ROD_ALIKE },
                  asks: `${capital(word)}s joint to joint`,
                  names: ['left', 'right'],
                },
              ] satisfies Gate[])),
          ...threaded(rods),
        ],
        cautions: steered ? ['steering'] : [],
        points: [...rod, ...crossing],
        made: rods.flatMap((part) => part.members.map(({ id }) => id)),
      }),
    );
  }
  const hung = steps.filter(({ kind }) => kind !== 'cut').map(({ id }) => id);
  const cycled = travels ? 'cycled' : 'turned to both locks';
  const ends = travels
    ? 'Cycled without spring to both ends, at straight ahead and at both locks'
    : 'Turned from lock to lock, both ways';
  steps.push(
    own('cycle', {
      ...{ kind: 'cycle', minutes: MINUTES.cycle },
      title: `${Axle} ${cycled}, everything loose`,
      does: travels
        ? `Every joint moves freely through all of the travel${steered ? ' and lock' : ''}; what comes near is marked.`
        : 'Every joint moves freely from lock to lock; what comes near is marked.',
      fixes: 'That it goes where it was drawn to go, before anything holds.',
      after: hung,
      tools: travels ? ['jack', 'stands', 'clay or paper for near places'] : ['stands'],
      gates: [said('ends', ends), said('free', 'Nothing binds or touches; no joint at its stop')],
      cautions: travels ? ['spring', 'stands'] : ['stands'],
      ...{ points: all, made: members },
    }),
    own('tack', {
      ...{ kind: 'tack', title: `${Axle} brackets tacked`, minutes: MINUTES.tack },
      does: 'Four tacks a bracket, side to side, dummy bolts in; steering brackets last.',
      fixes: 'The brackets’ places, as far as a grinder cannot free them.',
      after: [at('cycle')],
      tools: ['welder', 'dummy bolts'],
      sheets: ['order'],
      gates: [said('tacks', 'Tacks only until the check is in band')],
      cautions: ['welding'],
      points: all,
    }),
    own('again', {
      ...{ kind: 'again', minutes: MINUTES.again },
      title: `${Axle} ${cycled} again, ${travels ? 'bump steer' : 'toe'} read`,
      does: travels
        ? 'The same on tacks; toe read at five heights or more at station Check, and the rack or washers moved until it is in band.'
        : 'The same on tacks; toe of both wheels at straight ahead and at lock.',
      fixes: 'That the drawing is what stands there.',
      after: [at('tack')],
      tools: travels ? ['jack', 'stands', 'tape or gauges'] : ['strings', 'rule'],
      gates: travels
        ? [{ as: 'reckoned', id: 'inBand', by: 'inBand', asks: 'A check of this axle is in band' }]
        : [said('toe', 'Toe as drawn; nothing binds')],
      cautions: ['stands'],
      points: all,
    }),
    own('weld', {
      ...{ kind: 'weld', title: `${Axle} brackets welded, off the car`, minutes: MINUTES.weld },
      does: 'Suspension off, dummy bolts or bars in; short runs side to side, measured cold between them.',
      fixes: 'Everything. What is wrong from here is cut off.',
      after: [at('again'), ...(steered ? ['column', 'pedals'] : [])],
      tools: ['welder', 'dummy bolts', 'tape'],
      sheets: ['order', 'setting'],
      stock: ['gussets'],
      gates: [
        said('engine', `Engine, sump and exhaust were back in, with the wheels at full ${full}`),
        ...(steered
          ? [
              said(
                'pinion',
                'Pinion’s or shaft’s angle was held by the column before its brackets are welded',
              ),
            ]
          : []),
        said('cold', 'Places measured again cold, against the tacked ones'),
      ],
      cautions: steered ? ['welding', 'steering'] : ['welding'],
      points: all,
    }),
    own('refit', {
      ...{ kind: 'refit', title: `${Axle} put together for good`, minutes: MINUTES.refit },
      does: 'New locking nuts, washers as noted, bolts the right way round, torqued and marked.',
      fixes: 'What is checked and set from now on.',
      after: [at('weld')],
      tools: ['torque wrench', 'paint for marks'],
      stock: ['new locking nuts', 'split pins'],
      gates: [
        { as: 'reckoned', id: 'here', by: 'here', asks: 'Every part of it that was noted is here' },
        said('torqued', 'Every nut torqued and marked by one, looked at by another'),
        ...threaded(parts),
      ],
      cautions: steered ? ['steering'] : [],
      ...{ points: all, made: members },
    }),
  );
  if (travels)
    steps.push(
      own('check', {
        ...{ kind: 'check', title: `${Axle} checked as it stands`, minutes: MINUTES.check },
        does: 'A check of its own at station Check, begun after the welding: heat moves things.',
        fixes: 'What later checks and knocks are held against.',
        after: [at('refit')],
        tools: ['jack', 'stands', 'tape or gauges'],
        gates: [
          {
            ...{ as: 'reckoned', id: 'inBand', by: 'inBand' },
            asks: 'A check begun after the welding is in band',
          },
        ],
        cautions: ['stands'],
        points: all,
      }),
    );
  steps.push(
    own('setup', {
      ...{ kind: 'setup', title: `${Axle} set up`, minutes: MINUTES.setup },
      does: 'Camber, caster and toe by station Set-up; a set kept in the book.',
      fixes: 'What it drives on.',
      after: [at(travels ? 'check' : 'refit')],
      tools: ['level or camber gauge', 'strings', 'spanners'],
      gates: [
        said('nuts', 'Jam nuts tight and marked after the last turn'),
        ...(steered
          ? [said('finger', 'Wheels off the ground: turns with one finger, no tight spot')]
          : []),
      ],
      cautions: steered ? ['steering', 'stands'] : ['stands'],
    }),
  );
  return steps.map((one) => ({
    ...one,
    // Ends of the car that are not cut have no sheets to wait for.
    after: one.after.filter((id) => id !== at('cut') || parts.length > 0),
  }));
}
