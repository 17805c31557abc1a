import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import dictionary from 'dictionary-en';
import nspell from 'nspell';
import { expect, test } from 'vitest';
import { root } from '../cli/lattice.js';

const read = (path: string): string => readFileSync(join(root, path), 'utf8');
const pages = [
  'README.md',
  'examples/start/README.md',
  'CHANGELOG.md',
  'CONTRIBUTING.md',
  ...readdirSync(join(root, 'docs')).flatMap((name) =>
    name.endsWith('.md') && !/^(?:options|reference)/.test(name) ? [`docs/${name}`] : [],
  ),
];

/** Words of a page's prose: without code, addresses and names of files. */
function wordsIn(markdown: string): readonly string[] {
  const prose = markdown
    .replace(/^ *```[\s\S]*?^ *```$/gm, '')
    .replace(/`[^`\n]*`/g, ' ')
    .replace(/<[^>]*>/g, ' ')
    .replace(/\]\([^)]*\)/g, ']')
    .replace(/https?:\S+|[\w./-]+\.\w+|&\w+;/g, ' ');
  return prose.match(/[A-Za-zÀ-ÿ]+(?:[’'][a-z]+)?/g) ?? [];
}

test('pages are spelt as the dictionary and the project’s own list say', () => {
  const speller = nspell(dictionary);
  // British spelling, as the project has it, and words of the field.
  for (const word of read('tests/docs/own-words.txt').split(/\s+/)) if (word !== '') speller.add(word);
  expect(speller.correct('componnent')).toBe(false);
  const wrong = pages.flatMap((path) =>
    [...new Set(wordsIn(read(path)))]
      .map((word) => word.replace('’', "'").replace(/'s$/, ''))
      .filter((word) => word.length > 2 && !speller.correct(word) && !speller.correct(word.toLowerCase()))
      .map((word) => `${path}: ${word}`),
  );
  expect(wrong).toEqual([]);
});
