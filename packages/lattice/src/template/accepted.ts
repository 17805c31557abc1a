/**
 * Stands among an element's attributes for those that the use gives to the element: what `accepted` spreads.
 * A symbol, so that it is no attribute's name.
 */
export const acceptedHere: unique symbol = Symbol.for('zesty-lattice.accepted');

/** What a template spreads where the use's own attributes go. */
export type Accepted = { readonly [acceptedHere]?: true };

export const accepted: Accepted = Object.freeze({ [acceptedHere]: true as const });

/** Whether an element takes the attributes that the use gives. */
export function takesAccepted(attributes: Readonly<Record<string, unknown>>): boolean {
  return acceptedHere in attributes;
}
