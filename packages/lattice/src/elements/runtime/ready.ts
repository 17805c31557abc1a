import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import { type Attach, keep } from './block.js';
import { safe } from './dom.js';
import { fixedLook } from './fixed.js';
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
        fixedLook?.ready(next, nodes, mark, instance);
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
