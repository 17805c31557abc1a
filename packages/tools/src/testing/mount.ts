import {
  type AnyComponent,
  componentCore,
  type EventsOf,
  type PropsOf,
} from 'zesty-lattice/internal/component';
import { type ElementOf, type Instance, instanceOf, register } from 'zesty-lattice/internal/elements';
import { pretty, withoutMarks } from 'zesty-lattice/internal/html';
import { LatticeError } from 'zesty-lattice/internal/problem';
import { resolve } from 'zesty-lattice/internal/tree';

/** Options of `mount`. */
export interface MountOptions {
  /** HTML between the element's tags, for its slots. */
  readonly content?: string;
  /** The components whose tags stand in the content. They are registered as well. */
  readonly uses?: readonly AnyComponent[];
  /** The parent of the element (default: the body). */
  readonly into?: Element;
}

/** Something that an element of the page reported. */
export interface Reported {
  /** As it stands on the console. */
  readonly text: string;
  /** What was thrown, if anything was. */
  readonly thrown: unknown;
}

/** An element in a page, for a test. */
export interface Mounted<C> {
  readonly element: ElementOf<C>;
  /** What its template shows. */
  readonly root: ShadowRoot;
  /** Its own events, in the order they were sent. */
  readonly sent: readonly { readonly name: keyof EventsOf<C> & string; readonly detail: unknown }[];
  /** What elements of the page reported since it was mounted: what handlers threw, props that do not fit. */
  readonly problems: readonly Reported[];
  /** What its template shows as HTML text in lines, to be read. */
  readonly html: string;
  /** An element of what it shows. Throws where there is none: the message shows what there is. */
  find<Found extends Element = HTMLElement>(selector: string): Found;
  /** Sets props, and waits until they are shown. */
  set(props: Partial<PropsOf<C>>): Promise<void>;
  /** Waits until what has changed is shown, and until nothing in the page is loading, for at most 5 seconds. */
  settled(): Promise<void>;
  /** Takes it out of the page. */
  unmount(): void;
}

/**
 * Adds an element of a component to the page, and waits until it is shown. It runs in a browser, such as
 * Vitest's browser mode.
 *
 * @throws LatticeError as `register` does; `prop-invalid` and `prop-unknown` for props that do not fit
 * @example
 * const { find, sent, settled } = await mount(CrateCounter, { label: 'Dunlight' });
 * find('button[aria-label$=more]').click();
 * await settled();
 * expect(find('output').textContent).toBe('1');
 * expect(sent).toEqual([{ name: 'changed', detail: { label: 'Dunlight', count: 1 } }]);
 */
export async function mount<C extends AnyComponent>(
  component: C,
  props: Partial<PropsOf<C>> = {},
  { content = '', into = document.body, uses = [] }: MountOptions = {},
): Promise<Mounted<C>> {
  register(component, ...uses);
  refuseMisfits(component, props);
  const element = Object.assign(document.createElement(component.name), props) as unknown as ElementOf<C>;
  element.innerHTML = content;
  const sent: { name: keyof EventsOf<C> & string; detail: unknown }[] = [];
  for (const name of Object.keys(componentCore(component)?.events ?? {}))
    element.addEventListener(name, (event) => {
      sent.push({ name: name as keyof EventsOf<C> & string, detail: (event as CustomEvent).detail });
    });
  const problems: Reported[] = [];
  const stop = hear((one) => problems.push(one));
  into.append(element);
  await settled();
  const root = element.shadowRoot as ShadowRoot;
  return {
    element,
    root,
    sent,
    problems,
    get html() {
      return pretty(withoutMarks(root.innerHTML.replace(/<!--.*?-->/gs, '')));
    },
    find<Found extends Element>(selector: string) {
      const found = root.querySelector<Found>(selector);
      if (found) return found;
      throw new Error(`<${component.name}> shows no ${selector}. It shows:\n${pretty(root.innerHTML)}`);
    },
    async set(changes) {
      refuseMisfits(component, changes);
      Object.assign(element, changes);
      await settled();
    },
    settled,
    unmount() {
      stop();
      element.remove();
    },
  };
}

/**
 * Waits for an event of an element, such as one that it sends when something was loaded or stored.
 *
 * @param options `timeOut` in milliseconds (default: 5,000)
 * @throws Error where it does not come in time
 * @example
 * const changed = nextEvent(element, 'changed');
 * find('button').click();
 * expect((await changed).detail).toEqual({ label: 'Dunlight', count: 1 });
 */
export function nextEvent<Detail = unknown>(
  element: EventTarget,
  name: string,
  { timeOut = patience }: { readonly timeOut?: number } = {},
): Promise<CustomEvent<Detail>> {
  return new Promise((give, fail) => {
    const heard = (event: Event): void => {
      clearTimeout(late);
      give(event as CustomEvent<Detail>);
    };
    const late = setTimeout(() => {
      element.removeEventListener(name, heard);
      fail(new Error(`No event "${name}" came within ${timeOut} milliseconds.`));
    }, timeOut);
    element.addEventListener(name, heard, { once: true });
  });
}

/** How long a test waits, in milliseconds: less than most runners do. */
const patience = 5_000;

/** Props that do not fit are no test's subject: they are told where they are given. */
function refuseMisfits(component: AnyComponent, props: object): void {
  const { problems } = resolve(component, props as never);
  const wrong = problems.filter(
    ({ code, where }) => /^(?:prop-invalid|prop-unknown)$/.test(code) && where === component.name,
  );
  if (wrong.length > 0) throw new LatticeError(wrong);
}

const listeners = new Set<(one: Reported) => void>();
let original: typeof console.error | undefined;

/** Hears what elements report, which stands on the console all the same. */
function hear(listener: (one: Reported) => void): () => void {
  listeners.add(listener);
  if (!original) {
    original = console.error;
    console.error = (...args: unknown[]): void => {
      original?.apply(console, args);
      const [text, thrown] = args;
      // As problems are worded: the code, then where it is.
      if (typeof text === 'string' && /^(?:error|warning) [a-z]+(?:-[a-z]+)+: /.test(text))
        for (const one of listeners) one({ text, thrown });
    };
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0 || !original) return;
    console.error = original;
    original = undefined;
  };
}

/** Elements show what has changed in a microtask; what that changes in others, in one of theirs; what is loaded, later. */
async function settled(): Promise<void> {
  const until = Date.now() + patience;
  for (;;) {
    for (let turn = 0; turn < 8; turn++) await Promise.resolve();
    await new Promise((done) => setTimeout(done));
    const [waits] = loadingIn(document);
    if (waits === undefined) return;
    if (Date.now() > until) throw new Error(`<${waits}> was still loading after ${patience / 1000} seconds.`);
  }
}

/** The tags of elements that load, in a page and all shadow roots in it. */
function* loadingIn(root: ParentNode): Generator<string> {
  for (const element of root.querySelectorAll('*')) {
    const instance = (element as { readonly [instanceOf]?: Instance })[instanceOf];
    const data = instance?.scope.data as { readonly isLoading?: boolean } | undefined;
    if (data?.isLoading === true) yield element.localName;
    if (element.shadowRoot) yield* loadingIn(element.shadowRoot);
  }
}
