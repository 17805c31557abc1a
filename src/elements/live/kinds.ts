import { unreadable } from '../../component/kind.js';
import { numberText } from '../../component/kinds/number.js';
import type { LiveKind } from './live.js';

function kind(
  expected: string,
  accepts: (value: unknown) => boolean,
  read: LiveKind['read'] = (text) => text,
): LiveKind {
  return { expected, read, fault: (value) => (accepts(value) ? undefined : `takes ${expected}`) };
}

export const textKind = /* @__PURE__ */ kind('text', (value) => typeof value === 'string');
export const numberKind = /* @__PURE__ */ kind(
  'a number',
  // Infinity and NaN are none.
  (value) => typeof value === 'number' && Number.isFinite(value),
  (text) => (numberText.test(text) ? Number(text) : unreadable),
);
