import { calc, component, eachOf, el, given, prop, slot } from 'zesty-lattice';
import { mail } from 'zesty-lattice/mail';
import { markupFile } from 'zesty-lattice/markup';
import type { Tasting, Variety } from '../types.js';
import { layout, MailColumns, MailPreheader, row } from './mail-parts.js';

/** A block of the mail: mail programs lay out tables alone. */
const NewsBlock = component('news-block', {
  description: 'One block of the newsletter, with its heading.',
  props: { heading: prop.text() },
  slots: { default: slot.required() },
  styles: markupFile(import.meta.url, './newsletter.css'),
  template: ({ props, slots }) =>
    mail.table(
      { ...layout, width: '100%', class: 'block' },
      row(mail.td({ class: 'inside', valign: 'top' }, el.h2(props.heading), slots.default())),
    ),
});

const Newsletter = component('orchard-news', {
  description: 'News from Ninefold Orchard',
  props: {
    lead: prop.text(),
    site: prop.url(),
    varieties: prop.list<Variety>(),
    tastings: prop.list<Tasting>(),
    /** Which way the text runs: mail programs keep nothing of the document around it. */
    dir: prop.choice(['ltr', 'rtl']).fallback('ltr'),
  },
  styles: markupFile(import.meta.url, './newsletter.css'),
  template: ({ props }) =>
    mail.table(
      { ...layout, width: '100%', bgcolor: '#f2ecdc', class: 'around', dir: props.dir },
      row(
        mail.td(
          { align: 'center', class: 'pad' },
          MailPreheader({ text: props.lead }),
          mail.table(
            { ...layout, width: 600, bgcolor: '#fffdf6', class: 'sheet' },
            row(
              mail.td(
                { class: 'head', bgcolor: '#23381f' },
                el.p({ class: 'from' }, 'Ninefold Orchard'),
                el.h1('The open day is near'),
              ),
            ),
            row(
              mail.td(
                { class: 'body' },
                el.p({ class: 'lead' }, props.lead),
                NewsBlock(
                  { heading: 'New on the stalls' },
                  mail.table(
                    { ...layout, width: '100%' },
                    mail.tbody(
                      eachOf(props.varieties, (variety) =>
                        mail.tr(
                          mail.td(
                            { width: 44, valign: 'top' },
                            el.div(
                              { class: 'dot', 'aria-hidden': true, style: { background: variety.peel } },
                              calc(variety.name, (name) => name.slice(0, 1)),
                            ),
                          ),
                          mail.td(
                            { class: 'line' },
                            el.b(variety.name),
                            ' · ',
                            variety.type,
                            given(variety.rare, el.span({ class: 'rare' }, ' a few trees only')),
                            el.br(),
                            variety.taste,
                          ),
                        ),
                      ),
                    ),
                  ),
                ),
                NewsBlock(
                  { heading: 'Tastings' },
                  el.ul(
                    eachOf(props.tastings, (tasting) =>
                      el.li(el.b(tasting.time), ' ', tasting.title, ', ', tasting.stall),
                    ),
                  ),
                ),
                MailColumns(
                  {},
                  {
                    first: [
                      el.h3('Getting there'),
                      el.p({ class: 'note' }, 'The weir path is open, carts go to the Gate barn.'),
                    ],
                    second: [
                      el.h3('Lending a hand'),
                      el.p({ class: 'note' }, 'Shifts of two hours, with lunch at the long table.'),
                    ],
                  },
                ),
                el.p({ class: 'go' }, el.a({ class: 'button', href: props.site }, 'See the whole day')),
              ),
            ),
            row(mail.td({ class: 'foot', align: 'center' }, 'Ninefold Orchard co-operative, Weir Lane')),
          ),
        ),
      ),
    ),
});

export default Newsletter;
