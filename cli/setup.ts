import { wheelOf } from '../src/core/kinematics/wheel';
import type { AxleName, Build, Side } from '../src/core/model/build';
import { parseNumber } from '../src/core/model/units';
import { adjustersOf } from '../src/core/setup/adjusters';
import { centreRack } from '../src/core/setup/centring';
import { curesAt, lowered } from '../src/core/setup/lowered';
import { SET, Setting, unitEffects } from '../src/core/setup/setting';
import type { SetBy } from '../src/core/setup/setting';
import { setUp } from '../src/core/setup/solve';
import {
  changesInWords,
  moveInWords,
  shortInWords,
  signed,
  trackInWords,
  unitInWords,
} from '../src/core/setup/words';
import { BadInput } from './input';

export interface SetupRequest {
  axle: AxleName;
  side: Side;
  want?: string | undefined;
  measured?: string | undefined;
  lower?: number | undefined;
  rackOff?: number | undefined;
  format: 'text' | 'json';
}

/** `camber=-1.5,toe=0.1`: degrees. */
function figures(text: string | undefined, option: string): Partial<Record<SetBy, number>> {
  const read: Partial<Record<SetBy, number>> = {};
  for (const part of (text ?? '').split(',').filter((one) => one.trim() !== '')) {
    const [name, value, ...more] = part.split('=').map((one) => one.trim());
    const of = SET.find((one) => one === name);
    if (!of || value === undefined || more.length > 0)
      throw new BadInput(
        `${option}: “${part.trim()}” is not one of ${SET.join(', ')} with a figure, as camber=-1.5`,
      );
    if (read[of] !== undefined) throw new BadInput(`${option}: ${of} is given twice`);
    const parsed = parseNumber(value);
    if (!parsed.ok) throw new BadInput(`${option}: ${of} ${parsed.why}`);
    if (Math.abs(parsed.value) > 45)
      throw new BadInput(`${option}: ${of} is in degrees, 45 either way at the most`);
    read[of] = parsed.value;
  }
  return read;
}

/** What every adjuster of a wheel does, and the turns and washers from what was measured to what is wanted. */
export function setupReport(build: Build, request: SetupRequest): string {
  const { axle, side, format } = request;
  const want = figures(request.want, '--want');
  const measured = figures(request.measured, '--measured');
  const wheel = wheelOf(build, axle, side);
  if (!wheel) throw new BadInput(`the build has no ${axle} axle`);
  const setting = wheel.corner && new Setting(wheel, adjustersOf(build, wheel));
  if (!setting?.stands(setting.still))
    throw new BadInput('the layout cannot be put together as drawn');
  const { adjusters } = setting;
  const effects = unitEffects(setting);
  const plan = Object.keys(want).length > 0 ? setUp(setting, want, measured) : null;
  const down = request.lower === undefined ? null : lowered(wheel, request.lower);
  const low = down && { ...down, cures: curesAt(wheel, down.by) };
  if (request.lower !== undefined && !low)
    throw new BadInput(`--lower: so far the ${side} ${axle} wheel does not go by itself`);
  const rods = request.rackOff === undefined ? null : centreRack(build, request.rackOff);
  if (request.rackOff !== undefined && !rods)
    throw new BadInput('--rack-off: the front has no rack with two rods of its own');
  if (format === 'json')
    return `${JSON.stringify(
      {
        adjusters: adjusters.map(({ id, name, unit, per, places, assumed }, i) => ({
          ...{ id, name, unit, per_mm: per, places, assumed, effect: effects[i] },
        })),
        plan: plan && {
          ...plan,
          moves: plan.moves.map((move) => ({
            ...{ id: move.adjuster.id, by_mm: move.by },
            says: moveInWords(wheel.design, move),
          })),
          short: plan.short.map((one) => ({ of: one.of, by: one.by, says: shortInWords(one) })),
        },
        ...(low && { lowered: low }),
        ...(rods && {
          centring: rods.map(({ adjuster, by, ...one }) => ({
            ...one,
            by_mm: by,
            says: moveInWords(build.front, { adjuster, by }),
          })),
        }),
      },
      null,
      2,
    )}\n`;
  const lines = [`Set-up of the ${axle} ${side} wheel at ride height`, ''];
  if (adjusters.length === 0)
    lines.push('Nothing of it can be set: describe its threads or freedoms.');
  adjusters.forEach((adjuster, i) => {
    const effect = effects[i];
    const does = effect
      ? [
          `camber ${signed(effect.camber)}`,
          ...(effect.caster === null ? [] : [`caster ${signed(effect.caster)}`]),
          `toe ${signed(effect.toe)}`,
          `track ${trackInWords(effect.track)}`,
          ...(effect.bump === null ? [] : [`bump steer ${signed(effect.bump)}`]),
        ].join(', ')
      : 'does not go together';
    lines.push(
      `${adjuster.name}, ${unitInWords(adjuster)}: ${does}${adjuster.assumed ? ' (a usual thread: its own is not described)' : ''}`,
    );
  });
  if (plan) {
    lines.push(
      '',
      plan.reached ? 'From what was measured to what is wanted:' : 'As near as it goes:',
    );
    if (plan.moves.length === 0) lines.push('  nothing is to be moved');
    plan.moves.forEach((move, i) => lines.push(`  ${i + 1}. ${moveInWords(wheel.design, move)}`));
    lines.push(`Then: ${changesInWords(plan).join(', ')}.`);
    if (plan.bump)
      lines.push(
        `Largest change of toe over the travel: ${plan.bump.before.toFixed(2)}° → ${plan.bump.after.toFixed(2)}°.`,
      );
    for (const one of plan.short) lines.push(`Not to be had: ${shortInWords(one)}.`);
    lines.push(
      'Nuts tight and marked, engagement seen, then measure again. Steering and suspension are inspected as the law where you drive asks.',
    );
  }
  if (low) {
    const { before, after, cures } = low;
    lines.push(
      '',
      `${Math.abs(low.by)} mm ${low.by > 0 ? 'lower' : 'higher'}: camber ${signed(before.camber)} → ${signed(after.camber)}, toe ${signed(before.toe)} → ${signed(after.toe)}, largest change of toe ${before.bump.toFixed(2)}° → ${after.bump.toFixed(2)}°.`,
      ...cures.map(
        ({ name, by, then, atEnd }) =>
          `  ${name} ${Math.abs(by).toFixed(1)} mm ${by > 0 ? 'up' : 'down'}: ${then.bump.toFixed(2)}°, camber ${signed(then.camber)}${atEnd ? ', at the end of its freedom' : ''}`,
      ),
    );
  }
  if (rods) {
    lines.push('', `Rack ${Math.abs(request.rackOff!)} mm off its middle; to bring it there:`);
    for (const { side: of, adjuster, by, toe, atEnd } of rods)
      lines.push(
        `  ${of} ${moveInWords(build.front, { adjuster, by })}: toe ${signed(toe.before)} → ${signed(toe.after)}${atEnd ? ', its thread ends there' : ''}`,
      );
  }
  return `${lines.join('\n')}\n`;
}
