import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { type AnyComponent, el, resolve } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import * as citrus from '../../examples/orchard/components/citrus-slice.js';
import * as dialog from '../../examples/orchard/components/dialog-box.js';
import * as disclosure from '../../examples/orchard/components/disclosure-panel.js';
import * as log from '../../examples/orchard/components/grove-log.js';
import * as hero from '../../examples/orchard/components/hero-banner.js';
import * as notice from '../../examples/orchard/components/notice-box.js';
import * as shell from '../../examples/orchard/components/page-shell.js';
import * as price from '../../examples/orchard/components/price-tag.js';
import * as season from '../../examples/orchard/components/season-tag.js';
import * as section from '../../examples/orchard/components/section-block.js';
import * as shifts from '../../examples/orchard/components/shift-list.js';
import * as side from '../../examples/orchard/components/side-card.js';
import * as nav from '../../examples/orchard/components/site-nav.js';
import * as tastings from '../../examples/orchard/components/tasting-table.js';
import * as card from '../../examples/orchard/components/variety-card.js';
import * as varieties from '../../examples/orchard/components/variety-list.js';
import { FairPage } from '../../examples/orchard/fair-page.js';
import * as inHtml from '../../examples/orchard/in-html/fair-page.js';

const data = JSON.parse(
  readFileSync(new URL('../../examples/orchard/open-day.json', import.meta.url), 'utf8'),
);
const built: Record<string, AnyComponent> = {
  ...citrus,
  ...dialog,
  ...disclosure,
  ...log,
  ...hero,
  ...notice,
  ...shell,
  ...price,
  ...season,
  ...section,
  ...shifts,
  ...side,
  ...nav,
  ...tastings,
  ...card,
  ...varieties,
};
const text = inHtml as unknown as Record<string, AnyComponent>;

type Call = (props: object, content?: unknown) => ReturnType<typeof notice.NoticeBox>;

/** Uses of every component: what they are given, in ways that reach each of their branches. */
const uses: Readonly<Record<string, readonly (readonly [props: object, content?: unknown])[]>> = {
  CitrusSlice: [[{}], [{ pale: true, size: 12, peel: '#123456', flesh: '"<&' }]],
  DialogBox: [
    [{ opener: 'Open', title: 'A & B' }, el.p('x')],
    [
      { opener: 'o', title: 't' },
      { default: 'y', footer: el.b('f') },
    ],
  ],
  DisclosurePanel: [
    [{ title: 'Why?' }, 'So.'],
    [{ title: '<b>', open: true }, [el.i('a'), 'b']],
  ],
  GroveLog: [[{ entries: data.log }], [{ entries: [] }]],
  HeroBanner: [
    [{ title: 'Open day', date: new Date('2999-01-02'), hours: '9 to 5' }, 'Come.'],
    [
      { title: 'Past', date: new Date('2001-01-02'), hours: '' },
      { default: 'x', figure: el.hr() },
    ],
  ],
  NoticeBox: [
    [{ title: 'Rain' }, 'Barn.'],
    [{ title: 'T', tone: 'warning' }, el.p('x')],
  ],
  PageShell: [
    [{}, { header: 'h', main: 'm' }],
    [{}, { header: el.h1('h'), main: 'm', navigation: 'n', aside: 'a', footer: 'f' }],
  ],
  PriceTag: [[{ cents: 0 }], [{ cents: 1234, per: 'kilo' }]],
  SeasonTag: [[{ season: 'early' }], [{ season: 'late' }]],
  SectionBlock: [
    [{ anchor: 'a', title: 'T' }, 'x'],
    [
      { anchor: 'a', title: 'T' },
      { default: 'x', intro: 'i', actions: el.b('y') },
    ],
  ],
  ShiftRow: data.shifts.map((shift: object) => [{ shift }]),
  ShiftList: [[{ shifts: data.shifts }], [{ shifts: [] }]],
  SideCard: [
    [{ title: 'T' }, 'x'],
    [{ title: 'T', anchor: 'here' }, 'x'],
  ],
  SiteNav: [[{ links: data.nav }], [{ links: [], label: 'Elsewhere' }]],
  TastingTable: [[{ caption: 'C', tastings: data.tastings }], [{ caption: 'C', tastings: [] }]],
  VarietyCard: [
    [{ title: 'Dunlight', type: 'mandarin', cents: 900 }],
    [
      { title: 'S', type: 't', cents: 1, crates: 3, rare: true, stall: 'North', season: 'late' },
      { badge: el.b('n'), actions: 'a' },
    ],
    [{ title: 'S', type: 't', cents: 1, crates: 3, peel: '#fff', flesh: '#000' }, el.p('d')],
  ],
  VarietyList: [[{ items: data.varieties }], [{ items: [] }]],
};

describe.each(Object.entries(uses))('%s gives the same, built or written in HTML', (name, cases) => {
  const [Built, Text] = [built[name], text[name]] as unknown as [Call, Call];

  test.each(cases.map((one, index) => [index + 1, ...one] as const))('use %i', (_number, props, content) => {
    for (const options of [{}, { styles: true }, { form: 'elements' as const }]) {
      expect(renderHtml(Text(props, content), options)).toBe(renderHtml(Built(props, content), options));
    }
    const { problems } = resolve(Text(props, content));
    expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});

test('the whole page is the same, byte for byte, and so is its tree', () => {
  const page = (component: AnyComponent): string =>
    renderPage((component as unknown as Call)(data), { title: data.title, lang: 'en' });
  expect(page(inHtml.FairPage)).toBe(page(FairPage));
  const outline = (component: AnyComponent): string[] =>
    [...resolve(component, data).walk()].map(({ path }) => path);
  expect(outline(inHtml.FairPage)).toEqual(outline(FairPage));
});
