import { escapeAttribute, escapeText } from 'zesty-lattice/html';
import type { LogEntry, Notice, Shift, Tasting, Variety } from '../../examples/orchard/types.js';
import { type OpenDay, openDayByHand } from './orchard-by-hand.js';
import type { Pieces } from './scenario.js';

// The page of the open day as well as we know: one text that grows, constants made once, sums of whole rows, what is
// ready passed on every 16 KB.

const longDate = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone: 'UTC' });
const shortDate = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

const paths = Array.from(
  { length: 9 },
  (_none, n) =>
    `<path d="M50 43 L41.2 15.6 A35.5 35.5 0 0 1 58.8 15.6 Z" transform="rotate(${n * 40} 50 50)" data-in="citrus-slice"></path>`,
).join('');

const slice = (out: string, opened: string, peel: string, flesh: string): string => {
  const filled = escapeAttribute(flesh);
  return (
    out +
    opened +
    escapeAttribute(peel) +
    '" data-in="citrus-slice"></circle><circle class="pith" cx="50" cy="50" r="41" data-in="citrus-slice"></circle><g fill="' +
    filled +
    '" stroke="' +
    filled +
    '" stroke-width="2.5" stroke-linejoin="round" data-in="citrus-slice">' +
    paths +
    '</g></svg>'
  );
};

const sliceOf = (pale: boolean, size: number): string =>
  `<svg${pale ? ' class="pale"' : ''} viewBox="0 0 100 100" width="${size}" height="${size}" aria-hidden="true" data-in="citrus-slice"><circle cx="50" cy="50" r="48" fill="`;
const fullSlice = sliceOf(false, 56);
const paleSlice = sliceOf(true, 56);
const heroSlice = sliceOf(false, 240);

const early =
  '<p class="badge" data-in="variety-card"><span class="early" data-in="season-tag">Early</span></p><div class="taste" data-in="variety-card"><p class="taste" data-in="variety-list">';
const late =
  '<p class="badge" data-in="variety-card"><span class="late" data-in="season-tag">Late</span></p><div class="taste" data-in="variety-card"><p class="taste" data-in="variety-list">';

const varietyRow = (before: string, variety: Variety): string => {
  const { badge, cents, crates, name, season, stall, tasting, type } = variety;
  const isGone = crates === 0;
  const price = (cents / 100).toFixed(2);
  const out = slice(
    before +
      '<li data-in="variety-list"><article class="variety ' +
      season +
      (isGone
        ? ' sold-out" data-in="variety-card"><header class="head" data-in="variety-card">'
        : '" data-in="variety-card"><header class="head" data-in="variety-card">'),
    isGone ? paleSlice : fullSlice,
    variety.peel,
    variety.flesh,
  );
  return (
    out +
    '<div class="names" data-in="variety-card"><h3 data-in="variety-card">' +
    escapeText(name) +
    '</h3><p class="kind" data-in="variety-card">' +
    escapeText(type) +
    (stall ? ' · ' + escapeText(stall) + '</p></div></header>' : '</p></div></header>') +
    (badge
      ? '<p class="badge" data-in="variety-card"><span class="u-pill u-zest" data-in="variety-list">' +
        escapeText(badge) +
        '</span></p><div class="taste" data-in="variety-card"><p class="taste" data-in="variety-list">'
      : season === 'early'
        ? early
        : late) +
    escapeText(variety.taste) +
    (isGone
      ? '</p></div><p class="facts" data-in="variety-card"><span class="left" data-in="variety-card">Sold out</span><data value="'
      : variety.rare
        ? '</p></div><p class="facts" data-in="variety-card"><span class="few" data-in="variety-card">Only a few trees</span><data value="'
        : '</p></div><p class="facts" data-in="variety-card"><span class="left" data-in="variety-card">' +
          crates +
          ' crates left</span><data value="') +
    price +
    '" data-in="price-tag">€ ' +
    price +
    '<small data-in="price-tag"> a crate</small></data></p>' +
    (tasting
      ? '<footer class="actions" data-in="variety-card"><a class="u-link" href="#tastings" data-in="variety-list">Taste it at ' +
        escapeText(tasting) +
        '</a></footer></article></li>'
      : '</article></li>')
  );
};

const tastingRow = (
  out: string,
  { host, pours, seats, stall, taken, time, title }: Tasting,
  n: number,
): string =>
  out +
  (n % 2 === 1
    ? '<tr class="odd" data-in="tasting-table"><td class="time" data-in="tasting-table"><time data-in="tasting-table">'
    : '<tr data-in="tasting-table"><td class="time" data-in="tasting-table"><time data-in="tasting-table">') +
  escapeText(time) +
  '</time></td><th scope="row" data-in="tasting-table">' +
  escapeText(title) +
  (pours.length > 0
    ? '<div class="pours" data-in="tasting-table">' +
      escapeText(pours.join(', ')) +
      '</div></th><td data-in="tasting-table">'
    : '</th><td data-in="tasting-table">') +
  escapeText(stall) +
  '<div class="pours" data-in="tasting-table">with ' +
  escapeText(host) +
  (seats > taken
    ? '</div></td><td data-in="tasting-table"><span class="free" data-in="tasting-table">' +
      (seats - taken) +
      ' free</span></td></tr>'
    : '</div></td><td data-in="tasting-table"><span class="full" data-in="tasting-table">Full</span></td></tr>');

const noticeBox = (out: string, { text, title, tone }: Notice): string =>
  out +
  '<article class="notice ' +
  escapeAttribute(tone) +
  '" data-in="notice-box"><h3 data-in="notice-box">' +
  escapeText(title) +
  '</h3><div class="text" data-in="notice-box">' +
  escapeText(text) +
  '</div></article>';

const shiftRow = (out: string, { names, needed, task, time }: Shift): string => {
  const missing = needed - names.length;
  return (
    out +
    '<li data-in="shift-list"><div class="row" data-in="shift-row"><time class="time" data-in="shift-row">' +
    escapeText(time) +
    '</time><span class="task" data-in="shift-row">' +
    escapeText(task) +
    '</span><span class="who" data-in="shift-row">' +
    escapeText(names.join(', ')) +
    (missing > 0
      ? '<span class="missing" data-in="shift-row"> ' + missing + ' more needed</span></span></div></li>'
      : '</span></div></li>')
  );
};

const logRow = (out: string, { date, grove, text }: LogEntry): string =>
  out +
  '<li data-in="grove-log"><div class="when" data-in="grove-log"><time datetime="' +
  escapeAttribute(date) +
  '" data-in="grove-log">' +
  shortDate.format(new Date(date)) +
  '</time> · ' +
  escapeText(grove) +
  '</div><p data-in="grove-log">' +
  escapeText(text) +
  '</p></li>';

const hero = (before: string, { closes, day, opens, summary, title }: OpenDay): string => {
  const date = new Date(day);
  const left = Math.ceil((date.getTime() - Date.now()) / 86_400_000);
  const out =
    before +
    '<div class="hero" data-in="hero-banner"><div data-in="hero-banner"><h1 data-in="hero-banner">' +
    escapeText(title) +
    '</h1><div class="lead" data-in="hero-banner">' +
    escapeText(summary) +
    '</div><p class="when" data-in="hero-banner"><time datetime="' +
    date.toISOString().slice(0, 10) +
    '" data-in="hero-banner">' +
    longDate.format(date) +
    '</time><span data-in="hero-banner">' +
    escapeText(opens) +
    ' to ' +
    escapeText(closes) +
    (left > 0
      ? '</span><span class="until" data-in="hero-banner">in ' +
        left +
        ' days</span></p></div><div class="figure" data-in="hero-banner">'
      : '</span></p></div><div class="figure" data-in="hero-banner">');
  return slice(out, heroSlice, '#ee7f1d', '#f9a53f') + '</div></div></div></header>';
};

/** What never changes, cut out of a page of nothing. */
let rest = openDayByHand({
  title: '',
  day: '2000-01-01',
  opens: '',
  closes: '',
  summary: '',
  nav: [],
  varieties: [],
  tastings: [],
  notices: [],
  shifts: [],
  log: [],
});
const upTo = (mark: string, more = ''): string => {
  const at = rest.indexOf(mark) + more.length;
  const part = rest.slice(0, at);
  rest = rest.slice(at);
  return part;
};
const through = (mark: string): string => upTo(mark, mark);
const beforeLinks = through('<ul data-in="site-nav">');
const beforeHero = upTo('<div class="hero"');
upTo('<div class="wrap columns');
const beforeCount = upTo('0 on the stalls');
rest = rest.slice(1);
const beforeVarieties = through('<ul class="u-grid" role="list" data-in="variety-list">');
const beforeTastings = through('<tbody data-in="tasting-table">');
const beforeNotices = through('<div class="u-stack">');
const beforeShifts = through('<ul data-in="shift-list">');
const beforeLog = through('<ol data-in="grove-log">');
const last = rest;

/** Writes the page's content behind what is there already; gives what is still to be taken. */
export function openDayCarefully(data: OpenDay, head: string, to: Pieces): string {
  let out = head + beforeLinks;
  const ready = (): void => {
    if (out.length <= 16_384) return;
    to.take(out);
    out = '';
  };
  for (const { href, label } of data.nav)
    out +=
      '<li data-in="site-nav"><a href="' +
      escapeAttribute(href) +
      '" data-in="site-nav">' +
      escapeText(label) +
      '</a></li>';
  out = hero(out + beforeHero, data) + beforeCount + data.varieties.length + beforeVarieties;
  for (const one of data.varieties) {
    out = varietyRow(out, one);
    ready();
  }
  out += beforeTastings;
  for (let at = 0; at < data.tastings.length; at++) {
    out = tastingRow(out, data.tastings[at] as Tasting, at);
    ready();
  }
  out += beforeNotices;
  for (const one of data.notices) out = noticeBox(out, one);
  out += beforeShifts;
  for (const one of data.shifts) {
    out = shiftRow(out, one);
    ready();
  }
  out += beforeLog;
  for (const one of data.log) {
    out = logRow(out, one);
    ready();
  }
  return out + last;
}
