import { component, el, prop } from 'zesty-lattice';
import { CrateCounter, OuterBox, PickList } from './parts.js';

const names = ['Dunlight', 'Salt & "bell"'];

/** A page that does nothing itself, with elements in it that do. */
export const DeclaredPage = component('declared-page', {
  props: { title: prop.text() },
  styles: 'h1 { color: rgb(1 2 3) }',
  template: ({ props }) =>
    el.main(
      el.h1(props.title),
      names.map((label) =>
        CrateCounter({ label, start: 3, tags: ['x', '<y>'], full: true, picked: new Date('2026-11-28') }),
      ),
      PickList({
        items: [
          { id: 1, name: 'One' },
          { id: 2, name: 'Two' },
        ],
        loud: true,
      }),
      OuterBox({ label: props.title }),
    ),
});
