import { component, el, event, prop, slot, whenLoaded } from 'zesty-lattice';
import { mount, nextEvent } from 'zesty-lattice-tools/testing';
import { CrateCounter, NotePanel } from '../../examples/open-day/components/index.js';

Object.assign(globalThis, {
  counted: async () => {
    const { element, find, html, sent, set, settled, unmount } = await mount(CrateCounter, {
      label: 'Dunlight',
      most: 2,
    });
    find('button:last-of-type').click();
    await settled();
    const shown = find('output').textContent;
    await set({ most: 1 });
    const isFull = find<HTMLButtonElement>('button:last-of-type').disabled;
    let missing = '';
    try {
      find('table');
    } catch (thrown) {
      missing = (thrown as Error).message;
    }
    unmount();
    return { shown, sent, isFull, missing, html, isThere: element.isConnected };
  },
  filled: async () => {
    const { element, root } = await mount(
      NotePanel,
      { title: 'Fog', open: true },
      { content: 'Bring <b>a lamp</b>.' },
    );
    return [element.innerHTML, root.querySelector('slot')?.assignedNodes().length];
  },
});

const Weighing = component('weighing-note', {
  props: { from: prop.text(), crates: prop.number().fallback(0) },
  load: async ({ props }) => {
    await new Promise((done) => setTimeout(done, 60));
    if (props.from === 'nowhere') throw new Error('the scales are shut');
    return `${props.from} 12 kg`;
  },
  events: { weighed: event<{ kilos: number }>() },
  handlers: {
    weigh: ({ dispatch }) => void setTimeout(() => dispatch('weighed', { kilos: 12 }), 30),
    drop: () => {
      throw new Error('the crate fell');
    },
  },
  template: ({ props, data, handlers }) => [
    whenLoaded(data, {
      loading: el.p('…'),
      loaded: (text) => el.p(text, props.crates),
      failed: (fault) => el.p(fault.message),
    }),
    el.button({ type: 'button', on: { click: handlers.weigh() } }, 'Weigh'),
    el.button({ type: 'button', on: { click: handlers.drop() } }, 'Drop'),
  ],
});
const Outer = component('weighing-frame', {
  slots: { default: slot() },
  state: () => ({ n: 0 }),
  handlers: { add: ({ state }) => ({ n: state.n + 1 }) },
  template: ({ slots, state, handlers }) => [
    el.button({ type: 'button', on: { click: handlers.add() } }, state.n),
    slots.default(),
  ],
});

Object.assign(globalThis, {
  async waited() {
    const { element, find, problems, unmount } = await mount(Weighing, { from: 'North' });
    const shown = find('p').textContent;
    const weighed = nextEvent<{ kilos: number }>(element, 'weighed');
    find('button').click();
    const { detail } = await weighed;
    find('button:last-of-type').click();
    const said = problems.map(({ text, thrown }) => [text, String(thrown)]);
    const late = await nextEvent(element, 'weighed', { timeOut: 20 }).catch(
      (thrown: Error) => thrown.message,
    );
    unmount();
    return { shown, detail, said, late };
  },
  async refused() {
    const tried = (props: object): Promise<string> =>
      mount(Weighing, props).then(
        () => 'mounted',
        (thrown: Error) => thrown.message.split('\n')[0] ?? '',
      );
    const mounted = await mount(Weighing, { from: 'East' });
    const set = await mounted.set({ crates: 'two' as never }).catch((thrown: Error) => thrown.name);
    return [await tried({ from: 4 }), await tried({ form: 'x' }), await tried({ from: 'South' }), set];
  },
  async inContent() {
    const { element } = await mount(
      Outer,
      {},
      { content: '<weighing-note from="West"></weighing-note>', uses: [Weighing] },
    );
    return element.querySelector('weighing-note')?.shadowRoot?.querySelector('p')?.textContent;
  },
});
