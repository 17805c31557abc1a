import * as operators from '../../template/expression/operators.js';
import { isFilled, isFull, isRecord, isSomething, plainText } from '../../template/index.js';
import { escapeAttribute, escapeText, isSafe, isSafeText } from '../escape.js';
import { Frame } from '../frame.js';
import * as runtime from '../runtime.js';

/** What written code calls, by name. */
export const lattice = {
  ...operators,
  ...runtime,
  Frame,
  escapeAttribute,
  escapeText,
  isFilled,
  isFull,
  isRecord,
  isSafe,
  isSafeText,
  isSomething,
  plainText,
};

export type LatticeName = keyof typeof lattice;
