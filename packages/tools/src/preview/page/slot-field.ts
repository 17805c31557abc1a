import { calc, component, el, event, given, phrase, prop, uid } from 'zesty-lattice';
import type { SlotFacts } from '../../reading/facts.js';
import { controlRules } from './rules.js';

/** A slot's content as HTML text. Its text follows what it is given, and stays as it is typed. */
export const SlotField = component('slot-field', {
  props: { facts: prop.record<SlotFacts & { readonly text: string; readonly as: string }>() },
  state: ({ facts }) => ({ text: facts.text }),
  styles: `${controlRules}
    :host { display: grid; gap: .25rem }
    label { font-weight: 600; display: flex; flex-wrap: wrap; gap: .5rem; align-items: baseline }
    .kind { color: var(--soft); font-size: .8rem; font-weight: 400 }
    p { margin: 0; color: var(--soft); font-size: .85rem }
  `,
  events: { filled: event<{ text: string }>() },
  handlers: {
    typed: ({ dispatch, event: { target } }) => {
      dispatch('filled', { text: (target as HTMLTextAreaElement).value });
    },
  },
  reactions: {
    facts: ({ props: { facts }, state }) => (facts.text === state.text ? {} : { text: facts.text }),
  },
  template: ({ props: { facts }, state, handlers }) => {
    const [text, words] = [uid('text'), uid('words')];
    return [
      el.label(
        { for: text },
        facts.name,
        el.span(
          { class: 'kind' },
          calc(
            facts,
            ({ hands, isNeeded }) =>
              `${hands ? 'receives data' : ''}${hands && isNeeded ? ', ' : ''}${isNeeded ? 'required' : ''}`,
          ),
        ),
      ),
      el.textarea({
        id: text,
        rows: 2,
        spellcheck: false,
        bind: state.text,
        'aria-describedby': words,
        on: { input: handlers.typed() },
      }),
      el.div(
        { id: words },
        given(facts.description, el.p(facts.description)),
        given(facts.hands, el.p('What it hands over is ', el.code(phrase`{{ ${facts.as} }}`), ' here.')),
      ),
    ];
  },
});
