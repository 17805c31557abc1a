// Writes src/generated/ from the web standards' data packages. Run: npm run generate
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const load = (path) => JSON.parse(readFileSync(require.resolve(path), 'utf8'));
const current = (file) =>
  load(`@webref/elements/${file}.json`)
    .elements.filter((element) => !element.obsolete)
    .map((element) => element.name);

const html = current('html').filter((tag) => tag !== 'selectedcontent');
const svg = [
  ...new Set(['SVG2', 'svg-animations', 'filter-effects-1', 'css-masking-1'].flatMap(current)),
].sort();
const words = (names) => `'${names.join(' ')}'`;

writeFileSync(
  new URL('../src/generated/tags.ts', import.meta.url),
  `// Made by scripts/generate.mjs from @webref/elements; do not edit.

/** The elements of the HTML standard that are not obsolete (https://html.spec.whatwg.org/#elements-3). */
export const htmlTags: ReadonlySet<string> = new Set(
  ${words(html)}.split(' '),
);

/** The elements of SVG (https://www.w3.org/TR/SVG2/eltindex.html). */
export const svgTags: ReadonlySet<string> = new Set(
  ${words(svg)}.split(' '),
);
`,
);
