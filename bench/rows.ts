import { register } from 'zesty-lattice/elements';
import { CrateTable, type Row } from './crate-table.js';

interface HandRow {
  readonly node: HTMLTableRowElement;
  readonly name: Text;
  readonly crates: Text;
  row: Row;
}

/** The same element written by hand: one template, a map of rows by id, text nodes kept and changed. */
class HandTable extends HTMLElement {
  static readonly template = (() => {
    const template = document.createElement('template');
    template.innerHTML = '<tr><td> </td><td><b> </b></td><td><!-- --> crates</td></tr>';
    const cell = template.content.firstChild?.lastChild as HTMLElement;
    cell.firstChild?.replaceWith(document.createTextNode(' '));
    return template;
  })();
  readonly #body: HTMLElement;
  #rows = new Map<number, HandRow>();
  #ids: readonly number[] = [];

  constructor() {
    super();
    const root = this.attachShadow({ mode: 'open' });
    const table = root.appendChild(document.createElement('table'));
    this.#body = table.appendChild(document.createElement('tbody'));
  }

  set rows(rows: readonly Row[]) {
    if (rows.length === 0) {
      this.#body.textContent = '';
      this.#rows.clear();
      this.#ids = [];
      return;
    }
    const kept = new Map<number, HandRow>();
    for (const row of rows) {
      const known = this.#rows.get(row.id);
      if (known) {
        this.#rows.delete(row.id);
        if (known.row !== row) {
          if (known.row.name !== row.name) known.name.data = row.name;
          if (known.row.crates !== row.crates) known.crates.data = String(row.crates);
          known.row = row;
        }
        kept.set(row.id, known);
      } else kept.set(row.id, this.#make(row));
    }
    if (
      kept.size > 0 &&
      this.#rows.size > 0 &&
      [...kept.values()].every(({ node }) => node.parentNode !== this.#body)
    )
      this.#body.textContent = '';
    else for (const { node } of this.#rows.values()) node.remove();
    this.#rows = kept;
    const ids = rows.map(({ id }) => id);
    const before = this.#ids.filter((id) => kept.has(id));
    this.#ids = ids;
    // Where no row has moved and the new ones come last, only those are put in.
    if (before.every((id, at) => id === ids[at])) this.#append(rows.slice(before.length), kept);
    else this.#arrange([...kept.values()]);
  }

  #make(row: Row): HandRow {
    const node = document.importNode(HandTable.template.content, true).firstChild as HTMLTableRowElement;
    node.dataset.id = String(row.id);
    const [id, name, crates] = node.children as unknown as readonly HTMLElement[];
    (id?.firstChild as Text).data = String(row.id);
    const nameText = name?.firstChild?.firstChild as Text;
    nameText.data = row.name;
    const cratesText = crates?.firstChild as Text;
    cratesText.data = String(row.crates);
    return { node, name: nameText, crates: cratesText, row };
  }

  #append(rows: readonly Row[], kept: ReadonlyMap<number, HandRow>): void {
    const all = document.createDocumentFragment();
    for (const { id } of rows) all.append((kept.get(id) as HandRow).node);
    this.#body.append(all);
  }

  #arrange(rows: readonly HandRow[]): void {
    if (!this.#body.firstChild) {
      const all = document.createDocumentFragment();
      for (const { node } of rows) all.append(node);
      this.#body.append(all);
      return;
    }
    let before: Node | null = null;
    for (let at = rows.length - 1; at >= 0; at--) {
      const { node } = rows[at] as HandRow;
      if (node.nextSibling !== before || node.parentNode !== this.#body)
        this.#body.insertBefore(node, before);
      before = node;
    }
  }
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

/** Runs each step for both, in turns; checks that both show the same. */
async function measure(
  count: number,
  rounds: number,
): Promise<Record<string, { ours: number; byHand: number }>> {
  const results: Record<string, { ours: number; byHand: number }> = {};
  for (const [name, { from, to }] of Object.entries(steps)) {
    const times: Record<string, number[]> = { 'crate-table': [], 'hand-table': [] };
    for (let round = 0; round < rounds; round++) {
      const before = from(count);
      const after = to(count, before, round);
      const order = round % 2 === 0 ? ['crate-table', 'hand-table'] : ['hand-table', 'crate-table'];
      const shown = new Set<string>();
      for (const tag of order) {
        const { ms, html } = await time(tag, before, after);
        times[tag]?.push(ms);
        shown.add(html);
      }
      if (shown.size !== 1) throw new Error(`${name}: the two tables differ`);
    }
    const skip = (tag: string): number => median((times[tag] ?? []).slice(2));
    results[name] = { ours: skip('crate-table'), byHand: skip('hand-table') };
  }
  return results;
}

Object.assign(window, { measure });
