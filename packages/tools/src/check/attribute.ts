import type { ParsedElement } from 'zesty-lattice/internal/markup';

/** The value of an element's attribute as a parser reads it. */
export function attribute({ attrs }: ParsedElement, name: string): string | undefined {
  return attrs.find((one) => one.name === name)?.value;
}
