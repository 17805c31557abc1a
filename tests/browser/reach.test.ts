import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { component, el, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { markupFile } from 'zesty-lattice/markup';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { scopedRules, shadowRules } from '../../packages/lattice/src/styles/index.js';
import { root } from '../cli/lattice.js';
import { useBrowser } from '../support/browser.js';
import { bundle } from '../support/bundle.js';
import { runsOf } from '../support/runs.js';

const { page: open } = useBrowser();

const reported = (styles: string): readonly string[] =>
  resolve(component('reach-box', { styles, template: () => el.p('x') }), {}).problems.map(
    ({ code, message }) => `${code} ${message}`,
  );

/** Rules that would reach further than their component if they were read in another way than they are meant. */
const hostile = [
  '@IMPORT "data:text/css,*{color:red}";',
  '@namespace url(http://none.example);',
  'p{} } * { color: red } q {',
  'p { content: "a\n; } * { color: red } b { content: "; }',
  '& { color: red }',
  ':is(&) { color: red }',
  '@scope (body) { & { color: red } :scope { color: red } * { color: red } }',
  '@scope { & p { color: red } :scope p { color: red } }',
  '@media all { & { color: red } }',
  '@layer x { & { color: red } html, body, :root { color: red } }',
  'p { background: url(a b); } * { color: red }',
  'p { color: blue; /* } * { color: red } ',
  'p { --x: {a}; & ~ *, & + * { color: red } }',
  ':not(p) { color: red } * { color: red } body * { color: red }',
  ':root, html, body { color: red }',
  ':has(p) { color: red } :is(body, html) { color: red }',
  'p:is(* *) { color: red } :where(*) :where(*) { color: red }',
  '<!-- * { color: red } -->',
  'p { color: red !important; } ] * { color: red }',
  '@page { margin: 9cm }',
  '@view-transition { navigation: auto }',
  ':host { color: red } :host(*) * { color: red } :host-context(body) { color: red }',
  'p::before { content: "}"; } \\* { color: red } \\62 ody { color: red }',
  '*|* { color: red } svg|p { color: red } |p { color: red }',
  'p { @media all { & { color: blue } } } @media all { * { color: red } }',
  '@container (width > 0) { * { color: red } }',
  '@supports (color: red) { * { color: red } }',
  '@starting-style { * { color: red } }',
  'p { &:not(&) { color: red } } p { :not(&) { color: red } }',
  'p { * & { color: red } body & { color: red } & * { color: blue } }',
];

const pieces = [
  ...hostile,
  '{',
  '}',
  '(',
  ')',
  '[',
  ']',
  '"',
  "'",
  '\n',
  '\\',
  '/*',
  '*/',
  ';',
  ',',
  '&',
  '*',
  'p',
  '@media all',
  ':is(',
  'url(',
  ' * { color: red } ',
  'color: red',
  '<!--',
  '-->',
  '@scope',
  '::slotted(*)',
  ':root',
  '\0',
  '\f',
  '!important',
];

describe('a component’s rules', () => {
  test('reach nothing outside of it, whatever they are', async () => {
    const page = await open(
      '<p id=outside>out</p><div><p data-in="reach-box">in</p><b id=beside>beside</b></div><div id=host></div>',
    );
    await page.addScriptTag({
      content: await bundle(new URL('./reach-page.ts', import.meta.url), { production: true }),
      type: 'module',
    });
    await page.waitForFunction('window.sheetsOf');
    const before = await page.evaluate('looks()');
    const looksAfter = (styles: string): Promise<unknown> => {
      const core = componentCore(component('reach-box', { styles, template: () => el.p('x') }));
      if (!core) throw new Error('no component');
      const html = `<style>${scopedRules(core).css.replaceAll('</style', '')}</style>`;
      const shadow = `<template shadowrootmode=open><style>${shadowRules(core).replaceAll('</style', '')}</style><p>x</p></template>`;
      return page.evaluate(
        ([text, inShadow, own]) => {
          const results: unknown[] = [];
          const { looks } = window as unknown as { looks(): string };
          const measure = () => results.push(looks());
          document.head.insertAdjacentHTML('beforeend', text as string);
          measure();
          document.head.lastElementChild?.remove();
          const host = document.getElementById('host') as HTMLElement;
          (host as unknown as { setHTMLUnsafe(html: string): void }).setHTMLUnsafe(`<div>${inShadow}</div>`);
          measure();
          const make = (window as unknown as { sheetsOf(styles: string): CSSStyleSheet[] }).sheetsOf;
          const [inRoot, scoped] = make(own as string);
          document.adoptedStyleSheets = [scoped as CSSStyleSheet];
          measure();
          document.adoptedStyleSheets = [];
          const root = (host.firstElementChild as HTMLElement).shadowRoot as ShadowRoot;
          root.adoptedStyleSheets = [inRoot as CSSStyleSheet];
          measure();
          return results;
        },
        [html, shadow, styles],
      );
    };
    for (const styles of hostile)
      expect([styles, await looksAfter(styles)]).toEqual([styles, Array(4).fill(before)]);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 8 }),
        async (parts) => {
          expect(await looksAfter(parts.join(''))).toEqual(Array(4).fill(before));
        },
      ),
      runsOf('hostile sheets', 1_500),
    );
  });

  test('are reported where they cannot be read, or reach further', () => {
    expect(reported('@IMPORT "x.css"; p { color: red }')).toEqual([
      'styles-invalid The styles of reach-box hold @import, which no component may.',
    ]);
    for (const wrong of [
      hostile[1],
      hostile[2],
      hostile[3],
      hostile[10],
      hostile[11],
      hostile[17],
      hostile[18],
      hostile[19],
      hostile[20],
    ])
      expect([wrong, reported(wrong as string).map((one) => one.split(' ')[0])]).toEqual([
        wrong,
        expect.arrayContaining(['styles-invalid']),
      ]);
    expect(reported('p { color: red } @media print { & p { margin: 0 } } p { & b { color: blue } }')).toEqual(
      [],
    );
  });

  test('with their own file and line', () => {
    const folder = mkdtempSync(join(root, 'out-reach-'));
    try {
      writeFileSync(join(folder, 'first.css'), 'p { margin: 0 }\np { color: red }\n');
      writeFileSync(join(folder, 'second.css'), 'b { margin: 0 }\n\n  @namespace url(x);\n');
      const from = pathToFileURL(join(folder, 'x.ts')).href;
      const Box = component('reach-files', {
        styles: [markupFile(from, './first.css'), 'i { margin: 0 }', markupFile(from, './second.css')],
        template: () => el.p('x'),
      });
      const [problem] = resolve(Box, {}).problems;
      expect(problem?.source).toMatchObject({ file: join(folder, 'second.css'), line: 3, column: 3 });
      writeFileSync(join(folder, 'second.css'), 'b { margin: 0 }\nb { content: "\n" }');
      const Broken = component('reach-broken', {
        styles: [markupFile(from, './first.css'), markupFile(from, './second.css')],
        template: () => el.p('x'),
      });
      expect(resolve(Broken, {}).problems[0]?.source).toMatchObject({
        file: join(folder, 'second.css'),
        line: 2,
      });
      expect(() => renderHtml(Broken, {}, { styles: true })).toThrow(/styles-invalid/);
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
});
