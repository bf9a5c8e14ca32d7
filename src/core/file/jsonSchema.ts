import { z } from 'zod';
import { buildSchema } from '../model/build';

/** JSON Schema (2020-12) of a build's file, made from the schema that reads it. */
export const buildJsonSchema = (): object => ({
  title: 'Havrik build, version 1',
  description:
    'Lengths in mm, angles in degrees. Points are {ahead, out, up}: ahead of the front axle line, outward from the centreline, up from the ground at ride height. Havrik also refuses layouts that are degenerate as drawn, which a schema cannot say.',
  ...z.toJSONSchema(buildSchema, { reused: 'ref', io: 'input' }),
});
