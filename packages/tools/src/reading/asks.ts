import type { Given } from './facts.js';

/** What the process that reads the project is asked. */
export type Ask =
  | { readonly kind: 'catalogue'; readonly paths: readonly string[] }
  | { readonly kind: 'shown'; readonly component: string; readonly given: Given }
  | { readonly kind: 'text'; readonly text: string }
  /** What is wrong in a file as it is being written. */
  | { readonly kind: 'problems'; readonly file: string; readonly text: string };
