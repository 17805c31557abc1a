import { component, el, given, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

// What a compiler drops moves the lines below it: only a source map tells where they were written.
interface Crates {
  readonly full: number;
  readonly empty: number;
}

type Count = Crates['full'];

export const EarlyPart = component('early-part', {
  props: { crates: prop.number() },
  template: ({ props }) => {
    const crates = props.crates as unknown as Count;
    return el.p(crates > 3 ? 'many' : 'few');
  },
});

export const UnplacedPart = component('unplaced-part', {
  props: { open: prop.flag() },
  template: ({ props }) => {
    const shown: string = props.open ? 'open' : 'shut';
    return el.p(shown, given(true, ''));
  },
});

Object.assign(window, { start: () => register(EarlyPart, UnplacedPart) });
