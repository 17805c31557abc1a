import type { Scope } from '../../template/scope.js';
import type { Get } from './text.js';

/**
 * What finds a row's item in the list that the row was calculated from: by the field that is its key, or as it is.
 *
 * @param get gives what that field is in the row, or the item
 */
export function itemPlace(get: Get, key?: string): Get {
  return (scope: Scope) => {
    const wanted = get(scope);
    return (list: unknown): number =>
      Array.isArray(list)
        ? list.findIndex((one) => Object.is(key === undefined ? one : one?.[key], wanted))
        : -1;
  };
}
