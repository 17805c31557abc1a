import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type LanguageServer, languageServer } from '../support/language-server.js';

const file = fileURLToPath(new URL('./hover.ts', import.meta.url));

let server: LanguageServer;
beforeAll(async () => {
  server = await languageServer();
});
afterAll(() => server.stop());

describe('what an editor shows over a name', () => {
  const hovers: Record<string, string> = {
    'VarietyCard = ': `const VarietyCard: Component<{
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}, {
    badge: Content;
    default?: Content;
}>`,
    'Notice = ': 'const Notice: Component<{}, {}>',
    CardProps: `type CardProps = {
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}`,
    CardSlots: `type CardSlots = {
    badge: Content;
    default?: Content;
}`,
    'VarietyCard({': `const VarietyCard: (props: PropInputs<{
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}> & HostAttributes, content: {
    badge: Content;
    default?: Content;
}) => Use`,
    "season: 'late'":
      '(property) season?: "early" | "late" | ExprOf<"early" | "late" | undefined> | undefined',
    "badge: 'New'": '(property) badge: Content',
    'stall) =>': '(parameter) stall: Expr<Stall>',
    'crates) })': '(property) crates: ExprOf<number>',
  };

  test.each(Object.entries(hovers))('%s', async (at, shown) => {
    expect((await server.hover(file, at)).trim()).toBe(shown);
  });
});

describe('what an editor offers', () => {
  const start = `import { component, el, eachOf, event, given, preset, prop, slot } from 'zesty-lattice';
import { VarietyCard, RowList } from './hover.js';
`;
  const offered: Record<string, readonly string[]> = {
    'VarietyCard({ ¦ })': ['title', 'season', 'crates', 'picked', 'class', 'dataset', 'aria-label'],
    "VarietyCard({ title: 'x', season: '¦' })": ['early', 'late'],
    "VarietyCard({ title: 'x' }, { ¦ })": ['default', 'badge'],
    'RowList({ items: [{ name: 1, kilos: 2 }] }, { row: (stall) => stall.¦ })': ['name', 'kilos'],
    "component('a-b', { ¦ })": ['props', 'slots', 'styles', 'state', 'handlers', 'template', 'uses'],
    "component('a-b', { props: { crates: prop.¦ }, template: () => null })": [
      'text',
      'number',
      'choice',
      'tag',
    ],
    "component('a-b', { props: { crates: prop.number() }, template: ({ props }) => props.¦ })": ['crates'],
    "component('a-b', { slots: { note: slot() }, template: ({ slots }) => slots.¦ })": ['note'],
    "component('a-b', { state: () => ({ count: 1 }), handlers: { add: ({ state }) => ({ count: state.¦ }) }, template: () => null })":
      ['count'],
    "component('a-b', { state: () => ({ count: 1 }), handlers: { add: () => ({ count: 2 }) }, template: ({ handlers }) => el.button({ on: { click: handlers.¦ } }) })":
      ['add'],
    "component('a-b', { events: { changed: event<{ count: number }>() }, handlers: { add: ({ dispatch }) => dispatch('¦') }, template: () => null })":
      ['changed'],
    'el.¦': ['article', 'input', 'svg', 'of'],
    'el.input({ ¦ })': ['type', 'checked', 'bind', 'aria-label', 'on'],
    "el.input({ type: '¦' })": ['checkbox', 'date', 'url'],
    "el.p({ 'aria-live': '¦' })": ['polite', 'assertive'],
    'el.button({ on: { ¦ } })': ['click', 'keydown'],
    'preset(el.button, { ¦ })': ['type', 'disabled'],
    'preset(VarietyCard, { ¦ })': ['title', 'season', 'crates'],
  };

  test.each(Object.entries(offered))('%s', async (marked, names) => {
    const found = (await server.completions(`${start}export const x = ${marked};\n`)).map((one) =>
      one.replaceAll('"', ''),
    );
    expect(found).toEqual(expect.arrayContaining([...names]));
  });
});
