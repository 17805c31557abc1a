// Stands for css.ts in Node's bundle: many programs import components and render none that has styles.
import { createRequire } from 'node:module';

type Reader = typeof import('./css.js');

const load = createRequire(import.meta.url);
// The bundle of css.ts (https://nodejs.org/api/modules.html#loading-ecmascript-modules-using-require).
const reader = () => load('./css-reader.js') as Reader;

export const parseCss: Reader['parseCss'] = (css) => reader().parseCss(css);
export const cssTokens: Reader['cssTokens'] = (...args) => reader().cssTokens(...args);
export const parseSelector: Reader['parseSelector'] = (selector) => reader().parseSelector(selector);
export const isCssFault = (thrown: unknown): thrown is import('postcss').CssSyntaxError =>
  reader().isCssFault(thrown);
