import { register } from 'zesty-lattice/elements';
import type { Row } from './crate-table.js';
import { GroveClock, type Line, NoteSheet, PickTable, StallSign } from './elements-parts.js';

// The same elements written by hand, as carefully as we know.

const copied = (html: string): (() => HTMLElement) => {
  const template = document.createElement('template');
  template.innerHTML = html;
  return () => template.content.firstChild?.cloneNode(true) as HTMLElement;
};

const pickRow = copied('<tr><td> </td></tr>');

class HandPickTable extends HTMLElement {
  readonly #body: HTMLElement;
  readonly #rows = new Map<number, HTMLElement>();
  #picked: number | undefined;

  constructor() {
    super();
    const table = this.attachShadow({ mode: 'open' }).appendChild(document.createElement('table'));
    this.#body = table.appendChild(document.createElement('tbody'));
  }

  set rows(rows: readonly Row[]) {
    const all = document.createDocumentFragment();
    for (const { id, name } of rows) {
      const row = pickRow();
      (row.firstChild?.firstChild as Text).data = name;
      this.#rows.set(id, row);
      all.append(row);
    }
    this.#body.replaceChildren(all);
  }

  set picked(id: number) {
    if (this.#picked !== undefined) this.#rows.get(this.#picked)?.removeAttribute('class');
    const row = this.#rows.get(id);
    if (row) row.className = 'picked';
    this.#picked = id;
  }
}

const clock = copied('<time> </time>');

class HandClock extends HTMLElement {
  readonly #text: Text;

  constructor() {
    super();
    const time = clock();
    this.#text = time.firstChild as Text;
    this.attachShadow({ mode: 'open' }).append(time);
  }

  set time(time: string) {
    if (this.#text.data !== time) this.#text.data = time;
  }
}

const noteLine = copied('<p><label>Note<input></label><output> </output></p>');

class HandSheet extends HTMLElement {
  #lines: Line[] = Array.from({ length: 200 }, (_, id) => ({ id, note: `note ${id}` }));

  constructor() {
    super();
    const form = document.createElement('form');
    this.#lines.forEach(({ note }, at) => {
      const line = noteLine();
      const input = line.firstChild?.lastChild as HTMLInputElement;
      const output = line.lastChild?.firstChild as Text;
      input.value = note;
      output.data = note;
      input.addEventListener('input', () => {
        this.#lines = this.#lines.with(at, { ...(this.#lines[at] as Line), note: input.value });
        output.data = input.value;
      });
      form.append(line);
    });
    this.attachShadow({ mode: 'open' }).append(form);
  }
}

class HandSign extends HTMLElement {
  #isOpen = false;

  constructor() {
    super();
    const article = this.shadowRoot?.querySelector('article');
    const open = article?.lastChild?.lastChild as HTMLElement;
    const text = [...open.childNodes].find((node) => node instanceof Text) as Text;
    article?.querySelector('button')?.addEventListener('click', () => {
      this.#isOpen = !this.#isOpen;
      text.data = this.#isOpen ? 'yes' : 'no';
    });
  }
}

register(PickTable, GroveClock, NoteSheet);
customElements.define('hand-pick-table', HandPickTable);
customElements.define('hand-clock', HandClock);
customElements.define('hand-sheet', HandSheet);

const rows = (count: number): Row[] =>
  Array.from({ length: count }, (_, n) => ({ id: n, name: `Variety ${n}`, crates: (n * 7) % 31 }));

interface Scenario {
  readonly tags: readonly [ours: string, byHand: string];
  /** What is there before: given the tag, what is timed and what it shows. */
  start(tag: string): { readonly step: (at: number) => void; readonly shown: () => string };
  /** Whether each step is the first of its element. */
  readonly isOnce?: boolean;
  /** How often a step is made for one time, where one is too short for the clock. */
  readonly times?: number;
}

type Settable = HTMLElement & Record<string, unknown>;

const make = (tag: string): Settable => document.createElement(tag) as Settable;
const put = (tag: string): Settable => document.body.appendChild(make(tag));
const inside = (element: Element): string =>
  (element.shadowRoot as ShadowRoot).innerHTML.replace(/<!---->/g, '').replace(/ class=""/g, '');

const clocks = (tag: string): Settable[] => Array.from({ length: 500 }, () => put(tag));

const scenarios: Record<string, Scenario> = {
  'select one of 1,000': {
    tags: ['pick-table', 'hand-pick-table'],
    times: 20,
    start(tag) {
      const table = put(tag);
      table.rows = rows(1_000);
      return {
        step: (at) => Object.assign(table, { picked: (at * 37) % 1_000 }),
        shown: () => inside(table),
      };
    },
  },
  'make 500 clocks': {
    tags: ['grove-clock', 'hand-clock'],
    isOnce: true,
    start(tag) {
      let all: Settable[] = [];
      return {
        step() {
          all = clocks(tag);
          for (const [at, one] of all.entries()) one.time = `10:${at}`;
        },
        shown: () => all.map(inside).join(),
      };
    },
  },
  'change 500 clocks': {
    tags: ['grove-clock', 'hand-clock'],
    start(tag) {
      const all = clocks(tag);
      return {
        step: (round) => {
          for (const [at, one] of all.entries()) one.time = `${round}:${at}`;
        },
        shown: () => all.map(inside).join(),
      };
    },
  },
  'make a form of 200 inputs': {
    tags: ['note-sheet', 'hand-sheet'],
    isOnce: true,
    start(tag) {
      let sheet: Settable | undefined;
      return {
        step: () => {
          sheet = put(tag);
        },
        shown: () => inside(sheet as Settable),
      };
    },
  },
  'a keystroke in one of 200': {
    tags: ['note-sheet', 'hand-sheet'],
    times: 20,
    start(tag) {
      const sheet = put(tag);
      return {
        step(at) {
          const input = (sheet.shadowRoot as ShadowRoot).querySelectorAll('input')[100] as HTMLInputElement;
          input.value = `typed ${at}`;
          input.dispatchEvent(new Event('input', { bubbles: true }));
        },
        shown: () => inside(sheet),
      };
    },
  },
  'remove 1,000 elements': {
    tags: ['grove-clock', 'hand-clock'],
    isOnce: true,
    start(tag) {
      const box = document.body.appendChild(document.createElement('div'));
      for (let at = 0; at < 1_000; at++) box.append(make(tag));
      return { step: () => box.remove(), shown: () => String(box.isConnected) };
    },
  },
};

const median = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[all.length >> 1] ?? 0;
const settle = async (): Promise<void> => {
  for (let turn = 0; turn < 3; turn++) await Promise.resolve();
};

interface Figures {
  readonly ours: number;
  readonly byHand: number;
  readonly ratio: number;
}

function figures(spent: readonly (readonly number[])[], skipped: number): Figures {
  const [ours = [], byHand = []] = spent.map((all) => all.slice(skipped));
  const pairs = ours.flatMap((_, at) =>
    at % 2 === 0 && at + 1 < ours.length
      ? [((ours[at] ?? 0) + (ours[at + 1] ?? 0)) / ((byHand[at] ?? 0) + (byHand[at + 1] ?? 0))]
      : [],
  );
  return { ours: median(ours), byHand: median(byHand), ratio: median(pairs) };
}

async function timed(work: (at: number) => void, from: number, times = 1): Promise<number> {
  const start = performance.now();
  for (let at = 0; at < times; at++) {
    work(from + at);
    await settle();
  }
  return performance.now() - start;
}

/** Each scenario in turns: what one step costs in elements of its own, and in the same elements again. */
async function measureElements(rounds: number): Promise<Record<string, Figures>> {
  const results: Record<string, Figures> = {};
  for (const [name, { isOnce, start, tags, times = 1 }] of Object.entries(scenarios)) {
    const first: number[][] = [[], []];
    for (let round = 0; round < rounds; round++) {
      const shown = new Set<string>();
      for (const which of round % 2 === 0 ? [0, 1] : [1, 0]) {
        const side = start(tags[which] as string);
        await settle();
        void document.body.offsetHeight;
        (globalThis as { gc?: () => void }).gc?.();
        first[which]?.push(await timed(side.step, round * times + 1, times));
        shown.add(side.shown());
        document.body.replaceChildren();
      }
      if (shown.size !== 1)
        throw new Error(`${name}: the two differ: ${[...shown].join('\n').slice(0, 2_000)}`);
    }
    results[name] = figures(first, 2);
    if (isOnce) continue;
    const again: number[][] = [[], []];
    const sides = tags.map((tag) => start(tag));
    await settle();
    for (let at = 0; at < rounds * 4; at++)
      for (const which of at % 2 === 0 ? [0, 1] : [1, 0])
        again[which]?.push(await timed((sides[which] as (typeof sides)[number]).step, at * times + 1, times));
    results[`again: ${name}`] = figures(again, rounds * 2);
    document.body.replaceChildren();
  }
  return results;
}

/** What elements of a page that a server wrote take until they are interactive. */
async function hydrate(isOurs: boolean): Promise<number> {
  return timed(() => {
    if (isOurs) register(StallSign);
    else customElements.define('stall-sign', HandSign);
  }, 0);
}

Object.assign(window, { hydrate, measureElements });
