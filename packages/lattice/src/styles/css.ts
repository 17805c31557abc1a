// The parsers of CSS. Node's bundle has css-lazy.ts in its place, which loads them when the first rules are read.
import { tokenize } from '@csstools/css-tokenizer';
import postcss, { type CssSyntaxError } from 'postcss';
import selectorParser from 'postcss-selector-parser';

export const parseCss: typeof postcss.parse = (...args) => postcss.parse(...args);

/** The tokens of CSS, as a browser reads them. */
export const cssTokens: typeof tokenize = (...args) => tokenize(...args);

/** The selectors of a rule, taken apart. */
export const parseSelector = (selector: string): selectorParser.Root => selectorParser().astSync(selector);

/** Whether something thrown says where a sheet cannot be read. */
export const isCssFault = (thrown: unknown): thrown is CssSyntaxError =>
  thrown instanceof postcss.CssSyntaxError;
