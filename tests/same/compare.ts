import type { AnyComponent } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
import { type RenderOptions, renderBytes, renderHtml } from 'zesty-lattice/html';
import type { Case } from './case.js';
import {
  componentCore,
  countInPage,
  liveOf,
  NotWritten,
  own,
  runtime,
  type Sources,
  writeComponent,
} from './internals.js';
import { shapeOf } from './shape.js';
import { inEachWay } from './ways.js';
import {
  asFunctions,
  asMarkup,
  html,
  htmlOfSpot,
  type Moment,
  momentsOf,
  stepsOf,
  useOf,
} from './writings.js';

/** Where elements are planned: by the page, or ahead, by a build. */
export type Planning = 'page' | 'ahead';

export interface Difference {
  readonly name: string;
  readonly writing: string;
  readonly when: number;
  readonly got: string;
  readonly wanted: string;
}

export interface Outcome {
  /** The HTML text of the functions, at first and after each step. */
  readonly html: readonly string[];
  readonly differences: readonly Difference[];
  /** Ways of writing that were compared. */
  readonly compared: readonly string[];
  /** Why others were not. */
  readonly left: Readonly<Record<string, string>>;
}

let count = 0;

/** Compares all ways of writing a case with its functions' HTML text. */
export async function compare(one: Case, planning: Planning): Promise<Outcome> {
  const moments = momentsOf(one);
  const functions = asFunctions(`same-case-${count++}`, one);
  const texts = moments.map((moment) => html(() => renderHtml(useOf(functions, one, moment))));
  const wanted = moments.map((moment, at) => parsed(texts[at] ?? '', functions, one, moment));
  const differences: Difference[] = [];
  const compared: string[] = ['text'];
  const left: Record<string, string> = {};
  const fail = (writing: string, when: number, got: string, expected: string): void =>
    void differences.push({ name: one.name, writing, when, got, wanted: expected });
  const say = (name: string, more: readonly string[]): void =>
    more.forEach((line) => fail(name, -1, line, 'nothing on the console'));

  if (planning === 'page') {
    compared.push(...eachWay(functions, one, moments, 'text', fail));
  }
  if (one.without?.spot) left['inline'] = one.without.spot;
  else if (planning === 'page') {
    compared.push('inline');
    moments.forEach((moment, at) => {
      const text = htmlOfSpot(one, moment);
      const wantedText = texts[at]?.startsWith('! ') ? texts[at] : `<div>${texts[at]}</div>`;
      if (one.styles === undefined && shapeIn(text) !== shapeIn(wantedText))
        fail('inline', at, text, wantedText);
    });
  }
  const markup = asMarkup(`same-case-${count++}`, one);
  if (typeof markup === 'string') left['as HTML text'] = markup;
  else if (planning === 'page') {
    compared.push('as HTML text');
    moments.forEach((moment, at) => {
      const text = html(() => renderHtml(useOf(markup, one, moment)));
      if (shapeIn(text) !== shapeIn(texts[at] ?? '')) fail('as HTML text', at, text, texts[at] ?? '');
    });
    compared.push(...eachWay(markup, one, moments, 'HTML text', fail));
  }
  if (one.without?.element) left.element = one.without.element;
  else {
    const writings: readonly (readonly [string, AnyComponent])[] = [
      ['functions', functions],
      ...(typeof markup === 'string' ? [] : ([['HTML text', markup]] as const)),
    ];
    for (const [writing, made] of writings) {
      const how = planned(made, planning);
      if (how !== undefined) {
        left[`element of ${writing}, ahead`] = how;
        continue;
      }
      for (const isTaken of [false, true]) {
        const name = `element of ${writing}, planned ${planning === 'page' ? 'in the page' : 'ahead'}${isTaken ? ', hydrated' : ''}`;
        compared.push(name);
        say(
          name,
          await element(made, one, moments, wanted, isTaken, (when, got, expected) =>
            fail(name, when, got, expected),
          ),
        );
      }
    }
  }
  return { html: texts, differences, compared, left };
}

/** Compares how a component is written in each way: as text, as bytes, with elements, inline, and what is said. */
function eachWay(
  made: AnyComponent,
  one: Case,
  moments: readonly Moment[],
  writing: string,
  fail: (writing: string, when: number, got: string, wanted: string) => void,
): readonly string[] {
  const bytes = new TextDecoder();
  const compared = new Set<string>();
  for (const [at, moment] of moments.entries()) {
    const use = useOf(made, one, moment);
    const texts = (by?: RenderOptions): readonly string[] => [
      html(() => (by ? renderHtml(use, by) : renderHtml(use))),
      html(() => bytes.decode(renderBytes(use, by))),
      html(() => renderHtml(use, { ...by, form: 'elements' })),
      one.without?.spot ? '' : htmlOfSpot(one, moment, by),
      reported(use, by),
    ];
    const usual = texts();
    for (const [way, written] of inEachWay(made, texts)) {
      compared.add(`${writing} by ${way}`);
      written.forEach((text, index) => {
        if (text !== usual[index]) fail(`${writing} by ${way}`, at, text, usual[index] ?? '');
      });
    }
  }
  return [...compared];
}

/** All that is said of a use that cannot be rendered, with its places. */
function reported(use: ReturnType<typeof useOf>, by?: RenderOptions): string {
  try {
    renderHtml(use, by);
    return '';
  } catch (thrown) {
    return JSON.stringify((thrown as { problems?: unknown }).problems ?? String(thrown));
  }
}

/** Defines the component's elements; the reason, where they cannot be planned so. */
function planned(made: AnyComponent, planning: Planning): string | undefined {
  if (planning === 'page') {
    register(made);
    return undefined;
  }
  try {
    runtime.define(evaluated(made));
    return undefined;
  } catch (thrown) {
    if (thrown instanceof NotWritten) return thrown.message;
    throw thrown;
  }
}

type Host = HTMLElement & { change(data: object): void };

async function element(
  made: AnyComponent,
  one: Case,
  moments: readonly Moment[],
  wanted: readonly string[],
  isTaken: boolean,
  fail: (when: number, got: string, wanted: string) => void,
): Promise<readonly string[]> {
  const first = moments[0] as Moment;
  const sent = html(() => renderHtml(useOf(made, one, first), { form: 'elements' }));
  if (sent.startsWith('! ')) {
    if (sent !== wanted[0]) fail(0, sent, wanted[0] ?? '');
    return [];
  }
  const lines: string[] = [];
  const { error, warn } = console;
  console.error = console.warn = (...args: unknown[]) => void lines.push(args.map(String).join(' '));
  try {
    const host = declared(sent) as Host;
    const root = host.shadowRoot as ShadowRoot;
    const nodes = nodesIn(root);
    if (!isTaken) root.replaceChildren();
    Object.assign(host, first.props, { initial: first.state });
    document.body.append(host);
    await turn();
    if (isTaken && nodes.some((node) => !root.contains(node)))
      fail(0, 'a node was made anew', 'the nodes that were sent');
    const look = (when: number): void => {
      const got = shapeOf(root, true);
      const expected = wanted[when] ?? '';
      // What HTML text refuses as a whole an element leaves out.
      if (expected.startsWith('! ') ? got.includes('javascript:') : got !== expected)
        fail(when, got, expected);
    };
    look(0);
    const steps = one.steps ? stepsOf(one) : stepsOf(one).slice(0, mostSteps());
    for (const [at, { props, state, act }] of steps.entries()) {
      if (act) act(root);
      else if (state) host.change(state);
      if (props) Object.assign(host, props);
      await turn();
      look(at + 1);
    }
    host.remove();
    // Wrong values are reported in all writings; here it counts that nothing else is.
    return [...new Set(lines)].filter((line) => !/attribute-unsafe|prop-invalid/.test(line));
  } finally {
    Object.assign(console, { error, warn });
  }
}

/** How many of the usual steps elements take: all, unless the page says otherwise. */
const mostSteps = (): number => (globalThis as { mostSteps?: number }).mostSteps ?? Number.POSITIVE_INFINITY;

async function turn(): Promise<void> {
  for (let n = 0; n < 8; n++) await Promise.resolve();
}

/** An element as a page's parser makes it of what a server sent, with the shadow roots it declares, before any script. */
function declared(sent: string): Element {
  const around = document.createElement('div');
  around.setHTMLUnsafe(sent);
  return around.firstElementChild as Element;
}

function nodesIn(root: Node): Node[] {
  const walker = document.createTreeWalker(root);
  const nodes: Node[] = [];
  while (walker.nextNode()) {
    const { currentNode } = walker;
    if (
      !(currentNode instanceof Text && currentNode.data === '') &&
      currentNode.nodeName !== 'STYLE' &&
      currentNode.parentNode?.nodeName !== 'STYLE'
    )
      nodes.push(currentNode);
  }
  return nodes;
}

function shapeIn(text: string): string {
  if (text.startsWith('! ')) return text;
  const template = document.createElement('template');
  template.innerHTML = text;
  return shapeOf(template, false);
}

/** What HTML text shows in a page, with the rules of its components. */
function parsed(text: string, made: AnyComponent, one: Case, moment: Moment): string {
  if (text.startsWith('! ')) return text;
  const around = document.createElement('div');
  around.innerHTML = renderHtml(useOf(made, one, moment), { styles: true });
  document.body.append(around);
  // The one with the rules is no part of it.
  const first = around.firstChild;
  if (first instanceof HTMLStyleElement && !text.startsWith('<style')) document.head.append(first);
  const shape = shapeOf(around, true);
  around.remove();
  if (first instanceof HTMLStyleElement) first.remove();
  return shape;
}

const evaluatedOf = new Map<unknown, runtime.Live>();

/** A component's elements as a build writes them, with the functions of its template at hand by number. */
function evaluated(made: AnyComponent): runtime.Live {
  const core = componentCore(made);
  if (!core) throw new Error('no component');
  const theirs: unknown[] = [];
  const at = (value: unknown): string => `theirs[${theirs.push(value) - 1}]`;
  const sources: Sources = {
    closure: (compute) => at(compute),
    helper: (_component, _name, compute) => at(compute),
    part: (of, key) => at(of[key as keyof typeof of]),
    value: at,
    isWorkedOut: () => false,
    component: (other) => {
      const callable = Object.defineProperty(() => undefined, Symbol.for('zesty-lattice.component'), {
        value: other,
      });
      let live = evaluatedOf.get(other);
      if (!live) {
        try {
          live = evaluated(callable as unknown as AnyComponent);
        } catch (thrown) {
          if (!(thrown instanceof NotWritten)) throw thrown;
          live = liveOf(other);
        }
        evaluatedOf.set(other, live);
      }
      return at(live);
    },
    scopedSheet: () => undefined,
    htmlFault: () => undefined,
  };
  const { code, names } = writeComponent(core, sources, countInPage);
  const make = new Function('theirs', ...names.map((name) => own + name), `return ${code}`);
  const all: Readonly<Record<string, unknown>> = { ...runtime };
  return make(theirs, ...names.map((name) => all[name]));
}
