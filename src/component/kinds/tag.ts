import { Kind, unreadable } from '../kind.js';

/**
 * The name of an element out of a fixed set, for `el.of`. The first is the one that stands when none is given.
 *
 * @example prop.tag(['p', 'h2', 'label'])
 */
export function tag<const Tags extends readonly [string, ...string[]]>(
  tags: Tags,
): Kind<Tags[number], Tags[number], 'fallback'> {
  const known: ReadonlySet<unknown> = new Set(tags);
  return new Kind<Tags[number]>({
    word: 'tag',
    expected: `one of the elements ${tags.join(', ')}`,
    accepts: (value) => known.has(value),
    read: (written) => (known.has(written) ? written : unreadable),
    write: (value) => value,
    schema: { type: 'string', enum: tags },
  }).fallback(tags[0] as Tags[number]);
}
