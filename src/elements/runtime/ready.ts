import { htmlFragment } from '../../template/fragment.js';
import type { Scope } from '../../template/scope.js';
import { type Attach, follow } from './block.js';
import { inside } from './move.js';
import type { Get } from './text.js';

/** Ready-made HTML that changes, parsed by the browser. */
export function ready(get: Get, mask: number, level = 0): Attach {
  return (mark, scopes, block, instance) => {
    let shown: string | undefined;
    let nodes: ChildNode[] = [];
    const text = (): string => String(get(scopes[level] as Scope) ?? '');
    const run = (): void => {
      const next = text();
      if (next === shown) return;
      shown = next;
      for (const old of nodes) old.remove();
      const fragment = htmlFragment(next);
      nodes = [...fragment.childNodes];
      (mark.parentNode as Node).insertBefore(fragment, mark);
    };
    if (instance.adoption) {
      shown = text();
      for (let node: Node | null = inside(mark, instance); node && node !== mark; node = node.nextSibling)
        nodes.push(node as ChildNode);
    }
    run();
    follow(block, level, mask, run);
  };
}
