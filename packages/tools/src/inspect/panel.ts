import { component, event, prop } from 'zesty-lattice/internal/component';
import { type Content, calc, type Expr, eachOf, el, given, phrase } from 'zesty-lattice/internal/template';
import type { InspectedUse } from 'zesty-lattice/internal/tree';
import { outlineRules, panelRules } from './rules.js';

/** A state's field, as it is shown and changed: JSON. */
export interface StateField {
  readonly name: string;
  readonly json: string;
}

/** A line of the list of uses. */
export interface UseLine {
  readonly component: string;
  readonly path: string;
  readonly depth: number;
  readonly isChosen: boolean;
}

/** What the panel shows of a part of the page. */
export interface Shown extends InspectedUse {
  /** The written line, as a person knows it. */
  readonly line: string;
  /** Its end, for people. */
  readonly near: string;
  readonly fields: readonly StateField[];
}

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly label: string;
}

export const noBox: Box = { left: 0, top: 0, width: 0, height: 0, label: '' };

/** What a part of the page is: its component, where it is written, what it was given. It speaks by events alone. */
export const InspectPanel = component('inspect-panel', {
  props: {
    shown: prop.record<Shown>().optional(),
    uses: prop.list<UseLine>().fallback([]),
    isPicking: prop.flag(),
    isOpen: prop.flag(),
    box: prop.record<Box>().fallback(noBox),
    /** What went wrong with what was typed into the state. */
    fault: prop.text().fallback(''),
  },
  events: {
    pick: event(),
    toggle: event(),
    choose: event<{ path: string }>(),
    point: event<{ path: string }>(),
    change: event<{ name: string; json: string }>(),
    show: event(),
  },
  state: () => ({ words: '' }),
  styles: `${panelRules}${outlineRules}`,
  handlers: {
    pick: ({ dispatch }) => void dispatch('pick'),
    toggle: ({ dispatch }) => void dispatch('toggle'),
    choose: ({ dispatch }, path: string) => void dispatch('choose', { path }),
    point: ({ dispatch }, path: string) => void dispatch('point', { path }),
    typed: ({ dispatch, event: { target } }, name: string) =>
      void dispatch('change', { name, json: (target as HTMLInputElement).value }),
    open: ({ dispatch, event: happened }) => {
      happened.preventDefault();
      dispatch('show');
    },
  },
  template: ({ props, state, handlers }) => {
    const lines = calc(props.uses, state.words, found);
    return [
      given(
        calc(props.box, ({ width }) => width > 0),
        el.div(
          {
            class: 'outline',
            style: {
              left: calc(props.box, ({ left }) => `${left}px`),
              top: calc(props.box, ({ top }) => `${top}px`),
              width: calc(props.box, ({ width }) => `${width}px`),
              height: calc(props.box, ({ height }) => `${height}px`),
            },
          },
          el.span(props.box.label),
        ),
      ),
      el.div(
        { class: ['tools', { open: props.isOpen, picking: props.isPicking }] },
        el.div(
          { class: 'bar' },
          el.button(
            { type: 'button', 'aria-pressed': props.isPicking, on: { click: handlers.pick() } },
            given(props.isPicking, 'Point at a part …', 'Inspect'),
          ),
          given(
            props.isOpen,
            el.button({ type: 'button', 'aria-label': 'Close', on: { click: handlers.toggle() } }, '×'),
            el.button(
              { type: 'button', 'aria-label': 'What is here', on: { click: handlers.toggle() } },
              '≡',
            ),
          ),
        ),
        given(
          props.isOpen,
          el.div(
            { class: 'body' },
            given(
              props.shown,
              (shown) => detail(shown),
              el.p(
                { class: 'soft' },
                'Nothing is chosen yet: point at a part of the page, or choose one below.',
              ),
            ),
            el.section(
              { 'aria-label': 'In this page' },
              el.h2('In this page'),
              el.input({
                type: 'search',
                'aria-label': 'Find a component',
                placeholder: 'Find a component',
                bind: state.words,
              }),
              el.ul(
                { role: 'list', class: 'uses' },
                eachOf(
                  lines,
                  (line) =>
                    el.li(
                      el.button(
                        {
                          type: 'button',
                          style: {
                            'padding-inline-start': calc(line.depth, (depth) => `${0.4 + depth * 0.8}rem`),
                          },
                          'aria-current': calc(line.isChosen, (isChosen) => (isChosen ? 'true' : null)),
                          title: line.path,
                          on: {
                            click: handlers.choose(line.path),
                            pointerenter: handlers.point(line.path),
                            focus: handlers.point(line.path),
                            pointerleave: handlers.point(''),
                            blur: handlers.point(''),
                          },
                        },
                        line.component,
                      ),
                    ),
                  { key: 'path', empty: el.li({ class: 'soft' }, 'None of that name.') },
                ),
              ),
            ),
          ),
        ),
      ),
    ];

    function detail(shown: Expr<Shown>): Content {
      return [
        el.div(
          el.h2(phrase`<${shown.component}>`),
          el.p({ class: 'path' }, shown.path),
          given(shown.line, (line) =>
            el.p(
              el.a({ href: '#', title: line, on: { click: handlers.open() } }, shown.near),
              el.span({ class: 'soft' }, ' opens in the editor'),
            ),
          ),
          eachOf(shown.under, (words) => el.p({ class: 'soft' }, words)),
        ),
        el.section(
          { 'aria-label': 'Props' },
          el.h3('Props'),
          el.dl(
            eachOf(shown.props, (one) => [
              el.dt(one.name),
              el.dd(
                one.value,
                given(one.from, (from) => [' ', el.i(from)]),
              ),
            ]),
          ),
          given(
            calc(shown.props, (all) => all.length === 0),
            el.p({ class: 'soft' }, 'It accepts none.'),
          ),
        ),
        given(
          calc(shown.fields, (fields) => fields.length > 0),
          el.section(
            { 'aria-label': 'State' },
            el.h3('State'),
            eachOf(
              shown.fields,
              (field) =>
                el.label(
                  field.name,
                  el.input({
                    value: field.json,
                    spellcheck: false,
                    on: { change: handlers.typed(field.name) },
                  }),
                ),
              { key: (field) => phrase`${field.name} ${field.json}` },
            ),
            given(props.fault, el.p({ class: 'fault', role: 'alert' }, props.fault)),
          ),
        ),
        given(
          calc(shown.slots, (slots) => slots.length > 0),
          el.section(
            { 'aria-label': 'Slots' },
            el.h3('Slots'),
            el.dl(eachOf(shown.slots, (slot) => [el.dt(slot.name), el.dd(slot.words)])),
          ),
        ),
      ];
    }
  },
});

function found(uses: readonly UseLine[], words: string): readonly UseLine[] {
  const wanted = words.trim().toLowerCase();
  return (wanted === '' ? uses : uses.filter(({ path }) => path.includes(wanted))).slice(0, 500);
}
