import { component, el, given, slot } from 'zesty-lattice';

export const PageShell = component('page-shell', {
  description: 'The frame of a page: header, navigation, main part, aside and footer.',
  slots: {
    header: slot.required(),
    navigation: slot(),
    main: slot.required(),
    aside: slot(),
    footer: slot(),
  },
  styles: `
    .skip { position: absolute; left: -99rem; background: var(--card); color: var(--ink); padding: .5rem 1rem; z-index: 2 }
    .skip:focus { left: 1rem; top: .5rem }
    .wrap { max-width: 76rem; margin: 0 auto; padding: 0 clamp(1rem, 3vw, 2rem) }
    .top { background: var(--band); color: var(--on-band) }
    .bar { display: flex; flex-wrap: wrap; gap: .5rem 2rem; align-items: center; justify-content: space-between; padding-top: 1rem; padding-bottom: .25rem }
    .columns { display: grid; gap: 3rem; grid-template-columns: minmax(0, 1fr); padding-top: 2.5rem; padding-bottom: 3.5rem }
    .two { grid-template-columns: minmax(0, 1fr) 19rem }
    main { display: grid; grid-template-columns: minmax(0, 1fr); gap: 3.25rem; min-width: 0 }
    aside { display: grid; grid-template-columns: minmax(0, 1fr); gap: 2rem; align-content: start; min-width: 0 }
    .foot { border-top: 1px solid var(--line); color: var(--quiet); font-size: .9rem; padding: 1.5rem 0 2.5rem }
    @media (max-width: 60rem) { .two { grid-template-columns: minmax(0, 1fr) } }
  `,
  template: ({ slots }) => [
    el.a({ class: 'skip', href: '#content' }, 'Skip to the content'),
    el.header(
      { class: 'top' },
      el.div({ class: 'wrap bar' }, el.strong('Ninefold Orchard'), slots.navigation()),
      el.div({ class: 'wrap' }, slots.header()),
    ),
    el.div(
      { class: ['wrap columns', { two: slots.aside.filled }] },
      el.main({ id: 'content', tabindex: -1 }, slots.main()),
      given(slots.aside.filled, el.aside({ 'aria-label': 'Today' }, slots.aside())),
    ),
    given(slots.footer.filled, el.footer({ class: 'foot' }, el.div({ class: 'wrap' }, slots.footer()))),
  ],
});
