import { calc, component, el, given, phrase, prop, slot } from 'zesty-lattice';

const longDate = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeZone: 'UTC' });
const day = 24 * 60 * 60 * 1000;

export const HeroBanner = component('hero-banner', {
  description: 'The top of the page: what, when, and how long until then.',
  props: { title: prop.text(), date: prop.date(), hours: prop.text() },
  slots: { default: slot.required(), figure: slot() },
  styles: `
    .hero { display: flex; align-items: center; justify-content: space-between; gap: 2rem; padding: 2.5rem 0 2.25rem }
    h1 { font: 600 clamp(2.1rem, 6vw, 3.5rem)/1.05 var(--display); margin: 0 0 .75rem; max-width: 14ch; letter-spacing: -.01em }
    .lead { font-size: 1.125rem; line-height: 1.55; max-width: 46ch; margin: 0 }
    .when { display: flex; flex-wrap: wrap; gap: .35rem .75rem; margin: 1.1rem 0 0; font-weight: 600 }
    .until { background: var(--zest); color: var(--on-zest); border-radius: 99px; padding: .1rem .7rem }
    .figure { flex: none }
    @media (max-width: 46rem) { .figure { display: none } .hero { padding: 1.5rem 0 } }
  `,
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
