import { mount } from 'zesty-lattice-tools/testing';
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
