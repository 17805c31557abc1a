import { register } from 'zesty-lattice/elements';
import { CrateTable, type Row } from './crate-table.js';

interface HandRow {
  readonly node: HTMLTableRowElement;
  readonly name: Text;
  readonly crates: Text;
  row: Row;
}

/**
 * The same element written by hand, as carefully as we know: one template that is cloned, text nodes kept and changed;
 * rows at both ends that stay are walked past, what stood at one end and stands at the other is moved, and of the rest
 * only those move that have to.
 */
class HandTable extends HTMLElement {
  static readonly template = (() => {
    const template = document.createElement('template');
    template.innerHTML = '<tr><td> </td><td><b> </b></td><td><!-- --> crates</td></tr>';
    const cell = template.content.firstChild?.lastChild as HTMLElement;
    cell.firstChild?.replaceWith(document.createTextNode(' '));
    return template.content.firstChild as HTMLTableRowElement;
  })();
  readonly #body: HTMLElement;
  #rows: HandRow[] = [];

  constructor() {
    super();
    const root = this.attachShadow({ mode: 'open' });
    const table = root.appendChild(document.createElement('table'));
    this.#body = table.appendChild(document.createElement('tbody'));
  }

  set rows(rows: readonly Row[]) {
    this.#show(rows);
  }

  #show(rows: readonly Row[]): void {
    const old = this.#rows;
    const next = new Array<HandRow>(rows.length);
    this.#rows = next;
    let from = 0;
    let start = 0;
    let oldEnd = old.length;
    let end = rows.length;
    for (;;) {
      while (from < oldEnd && start < end && (old[from] as HandRow).row.id === (rows[start] as Row).id) {
        next[start] = show(old[from] as HandRow, rows[start] as Row);
        start++;
        from++;
      }
      while (
        oldEnd > from &&
        end > start &&
        (old[oldEnd - 1] as HandRow).row.id === (rows[end - 1] as Row).id
      ) {
        end--;
        oldEnd--;
        next[end] = show(old[oldEnd] as HandRow, rows[end] as Row);
      }
      if (from === oldEnd || start === end) break;
      const first = old[from] as HandRow;
      const last = old[oldEnd - 1] as HandRow;
      if (first.row.id === (rows[end - 1] as Row).id) {
        this.#body.insertBefore(first.node, next[end]?.node ?? null);
        end--;
        from++;
        next[end] = show(first, rows[end] as Row);
      } else if (last.row.id === (rows[start] as Row).id) {
        this.#body.insertBefore(last.node, first.node);
        next[start] = show(last, rows[start] as Row);
        start++;
        oldEnd--;
      } else break;
    }
    if (from === oldEnd) return this.#insert(rows, next, start, end);
    if (start === end) return this.#remove(old, from, oldEnd);
    const known = new Map<number, number>();
    for (let at = from; at < oldEnd; at++) known.set((old[at] as HandRow).row.id, at);
    const places: number[] = [];
    const hasStayed = new Uint8Array(oldEnd - from);
    let isRising = true;
    let highest = -1;
    for (let at = start; at < end; at++) {
      const place = known.get((rows[at] as Row).id) ?? -1;
      places.push(place);
      if (place < 0) continue;
      hasStayed[place - from] = 1;
      isRising &&= place > highest;
      highest = place;
    }
    if (highest < 0) {
      this.#remove(old, from, oldEnd);
      return this.#insert(rows, next, start, end);
    }
    for (let at = from; at < oldEnd; at++) if (hasStayed[at - from] === 0) (old[at] as HandRow).node.remove();
    const staying = isRising ? undefined : longestRun(places);
    let before: Node | null = next[end]?.node ?? null;
    for (let at = end - 1; at >= start; at--) {
      const place = places[at - start] as number;
      const row = place < 0 ? make(rows[at] as Row) : show(old[place] as HandRow, rows[at] as Row);
      next[at] = row;
      if (place < 0 || (staying && !staying.has(at - start))) this.#body.insertBefore(row.node, before);
      before = row.node;
    }
  }

  #insert(rows: readonly Row[], next: HandRow[], start: number, end: number): void {
    if (start === end) return;
    const all = document.createDocumentFragment();
    for (let at = start; at < end; at++) {
      const row = make(rows[at] as Row);
      next[at] = row;
      all.append(row.node);
    }
    this.#body.insertBefore(all, next[end]?.node ?? null);
  }

  #remove(old: readonly HandRow[], start: number, end: number): void {
    if (start === 0 && end === old.length) this.#body.textContent = '';
    else for (let at = start; at < end; at++) (old[at] as HandRow).node.remove();
  }
}

function make(row: Row): HandRow {
  const node = HandTable.template.cloneNode(true) as HTMLTableRowElement;
  node.dataset.id = String(row.id);
  const id = node.firstChild as HTMLElement;
  const name = id.nextSibling as HTMLElement;
  (id.firstChild as Text).data = String(row.id);
  const nameText = name.firstChild?.firstChild as Text;
  nameText.data = row.name;
  const crates = name.nextSibling?.firstChild as Text;
  crates.data = String(row.crates);
  return { node, name: nameText, crates, row };
}

function show(known: HandRow, row: Row): HandRow {
  if (known.row === row) return known;
  if (known.row.name !== row.name) known.name.data = row.name;
  if (known.row.crates !== row.crates) known.crates.data = String(row.crates);
  known.row = row;
  return known;
}

/** Which places of a list make up its longest rising run, those below zero left out. */
function longestRun(numbers: readonly number[]): ReadonlySet<number> {
  const before: number[] = [];
  const tails: number[] = [];
  for (let at = 0; at < numbers.length; at++) {
    const number = numbers[at] as number;
    if (number < 0) continue;
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((numbers[tails[middle] as number] as number) < number) low = middle + 1;
      else high = middle;
    }
    before[at] = low > 0 ? (tails[low - 1] as number) : -1;
    tails[low] = at;
  }
  const run = new Set<number>();
  for (let at = tails.at(-1) ?? -1; at >= 0; at = before[at] as number) run.add(at);
  return run;
}

register(CrateTable);
customElements.define('hand-table', HandTable);

const made = (count: number, from = 0): Row[] =>
  Array.from({ length: count }, (_, n) => ({
    id: from + n,
    name: `Variety ${from + n}`,
    crates: (n * 7) % 31,
  }));

type Table = HTMLElement & { rows: readonly Row[] };
type Step = (count: number, rows: readonly Row[], round: number) => readonly Row[];

/** What each step starts from and goes to; only the second is timed. */
const steps: Record<string, { readonly from: (count: number) => readonly Row[]; readonly to: Step }> = {
  create: { from: () => [], to: (count) => made(count) },
  'replace all': { from: made, to: (count, _rows, round) => made(count, (round + 1) * count) },
  'update every tenth': {
    from: made,
    to: (_count, rows) => rows.map((row, n) => (n % 10 === 0 ? { ...row, name: `${row.name}!` } : row)),
  },
  'update all': {
    from: made,
    to: (_count, rows) => rows.map((row) => ({ ...row, name: `${row.name}!` })),
  },
  'the same as new records': { from: made, to: (_count, rows) => rows.map((row) => ({ ...row })) },
  'swap two': {
    from: made,
    to: (count, rows) => {
      const next = [...rows];
      const [a, b] = [rows[1] as Row, rows[count - 2] as Row];
      next[1] = b;
      next[count - 2] = a;
      return next;
    },
  },
  'remove one': { from: made, to: (count, rows) => rows.filter((_, n) => n !== count >> 1) },
  'remove a tenth from the middle': {
    from: made,
    to: (count, rows) => rows.filter((_, n) => n < count * 0.45 || n >= count * 0.55),
  },
  reverse: { from: made, to: (_count, rows) => [...rows].reverse() },
  sort: { from: made, to: (_count, rows) => [...rows].sort((a, b) => a.crates - b.crates) },
  'append a tenth': { from: made, to: (count, rows) => [...rows, ...made(count / 10, count)] },
  clear: { from: made, to: () => [] },
};

async function time(
  tag: string,
  from: readonly Row[],
  to: readonly Row[],
): Promise<{ readonly ms: number; readonly html: string }> {
  const table = document.createElement(tag) as Table;
  table.rows = from;
  document.body.append(table);
  await Promise.resolve();
  await Promise.resolve();
  void document.body.offsetHeight;
  // What was made before is no part of what is measured.
  (globalThis as { gc?: () => void }).gc?.();
  const start = performance.now();
  table.rows = to;
  await Promise.resolve();
  await Promise.resolve();
  const ms = performance.now() - start;
  const html = (table.shadowRoot as ShadowRoot).innerHTML.replace(/<!---->/g, '');
  table.remove();
  return { ms, html };
}

const median = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[all.length >> 1] ?? 0;

interface Figures {
  readonly ours: number;
  readonly byHand: number;
  /** The middle of the ratios of two rounds each, one in either order: what slows the machine down slows both down. */
  readonly ratio: number;
}

function figures(times: Readonly<Record<string, readonly number[]>>, skipped: number): Figures {
  const ours = (times['crate-table'] ?? []).slice(skipped);
  const byHand = (times['hand-table'] ?? []).slice(skipped);
  const ofTwo = (all: readonly number[], at: number): number => (all[at] ?? 0) + (all[at + 1] ?? 0);
  const starts = ours.map((_, at) => at).filter((at) => at % 2 === 0 && at + 1 < ours.length);
  const ratio = median(starts.map((at) => ofTwo(ours, at) / ofTwo(byHand, at)));
  return { ours: median(ours), byHand: median(byHand), ratio };
}

/** Runs each step for both, in turns; checks that both show the same. */
async function measure(count: number, rounds: number): Promise<Record<string, Figures>> {
  const results: Record<string, Figures> = {};
  for (const [name, { from, to }] of Object.entries(steps)) {
    const times: Record<string, number[]> = { 'crate-table': [], 'hand-table': [] };
    for (let round = 0; round < rounds; round++) {
      const order = round % 2 === 0 ? ['crate-table', 'hand-table'] : ['hand-table', 'crate-table'];
      const shown = new Set<string>();
      for (const tag of order) {
        // Each has rows of its own: whoever is second would find them in the machine's memory.
        const before = from(count);
        const { ms, html } = await time(tag, before, to(count, before, round));
        times[tag]?.push(ms);
        shown.add(html);
      }
      if (shown.size !== 1) throw new Error(`${name}: the two tables differ`);
    }
    results[name] = figures(times, 2);
  }
  return results;
}

/** The short steps to and fro in one element each, in turns: what they cost once the browser has compiled them. */
async function again(count: number, times: number): Promise<Record<string, Figures>> {
  const results: Record<string, Figures> = {};
  for (const name of [
    'update every tenth',
    'update all',
    'the same as new records',
    'swap two',
    'remove one',
    'remove a tenth from the middle',
    'reverse',
    'sort',
  ]) {
    const { from, to } = steps[name] as (typeof steps)[string];
    const before = from(count);
    const after = to(count, before, 0);
    const spent: Record<string, number[]> = {};
    const tables = ['crate-table', 'hand-table'].map((tag) => {
      const table = document.createElement(tag) as Table;
      table.rows = before;
      document.body.append(table);
      spent[tag] = [];
      return [tag, table] as const;
    });
    for (let n = 0; n < times * 2; n++) {
      for (const [tag, table] of n % 4 < 2 ? tables : [...tables].reverse()) {
        await Promise.resolve();
        const start = performance.now();
        table.rows = n % 2 === 0 ? after : before;
        await Promise.resolve();
        await Promise.resolve();
        if (n % 2 === 0) spent[tag]?.push(performance.now() - start);
      }
    }
    results[name] = figures(spent, times >> 1);
    for (const [, table] of tables) table.remove();
  }
  return results;
}

/** Bytes of heap that a row takes, ours and by hand. */
function heap(count: number): readonly number[] {
  return ['crate-table', 'hand-table'].map((tag) => {
    const { gc } = globalThis as { gc?: () => void };
    const used = (): number => {
      for (let time = 0; time < 3; time++) gc?.();
      return (performance as { memory?: { readonly usedJSHeapSize: number } }).memory?.usedJSHeapSize ?? 0;
    };
    const rows = made(count);
    const before = used();
    const table = document.createElement(tag) as Table;
    table.rows = rows;
    document.body.append(table);
    const bytes = (used() - before) / count;
    table.remove();
    return bytes;
  });
}

Object.assign(window, { again, heap, measure });
