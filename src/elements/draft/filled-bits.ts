import type { PlanNode } from '../../tree/index.js';
import type { Scope } from './draft.js';

/** What tells whether content that is all conditions, rows and values comes to anything. */
export function filledBits(content: readonly PlanNode[], scope: Scope): number {
  let bits = 0;
  for (const one of content) {
    if (one.kind === 'given')
      bits |= scope.bits.read(one.test) | filledBits(one.content, scope) | filledBits(one.otherwise, scope);
    if (one.kind === 'each' && 'get' in one.list) bits |= scope.bits.read(one.list);
    if (one.kind === 'value') bits |= scope.bits.read(one.value);
    if (one.kind === 'slot') bits |= scope.bits.of(`slot ${one.name}`);
  }
  return bits;
}
