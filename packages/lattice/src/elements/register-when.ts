import { dev, finding, printValue, problemText, refuseCall, tells } from '../problem/index.js';

/** What elements wait for: to come into view, to be touched or focused, or until the page has nothing else to do. */
export type Moment = 'visible' | 'touched' | 'idle';

/**
 * Registers elements when they are needed: their script is loaded then. Until that they are what the server wrote. What
 * visitors type and click before is not lost: it is done again once the elements are there. Whatever the moment, an
 * element that is touched is loaded at once.
 *
 * @param tags the tags of the elements
 * @param load loads their module and registers them; is called once, and again at the next moment if it fails
 * @throws LatticeError `call-invalid`, during development
 * @example
 * registerWhen('visible', 'shift-table', async () => register((await import('./shift-table.js')).ShiftTable));
 */
export function registerWhen(moment: Moment, tags: string | readonly string[], load: () => unknown): void {
  if (dev && !Object.hasOwn(moments, moment))
    refuseCall(
      registerWhen,
      'registerWhen',
      `expects "visible", "touched" or "idle" first, but received ${printValue(moment)}`,
      "Write registerWhen('visible', 'shift-table', () => …).",
    );
  // Where there is no page, as where a build loads a module, nothing comes into view.
  if (typeof document === 'undefined') return;
  const waiting = new Waiting([tags].flat(), load);
  if (!waiting.isOver) waiting.listen(moments[moment](waiting));
}

type Stop = () => void;

/** What a visitor did: how it is done again, and whether it was kept from sending a form. */
interface Deed {
  readonly again: () => void;
  readonly target: Element;
  readonly isSent: boolean;
}

class Waiting {
  readonly selector: string;
  readonly #tags: readonly string[];
  readonly #load: () => unknown;
  /** What was done to the elements before they were there, in order. */
  #done: Deed[] = [];
  #isLoading = false;
  /** Whether what is done is the browser's, since the elements cannot be loaded. */
  #isLeft = false;
  readonly #stop: Stop[] = [];
  readonly #heard = new WeakSet<Document | ShadowRoot>();
  readonly #kept = new WeakSet<Event>();

  constructor(tags: readonly string[], load: () => unknown) {
    this.#tags = tags;
    this.selector = tags.join();
    this.#load = load;
  }

  get isOver(): boolean {
    return this.#tags.every((tag) => customElements.get(tag));
  }

  listen(...more: readonly Stop[]): void {
    this.#stop.push(...more);
    this.#hear(document, ['pointerdown', 'focusin', 'keydown', 'click', 'input', 'change', 'submit']);
  }

  #hear(target: Document | ShadowRoot, types: readonly string[]): void {
    if (this.#heard.has(target)) return;
    this.#heard.add(target);
    const keep = (event: Event): void => this.#keep(event);
    for (const type of types) target.addEventListener(type, keep, true);
    this.#stop.push(() => {
      for (const type of types) target.removeEventListener(type, keep, true);
    });
  }

  /** Loads the elements, and does again what was done to them. */
  readonly start = async (): Promise<void> => {
    if (this.#isLoading) return;
    this.#isLoading = true;
    try {
      await this.#load();
    } catch (thrown) {
      this.#isLoading = false;
      this.#leave();
      return void console.error(thrown);
    }
    for (const stop of this.#stop) stop();
    if (tells)
      for (const name of this.#tags.filter((tag) => !customElements.get(tag)))
        console.warn(problemText({ ...finding('element-unregistered', { name }), where: '' }));
    // An element may wait a turn for its props.
    setTimeout(() => {
      for (const { again, target } of this.#done) if (target.isConnected) again();
    });
  };

  /** Has forms sent as they would be without a script. */
  #leave(): void {
    const sent = this.#done.filter(({ isSent }) => isSent);
    this.#done = this.#done.filter(({ isSent }) => !isSent);
    this.#isLeft = true;
    for (const { again } of sent) again();
    this.#isLeft = false;
  }

  #keep(event: Event): void {
    if (this.#isLeft) return;
    const path = event.composedPath();
    const [target] = path;
    const isOurs = path.some((one) => {
      const element = one instanceof ShadowRoot ? one.host : one;
      return element instanceof Element && element.matches(this.selector) && !element.matches(':defined');
    });
    if (!isOurs || !(target instanceof Element)) return;
    void this.start();
    // These do not leave a shadow root (https://html.spec.whatwg.org/#event-change), and come after something that does.
    for (const one of path) if (one instanceof ShadowRoot) this.#hear(one, ['change', 'submit']);
    if (this.#kept.has(event)) return;
    this.#kept.add(event);
    const again = againOf(event, target);
    if (again) this.#done.push({ again, target, isSent: event.defaultPrevented });
  }
}

/** What does once more what a visitor did; nothing where the browser has done it already. */
function againOf(event: Event, target: Element): (() => void) | undefined {
  switch (event.type) {
    case 'click': {
      const button = target.closest('button, input');
      // A form is sent once its element can say what becomes of it.
      if (button && isSubmit(button)) {
        event.preventDefault();
        return () => (button as HTMLElement).click();
      }
      // What the browser ticks, opens and follows by itself is done.
      if (target.closest('a[href], summary, label, option, select, input, textarea')) return undefined;
      return () => target.dispatchEvent(new MouseEvent('click', event));
    }
    case 'input':
    case 'change':
      return () => target.dispatchEvent(new Event(event.type, event));
    case 'submit': {
      const form = event.target as HTMLFormElement;
      event.preventDefault();
      return () => form.requestSubmit((event as SubmitEvent).submitter);
    }
    default:
      return undefined;
  }
}

function isSubmit(button: Element): boolean {
  const { form, type } = button as HTMLButtonElement;
  return form !== null && /^(?:submit|image)$/.test(type);
}

const moments: Readonly<Record<Moment, (waiting: Waiting) => Stop>> = {
  touched: () => () => {},
  idle({ start }) {
    if (typeof requestIdleCallback === 'undefined') {
      const timer = setTimeout(start, 200);
      return () => clearTimeout(timer);
    }
    const asked = requestIdleCallback(() => void start());
    return () => cancelIdleCallback(asked);
  },
  visible({ selector, start }) {
    const seen = new IntersectionObserver(
      (entries) => entries.some((one) => one.isIntersecting) && void start(),
      {
        rootMargin: '200px',
      },
    );
    const look = (): void => {
      // An element may have no box of its own.
      for (const one of document.querySelectorAll(selector))
        for (const part of [one, ...(one.shadowRoot?.children ?? []), ...one.children]) seen.observe(part);
    };
    look();
    const added = new MutationObserver(look);
    added.observe(document, { childList: true, subtree: true });
    return () => {
      seen.disconnect();
      added.disconnect();
    };
  },
};
