import { component, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import type { FairPage } from '../../examples/orchard/fair-page.js';
import data from '../../examples/orchard/open-day.json' with { type: 'json' };
import { fairWith } from './fair-with.js';

type FairProps = Parameters<typeof FairPage>[0];

/** The same page as HTML text, with data of the moment. */
const FreshPage = component('fresh-page', {
  props: { data: prop.list<typeof data>() },
  template: ({ props }) => fairWith(props.data[0] as unknown as Record<string, unknown>),
});

/** Markup without what only tells an element where its places are, and whose rules hold. */
function plain(root: ParentNode & Node): string {
  const copy = document.createElement('div');
  copy.append(...[...root.childNodes].map((node) => node.cloneNode(true)));
  for (const one of copy.querySelectorAll('[data-in-host]')) one.removeAttribute('data-in-host');
  const walker = document.createTreeWalker(copy, NodeFilter.SHOW_COMMENT);
  const comments: ChildNode[] = [];
  while (walker.nextNode()) comments.push(walker.currentNode as ChildNode);
  for (const comment of comments) comment.remove();
  copy.normalize();
  for (const one of copy.querySelectorAll('*')) {
    const attributes = [...one.attributes]
      .map(({ name, value }) => [name, value] as const)
      .sort(([a], [b]) => (a < b ? -1 : 1));
    for (const [name] of attributes) one.removeAttribute(name);
    for (const [name, value] of attributes) one.setAttribute(name, value);
  }
  return copy.innerHTML;
}

let now = data as unknown as FairProps;

/** What the element shows, and what a fresh render of the same data says. */
function both(): readonly [shown: string, wanted: string] {
  const template = document.createElement('template');
  template.innerHTML = renderHtml(FreshPage({ data: [now as unknown as typeof data] }));
  return [plain(document.querySelector('live-page')?.shadowRoot as ShadowRoot), plain(template.content)];
}

/** Puts the live page into the document, and what compares it into the window. */
export function start(): void {
  Object.assign(window, {
    both,
    data,
    async alter(changes: Partial<FairProps>) {
      now = { ...now, ...changes };
      (window as unknown as { change: (changes: object) => void }).change(changes);
      await new Promise((done) => setTimeout(done));
      return both();
    },
  });
  document.body.append(document.createElement('live-page'));
}
