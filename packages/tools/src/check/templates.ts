import { type ComponentCore, saidOf } from 'zesty-lattice/internal/component';
import { type Block, blocksOf, isInteractive, type PlanNode, readsOp } from 'zesty-lattice/internal/plan';
import { finding, type Problem, placed } from 'zesty-lattice/internal/problem';
import { describe, withSource } from 'zesty-lattice/internal/template';

/** What a reader may be typing in, or where the focus is: it is lost where another row comes to stand in its place. */
const controls = /^(?:input|select|textarea|button|a|details|dialog|video|audio|iframe)$/;

/** Rows of a state that hold controls, or interactive components, and have no key: they stay where they are when the list moves. */
export function rowsWithoutKeys(component: ComponentCore): readonly Problem[] {
  if (!isInteractive(component)) return [];
  return blocksOf(component)
    .flatMap((block) => block.all('each'))
    .filter(({ key, list, row }) => !key && readsOp(list, 'state') && row.some(isOperated))
    .map(({ list }) => {
      const found = finding('key-missing', { component: component.name, list: describe(list) });
      return placed(saidOf(found, component), component.name);
    });
}

function isOperated(node: PlanNode): boolean {
  if (node.kind === 'use') return isInteractive(node.component);
  return node.kind === 'element' && typeof node.tag === 'string' && controls.test(node.tag);
}

/** Headings of a template that skip a level, where all that stands between them is its own. */
export function skippedHeadings(component: ComponentCore): readonly Problem[] {
  const found: Problem[] = [];
  /** The level of the heading before; undefined where another component or content may have one in between. */
  const follow = (block: Block, before: number | undefined): number | undefined => {
    let last = before;
    for (const node of block.nodes) {
      if (node.kind === 'given') {
        const [one, other] = [follow(node.content, last), follow(node.otherwise, last)];
        last = one === other ? one : undefined;
      } else if (node.kind === 'each') {
        // A row may follow the one before, whose headings are the same.
        const inRow = follow(node.row, last);
        last = follow(node.empty, last) === inRow ? inRow : undefined;
      } else if (node.kind === 'element') {
        const level = typeof node.tag === 'string' ? Number(/^h([1-6])$/.exec(node.tag)?.[1] ?? 0) : 0;
        if (level > 0 && last !== undefined && level > last + 1) {
          const facts = { tag: `h${level}`, after: `<h${last}>`, better: `<h${last + 1}>` };
          found.push(placed(withSource(finding('heading-skipped', facts), node), component.name));
        }
        const isKnown = typeof node.tag === 'string';
        const inside = follow(node.content, isKnown ? last : undefined);
        last = level > 0 ? level : isKnown ? inside : undefined;
      } else if (node.kind !== 'text' && node.kind !== 'value' && node.kind !== 'data') {
        // What others show around it is not known here, and what stands in it is.
        for (const inner of block.factsOf(node).blocks(node)) follow(inner.block, undefined);
        last = undefined;
      }
    }
    return last;
  };
  for (const block of blocksOf(component)) follow(block, undefined);
  return found;
}
