import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Hover } from 'vscode-languageserver-protocol/node';
import { root } from '../cli/lattice.js';
import { killReaders } from '../support/readers.js';
import { isLong } from '../support/runs.js';
import { Editor } from './client.js';

const folder = mkdtempSync(join(root, 'tests/editor/out-'));
const file = (name: string): string => join(folder, name);
const soon = { timeout: 40_000, interval: 20 };

const card = `<article class="card {{ season }}">
  <h3>{{ title }}</h3>
  <template each-of="tools" as="tool" key="name"><p>{{ tool.name }}</p></template>
  <season-tag season="{{ season }}"></season-tag>
  <button type="button" handles="click: count(1)">{{ seen }} {{ upper(title) }}</button>
  <slot name="badge"></slot>
</article>
`;
const module = `import { component, event, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const SeasonTag = component('season-tag', {
  description: 'Says when a variety is picked.',
  props: { season: prop.choice(['early', 'late']).describe('When it is picked.'), wide: prop.flag() },
  slots: { default: slot(), mark: slot().describe('A short sign.') },
  template: \`<b>{{ season }} {{ wide }}</b><slot></slot><slot name="mark"></slot>\`,
});

export const GroveCard = component('grove-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    tools: prop.list(prop.record({ name: prop.text(), rows: prop.number() })).fallback([]),
  },
  slots: { badge: slot() },
  state: () => ({ seen: 0 }),
  events: { counted: event() },
  handlers: { count: ({ state }, step: number) => ({ seen: state.seen + step }) },
  helpers: { upper: (text: string) => text.toUpperCase() },
  uses: [SeasonTag],
  template: markupFile(import.meta.url, './grove-card.html'),
});
`;

let editor: Editor;
beforeAll(async () => {
  writeFileSync(file('grove-card.html'), card);
  writeFileSync(file('grove-card.ts'), module);
  writeFileSync(
    file('page.html'),
    '<!doctype html><html lang="en"><head><title>x</title></head><body><season-tag season="early"></season-tag></body></html>',
  );
  editor = new Editor(relative(root, folder));
  await editor.start();
  await editor.write(file('grove-card.html'), card);
  // The project is read by the time that tags are known.
  const isRead = async (): Promise<boolean> =>
    (await editor.completions(file('grove-card.html'), `${card}<|`)).includes('season-tag');
  while (!(await isRead())) await new Promise((done) => setTimeout(done, 50));
}, 30_000);
afterAll(async () => {
  expect(await editor.stop()).toBe(0);
  rmSync(folder, { recursive: true });
});

const codes = (name: string): readonly string[] =>
  editor.diagnostics(file(name)).map(({ code }) => String(code));

describe('lattice editor', () => {
  test('tells problems of a template as it is written, and fixes them', async () => {
    const wrong = card
      .replace('{{ title }}', '{{ titel }}')
      .replace('season="{{ season }}"', 'season="erly"');
    await editor.write(file('grove-card.html'), wrong);
    await expect
      .poll(() => codes('grove-card.html'), soon)
      .toEqual(expect.arrayContaining(['name-unknown', 'prop-invalid']));
    const [first] = editor.diagnostics(file('grove-card.html')).filter(({ code }) => code === 'name-unknown');
    expect(first).toMatchObject({
      severity: 1,
      source: 'lattice',
      range: { start: { line: 1, character: 9 }, end: { line: 1, character: 14 } },
    });
    expect(first?.message).toContain('Did you mean "title"?');
    let mended = wrong;
    for (const { edit } of await editor.actions(file('grove-card.html')))
      for (const { newText, range } of Object.values(edit?.changes ?? {})[0] ?? []) {
        const lines = mended.split('\n');
        const line = lines[range.start.line] ?? '';
        lines[range.start.line] =
          line.slice(0, range.start.character) + newText + line.slice(range.end.character);
        mended = lines.join('\n');
      }
    expect(mended).toContain('<h3>{{ title }}</h3>');
    expect(mended).toContain('season="early"');
    await editor.write(file('grove-card.html'), mended);
    await expect.poll(() => codes('grove-card.html'), soon).toEqual([]);
  });

  test('tells problems of documents, of samples, and of templates in strings', async () => {
    await editor.write(
      file('page.html'),
      readFileSync(file('page.html'), 'utf8').replace('season="early"', 'saison="early"'),
    );
    await expect.poll(() => codes('page.html'), soon).toContain('prop-unknown');
    await editor.write(file('season-tag.sample.html'), '<season-tag season="early"><b>x</season-tag>');
    await expect.poll(() => codes('season-tag.sample.html'), soon).toContain('tag-unclosed');
    await editor.write(file('grove-card.ts'), module.replace('{{ wide }}', '\n {{ wid }}'));
    await expect.poll(() => codes('grove-card.ts'), soon).toEqual(['name-unknown']);
    expect(editor.diagnostics(file('grove-card.ts'))[0]?.range.start).toEqual({ line: 8, character: 4 });
    await editor.write(file('grove-card.ts'), module);
    await expect.poll(() => codes('grove-card.ts'), soon).toEqual([]);
  });

  test('takes the string of one component for no other', async () => {
    const two = module
      .replace('template: `', 'template: () => null,\n  other: `')
      .replace(
        "template: markupFile(import.meta.url, './grove-card.html')",
        'template: `<b>{{ |season }}</b>`',
      );
    expect(await editor.completions(file('grove-card.ts'), two)).toEqual([]);
    const own = module.replace('{{ wide }}', "{{ |wide ? 'a\\`b' : '' }}");
    expect(await editor.completions(file('grove-card.ts'), own)).toContain('wide');
    await editor.write(file('grove-card.ts'), module);
  });

  test('closes a tag that was left open', async () => {
    await editor.write(file('grove-card.html'), `${card}<p>left <b>open`);
    await expect.poll(() => codes('grove-card.html'), soon).toContain('tag-unclosed');
    const titles = (await editor.actions(file('grove-card.html'))).map(({ title }) => title);
    expect(titles).toContain('Close <b>');
  });

  test.each([
    ['tags of components', '<|', ['season-tag', 'grove-card']],
    ['a tag that was begun', '<sea|', ['season-tag']],
    ['the tag that ends', '<p><b>x</|', ['b']],
    ['props as attributes', '<season-tag |></season-tag>', ['season', 'wide']],
    ['those that are left', '<season-tag wide |', ['season']],
    ['words of a choice', '<season-tag season="|"></season-tag>', ['early', 'late']],
    ['slots of the component around', '<season-tag season="early"><i slot="|', ['default', 'mark']],
    ['its own slots', '<slot name="|"></slot>', ['badge']],
    ['names in an expression', '<p>{{ | }}</p>', ['title', 'season', 'tools', 'seen', 'upper']],
    ['names in an expression in an attribute', '<p title="{{ ti|', ['title']],
    ['names of rows', '<template each-of="tools" as="tool"><b>{{ |', ['tool', 'title']],
    ['fields of rows', '<template each-of="tools" as="tool"><b>{{ tool.|', ['name', 'rows']],
    ['names in conditions', '<template given="|"></template>', ['title', 'seen']],
    ['what a template may have', '<template |></template>', ['given', 'each-of', 'as', 'otherwise']],
    ['events', '<button handles="|"></button>', ['click', 'input']],
    ['handlers', '<button handles="click: |"></button>', ['count']],
  ])('completes %s', async (_what, text, words) => {
    const found = await editor.completions(file('grove-card.html'), card + text);
    expect(found).toEqual(expect.arrayContaining(words));
  });

  test('completes no more than what may stand there', async () => {
    expect(await editor.completions(file('grove-card.html'), `${card}<season-tag wide |`)).not.toContain(
      'wide',
    );
    expect(await editor.completions(file('grove-card.html'), `${card}plain |`)).toEqual([]);
    expect(await editor.completions(file('grove-card.html'), `${card}<!-- <|`)).toEqual([]);
    expect(
      await editor.completions(file('grove-card.ts'), module.replace('<b>{{ season', '<b>{{ |season')),
    ).toContain('wide');
    expect(
      await editor.completions(file('grove-card.ts'), module.replace("'season-tag'", "'|season-tag'")),
    ).toEqual([]);
  });

  test('says what a word is, and where it is written', async () => {
    const hover = (text: string): Promise<string> => editor.hover(file('grove-card.html'), text);
    expect(await hover(card.replace('<season-tag', '<season|-tag'))).toMatch(
      /^\*\*season-tag\*\*\n\nSays when a variety is picked\.\n\nProps: `season` choice, needed/,
    );
    expect(await hover(card.replace('season="{{', 'sea|son="{{'))).toMatch(
      /^\*\*season\*\*: choice\n\nWhen it is picked\.\n\nTakes one of "early", "late"; it is needed\./,
    );
    expect(await hover(card.replace('{{ title', '{{ tit|le'))).toContain('A prop of `grove-card`.');
    expect(await hover(card.replace('tool.name', 'tool.na|me'))).toMatch(/^\*\*name\*\*: text/);
    expect(await hover(card.replace('upper(', 'up|per('))).toContain('A helper of `grove-card`.');
    const lineOf = (text: string): number => module.split('\n').findIndex((line) => line.includes(text));
    const definition = async (text: string): Promise<unknown> => {
      const found = await editor.definition(file('grove-card.html'), text);
      return found && [found.uri.split('/').at(-1), found.range.start.line];
    };
    expect(await definition(card.replace('<season-tag', '<season|-tag'))).toEqual([
      'grove-card.ts',
      lineOf("component('season-tag'"),
    ]);
    expect(await definition(card.replace('{{ title', '{{ tit|le'))).toEqual([
      'grove-card.ts',
      lineOf('title: prop.text()'),
    ]);
    expect(await definition(card.replace('{{ seen', '{{ se|en'))).toEqual([
      'grove-card.ts',
      lineOf('state: () => ({ seen'),
    ]);
    expect(await definition(card.replace('click: count', 'click: co|unt'))).toEqual([
      'grove-card.ts',
      lineOf('handlers: {'),
    ]);
    expect(await definition('<p>|plain</p>')).toBeNull();
  });

  test('stays up for documents whose address is no name of a file', async () => {
    for (const uri of ['file:///x/100%.html', 'file:///x/a%2Fb.html', 'file://elsewhere/x.html']) {
      const answers = await editor.at<Hover | null>('textDocument/hover', uri, '<season-tag sea|son="late">');
      expect(answers?.contents, uri).toBeDefined();
      await editor.write(uri, '<season-tag season="never"></season-tag>');
      await expect
        .poll(() => editor.diagnostics(uri).map(({ code }) => code), soon)
        .toContain('prop-invalid');
    }
  });

  test('ends with 0 after a shutdown, with 1 without one', async () => {
    // https://microsoft.github.io/language-server-protocol/specifications/lsp/3.17/specification/#exit
    for (const isAsked of [true, false]) {
      const editor = new Editor('examples/orchard');
      await editor.start();
      expect(await editor.stop({ isAsked })).toBe(isAsked ? 0 : 1);
    }
  });

  test('goes on when the process that reads the project is killed', async () => {
    expect(killReaders(editor.pid)).toBeGreaterThan(0);
    await editor.write(file('grove-card.html'), `${card}<season-tag season="never"></season-tag>`);
    await expect.poll(() => codes('grove-card.html'), soon).toContain('prop-invalid');
    expect(editor.shown).toEqual([]);
  });

  test.runIf(isLong)('reports a module that never ends, and goes on after the next save', async () => {
    const endless = `${module}\nfor (;;) {}\n`;
    writeFileSync(file('grove-card.ts'), endless);
    await editor.write(file('grove-card.ts'), endless);
    await editor.save(file('grove-card.ts'));
    await expect
      .poll(() => editor.shown, soon)
      .toEqual([
        'The project could not be read. It took more than 20 seconds. Look for a loop that never ends.',
      ]);
    writeFileSync(file('grove-card.ts'), module);
    await editor.save(file('grove-card.ts'));
    await editor.write(file('grove-card.html'), `${card}<season-tag season="ever"></season-tag>`);
    await expect.poll(() => codes('grove-card.html'), soon).toContain('prop-invalid');
  });

  test('stands whatever is half-written', async () => {
    let seed = 17;
    const random = (below: number): number => {
      seed = (seed * 16_807) % 2_147_483_647;
      return seed % below;
    };
    const pieces = [
      '<',
      '>',
      '"',
      "'",
      '{{',
      '}}',
      '<!--',
      '</',
      '/',
      '=',
      ' ',
      '\n',
      '{',
      '<template each-of="',
      '<season-tag ',
      '\u0000',
      '<__proto__ ',
      'as="constructor"',
      '`',
    ];
    let answered = 0;
    for (let n = 0; n < 200; n++) {
      const from = random(card.length);
      const text = card.slice(0, from) + pieces[random(pieces.length)] + card.slice(from + random(12));
      const at = random(text.length);
      const asked = `${text.slice(0, at).replaceAll('|', '')}|${text.slice(at).replaceAll('|', '')}`;
      expect(Array.isArray(await editor.completions(file('grove-card.html'), asked))).toBe(true);
      expect(typeof (await editor.hover(file('grove-card.html'), asked))).toBe('string');
      answered++;
    }
    expect(answered).toBe(200);
    await editor.write(file('grove-card.html'), card);
    await expect.poll(() => codes('grove-card.html'), soon).toEqual([]);
    expect(editor.log.filter((line) => !/ExperimentalWarning|--import|npm warn/.test(line))).toEqual([]);
  });
});
