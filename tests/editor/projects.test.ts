import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterEach, expect, test } from 'vitest';
import type { Location } from 'vscode-languageserver-protocol/node';
import { root } from '../cli/lattice.js';
import { Editor } from './client.js';

const soon = { timeout: 15_000, interval: 20 };
const folder = mkdtempSync(join(root, 'tests/editor/out-projects-'));
let editor: Editor;

afterEach(async () => {
  await editor.stop();
  rmSync(folder, { recursive: true, force: true });
});

function write(files: Readonly<Record<string, string>>): void {
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
}

const file = (name: string): string => join(folder, name);
const codes = (name: string): readonly string[] =>
  editor.diagnostics(file(name)).map(({ code, severity }) => `${code} ${severity}`);

const sign = `import { component, prop } from 'zesty-lattice';

export const StallSign = component('stall-sign', {
  props: { stall: prop.text(), row: prop.number().fallback(1) },
  template: \`<p>{{ stall }} {{ row }}</p>\`,
});
`;
const page = (body: string): string =>
  `<!doctype html><html lang="en"><head><title>Stalls</title></head><body>${body}</body></html>`;

test('each folder has the settings of its lattice.json, and folders come and go', async () => {
  write({
    'one/sign.ts': sign,
    'one/lattice.json': JSON.stringify({ severity: { 'heading-skipped': 'error' }, foreign: ['x-map'] }),
    'two/sign.ts': sign,
    'two/lattice.json': JSON.stringify({ severity: { 'heading-skipped': 'off' }, types: true }),
    'two/fair.ts': `import { component, prop } from 'zesty-lattice';
import { StallSign } from './sign.js';
export const FairRow = component('fair-row', {
  props: { name: prop.text() },
  uses: [StallSign],
  template: \`<stall-sign stall="{{ name }}" row="{{ name }}"></stall-sign>\`,
});
`,
    'three/sign.ts': sign,
  });
  const text = page('<h1>a</h1><h4>b</h4><x-map></x-map>');
  editor = new Editor();
  await editor.start({ folders: [file('one'), file('two')] });
  for (const name of ['one/a.html', 'two/a.html', 'three/a.html']) await editor.write(file(name), text);
  await editor.write(file('two/fair.ts'), '');
  await expect.poll(() => codes('one/a.html'), soon).toEqual(['heading-skipped 1']);
  await expect.poll(() => codes('two/a.html'), soon).toEqual(['component-unknown 1']);
  await expect.poll(() => codes('three/a.html'), soon).toEqual(['heading-skipped 2', 'component-unknown 1']);

  await editor.folders([file('three')]);
  const tags = (name: string): Promise<readonly string[]> => editor.completions(file(name), page('<|'));
  await expect.poll(() => tags('three/b.html'), soon).toEqual(['stall-sign']);
  await expect.poll(() => tags('two/b.html'), soon).toEqual(['fair-row', 'stall-sign']);
  await editor.folders([], [file('two')]);
  await expect.poll(() => tags('two/b.html'), soon).toEqual(['stall-sign']);
});

test('types are checked where lattice.json says so, and its components stand in texts', async () => {
  write({
    'parts/sign.ts': sign,
    'site/lattice.json': JSON.stringify({ types: true, components: ['../parts'] }),
    'site/fair.ts': `import { component, prop } from 'zesty-lattice';
import { StallSign } from '../parts/sign.js';
export const FairRow = component('fair-row', {
  props: { name: prop.text() },
  uses: [StallSign],
  template: \`<stall-sign stall="{{ name }}" row="{{ name }}"></stall-sign>\`,
});
`,
  });
  editor = new Editor();
  await editor.start({ folders: [file('site')] });
  await editor.write(file('site/a.html'), page('<stall-sign stall="a"></stall-sign>'));
  await expect.poll(() => editor.completions(file('site/b.html'), page('<|')), soon).toContain('stall-sign');
  await expect.poll(() => codes('site/a.html'), soon).toEqual([]);
  await editor.write(
    file('site/fair.ts'),
    `import { component, prop } from 'zesty-lattice';
import { StallSign } from '../parts/sign.js';
export const FairRow = component('fair-row', {
  props: { name: prop.text() },
  uses: [StallSign],
  template: \`<stall-sign stall="{{ name }}" row="{{ name }}"></stall-sign>\`,
});
`,
  );
  await expect.poll(() => codes('site/fair.ts'), soon).toEqual(['prop-misfit 1']);
});

test('hears of files that others change, from an editor that watches them or by itself', async () => {
  for (const canWatch of [true, false]) {
    write({ 'sign.ts': sign });
    editor = new Editor();
    const didChangeWatchedFiles = { dynamicRegistration: true };
    await editor.start({
      folders: [folder],
      capabilities: canWatch ? { workspace: { didChangeWatchedFiles } } : {},
    });
    await editor.write(file('a.html'), page('<stall-sign stall="a" crates="4"></stall-sign>'));
    await expect.poll(() => codes('a.html'), soon).toEqual(['prop-unknown 1']);
    expect(editor.registered).toEqual(canWatch ? ['workspace/didChangeWatchedFiles'] : []);
    write({ 'sign.ts': sign.replace('stall: prop', 'crates: prop.number(), stall: prop') });
    if (canWatch) await editor.changed(file('sign.ts'));
    await expect.poll(() => codes('a.html'), soon).toEqual([]);
    if (canWatch) await editor.stop();
  }
});

test('a module that fails is reported where it fails, and where it is needed', async () => {
  const uses = `import { component } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { StallSign } from './sign.js';
export const FairPage = component('fair-page', {
  uses: [StallSign],
  template: markupFile(import.meta.url, './fair.html'),
});
`;
  write({ 'sign.ts': sign, 'fair.ts': uses, 'fair.html': '<stall-sign stall="a"></stall-sign>' });
  editor = new Editor();
  await editor.start({ folders: [folder] });
  await editor.write(file('fair.html'), '<stall-sign stal="a"></stall-sign>');
  await editor.write(file('a.html'), page('<stall-sign stall="a"></stall-sign><p id="x"></p><p id="x"></p>'));
  await expect.poll(() => codes('fair.html'), soon).toContain('prop-unknown 1');

  const said = (name: string): string =>
    editor
      .diagnostics(file(name))
      .map(
        ({ code, message, range: { start } }) =>
          `${start.line + 1}:${start.character + 1} ${code} ${message}`,
      )
      .join('\n');
  const failures: readonly (readonly [string, RegExp])[] = [
    [
      sign.replace('prop.number()', 'prop.number('),
      /^\d:\d+ module-failed The module could not be loaded: Unexpected/,
    ],
    [`${sign}\nthrow new Error('the till is shut');\n`, /^8:7 module-failed .*: the till is shut\./],
    [
      `${sign}\nseason();\n`,
      /^8:1 module-failed .*season is not defined\.\nImport season, or define it above/,
    ],
    [
      `${sign}\ndocument.title = '';\n`,
      /^8:1 module-failed .*\nThere is no document while modules are loaded/,
    ],
    [
      `import './weather.js';\n${sign}`,
      /^1:9 module-failed .*imports "\.\/weather\.js", which is not there\.\nWrite the path/,
    ],
    [
      `import x from 'grove-tools';\n${sign}`,
      /^1:16 module-failed .*\nInstall the package: npm install grove-tools/,
    ],
    [
      `import { component as c, nothing } from 'zesty-lattice';\nc('x-y', { template: () => nothing });\n${sign}`,
      /^1:1 module-failed .*'nothing'\.\nExport nothing there/,
    ],
    [sign.replace("'stall-sign'", "'StallSign'"), /^3:26 name-invalid /],
  ];
  for (const [broken, words] of failures) {
    write({ 'sign.ts': broken });
    await editor.changed(file('sign.ts'));
    await expect.poll(() => said('sign.ts'), soon).toMatch(words);
    if (broken.includes("'StallSign'")) continue;
    await expect
      .poll(() => said('fair.html'), soon)
      .toMatch(/module-failed .*sign\.ts.*, which this needs, could not be loaded/);
    await expect.poll(() => said('a.html'), soon).toMatch(/module-failed .*sign\.ts/);
    // What else is wrong there is still said.
    expect(said('a.html')).toContain('id-doubled');
    expect(said('a.html')).not.toContain('component-unknown');
    // What was known before is still completed.
    expect(await editor.completions(file('b.html'), page('<|'))).toContain('stall-sign');
  }
  write({ 'sign.ts': sign });
  await editor.changed(file('sign.ts'));
  await expect.poll(() => said('sign.ts'), soon).toBe('');
  await expect.poll(() => codes('fair.html'), soon).toContain('prop-unknown 1');
});

test('a declaration is gone to, not a word in a description', async () => {
  const text = `import { component, event, prop, slot } from 'zesty-lattice';

/** stall-sign has a stall, a row and a badge. */
const helpers = { upper: (text: string) => text.toUpperCase() };
export const StallSign = component('stall-sign', {
  description: 'A stall and its row, with badge, upper, seen and count.',
  props: { stall: prop.text().describe('row of the stall') , row: prop.number().fallback(1) },
  slots: { badge: slot().describe('seen') },
  state: () => ({ seen: 0 }),
  events: { counted: event() },
  handlers: { count: ({ state }) => ({ seen: state.seen + 1 }) },
  helpers,
  template: \`<p handles="click: count">{{ stall }} {{ row }} {{ seen }} {{ upper(stall) }}<slot name="badge"></slot></p>\`,
});
`;
  write({ 'sign.ts': text });
  editor = new Editor();
  await editor.start({ folders: [folder] });
  await expect.poll(() => editor.completions(file('b.html'), page('<|')), soon).toContain('stall-sign');
  const lines = text.split('\n');
  const found = async (asked: string): Promise<string | undefined> => {
    const at = await editor.definition(file('sign.ts'), asked);
    if (!at) return undefined;
    const { end, start } = at.range;
    return `${start.line + 1} ${(lines[start.line] ?? '').slice(start.character, end.character)}`;
  };
  expect(await found(text.replace('{{ stall }}', '{{ sta|ll }}'))).toBe('7 stall');
  expect(await found(text.replace('{{ row }}', '{{ ro|w }}'))).toBe('7 row');
  expect(await found(text.replace('{{ seen }}', '{{ se|en }}'))).toBe('9 seen');
  expect(await found(text.replace('upper(stall)', 'up|per(stall)'))).toBe('4 upper');
  expect(await found(text.replace('click: count', 'click: cou|nt'))).toBe('11 count');
  expect(await found(text.replace('name="badge"', 'name="bad|ge"'))).toBe('8 badge');
  const tag = await editor.definition(file('b.html'), page('<stall|-sign stall="a"></stall-sign>'));
  expect((tag as Location).range).toEqual({
    start: { line: 4, character: 36 },
    end: { line: 4, character: 46 },
  });
});
