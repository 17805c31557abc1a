import { dev } from '../../problem/index.js';
import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import { differs } from './adoption.js';
import { type Attach, keep } from './block.js';
import { discard, insert, nextOf } from './dom.js';
import { ended, inside } from './move.js';
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
      nodes.forEach(discard);
      nodes = [...fragment.childNodes];
      insert(mark.parentNode as Node, fragment, mark);
    };
    /** Takes over what a server wrote in the place. */
    const take = (fragment: DocumentFragment): void => {
      let node: Node | null = inside(mark, instance);
      for (const one of fragment.childNodes) {
        if (!node || !Node.prototype.isEqualNode.call(one, node))
          return differs(instance, mark.parentNode, dev && 'has other ready-made HTML');
        nodes.push(node);
        node = nextOf(node);
      }
      ended(node, mark, instance);
    };
    keep(block, level, mask, run);
  };
}
