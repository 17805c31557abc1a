import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { WorkspaceEdit } from 'vscode-languageserver-protocol/node';
import { latticeProcess, root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';
import { Editor } from './client.js';

const folder = mkdtempSync(join(root, 'tests/editor/out-'));
const file = (name: string): string => join(folder, name);
const soon = { timeout: 40_000, interval: 20 };

/** A component that reads its props in every way, uses of it in every way, and the same word where it is another's. */
const project: Readonly<Record<string, string>> = {
  'stall-sign.ts': `import { component, el, eachOf, event, phrase, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const StallSign = component('stall-sign', {
  props: { gateName: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot() },
  state: ({ gateName }) => ({ seen: 0, first: gateName }),
  events: { called: event() },
  handlers: { call: ({ props, state }) => ({ seen: state.seen + props.gateName.length }) },
  reactions: { gateName: ({ props: { gateName } }) => ({ first: gateName }) },
  template: markupFile(import.meta.url, './stall-sign.html'),
});

const props = { gateName: prop.text(), names: prop.list(prop.text()).fallback([]) };
export const GateList = component('gate-list', {
  props,
  template: ({ props }) => el.ul(eachOf(props.names, (gateName) => el.li(gateName)), phrase\`\${props.gateName}!\`),
});
export const gates = { gateName: 'not a prop' };
`,
  'stall-sign.html': `<p class="sign" title="{{ gateName }}" handles="click: call()">{{ gateName + ' gate' }} {{ seen }}</p>
<template given="gateName == 'gateName' &amp;&amp; crates > 0"><b>{{ crates }}</b></template>
<template each-of="[gateName]" as="gateName"><i>{{ gateName }}</i></template>
<template each-of="[gateName]" as="one"><i>{{ one }}</i></template>
<slot>{{ props.gateName }}</slot>
`,
  'fair-page.ts': `import { component } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { GateList, StallSign as Sign } from './stall-sign.js';

const gateName = 'North';
export default component('fair-page', {
  uses: [Sign, GateList],
  template: \`<main><stall-sign gate-name="South" crates="3">x</stall-sign><gate-list gate-name="West"></gate-list></main>\`,
});
export const html = renderHtml(Sign, { gateName, crates: 2 });
export const other = renderHtml(Sign({ gateName: 'East' }, GateList({ gateName: 'other' })));
`,
  'page.html': `<!doctype html>
<html lang="en"><head><title>Fair</title></head><body><h1>gateName</h1>
<stall-sign Gate-Name='North' crates=2></stall-sign>
<gate-list gate-name="North"></gate-list>
</body></html>
`,
  'index.ts': `export * from './stall-sign.js';
export { GateList as Gates } from './stall-sign.js';
`,
  'elsewhere.ts': `export const StallSign = (props: { gateName: string }) => props.gateName;
`,
  'other.ts': `import { StallSign } from './elsewhere.js';
export const other = StallSign({ gateName: 'not this one' });
`,
  'stall-sign.test.ts': `import { StallSign } from './index.js';
export const sign = StallSign({ gateName: 'North' });
`,
};
const whole = project['stall-sign.html'] ?? '';

let editor: Editor;
beforeAll(async () => {
  mkdirSync(folder, { recursive: true });
  for (const [name, text] of Object.entries(project)) writeFileSync(file(name), text);
  writeFileSync(file('stall-sign.html'), whole);
  editor = new Editor(relative(root, folder));
  await editor.start();
  await editor.write(file('stall-sign.html'), whole);
  const isRead = async (): Promise<boolean> =>
    (await editor.completions(file('stall-sign.html'), `${whole}<|`)).includes('stall-sign');
  while (!(await isRead())) await new Promise((done) => setTimeout(done, 50));
  await editor.write(file('stall-sign.html'), whole);
}, 120_000);
afterAll(async () => {
  await editor.stop();
  rmSync(folder, { recursive: true });
});

/** The files as an editor has them once it has made the changes. */
function changed(edit: WorkspaceEdit | null): Map<string, string> {
  const texts = new Map<string, string>();
  for (const [uri, edits] of Object.entries(edit?.changes ?? {})) {
    const path = fileURLToPath(uri);
    const lines = readFileSync(path, 'utf8').split('\n');
    const starts = lines.map((_line, index) => lines.slice(0, index).join('\n').length + (index > 0 ? 1 : 0));
    let text = lines.join('\n');
    const at = ({ character, line }: { character: number; line: number }): number =>
      (starts[line] ?? 0) + character;
    for (const { newText, range } of [...edits].sort((a, b) => at(b.range.start) - at(a.range.start)))
      text = text.slice(0, at(range.start)) + newText + text.slice(at(range.end));
    texts.set(path, text);
  }
  return texts;
}

const rename = (name: string, text: string, newName: string): Promise<WorkspaceEdit | null> =>
  editor.at('textDocument/rename', file(name), text, { newName });
const html = (name: string): string =>
  latticeProcess('render', relative(root, file(name)), '--uses', relative(root, file('stall-sign.ts'))).out;

describe('another name of a prop', () => {
  test.runIf(isLong)(
    'is written in the declaration, functions, templates, documents and uses, and all is shown as before',
    async () => {
      const before = [html('page.html'), html('fair-page.ts')];
      const edit = await rename('stall-sign.html', whole.replace('{{ gateName', '{{ gate|Name'), 'wayName');
      const texts = changed(edit);
      expect([...texts.keys()].map((path) => basename(path)).sort()).toEqual([
        'fair-page.ts',
        'page.html',
        'stall-sign.html',
        'stall-sign.test.ts',
        'stall-sign.ts',
      ]);
      const text = (name: string): string => texts.get(file(name)) ?? '';
      expect(text('stall-sign.html')).toBe(
        whole
          .replace('title="{{ gateName', 'title="{{ wayName')
          .replace('{{ gateName +', '{{ wayName +')
          .replace('given="gateName', 'given="wayName')
          .replaceAll('[gateName]', '[wayName]')
          .replace('{{ props.gateName', '{{ props.wayName'),
      );
      expect(text('page.html')).toBe(project['page.html']?.replace('Gate-Name=', 'way-name='));
      const sign = text('stall-sign.ts');
      expect(sign).toContain('props: { wayName: prop.text(), crates');
      expect(sign).toContain('state: ({ wayName: gateName }) => ({ seen: 0, first: gateName })');
      expect(sign).toContain('props.wayName.length');
      expect(sign).toContain('reactions: { wayName: ({ props: { wayName: gateName } })');
      // The other component's prop of that name, and a record that is none, are as they were.
      expect(sign.slice(sign.indexOf('const props'))).toBe(
        project['stall-sign.ts']?.slice(project['stall-sign.ts'].indexOf('const props')),
      );
      expect(text('fair-page.ts')).toContain('renderHtml(Sign, { wayName: gateName, crates: 2 })');
      expect(text('fair-page.ts')).toContain("Sign({ wayName: 'East' }, GateList({ gateName: 'other' }))");
      expect(text('fair-page.ts')).toContain('<stall-sign way-name="South"');
      expect(text('fair-page.ts')).toContain('<gate-list gate-name="West">');
      expect(text('stall-sign.test.ts')).toContain("StallSign({ wayName: 'North' })");
      for (const [path, written] of texts) writeFileSync(path, written);
      expect([html('page.html'), html('fair-page.ts')]).toEqual(before);
      expect(before[0]).toContain('North gate');
      expect(latticeProcess('check', relative(root, folder)).out).not.toMatch(/prop-|name-unknown/);
      for (const path of texts.keys()) writeFileSync(path, project[basename(path)] ?? '');
      writeFileSync(file('stall-sign.html'), whole);
    },
    120_000,
  );

  test('may be asked for at an attribute, as attributes are written, and where it is declared', async () => {
    const page = project['page.html'] ?? '';
    const byAttribute = changed(
      await rename('page.html', page.replace('Gate-Name', 'Gate-|Name'), 'way-name'),
    );
    const module = project['stall-sign.ts'] ?? '';
    const byDeclaration = changed(
      await rename('stall-sign.ts', module.replace('{ gateName: prop', '{ gate|Name: prop'), 'wayName'),
    );
    expect(byAttribute.size).toBe(5);
    expect(byDeclaration).toEqual(byAttribute);
    // A prop whose record stands apart is declared there.
    const apart = await rename(
      'stall-sign.ts',
      module.replace('props = { gateName', 'props = { |gateName'),
      'way',
    );
    expect(changed(apart).get(file('stall-sign.ts'))).toContain('props = { way: prop.text(), names');
    expect(changed(apart).get(file('fair-page.ts'))).toContain("GateList({ way: 'other' })");
  });

  test.each([
    ['crates', 'has a prop "crates" already'],
    ['2nd', 'is no name'],
    ['onclick', 'carries a script'],
    ['remove', 'something that each element has already'],
  ])('is refused where it cannot be: %s', async (name, words) => {
    const asked = rename('stall-sign.html', whole.replace('{{ gateName', '{{ gate|Name'), name);
    await expect(asked).rejects.toThrow(words);
  });

  test('is not offered for what is no prop', async () => {
    const prepared = (text: string): Promise<unknown> =>
      editor.at('textDocument/prepareRename', file('stall-sign.html'), text);
    expect(await prepared(whole.replace('{{ seen', '{{ se|en'))).toBeNull();
    expect(await prepared(whole.replace('<i>{{ gateName', '<i>{{ gate|Name'))).toBeNull();
    expect(await prepared(whole.replace('<slot', '<sl|ot'))).toBeNull();
    expect(await prepared(whole.replace('{{ gateName', '{{ gate|Name'))).toMatchObject({
      placeholder: 'gateName',
    });
    await editor.write(file('stall-sign.html'), whole);
  });
});

describe('a document that was never saved', () => {
  test('stands beside what is renamed', async () => {
    await editor.write('untitled:Untitled-1', '<p>gateName');
    const edit = await rename('stall-sign.html', whole.replace('{{ gateName', '{{ gate|Name'), 'wayName');
    expect([...changed(edit).keys()]).toContain(file('stall-sign.ts'));
    await editor.write(file('stall-sign.html'), whole);
  });

  test('is asked about without a failure', async () => {
    expect(await editor.at('textDocument/prepareRename', 'untitled:Untitled-2', '<p>gate|Name')).toBeNull();
    expect(await editor.actions('untitled:Untitled-2')).toEqual([]);
  });
});

describe('a component that is not listed', () => {
  const titles = async (): Promise<readonly string[]> =>
    (await editor.actions(file('fair-page.ts'))).map(({ title }) => title);

  test.each([
    [
      'in a module that lists others',
      'uses: [Sign, GateList],\n',
      'uses: [GateList],\n',
      'uses: [GateList, Sign],\n',
    ],
    ['in one that lists none', 'uses: [Sign, GateList],\n', '', 'uses: [Sign],\n'],
  ])('is listed by a way to mend it: %s', async (_where, listed, left, expected) => {
    const text = (project['fair-page.ts'] ?? '').replace(listed, left);
    writeFileSync(file('fair-page.ts'), text);
    await editor.write(file('fair-page.ts'), text);
    await editor.save(file('fair-page.ts'));
    await expect.poll(titles, soon).toContain('List StallSign in uses of fair-page');
    const [action] = await editor.actions(file('fair-page.ts'));
    expect(changed(action?.edit ?? null).get(file('fair-page.ts'))).toContain(expected);
  });

  test('is imported where the module does not know it yet', async () => {
    const text = `import { component } from 'zesty-lattice';
export default component('fair-page', {
  template: \`<stall-sign gate-name="South"></stall-sign>\`,
});
`;
    writeFileSync(file('fair-page.ts'), text);
    await editor.write(file('fair-page.ts'), text);
    await editor.save(file('fair-page.ts'));
    await expect.poll(titles, soon).toContain('List StallSign in uses of fair-page');
    const [action] = await editor.actions(file('fair-page.ts'));
    expect(changed(action?.edit ?? null).get(file('fair-page.ts'))).toBe(
      text
        .replace("lattice';\n", "lattice';\nimport { StallSign } from './stall-sign.js';\n")
        .replace('  template', '  uses: [StallSign],\n  template'),
    );
  });
});
