import { judgeColumn } from '../src/core/column/judge';
import { bumpSteer, judgeBumpSteer } from '../src/core/motion/bumpSteer';
import { MOST_WIND_UP, axleSteer, mostSteer } from '../src/core/motion/axleSteer';
import type { MovedBy, SteerCurve } from '../src/core/motion/axleSteer';
import { judgeDamper, judgeLoads } from '../src/core/judging/damper';
import { judgeParts } from '../src/core/shop/judge';
import { wheelOf } from '../src/core/kinematics/wheel';
import { prepareAxle, whyNot } from '../src/core/kinematics/axle';
import type { Axle } from '../src/core/kinematics/axle';
import { briefOf } from '../src/core/model/brief';
import type { Build, Side } from '../src/core/model/build';

/** What `check` prints for a sound file: one line a wheel with its bump steer over the stated travel. */
export function checkReport(build: Build): string {
  const lines = [`${build.name}: sound (${build.use}, wheelbase ${build.wheelbase} mm)`];
  for (const name of ['front', 'rear'] as const) {
    const design = build[name];
    const prepared = design && prepareAxle(design);
    if (!prepared?.ok) continue;
    for (const side of ['left', 'right'] as const)
      lines.push(`${name} ${side}: ${wheelLine(prepared.axle, side, build)}`);
    const steer = axleSteer(prepared.axle, build.travel);
    if (steer) lines.push(`${name} axle: ${axleLine(steer)}`);
  }
  for (const name of ['front', 'rear'] as const) {
    const wheel = wheelOf(build, name, 'left');
    const judged = wheel ? [...judgeDamper(build, wheel), ...judgeLoads(build, wheel)] : [];
    if (judged.length > 0)
      lines.push(
        `${name} damper and loads: ${judged.map(({ of, verdict }) => `${of}, ${verdict}`).join('; ')}`,
      );
  }
  for (const name of ['front', 'rear'] as const) {
    const wheel = wheelOf(build, name, 'left');
    const judged = wheel ? judgeParts(build, wheel) : [];
    if (judged.length > 0)
      lines.push(
        `${name} parts: ${judged.map(({ of, verdict }) => `${of}, ${verdict}`).join('; ')}`,
      );
  }
  if (build.front.column)
    lines.push(
      `column: ${judgeColumn(build.front.column, build.room, 'front')
        .map(({ of, verdict }) => `${of}, ${verdict}`)
        .join('; ')}`,
    );
  return `${lines.join('\n')}\n`;
}

/** How far an axle steers the car as it moves, the hands held still. */
function axleLine(steer: Record<MovedBy, SteerCurve>): string {
  const most = (by: MovedBy): string => {
    const found = mostSteer(steer[by]);
    return found === null ? 'not known, part is out of reach' : `${found.toFixed(3)}°`;
  };
  return `steers the car at the most ${most('heave')} over the travel, ${most('roll')} in roll to ${Math.abs(steer.roll.at[0]).toFixed(1)}°, ${most('windUp')} wound up ${MOST_WIND_UP}° each way`;
}

function wheelLine(axle: Axle, side: Side, build: Build): string {
  const { travel } = build;
  const { noTravel } = axle[side].drawn.type;
  if (noTravel) return whyNot(axle[side], 0, 0) || 'stands; no travel, so nothing of bump steer';
  const over = `over ${travel.bump} mm bump and ${travel.droop} mm droop`;
  const found = bumpSteer(axle[side], travel);
  if (found)
    return `toe range ${found.span.range.toFixed(3)}° ${over}, worst ${found.worst.toFixed(3)}° from ride height: ${judgeBumpSteer(found.worst, briefOf(build).targets.bumpSteer)}`;
  const why = whyNot(axle[side], travel.bump, 0) || whyNot(axle[side], -travel.droop, 0);
  return `does not reach ${over}: ${why}`;
}
