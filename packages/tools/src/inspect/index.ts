// Loaded before a page's own components are registered: what is planned from then on notes who wrote it.

import { componentCore } from 'zesty-lattice/internal/component';
import { defineInPage } from 'zesty-lattice/internal/elements';
import { inspecting } from 'zesty-lattice/internal/plan';
import { readMarks } from './document-marks.js';
import { type Found, foundAt, usesInPage } from './found.js';
import { openLine } from './open-line.js';
import { type Box, InspectPanel, noBox, type Shown, type UseLine } from './panel.js';

export type { InspectedProp, InspectedUse } from 'zesty-lattice/internal/tree';
export type { Found } from './found.js';

/** The panel's element, with its props. */
interface Panel extends HTMLElement {
  shown: Shown | undefined;
  uses: readonly UseLine[];
  isPicking: boolean;
  isOpen: boolean;
  box: Box;
  fault: string;
}

/**
 * What is known of a part of the page: the component that wrote it, its path, each prop and where it came from, its
 * state, what fills its slots, the line that the use is written in. The panel shows it, too. On the console:
 * `inspect($0)`.
 *
 * @returns undefined where no component wrote it, or where it was there before this module was loaded
 * @example inspect(document.querySelector('crate-counter'))?.state // { count: 2 }
 */
export function inspect(part: Node): Found | undefined {
  const found = foundAt(part);
  choose(found);
  return found;
}

let panel: Panel | undefined;
let chosen: Found | undefined;

function choose(found: Found | undefined): void {
  chosen = found;
  if (!panel) return;
  panel.isOpen = true;
  panel.fault = '';
  refresh();
}

/** Shows what is chosen as it is now. */
function refresh(): void {
  if (!panel?.isOpen) return;
  const now = chosen?.element.isConnected ? foundAt(chosen.element) : undefined;
  chosen = now;
  const shown = now && shownOf(now);
  if (JSON.stringify(shown) !== JSON.stringify(panel.shown)) panel.shown = shown;
  const uses = usesInPage(document).map(({ component, depth, path }) => ({
    component,
    depth,
    path,
    isChosen: path === now?.path,
  }));
  if (JSON.stringify(uses) !== JSON.stringify(panel.uses)) panel.uses = uses;
}

function shownOf({ change: _change, element: _element, state = {}, ...use }: Found): Shown {
  const { source } = use;
  return {
    ...use,
    line: source ? `${fileOf(source.file)}:${source.line}` : '',
    near: source ? `${fileOf(source.file).split('/').slice(-3).join('/')}:${source.line}` : '',
    fields: Object.entries(state).map(([name, value]) => ({ name, json: jsonOf(value) })),
  };
}

function jsonOf(value: unknown): string {
  try {
    return JSON.stringify(value) ?? 'undefined';
  } catch {
    return String(value);
  }
}

/** A file's whole path, as far as it is known: a page's own modules have addresses. */
function fileOf(file: string): string {
  if (!file.startsWith(location.origin)) return file;
  const path = decodeURI(file.slice(location.origin.length));
  const root = document.querySelector<HTMLElement>('script[data-lattice-root]')?.dataset.latticeRoot ?? '';
  return path.startsWith('/@fs/') ? path.slice(4) : root + path;
}

function outline(elements: readonly Element[], label: string): void {
  if (!panel) return;
  const boxes = elements
    .map((one) => one.getBoundingClientRect())
    .filter(({ width, height }) => width + height > 0);
  const [left, top] = [Math.min(...boxes.map((one) => one.left)), Math.min(...boxes.map((one) => one.top))];
  const [right, bottom] = [
    Math.max(...boxes.map((one) => one.right)),
    Math.max(...boxes.map((one) => one.bottom)),
  ];
  panel.box = boxes.length === 0 ? noBox : { left, top, width: right - left, height: bottom - top, label };
}

function under({ clientX, clientY }: MouseEvent): Element | undefined {
  let found: Element | null = document.elementFromPoint(clientX, clientY);
  while (found?.shadowRoot && found !== panel) {
    const inner: Element | null = found.shadowRoot.elementFromPoint(clientX, clientY);
    if (!inner || inner === found) break;
    found = inner;
  }
  return found === panel || !found ? undefined : found;
}

function pick(isPicking: boolean): void {
  if (panel) panel.isPicking = isPicking;
  if (!isPicking) outline([], '');
}

function listen(made: Panel): void {
  const on = (name: string, handle: (event: CustomEvent) => void): void =>
    made.addEventListener(name, handle as EventListener);
  on('pick', () => pick(!made.isPicking));
  on('toggle', () => {
    made.isOpen = !made.isOpen;
    refresh();
  });
  on('choose', ({ detail: { path } }) => {
    const [element] = usesInPage(document).find((use) => use.path === path)?.elements ?? [];
    element?.scrollIntoView({ block: 'nearest' });
    choose(element && foundAt(element));
  });
  on('point', ({ detail: { path } }) => {
    const use = path === '' ? undefined : usesInPage(document).find((one) => one.path === path);
    outline(use?.elements ?? [], use?.component ?? '');
  });
  on('change', ({ detail: { json, name } }) => {
    try {
      chosen?.change?.({ [name]: json === 'undefined' ? undefined : JSON.parse(json) });
      made.fault = '';
    } catch (thrown) {
      made.fault = `${name} is changed by JSON: ${(thrown as Error).message}`;
    }
    setTimeout(refresh);
  });
  // The Vite plugin answers it: other servers have no such address.
  on(
    'show',
    () => void fetch(`${openLine}?file=${encodeURIComponent(made.shown?.line ?? '')}`, { method: 'POST' }),
  );
  const isOwn = (event: Event): boolean => event.composedPath().includes(made);
  addEventListener(
    'pointermove',
    (event) => {
      if (!made.isPicking || isOwn(event)) return;
      const part = under(event);
      const found = part && foundAt(part);
      outline(found && part ? [found.element] : [], found?.component ?? '');
    },
    true,
  );
  addEventListener(
    'click',
    (event) => {
      if (!made.isPicking || isOwn(event)) return;
      event.preventDefault();
      event.stopPropagation();
      const part = under(event);
      pick(false);
      choose(part && foundAt(part));
    },
    true,
  );
  addEventListener('keydown', (event) => {
    if (event.key === 'Escape' && made.isPicking) pick(false);
    else if (event.altKey && event.code === 'KeyI') pick(!made.isPicking);
  });
  addEventListener('lattice-inspect', () => pick(!made.isPicking));
  setInterval(refresh, 400);
}

function start(): void {
  readMarks(document);
  // Its own parts are not of interest.
  inspecting.isOn = false;
  const core = componentCore(InspectPanel);
  if (core) defineInPage(core);
  inspecting.isOn = true;
  panel = document.createElement('inspect-panel') as Panel;
  listen(panel);
  // Behind the body, whose content is the page's own.
  document.documentElement.append(panel);
}

/** Where the first of several copies in one page leaves that it is there: by the plugin's option, and by an import. */
const shown = Symbol.for('zesty-lattice.inspect');

if (typeof document !== 'undefined' && !(shown in globalThis)) {
  inspecting.isOn = true;
  Object.assign(globalThis, { inspect, [shown]: true });
  if (document.readyState === 'loading') addEventListener('DOMContentLoaded', start, { once: true });
  else start();
}
