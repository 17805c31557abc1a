// What a definition with a template text takes, and what its uses take.

import type { PropsOf, SlotsOf } from 'zesty-lattice';
import { component, el, prop, slot } from 'zesty-lattice';
import { catalog, markupFile, renderDocument } from 'zesty-lattice/markup';
import { same } from './expect.js';

const Sign = component('stall-sign', { props: { name: prop.text() }, template: '<p>{{ name }}</p>' });

const Card = component('variety-card', {
  props: { title: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot(), badge: slot() },
  state: ({ crates }) => ({ count: crates }),
  handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
  helpers: { euros: (cents: number) => (cents / 100).toFixed(2) },
  uses: [Sign],
  foreign: ['x-map', /^chart-/],
  joinLines: true,
  styles: [markupFile(import.meta.url, './card.css'), 'p { margin: 0 }'],
  template: markupFile(import.meta.url, './card.html'),
});

same<PropsOf<typeof Card>, { title: string; crates?: number | undefined }>(true);
same<keyof SlotsOf<typeof Card>, 'default' | 'badge'>(true);

// Its uses are those of any component.
Card({ title: 'Dunlight' }, { badge: el.b('New'), default: Sign({ name: 'North' }) });
Card({ title: 'Dunlight', crates: 3 }, 'text');
// @ts-expect-error The prop "title" is missing.
Card({});
// @ts-expect-error "titel" is no prop.
Card({ titel: 'x', title: 'y' });
// @ts-expect-error "foot" is no slot.
Card({ title: 'x' }, { foot: 'y' });
// @ts-expect-error The number is text.
Card({ title: 'x', crates: '3' });

// Slots that the definition leaves to the text may have any name.
const Box = component('slot-box', { template: '<slot></slot><slot name="foot"></slot>' });
Box({}, 'text');
Box({}, { foot: el.p('x'), default: 'y' });
// @ts-expect-error A record is no content, under whatever name.
Box({}, { foot: new Date() });

// @ts-expect-error A text takes no template beside it, and a function is no text.
component('two-parts', { template: 3 });
// @ts-expect-error Components are listed, not named.
component('named-parts', { uses: ['stall-sign'], template: '<p></p>' });
// @ts-expect-error Helpers are functions.
component('odd-helpers', { helpers: { euros: 3 }, template: '<p></p>' });
component('odd-state', {
  state: () => ({ count: 0 }),
  // @ts-expect-error What changes is a field of the state.
  handlers: { add: () => ({ cuont: 1 }) },
  template: '<p></p>',
});

const { html, problems } = renderDocument('<stall-sign name="x"></stall-sign>', catalog([Sign, Card]));
same<typeof html, string>(true);
same<(typeof problems)[number]['severity'], 'error' | 'warning'>(true);
// @ts-expect-error A catalog holds components, not their names.
catalog(['stall-sign']);
// @ts-expect-error A form is one of two.
renderDocument('', catalog([]), { form: 'shadow' });
