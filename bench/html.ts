// npm run bench: HTML text against the same pages written by hand, in one run, interleaved, byte for byte the same.
import { calc, component, eachOf, el, given, phrase, prop, slot } from 'zesty-lattice';
import { escapeAttribute, escapeText, renderHtml } from 'zesty-lattice/html';
import { compare } from './compare.js';

interface Row {
  readonly name: string;
  readonly season: 'early' | 'late';
  readonly crates: number;
  readonly rare: boolean;
  readonly taste: string;
}

const tastes = ['Thin skin, sharp.', 'Sweet & mild', 'Bitter peel, honeyed flesh', 'Bright as a bell'];
const rowsOf = (count: number): Row[] =>
  Array.from({ length: count }, (_, n) => ({
    name: `Variety ${n}`,
    season: n % 3 === 0 ? 'late' : 'early',
    crates: (n * 7) % 31,
    rare: n % 11 === 0,
    taste: tastes[n % 4] ?? '',
  }));

const VarietyCard = component('variety-card', {
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

const CardPage = component('card-page', {
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

const cardByHand = ({
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

const pageByHand = (rows: readonly Row[]): string => {
  let cards = '';
  for (const row of rows) {
    cards += cardByHand({
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

/** Text built of many parts is a rope; reading one place of it lays it out flat, which is part of the work. */
const flat = (html: string): string => {
  html.charCodeAt(html.length >> 1);
  return html;
};

console.log(
  'HTML text: time against hand-written template literals with the same escaping (1.00 is the same)\n',
);
for (const count of [10, 100, 1_000, 10_000, 100_000, 1_000_000]) {
  const rows = rowsOf(count);
  compare(`page of cards, ${count.toLocaleString('en')} rows`, count, {
    ours: () => flat(renderHtml(CardPage, { rows })),
    byHand: () => flat(pageByHand(rows)),
  });
}

const thousand = rowsOf(1_000);
compare('1,000 cards, each a use built and rendered on the spot', 1_000, {
  ours: () => {
    let html = '';
    for (const row of thousand) {
      html += renderHtml(
        VarietyCard(
          { title: row.name, season: row.season, crates: row.crates, rare: row.rare },
          { badge: el.b(row.season), default: el.p(row.taste) },
        ),
      );
    }
    return flat(html);
  },
  byHand: () => flat(pageByHand(thousand).slice('<main>'.length, -'</main>'.length)),
});

const StillPage = component('still-page', {
  template: () =>
    el.main(thousand.map((row) => VarietyCard({ title: row.name, crates: 3 }, el.p(row.taste)))),
});
const still = renderHtml(StillPage);
compare('page of constants, 1,000 cards, against its own string', 1_000, {
  ours: () => renderHtml(StillPage),
  byHand: () => still,
});

const spot = (calls: number): void => {
  for (let call = 0; call < calls; call++) {
    renderHtml(VarietyCard({ title: `Variety ${call}`, crates: call % 9 }, el.p('Text')));
  }
};
// The pages measured above are let go of first; what is left then is what these calls leave.
spot(100_000);
await new Promise((done) => setTimeout(done, 100));
const before = memory();
spot(1_000_000);
const growth = memory() - before;
console.log(
  `\n1,000,000 uses built and rendered on the spot: the heap grew by ${(growth / 1024 / 1024).toFixed(2)} MiB`,
);

function memory(): number {
  globalThis.gc?.();
  return process.memoryUsage().heapUsed;
}
