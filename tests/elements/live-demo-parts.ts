import { register } from 'zesty-lattice/elements';
import { renderHtml } from 'zesty-lattice/html';
import * as parts from '../../examples/open-day/components/index.js';
import data from '../../examples/orchard/open-day.json' with { type: 'json' };
import { type ComponentCore, componentCore, UseNode } from '../../packages/lattice/src/component/index.js';

type Values = Record<string, unknown>;
type Change = (changes: Values) => void;

register(...Object.values(parts));

let seed = 0;
/** A number from 0 up to, but not, `most`, always the same ones for a seed. */
function random(most: number): number {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return Math.floor((seed / 2 ** 32) * most);
}
const pick = <T>(...all: readonly T[]): T => all[random(all.length)] as T;
const some = <T>(all: readonly T[]): T[] => all.filter(() => random(2) === 0).sort(() => random(3) - 1);
const words = (): string => pick('', 'Dunlight', '<b>&"', 'a  b', 'x'.repeat(30));

/** For each component of the live example the values that its props and its state can take. */
const values: Readonly<Record<string, { readonly props: () => Values; readonly state: () => Values }>> = {
  'crate-counter': {
    props: () => ({ label: words(), start: random(9), most: random(12) }),
    state: () => ({ count: random(12) }),
  },
  'crate-basket': {
    props: () => ({}),
    state: () => ({ lines: some(data.varieties).map(({ name }) => ({ label: name, count: 1 + random(5) })) }),
  },
  'variety-picker': {
    props: () => ({ items: some(data.varieties) }),
    state: () => ({ wanted: pick('', 'a', 'mandarin', 'zzz'), order: pick('name', 'price', 'sweetness') }),
  },
  'helper-form': {
    props: () => ({}),
    state: () => ({ name: words(), crates: random(10), cap: random(2) === 0, sent: words() }),
  },
  'note-panel': {
    props: () => ({ title: words(), open: random(2) === 0 }),
    state: () => ({ open: random(2) === 0 }),
  },
  'weight-field': {
    props: () => ({ label: words(), most: random(12), disabled: random(2) === 0 }),
    state: () => ({ kilos: random(13) }),
  },
};

/** Some of a record's fields, at random. */
const part = (record: Values): Values => Object.fromEntries(some(Object.entries(record)));

/** What is shown: elements, their attributes and what their controls hold, into every shadow root; no comments. */
function shown(node: Node): unknown {
  if (node instanceof Text) return node.data;
  if (!(node instanceof Element || node instanceof ShadowRoot)) return undefined;
  const inside: unknown[] = [];
  for (const child of node.childNodes) {
    const one = shown(child);
    const last = inside.at(-1);
    if (one === undefined || one === '') continue;
    if (typeof one === 'string' && typeof last === 'string') inside[inside.length - 1] = last + one;
    else inside.push(one);
  }
  if (node instanceof ShadowRoot) return inside;
  const core = cores.get(node.localName);
  const isControl = /^(input|select|option)$/.test(node.localName);
  const attributes = [...node.attributes]
    .filter(({ name }) => !(isControl && /^(value|checked|selected)$/.test(name)) && !core)
    .map(({ name, value }) => `${name}=${name === 'style' ? (node as HTMLElement).style.cssText : value}`)
    .sort();
  const control = isControl ? node : undefined;
  const { value, checked, selected } = (control ?? {}) as HTMLInputElement & HTMLOptionElement;
  const props = core?.props.names.map((name) => (node as unknown as Values)[name]);
  return [
    node.localName,
    attributes,
    value,
    checked,
    selected,
    props,
    node.shadowRoot && shown(node.shadowRoot),
    inside,
  ];
}

const cores = new Map(
  Object.values(parts).map((component) => {
    const core = componentCore(component) as ComponentCore;
    return [core.name, core];
  }),
);

/** What a browser parses from the HTML text of a component with these props and this state. */
function fresh(core: ComponentCore, props: Values, state: Values): unknown {
  const rest = Object.getOwnPropertyDescriptors(core);
  const settled = Object.defineProperties({}, { ...rest, state: { value: () => state } }) as ComponentCore;
  const use = new UseNode(settled, props, core.slots.names.length > 0 ? 'content' : undefined, fresh);
  const place = document.createElement('div');
  document.body.append(place);
  // The text's own root, before the page's class makes of it what it would start with.
  const copy = document.implementation.createHTMLDocument();
  (copy.body as unknown as { setHTMLUnsafe(html: string): void }).setHTMLUnsafe(
    renderHtml(use, { form: 'elements' }),
  );
  const root = copy.body.firstElementChild?.shadowRoot as ShadowRoot;
  // Components inside become interactive as they do in the page, so that both sides are compared with their shadow roots.
  const inside = document.createElement('div');
  inside.append(document.importNode(fragmentOf(root), true));
  place.replaceChildren(inside);
  const seen = [...inside.childNodes].map(shown).filter((one) => one !== undefined && one !== '');
  place.remove();
  return seen;
}

function fragmentOf(root: ShadowRoot): DocumentFragment {
  const fragment = document.createDocumentFragment();
  for (const child of [...root.childNodes]) if (!(child instanceof HTMLStyleElement)) fragment.append(child);
  return fragment;
}

/** Changes props and state at random, and compares after each change; gives the first difference, or nothing. */
async function compare(name: string, rounds: number, from: number): Promise<string | undefined> {
  seed = from;
  const core = cores.get(name) as ComponentCore;
  const kinds = values[name] as (typeof values)[string];
  let props = kinds.props();
  const host = document.createElement(name);
  Object.assign(host, props);
  if (core.slots.names.length > 0) host.append('content');
  document.body.append(host);
  const settled = {
    ...Object.fromEntries(core.props.names.map((one) => [one, (host as unknown as Values)[one]])),
  };
  let state: Values = { ...core.state?.(settled) };
  for (let round = 0; round <= rounds; round++) {
    const live = JSON.stringify(shown(host.shadowRoot as ShadowRoot));
    const wanted = JSON.stringify(joined(fresh(core, props, state) as unknown[]));
    if (live !== wanted)
      return `${name}, round ${round}: ${JSON.stringify({ props, state })}\n${live}\n${wanted}`;
    const [more, changes] = [part(kinds.props()), part(kinds.state())];
    props = { ...props, ...more };
    state = { ...state, ...changes };
    Object.assign(host, more);
    (host as unknown as { [change]: Change })[change]?.(changes);
    await new Promise((done) => setTimeout(done));
  }
  host.remove();
  return undefined;
}

/** Neighbouring texts are one, as they are in a live root. */
function joined(parts: readonly unknown[]): unknown[] {
  const all: unknown[] = [];
  for (const one of parts) {
    const last = all.at(-1);
    if (typeof one === 'string' && typeof last === 'string') all[all.length - 1] = last + one;
    else all.push(one);
  }
  return all;
}

// A way into the state of an interactive element, which has none for its page: set up as the component is connected.
const change = Symbol('change');
for (const core of cores.values()) {
  const connected = core.connected as ((context: object) => void) | undefined;
  Object.defineProperty(core, 'connected', {
    value: (context: { readonly host: object; readonly change: Change }) => {
      Object.assign(context.host, { [change]: context.change });
      connected?.(context);
    },
  });
}

Object.assign(window, { compare, names: [...cores.keys()] });
