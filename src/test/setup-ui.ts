import { webcrypto } from 'node:crypto';
import { deserialize, serialize } from 'node:v8';
import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';

// Long enough for a machine that has other work: what is not there at all is still told.
jest.setTimeout(180_000);
configure({ asyncUtilTimeout: 20_000 });

// What browsers have and the tests' document lacks.
globalThis.structuredClone ??= (value) => deserialize(serialize(value));
Object.defineProperty(globalThis, 'crypto', { value: webcrypto });

// jsdom has no pointers, and the gesture library asks the window whether there are any.
class Pointer extends MouseEvent {
  readonly pointerId: number;
  constructor(type: string, init: PointerEventInit = {}) {
    super(type, init);
    this.pointerId = init.pointerId ?? 1;
  }
}
Object.assign(window, { PointerEvent: Pointer, onpointerdown: null });
Object.assign(Element.prototype, {
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
  hasPointerCapture: () => true,
});
