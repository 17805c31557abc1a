import { calc, component, eachOf, el, given, phrase, preset, prop, slot } from 'zesty-lattice';
import * as html from 'zesty-lattice/html';
import 'zesty-lattice/markup';
import { FairPage } from '../../examples/orchard/fair-page.js';
import fairData from '../../examples/orchard/open-day.json' with { type: 'json' };
import {
  inputsCarefully,
  inputsInline,
  inputsPlainly,
  OfferForm,
  offers,
  offersCarefully,
  offersPlainly,
} from './checked-form.js';
import {
  type Branch,
  branch,
  type Field,
  fields,
  type Grove,
  groves,
  notes,
  type Row,
  rowsOf,
} from './data.js';
import { type OpenDay, openDayByHand } from './orchard-by-hand.js';
import { openDayCarefully } from './orchard-carefully.js';
import { inPieces, type Pieces, type Scenario, textOf } from './scenario.js';

const { escapeAttribute, escapeText, renderHtml } = html;
/** Earlier versions, which this is compared with, turn the whole text into bytes. */
const renderBytes: typeof html.renderBytes =
  html.renderBytes ?? ((...given) => Buffer.from(renderHtml(...given)));

type Careful = (to: Pieces) => void;

function scenario(
  head: Pick<Scenario, 'key' | 'name' | 'units' | 'unit'>,
  ours: { text: () => string; bytes?: () => Uint8Array },
  plain: () => string,
  careful: Careful,
): Scenario {
  return {
    ...head,
    ours: ours.text,
    ...(ours.bytes && { bytes: ours.bytes }),
    plain,
    careful: () => textOf(careful),
    carefulBytes: careful,
  };
}

// (a) Cards with two slots.

export const VarietyCard = component('variety-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    rare: prop.flag(),
  },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) =>
    el.article(
      { class: ['variety', props.season, { 'sold-out': calc(props.crates, (n) => n === 0) }] },
      el.header(slots.badge(el.small('no badge')), el.h3({ title: props.title }, props.title)),
      slots.default(),
      given(props.rare, el.p('Only a few trees'), el.p(phrase`${props.crates} crates left`)),
    ),
});

export const CardPage = component('card-page', {
  props: { rows: prop.list<Row>() },
  template: ({ props }) =>
    el.main(
      eachOf(props.rows, (row) =>
        VarietyCard(
          { title: row.name, season: row.season, crates: row.crates, rare: row.rare },
          { badge: el.b(row.season), default: el.p(row.taste) },
        ),
      ),
    ),
});

interface CardParts {
  readonly title: string;
  readonly season?: string;
  readonly crates?: number;
  readonly rare?: boolean;
  readonly badge?: string;
  readonly content?: string;
}

const card = ({
  title,
  season = 'early',
  crates = 0,
  rare = false,
  badge,
  content = '',
}: CardParts): string =>
  `<article class="variety ${escapeAttribute(season)}${crates === 0 ? ' sold-out' : ''}"><header>${
    badge ?? '<small>no badge</small>'
  }<h3 title="${escapeAttribute(title)}">${escapeText(title)}</h3></header>${content}${
    rare ? '<p>Only a few trees</p>' : `<p>${crates} crates left</p>`
  }</article>`;

export const cardsByHand = (rows: readonly Row[]): string => {
  let cards = '';
  for (const row of rows) {
    cards += card({
      title: row.name,
      season: row.season,
      crates: row.crates,
      rare: row.rare,
      badge: `<b>${escapeText(row.season)}</b>`,
      content: `<p>${escapeText(row.taste)}</p>`,
    });
  }
  return `<main>${cards}</main>`;
};

const unsafe = /[&<>"\r\0]/;
/** Text that is escaped already, made fit for an attribute. */
const quotes = (text: string): string => (text.includes('"') ? text.replaceAll('"', '&quot;') : text);

const cardCarefully = (out: string, { name, season, crates, rare, taste }: Row): string => {
  const isSafe = !unsafe.test(name);
  const text = isSafe ? name : escapeText(name);
  return (
    out +
    '<article class="variety ' +
    season +
    (crates === 0 ? ' sold-out"><header><b>' : '"><header><b>') +
    season +
    '</b><h3 title="' +
    (isSafe ? name : quotes(text)) +
    '">' +
    text +
    '</h3></header><p>' +
    escapeText(taste) +
    (rare ? '</p><p>Only a few trees</p></article>' : '</p><p>' + crates + ' crates left</p></article>')
  );
};

export const cardsCarefully = (rows: readonly Row[]): Careful =>
  inPieces('<main>', rows, cardCarefully, '</main>');

export const cardPage = (key: string, name: string, rows: readonly Row[], Page: typeof CardPage): Scenario =>
  scenario(
    { key, name, units: rows.length, unit: 'card' },
    { text: () => renderHtml(Page, { rows }), bytes: () => renderBytes(Page, { rows }) },
    () => cardsByHand(rows),
    cardsCarefully(rows),
  );

const thousand = rowsOf(1_000);

// (b) A table.

const columns = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j'] as const;
type Cells = Readonly<Record<(typeof columns)[number], number>>;
const cells: Cells[] = thousand.map(
  (_row, n) => Object.fromEntries(columns.map((column, at) => [column, (n * (at + 3)) % 997])) as Cells,
);

const CrateTable = component('crate-table', {
  props: { rows: prop.list<Cells>() },
  template: ({ props }) =>
    el.table(
      el.tbody(
        eachOf(props.rows, (row) => el.tr(...columns.map((column) => el.td({ class: 'n' }, row[column])))),
      ),
    ),
});

const tablePlainly = (): string =>
  `<table><tbody>${cells
    .map((row) => `<tr>${columns.map((column) => `<td class="n">${row[column]}</td>`).join('')}</tr>`)
    .join('')}</tbody></table>`;

const tableCarefully: Careful = inPieces(
  '<table><tbody>',
  cells,
  (out, r) =>
    out +
    '<tr><td class="n">' +
    r.a +
    '</td><td class="n">' +
    r.b +
    '</td><td class="n">' +
    r.c +
    '</td><td class="n">' +
    r.d +
    '</td><td class="n">' +
    r.e +
    '</td><td class="n">' +
    r.f +
    '</td><td class="n">' +
    r.g +
    '</td><td class="n">' +
    r.h +
    '</td><td class="n">' +
    r.i +
    '</td><td class="n">' +
    r.j +
    '</td></tr>',
  '</tbody></table>',
);

// (c) Twelve components deep.

const CrateBox = component('crate-box', {
  props: { label: prop.text() },
  slots: { default: slot() },
  template: ({ props, slots }) => el.div({ class: 'box', title: props.label }, slots.default()),
});

const NestedBoxes = component('nested-boxes', {
  props: { labels: prop.list<string>() },
  template: ({ props }) =>
    el.main(
      eachOf(props.labels, (label) => {
        let inner: ReturnType<typeof CrateBox> | typeof label = label;
        for (let depth = 0; depth < 12; depth++) inner = CrateBox({ label }, inner);
        return inner;
      }),
    ),
});

const labels = Array.from({ length: 500 }, (_, n) => `Crate ${n}${n % 9 === 0 ? ' & lid' : ''}`);
const box = (label: string, content: string): string =>
  `<div class="box" title="${escapeAttribute(label)}">${content}</div>`;
const boxesPlainly = (): string =>
  `<main>${labels
    .map((label) => {
      let inner = escapeText(label);
      for (let depth = 0; depth < 12; depth++) inner = box(label, inner);
      return inner;
    })
    .join('')}</main>`;
const boxesCarefully: Careful = inPieces(
  '<main>',
  labels,
  (out, label) => {
    const isSafe = !unsafe.test(label);
    const o = `<div class="box" title="${isSafe ? label : escapeAttribute(label)}">`;
    const text = isSafe ? label : escapeText(label);
    const end = '</div></div></div></div></div></div></div></div></div></div></div></div>';
    return out + o + o + o + o + o + o + o + o + o + o + o + o + text + end;
  },
  '</main>',
);

// (d) A form of 300 fields.

const ShiftField = component('shift-field', {
  props: {
    name: prop.text(),
    label: prop.text(),
    hint: prop.text(),
    type: prop.choice(['text', 'number']),
    needed: prop.flag(),
    max: prop.number(),
  },
  template: ({ props }) =>
    el.div(
      { class: ['field', { needed: props.needed }] },
      el.label({ for: props.name }, props.label),
      el.input({
        id: props.name,
        name: props.name,
        type: props.type,
        required: props.needed,
        maxlength: props.max,
        placeholder: props.hint,
        autocomplete: 'off',
        'aria-describedby': phrase`${props.name}-hint`,
      }),
      el.small({ id: phrase`${props.name}-hint` }, props.hint),
    ),
});

const ShiftForm = component('shift-form', {
  props: { fields: prop.list<Field>() },
  template: ({ props }) =>
    el.form(
      { method: 'post' },
      eachOf(props.fields, (one) =>
        ShiftField({
          name: one.name,
          label: one.label,
          hint: one.hint,
          type: one.type,
          needed: one.needed,
          max: one.max,
        }),
      ),
    ),
});

const fieldPlainly = ({ name, label, hint, type, needed, max }: Field): string =>
  `<div class="field${needed ? ' needed' : ''}"><label for="${escapeAttribute(name)}">${escapeText(label)}</label><input id="${escapeAttribute(name)}" name="${escapeAttribute(name)}" type="${escapeAttribute(type)}"${needed ? ' required' : ''} maxlength="${max}" placeholder="${escapeAttribute(hint)}" autocomplete="off" aria-describedby="${escapeAttribute(`${name}-hint`)}"><small id="${escapeAttribute(`${name}-hint`)}">${escapeText(hint)}</small></div>`;
const formPlainly = (): string => `<form method="post">${fields.map(fieldPlainly).join('')}</form>`;
const formCarefully: Careful = inPieces(
  '<form method="post">',
  fields,
  (out, { name, label, hint, type, needed, max }) => {
    const n = unsafe.test(name) ? escapeAttribute(name) : name;
    const isSafe = !unsafe.test(hint);
    const text = isSafe ? hint : escapeText(hint);
    return (
      out +
      (needed ? '<div class="field needed"><label for="' : '<div class="field"><label for="') +
      n +
      '">' +
      escapeText(label) +
      '</label><input id="' +
      n +
      '" name="' +
      n +
      '" type="' +
      type +
      (needed ? '" required maxlength="' : '" maxlength="') +
      max +
      '" placeholder="' +
      (isSafe ? hint : quotes(text)) +
      '" autocomplete="off" aria-describedby="' +
      n +
      '-hint"><small id="' +
      n +
      '-hint">' +
      text +
      '</small></div>'
    );
  },
  '</form>',
);

// (e) Text with and without characters to escape.

const NoteList = component('note-list', {
  props: { notes: prop.list<string>() },
  template: ({ props }) =>
    el.ul(eachOf(props.notes, (note) => el.li(el.p(note), el.q({ title: note }, note)))),
});
const notesPlainly = (): string =>
  `<ul>${notes
    .map(
      (note) =>
        `<li><p>${escapeText(note)}</p><q title="${escapeAttribute(note)}">${escapeText(note)}</q></li>`,
    )
    .join('')}</ul>`;
const notesCarefully: Careful = inPieces(
  '<ul>',
  notes,
  (out, note) => {
    const isSafe = !unsafe.test(note);
    const text = isSafe ? note : escapeText(note);
    return `${out}<li><p>${text}</p><q title="${isSafe ? note : quotes(text)}">${text}</q></li>`;
  },
  '</ul>',
);

// (f) Conditions and lists in lists.

const GroveList = component('grove-list', {
  props: { groves: prop.list<Grove>() },
  template: ({ props }) =>
    el.section(
      eachOf(props.groves, (grove) =>
        el.article(
          el.h2(grove.name),
          given(grove.isOpen, el.b('open'), el.i('closed')),
          el.ul(
            eachOf(
              grove.stalls,
              (stall) =>
                el.li(stall.name, given(stall.tags.length, el.span(eachOf(stall.tags, (tag) => el.em(tag))))),
              { empty: el.li('No stalls') },
            ),
          ),
        ),
      ),
    ),
});
const stallPlainly = ({ name, tags }: Grove['stalls'][number]): string =>
  `<li>${escapeText(name)}${tags.length > 0 ? `<span>${tags.map((tag) => `<em>${escapeText(tag)}</em>`).join('')}</span>` : ''}</li>`;
const grovePlainly = ({ name, isOpen, stalls }: Grove): string =>
  `<article><h2>${escapeText(name)}</h2>${isOpen ? '<b>open</b>' : '<i>closed</i>'}<ul>${
    stalls.length > 0 ? stalls.map(stallPlainly).join('') : '<li>No stalls</li>'
  }</ul></article>`;
const grovesPlainly = (): string => `<section>${groves.map(grovePlainly).join('')}</section>`;
const grovesCarefully: Careful = inPieces(
  '<section>',
  groves,
  (before, { name, isOpen, stalls }) => {
    let out =
      before +
      '<article><h2>' +
      escapeText(name) +
      (isOpen ? '</h2><b>open</b><ul>' : '</h2><i>closed</i><ul>');
    for (let at = 0; at < stalls.length; at++) {
      const { name: stall, tags } = stalls[at] as Grove['stalls'][number];
      out += '<li>' + escapeText(stall);
      if (tags.length > 0) {
        out += '<span>';
        for (let n = 0; n < tags.length; n++) out += '<em>' + escapeText(tags[n] as string) + '</em>';
        out += '</span>';
      }
      out += '</li>';
    }
    if (stalls.length === 0) out += '<li>No stalls</li>';
    return out + '</ul></article>';
  },
  '</section>',
);

// (g) Constant but for its title.

const StillPage = component('still-page', {
  props: { title: prop.text() },
  template: ({ props }) =>
    el.main(
      el.h1(props.title),
      thousand.slice(0, 200).map((row) => VarietyCard({ title: row.name, crates: 3 }, el.p(row.taste))),
    ),
});
const stillPlainly = (): string =>
  `<main><h1>${escapeText('Still & quiet')}</h1>${thousand
    .slice(0, 200)
    .map((row) => card({ title: row.name, crates: 3, content: `<p>${escapeText(row.taste)}</p>` }))
    .join('')}</main>`;
const stillRest = stillPlainly().slice('<main><h1>Still &amp; quiet'.length);
const stillCarefully: Careful = (to) => to.take(`<main><h1>${escapeText('Still & quiet')}${stillRest}`);

// (h) Components that choose their element, and presets of them.

const TextLine = component('text-line', {
  props: { tag: prop.tag(['p', 'h2', 'h3', 'span']), tone: prop.choice(['calm', 'loud']).fallback('calm') },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) =>
    el.of(props.tag, { class: ['line', props.tone], ...accepted }, slots.default()),
});
const Heading = preset(TextLine, { tone: 'loud' });
const Small = preset(el.small, { class: 'small' });

const LineList = component('line-list', {
  props: { rows: prop.list<Row>() },
  template: ({ props }) =>
    el.div(
      eachOf(props.rows, (row) => [
        Heading({ tag: 'h3', class: 'top', title: row.name }, row.name),
        TextLine({ tag: 'p' }, [row.taste, ' ', Small(row.crates)]),
        TextLine({ tone: calc(row.rare, (rare) => (rare ? 'loud' : 'calm')) }, row.season),
      ]),
    ),
});
const line = (tag: string, tone: string, more: string, content: string, className = ''): string =>
  `<${tag} class="line ${tone}${className === '' ? '' : ` ${className}`}"${more}>${content}</${tag}>`;
const linesPlainly = (): string =>
  `<div>${thousand
    .map(
      (row) =>
        line('h3', 'loud', ` title="${escapeAttribute(row.name)}"`, escapeText(row.name), 'top') +
        line('p', 'calm', '', `${escapeText(row.taste)} <small class="small">${row.crates}</small>`) +
        line('p', row.rare ? 'loud' : 'calm', '', escapeText(row.season)),
    )
    .join('')}</div>`;
const linesCarefully: Careful = inPieces(
  '<div>',
  thousand,
  (out, { name, taste, crates, rare, season }) => {
    const isSafe = !unsafe.test(name);
    const text = isSafe ? name : escapeText(name);
    return (
      out +
      '<h3 class="line loud top" title="' +
      (isSafe ? name : quotes(text)) +
      '">' +
      text +
      '</h3><p class="line calm">' +
      escapeText(taste) +
      ' <small class="small">' +
      crates +
      (rare ? '</small></p><p class="line loud">' : '</small></p><p class="line calm">') +
      season +
      '</p>'
    );
  },
  '</div>',
);

// (i) The open day of the orchard, a whole document.

const openDay = {
  title: 'Open day at Ninefold Orchard',
  lang: 'en',
  styles: 'body { margin: 0 }',
};
const renderPageBytes: typeof html.renderPageBytes =
  html.renderPageBytes ?? ((...given) => Buffer.from(html.renderPage(...given)));
/** The head of the document is the same for both: doctype, title, rules. */
let head: string | undefined;
const openDayHead = (): string => {
  head ??= /^[\s\S]*<body>\n/.exec(html.renderPage(fair(), openDay))?.[0] ?? '';
  return head;
};
const openDayEnd = '\n</body>\n</html>\n';
const fair = (): ReturnType<typeof FairPage> => FairPage(fairData as never);

// (j) The cards, written as HTML text.

const MarkupCard = component('markup-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    rare: prop.flag(),
  },
  slots: { default: slot(), badge: slot() },
  template: `<article class="variety {{ season }} {{ crates == 0 and 'sold-out' }}"><header><slot name="badge"><small>no badge</small></slot><h3 title="{{ title }}">{{ title }}</h3></header><slot></slot><template given="rare"><p>Only a few trees</p></template><template otherwise><p>{{ crates }} crates left</p></template></article>`,
});
const MarkupPage = component('markup-page', {
  props: { rows: prop.list<Row>() },
  uses: [MarkupCard],
  template: `<main><template each-of="rows" as="row"><markup-card title="{{ row.name }}" season="{{ row.season }}" crates="{{ row.crates }}" rare="{{ row.rare }}"><b slot="badge">{{ row.season }}</b><p>{{ row.taste }}</p></markup-card></template></main>`,
});

// (k) Uses built inline, one a call.

const spots = (content: boolean) => (): string => {
  let html = '';
  for (const row of thousand)
    html += content
      ? renderHtml(
          VarietyCard(
            { title: row.name, season: row.season, crates: row.crates, rare: row.rare },
            { badge: el.b(row.season), default: el.p(row.taste) },
          ),
        )
      : renderHtml(VarietyCard({ title: row.name, season: row.season, crates: row.crates, rare: row.rare }));
  return html;
};
const spotsPlainly = (content: boolean) => (): string => {
  let html = '';
  for (const row of thousand)
    html += card({
      title: row.name,
      season: row.season,
      crates: row.crates,
      rare: row.rare,
      ...(content && {
        badge: `<b>${escapeText(row.season)}</b>`,
        content: `<p>${escapeText(row.taste)}</p>`,
      }),
    });
  return html;
};
const spotsCarefully = (content: boolean): Careful =>
  inPieces(
    '',
    thousand,
    content
      ? cardCarefully
      : (out, { name, season, crates, rare }) => {
          const isSafe = !unsafe.test(name);
          const text = isSafe ? name : escapeText(name);
          return (
            out +
            '<article class="variety ' +
            season +
            (crates === 0 ? ' sold-out"><header>' : '"><header>') +
            '<small>no badge</small><h3 title="' +
            (isSafe ? name : quotes(text)) +
            '">' +
            text +
            '</h3></header>' +
            (rare ? '<p>Only a few trees</p></article>' : '<p>' + crates + ' crates left</p></article>')
          );
        },
    '',
  );

// (l) A component inside itself.

const BranchList = component('branch-list', {
  props: { branch: prop.record<Branch>() },
  template: ({ props }): ReturnType<typeof el.li> =>
    el.li(
      props.branch.name,
      el.b(props.branch.fruit),
      given(
        props.branch.branches.length,
        el.ul(eachOf(props.branch.branches, (inner) => BranchList({ branch: inner }))),
      ),
    ),
});
const trunk = branch(6);
const branchPlainly = ({ name, fruit, branches }: Branch): string =>
  `<li>${escapeText(name)}<b>${fruit}</b>${branches.length > 0 ? `<ul>${branches.map(branchPlainly).join('')}</ul>` : ''}</li>`;
const branchInto = (before: string, { name, fruit, branches }: Branch): string => {
  let out = before + '<li>' + escapeText(name) + '<b>' + fruit;
  if (branches.length === 0) return out + '</b></li>';
  out += '</b><ul>';
  for (let at = 0; at < branches.length; at++) out = branchInto(out, branches[at] as Branch);
  return out + '</ul></li>';
};

// (m) Components that stay elements.

const TapCount = component('tap-count', {
  props: { label: prop.text(), start: prop.number().fallback(0) },
  state: ({ start }) => ({ count: start }),
  handlers: { add: ({ state }) => ({ count: state.count + 1 }) },
  template: ({ props, state, handlers }) =>
    el.button({ on: { click: handlers.add() } }, props.label, ' ', el.b(state.count)),
});
const TapPage = component('tap-page', {
  props: { rows: prop.list<Row>() },
  template: ({ props }) =>
    el.main(eachOf(props.rows, (row) => TapCount({ label: row.name, start: row.crates }))),
});
const tap = (label: string, start: number): string =>
  `<tap-count label="${escapeAttribute(label)}"${start === 0 ? '' : ` start="${start}"`}><template shadowrootmode="open"><button><!--(-->${escapeText(label)}<!--)--> <b>${start}</b></button></template></tap-count>`;
const tapsPlainly = (): string => `<main>${thousand.map((row) => tap(row.name, row.crates)).join('')}</main>`;
const tapsCarefully: Careful = inPieces(
  '<main>',
  thousand,
  (out, { name, crates }) => {
    const isSafe = !unsafe.test(name);
    const text = isSafe ? name : escapeText(name);
    return (
      out +
      '<tap-count label="' +
      (isSafe ? name : quotes(text)) +
      (crates === 0 ? '"' : `" start="${crates}"`) +
      '><template shadowrootmode="open"><button><!--(-->' +
      text +
      '<!--)--> <b>' +
      crates +
      '</b></button></template></tap-count>'
    );
  },
  '</main>',
);

// (n) One character above U+00FF.

const wide = rowsOf(1_000).map((row, at) => (at === 500 ? { ...row, taste: 'Thin skin — sharp.' } : row));

const page = <Props>(Page: unknown, props: Props): { text: () => string; bytes: () => Uint8Array } => {
  const [text, bytes] = [renderHtml, renderBytes] as unknown as readonly [
    (page: unknown, props: Props) => string,
    (page: unknown, props: Props) => Uint8Array,
  ];
  return { text: () => text(Page, props), bytes: () => bytes(Page, props) };
};

export const scenarios: readonly Scenario[] = [
  cardPage('a', 'cards with two slots', thousand, CardPage),
  scenario(
    { key: 'b', name: 'a table of 1,000 rows by 10', units: 1_000, unit: 'row' },
    page(CrateTable, { rows: cells }),
    tablePlainly,
    tableCarefully,
  ),
  scenario(
    { key: 'c', name: 'components 12 deep', units: 500, unit: 'nest' },
    page(NestedBoxes, { labels }),
    boxesPlainly,
    boxesCarefully,
  ),
  scenario(
    { key: 'd', name: 'a form of 300 fields', units: 300, unit: 'field' },
    page(ShiftForm, { fields }),
    formPlainly,
    formCarefully,
  ),
  scenario(
    { key: 'e', name: 'text with and without escapes', units: 400, unit: 'note' },
    page(NoteList, { notes }),
    notesPlainly,
    notesCarefully,
  ),
  scenario(
    { key: 'f', name: 'conditions, lists in lists', units: 200, unit: 'grove' },
    page(GroveList, { groves }),
    grovesPlainly,
    grovesCarefully,
  ),
  scenario(
    { key: 'g', name: 'constant but for its title', units: 1, unit: 'page' },
    page(StillPage, { title: 'Still & quiet' }),
    stillPlainly,
    stillCarefully,
  ),
  scenario(
    { key: 'h', name: 'chosen elements, presets', units: 1_000, unit: 'row' },
    page(LineList, { rows: thousand }),
    linesPlainly,
    linesCarefully,
  ),
  scenario(
    { key: 'i', name: 'the open day page', units: 1, unit: 'page' },
    { text: () => html.renderPage(fair(), openDay), bytes: () => renderPageBytes(fair(), openDay) },
    () => openDayHead() + openDayByHand(fairData as OpenDay) + openDayEnd,
    (to) => to.take(openDayCarefully(fairData as OpenDay, openDayHead(), to) + openDayEnd),
  ),
  cardPage('j', 'the cards written as HTML text', thousand, MarkupPage as unknown as typeof CardPage),
  scenario(
    { key: 'k', name: 'inline, with content', units: 1_000, unit: 'call' },
    { text: spots(true) },
    spotsPlainly(true),
    spotsCarefully(true),
  ),
  scenario(
    { key: 'k2', name: 'inline, props alone', units: 1_000, unit: 'call' },
    { text: spots(false) },
    spotsPlainly(false),
    spotsCarefully(false),
  ),
  scenario(
    { key: 'l', name: 'a component inside itself', units: 1_093, unit: 'branch' },
    page(BranchList, { branch: trunk }),
    () => branchPlainly(trunk),
    (to) => to.take(branchInto('', trunk)),
  ),
  scenario(
    { key: 'm', name: 'elements that stay', units: 1_000, unit: 'element' },
    {
      text: () => renderHtml(TapPage, { rows: thousand }, { form: 'elements' }),
      bytes: () => renderBytes(TapPage, { rows: thousand }, { form: 'elements' }),
    },
    tapsPlainly,
    tapsCarefully,
  ),
  cardPage('n', 'cards, one character above U+00FF', wide, CardPage),
  scenario(
    { key: 'o', name: 'a form of checked records, styles', units: 100, unit: 'field' },
    page(OfferForm, { offers }),
    offersPlainly,
    offersCarefully,
  ),
  scenario(
    { key: 'p', name: 'inline, attributes', units: 100, unit: 'input' },
    { text: inputsInline },
    inputsPlainly,
    inputsCarefully,
  ),
];
