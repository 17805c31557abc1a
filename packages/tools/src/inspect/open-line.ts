/** The address at which the development server opens a file in the editor (`?file=card.ts:12:3`), by POST. */
export const openLine = '/@lattice-open';
