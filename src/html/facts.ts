import { type ComponentCore, perComponent } from '../component/index.js';
import { isInteractive, planOf, readsOp } from '../plan/index.js';
import type { Form } from './form.js';

/** Whether a component, or one that it uses, makes ids. */
export const makesIds: (component: ComponentCore) => boolean = /* @__PURE__ */ perComponent((component) =>
  [...reached(component, () => true)].some((one) =>
    planOf(one).content.reads.some((core) => readsOp(core, 'uid')),
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

/** A component, and those that dissolve in it. */
export function dissolvedIn(component: ComponentCore): ReadonlySet<ComponentCore> {
  return reached(component, styledElements.dissolves);
}

/** A component with those it uses, at any depth. */
function reached(
  component: ComponentCore,
  counts: (component: ComponentCore) => boolean,
): ReadonlySet<ComponentCore> {
  const seen = new Set([component]);
  // A set that grows while it is walked is walked to its end.
  for (const one of seen)
    for (const { component: inner } of planOf(one).content.uses) if (counts(inner)) seen.add(inner);
  return seen;
}
