// Pages of random shapes, each from a seed, with a twin that is generated as plain template literals: what no scenario has.
import { type Content, component, eachOf, el, given, phrase, prop, slot } from 'zesty-lattice';
import { escapeAttribute, escapeText, renderHtml } from 'zesty-lattice/html';

const [count = '20', start = '1', seconds = '0.15'] = process.argv.slice(2);

interface Row {
  readonly name: string;
  readonly taste: string;
  readonly crates: number;
  readonly rare: boolean;
  readonly season: 'early' | 'late';
  readonly url: string;
  readonly tags: readonly string[];
}
const fields = ['name', 'taste', 'crates', 'season'] as const;

/** What stands somewhere in a page. */
type Piece =
  | { readonly is: 'text'; readonly text: string }
  | { readonly is: 'value'; readonly field: (typeof fields)[number] }
  | { readonly is: 'phrase' }
  | { readonly is: 'given'; readonly yes: readonly Piece[]; readonly no: readonly Piece[] }
  | { readonly is: 'tags' }
  | { readonly is: 'card'; readonly depth: number; readonly inner: readonly Piece[] }
  | {
      readonly is: 'element';
      readonly tag: string;
      readonly attributes: readonly string[];
      readonly inner: readonly Piece[];
    };

/** Numbers from a seed (https://en.wikipedia.org/wiki/Linear_congruential_generator). */
function numbers(seed: number): (below: number) => number {
  let state = (seed * 2_654_435_761) % 4_294_967_296;
  return (below) => {
    state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return Math.floor((state / 4_294_967_296) * below);
  };
}

const attributeNames = [
  'title',
  'data-n',
  'hidden',
  'class',
  'style',
  'href',
  'aria-pressed',
  'lang',
  'id',
  'draggable',
];
const tags = ['div', 'section', 'article', 'figure'];

function pieceOf(random: (below: number) => number, depth: number): Piece {
  const kind = random(depth > 3 ? 3 : 10);
  if (kind === 0) return { is: 'text', text: ['Thin skin', 'sharp & bright', 'as a bell '][random(3)] ?? '' };
  if (kind === 1) return { is: 'value', field: fields[random(fields.length)] ?? 'name' };
  if (kind === 2) return { is: 'phrase' };
  if (kind === 3)
    return { is: 'given', yes: piecesOf(random, depth + 1, 2), no: piecesOf(random, depth + 1, 1) };
  if (kind === 4) return { is: 'tags' };
  if (kind === 5) return { is: 'card', depth, inner: piecesOf(random, depth + 1, 2) };
  const attributes = attributeNames.filter(() => random(4) === 0);
  // A link holds no other one, and is all that has an address.
  const [tag, inner] = attributes.includes('href')
    ? ['a', [{ is: 'value', field: 'name' } as const]]
    : [tags[random(tags.length)] ?? 'div', piecesOf(random, depth + 1, 3)];
  return { is: 'element', tag, attributes, inner };
}

function piecesOf(random: (below: number) => number, depth: number, most: number): readonly Piece[] {
  return Array.from({ length: 1 + random(most) }, () => pieceOf(random, depth));
}

/** A row's fields as a template sees them, or as they are. */
type Fields = { readonly [K in keyof Row]: never };

const kinds = {
  name: prop.text(),
  taste: prop.text(),
  crates: prop.number(),
  rare: prop.flag(),
  season: prop.choice(['early', 'late']),
  url: prop.url(),
  tags: prop.list(prop.text()),
};
/** One that has props of every kind and content around which it puts something. */
const cards = [0, 1, 2, 3].map((depth) =>
  component(`random-card-${depth}`, {
    props: { name: kinds.name, crates: kinds.crates, rare: kinds.rare },
    slots: { default: slot() },
    template: ({ props, slots }) =>
      el.article(
        { class: ['card', { rare: props.rare }] },
        el.h3({ title: props.name }, props.name),
        slots.default(),
        el.i(props.crates),
      ),
  }),
);

function attributesOf(names: readonly string[], row: Fields): Record<string, unknown> {
  const made: Record<string, unknown> = {};
  for (const name of names) {
    if (name === 'class') made.class = ['fixed', row.season, { rare: row.rare }];
    else if (name === 'style') made.style = { '--crates': row.crates, color: 'red' };
    else if (name === 'href') made.href = row.url;
    else if (name === 'data-n') made[name] = row.crates;
    else if (/hidden|pressed|draggable/.test(name)) made[name] = row.rare;
    else if (name === 'lang') made.lang = 'en';
    else made[name] = row.name;
  }
  return made;
}

/** The library's content of a piece: for a template, or for plain values put together inline. */
function contentOf(piece: Piece, row: Fields, isInline: boolean): Content {
  const all = (pieces: readonly Piece[]): Content[] => pieces.map((one) => contentOf(one, row, isInline));
  switch (piece.is) {
    case 'text':
      return piece.text;
    case 'value':
      return row[piece.field];
    case 'phrase':
      return isInline ? `${row.crates} of ${row.name}` : phrase`${row.crates} of ${row.name}`;
    case 'given':
      if (isInline) return row.rare ? all(piece.yes) : all(piece.no);
      return given(row.rare, all(piece.yes), all(piece.no));
    case 'tags':
      return el.ul(
        isInline
          ? (row.tags as readonly string[]).map((tag) => el.li(tag))
          : eachOf(row.tags as readonly string[], (tag) => el.li(tag)),
      );
    case 'card':
      return (cards[piece.depth % 4] as (typeof cards)[0])(
        { name: row.name, crates: row.crates, rare: row.rare },
        all(piece.inner),
      );
    case 'element':
      return el.of(piece.tag, attributesOf(piece.attributes, row) as never, ...all(piece.inner));
  }
}

const literal = (text: string): string => text.replace(/[`\\$]/g, '\\$&');

function twinAttribute(name: string): string {
  if (name === 'class') return ' class="fixed ${a(row.season)}${row.rare ? " rare" : ""}"';
  if (name === 'style') return ' style="--crates: ${row.crates}; color: red"';
  if (name === 'href') return ' href="${a(row.url)}"';
  if (name === 'data-n') return ' data-n="${row.crates}"';
  if (name === 'hidden') return '${row.rare ? " hidden" : ""}';
  if (/pressed|draggable/.test(name)) return ` ${name}="\${row.rare}"`;
  if (name === 'lang') return ' lang="en"';
  return ` ${name}="\${a(row.name)}"`;
}

/** The same as code by hand: the inside of a template literal that reads `row`. */
function twinOf(piece: Piece): string {
  const all = (pieces: readonly Piece[]): string => pieces.map(twinOf).join('');
  switch (piece.is) {
    case 'text':
      return literal(escapeText(piece.text));
    case 'value':
      return piece.field === 'crates' ? '${row.crates}' : `\${t(row.${piece.field})}`;
    case 'phrase':
      return '${t(`${row.crates} of ${row.name}`)}';
    case 'given':
      return `\${row.rare ? \`${all(piece.yes)}\` : \`${all(piece.no)}\`}`;
    case 'tags':
      return '<ul>${row.tags.map((tag) => `<li>${t(tag)}</li>`).join("")}</ul>';
    case 'card':
      return `<article class="card\${row.rare ? " rare" : ""}"><h3 title="\${a(row.name)}">\${t(row.name)}</h3>${all(piece.inner)}<i>\${row.crates}</i></article>`;
    case 'element':
      return `<${piece.tag}${piece.attributes.map(twinAttribute).join('')}>${all(piece.inner)}</${piece.tag}>`;
  }
}

const rows: readonly Row[] = Array.from({ length: 100 }, (_, n) => ({
  name: n % 9 === 0 ? `Salt & bell ${n}` : `Dunlight ${n}`,
  taste: 'Sweet from the first bite, then sharp',
  crates: (n * 7) % 40,
  rare: n % 3 === 0,
  season: n % 2 === 0 ? 'early' : 'late',
  url: `/stalls/${n}?from=gate`,
  tags: n % 4 === 0 ? [] : ['sweet', 'thin skin', 'for jam'],
}));
const Inline = component('random-inline', {
  slots: { default: slot() },
  template: ({ slots }) => el.main(slots.default()),
});
const isCodeAllowed = !process.execArgv.includes('--disallow-code-generation-from-strings');

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;
}

/** The processor time of ours to that of the twin, each in turns. */
function ratioOf(ours: () => string, twin: () => string): number {
  const spent: [number[], number[]] = [[], []];
  for (let n = 0; n < 30; n++) Buffer.from(ours() + twin());
  const end = performance.now() + Number(seconds) * 1000;
  for (let round = 0; performance.now() < end || round < 7; round++)
    for (const at of round % 2 === 0 ? ([0, 1] as const) : ([1, 0] as const)) {
      const before = process.cpuUsage();
      for (let n = 0; n < 10; n++) Buffer.from((at === 0 ? ours : twin)());
      const { system, user } = process.cpuUsage(before);
      spent[at].push(user + system);
    }
  return median(spent[0]) / median(spent[1]);
}

const results: { seed: number; checked: boolean; planned: number; inline: number }[] = [];
for (let seed = Number(start); seed < Number(start) + Number(count); seed++) {
  const random = numbers(seed);
  const pieces = piecesOf(random, 0, 4);
  const checked = random(2) === 0;
  const Page = component(`random-page-${seed}`, {
    props: { rows: checked ? prop.list(prop.record(kinds)) : (prop.list<Row>() as never) },
    template: ({ props }) =>
      el.main(
        eachOf(props.rows as never, (row) =>
          pieces.map((one) => contentOf(one, row as unknown as Fields, false)),
        ),
      ),
  });
  const source = `<main>\${rows.map((row) => \`${pieces.map(twinOf).join('')}\`).join('')}</main>`;
  // Without code of one's own there is none of the twin's either: then it comes by way of a module.
  const module = `export default (t, a) => (rows) => \`${source}\``;
  const { default: make } = await import(`data:text/javascript,${encodeURIComponent(module)}`);
  const byHand = make(escapeText, escapeAttribute) as (all: readonly Row[]) => string;
  const twin = (): string => byHand(rows);
  const planned = (): string => renderHtml(Page({ rows } as never));
  const inline = (): string =>
    renderHtml(
      Inline(
        {},
        rows.map((row) => pieces.map((one) => contentOf(one, row as unknown as Fields, true))),
      ),
    );
  for (const [way, make] of [
    ['planned', planned],
    ['inline', inline],
  ] as const)
    if (make() !== twin())
      throw new Error(`Seed ${seed}: ${way} differs:\n${make().slice(0, 600)}\n${twin().slice(0, 600)}`);
  results.push({
    seed,
    checked,
    planned: ratioOf(planned, twin),
    inline: isCodeAllowed ? ratioOf(inline, twin) : 0,
  });
}
console.log(JSON.stringify(results));
