import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import * as lattice from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { adopt } from 'zesty-lattice-tools/adopt';
import { check } from 'zesty-lattice-tools/check';
import { words } from '../../packages/lattice/src/problem/words.js';

const text = readFileSync(fileURLToPath(new URL('../../docs/problems.md', import.meta.url)), 'utf8');
const [prelude = ''] = blocks(text, 'prelude');
const entries = text
  .split(/^## /m)
  .slice(1)
  .map((entry) => ({
    code: entry.slice(0, entry.indexOf('\n')),
    bad: blocks(entry, 'bad'),
    good: blocks(entry, 'good'),
    badFiles: filesIn(entry, 'bad'),
    goodFiles: filesIn(entry, 'good'),
  }));

function blocks(markdown: string, label: string): string[] {
  return [...markdown.matchAll(new RegExp(`^\`\`\`js ${label}\n([^]*?)\n\`\`\`$`, 'gm'))].map(
    ([, code]) => code ?? '',
  );
}

/** Examples that are files to be checked: modules, template texts, and the bodies of pages. */
function filesIn(markdown: string, label: string): { readonly name: string; readonly text: string }[] {
  return [...markdown.matchAll(new RegExp(`^\`\`\`(ts|html)( page)? ${label}\n([^]*?)\n\`\`\`$`, 'gm'))].map(
    ([, kind, page, code = '']) => ({
      name: `example.${kind}`,
      text: page
        ? `<!doctype html>\n<html lang="en"><head><title>x</title></head><body>${code}</body></html>`
        : code,
    }),
  );
}

/** Runs an example of the page and gives the problems that what it shows has, or that it throws. */
function problemsIn(example: string): readonly lattice.Problem[] {
  const problems: lattice.Problem[] = [];
  const known = { ...lattice, adopt };
  const names = Object.keys(known);
  const show = (target: lattice.Use): void => {
    problems.push(...lattice.resolve(target).problems);
    if (problems.length === 0) renderHtml(target);
  };
  try {
    // The examples of the page, not text from outside: this is how a test runs them.
    new Function(...names, 'show', `${prelude}\n${example}`)(...Object.values(known), show);
  } catch (thrown) {
    if (!(thrown instanceof lattice.LatticeError)) throw thrown;
    problems.push(...thrown.problems);
  }
  return problems;
}

test('docs/problems.md has an entry for each code, and none besides', () => {
  expect(entries.map(({ code }) => code).sort()).toEqual(Object.keys(words).sort());
});

test('what comes up only in a live page is looked for there', () => {
  const live = [
    'elements/elements',
    'elements/declared',
    'markup/live',
    'vite/plugin',
    'projects/builds',
    'problems/too-deep',
    'elements/fights',
    'samples/samples',
    'loading/elements',
    'loading/streams',
    'batch/batch',
    'mail/text',
    'tree/large',
    'html/settled',
    'check/types',
    'elements/careless',
    'elements/typed',
    'elements/shared',
    'problems/errors',
  ]
    .map((name) => readFileSync(fileURLToPath(new URL(`../${name}.test.ts`, import.meta.url)), 'utf8'))
    .join();
  for (const { code, bad, badFiles } of entries)
    if (bad.length + badFiles.length === 0) expect([code, live.includes(`'${code}'`)]).toEqual([code, true]);
});

describe.each(entries.filter(({ bad }) => bad.length > 0))('$code', ({ code, bad, good }) => {
  test('comes up in its bad example, with the component, and a hint', () => {
    expect(bad).toHaveLength(1);
    const problems = problemsIn(bad[0] ?? '');
    expect(problems.map((problem) => problem.code)).toContain(code);
    for (const { message, hint } of problems) {
      expect(message).toMatch(/\.$/);
      expect(hint).toMatch(/[.?]$/);
      expect(`${message}${hint}`).not.toMatch(/\bundefined\b(?! \(reading)|\[object|function \(/);
    }
  });

  test('does not come up in its good example, and nothing else does', () => {
    expect(good).toHaveLength(1);
    expect(problemsIn(good[0] ?? '')).toEqual([]);
  });
});

describe.each(entries.filter(({ badFiles }) => badFiles.length > 0))(
  '$code',
  ({ code, badFiles, goodFiles }) => {
    const codesIn = async (files: typeof badFiles): Promise<readonly string[]> => {
      expect(files).toHaveLength(1);
      const home = mkdtempSync(join(fileURLToPath(new URL('../..', import.meta.url)), 'out-table-'));
      try {
        for (const { name, text } of files) writeFileSync(join(home, name), text);
        return (await check([home])).problems.map((problem) => problem.code);
      } finally {
        rmSync(home, { recursive: true });
      }
    };

    test('comes up when its bad example is checked, and not when its good one is', async () => {
      expect(await codesIn(badFiles)).toContain(code);
      expect(await codesIn(goodFiles)).toEqual([]);
    });
  },
);
