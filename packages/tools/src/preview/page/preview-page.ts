import { type Content, calc, component, eachOf, el, given, phrase, uid } from 'zesty-lattice';
import { countWords } from 'zesty-lattice/internal/tree';
import { type Look, readAddress, widthIn } from './address.js';
import { catalogueNow, save } from './asking.js';
import { ComponentFinder } from './component-finder.js';
import { LiveStage } from './live-stage.js';
import { asLines, listening, noted, sizes, together } from './noted.js';
import { CodeView, ComponentIndex, ProblemNote, TreeBranch } from './parts.js';
import { pageRules } from './rules.js';
import { SlotField } from './slot-field.js';
import {
  changed,
  factsIn,
  first,
  isCurrent,
  remember,
  type Sent,
  sampleAddress,
  shownNow,
  showState,
  withStateChange,
} from './state.js';
import { ValueField } from './value-field.js';
import { type Held, inWords } from './values.js';

/** The whole page: what the component is given on one side, what comes of it on the other. */
export const PreviewPage = component('preview-page', {
  state: () => first,
  styles: pageRules,
  handlers: {
    chose: ({ event }) => {
      location.hash = `#${(event as CustomEvent<{ name: string }>).detail.name}`;
    },
    edited: ({ change, event, state }, prop: string) => {
      event.stopPropagation();
      const { value } = (event as CustomEvent<Held>).detail;
      const { [prop]: _before, ...others } = state.given.props;
      const props = value === undefined ? others : { ...state.given.props, [prop]: value };
      return changed({ ...state, given: { ...state.given, props } }, change);
    },
    filled: ({ change, event, state }, slot: string) => {
      const { text } = (event as CustomEvent<{ text: string }>).detail;
      const slots = { ...state.given.slots, [slot]: text };
      if (text === '') delete slots[slot];
      return changed({ ...state, given: { ...state.given, slots } }, change);
    },
    rewrote: ({ change, event, state }) => {
      const { value } = event.target as HTMLTextAreaElement;
      const next = { ...state, text: value };
      remember(next);
      void showState(next, change);
      return { text: value, notice: '', said: [] };
    },
    looked: ({ event, state }, what: 'width' | 'scheme' | 'dir' | 'isStill') => {
      const { checked, value } = event.target as HTMLInputElement;
      const said = what === 'width' ? widthIn(value) : what === 'isStill' ? checked : value;
      const look = { ...state.look, [what]: said } as Look;
      remember({ ...state, look });
      return { look };
    },
    heard: ({ event, state }) => ({
      sent: [(event as CustomEvent<Sent>).detail, ...state.sent].slice(0, 50),
    }),
    was: ({ event, state }) => {
      const { message } = (event as CustomEvent<{ message: string }>).detail;
      return { said: [message, ...state.said.filter((one) => one !== message)].slice(0, 20) };
    },
    renewed: () => ({ said: [] }),
    forget: () => ({ sent: [] }),
    copy: async (_now, what: 'html' | 'code' | 'address') => {
      try {
        const text =
          what === 'address' ? location.href : (await shownNow())[what === 'html' ? 'text' : 'code'];
        await navigator.clipboard.writeText(text);
      } catch (thrown) {
        const { message, name } = thrown as Error;
        return {
          notice: name === 'NotAllowedError' ? 'The browser does not let the page copy.' : message,
        };
      }
      return { notice: what === 'address' ? 'The address is copied.' : 'The use is copied.' };
    },
    named: () => ({ isTaken: false, notice: '' }),
    save: async ({ event, state }, isMeant: boolean) => {
      event.preventDefault();
      const name = state.sampleName.trim();
      try {
        const { text } = await shownNow();
        const { file } = await save(state.name, name, text, isMeant);
        return { notice: `Saved in ${file.replace(/^.*\//, '')}.`, isTaken: false };
      } catch (thrown) {
        const { message } = thrown as Error;
        return { notice: message, isTaken: /already/.test(message) };
      }
    },
  },
  connected: ({ change, signal }) => {
    const until = { signal: signal as AbortSignal };
    const arrive = (): void =>
      void change((state) => {
        if (!state.isRead) return {};
        const changes = withStateChange(
          state.catalogue,
          readAddress(location.hash, state.catalogue.components),
          state,
        );
        const next = { ...state, ...changes };
        document.title = next.name === '' ? 'Preview' : `${next.name}: preview`;
        void showState(next, change);
        return changes;
      });
    const read = async (): Promise<void> => {
      change({ catalogue: await catalogueNow(), isRead: true });
      arrive();
    };
    addEventListener('hashchange', arrive, until);
    const changes = new EventSource('/@lattice/changes');
    changes.addEventListener('changed', () => void read());
    until.signal.addEventListener('abort', () => changes.close());
    void read();
  },
  template: ({ state, handlers }) => {
    const facts = calc(state.catalogue, state.name, factsIn);
    const isChosen = calc(state.name, (name) => name !== '');
    return [
      el.header(
        el.h1(el.a({ href: '#' }, 'Preview')),
        ComponentFinder({ components: state.catalogue.components, on: { chosen: handlers.chose() } }),
        el.span(
          { class: 'soft' },
          calc(state.catalogue, ({ components }) => countWords(components.length, 'component')),
        ),
      ),
      el.main(
        el.div(
          { class: 'unread' },
          eachOf(state.catalogue.unread, ({ file, message }) =>
            ProblemNote({
              problem: calc(file, message, (path, why) => noted(`${path} could not be read.`, why)),
            }),
          ),
        ),
        given(
          isChosen,
          [titleOf(), el.div({ class: 'both' }, givenPart(), comesOfIt())],
          [
            el.h2('Components'),
            el.p({ class: 'about soft' }, 'Choose one to try it with your own input.'),
            ComponentIndex({ components: state.catalogue.components }),
            given(
              calc(
                state.catalogue,
                state.isRead,
                ({ components }, isRead) => isRead && components.length === 0,
              ),
              el.p('None was found: a module exports them, export const PriceTag = component(…).'),
            ),
          ],
        ),
      ),
    ];

    function titleOf(): Content {
      return [
        el.div(
          { class: 'title' },
          el.h2(facts.name),
          el.span({ class: 'soft' }, phrase`${facts.exportName} in ${facts.shown}:${facts.line}`),
        ),
        given(facts.description, el.p({ class: 'about' }, facts.description)),
        given(
          calc(facts.samples, (all) => all.length > 0),
          el.nav(
            { 'aria-label': 'Samples' },
            el.ul(
              { class: 'samples', role: 'list' },
              eachOf(
                facts.samples,
                (sample) =>
                  el.li(
                    el.a(
                      {
                        href: calc(state.name, state.look, sample, sampleAddress),
                        'aria-current': calc(state.given, state.text, sample, isCurrent),
                      },
                      sample.name,
                    ),
                  ),
                { key: 'name' },
              ),
            ),
          ),
        ),
      ];
    }

    function givenPart(): Content {
      const [name, written] = [uid('name'), uid('written')];
      return el.div(
        { class: 'given' },
        given(
          state.text,
          el.section(
            el.h3(el.label({ for: written }, 'HTML text of the sample')),
            el.textarea({
              id: written,
              rows: 10,
              spellcheck: false,
              bind: state.text,
              on: { input: handlers.rewrote() },
            }),
          ),
          [
            el.section(
              { 'aria-label': 'Props' },
              el.h3('Props'),
              el.div(
                { class: 'fields' },
                eachOf(
                  calc(facts, state.given, state.shown, ({ props }, { props: values }, { faults }) =>
                    props.map((field) => ({
                      field,
                      holds: { value: values[field.name] },
                      fault: faults[field.name] ?? '',
                    })),
                  ),
                  ({ fault, field, holds }) =>
                    ValueField({
                      field,
                      holds,
                      fault,
                      label: calc(field.name, inWords),
                      on: { edited: handlers.edited(field.name) },
                    }),
                  { key: (one) => one.field.name, empty: el.p({ class: 'none' }, 'It accepts none.') },
                ),
              ),
            ),
            given(
              calc(facts.slots, (all) => all.length > 0),
              el.section(
                { 'aria-label': 'Slots' },
                el.h3('Slots ', el.span({ class: 'soft' }, 'HTML text')),
                el.div(
                  { class: 'fields' },
                  eachOf(
                    calc(facts.slots, state.given, (slots, { names = {}, slots: texts }) =>
                      slots.map((one) => ({
                        ...one,
                        text: texts[one.name] ?? '',
                        as: names[one.name] ?? 'data',
                      })),
                    ),
                    (one) => SlotField({ facts: one, on: { filled: handlers.filled(one.name) } }),
                    { key: 'name' },
                  ),
                ),
              ),
            ),
          ],
        ),
        el.section(
          { 'aria-label': 'Keep it' },
          el.h3('Keep it'),
          el.div(
            { class: 'copies' },
            el.button({ type: 'button', on: { click: handlers.copy('html') } }, 'Copy as HTML text'),
            given(
              state.shown.code,
              el.button({ type: 'button', on: { click: handlers.copy('code') } }, 'Copy as functions'),
            ),
            el.button({ type: 'button', on: { click: handlers.copy('address') } }, 'Copy the address'),
          ),
          el.form(
            { class: 'save', style: { 'margin-block-start': '.6rem' }, on: { submit: handlers.save(false) } },
            el.input({
              id: name,
              'aria-label': 'Name of the sample',
              placeholder: 'Name of the sample',
              required: true,
              autocomplete: 'off',
              bind: state.sampleName,
              on: { input: handlers.named() },
            }),
            el.button({ type: 'submit' }, 'Save as a sample'),
            given(
              state.isTaken,
              el.button({ type: 'button', on: { click: handlers.save(true) } }, 'Replace it'),
            ),
          ),
          el.output({ for: name, role: 'status' }, state.notice),
        ),
      );
    }

    function comesOfIt(): Content {
      const { shown } = state;
      return el.div(
        { class: 'comes', 'aria-busy': state.isAsking },
        el.section(
          { 'aria-label': 'Alive' },
          looks(),
          LiveStage({
            text: shown.text,
            width: state.look.width,
            scheme: state.look.scheme,
            direction: state.look.dir,
            isStill: state.look.isStill,
            listens: calc(facts.events, (events) => events.map(({ name }) => name)),
            on: { sent: handlers.heard(), said: handlers.was(), renewed: handlers.renewed() },
          }),
        ),
        given(
          calc(
            shown,
            facts,
            state.failure,
            state.said,
            (now, of, failure, said) => failure !== '' || together(now, of.problems, said).length > 0,
          ),
          el.section(
            { class: 'problems', 'aria-label': 'Problems' },
            given(state.failure, ProblemNote({ problem: calc(state.failure, (why) => noted(why)) })),
            eachOf(calc(shown, facts.problems, state.said, together), (one) => ProblemNote({ problem: one })),
          ),
        ),
        el.div(
          { class: 'parts' },
          part('The use', [
            CodeView({ label: 'The use as HTML text', lines: calc(shown.text, asLines), wraps: true }),
            given(
              shown.code,
              el.div(
                { style: { 'margin-block-start': '.5rem' } },
                CodeView({ label: 'The use in functions', lines: calc(shown.code, asLines), wraps: true }),
              ),
            ),
          ]),
          part(
            ['HTML text ', el.span({ class: 'soft' }, calc(shown, sizes))],
            CodeView({ label: 'HTML text', lines: shown.lines }),
          ),
          given(
            calc(facts.events, (events) => events.length > 0),
            part('Events', [
              el.ul(
                { class: 'events', role: 'list', 'aria-live': 'polite' },
                eachOf(state.sent, (one) => el.li(el.b(one.name), el.code(one.detail)), {
                  empty: el.li({ class: 'soft' }, calc(facts.events, listening)),
                }),
              ),
              given(
                calc(state.sent, (all) => all.length > 0),
                el.button(
                  {
                    type: 'button',
                    style: { 'margin-block-start': '.5rem' },
                    on: { click: handlers.forget() },
                  },
                  'Clear',
                ),
              ),
            ]),
          ),
          part(
            'Tree',
            el.ul(
              { class: 'tree', role: 'list' },
              eachOf(shown.tree, (line) => TreeBranch({ line })),
            ),
          ),
        ),
      );
    }

    function looks(): Content {
      const { look } = state;
      return el.div(
        { class: 'looks', role: 'group', 'aria-label': 'How it is looked at' },
        el.label(
          'Width ',
          el.select(
            { on: { change: handlers.looked('width') } },
            [0, 360, 768, 1280].map((wide) =>
              el.option(
                { value: String(wide), selected: calc(look, wide, ({ width }, one) => width === one) },
                wide === 0 ? 'to fit' : `${wide} px`,
              ),
            ),
          ),
        ),
        el.input({
          class: 'number',
          type: 'number',
          min: 120,
          max: 4000,
          step: 1,
          'aria-label': 'Width in pixels',
          value: calc(look, ({ width }) => width || null),
          on: { change: handlers.looked('width') },
        }),
        choice('Colours ', 'scheme', { light: 'light', dark: 'dark' }, look.scheme),
        choice('Direction ', 'dir', { ltr: 'left to right', rtl: 'right to left' }, look.dir),
        el.label(
          el.input({ type: 'checkbox', checked: look.isStill, on: { change: handlers.looked('isStill') } }),
          'Less motion',
        ),
      );
    }

    function choice(
      label: string,
      what: 'scheme' | 'dir',
      words: Readonly<Record<string, string>>,
      now: typeof state.look.scheme | typeof state.look.dir,
    ): Content {
      return el.label(
        label,
        el.select(
          { on: { change: handlers.looked(what) } },
          Object.entries(words).map(([value, word]) =>
            el.option({ value, selected: calc(now, value, (one, other) => one === other) }, word),
          ),
        ),
      );
    }
  },
});

function part(title: Content, content: Content): Content {
  return el.section({ class: 'part' }, el.h3(title), content);
}
