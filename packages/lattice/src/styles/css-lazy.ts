// Stands for css.ts in Node's bundle: many programs import components and render none that has styles.
import { createRequire } from 'node:module';
import type { tokenize } from '@csstools/css-tokenizer';
import type postcss from 'postcss';
import type { CssSyntaxError } from 'postcss';
import type selectorParser from 'postcss-selector-parser';

const load = createRequire(import.meta.url);

export const parseCss: typeof postcss.parse = (...args) => (load('postcss') as typeof postcss).parse(...args);

export const cssTokens: typeof tokenize = (...args) =>
  (load('@csstools/css-tokenizer') as { readonly tokenize: typeof tokenize }).tokenize(...args);

export const parseSelector = (selector: string): selectorParser.Root =>
  (load('postcss-selector-parser') as typeof selectorParser)().astSync(selector);

/** Whether something thrown says where a sheet cannot be read. */
export const isCssFault = (thrown: unknown): thrown is CssSyntaxError =>
  thrown instanceof (load('postcss') as typeof postcss).CssSyntaxError;
