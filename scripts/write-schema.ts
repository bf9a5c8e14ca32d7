import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildJsonSchema } from '../src/core/file/jsonSchema';

/** Writes docs/havrik-build.schema.json; a test says when it is out of date. */
writeFileSync(
  join(__dirname, '../docs/havrik-build.schema.json'),
  `${JSON.stringify(buildJsonSchema(), null, 2)}\n`,
);
