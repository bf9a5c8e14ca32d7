import { webcrypto } from 'node:crypto';
import { deserialize, serialize } from 'node:v8';
import '@testing-library/jest-dom';

// What browsers have and the tests' document lacks.
globalThis.structuredClone ??= (value) => deserialize(serialize(value));
Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
