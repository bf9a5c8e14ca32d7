import { existsSync, readFileSync } from 'node:fs';
import { z } from 'zod';

/** Prints one line over all suites and exits 1 if anything failed: a test, a suite or a step. */
const resultSchema = z.object({
  numPassedTests: z.number(),
  numFailedTests: z.number(),
  numRuntimeErrorTestSuites: z.number(),
});

const [stepFailed, ...files] = process.argv.slice(2);
let passed = 0;
let failed = 0;
for (const file of files) {
  if (!existsSync(file)) {
    failed++;
    continue;
  }
  const result = resultSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  passed += result.numPassedTests;
  failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
}
// Lint, types and build count as one check each way: a failed one shows here too.
if (stepFailed !== '0' && failed === 0) failed = 1;
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
