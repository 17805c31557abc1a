import { finding } from '#dev';
import { failure } from './error.js';

/**
 * What was thrown, or the problem that it stands for: content, templates and data are followed as deep as the program's
 * stack goes, which is 500 levels and more.
 */
export function deepOr(thrown: unknown, where: string): unknown {
  const isTooDeep = thrown instanceof RangeError && thrown.message.includes('call stack');
  return isTooDeep ? failure(finding('too-deep', { where }), where) : thrown;
}
