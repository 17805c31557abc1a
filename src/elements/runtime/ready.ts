import { dev } from '../../problem/index.js';
import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import { differs, ended } from './adopted.js';
import { type Attach, keep } from './block.js';
import { safe } from './dom.js';
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
      const fragment = htmlFragment(next);
      if (instance.adoption) return take(fragment);
      for (const one of nodes) (safe(one) as ChildNode).remove();
      nodes = [...fragment.childNodes];
      safe(mark.parentNode as Node).insertBefore(fragment, mark);
    };
    /** Takes over what a server wrote in the place. */
    const take = (fragment: DocumentFragment): void => {
      let node: Node | null = inside(mark, instance);
      for (const one of fragment.childNodes) {
        if (!node || !Node.prototype.isEqualNode.call(one, node))
          return differs(instance, mark.parentNode, dev && 'has other ready-made HTML');
        nodes.push(node);
        node = safe(node).nextSibling;
      }
      ended(node, mark, instance, mark.parentNode);
    };
    keep(block, level, mask, run);
  };
}
