import type { Scope } from '../../template/scope.js';
import { type Attach, follow, keep } from './block.js';
import type { Control, ControlKind } from './controls.js';
import type { Instance } from './instance.js';
import type { Get } from './text.js';

type Whole = Readonly<Record<string, unknown>>;

/** What is tied to a control: the field of the state, and how it is shown. */
interface Bound {
  readonly name: string;
  readonly run: () => void;
}

const tied = new WeakMap<Element, Bound>();
const followed = new WeakSet<Instance>();

/**
 * Ties a form control to a field of the state, or to a part of one: it shows in the control, and what is typed goes to
 * the state.
 *
 * @param path the way from the field to the part: keys of records, and the numbers of rows
 */
export function bind(
  kind: ControlKind,
  name: string,
  get: Get,
  mask: number,
  level = 0,
  path: readonly (string | Get)[] = [],
): Attach {
  return (node, scopes, block, instance) => {
    const control = node as Control;
    const { event, isTouched, read, show, watch } = kind.of?.(control) ?? kind;
    const scope = (): Scope => scopes[level] as Scope;
    const value = (): unknown => get(scope());
    const run = (): void => show(control, value());
    const keys = (): readonly PropertyKey[] =>
      path.map((key) => (typeof key === 'string' ? key : (key(scope()) as number)));
    /** What the control holds goes to the state. */
    const take = (): void => {
      const first = (): unknown => part(firstState(instance)[name], keys());
      const next = read(control, value(), first);
      instance.change({ [name]: replaced((instance.scope.state as Whole)[name], keys(), next) });
    };
    tied.set(control, { name, run });
    followResets(instance);
    control.addEventListener(event, take);
    const { adoption } = instance;
    const isKept = adoption && isTouched(control);
    watch?.(control, value, run, take, !adoption);
    if (isKept) {
      // What a visitor did before the script ran is not shown over. It goes to the state once all is hydrated.
      queueMicrotask(() => control.isConnected && take());
      follow(block, level, mask, run);
    } else keep(block, level, mask, run);
  };
}

function firstState({ live, props }: Instance): Whole {
  return (live.state?.(props) ?? {}) as Whole;
}

/** A reset of a form sets the fields that its controls are tied to back, and the controls with them. */
function followResets(instance: Instance): void {
  if (followed.has(instance)) return;
  followed.add(instance);
  const root = instance.host.shadowRoot as ShadowRoot;
  root.addEventListener('reset', (event) => {
    if (event.defaultPrevented) return;
    const controls = [...root.querySelectorAll<Control>('input, select, textarea')];
    const own = controls.filter(({ form }) => form === event.target).flatMap((one) => tied.get(one) ?? []);
    const first = firstState(instance);
    instance.change(Object.fromEntries(own.map(({ name }) => [name, first[name]])));
    // The browser sets the controls back after the event, to what is written in them.
    setTimeout(() => {
      for (const { run } of own) run();
    });
  });
}

function part(whole: unknown, keys: readonly PropertyKey[]): unknown {
  return keys.reduce((of, key) => (of as Record<PropertyKey, unknown> | undefined)?.[key], whole);
}

/** The same data with one part of it replaced: what holds it is made anew, so that it counts as changed. */
function replaced(whole: unknown, keys: readonly PropertyKey[], value: unknown): unknown {
  const [key, ...more] = keys;
  if (key === undefined) return value;
  const copy: Record<PropertyKey, unknown> = Array.isArray(whole)
    ? ([...whole] as never)
    : { ...(whole as object) };
  copy[key] = replaced(copy[key], more, value);
  return copy;
}
