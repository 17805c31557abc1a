import { component, el, prop } from 'zesty-lattice';
import { FairBoard } from './fair-board.js';
import { StallCard } from './stall-card.js';

/** A page for each stall: `npm run batch` writes one for each row of stalls.json. */
export default component('stall-page', {
  description: 'A page of one stall.',
  props: { name: prop.text(), fruit: prop.text(), opens: prop.text() },
  template: ({ props }) =>
    el.main(
      FairBoard(
        { title: props.name },
        StallCard({ name: props.name, fruit: props.fruit, opens: props.opens }),
      ),
    ),
});
