// Components that state their types, and definitions written apart.

import {
  type Component,
  type Content,
  component,
  definition,
  type Expr,
  el,
  given,
  type PropsOf,
  prop,
  type SlotsOf,
  slot,
} from 'zesty-lattice';
import { same, takes } from './expect.js';

// A component may state its type, as a function does: a checker then need not look into it.
interface StatedProps {
  readonly title: string;
  readonly crates?: number | undefined;
}
const statedParts = {
  props: { title: prop.text(), crates: prop.number().fallback(0) },
  slots: { default: slot(), badge: slot() },
};
const Stated: Component<StatedProps, { readonly default?: Content; readonly badge?: Content }> = component(
  'stated-part',
  {
    ...statedParts,
    template: ({ props, slots }) => el.p(props.title, props.crates, slots.default(), slots.badge()),
  },
);
Stated({ title: 'x' }, { badge: 'y' });
// @ts-expect-error Stated needs its title
Stated({});
// @ts-expect-error the stated title is a number, and the declared one is text
const WrongKind: Component<{ readonly title: number }, Record<never, never>> = component('wrong-kind', {
  props: { title: prop.text() },
  template: ({ props }) => el.p(props.title),
});
// @ts-expect-error the declared title is required, and the stated one is not
const Looser: Component<{ readonly title?: string }, Record<never, never>> = component('looser-part', {
  props: { title: prop.text() },
  template: ({ props }) => el.p(props.title),
});
// @ts-expect-error the stated slot "foot" is not declared
const MoreSlots: Component<Record<never, never>, { readonly foot?: Content }> = component('more-slots', {
  slots: { head: slot() },
  template: ({ slots }) => el.p(slots.head()),
});
takes<unknown>([WrongKind, Looser, MoreSlots]);

// It may also say it by its own records of kinds and slots: nothing is written twice, and it may stand inside itself.
const branchProps = {
  title: prop.text(),
  crates: prop.number().fallback(0),
  tone: prop.choice(['a', 'b']).optional(),
};
const branchSlots = { default: slot(), foot: slot.required(), row: slot.with<{ readonly name: string }>() };
const Branch: Component<PropsOf<typeof branchProps>, SlotsOf<typeof branchSlots>> = component('branch-part', {
  props: branchProps,
  slots: branchSlots,
  template: ({ props, slots }) =>
    given(props.crates, Branch({ title: props.title }, { foot: slots.foot(), default: props.tone })),
});
same<
  PropsOf<typeof branchProps>,
  { title: string; crates?: number | undefined; tone?: 'a' | 'b' | undefined }
>(true);
same<PropsOf<typeof Branch>, PropsOf<typeof branchProps>>(true);
same<SlotsOf<typeof Branch>, SlotsOf<typeof branchSlots>>(true);
same<
  SlotsOf<typeof branchSlots>,
  { foot: Content; default?: Content; row?: ((data: Expr<{ readonly name: string }>) => Content) | undefined }
>(true);
Branch({ title: 'x', tone: 'b' }, { foot: 'y', row: (row) => row.name });
// @ts-expect-error Branch needs its title
Branch({}, { foot: 'y' });
// @ts-expect-error Branch needs its slot "foot"
Branch({ title: 'x' });
// @ts-expect-error "c" is none of the tones
Branch({ title: 'x', tone: 'c' }, { foot: 'y' });

// One without slots says its props alone, one with neither says nothing.
const leafProps = { title: prop.text() };
const Leaf: Component<PropsOf<typeof leafProps>> = component('leaf-part', {
  props: leafProps,
  template: ({ props }) => el.p(props.title),
});
Leaf({ title: 'x' });
// @ts-expect-error Leaf has no slots
Leaf({ title: 'x' }, 'content');
const Bud: Component = component('bud-part', { template: () => el.p('x') });
Bud();
// @ts-expect-error Bud has no props
Bud({ title: 'x' });

// A definition written apart keeps its types.
const leafParts = definition({
  props: { tag: prop.tag(['p', 'label']), title: prop.text() },
  state: ({ title }) => ({ letters: title.length }),
  handlers: { add: ({ state }, step: number) => ({ letters: state.letters + step }) },
  accepts: 'tag',
  template: ({ props, state, handlers, accepted }) =>
    el.of(props.tag, { ...accepted, on: { click: handlers.add(1) } }, props.title, state.letters),
});
const Apart = component('apart-part', leafParts);
Apart({ title: 'x', tag: 'label', for: 'y' });
// @ts-expect-error Apart needs its title
Apart({});
// @ts-expect-error Apart has no slots
Apart({ title: 'x' }, 'content');
// @ts-expect-error a paragraph is for nothing
Apart({ title: 'x', tag: 'p', for: 'y' });
const FromText = component(
  'text-part',
  definition({ props: { title: prop.text() }, template: '<p>{{ title }}</p>' }),
);
FromText({ title: 'x' }, { any: 'slot' });
// @ts-expect-error FromText needs its title
FromText({}, { any: 'slot' });
definition({
  state: () => ({ count: 0 }),
  // @ts-expect-error the state has no "cuont"
  handlers: { add: () => ({ cuont: 1 }) },
  template: () => null,
});
