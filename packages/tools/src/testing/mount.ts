import {
  type AnyComponent,
  componentCore,
  type EventsOf,
  type PropsOf,
} from 'zesty-lattice/internal/component';
import { type ElementOf, register } from 'zesty-lattice/internal/elements';
import { pretty, withoutMarks } from 'zesty-lattice/internal/html';

/** Options of `mount`. */
export interface MountOptions {
  /** HTML between the element's tags, for its slots. */
  readonly content?: string;
  /** The parent of the element (default: the body). */
  readonly into?: Element;
}

/** An element in a page, for a test. */
export interface Mounted<C> {
  readonly element: ElementOf<C>;
  /** What its template shows. */
  readonly root: ShadowRoot;
  /** Its own events, in the order they were sent. */
  readonly sent: readonly { readonly name: keyof EventsOf<C> & string; readonly detail: unknown }[];
  /** What its template shows as HTML text in lines, to be read. */
  readonly html: string;
  /** An element of what it shows. Throws where there is none: the message shows what there is. */
  find<Found extends Element = HTMLElement>(selector: string): Found;
  /** Sets props, and waits until they are shown. */
  set(props: Partial<PropsOf<C>>): Promise<void>;
  /** Waits until what has changed is shown. */
  settled(): Promise<void>;
  /** Takes it out of the page. */
  unmount(): void;
}

/**
 * Adds an element of a component to the page, and waits until it is shown. It runs in a browser, such as
 * Vitest's browser mode.
 *
 * @throws LatticeError as `register` does
 * @example
 * const { find, sent, normalised } = await mount(CrateCounter, { label: 'Dunlight' });
 * find('button[aria-label$=more]').click();
 * await normalised();
 * expect(find('output').textContent).toBe('1');
 * expect(sent).toEqual([{ name: 'changed', detail: { label: 'Dunlight', count: 1 } }]);
 */
export async function mount<C extends AnyComponent>(
  component: C,
  props: Partial<PropsOf<C>> = {},
  { content = '', into = document.body }: MountOptions = {},
): Promise<Mounted<C>> {
  register(component);
  const element = Object.assign(document.createElement(component.name), props) as unknown as ElementOf<C>;
  element.innerHTML = content;
  const sent: { name: keyof EventsOf<C> & string; detail: unknown }[] = [];
  for (const name of Object.keys(componentCore(component)?.events ?? {}))
    element.addEventListener(name, (event) => {
      sent.push({ name: name as keyof EventsOf<C> & string, detail: (event as CustomEvent).detail });
    });
  into.append(element);
  await settled();
  const root = element.shadowRoot as ShadowRoot;
  return {
    element,
    root,
    sent,
    get html() {
      return pretty(withoutMarks(root.innerHTML.replace(/<!--.*?-->/gs, '')));
    },
    find<Found extends Element>(selector: string) {
      const found = root.querySelector<Found>(selector);
      if (found) return found;
      throw new Error(`<${component.name}> shows no ${selector}. It shows:\n${pretty(root.innerHTML)}`);
    },
    async set(changes) {
      Object.assign(element, changes);
      await settled();
    },
    settled,
    unmount: () => element.remove(),
  };
}

/** Elements show what has changed in a microtask; what that changes in others, in one of theirs. */
async function settled(): Promise<void> {
  for (let turn = 0; turn < 8; turn++) await Promise.resolve();
  await new Promise((done) => setTimeout(done));
}
