import { calc, component, eachOf, el, phrase } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';

interface Line {
  readonly id: number;
  readonly text: string;
  readonly done: boolean;
  readonly sizes: readonly { readonly kilos: number | null }[];
}

const first = () => ({
  draft: { title: 'Peel', weight: null as number | null, count: 3, more: { note: 'deep' } },
  day: new Date('2026-11-28T00:00:00Z') as Date | null,
  moment: null as Date | null,
  text: '2026-01-02',
  lines: [
    { id: 1, text: 'one', done: false, sizes: [{ kilos: 1 }, { kilos: null }] },
    { id: 2, text: 'two', done: true, sizes: [] },
  ] as readonly Line[],
  file: null as File | null,
  files: [] as readonly File[],
});

/** Copies of those that say something, the longest first. */
const longest = (lines: readonly Line[]): readonly Line[] =>
  lines
    .filter(({ text }) => text !== '')
    .sort((one, other) => other.text.length - one.text.length)
    .map((line) => ({ ...line }));

/** All that a control can be tied to. */
export const BoundForm = component('bound-form', {
  state: first,
  handlers: {
    swap: ({ state }) => ({ lines: [...state.lines].reverse() }),
  },
  template: ({ state, handlers }) => [
    el.form(
      el.input({ id: 'title', bind: state.draft.title }),
      el.textarea({ id: 'note', bind: state.draft.more.note }),
      el.input({ id: 'weight', type: 'number', bind: state.draft.weight }),
      el.input({ id: 'count', type: 'number', bind: state.draft.count }),
      el.input({ id: 'day', type: 'date', bind: state.day }),
      el.input({ id: 'moment', type: 'datetime-local', bind: state.moment }),
      el.input({ id: 'text', type: 'date', bind: state.text }),
      eachOf(
        state.lines,
        (line) => [
          el.input({ id: phrase`line-${line.id}`, bind: line.text }),
          el.input({ id: phrase`done-${line.id}`, type: 'checkbox', bind: line.done }),
          eachOf(line.sizes, (size, at) =>
            el.input({ id: phrase`size-${line.id}-${at}`, type: 'number', bind: size.kilos }),
          ),
        ],
        { key: 'id' },
      ),
      eachOf(
        calc(state.lines, longest),
        (line, at) =>
          el.label(
            at,
            el.input({ id: phrase`sorted-${line.id}`, bind: line.text }),
            el.i(calc(line.text, (text) => text.length)),
          ),
        { key: 'id', of: state.lines },
      ),
      el.input({ id: 'file', type: 'file', bind: state.file }),
      el.input({ id: 'files', type: 'file', multiple: true, bind: state.files }),
      el.button({ type: 'reset', id: 'reset' }, 'Reset'),
      el.button({ type: 'button', id: 'swap', on: { click: handlers.swap() } }, 'Swap'),
    ),
    el.output(
      calc(state.draft, state.day, state.moment, state.text, (draft, day, moment, text) =>
        JSON.stringify([draft, day, moment, text]),
      ),
    ),
    el.p(calc(state.lines, (lines) => JSON.stringify(lines))),
    el.b(
      calc(state.file, state.files, (file, files) =>
        [file?.name ?? 'none', ...files.map((one) => one.name)].join(),
      ),
    ),
  ],
});

/** The same as HTML text. */
export const BoundText = component('bound-text', {
  state: first,
  handlers: { swap: BoundFormSwap },
  helpers: { longest },
  template: `<form>
    <input id="title" bind="draft.title"><textarea id="note" bind="state.draft.more.note"></textarea>
    <template each-of="lines" as="line" key="id">
      <input id="line-{{ line.id }}" bind="line.text">
      <template each-of="line.sizes" as="size" index="at"><input id="size-{{ line.id }}-{{ at }}" type="number" bind="size.kilos"></template>
    </template>
    <template each-of="longest(lines)" as="line" index="at" key="id" of="lines"><label>{{ at }}<input id="sorted-{{ line.id }}" bind="line.text"><i>{{ line.text.length }}</i></label></template>
    <input id="second" bind="lines[1].text">
    <button type="reset" id="reset">Reset</button>
  </form><output>{{ draft.title }} {{ draft.more.note }}</output><p>{{ lines[0].text }} {{ lines[1].text }}</p>`,
  joinLines: true,
});

function BoundFormSwap({ state }: { readonly state: { readonly lines: readonly Line[] } }) {
  return { lines: [...state.lines].reverse() };
}

export const startBound = (): void => register(BoundForm, BoundText);
