import { escapeAttribute, escapeText } from 'zesty-lattice/html';
import type { Link, LogEntry, Notice, Shift, Tasting, Variety } from '../../examples/orchard/types.js';

/** What the page of the open day is given. */
export interface OpenDay {
  readonly title: string;
  readonly day: string;
  readonly opens: string;
  readonly closes: string;
  readonly summary: string;
  readonly nav: readonly Link[];
  readonly varieties: readonly Variety[];
  readonly tastings: readonly Tasting[];
  readonly notices: readonly Notice[];
  readonly shifts: readonly Shift[];
  readonly log: readonly LogEntry[];
}

// The page of the open day as most people would write it: a function for each component, template literals in one another.

const longDate = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone: 'UTC' });
const shortDate = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

interface Slice {
  readonly peel?: string;
  readonly flesh?: string;
  readonly size?: number;
  readonly pale?: boolean;
}

const citrusSlice = ({ peel = '#ee7f1d', flesh = '#f9a53f', size = 56, pale = false }: Slice): string =>
  `<svg${pale ? ' class="pale"' : ''} viewBox="0 0 100 100" width="${size}" height="${size}" aria-hidden="true" data-in="citrus-slice"><circle cx="50" cy="50" r="48" fill="${escapeAttribute(peel)}" data-in="citrus-slice"></circle><circle class="pith" cx="50" cy="50" r="41" data-in="citrus-slice"></circle><g fill="${escapeAttribute(flesh)}" stroke="${escapeAttribute(flesh)}" stroke-width="2.5" stroke-linejoin="round" data-in="citrus-slice">${[
    0, 1, 2, 3, 4, 5, 6, 7, 8,
  ]
    .map(
      (n) =>
        `<path d="M50 43 L41.2 15.6 A35.5 35.5 0 0 1 58.8 15.6 Z" transform="rotate(${n * 40} 50 50)" data-in="citrus-slice"></path>`,
    )
    .join('')}</g></svg>`;

const seasonTag = (season: string): string =>
  `<span class="${escapeAttribute(season)}" data-in="season-tag">${season === 'early' ? 'Early' : 'Late'}</span>`;

const priceTag = (cents: number): string =>
  `<data value="${(cents / 100).toFixed(2)}" data-in="price-tag">€ ${(cents / 100).toFixed(2)}<small data-in="price-tag"> a crate</small></data>`;

const varietyCard = (variety: Variety, badge: string, taste: string, actions: string): string =>
  `<article class="variety ${escapeAttribute(variety.season)}${variety.crates === 0 ? ' sold-out' : ''}" data-in="variety-card"><header class="head" data-in="variety-card">${citrusSlice(
    { peel: variety.peel, flesh: variety.flesh, pale: variety.crates === 0 },
  )}<div class="names" data-in="variety-card"><h3 data-in="variety-card">${escapeText(variety.name)}</h3><p class="kind" data-in="variety-card">${escapeText(variety.type)}${
    variety.stall ? ` · ${escapeText(variety.stall)}` : ''
  }</p></div></header><p class="badge" data-in="variety-card">${badge || seasonTag(variety.season)}</p><div class="taste" data-in="variety-card">${
    taste || '<p data-in="variety-card">Not described yet.</p>'
  }</div><p class="facts" data-in="variety-card">${
    variety.crates === 0
      ? '<span class="left" data-in="variety-card">Sold out</span>'
      : variety.rare
        ? '<span class="few" data-in="variety-card">Only a few trees</span>'
        : `<span class="left" data-in="variety-card">${variety.crates} crates left</span>`
  }${priceTag(variety.cents)}</p>${actions ? `<footer class="actions" data-in="variety-card">${actions}</footer>` : ''}</article>`;

const varietyList = (varieties: readonly Variety[]): string =>
  `<ul class="u-grid" role="list" data-in="variety-list">${varieties
    .map(
      (variety) =>
        `<li data-in="variety-list">${varietyCard(
          variety,
          variety.badge
            ? `<span class="u-pill u-zest" data-in="variety-list">${escapeText(variety.badge)}</span>`
            : '',
          `<p class="taste" data-in="variety-list">${escapeText(variety.taste)}</p>`,
          variety.tasting
            ? `<a class="u-link" href="#tastings" data-in="variety-list">Taste it at ${escapeText(variety.tasting)}</a>`
            : '',
        )}</li>`,
    )
    .join('')}</ul>`;

const dialogBox = (id: number, opener: string, title: string, content: string, footer: string): string =>
  `<button type="button" class="u-press" popovertarget="dialog-${id}" data-in="dialog-box">${escapeText(opener)}</button><div class="dialog" id="dialog-${id}" popover role="dialog" aria-labelledby="title-${id}" data-in="dialog-box"><h2 id="title-${id}" data-in="dialog-box">${escapeText(title)}</h2>${content}<div class="foot" data-in="dialog-box">${
    footer || '<span data-in="dialog-box"></span>'
  }<button type="button" class="u-press u-quiet-press" popovertarget="dialog-${id}" popovertargetaction="hide" data-in="dialog-box">Close</button></div></div>`;

const sectionBlock = (
  anchor: string,
  title: string,
  intro: string,
  actions: string,
  content: string,
): string =>
  `<section id="${escapeAttribute(anchor)}" data-in="section-block"><header data-in="section-block"><div data-in="section-block"><h2 data-in="section-block">${escapeText(title)}</h2>${
    intro ? `<div class="intro" data-in="section-block">${escapeText(intro)}</div>` : ''
  }</div>${actions ? `<div class="actions" data-in="section-block">${actions}</div>` : ''}</header>${content}</section>`;

const tastingRow = (tasting: Tasting, n: number): string =>
  `<tr${n % 2 === 1 ? ' class="odd"' : ''} data-in="tasting-table"><td class="time" data-in="tasting-table"><time data-in="tasting-table">${escapeText(tasting.time)}</time></td><th scope="row" data-in="tasting-table">${escapeText(tasting.title)}${
    tasting.pours.length > 0
      ? `<div class="pours" data-in="tasting-table">${escapeText(tasting.pours.join(', '))}</div>`
      : ''
  }</th><td data-in="tasting-table">${escapeText(tasting.stall)}<div class="pours" data-in="tasting-table">with ${escapeText(tasting.host)}</div></td><td data-in="tasting-table">${
    tasting.seats > tasting.taken
      ? `<span class="free" data-in="tasting-table">${tasting.seats - tasting.taken} free</span>`
      : '<span class="full" data-in="tasting-table">Full</span>'
  }</td></tr>`;

const tastingTable = (caption: string, tastings: readonly Tasting[]): string =>
  `<div class="scroll" tabindex="0" role="region" aria-label="${escapeAttribute(caption)}" data-in="tasting-table"><table data-in="tasting-table"><caption data-in="tasting-table">${escapeText(caption)}</caption><thead data-in="tasting-table"><tr data-in="tasting-table">${[
    'Time',
    'Tasting',
    'Where',
    'Seats',
  ]
    .map((title) => `<th scope="col" data-in="tasting-table">${title}</th>`)
    .join(
      '',
    )}</tr></thead><tbody data-in="tasting-table">${tastings.map(tastingRow).join('')}</tbody></table></div>`;

const disclosure = (id: number, title: string, open: boolean, content: string): string =>
  `<details${open ? ' open' : ''} data-in="disclosure-panel"><summary id="question-${id}" data-in="disclosure-panel">${escapeText(title)}</summary><div class="answer" id="answer-${id}" role="group" aria-labelledby="question-${id}" data-in="disclosure-panel">${content}</div></details>`;

const sideCard = (title: string, anchor: string, content: string): string =>
  `<section${anchor ? ` id="${escapeAttribute(anchor)}"` : ''} data-in="side-card"><h2 data-in="side-card">${escapeText(title)}</h2>${content}</section>`;

const noticeBox = ({ title, tone, text }: Notice): string =>
  `<article class="notice ${escapeAttribute(tone)}" data-in="notice-box"><h3 data-in="notice-box">${escapeText(title)}</h3><div class="text" data-in="notice-box">${escapeText(text)}</div></article>`;

const shiftRow = ({ time, task, needed, names }: Shift): string => {
  const missing = needed - names.length;
  return `<div class="row" data-in="shift-row"><time class="time" data-in="shift-row">${escapeText(time)}</time><span class="task" data-in="shift-row">${escapeText(task)}</span><span class="who" data-in="shift-row">${escapeText(names.join(', '))}${
    missing > 0 ? `<span class="missing" data-in="shift-row"> ${missing} more needed</span>` : ''
  }</span></div>`;
};

const logEntry = ({ date, grove, text }: LogEntry): string =>
  `<li data-in="grove-log"><div class="when" data-in="grove-log"><time datetime="${escapeAttribute(date)}" data-in="grove-log">${shortDate.format(new Date(date))}</time> · ${escapeText(grove)}</div><p data-in="grove-log">${escapeText(text)}</p></li>`;

const heroBanner = ({ title, day, opens, closes, summary }: OpenDay): string => {
  const date = new Date(day);
  const left = Math.ceil((date.getTime() - Date.now()) / (24 * 60 * 60 * 1000));
  return `<div class="hero" data-in="hero-banner"><div data-in="hero-banner"><h1 data-in="hero-banner">${escapeText(title)}</h1><div class="lead" data-in="hero-banner">${escapeText(summary)}</div><p class="when" data-in="hero-banner"><time datetime="${date.toISOString().slice(0, 10)}" data-in="hero-banner">${longDate.format(date)}</time><span data-in="hero-banner">${escapeText(`${opens} to ${closes}`)}</span>${
    left > 0 ? `<span class="until" data-in="hero-banner">in ${left} days</span>` : ''
  }</p></div><div class="figure" data-in="hero-banner">${citrusSlice({ size: 240 })}</div></div>`;
};

const siteNav = (links: readonly Link[]): string =>
  `<nav aria-label="On this page" data-in="site-nav"><ul data-in="site-nav">${links
    .map(
      ({ href, label }) =>
        `<li data-in="site-nav"><a href="${escapeAttribute(href)}" data-in="site-nav">${escapeText(label)}</a></li>`,
    )
    .join('')}</ul></nav>`;

/** The page's content, of the open day's data. */
export const openDayByHand = (data: OpenDay): string =>
  `<a class="skip" href="#content" data-in="page-shell">Skip to the content</a><header class="top" data-in="page-shell"><div class="wrap bar" data-in="page-shell"><strong data-in="page-shell">Ninefold Orchard</strong>${siteNav(data.nav)}</div><div class="wrap" data-in="page-shell">${heroBanner(data)}</div></header><div class="wrap columns two" data-in="page-shell"><main id="content" tabindex="-1" data-in="page-shell">${sectionBlock(
    'varieties',
    'Varieties',
    `${data.varieties.length} on the stalls today, from sharp to sweet.`,
    dialogBox(
      6,
      'How we price',
      'How we price a crate',
      '<p>A crate holds nine kilos. The price is what the grove asked for this morning.</p><p>Bring a crate back and we take forty cents off the next one.</p>',
      '<small class="u-quiet">Prices hold until closing.</small>',
    ),
    varietyList(data.varieties),
  )}${sectionBlock(
    'tastings',
    'Tastings',
    'Every half hour or so, twenty seats at most.',
    dialogBox(
      9,
      'Save a seat',
      'Save a seat',
      '<p>Tell the person at the gate barn which tasting you want. Seats are held until it starts.</p>',
      '',
    ),
    tastingTable('Tastings through the day', data.tastings),
  )}${sectionBlock(
    'good-to-know',
    'Good to know',
    '',
    '',
    `<div>${disclosure(11, 'How do I get there?', true, 'Follow the yellow posts from the upper field. The walk is ten minutes, and flat.')}${disclosure(12, 'May I bring a dog?', false, 'Yes, on a lead, and not into the press house.')}${disclosure(13, 'What if it rains?', false, 'The long table moves into the gate barn. <strong>Nothing is called off.</strong>')}</div>`,
  )}</main><aside aria-label="Today" data-in="page-shell">${sideCard('Notices', '', `<div class="u-stack">${data.notices.map(noticeBox).join('')}</div>`)}${sideCard(
    'Helpers’ shifts',
    'helpers',
    `<ul data-in="shift-list">${data.shifts.map((shift) => `<li data-in="shift-list">${shiftRow(shift)}</li>`).join('')}</ul>`,
  )}${sideCard('Grove log', '', `<ol data-in="grove-log">${data.log.map(logEntry).join('')}</ol>`)}</aside></div><footer class="foot" data-in="page-shell"><div class="wrap" data-in="page-shell"><p>Ninefold Orchard is a co-operative of nine groves. Made-up fruit, honestly described.</p></div></footer>`;
