/** Files by their paths in a project. */
export type Files = Readonly<Record<string, string>>;

/** A project with every kind of prop, slot and node, its components spread over several modules. */
export const orchard: Files = {
  'main.ts': `import { register } from 'zesty-lattice/elements';
import { GroveLog, StallList } from './all.ts';
register(GroveLog, StallList);
`,
  'all.ts': `export { default as GroveLog } from './grove-log.ts';\nexport * from './stalls/stall-list.ts';\n`,
  'words.ts': `export const plural = (n: number, word: string): string => (n === 1 ? '1 ' + word : n + ' ' + word + 's');
export const defaults = { names: Array.from({ length: 30 }, (_, n) => 'Stall ' + n) };
`,
  'vocabulary.ts': `import { el, preset } from 'zesty-lattice';
export const press = preset(el.button, { type: 'button', class: 'press' });
`,
  'row-sign.ts': `import { calc, component, el, given, phrase, prop, slot } from 'zesty-lattice';
import { plural } from './words.ts';
const loud = 3;
const atLeast = (n: number): boolean => n >= 0;
export const RowSign = component('row-sign', {
  props: {
    name: prop.text().where((text) => text !== 'bad', 'must not be bad'),
    crates: prop.number().where(atLeast, 'must not be below zero').fallback(0),
    tone: prop.choice(['plain', 'warm']).fallback('plain'),
    link: prop.url().fallback('/stalls'),
  },
  slots: { default: slot(), note: slot() },
  styles: 'b { color: rgb(9, 8, 7) } :host { display: block }',
  template: ({ props, slots }) => [
    el.b({ class: ['sign', props.tone, { loud: calc(props.crates, (n) => n > loud) }] }, props.name),
    el.a({ href: props.link, 'aria-disabled': calc(props.crates, (n) => n === 0) }, phrase\`\${calc(props.crates, (n) => plural(n, 'crate'))} left\`),
    given(slots.note.filled, el.i(slots.note())),
    slots.default(el.u('nothing')),
  ],
});
`,
  'stalls/stall-list.ts': `import { calc, component, eachOf, el, event, given, prop, slot, trusted, uid } from 'zesty-lattice';
import GroveLog from '../grove-log.ts';
import { RowList } from '../row-list.ts';
import { RowSign } from '../row-sign.ts';
import { press } from '../vocabulary.ts';
import { defaults } from '../words.ts';

interface Stall { readonly name: string; readonly crates: number }
const whole = {
  '~standard': {
    version: 1 as const,
    vendor: 'orchard',
    validate: (value: unknown) =>
      typeof value === 'string' && /^[0-9]+$/.test(value)
        ? { value: Number(value) }
        : { issues: [{ message: 'is no whole number' }] },
  },
};

export const StallList = component('stall-list', {
  props: {
    names: prop.list(prop.text()).fallback(defaults.names),
    stalls: prop.list(prop.record({ name: prop.text(), crates: prop.number() }, { more: true })).fallback([]),
    opens: prop.date().fallback(new Date(0)),
    most: prop.schema(whole).optional(),
    full: prop.flag(),
  },
  slots: { default: slot(), note: slot() },
  state: ({ stalls }) => ({ extra: stalls as readonly Stall[], shown: true, picked: '' }),
  events: { picked: event<{ name: string }>() },
  handlers: {
    add({ state }, name: string) { return { extra: [...state.extra, { name, crates: state.extra.length }] }; },
    turn: ({ state }) => ({ shown: !state.shown }),
    pick: ({ dispatch }, name: string) => { dispatch('picked', { name }); return { picked: name }; },
    fail: () => { throw new Error('no stalls'); },
  },
  reactions: { stalls: ({ props }) => ({ extra: props.stalls }) },
  connected({ host, signal }) { host.dataset.since = String(signal.aborted); },
  styles: ':host { display: block } .much { color: red }',
  template: ({ props, slots, state, handlers }) => {
    const id = uid('list');
    return [
      el.p({ id, class: { full: props.full }, style: { '--most': props.most, color: 'red' } }, calc(props.opens, (day) => day.toISOString().slice(0, 10)), ' ', props.names[1]),
      press({ class: 'add', on: { click: handlers.add('New') } }, 'Add'),
      press({ class: 'turn', 'aria-expanded': state.shown, 'aria-controls': id, on: { click: handlers.turn() } }, 'Turn'),
      press({ class: 'fail', on: { click: handlers.fail() } }, 'Fail'),
      el.ul(eachOf(state.extra, (stall, index) => el.li({ on: { click: handlers.pick(stall.name) } },
        RowSign({ name: stall.name, crates: stall.crates, tone: 'warm' }, { note: given(calc(index, (n) => n === 0), 'first'), default: calc(stall.crates, (n) => n * 2) }),
      ), { key: 'name', empty: el.li('none') })),
      given(state.shown, el.svg({ viewBox: '0 0 4 4' }, el.g(given(props.full, el.circle({ r: 2 })))), 'hidden'),
      el.textarea({ 'aria-label': 'Picked' }, state.picked),
      GroveLog({ title: state.picked }, slots.note('no note')),
      el.div(trusted('<i>one</i> two <b>three</b>'), ' and ', state.picked, trusted('<hr>'), el.u(props.names[0])),
      el.pre('\\nkept ', state.picked, ' & <so>'),
      slots.default(),
      RowList({ items: state.extra, size: calc(state.extra, (all) => all.length) }, { row: (stall) => el.em(stall.name, calc(stall.crates, (n) => n + 1)) }),
    ];
  },
});
`,
  'row-list.ts': `import { calc, component, definition, eachOf, el, prop, slot } from 'zesty-lattice';
import { plural } from './words.ts';
export const RowList = component.generic('row-list', <Item>(item: ReturnType<typeof prop.schema<Item, Item>>) =>
  definition({
    props: { items: prop.list(item), size: prop.number() },
    slots: { row: slot.with(item) },
    template: ({ props, slots }) => el.ol({ title: calc(props.size, (n) => plural(n, 'row')) }, eachOf(props.items, (each) => el.li(slots.row(each)))),
  }));
`,
  'grove-log.ts': `import { component, el, prop, share, slot } from 'zesty-lattice';
export const Basket = share<{ total: number }>('basket');
export default component('grove-log', {
  props: { title: prop.text().fallback('Log') },
  slots: { default: slot() },
  state: () => ({ lines: 0 }),
  handlers: { write: ({ state }) => ({ lines: state.lines + 1 }) },
  provides: ({ state }) => [Basket.provide({ total: state.lines })],
  template: ({ props, state, slots, handlers }) =>
    el.section(el.h2({ on: { click: handlers.write() } }, props.title, ' ', state.lines), slots.default()),
});
`,
};

/** Works on the page and gives what is seen after each step. */
export const walk = `(async () => {
  const seen = [];
  const reported = [];
  console.error = (...all) => reported.push(String(all[0]).replace(/^error /, '').split(/[ :]/)[0]);
  const host = document.querySelector('stall-list');
  const shown = (root) => [...root.childNodes].map((node) => node.nodeType === 8 ? '' : node.outerHTML === undefined ? node.data : node.outerHTML + (node.shadowRoot ? shown(node.shadowRoot) : [...node.querySelectorAll('*')].filter((one) => one.shadowRoot).map((one) => shown(one.shadowRoot)).join(''))).join('').replace(/<!---->/g, '');
  const step = async (name, work) => { await work(); await new Promise((done) => setTimeout(done)); seen.push(name + ' ' + shown(host.shadowRoot)); };
  const click = (selector) => host.shadowRoot.querySelector(selector).click();
  await step('first', () => {});
  await step('add', () => click('.add'));
  await step('stalls', () => { host.stalls = [{ name: 'A', crates: 1 }, { name: 'B', crates: 5 }, { name: 'bad', crates: -1 }]; });
  await step('sorted', () => { host.stalls = [{ name: 'B', crates: 5, year: 4 }, { name: 'A', crates: 0 }]; });
  await step('wrong', () => { host.stalls = [{ name: 4 }]; host.names = 'x'; host.most = 'y'; host.setAttribute('opens', 'never'); });
  await step('right', () => { host.most = '12'; host.setAttribute('opens', '2026-11-28'); host.full = true; host.setAttribute('names', '["a","b"]'); });
  await step('pick', () => click('li'));
  await step('turn', () => click('.turn'));
  await step('back', () => click('.turn'));
  await step('fail', () => click('.fail'));
  await step('log', () => host.shadowRoot.querySelector('grove-log').shadowRoot.querySelector('h2').click());
  await step('none', () => { host.stalls = []; });
  seen.push(host.dataset.since, reported.join());
  return seen;
})()`;
