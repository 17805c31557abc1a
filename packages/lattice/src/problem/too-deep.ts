import { finding } from '#dev';
import { failure, LatticeError } from './error.js';
import { placed } from './problem.js';
import { reasonOf } from './reason.js';

/**
 * What was thrown, or the problem that it stands for: content, templates and data are followed as deep as the program's
 * stack goes, which is 500 levels and more.
 */
export function deepOr(thrown: unknown, where: string): unknown {
  const isTooDeep = thrown instanceof RangeError && thrown.message.includes('call stack');
  return isTooDeep ? failure(finding('too-deep', { where }), where) : thrown;
}

/**
 * What was thrown while a component was followed or written, as a problem in any case: data may throw when it is read, as
 * getters and proxies do. What a caller gave up by a signal stays what it is.
 */
export function failedIn(thrown: unknown, where: string): unknown {
  const known = deepOr(thrown, where);
  if (known instanceof LatticeError || (known as Error | undefined)?.name === 'AbortError') return known;
  const found = finding('value-failed', { name: where, reason: reasonOf(known) });
  return new LatticeError([placed(found, where)], { cause: known });
}
