import type { UseNode } from 'zesty-lattice/internal/component';
import { isUse } from 'zesty-lattice/internal/tree';

/** A use of a component that a module exports to be looked at. */
export interface ModuleSample {
  readonly name: string;
  readonly use: UseNode;
}

/**
 * The samples that a module exports: each use, by its name in words.
 *
 * @example moduleSamples({ almostGone: PriceTag({ crates: 1 }) })[0].name // 'Almost gone'
 */
export function moduleSamples(exported: Readonly<Record<string, unknown>>): readonly ModuleSample[] {
  return Object.entries(exported).flatMap(([name, use]) =>
    isUse(use) ? [{ name: inWords(name), use }] : [],
  );
}

function inWords(name: string): string {
  const words = name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/[_$]+/g, ' ')
    .trim()
    .toLowerCase();
  return words.replace(/^./, (letter) => letter.toUpperCase());
}
