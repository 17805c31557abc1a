import { attributeOf, type ComponentCore, isMade, kindFacts, perComponent } from '../component/index.js';
import { ExprCore, operand } from '../template/index.js';
import type { PlanAttribute } from './attributes/plan-attribute.js';
import type { Block } from './block.js';
import { hasHostRules } from './host-rules.js';
import type { PlanElement } from './plan.js';
import { planOf } from './planner.js';

/**
 * The element that stands for a component's own where its template is flattened and its rules have `:host`: one box, without
 * any look of its own, as a custom element is (https://drafts.csswg.org/css-scoping-1/#host-selector).
 */
export const hostTag = 'lattice-host';

/** Returns what a component's template comes to outside of a shadow root: in a box where rules with `:host` ask for one. */
export const dissolvedContent: (component: ComponentCore) => Block = /* @__PURE__ */ perComponent(
  (component) => inHostBox(component, planOf(component).content),
);

/** Returns content in the box that stands for a component's element, where its rules ask for one. */
export function inHostBox(component: ComponentCore, content: Block): Block {
  if (!hasHostRules(component)) return content;
  const box: PlanElement = {
    kind: 'element',
    tag: hostTag,
    tags: [hostTag],
    attributes: askedOf(component),
    content,
    isHostBox: true,
    place: undefined,
  };
  return content.of([box]);
}

/** The props that `:host([…])` asks for, as the attributes that an element would have. */
function askedOf({ props, styles }: ComponentCore): readonly PlanAttribute[] {
  const asked = new Set(
    [...styles.matchAll(/:host\(([^)]*)\)/g)].flatMap(([, inside = '']) =>
      [...inside.matchAll(/\[\s*([\w-]+)/g)].map(([, name = '']) => name),
    ),
  );
  return props.names.flatMap((name, index): PlanAttribute[] => {
    const attribute = attributeOf(name);
    const kind = props.kinds[index];
    if (!kind || !asked.has(attribute) || !kindFacts[kind.rules.word].type) return [];
    const prop = new ExprCore({ op: 'prop', name, index });
    const { fallbackValue } = kind.settings;
    const test = new ExprCore({ op: 'binary', operator: '!=', left: prop, right: operand(fallbackValue) });
    // An element does not have the attribute where the prop is at its fallback.
    const value =
      fallbackValue === undefined || fallbackValue === false || isMade(fallbackValue)
        ? prop
        : new ExprCore({ op: 'choice', test, holds: prop, otherwise: operand(undefined) });
    return [{ kind: 'value', key: attribute, name: attribute, rule: 'plain', value }];
  });
}
