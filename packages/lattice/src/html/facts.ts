import { type ComponentCore, perComponent } from '../component/index.js';
import { htmlTags } from '../generated/tags.js';
import { blocksOf, isInteractive, type PlanNode, planOf, readsOp } from '../plan/index.js';
import { isBlank } from '../template/index.js';
import type { Form } from './form.js';

/** Whether a component, or one that it uses, makes ids. */
export const makesIds: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  [...reached(component, () => true)].some((one) =>
    blocksOf(one).some(({ reads }) => reads.some((core) => readsOp(core, 'uid'))),
  ),
);

/** The components with styles whose elements stand in what is written, and not in a shadow root of their own. */
export function styledIn(component: ComponentCore, form: Form): ReadonlySet<ComponentCore> {
  const { known, dissolves } = form === 'markup' ? styledMarkup : styledElements;
  let all = known.get(component);
  if (!all) {
    all = new Set([...reached(component, dissolves)].filter((one) => one.styles !== ''));
    known.set(component, all);
  }
  if (form !== 'shadow' || !all.has(component)) return all;
  return new Set([...all].filter((one) => one !== component));
}

const styledMarkup = {
  known: new WeakMap<ComponentCore, ReadonlySet<ComponentCore>>(),
  dissolves: () => true,
};
const styledElements = {
  known: new WeakMap<ComponentCore, ReadonlySet<ComponentCore>>(),
  dissolves: (component: ComponentCore) => !isInteractive(component),
};

/** A component, and those that are flattened in it. */
export function dissolvedIn(component: ComponentCore): ReadonlySet<ComponentCore> {
  return reached(component, styledElements.dissolves);
}

/** Whether a component, or one that it uses, waits for data. */
export const waits: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  [...reached(component, () => true)].some((one) => one.load !== undefined),
);

/** Whether a component's template says what stands where its data could not be loaded. */
export const showsFailure: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  planOf(component).content.reads.some(
    ({ op }) => op.op === 'field' && op.key === 'fault' && op.of.op.op === 'data',
  ),
);

/**
 * Whether what a component is written as may be sent at the end of a page and moved to its place: elements that may
 * stand in a `div`, and nothing that a parser would read in another way there.
 */
export const isMovable: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  isMovableIn(component, new Set()),
);

function isMovableIn(component: ComponentCore, open: Set<ComponentCore>): boolean {
  if (open.has(component)) return true;
  open.add(component);
  return blocksOf(component).every(({ nodes }) => nodes.every((node) => isMovableNode(node, open)));
}

function isMovableNode(node: PlanNode, open: Set<ComponentCore>): boolean {
  const all = (...nodes: readonly PlanNode[]): boolean => nodes.every((one) => isMovableNode(one, open));
  switch (node.kind) {
    case 'text':
      return isBlank(node.text);
    case 'element':
      return typeof node.tag === 'string' && isFlow(node.tag);
    case 'given':
      return all(...node.content.nodes, ...node.otherwise.nodes);
    case 'each':
      return all(...node.row.nodes, ...node.empty.nodes);
    case 'use':
      return isMovableIn(node.component, open);
    default:
      return false;
  }
}

/** Elements that stand in tables, choices and pictures alone are read in another way elsewhere. */
function isFlow(tag: string): boolean {
  return (
    htmlTags.has(tag) &&
    !/^(caption|col|colgroup|tbody|td|tfoot|th|thead|tr|option|optgroup|html|head|body|frame|frameset)$/.test(
      tag,
    )
  );
}

/** A component with those it uses, at any depth. */
export function reached(
  component: ComponentCore,
  counts: (component: ComponentCore) => boolean = () => true,
): ReadonlySet<ComponentCore> {
  const seen = new Set([component]);
  // A set that grows while it is walked is walked to its end.
  for (const one of seen)
    for (const { uses } of blocksOf(one))
      for (const { component: inner } of uses) if (counts(inner)) seen.add(inner);
  return seen;
}
