import { Kind } from '../kind.js';

/**
 * Any text.
 *
 * @example prop.text().where((t) => t.length < 80, 'must be shorter than 80 characters')
 */
export function text(): Kind<string> {
  return new Kind({
    word: 'text',
    expected: 'text',
    accepts: (value) => typeof value === 'string',
    read: (written) => written,
    write: (value) => value,
    schema: { type: 'string' },
  });
}
