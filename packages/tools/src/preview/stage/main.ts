// Runs in the page of the stage: shows the use that the preview sends, and tells what comes of it.
import { become } from './become.js';
import { wish } from './conditions.js';

/** What the preview sends. */
interface Show {
  readonly kind: 'show';
  readonly text: string;
  readonly dir: 'ltr' | 'rtl';
  readonly scheme: 'light' | 'dark';
  readonly isStill: boolean;
  /** Names of the events that are listened to. */
  readonly events: readonly string[];
}

const tell = (message: Readonly<Record<string, unknown>>): void =>
  parent.postMessage({ from: 'lattice-stage', ...message }, location.origin);

addEventListener('message', ({ data, origin, source }: MessageEvent<Partial<Show> | { kind: 'inspect' }>) => {
  if (source !== parent || origin !== location.origin) return;
  if (data?.kind === 'inspect') dispatchEvent(new Event('lattice-inspect'));
  else if (data?.kind === 'show') showComponent(data);
});

function showComponent(data: Partial<Show>): void {
  const { dir = 'ltr', events = [], isStill = false, scheme = 'light', text = '' } = data;
  document.documentElement.dir = dir;
  for (const name of events) listenTo(name);
  wish({ isStill, scheme });
  become(document.body, text);
}

const heard = new Set<string>();

function listenTo(name: string): void {
  if (heard.has(name)) return;
  heard.add(name);
  addEventListener(
    name,
    (event) => {
      const { detail } = event as CustomEvent<unknown>;
      const [origin] = event.composedPath();
      tell({
        kind: 'event',
        name,
        detail: json(detail),
        by: origin instanceof Element ? origin.localName : '',
      });
    },
    { capture: true },
  );
}

function json(value: unknown): string {
  try {
    return JSON.stringify(value) ?? '';
  } catch {
    return String(value);
  }
}

addEventListener('lattice-unregistered', ({ detail }: CustomEventInit<{ name: string; message: string }>) =>
  tell({ kind: 'unregistered', ...detail }),
);

// What was wrong before a change is reported anew where it still is.
addEventListener('lattice-renewed', () => tell({ kind: 'renewed' }));

for (const level of ['warn', 'error'] as const) {
  const say = console[level];
  console[level] = (...args: unknown[]): void => {
    say.apply(console, args);
    const message = args.map(String).join(' ');
    // What the server says of a module is reported by the page, from the process that reads it.
    if (!message.startsWith('[vite]')) tell({ kind: 'said', level, message });
  };
}
addEventListener('error', ({ message }) => tell({ kind: 'said', level: 'error', message }));
addEventListener('unhandledrejection', ({ reason }) =>
  tell({ kind: 'said', level: 'error', message: String(reason) }),
);

/** As high as what is shown, and as what inspects it where that is open. */
const size = (): void => {
  const panel = document.querySelector<HTMLElement & { isOpen: boolean }>('inspect-panel');
  panel?.toggleAttribute('quiet', true);
  const height = Math.ceil(document.documentElement.offsetHeight);
  tell({ kind: 'height', height: panel?.isOpen ? Math.max(height, 520) : height });
};
new ResizeObserver(size).observe(document.documentElement);
new MutationObserver(size).observe(document, { childList: true, subtree: true, attributes: true });

// A key that the preview knows works here, too.
addEventListener('keydown', ({ key, target }) => {
  const isTyping =
    target instanceof Element && target.closest('input, textarea, select, [contenteditable]') !== null;
  if (key === '/' && !isTyping) tell({ kind: 'find' });
});

tell({ kind: 'ready' });
