import { idPart } from '../../template/id-part.js';
import type { Scope } from '../../template/scope.js';

/** What ids in a row start with: gives its scope the path of it, by its key or number. */
export type RowPath = (scope: Scope, key: unknown) => void;

/** For rows in which something makes ids, as many row and slot functions deep. */
export function rowPath(depth: number): RowPath {
  return (scope, key) => {
    scope.at = scope.at?.slice() ?? [];
    scope.at[depth + 1] = `${scope.at[depth] ?? ''}-${idPart(key)}`;
  };
}
