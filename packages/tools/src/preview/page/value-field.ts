import { type Content, calc, component, eachOf, el, event, given, phrase, prop, uid } from 'zesty-lattice';
import type { FieldFacts } from '../../reading/facts.js';
import { fieldRules } from './rules.js';
import { type Held, inWords, startOf, textOf, typedValue, wayOf } from './values.js';

const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value);
const fieldsOf = (value: unknown): Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !isList(value) ? (value as Record<string, unknown>) : {};

/** How a value is edited now: its own way, or as JSON where that was asked for or where it is not what it should be. */
function wayNow(field: FieldFacts, { value }: Held, isJson: boolean): string {
  const way = wayOf(field);
  if (way === 'list') return isJson || !(value === undefined || isList(value)) ? 'json' : way;
  if (way === 'record')
    return isJson || isList(value) || (typeof value !== 'object' && value !== undefined) ? 'json' : way;
  return way;
}

function shownIn(field: FieldFacts, { value }: Held): { readonly text: string; readonly isOn: boolean } {
  return { text: wayOf(field) === 'date' ? textOf(value).slice(0, 10) : textOf(value), isOn: value === true };
}

/** A field for a prop, an item or a record's field, by its kind; what is in a list or a record has fields of its own. */
export const ValueField = component('value-field', {
  props: {
    field: prop.record<FieldFacts>(),
    holds: prop.record<Held>(),
    /** What the kind says of the value, where it does not fit. */
    fault: prop.text().fallback(''),
    label: prop.text(),
  },
  state: ({ field, holds }) => ({ ...shownIn(field, holds), isJson: false, misread: '' }),
  events: { edited: event<Held>() },
  styles: fieldRules,
  handlers: {
    typed: ({ dispatch, event, props: { field } }) => {
      const { value } = event.target as HTMLInputElement;
      dispatch('edited', value === '' && field.kind !== 'text' ? {} : { value: typedValue(field, value) });
    },
    chose: ({ dispatch, event }) => {
      const { value } = event.target as HTMLSelectElement;
      dispatch('edited', value === '' ? {} : { value });
    },
    ticked: ({ dispatch, event, props: { field } }) => {
      const { checked } = event.target as HTMLInputElement;
      dispatch('edited', checked || field.isNeeded || field.fallback === 'true' ? { value: checked } : {});
    },
    typedJson: ({ dispatch, event }) => {
      const { value } = event.target as HTMLTextAreaElement;
      if (value.trim() === '') {
        dispatch('edited', {});
        return { misread: '' };
      }
      try {
        dispatch('edited', { value: JSON.parse(value) });
        return { misread: '' };
      } catch (thrown) {
        return { misread: `This is no JSON yet: ${(thrown as Error).message}` };
      }
    },
    leaveOut: ({ dispatch }) => {
      dispatch('edited', {});
      return { misread: '' };
    },
    turn: ({ props, state }) => ({ isJson: !state.isJson, misread: '', text: textOf(props.holds.value) }),
    part: ({ dispatch, event, props: { field, holds } }, key: string | number) => {
      // Its own event says the same of the whole.
      event.stopPropagation();
      const { value } = (event as CustomEvent<Held>).detail;
      if (field.kind === 'list') {
        const items = [...(isList(holds.value) ? holds.value : [])];
        items[Number(key)] = value ?? null;
        dispatch('edited', { value: items });
        return;
      }
      const { [key]: _before, ...others } = fieldsOf(holds.value);
      dispatch('edited', {
        value: value === undefined ? others : { ...fieldsOf(holds.value), [key]: value },
      });
    },
    add: ({ dispatch, props: { field, holds } }) => {
      const [item] = field.parts;
      const items = isList(holds.value) ? holds.value : [];
      dispatch('edited', { value: [...items, item ? startOf({ ...item, name: 'item' }) : null] });
    },
    drop: ({ dispatch, props: { holds } }, index: number) => {
      if (isList(holds.value)) dispatch('edited', { value: holds.value.filter((_, at) => at !== index) });
    },
    lift: ({ dispatch, props: { holds } }, index: number) => {
      if (!isList(holds.value) || index === 0) return;
      const items = [...holds.value];
      items.splice(index - 1, 0, ...items.splice(index, 1));
      dispatch('edited', { value: items });
    },
  },
  reactions: {
    holds: ({ props: { field, holds }, state }) => {
      const { text, isOn } = shownIn(field, holds);
      // What is being typed stays as it is typed, as long as it means the value: `1.0`, or JSON in other lines.
      const isMeant = JSON.stringify(meant(field, state.text)) === JSON.stringify(holds.value);
      return isMeant && isOn === state.isOn ? {} : { text, isOn };
    },
  },
  template: ({ props, state, handlers }) => {
    const [control, words] = [uid('control'), uid('words')];
    const { field, holds, label } = props;
    const way = calc(field, holds, state.isJson, wayNow);
    const is = (one: string) => calc(way, one, (now, wanted) => now === wanted);
    const description = {
      'aria-describedby': words,
      'aria-invalid': calc(
        props.fault,
        state.misread,
        (fault, misread) => fault !== '' || misread !== '' || null,
      ),
    };
    const hint = calc(field, ({ fallback }) => fallback || null);
    return [
      given(
        is('flag'),
        el.div(
          { class: 'label' },
          el.label(
            { class: 'tick' },
            el.input({
              type: 'checkbox',
              bind: state.isOn,
              ...description,
              on: { change: handlers.ticked() },
            }),
            label,
          ),
          leaveOut(),
        ),
        el.div(
          { class: 'label' },
          given(
            calc(way, (now) => now === 'list' || now === 'record'),
            el.span({ class: 'name' }, label),
            el.label({ for: control }, label),
          ),
          el.span(
            { class: 'kind' },
            calc(field, ({ isNeeded, kind }) => `${kind}${isNeeded ? ', required' : ''}`),
          ),
          leaveOut(),
        ),
      ),
      given(
        is('line'),
        el.input({
          id: control,
          inputmode: calc(field, ({ kind }) =>
            kind === 'number' ? 'decimal' : kind === 'url' ? 'url' : 'text',
          ),
          placeholder: hint,
          autocomplete: 'off',
          bind: state.text,
          ...description,
          on: { input: handlers.typed() },
        }),
      ),
      given(
        is('date'),
        el.input({
          id: control,
          type: 'date',
          bind: state.text,
          ...description,
          on: { input: handlers.chose() },
        }),
      ),
      given(
        is('choice'),
        el.select(
          { id: control, bind: state.text, ...description, on: { change: handlers.chose() } },
          el.option(
            { value: '' },
            calc(field, ({ fallback }) => (fallback === '' ? '–' : `– (${fallback})`)),
          ),
          eachOf(field.words, (word) => el.option({ value: word }, word)),
        ),
      ),
      given(
        is('json'),
        el.textarea({
          id: control,
          rows: 6,
          spellcheck: false,
          placeholder: hint,
          bind: state.text,
          ...description,
          on: { input: handlers.typedJson() },
        }),
      ),
      given(
        is('record'),
        el.fieldset(
          { 'aria-label': label },
          eachOf(
            calc(field, holds, ({ parts }, { value }) =>
              parts.map((part) => ({
                part,
                label: inWords(part.name),
                inner: { value: fieldsOf(value)[part.name] },
              })),
            ),
            ({ inner, label: name, part }): Content =>
              ValueField({
                field: part,
                holds: inner,
                label: name,
                on: { edited: handlers.part(part.name) },
              }),
          ),
        ),
      ),
      given(
        is('list'),
        el.fieldset(
          { 'aria-label': label },
          eachOf(
            calc(field, holds, ({ parts }, { value }) =>
              (isList(value) ? value : []).flatMap((item) =>
                parts[0] ? [{ part: parts[0], inner: { value: item } }] : [],
              ),
            ),
            ({ inner, part }, index): Content =>
              el.div(
                { class: 'item' },
                ValueField({
                  field: part,
                  holds: inner,
                  label: phrase`${label} ${calc(index, (at) => at + 1)}`,
                  on: { edited: handlers.part(index) },
                }),
                el.div(
                  { class: 'row' },
                  el.button(
                    {
                      type: 'button',
                      disabled: calc(index, (at) => at === 0),
                      'aria-label': phrase`Move up ${label} ${calc(index, (at) => at + 1)}`,
                      on: { click: handlers.lift(index) },
                    },
                    'Move up',
                  ),
                  el.button(
                    {
                      type: 'button',
                      'aria-label': phrase`Take out ${label} ${calc(index, (at) => at + 1)}`,
                      on: { click: handlers.drop(index) },
                    },
                    'Take out',
                  ),
                ),
              ),
          ),
          el.div(
            el.button(
              { type: 'button', class: 'add', on: { click: handlers.add() } },
              phrase`Add to ${label}`,
            ),
          ),
        ),
      ),
      given(
        calc(field, (one) => /^(?:list|record)$/.test(wayOf(one))),
        el.div(
          { class: 'ways' },
          el.button(
            { type: 'button', class: 'out', 'aria-pressed': state.isJson, on: { click: handlers.turn() } },
            phrase`${label} as JSON`,
          ),
        ),
      ),
      el.div(
        { id: words },
        given(field.description, el.p(field.description)),
        given(props.fault, el.p({ class: 'fault' }, phrase`${label} ${props.fault}`)),
        given(state.misread, el.p({ class: 'fault' }, state.misread)),
      ),
    ];

    function leaveOut(): Content {
      return given(
        calc(field, holds, ({ isNeeded }, { value }) => !isNeeded && value !== undefined),
        el.button(
          {
            type: 'button',
            class: 'out',
            'aria-label': phrase`Remove ${label}`,
            on: { click: handlers.leaveOut() },
          },
          'Remove',
        ),
      );
    }
  },
});

/** What the text of a control means, so far as it can be read. */
function meant(field: FieldFacts, text: string): unknown {
  if (wayOf(field) === 'line')
    return text === '' && field.kind !== 'text' ? undefined : typedValue(field, text);
  if (wayOf(field) !== 'json' && wayOf(field) !== 'list' && wayOf(field) !== 'record') return text;
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
