import { type AnyComponent, type Content, component, el, prop, slot, type Use } from 'zesty-lattice';
import { type RenderOptions, renderHtml } from 'zesty-lattice/html';
import { base, type Case, type Data, type Item, type Step, type Tools, usualSteps } from './case.js';
import { blueprintOf, componentCore, HandlerCall } from './internals.js';
import { markupOf, NoMarkup } from './text-of.js';

const data = prop.schema<Data, Data>({
  '~standard': { version: 1, vendor: 'same', validate: (value) => ({ value: value as Data }) },
});

/** A component that shows a case: its props are the data, and its state starts as the data of the prop `initial`. */
function showing(name: string, one: Case, template: unknown, more: object): AnyComponent {
  return component(name, {
    props: {
      text: prop.text(),
      count: prop.number(),
      flag: prop.flag(),
      maybe: prop.text().optional(),
      items: prop.list<Item>(),
      tag: prop.text(),
      url: prop.text(),
      note: prop.record<Data['note']>(),
      chosen: prop.list<string>(),
      initial: data,
    },
    slots: { default: slot(), title: slot(), foot: slot(), row: slot.with<Item>() },
    state: ({ initial }: { initial: Data }) => ({ ...initial, maybe: initial.maybe }),
    handlers: {
      set: (_context: unknown, field: string, value: unknown) => ({ [field]: value }),
      add: ({ state }: { state: Data }, step: number) => ({ count: state.count + step }),
    },
    connected: ({ change, host }: { change: (data: Partial<Data>) => void; host: object }) =>
      void Object.assign(host, { change }),
    ...(one.styles !== undefined && { styles: one.styles }),
    ...more,
    template,
  } as never) as unknown as AnyComponent;
}

/** The case as functions. */
export function asFunctions(name: string, one: Case): AnyComponent {
  return showing(name, one, (tools: Tools) => one.template(tools), {});
}

/** The case as HTML text; the reason, where it cannot be. */
export function asMarkup(name: string, one: Case): AnyComponent | string {
  if (one.without?.markup) return one.without.markup;
  const functions = componentCore(asFunctions(name, one));
  try {
    const { text, uses, helpers } = markupOf(functions && blueprintOf(functions).content);
    // The cores of components are what their own functions give.
    const components = [...uses].map((core) => callableOf(core));
    return showing(name, one, text, { uses: components, helpers, foreign: ['orchard-map'] });
  } catch (thrown) {
    if (thrown instanceof NoMarkup) return thrown.message;
    throw thrown;
  }
}

/** Something that counts as a component where a list of them is read. */
function callableOf(core: object): unknown {
  return Object.defineProperty(() => undefined, Symbol.for('zesty-lattice.component'), { value: core });
}

export interface Moment {
  readonly props: Data;
  readonly state: Data;
}

/** What holds at first, and after each step. */
export function momentsOf(one: Case): readonly Moment[] {
  let now: Moment = { props: { ...base, ...one.props }, state: { ...base, ...one.state } };
  const moments = [now];
  for (const { props, state } of stepsOf(one)) {
    now = { props: { ...now.props, ...props }, state: { ...now.state, ...state } };
    moments.push(now);
  }
  return moments;
}

export function stepsOf(one: Case): readonly Step[] {
  return one.steps ?? usualSteps;
}

export function useOf(made: AnyComponent, one: Case, { props, state }: Moment): Use {
  const use = made as unknown as (props: object, content?: unknown) => Use;
  return use({ ...props, initial: state }, one.content);
}

const Spot = component('same-spot', {
  slots: { default: slot() },
  template: ({ slots }) => slots.default(),
});

/** The same content with plain values in it, built inline. */
export function onTheSpot(one: Case, { props, state }: Moment): Content {
  const place = (name: string) => {
    const given = one.content?.[name];
    const isFilled = given !== undefined && given !== null;
    const shown = (...args: unknown[]): Content =>
      isFilled ? given : ((name === 'row' ? args[1] : args[0]) as Content);
    return Object.assign(shown, { filled: isFilled });
  };
  const handlers = { set: 0, add: 0 };
  return one.template({
    props,
    state,
    slots: { default: place('default'), title: place('title'), foot: place('foot'), row: place('row') },
    handlers: Object.fromEntries(
      Object.keys(handlers).map((name) => [name, (...args: unknown[]) => new HandlerCall(name, args)]),
    ),
    accepted: {},
  } as unknown as Tools);
}

/** The HTML text of one way of writing. A problem is what it shows, too. */
export function html(write: () => string): string {
  try {
    return write();
  } catch (thrown) {
    const { problems } = thrown as { problems?: readonly { code: string; message: string }[] };
    return problems
      ? `! ${[...new Set(problems.map(({ code }) => code))].sort().join(' ')}`
      : `! ${(thrown as Error).stack}`;
  }
}

export function htmlOfSpot(one: Case, moment: Moment, by?: RenderOptions): string {
  // In an element, since white space alone fills no slot.
  const use = Spot({}, el.div(onTheSpot(one, moment)));
  return html(() => (by ? renderHtml(use, by) : renderHtml(use)));
}
