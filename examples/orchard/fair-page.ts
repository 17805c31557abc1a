import { calc, component, eachOf, el, phrase, prop } from 'zesty-lattice';
import { CitrusSlice } from './components/citrus-slice.js';
import { DialogBox } from './components/dialog-box.js';
import { DisclosurePanel } from './components/disclosure-panel.js';
import { GroveLog } from './components/grove-log.js';
import { HeroBanner } from './components/hero-banner.js';
import { NoticeBox } from './components/notice-box.js';
import { PageShell } from './components/page-shell.js';
import { SectionBlock } from './components/section-block.js';
import { ShiftList } from './components/shift-list.js';
import { SideCard } from './components/side-card.js';
import { SiteNav } from './components/site-nav.js';
import { TastingTable } from './components/tasting-table.js';
import { VarietyList } from './components/variety-list.js';
import type { Link, LogEntry, Notice, Shift, Tasting, Variety } from './types.js';
import { small, stack } from './vocabulary.js';

export const FairPage = component('fair-page', {
  description: 'The open day of Ninefold Orchard on one page.',
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
  template: ({ props }) =>
    PageShell(
      {},
      {
        navigation: SiteNav({ links: props.nav }),
        header: HeroBanner(
          {
            title: props.title,
            date: calc(props.day, (day) => new Date(day)),
            hours: phrase`${props.opens} to ${props.closes}`,
          },
          { default: props.summary, figure: CitrusSlice({ size: 240 }) },
        ),
        main: [
          SectionBlock(
            { anchor: 'varieties', title: 'Varieties' },
            {
              intro: phrase`${props.varieties.length} on the stalls today, from sharp to sweet.`,
              actions: DialogBox(
                { opener: 'How we price', title: 'How we price a crate' },
                {
                  default: [
                    el.p('A crate holds nine kilos. The price is what the grove asked for this morning.'),
                    el.p('Bring a crate back and we take forty cents off the next one.'),
                  ],
                  footer: small('Prices hold until closing.'),
                },
              ),
              default: VarietyList({ items: props.varieties }),
            },
          ),
          SectionBlock(
            { anchor: 'tastings', title: 'Tastings' },
            {
              intro: 'Every half hour or so, twenty seats at most.',
              actions: DialogBox(
                { opener: 'Save a seat', title: 'Save a seat' },
                el.p(
                  'Tell the person at the gate barn which tasting you want. Seats are held until it starts.',
                ),
              ),
              default: TastingTable({ caption: 'Tastings through the day', tastings: props.tastings }),
            },
          ),
          SectionBlock(
            { anchor: 'good-to-know', title: 'Good to know' },
            el.div(
              DisclosurePanel(
                { title: 'How do I get there?', open: true },
                'Follow the yellow posts from the upper field. The walk is ten minutes, and flat.',
              ),
              DisclosurePanel(
                { title: 'May I bring a dog?' },
                'Yes, on a lead, and not into the press house.',
              ),
              DisclosurePanel({ title: 'What if it rains?' }, [
                'The long table moves into the gate barn. ',
                el.strong('Nothing is called off.'),
              ]),
            ),
          ),
        ],
        aside: [
          SideCard(
            { title: 'Notices' },
            stack(
              eachOf(props.notices, (notice) =>
                NoticeBox({ title: notice.title, tone: notice.tone }, notice.text),
              ),
            ),
          ),
          SideCard({ title: 'Helpers’ shifts', anchor: 'helpers' }, ShiftList({ shifts: props.shifts })),
          SideCard({ title: 'Grove log' }, GroveLog({ entries: props.log })),
        ],
        footer: el.p('Ninefold Orchard is a co-operative of nine groves. Made-up fruit, honestly described.'),
      },
    ),
});

export default FairPage;
