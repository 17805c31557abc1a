// The parsers of CSS. Node's bundle has css-lazy.ts in its place, which loads them when the first rules are read.
import { tokenize } from '@csstools/css-tokenizer';
import type { CssSyntaxError, Root } from 'postcss';
import Fault from 'postcss/lib/css-syntax-error';
import parse from 'postcss/lib/parse';
import selectorParser from 'postcss-selector-parser';

/** The rules of a sheet. Throws where it cannot be read. */
export const parseCss = (css: string): Root => parse(css) as Root;

/** The tokens of CSS, as a browser reads them. */
export const cssTokens: typeof tokenize = (...args) => tokenize(...args);

/** The selectors of a rule, taken apart. */
export const parseSelector = (selector: string): selectorParser.Root => selectorParser().astSync(selector);

/** Whether something thrown says where a sheet cannot be read. */
export const isCssFault = (thrown: unknown): thrown is CssSyntaxError => thrown instanceof Fault;
