import { calc, component, eachOf, el, given, slot } from 'zesty-lattice';

interface Line {
  readonly label: string;
  readonly count: number;
}

export const CrateBasket = component('crate-basket', {
  description: 'Hears the counters inside it, and says what was picked.',
  slots: { default: slot() },
  state: () => ({ lines: [] as readonly Line[] }),
  styles: `
    :host { display: block }
    aside { position: sticky; inset-block-end: 1rem; box-shadow: 0 .5rem 1.5rem rgb(0 0 0 / .12); border: 1px solid var(--line, #ddd); border-radius: .9rem; background: var(--card, #fff); padding: 1rem; margin-block-start: 1.25rem }
    h2 { margin: 0 0 .5rem; font: 600 1.2rem/1.2 var(--display, serif) }
    ul { margin: 0; padding: 0; list-style: none; display: flex; flex-wrap: wrap; gap: .4rem .6rem }
    li { border: 1px solid var(--line-strong, #999); border-radius: 99px; padding: .15rem .7rem; font-size: .9rem }
    p { margin: .6rem 0 0; color: var(--quiet, #555) }
  `,
  handlers: {
    hear: ({ state, event }) => {
      const { label, count } = (event as CustomEvent<Line>).detail;
      const others = state.lines.filter((line) => line.label !== label);
      return { lines: count === 0 ? others : [...others, { label, count }] };
    },
  },
  template: ({ slots, state, handlers }) => {
    const total = calc(state.lines, (lines) => lines.reduce((sum, { count }) => sum + count, 0));
    return [
      el.div({ on: { changed: handlers.hear() } }, slots.default()),
      el.aside(
        { 'aria-label': 'Your basket' },
        el.h2('Your basket'),
        el.ul(
          { role: 'list' },
          eachOf(state.lines, (line) => el.li(line.label, ' × ', line.count), { key: 'label' }),
        ),
        el.p(
          { 'aria-live': 'polite' },
          given(
            total,
            calc(total, (count) => `${count} crate${count === 1 ? '' : 's'} to carry home`),
            'Nothing picked yet',
          ),
        ),
      ),
    ];
  },
});
