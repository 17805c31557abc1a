import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type AnyComponent, component, eachOf, el, prop, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { check } from 'zesty-lattice-tools/check';
import { root } from '../cli/lattice.js';
import { onlyProblem } from '../support/problems.js';

// A component that is one row of a table. An HTML parser keeps nothing in a table but its parts and templates.

const props = { name: prop.text() };
const rowText = '<tr><td>{{ name }}</td></tr>';
const Row = component('stall-row', { props, template: rowText });
const RowOfFunctions = component('stall-line', { props, template: ({ props }) => el.tr(el.td(props.name)) });
const Table = component('stall-table', {
  slots: { default: slot() },
  template: '<table><tbody><template given="true"><slot></slot></template></tbody></table>',
});
const TableOfFunctions = component('stall-board', {
  slots: { default: slot() },
  template: ({ slots }) => el.table(el.tbody(slots.default())),
});
const uses = [Row, RowOfFunctions, Table, TableOfFunctions] as readonly AnyComponent[];
const text = (template: string): string => renderHtml(component('page-part', { uses, template })());
const table = (...names: readonly string[]): string =>
  `<table><tbody>${names.map((name) => `<tr><td>${name}</td></tr>`).join('')}</tbody></table>`;

test('stands where its rows may, in functions and in HTML text', () => {
  const rows = eachOf(['a', 'b'], (name) => [Row({ name }), RowOfFunctions({ name })]);
  for (const Any of [Table, TableOfFunctions])
    expect(renderHtml(Any({}, rows))).toBe(table('a', 'a', 'b', 'b'));
  for (const tag of ['stall-table', 'stall-board']) {
    expect(text(`<${tag}><stall-row name="a"></stall-row></${tag}>`)).toBe(table('a'));
    expect(
      text(
        `<${tag}><template each-of="['a', 'b']" as="one"><stall-line name="{{ one }}"></stall-line></template></${tag}>`,
      ),
    ).toBe(table('a', 'b'));
    expect(
      text(
        `<${tag}><template slot="default"><tr><td>a</td></tr><stall-row name="b"></stall-row></template></${tag}>`,
      ),
    ).toBe(table('a', 'b'));
  }
  expect(
    text('<table><tbody><template given="true"><stall-row name="a"></stall-row></template></tbody></table>'),
  ).toBe(table('a'));
});

test('in a text, where a parser would move it, the problem says what stays, and that works', () => {
  for (const [written, name] of [
    ['<table><tbody><stall-row name="a"></stall-row></tbody></table>', 'stall-row'],
    ['<table><tbody><slot></slot></tbody></table>', 'slot'],
  ] as const) {
    const { code, words } = onlyProblem(() => text(written));
    expect(code).toBe('content-not-allowed');
    expect(words).toContain(`<template given="true"><${name}>…</${name}></template>`);
    text(written.replace(/<(slot|stall-row).*(<\/\1>)/, '<template given="true">$&</template>'));
  }
  const { words } = onlyProblem(() => text('<stall-table><tr><td>a</td></tr></stall-table>'));
  expect(words).toContain('<template slot="default"><tr>…</template>');
});

const document = (body: string): string =>
  `<!doctype html>\n<html lang="en"><head><title>x</title></head><body>\n<h1>x</h1>\n${body}\n</body></html>\n`;
const written = [
  '<table><tbody><stall-row name="a"></stall-row></tbody></table>',
  '<stall-table><stall-row name="a"></stall-row></stall-table>',
  '<stall-table><tr><td>a</td></tr></stall-table>',
  '<stall-table><template slot="default"><stall-row name="a"></stall-row></template></stall-table>',
].join('\n');

test('in a document, where it is written', () => {
  const { html, problems } = renderDocument(document(written), catalog(uses));
  expect(html).toBe(document(`${table('a')}\n${table('a')}\n${table('a')}\n${table('a')}`));
  expect(problems).toEqual([]);
});

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(root, 'out-rows-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('check finds nothing in such a document, and what stands where no row may', async () => {
  const parts = `import { component, slot, prop } from 'zesty-lattice';
export const StallRow = component('stall-row', { props: { name: prop.text() }, template: '${rowText}' });
export const StallTable = component('stall-table', { slots: { default: slot() }, template: '<table><tbody><template given="true"><slot></slot></template></tbody></table>' });
`;
  const codes = async (body: string): Promise<readonly string[]> => {
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'parts.ts'), parts);
    writeFileSync(join(folder, 'page.html'), document(body));
    return (await check([folder])).problems.map(({ code, message }) => `${code} ${message}`);
  };
  expect(await codes(written)).toEqual([]);
  expect(await codes(`${written}<p><stall-row name="a"></stall-row></p>`)).toEqual([
    'content-not-allowed <stall-row> cannot stand in <p>.',
  ]);
});
