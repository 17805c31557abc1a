import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { lattice } from './lattice.js';

// What `lattice completion` prints, read by the shells that it is for; of one that is not installed, nothing is known.
const folder = mkdtempSync(join(tmpdir(), 'lattice-completion-'));
afterAll(() => rmSync(folder, { recursive: true }));

function printed(shell: string): string {
  const { code, out } = lattice('completion', shell);
  expect(code).toBe(0);
  const path = join(folder, `lattice.${shell}`);
  writeFileSync(path, out);
  return path;
}

const ways: readonly (readonly [written: string, words: readonly string[]])[] = [
  ['lattice ch', ['check']],
  ['lattice check --fo', ['--format']],
  ['lattice check --format ', ['text', 'json', 'sarif']],
  ['lattice render --she', ['--sheets']],
  ['lattice render --form ', ['markup', 'elements']],
  ['lattice completion ', ['bash', 'zsh', 'fish']],
];

describe('bash', () => {
  const complete = (written: string): readonly string[] => {
    const words = written.split(' ');
    const script = `source ${printed('bash')}; COMP_WORDS=(${words.map((one) => `'${one}'`).join(' ')}); COMP_CWORD=${words.length - 1}; _lattice; printf '%s\\n' "\${COMPREPLY[@]}"`;
    return execFileSync('bash', ['-c', script], { encoding: 'utf8' }).trim().split('\n');
  };
  test.each(ways)('%s', (written, words) => {
    expect(complete(written)).toEqual(words);
  });
});

describe.skipIf(!existsSync('/usr/bin/fish'))('fish', () => {
  const complete = (written: string): readonly string[] =>
    execFileSync('fish', ['--no-config', '-c', `source ${printed('fish')}; complete -C '${written}'`], {
      encoding: 'utf8',
      env: { ...process.env, HOME: folder },
    })
      .trim()
      .split('\n')
      .map((line) => line.split('\t')[0] ?? '');
  test.each(ways)('%s', (written, words) => {
    expect(complete(written)).toEqual(expect.arrayContaining([...words]));
  });
});

describe.skipIf(!existsSync('/usr/bin/zsh'))('zsh', () => {
  /** What its own functions for completion are handed. */
  const handed = (written: string): string => {
    const words = written.split(' ');
    const script = `compdef() { : }; _describe() { print -l -- \${(P)2} }; _arguments() { print -l -- "$@" }
source ${printed('zsh')}
words=(${words.map((one) => `'${one}'`).join(' ')}); CURRENT=${words.length}; _lattice`;
    return execFileSync('zsh', ['-f', '-c', script], { encoding: 'utf8' });
  };
  test('commands, options and their words', () => {
    expect(handed('lattice ch')).toMatch(/^check:Check components/m);
    expect(handed('lattice check --fo')).toMatch(
      /^\(-f --format\)--format\[output format\]:value:\(text json sarif\)$/m,
    );
    expect(handed('lattice render x')).toMatch(/^--title\[.*\]:value:_files$/m);
    expect(handed('lattice render x')).toMatch(/^\*:file:_files$/m);
    expect(handed('lattice completion ')).toMatch(/^\*:word:\(bash zsh fish\)$/m);
  });
});

test('for another shell there is a clear word', () => {
  const { code, err } = lattice('completion', 'tcsh');
  expect(code).toBe(2);
  expect(err).toContain('Allowed choices are bash, zsh, fish');
});
