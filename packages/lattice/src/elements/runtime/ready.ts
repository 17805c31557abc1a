import { dev } from '../../problem/index.js';
import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import { differs, nameOf } from './adopted.js';
import { type Attach, keep } from './block.js';
import { safe } from './dom.js';
import type { Instance } from './instance.js';
import { inside } from './move.js';
import type { Get } from './text.js';

/** Ready-made HTML that changes, parsed by the browser. */
export function ready(get: Get, mask: number, level = 0): Attach {
  return (mark, scopes, block, instance) => {
    let shown: string | undefined;
    let nodes: Node[] = [];
    const run = (): void => {
      const next = String(get(scopes[level] as Scope) ?? '');
      if (next === shown) return;
      shown = next;
      if (instance.adoption) {
        for (
          let node: Node | null = inside(mark, instance);
          node && node !== mark;
          node = safe(node).nextSibling
        )
          nodes.push(node);
        lookAtReady(next, nodes, mark, instance);
        return;
      }
      for (const one of nodes) (safe(one) as ChildNode).remove();
      const fragment = htmlFragment(next);
      nodes = [...fragment.childNodes];
      safe(mark.parentNode as Node).insertBefore(fragment, mark);
    };
    keep(block, level, mask, run);
  };
}

function lookAtReady(html: string, nodes: readonly Node[], mark: Node, instance: Instance): void {
  // Most is written as a browser would write it: that is seen without reading it once more.
  if (nodes.map(written).join('') === html) return;
  const wanted = [...htmlFragment(html).childNodes];
  // Elements of their own may have filled themselves: of what holds some, the kinds of nodes are compared.
  const isTheirs = /<[a-z][^\s>]*-/i.test(html);
  const isSame = (one: Node, node: Node): boolean =>
    isTheirs ? safe(one).nodeName === safe(node).nodeName : safe(one).isEqualNode(node);
  if (wanted.length !== nodes.length || !wanted.every((one, at) => isSame(one, nodes[at] as Node)))
    differs(instance, dev ? `${nameOf(mark.parentNode)} has other ready-made HTML` : undefined);
}

/** A node as HTML, where it is one that says it by itself. */
function written(node: Node): string {
  if (node instanceof Element) return safe(node).outerHTML;
  return node instanceof Text && !/[&<>]/.test(node.data) ? node.data : '&';
}
