import { calc, component, el, given, phrase, prop } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' });

/** A page for each guest of a tasting: `lattice batch` writes them all. */
const TicketPage = component('ticket-page', {
  description: 'A ticket for a tasting.',
  props: {
    guest: prop.text(),
    tasting: prop.text(),
    stall: prop.text(),
    starts: prop.date(),
    seat: prop.number().where((seat) => seat > 0, 'is no seat: they count from 1'),
    guests: prop.number().fallback(1),
    waiting: prop.flag(),
  },
  styles: markupFile(import.meta.url, './ticket-page.css'),
  template: ({ props }) =>
    el.main(
      { class: ['ticket', { waiting: props.waiting }] },
      el.p({ class: 'orchard' }, 'Ninefold Orchard · Open day'),
      el.h1(props.tasting),
      el.p(
        { class: 'guest' },
        props.guest,
        given(
          calc(props.guests, (count) => count > 1),
          phrase` and ${calc(props.guests, (count) => count - 1)} more`,
        ),
      ),
      el.dl(
        el.div(
          el.dt('Starts'),
          el.dd(
            el.time(
              { datetime: calc(props.starts, (date) => date.toISOString()) },
              calc(props.starts, (date) => clock.format(date)),
            ),
          ),
        ),
        el.div(el.dt('Where'), el.dd(props.stall)),
        el.div(el.dt('Seat'), el.dd(props.seat)),
      ),
      given(
        props.waiting,
        el.p({ class: 'note' }, 'You are on the waiting list. Come ten minutes early.'),
        el.p({ class: 'note' }, 'Show this page at the stall.'),
      ),
    ),
});

export default TicketPage;
