import type { Scope } from '../../template/scope.js';
import type { Get } from './text.js';

/**
 * The number of a row's item in the list that the row was calculated from: found by the field that is its key, or as it is. One that
 * is not in it any more has the number -1, which is no item of a list.
 *
 * @param get gives what that field is in the row, or the item
 */
export function itemPlace(list: Get, get: Get, key?: string): Get {
  return (scope: Scope) => {
    const wanted = get(scope);
    const all = list(scope);
    return Array.isArray(all)
      ? all.findIndex((one) => Object.is(key === undefined ? one : one?.[key], wanted))
      : -1;
  };
}
