import fc from 'fast-check';
import {
  type Component,
  type Content,
  calc,
  component,
  eachOf,
  el,
  given,
  prop,
  slot,
  uid,
  whenLoaded,
} from 'zesty-lattice';

export const wait = (ms: number, signal?: AbortSignal): Promise<void> =>
  new Promise((done, fail) => {
    const timer = setTimeout(done, ms);
    signal?.addEventListener('abort', () => {
      clearTimeout(timer);
      fail(signal.reason);
    });
  });

export interface Grove {
  readonly name: string;
  /** How long it takes to load. */
  readonly ms: number;
  readonly fails: boolean;
  readonly rows: number;
  readonly inside: readonly Grove[];
}

/** What was started, and what was stopped. */
export const log = { started: [] as string[], stopped: [] as string[] };

export const load = async ({ props, signal }: { props: { readonly grove: Grove }; signal: AbortSignal }) => {
  const { fails, ms, name, rows } = props.grove;
  log.started.push(name);
  signal.addEventListener('abort', () => log.stopped.push(name));
  if (ms > 0) await wait(ms, signal);
  if (fails) throw new Error(`${name} is closed`);
  return { name: `<${name}>`, rows: Array.from({ length: rows }, (_, id) => ({ id })) };
};

export const TreeRow = component('tree-row', {
  props: { id: prop.number() },
  slots: { default: slot() },
  template: ({ props, slots }) => el.li(props.id, slots.default()),
});

/** Shows where it failed, holds others, in rows and in slots. */
export const GroveView: Component<{ grove: Grove }, { default?: Content }> = component('grove-view', {
  props: { grove: prop.record<Grove>() },
  slots: { default: slot() },
  load,
  template: ({ props, data, slots }) =>
    el.section(
      { id: uid('grove') },
      whenLoaded(data, {
        loading: el.p('…'),
        loaded: (value) => [
          el.h2(value.name),
          eachOf(value.rows, (row) => TreeRow({ id: row.id }, el.i(value.name, row.id)), { key: 'id' }),
          eachOf(props.grove.inside, (one, index) => [el.hr(), GroveBox({ grove: one }, el.b('in ', index))]),
        ],
        failed: (fault) => el.em(fault.message),
      }),
      slots.default(),
    ),
});

/** Fails as a whole. */
export const GroveBox: Component<{ grove: Grove }, { default?: Content }> = component('grove-box', {
  props: { grove: prop.record<Grove>() },
  slots: { default: slot() },
  load,
  onFailure: ({ fault }) => el.strong({ class: 'sorry' }, fault.message),
  template: ({ props, data, slots }) => [
    el.pre('\n', slots.default()),
    whenLoaded(data, {
      loaded: (value) => [
        el.h3(value.name),
        given(
          calc(value.rows, (rows) => rows.length > 2),
          GroveView({ grove: props.grove.inside[0] as never }, slots.default()),
        ),
        eachOf(props.grove.inside, (one) => GroveView({ grove: one })),
      ],
    }),
  ],
});

export const Page = component('grove-page', {
  props: { groves: prop.list<Grove>() },
  template: ({ props }) =>
    el.main(
      eachOf(props.groves, (one, index) => GroveView({ grove: one }, el.u('at ', index))),
      eachOf(props.groves, (one) => GroveBox({ grove: one }, el.s(one.name))),
    ),
});

const groveOf = (depth: number): fc.Arbitrary<Grove> =>
  fc.record({
    name: fc.constantFrom('north', 'south', 'terrace', 'weir'),
    ms: fc.constantFrom(0, 0, 1, 3),
    fails: fc.boolean(),
    rows: fc.nat({ max: 4 }),
    inside: depth === 0 ? fc.constant([]) : fc.array(groveOf(depth - 1), { maxLength: 2 }),
  });
export const groves = groveOf(4);

/** A grove that has one inside, which the box asks for. */
export const whole = (one: Grove, depth = 0): Grove => ({
  ...one,
  rows: one.inside.length > 0 && depth <= 3 ? one.rows : Math.min(one.rows, 2),
  inside: depth > 3 ? [] : one.inside.map((inner) => whole(inner, depth + 1)),
});
