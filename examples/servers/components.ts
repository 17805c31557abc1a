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
  props: { from: prop.url(), newest: prop.number().fallback(12) },
  styles: markupFile(import.meta.url, './log-book.css'),
  state: () => ({ word: '' }),
  load: async ({ props, fetch }): Promise<readonly Entry[]> => json(await fetch(props.from)),
  handlers: { again: ({ reload }) => reload() },
  template: ({ props, data, state, handlers }) =>
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
              calc(entries, state.word, props.newest, (all, word, newest) =>
                all.slice(0, newest).filter(({ grove }) => grove.toLowerCase().includes(word.toLowerCase())),
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
  props: {
    log: prop.url(),
    water: prop.url(),
    newest: prop
      .number()
      .where((newest) => Number.isInteger(newest) && newest >= 1 && newest <= 12, 'must be 1 to 12')
      .fallback(12),
  },
  slots: { note: slot() },
  template: ({ props, slots }) => [
    el.header(el.p('Ninefold Orchard'), el.h1('Grove log')),
    el.main(
      el.p(
        { class: 'lead' },
        phrase`The last ${props.newest} entries, as they are written down. Newest first.`,
      ),
      WaterGauge({ from: props.water }),
      LogBook({ from: props.log, newest: props.newest }),
    ),
    el.footer(slots.note('Written by whoever closes the gate.')),
  ],
});

/** Loads nothing: it is the same for everybody until somebody writes another one. */
export const VisitPage = component('visit-page', {
  description: 'When the groves are open to visitors.',
  props: { hours: prop.record({ days: prop.text(), from: prop.text(), to: prop.text() }) },
  template: ({ props }) => [
    el.header(el.p('Ninefold Orchard'), el.h1('Visit the groves')),
    el.main(
      el.p({ class: 'lead' }, 'Come by the weir gate. Dogs stay on the lead, bees do not.'),
      el.dl(
        el.dt('Open'),
        el.dd(props.hours.days),
        el.dt('Hours'),
        el.dd(phrase`${props.hours.from} to ${props.hours.to}`),
      ),
      el.p(el.a({ href: '/' }, 'What the groves say today')),
    ),
  ],
});
