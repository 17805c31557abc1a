/**
 * What a component is written for: plain `markup`, where everything is flattened; `elements`, where components with
 * something to do in a page stay elements; the `shadow` root of such an element, with the browser's own slots; or
 * what is flattened `inside` one. In the last two, dynamic parts stand between comments, so that an element can hydrate
 * what was written.
 */
export type Form = 'markup' | 'elements' | 'shadow' | 'inside';

/** The form of the components used in one of a form. */
export function innerForm(form: Form): Form {
  return marksParts(form) ? 'inside' : form;
}

/** Whether dynamic parts stand between comments. */
export function marksParts(form: Form): boolean {
  return form === 'shadow' || form === 'inside';
}
