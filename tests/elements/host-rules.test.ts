import { describe, expect, test } from 'vitest';
import { type AnyComponent, component, el, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { renderMail } from 'zesty-lattice/mail';
import { useBrowser } from '../support/browser.js';
import { inRun } from '../support/runs.js';

// `:host` is one element. Where a component is flattened, what it looks like is the same.

const open = useBrowser();
const state = () => ({ taken: 0 });

/** Several elements side by side in the component's own. */
const Counter = component('crate-count', {
  props: {
    label: prop.text(),
    isFull: prop.flag(),
    season: prop.choice(['early', 'late']).fallback('early'),
  },
  state,
  styles: `:host { display: inline-flex; gap: 12px; border: 2px solid rgb(1, 2, 3); padding: 4px }
    :host([is-full]) { background: rgb(200, 10, 10) }
    :host([season='late']) b, :host([season=early]) i { color: rgb(9, 90, 9) }
    :host > b { font-style: italic } b + i { margin-inline-start: 7px } * { letter-spacing: 1px }`,
  template: ({ props, state }) => [el.b(props.label), el.i(state.taken), el.u('+')],
});
/** One element with a display of its own, and one that is hidden. */
const Board = component('stall-board', {
  props: { note: prop.text() },
  state,
  styles: ':host { display: block; border-block-end: 3px solid; margin: 8px 0 } table { border: 1px solid }',
  template: ({ props }) => el.table(el.caption(props.note), el.tbody(el.tr(el.td('1')))),
});
const Quiet = component('quiet-note', {
  state,
  styles: ':host { display: block; padding: 5px }',
  template: () => [el.p({ hidden: true }, 'not shown'), el.p('shown')],
});
/** Dissolves in both, with another in it. */
const Card = component('grove-card', {
  props: { title: prop.text() },
  slots: { default: slot() },
  styles:
    ':host { display: grid; gap: 6px; padding: 3px } :host::before { content: "Grove" } h3 { margin: 0 }',
  template: ({ props, slots }) => [
    el.h3(props.title),
    Counter({ label: props.title, season: 'late' }),
    slots.default(),
  ],
});
const Shelf = component('grove-shelf', {
  state,
  template: () => el.div(Card({ title: 'Dunlight' }, Board({ note: 'n' })), Card({ title: 'Saltbell' })),
});

/** Computed styles and sizes of all that is shown in an element, boxes of components among them. */
const looks = (id: string): string => `(() => {
  const isBox = (node) => node.shadowRoot || node.localName === 'lattice-host';
  const shown = (node) => node.localName === 'slot' && node.getRootNode() instanceof ShadowRoot
    ? node.assignedElements({ flatten: true }) : [...(node.shadowRoot ?? node).children].flatMap((one) => one.matches('style, template') ? [] : [one]);
  const look = (node, pseudo) => { const style = getComputedStyle(node, pseudo); return Object.fromEntries([...style].map((name) => [name, style.getPropertyValue(name)])); };
  const all = [];
  const visit = (node) => {
    if (!/^(slot|grove-shelf)$/.test(node.localName)) {
      const { width, height } = node.getBoundingClientRect();
      all.push({ tag: isBox(node) ? 'box' : node.localName, width, height, own: look(node), before: look(node, '::before') });
    }
    shown(node).forEach(visit);
  };
  shown(document.querySelector('#${id}')).forEach(visit);
  return all;
})()`;

interface Look {
  readonly tag: string;
}

describe('rules with :host', () => {
  test.each(
    inRun(
      [
        ['several elements', Counter({ label: 'Dunlight', isFull: true })],
        ['several elements, and a prop at its fallback', Counter({ label: 'Dunlight' })],
        ['one element with a display of its own', Board({ note: 'Two stalls' })],
        ['hidden elements', Quiet()],
        ['components in one another', Card({ title: 'Dunlight' }, el.p('x'))],
        ['components in an element', Shelf()],
      ] as const,
      ([name]) => /^(several elements|components in an element)$/.test(name),
    ),
  )('look the same as HTML text and as elements: %s', async (_name, use) => {
    const page = await open.page('<!doctype html>');
    await page.setContent(
      renderPage(Shelf(), { title: 'x' }).replace(
        /<body>[\s\S]*<\/body>/,
        `<body><div id="text">${renderHtml(use, { styles: true })}</div><div id="elements">${renderHtml(use, { form: 'elements' })}</div></body>`,
      ),
    );
    const [text, elements] = (await Promise.all([
      page.evaluate(looks('text')),
      page.evaluate(looks('elements')),
    ])) as [Look[], Look[]];
    expect(text.length).toBeGreaterThan(2);
    expect(text.map(({ tag }) => tag)).toEqual(elements.map(({ tag }) => tag));
    expect(text).toEqual(elements);
    await page.close();
  });

  test('write no box where there are none', () => {
    const Plain = component('plain-note', { styles: 'p { margin: 0 }', template: () => el.p('x') });
    expect(renderHtml(Plain())).toBe('<p data-in="plain-note">x</p>');
  });

  test('are a problem where no box may stand', () => {
    const Row = component('stall-row', { styles: ':host { color: red }', template: () => el.tr(el.td('x')) });
    const problems = (use: () => unknown): readonly string[] =>
      resolve(component('row-page', { template: use as never })()).problems.map(({ message }) => message);
    expect(problems(() => el.p(Row() as never))).toHaveLength(1);
    expect(problems(() => el.table(el.tbody((Row as AnyComponent as typeof Row)())))).toEqual([
      '<lattice-host> of stall-row, which its rules with :host are for, cannot stand straight in <tbody>.',
    ]);
  });

  test('are of a block or of text in a mail', () => {
    const { html } = renderMail(Card({ title: 'Dunlight' }, Counter({ label: 'x' })), { title: 'Open day' });
    expect(html).not.toContain('lattice-host');
    expect(html).toMatch(/<div [^>]*style="[^"]*display: grid/);
    expect(html).toMatch(/<span [^>]*style="[^"]*display: inline-flex/);
    expect(html).not.toContain('season=');
  });
});
