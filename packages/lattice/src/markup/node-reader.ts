import { locate } from './locate.js';
import { readMarkup } from './syntax/read-node.js';
import { markupReader } from './template/read.js';

/** Reads template texts with a parser of HTML. */
export const reader = markupReader(readMarkup, locate);
