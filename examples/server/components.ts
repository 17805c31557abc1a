import { calc, component, eachOf, el, phrase, prop, slot, whenLoaded } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import type { Entry } from './service.js';

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

async function json<Data>(answer: Response): Promise<Data> {
  if (!answer.ok) throw new Error(`the service says ${answer.status}`);
  return answer.json() as Promise<Data>;
}

/** Loads the grove log; in a page it can be filtered and read anew. */
export const LogBook = component('log-book', {
  description: 'The last entries of the grove log.',
  props: { from: prop.url() },
  styles: markupFile(import.meta.url, './log-book.css'),
  state: () => ({ word: '' }),
  load: async ({ props, fetch }): Promise<readonly Entry[]> => json(await fetch(props.from)),
  handlers: { again: ({ reload }) => reload() },
  template: ({ data, state, handlers }) =>
    el.section(
      { 'aria-busy': data.isLoading, 'aria-label': 'Grove log' },
      el.div(
        { class: 'tools' },
        el.label('Grove ', el.input({ type: 'search', bind: state.word })),
        el.button({ type: 'button', on: { click: handlers.again() } }, 'Read again'),
      ),
      whenLoaded(data, {
        loading: el.p({ class: 'quiet' }, 'Reading the log …'),
        loaded: (entries) =>
          el.ol(
            eachOf(
              calc(entries, state.word, (all, word) =>
                all.filter(({ grove }) => grove.toLowerCase().includes(word.toLowerCase())),
              ),
              (entry) =>
                el.li(
                  el.time(
                    { datetime: entry.date },
                    calc(entry.date, (date) => day.format(new Date(date))),
                  ),
                  el.b(entry.grove),
                  el.p(entry.text),
                ),
              { key: 'date', empty: el.li('No grove of that name') },
            ),
          ),
        failed: el.p({ class: 'fault', role: 'status' }, 'The log cannot be read right now.'),
      }),
    ),
});

/** What the tanks hold: a bar whose width is set as its value says. */
export const WaterGauge = component('water-gauge', {
  description: 'How full the tanks are.',
  props: { from: prop.url() },
  styles: markupFile(import.meta.url, './water-gauge.css'),
  load: async ({ props, fetch }): Promise<{ level: number; rain: number }> => json(await fetch(props.from)),
  onFailure: el.p('Nobody has read the tanks.'),
  template: ({ data }) =>
    el.div(
      { class: 'gauge' },
      whenLoaded(data, {
        loading: el.p('Asking the tanks …'),
        loaded: (tank) => [
          el.p(phrase`${tank.level} % full, ${tank.rain} mm of rain today`),
          el.div({ class: 'tank' }, el.div({ class: 'water', style: { width: phrase`${tank.level}%` } })),
        ],
      }),
    ),
});

export const GrovePage = component('grove-page', {
  description: 'The grove log of Ninefold Orchard.',
  props: { log: prop.url(), water: prop.url() },
  slots: { note: slot() },
  styles: markupFile(import.meta.url, './grove-page.css'),
  template: ({ props, slots }) => [
    el.header(el.p('Ninefold Orchard'), el.h1('Grove log')),
    el.main(
      el.p({ class: 'lead' }, 'What the groves say, as it is written down. Newest first.'),
      WaterGauge({ from: props.water }),
      LogBook({ from: props.log }),
    ),
    el.footer(slots.note('Written by whoever closes the gate.')),
  ],
});
