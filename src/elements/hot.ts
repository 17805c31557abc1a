import { type ComponentCore, componentCore, forgetComponents } from '../component/index.js';
import { renewLives } from './in-page.js';
import { instanceOf } from './runtime/element.js';
import type { Instance } from './runtime/instance.js';

/** The components of each module, as they were when it was first loaded, by export name. */
const first = new Map<string, ComponentCore>();

interface LiveElement extends Element {
  [instanceOf]: Instance;
}

/**
 * Notes a module's components while a page is being developed. When the module comes again, after a change, the
 * elements in the page become what it says now; state stays where a component's props and first state did not change.
 */
export function note(module: string, exported: Readonly<Record<string, unknown>>): void {
  const changed = new Map<string, boolean>();
  for (const [name, value] of Object.entries(exported)) {
    const core = componentCore(value);
    if (!core) continue;
    const before = first.get(`${module} ${name}`);
    if (!before) first.set(`${module} ${name}`, core);
    else if (before !== core) {
      if (!isSameOutside(before, core)) return location.reload();
      changed.set(core.name, `${before.state}` === `${core.state}` && kinds(before) === kinds(core));
      become(before, core);
    }
  }
  if (changed.size === 0) return;
  forgetComponents();
  renewLives();
  for (const element of [...elementsIn(document)]) {
    if (instanceOf in element) rebuild(element as LiveElement, changed.get(element.localName) ?? true);
  }
}

/** Shows an element's component anew, which has become another. */
function rebuild(element: LiveElement, keepsState: boolean): void {
  const before = element[instanceOf];
  const root = element.shadowRoot as ShadowRoot;
  before.each('leave');
  // The first of the features gives the shadow root its style sheets.
  before.live.features?.[0]?.(before);
  root.replaceChildren();
  if (!keepsState) before.scope.state = undefined;
  before.show();
  if (element.isConnected) before.each('enter');
}

/** What the browser was told of an element cannot change any more: its attributes, and that it is a field. */
function isSameOutside(before: ComponentCore, after: ComponentCore): boolean {
  const outside = ({ name, props, slots, field, provides, state }: ComponentCore): string =>
    JSON.stringify([
      name,
      props.names,
      slots.names,
      slots.kinds.map((kind) => kind.hands),
      !field,
      !provides,
      !state,
    ]);
  return outside(before) === outside(after);
}

function kinds({ props }: ComponentCore): string {
  return JSON.stringify(props.kinds.map(({ rules, settings }) => [rules.word, rules.schema, settings]));
}

/** Gives a component another's parts; whoever holds it holds the new one. */
function become(before: ComponentCore, after: ComponentCore): void {
  for (const [key, part] of Object.entries(Object.getOwnPropertyDescriptors(after))) {
    Object.defineProperty(before, key, { ...part, configurable: true });
  }
}

function* elementsIn(root: ParentNode): Generator<Element> {
  for (const element of root.querySelectorAll('*')) {
    yield element;
    if (element.shadowRoot) yield* elementsIn(element.shadowRoot);
  }
}
