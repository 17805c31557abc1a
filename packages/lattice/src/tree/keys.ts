import type { PlanEach } from '../plan/index.js';
import { type Finding, finding } from '../problem/index.js';
import { type Core, inputsOf, readingOf } from '../template/index.js';
import type { TreeScope } from './scope.js';

/** How many rows of a known list are asked for their keys. */
const most = 1_000;

/** What is wrong with the keys of a list that is known: two rows with one, or a key that no row has. */
export function keyFault(
  { item, key, label }: PlanEach,
  list: unknown,
  scope: TreeScope,
  name: string,
): Finding | undefined {
  if (!key || !Array.isArray(list) || list.length < 2 || !readsRowAlone(key, item)) return undefined;
  const seen = new Set<unknown>();
  for (const [index, value] of list.slice(0, most).entries()) {
    const locals = [...scope.values.locals];
    locals[item] = value;
    locals[item + 1] = index;
    let one: unknown;
    try {
      one = key.get({ ...scope.values, locals });
    } catch {
      // What fails is reported when it is rendered.
      return undefined;
    }
    if (seen.has(one))
      return finding('key-doubled', {
        key: JSON.stringify(one) ?? String(one),
        list: name === '' ? label : name,
      });
    seen.add(one);
  }
  return undefined;
}

/** Whether a key is worked out from its row, and nothing that is not known as yet. */
function readsRowAlone(core: Core, item: number): boolean {
  const { op } = core;
  if (op.op === 'local') return op.local === item || op.local === item + 1;
  if (readingOf(core) !== undefined) return false;
  return inputsOf(core).every((one) => readsRowAlone(one, item));
}
