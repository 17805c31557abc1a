import type { UseNode } from '../component/index.js';
import { isNode } from '../template/index.js';

/** The steps down to a use, each with its number where there are several of its name. */
export function pathTo(content: unknown, use: UseNode | undefined): readonly string[] | undefined {
  const uses = usesIn(content);
  for (const [at, one] of uses.entries()) {
    const { name } = one.component;
    const isSame = (other: UseNode): boolean => other.component.name === name;
    const number = uses.slice(0, at + 1).filter(isSame).length;
    const step = uses.filter(isSame).length > 1 ? `${name}[${number}]` : name;
    if (one === use) return [step];
    const inside = pathTo(
      one.component.slots.names.map((slot) => one.slots[slot]?.content),
      use,
    );
    if (inside) return [step, ...inside];
  }
  return undefined;
}

/** The uses that stand in content, and in no other use. */
function usesIn(content: unknown): readonly UseNode[] {
  if (Array.isArray(content)) return content.flatMap(usesIn);
  if (!isNode(content)) return [];
  return content.kind === 'use' ? [content as unknown as UseNode] : content.parts().flatMap(usesIn);
}
