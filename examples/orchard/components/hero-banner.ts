import { calc, component, el, given, phrase, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

const longDate = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone: 'UTC' });
const day = 24 * 60 * 60 * 1000;

export const HeroBanner = component('hero-banner', {
  description: 'The top of the page: what, when, and how long until then.',
  props: { title: prop.text(), date: prop.date(), hours: prop.text() },
  slots: { default: slot.required(), figure: slot() },
  styles: markupFile(import.meta.url, './hero-banner.css'),
  template: ({ props, slots }) => {
    const daysLeft = calc(
      props.date,
      calc(() => Date.now()),
      (date, now) => Math.ceil((date.getTime() - now) / day),
    );
    return el.div(
      { class: 'hero' },
      el.div(
        el.h1(props.title),
        el.div({ class: 'lead' }, slots.default()),
        el.p(
          { class: 'when' },
          el.time(
            { datetime: calc(props.date, (date) => date.toISOString().slice(0, 10)) },
            calc(props.date, (date) => longDate.format(date)),
          ),
          el.span(props.hours),
          given(
            calc(daysLeft, (left) => left > 0),
            el.span({ class: 'until' }, phrase`in ${daysLeft} days`),
          ),
        ),
      ),
      given(slots.figure.filled, el.div({ class: 'figure' }, slots.figure())),
    );
  },
});
