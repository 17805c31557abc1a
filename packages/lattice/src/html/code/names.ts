import { hasNoScheme, isPlainUrl, isScriptUrl } from '../../problem/index.js';
import { escapeAttribute, escapeText, isSafe, isSafeText, quoted } from '../../template/escape.js';
import * as operators from '../../template/expression/operators.js';
import { isDeclared, isFilled, isFull, isRecord, isSomething, plainText } from '../../template/index.js';
import * as runtime from '../runtime.js';

/** What written code calls, by name. */
export const lattice = {
  ...operators,
  ...runtime,
  escapeAttribute,
  escapeText,
  hasNoScheme,
  isDeclared,
  isFilled,
  isFull,
  isPlainUrl,
  isRecord,
  isSafe,
  isSafeText,
  isScriptUrl,
  isSomething,
  plainText,
  quoted,
};

export type LatticeName = keyof typeof lattice;
