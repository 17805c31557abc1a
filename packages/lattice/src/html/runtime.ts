import { attributeOf, type ComponentCore } from '../component/index.js';
import { mapAttribute, mergedAttributes, type PlanAttribute, settledProp, sharesOf } from '../plan/index.js';
import { finding, hasNoScheme, isPlainUrl, placed, printValue } from '../problem/index.js';
import { escapeAttribute, escapeText, quoted } from '../template/escape.js';
import {
  attributeText,
  type Core,
  ExprCore,
  failedValue,
  isAsyncRows,
  isChangingTag,
  isJson,
  jsonBlock,
  jsonFault,
  type LoadState,
  loadedFor,
  propHash,
  voidElements,
  waitingState,
  withSource,
} from '../template/index.js';
import { styledIn } from './facts.js';
import { type AcceptedHere, Frame, type HtmlFill, type Named, type Where } from './frame.js';
import type {
  AcceptedStep,
  AttributeStep,
  CallStep,
  ChangingStep,
  Check,
  FillStep,
  GivenFill,
  GuardStep,
  Handed,
  HostStep,
  LoadStep,
  RowsStep,
  ShowStep,
} from './lower/steps.js';
import type { Pass, SharedValue } from './pass.js';
import { problemsOf } from './problems-of.js';
import { shadowSheet } from './styles.js';
import { notTextual, written } from './text.js';

// What the two writers of HTML text call: whatever is more than putting texts together.

/** Writes something behind what is written already. */
export type Write = (frame: Frame, out: string) => string;

/** A prop that is missing, does not fit, or is passed on changed. */
export function settleLate(frame: Frame, { component, index, place, where }: Check, value: unknown): unknown {
  return settledProp(component, index, value, (found) =>
    frame.pass.report(withSource(found, { place }), where.path(frame)),
  );
}

/** Text for a value that is not text: digits for numbers, nothing for missing ones, a problem for all others. */
export function textOf(frame: Frame, { as, name, where }: ShowStep, value: unknown): string {
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  if (value === null || value === undefined || value === false) return '';
  if (as !== 'content') return as === 'part' ? escapeText(String(value)) : escapeAttribute(String(value));
  frame.pass.report(notTextual(name(), value), where.path(frame));
  return '';
}

/** An attribute by the rule of its name. */
export function attributeOfValue(
  frame: Frame,
  { name, rule, tag, where }: AttributeStep,
  value: unknown,
): string {
  // What most values are needs no report, nor a function that makes one.
  if (typeof value === 'number') return ` ${name}="${value}"`;
  if (typeof value === 'boolean' && (rule === 'plain' || rule === 'worded'))
    return rule === 'worded' ? ` ${name}="${value}"` : value ? ` ${name}` : '';
  const isAddress =
    rule === 'url' || rule === 'image' ? isPlainUrl(value) : rule !== 'document' && hasNoScheme(value);
  if (typeof value === 'string' && isAddress) return ` ${name}="${escapeAttribute(value)}"`;
  return written(
    name,
    attributeText(tag, name, rule, value, (found) => frame.pass.report(found, where.path(frame))),
  );
}

const noItems: readonly unknown[] = [];

/** The items of what should be a list. */
export function listOf(frame: Frame, { name, where }: RowsStep, value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value;
  if (value === null || value === undefined) return noItems;
  const found = isAsyncRows(value)
    ? finding('async-needed', { what: `The rows of ${name()} come one after another` })
    : finding('list-invalid', { name: name(), got: printValue(value) });
  frame.pass.report(found, where.path(frame));
  return noItems;
}

/** An element whose tag is known only now. */
export function changing(
  frame: Frame,
  out: string,
  { where }: ChangingStep,
  tag: unknown,
  start: Write,
  content: Write,
): string {
  if (!isChangingTag(tag)) {
    const what = `The tag ${JSON.stringify(tag)}`;
    const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
    frame.pass.report(finding('content-not-allowed', { what, place: 'in el.of', hint }), where.path(frame));
    return out;
  }
  const opened = `${start(frame, `${out}<${tag}`)}>`;
  return voidElements.has(tag) ? opened : `${content(frame, opened)}</${tag}>`;
}

/** Text written apart from what is before it. */
export function apart(frame: Frame, write: Write): string {
  const { pass } = frame;
  const { sink } = pass;
  pass.sink = undefined;
  try {
    return write(frame, '');
  } finally {
    pass.sink = sink;
  }
}

/** Stands first in the place of a slot with data that is filled, in a shadow root: its content is no fallback. */
export const filledMark = '<!--filled-->';

/** How the choice between content that takes data and the fallback starts, in the part that takes the data. */
export const choiceStart = '<!----><!--(-->';

/** The place of a slot that the routine's caller fills. */
export function filledSlot(
  frame: Frame,
  out: string,
  step: FillStep,
  data: unknown,
  ids: string,
  fallback: Write,
): string {
  const fill = frame.fills[step.slot];
  const { marks, fallbackStart } = step;
  const isFilled = fill !== undefined && (fill.isAlways || fill.comesTo(data, ids));
  // Content that may render nothing, or takes data, is a dynamic part; other content is not.
  if (
    marks === 'never' ||
    (marks === 'where it changes' && (fill === undefined || (fill.isAlways && !fill.takesData)))
  )
    return isFilled ? fill.write(out, data, ids) : fallback(frame, out);
  const isChosen = marks === 'where it changes' && fill?.takesData && !fill.isAlways;
  const opened = `${out}<!--(-->${isChosen ? choiceStart : ''}`;
  const inner = isFilled
    ? fill.write(opened + (marks === 'always' ? filledMark : '') + fill.start, data, ids)
    : fallback(frame, opened + fallbackStart);
  return `${inner}${isChosen ? '<!--)-->' : ''}<!--)-->`;
}

/** Shared data as it is where a component starts. */
export function sharedNow({ pass }: Frame, name: string): unknown {
  return pass.shared?.get(name)?.value;
}

/** The same, where a component's element provides data itself: its template reads what is provided around the element. */
export function sharedAround({ pass }: Frame, name: string): unknown {
  return around(pass, name)?.value;
}

function around({ provider, shared }: Pass, name: string): SharedValue | undefined {
  const found = shared?.get(name);
  return found?.use === provider ? found?.around : found;
}

export function propRecord(
  { props }: ComponentCore,
  values: readonly unknown[],
): Readonly<Record<string, unknown>> {
  // What is set by that name would be no field.
  if (props.at.has('__proto__')) return Object.fromEntries(props.names.map((name, at) => [name, values[at]]));
  const record: Record<string, unknown> = {};
  for (let at = 0; at < props.names.length; at++) record[props.names[at] as string] = values[at];
  return record;
}

/** Provides a component's data for what is written next; what comes back ends it. */
export function provide(
  pass: Pass,
  component: ComponentCore,
  values: readonly unknown[],
  state: unknown,
): () => void {
  const { provides } = component;
  if (!provides) return () => undefined;
  pass.shared ??= new Map();
  const { provider, shared } = pass;
  const use = {};
  pass.provider = use;
  const before = provides({ props: propRecord(component, values), state: state ?? {} } as never).map(
    ({ share, value }) => {
      const had = shared.get(share);
      shared.set(share, { value, by: component.name, use, around: had });
      return [share, had] as const;
    },
  );
  return () => {
    pass.provider = provider;
    for (const [share, had] of before.reverse()) {
      if (had) shared.set(share, had);
      else shared.delete(share);
    }
  };
}

/** The frame of a component that is called. */
export function calledFrame(
  frame: Frame,
  { accepted, where }: CallStep,
  ids: string,
  fills?: readonly (HtmlFill | undefined)[],
  values?: readonly (() => unknown)[],
): Frame {
  const given = accepted && handedOn(accepted, frame.given, values ?? []);
  if (given === undefined && fills === undefined) return frame.called(where, ids);
  return new Frame(frame.pass, frame, where, ids, fills, given);
}

/** Whether something inline is left out, since something before it is wrong; else its styles are needed. */
export function isLeftOut({ pass }: Frame, { onTheSpot }: CallStep): boolean {
  if (!onTheSpot) return false;
  if (pass.problems.length > 0) return true;
  pass.needs(styledIn(onTheSpot.component, onTheSpot.form));
  return false;
}

const merged = new WeakMap<Handed, WeakMap<readonly PlanAttribute[], readonly PlanAttribute[]>>();
const noAttributes: readonly PlanAttribute[] = [];

/** What a use hands to its element, with what its own component was handed where it hands that on. */
function handedOn(
  handed: Handed,
  given: AcceptedHere | undefined,
  values: readonly (() => unknown)[],
): AcceptedHere {
  const { addsOwn, attributes } = handed;
  if (!addsOwn) return { attributes, values };
  const own = given?.attributes ?? noAttributes;
  let known = merged.get(handed);
  if (!known) {
    known = new WeakMap();
    merged.set(handed, known);
  }
  let all = known.get(own);
  if (!all) {
    const renumbered = own.map((one) => mapAttribute(one, (core) => renumber(core, values.length)));
    all = mergedAttributes(attributes, renumbered, undefined, () => undefined);
    known.set(own, all);
  }
  return { attributes: all, values: [...values, ...(given?.values ?? [])] };
}

function renumber(core: Core, by: number): Core {
  const { op } = core;
  if (op.op === 'outer') return new ExprCore({ ...op, of: renumber(op.of, by) });
  return op.op === 'local' ? new ExprCore({ ...op, local: op.local + by }) : core;
}

type AcceptedWriters = WeakMap<readonly PlanAttribute[], ReturnType<AcceptedStep['lower']>>;
const acceptedWriters = new WeakMap<AcceptedStep, AcceptedWriters>();

/** The attributes of an element with those that its component's use hands to it. */
export function acceptedText(
  frame: Frame,
  out: string,
  step: AcceptedStep,
  given: AcceptedHere,
  values: readonly (() => unknown)[],
): string {
  let known = acceptedWriters.get(step);
  if (!known) {
    known = new WeakMap();
    acceptedWriters.set(step, known);
  }
  let routine = known.get(given.attributes);
  if (!routine) {
    routine = step.lower(given);
    known.set(given.attributes, routine);
  }
  const inner = new Frame(frame.pass, frame, step.where, frame.ids);
  return routine.run(inner, out, ...values, ...given.values);
}

/** What an element is given: its props' values, its other attributes, what it has loaded, what fills its slots. */
export interface HostGiven {
  readonly values: readonly unknown[];
  readonly own: string | Write;
  readonly data: unknown;
  readonly fills: readonly (HtmlFill | undefined)[];
}

/** An element with a declarative shadow root (https://html.spec.whatwg.org/#attr-template-shadowrootmode). */
export function hostText(
  frame: Frame,
  out: string,
  { host, where }: HostStep,
  { data, fills, own, values }: HostGiven,
  content: Write,
): string {
  const { component, isOnTheSpot, lent, styled } = host;
  const { pass } = frame;
  if (isOnTheSpot && pass.problems.length > 0) return out;
  const { name } = component;
  const state = component.state?.(propRecord(component, values));
  const end = provide(pass, component, values, state);
  try {
    const around = pass.inRoot;
    const given = lent ? [...(around ?? pass.styled ?? []), ...lent] : [];
    pass.inRoot = new Set([...styled, ...(component.styles === '' ? [] : [component]), ...given]);
    const style =
      given.length === 0
        ? host.style()
        : hostStyle(component, new Set([...styled, ...given].filter((one) => one !== component)));
    const allowed = withNonce(style, pass);
    let start = `<${name}`;
    for (let at = 0; at < values.length; at++)
      start += propAttributeIn(frame, where, component, at, values[at]);
    start += `${typeof own === 'string' ? own : own(frame, '')}><template shadowrootmode="open">${sharedMark(pass, component, sharesOf(component))}${pass.links}${allowed}${dataBlock(data)}`;
    const inner = new Frame(pass, frame, where, '', fills);
    const shadow = host.shadow();
    pass.openRoot();
    const run = pass.late ? shadow.instructed : shadow.run;
    const opened = run(inner, out + start, ...values, state, data);
    pass.inRoot = around;
    const rules = pass.closeRoot();
    return `${content(frame, `${opened}${rules}</template>`)}</${name}>`;
  } finally {
    end();
  }
}

/** The style element of a shadow root: the component's own rules, and those of others whose elements stand in it. */
export function hostStyle(component: ComponentCore, others: ReadonlySet<ComponentCore>): string {
  const css = shadowSheet(component, others);
  return css === '' ? '' : `<style data-rules>${css}</style>`;
}

/** A style element that a page's policy lets pass. */
export function withNonce(style: string, { nonce }: Pass): string {
  return nonce === '' ? style : style.replace('<style', () => `<style${nonce}`);
}

/** What JSON is written into; where a value has no JSON, that is reported and nothing is written. */
export function asJson(
  frame: Frame,
  where: Where,
  name: string,
  value: unknown,
  write: () => string,
): string {
  try {
    return write();
  } catch (thrown) {
    frame.pass.report(
      finding('value-not-json', { name, fault: jsonFault(thrown, value) }),
      where.path(frame),
    );
    return '';
  }
}

/** A prop as an attribute of an element that is in a frame. */
export function propAttributeIn(
  frame: Frame,
  where: Where,
  component: ComponentCore,
  index: number,
  value: unknown,
): string {
  const name = `The prop "${component.props.names[index]}" of ${component.name}`;
  return asJson(frame, where, name, value, () => propAttribute(component, index, value));
}

/** A prop as an attribute; one that is at its fallback needs none. */
export function propAttribute({ props }: ComponentCore, index: number, value: unknown): string {
  const kind = props.kinds[index];
  if (!kind || value === undefined || value === kind.settings.fallbackValue) return '';
  const text = kind.rules.write(value);
  if (text === null) return '';
  const name = attributeOf(props.names[index] as string);
  return text === '' ? ` ${name}` : ` ${name}=${quotedShort(text)}`;
}

/** An attribute's value in the quotes in which it is shorter: JSON has many of the double ones. */
function quotedShort(text: string): string {
  if (!/^[[{]/.test(text) || !text.includes('"')) return `"${escapeAttribute(text)}"`;
  const single = `'${escapeText(text).replaceAll("'", '&#39;')}'`;
  if (!text.includes("'")) return single;
  const double = `"${escapeAttribute(text)}"`;
  return single.length < double.length ? single : double;
}

/** What was loaded as a data block that an element hydrates; none where JSON would make another value of it. */
export function dataBlock(data: unknown): string {
  const { fault, isLoading, value } = (data ?? waitingState) as LoadState<unknown>;
  if (isLoading || !isJson(value)) return '';
  const made = loadedFor.get(data as LoadState<unknown>);
  const of = Object.fromEntries(
    [...(made?.reads ?? [])].map((name) => [name, propHash(made?.props[name]) ?? null]),
  );
  // Why it failed is the server's to know: what the author shows of it stands in the HTML.
  const block = jsonBlock(fault ? { failed: true, of } : { value, of });
  return `<script type="application/json" data-loaded>${block}</script>`;
}

/**
 * Which elements provided what an element reads, by the names of the shares: it hydrates when these are defined. Nothing
 * where nobody provides any of it. A share's name may hold whatever ends a comment.
 */
export function sharedMark(pass: Pass, core: ComponentCore, names: readonly string[]): string {
  const { name: component, provides, source } = core;
  const read = names.flatMap((name) => {
    const by = (provides ? around(pass, name) : pass.shared?.get(name))?.by;
    return by === undefined ? [] : [[name, by] as const];
  });
  if (pass.registered?.has(component))
    for (const [share, tag] of read) {
      if (pass.registered.has(tag)) continue;
      const found = finding('provider-unregistered', { component, share, tag }, source);
      pass.tell(placed(found, component));
    }
  return read.length === 0 ? '' : `<!--shared ${jsonBlock(Object.fromEntries(read))}-->`;
}

/** What is written of a component when its data is there. */
export type WriteWith = (frame: Frame, out: string, value: unknown) => string;

/** A component that loads. Only who waits for data can have it; else the page loads it, where that is asked for. */
export function loadedText(
  frame: Frame,
  out: string,
  step: LoadStep,
  values: readonly unknown[],
  write: WriteWith,
): string {
  const { pass } = frame;
  if (pass.late) return pass.late.load(frame, out, step, propRecord(step.component, values), write);
  if (pass.loadsInPage) return write(frame, out, waitingState);
  const { component, where } = step;
  const found = finding('async-needed', { what: `${component.name} loads data` });
  pass.report(component.source ? { ...found, source: component.source } : found, where.path(frame));
  return out;
}

/** A component that has something for where it cannot be shown. */
export function guardedText(
  frame: Frame,
  out: string,
  step: GuardStep,
  inner: Write,
  fallback: WriteWith,
): string {
  const { pass } = frame;
  if (pass.late) return pass.late.guard(frame, out, step, inner, fallback);
  const { choices, problems } = pass;
  const depth = choices.length;
  pass.problems = [];
  let text = '';
  try {
    text = apart(frame, inner);
  } catch (thrown) {
    pass.problems.push(...problemsOf(thrown, step.component.name, step.where, frame));
  }
  const found = pass.problems;
  pass.problems = problems;
  if (found.length > 0) pass.choices = choices.slice(0, depth);
  // How it is rendered is nothing that failed in it.
  const early = found.filter(({ code }) => code === 'async-needed');
  problems.push(...early);
  if (early.length > 0) return out;
  const [first] = found;
  if (!first) return out + text;
  for (const one of found) pass.tell(one);
  return out + apart(frame, (same, none) => fallback(same, none, { message: first.message }));
}

/** Stands for inline content that is more than text and plain elements, and for components that need more. */
export const unusual: unique symbol = Symbol('unusual');

/** Inline content, ready to put in: text, or something that writes it behind what is written. */
export type ReadyContent = string | { write(out: string): string };

/** Whether something holds for any item of a list. */
export function anyItem(list: unknown, holds: (item: unknown, index: number) => unknown): boolean {
  return Array.isArray(list) && list.some(holds);
}

/** How many fields a record has; those of what it was made from count as well. */
export function fieldCount(record: object): number {
  let count = 0;
  for (const _name in record) count++;
  return count;
}

/** What each item of a list comes to. */
export function eachItem(
  list: unknown,
  value: (item: unknown, index: number) => unknown,
): readonly unknown[] {
  return Array.isArray(list) ? list.map(value) : [];
}

/** A value as content: text with its escapes, and of all else what it shows. */
export function shown(frame: Frame, step: ShowStep, value: unknown): string {
  if (typeof value === 'string') return escapeText(value);
  return typeof value === 'number' ? String(value) : textOf(frame, step, value);
}

/** A text with its escapes; undefined for what is none. */
export function escapedIfText(value: unknown): string | undefined {
  return typeof value === 'string' ? escapeText(value) : undefined;
}

/** A part of an attribute's text; `text` is the value as it stands between tags, where it was shown there before. */
export function shownInAttribute(frame: Frame, step: ShowStep, value: unknown, text?: string): string {
  return typeof value === 'string' ? inQuotes(value, text) : textOf(frame, step, value);
}

export function attribute(frame: Frame, step: AttributeStep, value: unknown, text?: string): string {
  if (typeof value === 'string') return ` ${step.name}="${inQuotes(value, text)}"`;
  return attributeOfValue(frame, step, value);
}

function inQuotes(value: string, text: string | undefined): string {
  return text === undefined ? escapeAttribute(value) : quoted(text);
}

/** What is thrown where a calculation failed. */
export function failed(frame: Frame, { name, where }: Named, thrown: unknown): unknown {
  return failedValue(thrown, name, where.path(frame));
}

/** Works something out that may fail. */
export function attempt(frame: Frame, named: Named, work: () => unknown): unknown {
  try {
    return work();
  } catch (thrown) {
    throw failed(frame, named, thrown);
  }
}

/** What fills a slot, of functions that tell whether it comes to anything, and write it. */
export function fillOf(
  given: GivenFill,
  test: FillTest | undefined,
  write: ((out: string, data: unknown, ids: string) => string) | undefined,
): HtmlFill {
  return new WrittenFill(given, test, write);
}

/** Whether content comes to anything, for what the slot passes. */
type FillTest = (data: unknown, ids: string) => unknown;

class WrittenFill implements HtmlFill {
  readonly start: string;
  readonly isAlways: boolean;
  readonly takesData: boolean;
  readonly test: FillTest | undefined;
  readonly content: ((out: string, data: unknown, ids: string) => string) | undefined;

  constructor(given: GivenFill, test: WrittenFill['test'], content: WrittenFill['content']) {
    this.start = given.start;
    this.isAlways = given.isAlways;
    this.takesData = given.data !== undefined;
    this.test = test;
    this.content = content;
  }

  /** What takes data is given, though for some of it it may come to nothing. */
  isFilled(): boolean {
    return this.takesData || this.comesTo(undefined, '');
  }

  comesTo(data: unknown, ids: string): boolean {
    return this.test === undefined || !!this.test(data, ids);
  }

  write(out: string, data: unknown, ids: string): string {
    return this.content ? this.content(out, data, ids) : out;
  }
}

/** Whether a record is plain data, whose fields stand in it and nowhere above. */
export function isPlainRecord(candidate: unknown): boolean {
  return (
    typeof candidate === 'object' &&
    candidate !== null &&
    Object.getPrototypeOf(candidate) === Object.prototype
  );
}

/** A field's value as data: functions are none. */
export function dataOf(value: unknown): unknown {
  return typeof value === 'function' ? undefined : value;
}
