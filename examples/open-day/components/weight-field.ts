import { calc, component, el, event, given, phrase, prop, uid } from 'zesty-lattice';

export const WeightField = component('weight-field', {
  description: 'Asks for a weight in kilos; takes part in a form as any control does.',
  props: {
    label: prop.text(),
    most: prop.number().fallback(9),
    disabled: prop.flag(),
  },
  state: () => ({ kilos: 0 }),
  events: { changed: event<{ kilos: number }>() },
  field: {
    value: ({ state }) => (state.kilos > 0 ? String(state.kilos) : null),
    fault: ({ props, state }) =>
      state.kilos === 0
        ? 'Say how many kilos.'
        : state.kilos > props.most
          ? `At most ${props.most} kilos go into a crate.`
          : undefined,
    restore: (value) => ({ kilos: Number(value) }),
  },
  styles: `
    :host { display: grid; gap: .25rem; font-size: .875rem; color: var(--quiet, #555) }
    .line { display: flex; gap: .6rem; align-items: center }
    input { flex: 1; min-inline-size: 0; accent-color: var(--focus, #c25e00) }
    output { font-variant-numeric: tabular-nums; font-weight: 650; color: var(--ink, #000); min-inline-size: 3.5rem; text-align: end }
    .much { color: var(--alert, #a8321c) }
  `,
  template: ({ props, state }) => {
    const range = uid('range');
    return [
      el.label({ for: range }, props.label),
      el.div(
        { class: 'line' },
        el.input({ id: range, type: 'range', min: 0, max: 12, bind: state.kilos, disabled: props.disabled }),
        el.output({ for: range }, phrase`${state.kilos} kg`),
      ),
      given(
        calc(state.kilos, props.most, (kilos, most) => kilos > most),
        el.span({ class: 'much', role: 'alert' }, phrase`At most ${props.most} kilos go into a crate.`),
      ),
    ];
  },
});
