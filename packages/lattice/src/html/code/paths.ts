import { accessCode } from '../../code/constants.js';

/**
 * Returns how to reach values from a record, as code: `.steps[2].where`. What is not reached by fields alone is left out.
 * The shortest ways are found first.
 */
export function pathsTo(wanted: ReadonlySet<unknown>, root: object): ReadonlyMap<unknown, string> {
  const found = new Map<unknown, string>();
  const seen = new Set<object>([root]);
  const queue: (readonly [of: object, path: string])[] = [[root, '']];
  // A list that grows while it is walked is walked to its end.
  for (const [of, path] of queue) {
    if (found.size === wanted.size) break;
    for (const [key, field] of Object.entries(Object.getOwnPropertyDescriptors(of))) {
      if (!('value' in field) || !field.enumerable) continue;
      const { value } = field;
      const way = path + (Array.isArray(of) ? `[${key}]` : accessCode(key));
      if (wanted.has(value) && !found.has(value)) found.set(value, way);
      if (typeof value !== 'object' || value === null || seen.has(value)) continue;
      seen.add(value);
      queue.push([value, way]);
    }
  }
  return found;
}
