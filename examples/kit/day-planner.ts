import { calc, component, el, given, isSame, node, phrase, prop } from 'zesty-lattice';
import type { ElementOf } from 'zesty-lattice/elements';
import { groves, harvest, shiftActions, stalls, tabs } from './open-day.js';
import { ActionMenu } from './parts/action-menu.js';
import { DataTable } from './parts/data-table.js';
import { DayRange } from './parts/day-range.js';
import { GroveTree } from './parts/grove-tree.js';
import { SuggestBox, type Suggestion } from './parts/suggest-box.js';
import { TabSet } from './parts/tab-set.js';
import { ToastStack } from './parts/toast-stack.js';

/** Stands for a service: answers after a while, unless it is given up. */
const search = (word: string, signal: AbortSignal): Promise<readonly Suggestion[]> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(
      () => resolve(stalls.filter(({ label }) => label.toLowerCase().includes(word.toLowerCase()))),
      60,
    );
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      reject(signal.reason);
    });
  });

/** The open day as its helpers plan it: all elements of the kit, and what they tell each other. */
export const DayPlanner = component('day-planner', {
  description: 'The open day as its helpers plan it.',
  props: { rows: prop.number().fallback(5_000) },
  state: () => ({ grove: '', days: '', chosen: 0 }),
  nodes: { form: node('form'), toasts: node<ElementOf<typeof ToastStack>>('toast-stack') },
  handlers: {
    tell: ({ nodes }, text: string) => void nodes.toasts?.show(text),
    save: ({ event, nodes }) => {
      event.preventDefault();
      const entries = nodes.form ? [...new FormData(nodes.form)] : [];
      const said = entries.map(([name, value]) => `${name}: ${String(value)}`).join(', ');
      void nodes.toasts?.show(said === '' ? 'There is nothing to save.' : `Saved. ${said}`);
    },
    pickGrove: (_context, grove: string) => ({ grove }),
    setDays: ({ nodes }, from: string, until: string) => {
      void nodes.toasts?.show(`The planner shows ${from} to ${until}.`);
      return { days: `${from} to ${until}` };
    },
    count: (_context, chosen: number) => ({ chosen }),
  },
  styles: `
    :host { display: block }
    .bar { display: flex; flex-wrap: wrap; gap: 1rem 1.5rem; align-items: end; margin-block: 0 1.5rem }
    suggest-box { flex: 1 1 14rem }
    .groves { display: grid; gap: 1rem 2rem; grid-template-columns: repeat(auto-fit, minmax(min(16rem, 100%), 1fr)) }
    .save { font: inherit; padding: .5rem 1rem; border: 1px solid transparent; border-radius: .4rem; background: var(--zest); color: var(--on-zest); font-weight: 600; cursor: pointer }
    .save:focus-visible { outline: 2px solid var(--focus); outline-offset: 2px }
    p { margin: 0 }
    data-table + p { margin-block-start: .5rem }
    .quiet { color: var(--quiet) }
  `,
  template: ({ handlers, nodes, props, state }) => [
    el.form(
      { class: 'bar', novalidate: true, node: nodes.form, on: { submit: handlers.save() } },
      SuggestBox({
        label: 'Find a stall',
        name: 'stall',
        search,
        on: { picked: (sent) => handlers.tell(phrase`${sent.detail.label} is marked on the map.`) },
      }),
      DayRange({
        label: 'Days shown',
        name: 'days',
        on: { changed: (sent) => handlers.setDays(sent.detail.from, sent.detail.until) },
      }),
      ActionMenu({
        label: 'Shift actions',
        actions: shiftActions,
        on: { picked: (sent) => handlers.tell(phrase`Done: ${sent.detail.id}.`) },
      }),
      el.button({ class: 'save' }, 'Save'),
    ),
    TabSet(
      { label: 'Open day', tabs },
      {
        panel: (tab) =>
          given(
            isSame(tab.id, 'groves'),
            el.div(
              { class: 'groves' },
              GroveTree({
                label: 'Groves',
                groves,
                on: { picked: (sent) => handlers.pickGrove(sent.detail.id) },
              }),
              el.p(
                { role: 'status' },
                given(state.grove, phrase`Chosen: ${state.grove}`, 'No grove is chosen.'),
                given(state.days, el.small({ class: 'quiet' }, ' ', state.days)),
              ),
            ),
            given(
              isSame(tab.id, 'harvest'),
              [
                DataTable(
                  {
                    caption: 'Crates of the harvest',
                    rows: calc(props.rows, harvest),
                    key: 'crate',
                    columns: [
                      { name: 'crate', label: 'Crate' },
                      { name: 'variety', label: 'Variety' },
                      { name: 'kilos', label: 'Kilos' },
                      { name: 'grove', label: 'Grove' },
                    ],
                    on: { chosen: (sent) => handlers.count(sent.detail.count) },
                  },
                  {
                    cell: ({ name, row }) => given(isSame(name, 'kilos'), el.strong(row.kilos, ' kg')),
                  },
                ),
                el.p({ class: 'quiet', role: 'status' }, state.chosen, ' crates are chosen.'),
              ],
              el.p('Helpers meet at the press at eight. Bring gloves and a hat.'),
            ),
          ),
      },
    ),
    ToastStack({ node: nodes.toasts }),
  ],
});
