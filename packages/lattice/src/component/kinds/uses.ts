import { dev, printValue, refuseCall } from '../../problem/index.js';
import type { AnyComponent, PropsOf } from '../component.js';
import { componentCore } from '../core.js';
import { Kind } from '../kind.js';
import { list } from './list.js';
import { record } from './record.js';
import { usesRule } from './uses-rule.js';

/**
 * What a component is given in one of its slots: the props of each use of another component there, in their order. A
 * template reads it as any list. A use may also give the list itself.
 *
 * @param component the component whose uses are read; those that stand outermost in the slot count
 * @param slot the slot, `default` unless another one is named
 * @throws LatticeError `call-invalid`, during development
 * @example
 * component('tab-set', {
 *   props: { panels: prop.uses(TabPanel) },
 *   slots: { default: slot() },
 *   template: ({ props, slots }) => [eachOf(props.panels, (panel) => el.b(panel.label)), slots.default()],
 * });
 */
export function uses<C extends AnyComponent>(
  component: C,
  slot = 'default',
): Kind<readonly PropsOf<C>[], readonly PropsOf<C>[], 'fallback'> {
  const core = componentCore(component);
  if (!core) {
    if (dev)
      refuseCall(
        uses,
        'prop.uses',
        `expects a component, but received ${printValue(component)}`,
        'Write prop.uses(TabPanel), or prop.uses(TabPanel, "side") for a slot with a name.',
      );
    return list() as never;
  }
  const { kinds, names } = core.props;
  const item = record(Object.fromEntries(names.map((name, index) => [name, kinds[index] as never])));
  const { rules } = list(item);
  return new Kind({ ...rules, ...usesRule(item.rule), code: { name: 'usesRule', args: [item] } } as never, {
    presence: 'fallback',
    fallbackValue: [],
    tests: [],
    uses: { component: core, slot },
  });
}
