import { htmlFragment } from '../../template/index.js';
import type { PlanTrusted } from '../../tree/index.js';
import type { Spot, View } from '../view.js';

/** Ready-made HTML, parsed by the browser. */
export function buildTrusted(node: PlanTrusted, parent: Node, view: View, { scope }: Spot): void {
  const { html } = node;
  if (parent instanceof Element && /^(script|style)$/.test(parent.localName)) {
    if (typeof html === 'string') parent.append(html);
    return;
  }
  if (typeof html === 'string') {
    parent.appendChild(htmlFragment(html));
    return;
  }
  const mark = parent.appendChild(document.createComment(''));
  const bits = scope.bits.read(html);
  const { index } = scope;
  view.note(scope, bits);
  view.place(mark, (found, frames, block, instance) => {
    let shown: string | undefined;
    let nodes: ChildNode[] = [];
    const run = (): void => {
      const next = String(html.get(frames[index] as never) ?? '');
      if (next === shown) return;
      shown = next;
      for (const old of nodes) old.remove();
      const fragment = htmlFragment(next);
      nodes = [...fragment.childNodes];
      (found.parentNode as Node).insertBefore(fragment, found);
    };
    if (instance.adoption) {
      shown = String(html.get(frames[index] as never) ?? '');
      for (
        let node: Node | null = instance.adoption.inside(found);
        node && node !== found;
        node = node.nextSibling
      )
        nodes.push(node as ChildNode);
    }
    run();
    if (bits !== 0) block.updaters.push({ scope: index, bits, run });
  });
}
