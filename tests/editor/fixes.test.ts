import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { CodeAction, Diagnostic } from 'vscode-languageserver-protocol/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { root } from '../cli/lattice.js';
import { mistakes } from '../problems/mistakes/cases.js';
import { Editor } from './client.js';

const folder = mkdtempSync(join(root, 'tests/editor/out-fixes-'));
const file = (name: string): string => join(folder, name);
let editor: Editor;

beforeAll(async () => {
  const prelude = readFileSync(join(root, 'tests/problems/mistakes/prelude.ts'), 'utf8');
  writeFileSync(file('prelude.ts'), prelude);
  writeFileSync(
    file('stall-text.ts'),
    `import { component, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { BoardRow, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard } from './prelude.js';
export const StallText = component('stall-text', {
  props: { open: prop.flag(), items: prop.list(prop.text()).fallback([]), name: prop.text().fallback(''), count: prop.number().fallback(0) },
  slots: { default: slot(), badge: slot() },
  state: () => ({ count: 0 }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  helpers: { upper: (text: string) => text.toUpperCase() },
  uses: [BoardRow, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard],
  template: markupFile(import.meta.url, './stall-text.html'),
});
`,
  );
  writeFileSync(file('stall-text.html'), '<p>{{ name }}</p>');
  editor = new Editor();
  await editor.start({ folders: [folder] });
}, 30_000);
afterAll(async () => {
  await editor.stop();
  rmSync(folder, { recursive: true });
});

/** Texts that a fix may make worse. */
const others = [
  '<p>left <b>open</p>',
  '<ul><li><b>one <i>two</ul>',
  '<div><p><b>one</i></b></p></div>',
  '<section><h2>one</section>\n<p>two</p>',
  '<b><i>crossed</b></i>',
  '<p><b>one <i>two</b> three</i></p>',
  '<center>in the middle</center>',
  '<fnot>one</fnot>',
  '<sectoin><p>one</p></sectoin>',
  '<sectoin>\n<sectoin>\n<p>one</p></sectoin></sectoin>',
  '<price-tg cents="4"></price-tg>',
  '<note-crd><b>one</b></note-crd>\n<price-tag cent="4"></price-tag>',
  '<p>{{ nam }} {{ nme }} {{ name }}</p>',
  '<template given="opn"><p>{{ uper(name) }}</p></template>',
  '<note-card><i slot="badg">x</i></note-card>',
  '<button type="button" handles="click: ad(1)">x</button>',
  '<button type="button" handles="clik: add(1)">x</button>',
  '<price-tag cents="4" season="erly"></price-tag>',
  '<div>\n  <p>one\n  <b>two\n</div>\n<p>three</p>',
  '<table><tr><td><b>one</td></tr></table>',
  '<a href="#x"><b>one</a>\n</b>',
  '<p title="{{ nam }}">{{ nam }}</p>',
  '<butto type="button">x</butto>',
  '<spn>one <spn>two</spn></spn>',
];

const cases = [
  ...others.map((text) => ({ name: text, file: 'stall-text.html', text })),
  ...mistakes
    .filter((one) => one.in === 'text')
    .map(({ what, wrong }) => ({ name: what, file: 'stall-text.html', text: wrong })),
  ...[...others, ...mistakes.filter((one) => one.in === 'page').map(({ wrong }) => wrong)].map((text) => ({
    name: `on a page: ${text}`,
    file: 'page.html',
    text: `<!doctype html>\n<html lang="en"><head><title>x</title></head><body><h1>x</h1>\n${text}\n</body></html>\n`,
  })),
];

function applied({ edit }: CodeAction, file: string, text: string): string | undefined {
  const [uri, edits] = Object.entries(edit?.changes ?? {})[0] ?? [];
  if (!uri?.endsWith(file) || !edits) return undefined;
  return TextDocument.applyEdits(TextDocument.create(uri, 'html', 1, text), edits);
}

const words = (all: readonly Diagnostic[]): readonly string[] =>
  all.map(({ code, message }) => `${code} ${String(message).split('\n')[0]}`).sort();

let offered = 0;
describe('a quick fix leaves a text better', () => {
  test.each(cases)('$name', async ({ file: name, text }) => {
    const before = await editor.problemsOf(file(name), text);
    const actions = await editor.actions(file(name));
    for (const action of actions) {
      const mended = applied(action, name, text);
      if (mended === undefined) continue;
      offered++;
      const after = await editor.problemsOf(file(name), mended);
      expect(after.length, `${action.title}\n${mended}\n${words(after).join('\n')}`).toBeLessThan(
        before.length,
      );
      for (const { code } of after)
        expect(
          before.map((one) => one.code),
          `${action.title}\n${mended}`,
        ).toContain(code);
      await editor.problemsOf(file(name), text);
    }
  });

  test('is offered for many of them', () => {
    expect(offered).toBeGreaterThan(40);
  });

  test.each([
    ['<p><b>one <i>two</b> three</i></p>', '<p><b>one <i>two</i></b> three</p>'],
    ['<ul><li><b>one</ul>', '<ul><li><b>one</b></ul>'],
    ['<sectoin><p>one</p></sectoin>', '<section><p>one</p></section>'],
    ['<spn>one <spn>two</spn></spn>', '<span>one <spn>two</spn></span>'],
    ['<price-tg cents="4"></price-tg>', '<price-tag cents="4"></price-tag>'],
  ])('%s', async (text, mended) => {
    await editor.problemsOf(file('stall-text.html'), text);
    const [first] = await editor.actions(file('stall-text.html'));
    expect(first && applied(first, 'stall-text.html', text)).toBe(mended);
  });

  test('an element of old gets no new name by its letters', async () => {
    await editor.problemsOf(file('stall-text.html'), '<center>x</center><font>y</font>');
    expect(await editor.actions(file('stall-text.html'))).toEqual([]);
    const said = words(editor.diagnostics(file('stall-text.html')));
    expect(said).toHaveLength(2);
  });
});
