import { component, el, given, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const PageShell = component('page-shell', {
  description: 'The frame of a page: header, navigation, main part, aside and footer.',
  slots: {
    header: slot.required(),
    navigation: slot(),
    main: slot.required(),
    aside: slot(),
    footer: slot(),
  },
  styles: markupFile(import.meta.url, './page-shell.css'),
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
