import type { Finding } from '../../problem/index.js';
import type { Marked } from './holes.js';
import type { MarkupNode } from './nodes.js';
import type { Places } from './place.js';

/** What reading a template text gave. */
export interface Reading {
  readonly nodes: readonly MarkupNode[];
  readonly marked: Marked;
  /** What is wrong with it as HTML. */
  readonly findings: readonly Finding[];
}

/** Reads template text with whatever parser is at hand. `places` tells where in the file it stands, where known. */
export type Reader = (text: string, places: Places) => Reading;
