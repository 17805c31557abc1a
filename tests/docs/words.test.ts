import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from '@babel/parser';
import { describe, expect, test } from 'vitest';
import { root } from '../cli/lattice.js';

// The glossary's third column lists words that readers never meet: each has a word of the field beside it.

const read = (path: string): string => readFileSync(join(root, path), 'utf8');
const rows = read('docs/glossary.md')
  .split('\n')
  .filter((line) => /^\| (?!word |---)/.test(line))
  .map((line) => line.split('|').map((cell) => cell.trim()));
const avoided = rows.flatMap(([, word = '', , not = '']) =>
  not
    .split(', ')
    .filter((phrase) => phrase !== '')
    .map((phrase) => ({
      phrase,
      word,
      pattern: new RegExp(`\\b${phrase}(?:s|es|d|ed|ing|t)?\\b`, 'i'),
    })),
);

/** The lines of a text that have one of these words. */
function found(text: string): readonly string[] {
  return text
    .split('\n')
    .flatMap((line) =>
      avoided
        .filter(({ pattern }) => pattern.test(line))
        .map(({ phrase, word }) => `"${phrase}" (say: ${word}): ${line.trim()}`),
    );
}

/** Prose of a page: without code, addresses and the glossary's own list. */
function prose(markdown: string): string {
  return markdown
    .replace(/^ *```[\s\S]*?^ *```$/gm, '')
    .replace(/`[^`\n]*`/g, '`')
    .replace(/\]\([^)]*\)/g, ']');
}

/** Texts of a module that people read: with a space in them. */
function textsIn(code: string): readonly string[] {
  const texts: string[] = [];
  const visit = (node: unknown): void => {
    if (Array.isArray(node)) return node.forEach(visit);
    if (typeof node !== 'object' || node === null) return;
    const { type, value } = node as {
      readonly type?: string;
      readonly value?: { readonly raw?: string } | string;
    };
    const text =
      type === 'TemplateElement'
        ? (value as { readonly raw?: string }).raw
        : type === 'StringLiteral'
          ? value
          : '';
    // Code for a page is a text, too, and no prose.
    if (typeof text === 'string' && / /.test(text) && !text.includes('=>') && !text.includes('failed('))
      texts.push(text.replace(/`[^`]*`/g, ''));
    for (const [name, inner] of Object.entries(node)) if (!/Comments?$|^loc$/.test(name)) visit(inner);
  };
  visit(parse(code, { sourceType: 'module', plugins: ['typescript'] }).program);
  return texts;
}

test('the glossary has sixty words at most, each once', () => {
  const words = rows.map(([, word]) => word);
  expect(words.length).toBeGreaterThan(40);
  expect(words.length).toBeLessThanOrEqual(60);
  expect(new Set(words).size).toBe(words.length);
  expect(found('Holes are told on the spot.').length).toBe(3);
});

const pages = [
  'README.md',
  'examples/start/README.md',
  'CHANGELOG.md',
  'CONTRIBUTING.md',
  ...readdirSync(join(root, 'docs'))
    .filter((name) => name.endsWith('.md') && name !== 'glossary.md')
    .map((name) => `docs/${name}`),
];
describe('the field’s words alone stand in', () => {
  test.each(pages)('%s', (path) => {
    expect(found(prose(read(path)))).toEqual([]);
  });

  test.each(['lattice', 'tools'])('messages and help of packages/%s', (name) => {
    const folder = join(root, 'packages', name, 'src');
    const wrong = readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((path) => path.endsWith('.ts') && !path.startsWith('generated/'))
      .flatMap((path) =>
        textsIn(readFileSync(join(folder, path), 'utf8'))
          .flatMap(found)
          .map((line) => `${path}: ${line}`),
      );
    expect(wrong).toEqual([]);
  });
});
