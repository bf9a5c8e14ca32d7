import { CORNER_TYPES, pointNames } from '../src/core/corners/kinds';

/** Every kind of corner with its points, one a line: its name in files, what it is, what carries it. */
export function kindsList(): string {
  return CORNER_TYPES.map((type) => {
    const points = pointNames(type).map(
      (name) => `  ${name.padEnd(16)} ${type.points[name].label}, on the ${type.points[name].on}`,
    );
    return [`${type.kind}: ${type.label}. ${type.use}`, ...points, ''].join('\n');
  }).join('\n');
}
