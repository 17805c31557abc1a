import { type ComponentCore, componentCore, forgetComponents } from '../component/index.js';
import { blocksOf, isInteractive } from '../plan/index.js';
import { finding, problemText } from '../problem/index.js';

export { followPage } from './follow-page.js';

import { knownLives, renewLives } from './in-page.js';
import { instanceOf } from './runtime/element.js';
import type { Instance } from './runtime/instance.js';
import type { Live } from './runtime/live.js';

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
  lookForUnregistered(exported);
  if (changed.size === 0) return;
  forgetComponents();
  renewLives();
  const affected = new Map<Live, boolean>();
  for (const [core, live] of knownLives()) affected.set(live, shows(core, changed));
  for (const element of [...elementsIn(document)]) {
    if (!(instanceOf in element)) continue;
    const { live } = (element as LiveElement)[instanceOf];
    if (affected.get(live)) rebuild(element as LiveElement, changed.get(element.localName) ?? true);
  }
}

/** Whether a component changed, or one that is flattened in it: an element in it shows its own changes. */
function shows(
  core: ComponentCore,
  changed: ReadonlyMap<string, unknown>,
  seen = new Set<ComponentCore>(),
): boolean {
  if (changed.has(core.name)) return true;
  if (seen.has(core)) return false;
  seen.add(core);
  return blocksOf(core).some(({ uses }) =>
    uses.some(({ component }) => !isInteractive(component) && shows(component, changed, seen)),
  );
}

/** How long a page may take to register what stands in it, in milliseconds after it was loaded. */
const patience = 1500;

/** Says which of a module's components stand in the page and are not registered. */
function lookForUnregistered(exported: Readonly<Record<string, unknown>>): void {
  awaitElements(Object.values(exported).flatMap((value) => componentCore(value)?.name ?? []));
}

/** Says which elements stand in the page and are not registered, once it has had the time for it. */
export function awaitElements(names: readonly string[]): void {
  const look = (): void => {
    for (const name of names) {
      if (warned.has(name) || customElements.get(name) || !document.querySelector(name)) continue;
      warned.add(name);
      console.warn(problemText({ ...finding('element-unregistered', { name }), where: '' }));
    }
  };
  const soon = (): void => void setTimeout(look, patience);
  if (document.readyState === 'complete') soon();
  else addEventListener('load', soon, { once: true });
}

const warned = new Set<string>();

/** Shows an element's component anew, which has become another. */
function rebuild(element: LiveElement, keepsState: boolean): void {
  const before = element[instanceOf];
  const root = element.shadowRoot as ShadowRoot;
  before.each?.('leave');
  // The first of the features gives the shadow root its style sheets.
  before.live.features?.parts[0]?.(before);
  before.live.look?.(before);
  root.replaceChildren();
  if (!keepsState) before.scope.state = undefined;
  before.show();
  if (element.isConnected) before.each?.('enter');
}

/** What the browser was reported an element cannot change any more: its attributes, and that it is a field. */
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
  return JSON.stringify(props.kinds.map(({ rules, settings }) => [rules.word, rules.holds, settings]));
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
