import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import formats from 'ajv-formats';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { check, jsonReport, sarifReport, textReport } from 'zesty-lattice-tools/check';
import { lattice, root } from '../cli/lattice.js';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(root, 'out-check-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let number = 0;
/** Writes a project of these files and checks it. */
async function checked(files: Readonly<Record<string, string>>) {
  const home = join(folder, `p${++number}`);
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(home, name)), { recursive: true });
    writeFileSync(join(home, name), text);
  }
  const report = await check([home]);
  const found = report.problems.map(
    ({ code, source }) => `${code} ${source?.file.slice(home.length + 1)}:${source?.line}:${source?.column}`,
  );
  return { home, report, found };
}

const box = `import { component, el, prop, slot } from 'zesty-lattice';
export const NoticeBox = component('notice-box', {
  props: { title: prop.text() },
  slots: { default: slot() },
  template: ({ props, slots }) => el.section({ class: 'box' }, el.h2(props.title), slots.default()),
});
`;
const page = (body: string): string =>
  `<!doctype html>\n<html lang="en"><head><title>x</title></head><body>\n<h1>x</h1>\n${body}\n</body></html>\n`;

describe('a check finds', () => {
  test('nothing where all is right, and counts what it saw', async () => {
    const { report } = await checked({
      'box.ts': box,
      'page.html': page('<notice-box title="a">b</notice-box>'),
    });
    expect(report).toMatchObject({ problems: [], components: 1 });
    expect(report.files).toHaveLength(2);
    expect(textReport(report)).toMatch(/^\n*0 errors, 0 warnings in 2 files with 1 component, [\d.]+ m?s\n$/);
  });

  test('what a build would refuse in a component that its module keeps to itself', async () => {
    const { found } = await checked({
      'grove.ts': `import { component, el, slot } from 'zesty-lattice';
const Twice = component('two-places', {
  slots: { default: slot() },
  state: () => ({ isOpen: false }),
  template: ({ slots, state }) => el.div({ hidden: state.isOpen }, slots.default(), el.p(slots.default())),
});
export const words = 'a grove';
void Twice;
`,
    });
    expect(found).toEqual(['slot-repeated grove.ts:5:96']);
  });

  test('references of a document into elements, and out of them', async () => {
    const parts = `import { component, el, prop, slot } from 'zesty-lattice';
const state = () => ({ isOpen: false });
export const GroveMenu = component('grove-menu', {
  props: { menuId: prop.text() }, state, template: ({ props }) => el.menu({ id: props.menuId }),
});
export const GroveField = component('grove-field', {
  props: { list: prop.text() }, state, template: ({ props }) => el.input({ list: props.list, 'aria-label': 'Grove' }),
});
export const GroveBox = component('grove-box', {
  slots: { default: slot() }, state, template: ({ slots }) => el.div(slots.default()),
});
export const GroveLabel = component('grove-label', {
  props: { of: prop.text() }, template: ({ props }) => el.label({ for: props.of }, 'Grove'),
});
export const PlainMenu = component('plain-menu', {
  props: { menuId: prop.text() }, template: ({ props }) => el.menu({ id: props.menuId }),
});
`;
    const found = async (body: string): Promise<readonly string[]> => {
      const { report } = await checked({ 'parts.ts': parts, 'page.html': page(body) });
      return report.problems
        .filter(({ code }) => code !== 'component-unused')
        .map(
          ({ code, message, source }) => `${code} ${source?.line}:${source?.column} ${message.split(',')[0]}`,
        );
    };
    const opener = '<button type="button" popovertarget="stalls">Stalls</button>';
    expect(await found(`${opener}\n<grove-menu menu-id="stalls"></grove-menu>`)).toEqual([
      'id-unreachable 4:23 popovertarget="stalls" of <button> points to an id in <grove-menu>',
    ]);
    expect(
      await found('<datalist id="groves"></datalist>\n<grove-field list="groves"></grove-field>'),
    ).toEqual(['id-unreachable 5:1 list="groves" of <input> points out of <grove-field>']);
    for (const right of [
      `${opener}<plain-menu menu-id="stalls"></plain-menu><grove-box></grove-box>`,
      `${opener}<grove-box><menu id="stalls"></menu></grove-box>`,
      // What a component that is flattened refers to stands on the page.
      '<grove-label of="name"></grove-label><input id="name" aria-label="x">',
    ])
      expect(await found(right)).toEqual([]);
  });

  test('a provider that no module registers, while what reads it is registered', async () => {
    const parts = `import { component, el, given, share, slot } from 'zesty-lattice';
const Speech = share('speech');
export const SitePage = component('site-page', {
  slots: { default: slot() },
  provides: () => [Speech.provide({ lang: 'ar' })],
  template: ({ slots }) => slots.default(),
});
export const SpeechNote = component('speech-note', {
  template: () => el.p(given(Speech.read(), (speech) => speech.lang, 'none')),
});
export const NoteBox = component('note-box', { template: () => SitePage({}, SpeechNote()) });
`;
    const registering = (what: string) => ({
      'parts.ts': parts,
      'page.ts': `import { register } from 'zesty-lattice/elements';
import { NoteBox, SitePage, SpeechNote } from './parts.js';
const kit = [NoteBox];
// register(SitePage)
register(${what});
`,
    });
    expect((await checked(registering('SpeechNote'))).found).toEqual(['provider-unregistered parts.ts:8:27']);
    const { report } = await checked(registering("SpeechNote, { sheets: ['/a.css', '/b.css'] }"));
    expect(report.problems[0]?.message).toContain('speech-note reads "speech", provided by <site-page>');
    for (const all of ['SitePage, SpeechNote', 'SpeechNote,\n  NoteBox', '...kit, SpeechNote'])
      expect((await checked(registering(all))).found).toEqual([]);
  });

  test.each([
    ['in its own markup', 'rows, slots.default()'],
    ['in content of another component', "NoticeBox({ title: 'a' }, [rows, slots.default()])"],
    ['in what a slot shows by itself', 'slots.default(rows)'],
    ['in what a list shows where it is empty', "eachOf([], () => 'x', { empty: rows }), slots.default()"],
  ])('rows with controls that have no key, %s', async (_where, content) => {
    const files = (options: string) => ({
      'box.ts': box,
      'page.html': page('<notice-box title="a">b</notice-box>'),
      'list.ts': `import { component, el, eachOf, slot } from 'zesty-lattice';
import { NoticeBox } from './box.js';
export default component('crate-list', {
  slots: { default: slot() },
  state: () => ({ crates: [{ id: 1 }] }),
  handlers: { add: ({ state }) => ({ crates: [...state.crates, { id: 2 }] }) },
  template: ({ state, slots, handlers }) => {
    const rows = eachOf(state.crates, (crate) => el.p(el.input({ 'aria-label': 'Crates', value: crate.id }))${options});
    return el.div(el.button({ on: { click: handlers.add() } }, 'Add'), ${content});
  },
});
export const others = [NoticeBox];
`,
    });
    expect((await checked(files(''))).found).toEqual(['key-missing list.ts:3:16']);
    expect((await checked(files(", { key: 'id' }"))).found).toEqual([]);
  });

  test('components that nothing uses, and props that nothing reads', async () => {
    const { found } = await checked({
      'parts.ts': `import { component, el, prop } from 'zesty-lattice';
export const Unused = component('un-used', { template: () => el.p('x') });
export const Inner = component('in-ner', {
  props: { read: prop.text(), unread: prop.text().optional(), inState: prop.number().fallback(1), inHandler: prop.text().optional() },
  state: ({ inState }) => ({ count: inState }),
  handlers: { add: ({ props }) => ({ count: Number(props.inHandler) }) },
  template: ({ props, state, handlers }) => el.button({ on: { click: handlers.add() } }, props.read, state.count),
});
export default component('out-er', { template: () => [Inner({ read: 'a' })] });
`,
    });
    expect(found).toEqual(['component-unused parts.ts:2:23', 'prop-unread parts.ts:3:22']);
  });

  test('components in a text that are not listed, unplaced slots, and what resolving finds', async () => {
    const { found } = await checked({
      'box.ts': box,
      'card.ts': `import { component, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
export default component('fruit-card', {
  props: { title: prop.text() },
  slots: { default: slot(), foot: slot() },
  template: markupFile(import.meta.url, './card.html'),
});
`,
      'card.html':
        '<article>\n  <notice-box title="{{ title }}"></notice-box>\n  <slot></slot><p>{{ titel }}</p>\n</article>\n',
    });
    expect(found).toEqual(['component-unknown card.html:2:3', 'name-unknown card.html:3:22']);
  });

  test('what is wrong in a template text whose component is elsewhere: all but its names', async () => {
    const { found } = await checked({
      'box.ts': box,
      'part.html':
        '<div>{{ anything.at.all }} <b>{{ broken + }}\n<notice-box titel="x">y</notice-box></div><x-y></x-y>\n<slot name="any"></slot><i handles="click: go(1)">{{ help(2) }}</i>\n<template given="slots.any.filled"><input bind="word"></template>',
    });
    expect(found).toEqual([
      'tag-unclosed part.html:1:28',
      'expression-invalid part.html:1:43',
      'prop-missing part.html:2:1',
      'prop-unknown part.html:2:13',
      'component-unknown part.html:2:43',
    ]);
  });

  test('nothing in a template text that is checked by itself, whatever components it uses', async () => {
    const { problems } = await check([join(root, 'examples/orchard/in-html/variety-card.html')]);
    expect(problems).toEqual([]);
  });

  test('tags, references, headings and images of a document, its components rendered', async () => {
    const { found } = await checked({
      'box.ts': box,
      'page.html': page(`<notice-box title="a">b</notice-box>
<h4>too deep</h4>
<img src="a.png"><img src="b.png" alt="">
<p id="one">x</p><p id="one">y</p>
<a href="#one">x</a> <a href="#nowhere">y</a> <a href="#top">z</a>
<label for="gone">x</label><div aria-describedby="one gone">y</div>
<button popovertarget="pop">x</button>
<div><span></div><sectoin></sectoin><p hreff="x">y</p>`),
    });
    expect(found).toEqual([
      'heading-skipped page.html:5:1',
      'image-unnamed page.html:6:1',
      'id-doubled page.html:7:21',
      'reference-dangling page.html:8:25',
      'reference-dangling page.html:9:8',
      'reference-dangling page.html:9:33',
      'reference-dangling page.html:10:9',
      'tag-unclosed page.html:11:6',
      'tag-unknown page.html:11:18',
      'attribute-unknown page.html:11:40',
    ]);
  });

  test('what a component brings into a document, at the component’s tag', async () => {
    const { found } = await checked({
      'box.ts': box.replace('el.h2(', "el.h4({ id: 'same' }, "),
      'page.html': page('<notice-box title="a">b</notice-box>\n<notice-box title="a">b</notice-box>'),
    });
    expect(found).toEqual(['heading-skipped page.html:4:1', 'id-doubled page.html:5:1']);
  });

  test('modules that fail to load, and names that no page takes', async () => {
    const { found, report } = await checked({
      'broken.ts':
        "import { component } from 'zesty-lattice';\nexport const x = component;\nthrow new Error('no server');\n",
      'named.ts':
        "import { component } from 'zesty-lattice';\nexport default component('Card', { template: () => null });\n",
      'other.ts': "throw new Error('this names no component, so it is not run');\n",
    });
    expect(found).toEqual(['module-failed broken.ts:3:7', 'name-invalid named.ts:2:16']);
    expect(report.problems[0]?.message).toContain('no server');
  });

  test('the orchard’s examples right', async () => {
    const { problems, components } = await check([join(root, 'examples')]);
    expect(problems).toEqual([]);
    expect(components).toBeGreaterThan(30);
  });
});

describe('what does not fit is reported where the mistake is', () => {
  const parts = `import { component, slot } from 'zesty-lattice';
export const LineBox = component('line-box', { slots: { default: slot() }, template: \`<p><slot></slot></p>\` });
export const RowBox = component('row-box', { template: \`<tr><td>x</td></tr>\` });
export const DeepBox = component('deep-box', { uses: [RowBox], template: \`<row-box></row-box>\` });
`;
  const using = (template: string): string => `import { component } from 'zesty-lattice';
import { DeepBox, LineBox, RowBox } from './parts.js';
export default component('stall-page', { uses: [DeepBox, LineBox, RowBox], template: \`${template}\` });
`;

  test.each([
    ['in a template that uses it', '<section><row-box></row-box></section>', ['stall.ts:3:96']],
    ['through a component that uses it', '<section>\n<deep-box></deep-box></section>', ['stall.ts:4:1']],
    ['in what is passed to a slot', '<line-box>\n<div>x</div></line-box>', ['stall.ts:4:1']],
    ['of a component in a slot', '<line-box>\n<line-box>x</line-box></line-box>', ['stall.ts:4:1']],
    [
      'nowhere, where it fits',
      '<table><tbody><template given="true"><deep-box></deep-box></template></tbody></table>',
      [],
    ],
  ])('%s', async (_what, template, places) => {
    const { found, report } = await checked({ 'parts.ts': parts, 'stall.ts': using(template) });
    const own = found.filter((one) => one.startsWith('content-not-allowed'));
    const { runs } = JSON.parse(sarifReport(report)) as {
      runs: {
        results: {
          ruleId: string;
          locations: { physicalLocation: { artifactLocation: { uri: string } } }[];
        }[];
      }[];
    };
    for (const { locations, ruleId } of runs[0]?.results ?? [])
      if (ruleId === 'content-not-allowed')
        expect(locations[0]?.physicalLocation.artifactLocation.uri).toMatch(/stall\.ts$/);
    expect(own).toEqual(places.map((place) => `content-not-allowed ${place}`));
  });

  test('in a document, what is shown in a component as well', async () => {
    const { found } = await checked({
      'parts.ts': parts,
      'page.html': page('<line-box><ul><li>x</li></ul></line-box>\n<p><line-box>x</line-box></p>'),
    });
    expect(found.filter((one) => one.includes('page.html'))).toEqual([
      'content-not-allowed page.html:4:1',
      'content-not-allowed page.html:5:4',
    ]);
  });
});

describe('a comment allows one problem at one place, with a reason', () => {
  const image = '<img src="a.png">';
  test.each([
    ['in the line before', `<!-- lattice-allow image-unnamed: drawn -->\n${image}`, []],
    ['in its own line', `<p>${image}</p> <!-- lattice-allow image-unnamed: drawn -->`, []],
    ['for a tag of several lines', `<!-- lattice-allow image-unnamed: drawn -->\n<img\n  src="a.png"\n>`, []],
    [
      'and no other one',
      `<!-- lattice-allow image-unnamed: drawn -->\n${image}\n${image}`,
      ['image-unnamed page.html:6:1'],
    ],
    [
      'of no other code',
      `<!-- lattice-allow id-doubled: both -->\n${image}`,
      ['allowance-unused page.html:4:1', 'image-unnamed page.html:5:1'],
    ],
    [
      'not without a reason',
      `<!-- lattice-allow image-unnamed -->\n${image}`,
      ['allowance-invalid page.html:4:1', 'image-unnamed page.html:5:1'],
    ],
    [
      'of no unknown code',
      `<!-- lattice-allow image-named: x -->\n${image}`,
      ['allowance-invalid page.html:4:1', 'image-unnamed page.html:5:1'],
    ],
  ])('%s', async (_what, body, all) => {
    const { found } = await checked({ 'page.html': page(body) });
    expect(found).toEqual(all);
  });

  test('in modules, in code and in templates', async () => {
    const { found } = await checked({
      'box.ts': `import { component, prop } from 'zesty-lattice';
// lattice-allow prop-unread: the page reads it
export default component('note-box', {
  props: { note: prop.text().optional() },
  template: \`<p>x</p>
    <!-- lattice-allow attribute-unknown: a script of the page reads it -->
    <b crates="4">y</b>\`,
});
// lattice-allow prop-unread: nothing any more
export const words = 1;
`,
    });
    expect(found).toEqual(['allowance-unused box.ts:9:1']);
  });
});

describe('a page is read alike wherever it is read', () => {
  test('ids of two shadow roots may be the same, those of one may not', async () => {
    const part = (name: string, body: string): string => `import { component } from 'zesty-lattice';
export const Part = component('${name}', {
  state: () => ({ seen: 0 }),
  handlers: { see: ({ state }) => ({ seen: state.seen + 1 }) },
  template: \`${body}<button type="button" handles="click: see">{{ seen }}</button>\`,
});
`;
    const twice = (tag: string): string => page(`<${tag}></${tag}><${tag}></${tag}>`);
    const { found } = await checked({
      'one.ts': part('one-part', '<p id="in-it">x</p>'),
      'page.html': twice('one-part'),
      'other.html': page('<p id="x">x</p><p id="x">y</p><one-part></one-part>'),
    });
    expect(found).toEqual(['id-doubled other.html:4:19']);
  });

  test('a label around one field names no other one', async () => {
    const { found } = await checked({
      'page.html': page(
        '<label for="a"></label>\n<label>North <input type="text" id="a"></label>\n<input type="text" id="a">',
      ),
    });
    expect(found).toContain('control-unnamed page.html:6:1');
  });

  test('links to other pages lead somewhere', async () => {
    const { found } = await checked({
      'sign.ts': `import { component, prop } from 'zesty-lattice';
export const Sign = component('stall-sign', { props: { anchor: prop.text() }, template: \`<p id="{{ anchor }}">x</p>\` });
`,
      'index.html': page(
        [
          '<a href="more.html">a</a>',
          '<a href="more.html#north">a</a>',
          '<a href="more.html?x=1#in%20it">a</a>',
          '<a href="more.html#nowhere">a</a>',
          '<a href="gone.html">a</a>',
          '<a href="sub/gone.html#x">a</a>',
          '<a href="https://ninefold.example/a.html#x">a</a>',
          '<a href="/a.html">a</a> <a href="a.pdf">a</a>',
        ].join('\n'),
      ),
      'more.html': page('<stall-sign anchor="north"></stall-sign><p id="in it">x</p>'),
    });
    expect(found).toEqual([7, 8, 9].map((line) => `link-dangling index.html:${line}:4`));
  });

  test('where a component may stand is kept when it is rendered', () => {
    const home = join(folder, `p${++number}`);
    mkdirSync(home);
    writeFileSync(
      join(home, 'row.ts'),
      `import { component } from 'zesty-lattice';
export const Row = component('board-row', { placement: { parents: ['stall-board'] }, template: \`<p>x</p>\` });
`,
    );
    writeFileSync(join(home, 'page.html'), page('<board-row></board-row>'));
    const { code, err, out } = lattice('render', join(home, 'page.html'), '--uses', join(home, 'row.ts'));
    expect(code).toBe(1);
    expect(err).toContain('component-misplaced');
    expect(out).toContain('<board-row></board-row>');
  });
});

describe('settings in lattice.json', () => {
  test('say what the project is, for all commands', () => {
    const home = join(folder, `p${++number}`);
    const files = {
      'lattice.json': JSON.stringify({
        paths: ['src', 'page.html'],
        components: ['parts'],
        css: 'page.css',
        types: true,
        severity: { 'component-unused': 'off' },
      }),
      'page.css': '.box { color: teal }',
      'parts/box.ts': box,
      'src/fair.ts': `import { component, prop } from 'zesty-lattice';
import { NoticeBox } from '../parts/box.js';
export const FairPage = component('fair-page', {
  props: { rows: prop.number() },
  uses: [NoticeBox],
  template: \`<notice-box title="{{ rows }}"></notice-box>\`,
});
`,
      'page.html': page('<notice-box title="x">y</notice-box>'),
      'other.html': '<div>',
    };
    for (const [name, text] of Object.entries(files)) {
      mkdirSync(dirname(join(home, name)), { recursive: true });
      writeFileSync(join(home, name), text);
    }
    const run = (...args: readonly string[]): string => {
      const { stderr, stdout } = spawnSync('node', [join(root, 'packages/tools/dist/node/cli.js'), ...args], {
        cwd: home,
        encoding: 'utf8',
      });
      return stdout + stderr;
    };
    const found = run('check');
    expect(found).toMatch(/prop-misfit[\s\S]*at src\/fair\.ts:6:/);
    expect(found).toContain('1 error, 0 warnings in 2 files');
    expect(run('render', 'page.html')).toContain('<section class="box"><h2>x</h2>y</section>');
    expect(run('render', 'parts/box.ts', '--page', '--props', '{ "title": "a" }')).toContain(
      '.box { color: teal }',
    );
    expect(run('describe', '--print', 'editor')).toContain('"fair-page"');
    expect(run('describe', '--print', 'editor')).not.toContain('"notice-box"');
  });

  test('change how grave a problem is, name foreign tags, and leave paths out', async () => {
    const { found, report } = await checked({
      'lattice.json': JSON.stringify({
        severity: { 'component-unused': 'error', 'heading-skipped': 'off' },
        foreign: ['x-map'],
        ignore: ['old/**'],
      }),
      'old/broken.html': '<div>',
      'box.ts': box,
      'page.html': page('<h5>deep</h5><x-map></x-map>'),
    });
    expect(found).toEqual(['component-unused box.ts:2:26']);
    expect(report.problems[0]?.severity).toBe('error');
  });

  test.each([
    ['{ "severity": { "component-unusd": "off" } }', 'Did you mean "component-unused"?'],
    ['{ "severity": { "component-unused": "loud" } }', 'Write "error", "warning" or "off".'],
    ['{ "severity": null }', 'sets severity to something other than a record'],
    ['{ "foreing": [] }', 'Did you mean "foreign"?'],
    ['{ "stalls": [] }', 'It can set severity, foreign, ignore, paths, css, types and components.'],
    ['{ "types": "yes" }', 'sets types to something other than true or false'],
    ['{ "css": 4 }', 'sets css to something other than the path of a file'],
    [
      '{ "components": ["parts"] }',
      'sets components to "parts", and there is no file or folder of that name',
    ],
    ['{ "foreign": "x-map" }', 'other than a list of texts'],
    ['[]', 'holds no record'],
    ['{', 'is no JSON'],
  ])('%s is refused', async (text, words) => {
    await expect(checked({ 'lattice.json': text, 'a.html': '<p>x</p>' })).rejects.toThrow(words);
  });
});

describe('reports', () => {
  const wrong = { 'box.ts': box, 'page.html': page('<notice-box>a</notice-box>\n<img src="a&quot;.png">') };

  test('as text have the place, the lines around it and what to do', async () => {
    const text = textReport((await checked(wrong)).report);
    expect(text).toContain('error prop-missing  The required prop "title" of notice-box is missing.');
    expect(text).toMatch(
      /at out-check-[^/]+\/p\d+\/page\.html:4:1\n {4}2 │ .*\n {4}3 │ <h1>x<\/h1>\n {4}4 │ <notice-box>a<\/notice-box>\n {6}│ \^\n {2}→ /,
    );
    expect(text).toMatch(/2 errors, 0 warnings in 2 files with 1 component, [\d.]+ m?s\n$/);
  });

  test('as JSON are the report', async () => {
    const { report } = await checked(wrong);
    expect(JSON.parse(jsonReport(report))).toEqual(report);
  });

  test('as SARIF fit the OASIS schema, with rules, regions and paths from the root', async () => {
    // The schema of the standard, as the package @microsoft/sarif-multitool-linux 5.7.0 ships it.
    const schema = JSON.parse(
      readFileSync(fileURLToPath(new URL('./sarif-2.1.0.json', import.meta.url)), 'utf8'),
    );
    const ajv = new Ajv2020({ strict: false, allErrors: true });
    (formats as unknown as (one: object) => void)(ajv);
    const validate = ajv.compile(schema);
    for (const files of [wrong, { 'box.ts': `${box}export default NoticeBox({ title: 'x' });\n` }]) {
      const log = JSON.parse(sarifReport((await checked(files)).report));
      expect(validate(log), JSON.stringify(validate.errors)).toBe(true);
    }
    const { runs } = JSON.parse(sarifReport((await checked(wrong)).report));
    expect(runs[0].tool.driver.rules).toEqual([{ id: 'image-unnamed' }, { id: 'prop-missing' }]);
    expect(runs[0].results[0]).toMatchObject({
      ruleId: 'prop-missing',
      ruleIndex: 1,
      level: 'error',
      locations: [
        {
          physicalLocation: {
            artifactLocation: { uri: expect.stringMatching(/^out-check-.*\/page\.html$/), uriBaseId: 'ROOT' },
            region: { startLine: 4, startColumn: 1 },
          },
        },
      ],
    });
    expect(validate({ ...JSON.parse(sarifReport((await checked(wrong)).report)), version: '2' })).toBe(false);
  });
});

describe('lattice check', () => {
  test('ends with 1 where there are errors, with 0 for warnings, with 2 for a path that is not there', async () => {
    const { home } = await checked({ 'a.html': '<div>' });
    const bad = lattice('check', home);
    expect([bad.code, bad.out]).toEqual([1, expect.stringContaining('tag-unclosed')]);
    const { home: mild } = await checked({ 'b.html': '<p hreff="x">x</p>' });
    const good = lattice('check', mild, '--format', 'json');
    expect([good.code, JSON.parse(good.out).problems[0].code]).toEqual([0, 'attribute-unknown']);
    expect(lattice('check', 'no/such/path')).toMatchObject({
      code: 2,
      err: expect.stringContaining('no/such/path'),
    });
    expect(lattice('check', home, '--format', 'xml').code).toBe(2);
    expect(JSON.parse(lattice('check', home, '--format', 'sarif').out).version).toBe('2.1.0');
  });
});
