import { type ComponentCore, stateNames } from '../../component/index.js';
import { suggest } from '../../problem/index.js';
import { coreOf, ExprCore, fieldOf, uid } from '../../template/index.js';
import type { ExpressionTree } from '../expression/tree.js';

/** The names that an expression can read where it stands: items and slot data by the names their templates give. */
export type Locals = ReadonlyMap<string, ExprCore>;

/** What a path such as `slots.badge.filled` means, or why it means nothing. */
export type Meaning =
  | { readonly core: ExprCore }
  | { readonly what: string; readonly name: string; readonly hint: string };

/** Tells what names in a component's template text stand for. */
export class Names {
  readonly component: ComponentCore;
  readonly #states: readonly string[] | undefined;

  constructor(component: ComponentCore) {
    this.component = component;
    this.#states = stateNames(component);
  }

  /** What a bare name stands for: an item or slot data, else a field of the state, else a prop. */
  meaning(name: string, locals: Locals): Meaning {
    const local = locals.get(name);
    if (local) return { core: local };
    if (this.hasState(name)) return { core: this.state(name) };
    const prop = this.prop(name);
    if (prop) return { core: prop };
    if (name === 'data' && this.component.load) return { core: new ExprCore({ op: 'data' }) };
    // Nothing is known of it but that it may be there.
    if (this.component.takesAnyName) return { core: new ExprCore({ op: 'shared', name }) };
    const known = [...locals.keys(), ...(this.#states ?? []), ...this.component.props.names];
    return {
      what: 'value',
      name,
      hint: Object.hasOwn(this.component.helpers, name)
        ? `It is a helper: call it, ${name}(…).`
        : `${suggest(name, known, 'name').replace(/^It has no names\.$/, 'The component has no props.')} A prop is declared as props: { ${name}: prop.text() }.`,
    };
  }

  /** What a path that starts with `props`, `state`, `slots` or `shared` stands for; undefined when it is another. */
  rooted(
    tree: ExpressionTree,
    locals: Locals,
  ): { readonly meaning: Meaning; readonly at: number } | undefined {
    const steps = stepsOf(tree);
    const [root, name, field] = steps ?? [];
    const event = root === undefined ? undefined : locals.get(root);
    if (event?.op.op === 'event' && name !== undefined && steps?.length === 2)
      return { meaning: eventField(event, name), at: startOf(tree) };
    if (
      this.component.takesAnyName ||
      !root ||
      name === undefined ||
      locals.has(root) ||
      this.component.props.at.has(root) ||
      this.#states?.includes(root)
    )
      return undefined;
    const at = startOf(tree);
    switch (`${root} ${steps?.length}`) {
      case 'props 2': {
        const core = this.prop(name);
        if (core) return { meaning: { core }, at };
        return {
          meaning: { what: 'prop', name, hint: suggest(name, this.component.props.names, 'prop') },
          at,
        };
      }
      case 'state 2':
        return { meaning: this.hasState(name, true) ? { core: this.state(name) } : this.noState(name), at };
      case 'shared 2':
        return { meaning: { core: new ExprCore({ op: 'shared', name }) }, at };
      case 'slots 3':
        return field === 'filled' ? { meaning: this.filled(name), at } : undefined;
      default:
        return undefined;
    }
  }

  filled(slot: string): Meaning {
    const index = this.component.slots.at.get(slot);
    if (index !== undefined) return { core: new ExprCore({ op: 'filled', slot, index }) };
    return { what: 'slot', name: slot, hint: suggest(slot, this.component.slots.names, 'slot') };
  }

  prop(name: string): ExprCore | undefined {
    const index = this.component.props.at.get(name);
    return index === undefined ? undefined : new ExprCore({ op: 'prop', name, index });
  }

  state(name: string): ExprCore {
    return new ExprCore({ op: 'state', name });
  }

  noState(name: string): Meaning {
    return { what: 'field of the state', name, hint: suggest(name, this.#states ?? [], 'field') };
  }

  /** Whether the state has a field. Where its fields are not known, a name that is no prop is taken for one if asked for. */
  hasState(name: string, isAsked = false): boolean {
    if (this.component.takesAnyName) return isAsked;
    if (!this.component.state) return false;
    if (this.#states) return this.#states.includes(name);
    // What every record has is no field of anybody's.
    if (name in Object.prototype) return false;
    return isAsked || !this.component.props.at.has(name);
  }

  uid(label: string): ExprCore | undefined {
    return coreOf(uid(label));
  }
}

/** What an event says itself: its detail, or what it is in plain values. */
const eventFields =
  /^(detail|type|key|code|button|data|inputType|(alt|ctrl|meta|shift)Key|(client|delta)[XY])$/;

function eventField(event: ExprCore, name: string): Meaning {
  if (eventFields.test(name)) return { core: fieldOf(event, name) };
  const hint = 'Hand over event.detail, event.key and the like, or the whole event: move(event).';
  return { what: 'field of an event', name, hint };
}

function startOf(tree: ExpressionTree): number {
  return tree.kind === 'field' ? startOf(tree.of) : tree.at;
}

/** The names of a path written with dots: `slots.badge.filled`. */
function stepsOf(tree: ExpressionTree): readonly string[] | undefined {
  if (tree.kind === 'name') return [tree.name];
  if (tree.kind !== 'field' || tree.key.kind !== 'literal') return undefined;
  const before = stepsOf(tree.of);
  return before && [...before, String(tree.key.value)];
}
