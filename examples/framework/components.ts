// Two components that are written in the classes of a CSS framework, whose sheet their shadow roots share.
import { calc, component, el, preset, prop, slot } from 'zesty-lattice';

/** The framework's words as the team's own. */
const button = preset(el.button, { type: 'button', class: 'btn btn-primary' });

export const TreeCount = component('tree-count', {
  description: 'How many trees are left.',
  props: { left: prop.number() },
  state: () => ({ isOpen: true }),
  template: ({ props, state }) =>
    el.span(
      {
        class: [
          'label label-rounded',
          { 'label-success': calc(props.left, state.isOpen, (left) => left > 0) },
        ],
      },
      calc(props.left, (left) => (left === 0 ? 'all adopted' : `${left} left`)),
    ),
});

export const TreeCard = component('tree-card', {
  description: 'A tree that is up for adoption.',
  props: { name: prop.text(), age: prop.number(), trees: prop.number().fallback(1) },
  slots: { default: slot() },
  styles:
    ':host { display: block } .card { box-shadow: none } .card-footer { display: flex; gap: .75rem; align-items: center }',
  state: ({ trees }) => ({ left: trees }),
  handlers: { adopt: ({ state }) => ({ left: state.left - 1 }) },
  template: ({ props, slots, state, handlers }) =>
    el.div(
      { class: 'card' },
      el.div(
        { class: 'card-header' },
        el.div({ class: 'card-title h5' }, props.name),
        el.div(
          { class: 'card-subtitle text-gray' },
          calc(props.age, (age) => `${age} years old`),
        ),
      ),
      el.div({ class: 'card-body' }, slots.default()),
      el.div(
        { class: 'card-footer' },
        button(
          { disabled: calc(state.left, (left) => left === 0), on: { click: handlers.adopt() } },
          'Adopt one',
        ),
        TreeCount({ left: state.left }),
      ),
    ),
});
