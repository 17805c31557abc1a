import { component, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { Link, LogEntry, Notice, Shift, Tasting, Variety } from '../types.js';

// The open day's page with every template written in HTML; the rules are those of the components beside it.

const html = (name: string) => markupFile(import.meta.url, `./${name}.html`);
const rules = (name: string) => markupFile(import.meta.url, `../components/${name}.css`);
const date = (options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
const shortDate = date({ day: 'numeric', month: 'short' });
const longDate = date({ dateStyle: 'full' });
const list = (words: readonly string[]): string => words.join(', ');
const joinLines = true;

export const CitrusSlice = component('citrus-slice', {
  joinLines,
  props: {
    peel: prop.text().fallback('#ee7f1d'),
    flesh: prop.text().fallback('#f9a53f'),
    size: prop.number().fallback(56),
    pale: prop.flag(),
  },
  styles: rules('citrus-slice'),
  template: html('citrus-slice'),
});

export const DialogBox = component('dialog-box', {
  joinLines,
  props: { opener: prop.text(), title: prop.text() },
  slots: { default: slot.required(), footer: slot() },
  styles: rules('dialog-box'),
  template: html('dialog-box'),
});

export const DisclosurePanel = component('disclosure-panel', {
  joinLines,
  props: { title: prop.text(), open: prop.flag() },
  slots: { default: slot.required() },
  styles: rules('disclosure-panel'),
  template: html('disclosure-panel'),
});

export const GroveLog = component('grove-log', {
  joinLines,
  props: { entries: prop.list<LogEntry>() },
  helpers: { shortDate: (day: string) => shortDate.format(new Date(day)) },
  styles: rules('grove-log'),
  template: html('grove-log'),
});

export const HeroBanner = component('hero-banner', {
  joinLines,
  props: { title: prop.text(), date: prop.date(), hours: prop.text() },
  slots: { default: slot.required(), figure: slot() },
  helpers: {
    isoDate: (day: Date) => day.toISOString().slice(0, 10),
    longDate: (day: Date) => longDate.format(day),
    now: () => Date.now(),
    daysUntil: (day: Date, now: number) => Math.ceil((day.getTime() - now) / 86_400_000),
  },
  styles: rules('hero-banner'),
  template: html('hero-banner'),
});

export const NoticeBox = component('notice-box', {
  joinLines,
  props: { title: prop.text(), tone: prop.choice(['info', 'warning', 'good']).fallback('info') },
  slots: { default: slot.required() },
  styles: rules('notice-box'),
  template: html('notice-box'),
});

export const PageShell = component('page-shell', {
  joinLines,
  slots: {
    header: slot.required(),
    navigation: slot(),
    main: slot.required(),
    aside: slot(),
    footer: slot(),
  },
  styles: rules('page-shell'),
  template: html('page-shell'),
});

export const PriceTag = component('price-tag', {
  props: {
    cents: prop.number().where((cents) => cents >= 0, 'must not be below zero'),
    per: prop.text().fallback('crate'),
  },
  helpers: { euros: (cents: number) => (cents / 100).toFixed(2) },
  styles: rules('price-tag'),
  template: html('price-tag'),
});

export const SeasonTag = component('season-tag', {
  props: { season: prop.choice(['early', 'late']) },
  styles: rules('season-tag'),
  template: html('season-tag'),
});

export const SectionBlock = component('section-block', {
  joinLines,
  props: { anchor: prop.text(), title: prop.text() },
  slots: { default: slot.required(), intro: slot(), actions: slot() },
  styles: rules('section-block'),
  template: html('section-block'),
});

export const ShiftRow = component('shift-row', {
  joinLines,
  props: {
    shift: prop.record({
      time: prop.text(),
      task: prop.text(),
      needed: prop.number(),
      names: prop.list(prop.text()),
    }),
  },
  helpers: { list },
  styles: rules('shift-row'),
  template: html('shift-row'),
});

export const ShiftList = component('shift-list', {
  joinLines,
  props: { shifts: prop.list<Shift>() },
  uses: [ShiftRow],
  styles: rules('shift-list'),
  template: html('shift-list'),
});

export const SideCard = component('side-card', {
  joinLines,
  props: { title: prop.text(), anchor: prop.text().optional() },
  slots: { default: slot.required() },
  styles: rules('side-card'),
  template: html('side-card'),
});

export const SiteNav = component('site-nav', {
  joinLines,
  props: { label: prop.text().fallback('On this page'), links: prop.list<Link>() },
  styles: rules('site-nav'),
  template: html('site-nav'),
});

export const TastingTable = component('tasting-table', {
  joinLines,
  props: { caption: prop.text(), tastings: prop.list<Tasting>() },
  helpers: { list },
  styles: rules('tasting-table'),
  template: html('tasting-table'),
});

export const VarietyCard = component('variety-card', {
  joinLines,
  props: {
    title: prop.text(),
    type: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    cents: prop.number(),
    stall: prop.text().optional(),
    rare: prop.flag(),
    peel: prop.text().optional(),
    flesh: prop.text().optional(),
  },
  slots: { default: slot(), badge: slot(), actions: slot() },
  uses: [CitrusSlice, PriceTag, SeasonTag],
  styles: rules('variety-card'),
  template: html('variety-card'),
});

export const VarietyList = component('variety-list', {
  joinLines,
  props: { items: prop.list<Variety>() },
  uses: [VarietyCard],
  styles: rules('variety-list'),
  template: html('variety-list'),
});

export const FairPage = component('fair-page', {
  joinLines,
  description: 'The open day of Ninefold Orchard on one page, written in HTML.',
  props: {
    title: prop.text(),
    day: prop.text(),
    opens: prop.text(),
    closes: prop.text(),
    summary: prop.text(),
    nav: prop.list<Link>(),
    varieties: prop.list<Variety>(),
    tastings: prop.list<Tasting>(),
    notices: prop.list<Notice>(),
    shifts: prop.list<Shift>(),
    log: prop.list<LogEntry>(),
  },
  helpers: { asDate: (day: string) => new Date(day) },
  uses: [
    CitrusSlice,
    DialogBox,
    DisclosurePanel,
    GroveLog,
    HeroBanner,
    NoticeBox,
    PageShell,
    SectionBlock,
    ShiftList,
    SideCard,
    SiteNav,
    TastingTable,
    VarietyList,
  ],
  template: html('fair-page'),
});

export default FairPage;
