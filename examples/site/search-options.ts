import type { Options } from 'minisearch';

/** A part of a page that is found by itself. */
export interface Found {
  readonly id: number;
  readonly href: string;
  readonly page: string;
  readonly heading: string;
  readonly text: string;
}

/** How the index is made and read: the same for the build and the page. */
export const searchOptions: Options<Found> = {
  fields: ['heading', 'page', 'text'],
  storeFields: ['href', 'page', 'heading'],
  // Names in code are found by their parts, too.
  tokenize: (text) => text.split(/[^\p{L}\p{N}_$]+/u).filter((word) => word !== ''),
  searchOptions: { boost: { heading: 4, page: 2 }, prefix: true, fuzzy: 0.15, combineWith: 'AND' },
};
