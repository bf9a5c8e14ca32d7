import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildJsonSchema } from './jsonSchema';

it('stands in docs/ as the schema has it (npm run schema)', () => {
  const written = readFileSync(join(__dirname, '../../../docs/havrik-build.schema.json'), 'utf8');
  expect(JSON.parse(written)).toEqual(JSON.parse(JSON.stringify(buildJsonSchema())));
});
