// The page as a server writes it: shown before any script, with the sheet linked in the head and in each shadow root.
import { component, eachOf, el, prop } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { TreeCard } from './components.js';

const trees = prop.list(
  prop.record({ name: prop.text(), age: prop.number(), trees: prop.number(), note: prop.text() }),
);

export const AdoptionPage = component('adoption-page', {
  description: 'Trees that are up for adoption.',
  props: { trees },
  template: ({ props }) =>
    el.main(
      { class: 'container grid-md', style: { padding: '2rem 1rem' } },
      el.h1('Adopt a tree'),
      el.div(
        { class: 'columns' },
        eachOf(props.trees, (tree) =>
          el.div(
            { class: 'column col-6 col-xs-12', style: { padding: '.5rem' } },
            TreeCard({ name: tree.name, age: tree.age, trees: tree.trees }, tree.note),
          ),
        ),
      ),
    ),
});

export const written = (script: string): string =>
  renderPage(
    AdoptionPage({
      trees: [
        { name: 'Dunlight', age: 31, trees: 4, note: 'The oldest row, by the well.' },
        { name: 'Saltbell', age: 12, trees: 2, note: 'Grafted onto wild stock, on the slope.' },
      ],
    }),
    {
      title: 'Adopt a tree',
      form: 'elements',
      sheets: ['/framework.css'],
      head: el.script({ type: 'module', src: script }),
    },
  );
