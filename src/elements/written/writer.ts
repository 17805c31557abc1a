import type { ComponentCore } from '../../component/index.js';
import {
  coreOf,
  describe,
  type ExprCore,
  eventArgument,
  isCore,
  type ReadText,
} from '../../template/index.js';
import { Call, Constant, InPage, Later, type LiveName } from '../draft/call.js';
import { FromDefinition } from '../draft/component.js';
import { Draft } from '../draft/draft.js';
import { FillTest } from '../draft/fill-test.js';
import { HandlerArguments } from '../draft/nodes/element.js';
import { Fallback, KindOf } from '../draft/props.js';
import { fillTestCode } from './fill-test.js';
import { kindCode } from './kinds.js';
import { htmlOf } from './sketch-html.js';

/** What all names in written code start with, so that they are none of its author's. */
export const own = '$lattice_';

/** Why a component's elements cannot be written as code: the page then plans them itself. */
export class NotWritten extends Error {}

/** Where code that is written by hand is to be found: what a definition holds, and functions in its template. */
export interface Sources {
  /** The code of a function that the template hands to `calc`; what keeps it from being written, completing "its function …". */
  closure(compute: (...values: never[]) => unknown): string | NotWritten;
  /** The code of a template text's expression. */
  expression(read: ReadText, to: Writer): string | undefined;
  /** The code of a part of the component's definition. */
  part(core: ComponentCore, key: string): string | undefined;
  /** The code of what a kind was given: its fallback, its tests, its schema. */
  kindPart(component: string, prop: string, part: 'fallback' | 'tests' | 'schema'): string | undefined;
  /** The code of another component's rules as a style sheet, for where it has no shadow root of its own. */
  scopedSheet(core: ComponentCore): string | undefined;
  /** The code of another component's elements. */
  component(core: ComponentCore): string | undefined;
  /** Makes sure that HTML comes back from a parser as it was meant; gives what is wrong otherwise. */
  htmlFault(html: string, view: Draft): string | undefined;
}

/** Those whose last argument is the number of a frame, the element's own unless said. */
const scoped: ReadonlySet<LiveName> = new Set(['attribute', 'bind', 'listen', 'property', 'ready', 'text']);

/** Writes what was drafted as code, and keeps account of what that code calls. */
export class Writer {
  readonly sources: Sources;
  /** The functions of a page's part that the code calls. */
  readonly names = new Set<LiveName>();
  /** Lines that stand before the code: expressions that are calculated, style sheets. */
  readonly lines: string[] = [];
  readonly #worked = new Map<ExprCore, string>();
  readonly #lineOf = new Map<string, string>();

  constructor(sources: Sources) {
    this.sources = sources;
  }

  /** How the code calls one of the functions of a page's part. */
  name(name: LiveName): string {
    this.names.add(name);
    return `${own}${name}`;
  }

  call(name: LiveName, ...args: readonly string[]): string {
    const isDefault = (one: string): boolean => one === 'undefined' || (scoped.has(name) && one === '0');
    const last = args.findLastIndex((one) => !isDefault(one));
    return `${this.name(name)}(${args.slice(0, last + 1).join(', ')})`;
  }

  /** Puts something in a line of its own, once, and gives its name. */
  line(code: string): string {
    const known = this.#lineOf.get(code);
    if (known !== undefined) return known;
    const name = `${own}line${this.lines.length}`;
    this.#lineOf.set(code, name);
    this.lines.push(`const ${name} = ${code};`);
    return name;
  }

  /** The code of what was drafted. */
  code(drafted: unknown): string {
    if (isCore(drafted)) return `(f) => ${this.value(drafted)}`;
    if (drafted instanceof Call) return this.call(drafted.name, ...drafted.args.map((arg) => this.code(arg)));
    if (drafted instanceof Draft) return this.view(drafted);
    if (drafted instanceof Fallback) return this.#fallback(drafted);
    if (drafted instanceof Constant) return constantCode(drafted.value);
    if (drafted instanceof Later) return this.code(drafted.get());
    if (drafted instanceof FillTest) return fillTestCode(drafted.fill, this);
    if (drafted instanceof KindOf) return kindCode(drafted, this);
    if (drafted instanceof FromDefinition) return this.#partLine(drafted);
    if (drafted instanceof HandlerArguments) return this.#handlerArguments(drafted);
    if (drafted instanceof InPage) {
      if (drafted.obstacle !== undefined) throw new NotWritten(drafted.obstacle);
      return 'undefined';
    }
    if (Array.isArray(drafted)) return `[${drafted.map((one) => this.code(one)).join(', ')}]`;
    if (typeof drafted !== 'object' || drafted === null) return constantCode(drafted);
    const fields = Object.entries(drafted).filter(([, value]) => value !== undefined);
    return `{ ${fields.map(([key, value]) => `${keyCode(key)}: ${this.code(value)}`).join(', ')} }`;
  }

  /** What several calls may need stands in a line of its own. */
  #partLine({ core, key }: FromDefinition): string {
    return this.line(this.part(core, key));
  }

  part(core: ComponentCore, key: string): string {
    const code = this.sources.part(core, key);
    if (code === undefined) throw new NotWritten(`its "${key}" is not written out where it is defined`);
    return code;
  }

  view(draft: Draft): string {
    const { html, isSvg } = htmlOf(draft.content);
    const fault = this.sources.htmlFault(isSvg ? `<svg>${html}</svg>` : html, draft);
    if (fault !== undefined) throw new NotWritten(fault);
    const places = draft.places.map(({ at, work }) => `[${at}, ${this.code(work)}]`);
    return this.call(
      'view',
      this.call(isSvg ? 'svgNodes' : 'htmlNodes', JSON.stringify(html)),
      `[${draft.steps.join(', ')}]`,
      `[${places.join(', ')}]`,
    );
  }

  /** The code of an expression's value, of a frame `f`. */
  value(core: ExprCore): string {
    const { op } = core;
    switch (op.op) {
      case 'prop':
        return `f.props[${op.index}]`;
      case 'state':
        return `f.state?.${memberCode(op.name)}`;
      case 'local':
        return `f.locals[${op.local}]`;
      case 'field':
        return `${this.value(op.of)}?.${memberCode(op.key)}`;
      case 'shared':
        return `f.shared?.get(${JSON.stringify(op.name)})`;
      case 'filled':
        return `${this.name('isFilled')}(f, ${op.index})`;
      case 'uid':
        return `(${JSON.stringify(op.label)} + (f.at?.[${op.depth}] ?? ""))`;
      case 'phrase': {
        const parts = op.strings.flatMap((text, at) => [
          ...(text === '' ? [] : [JSON.stringify(text)]),
          ...(at < op.parts.length ? [`${this.name('plainText')}(${this.#operand(op.parts[at])})`] : []),
        ]);
        return parts.length === 0 ? '""' : `(${parts.join(' + ')})`;
      }
      case 'calc':
        return `${this.#calculated(core)}(f)`;
    }
  }

  #operand(candidate: unknown): string {
    const core = isCore(candidate) ? candidate : coreOf(candidate);
    return core ? this.value(core) : constantCode(candidate);
  }

  #calculated(core: ExprCore): string {
    let name = this.#worked.get(core);
    if (name === undefined) {
      const { op } = core;
      if (op.op !== 'calc') throw new NotWritten('not calculated');
      const text = describe(core);
      const compute = op.read ? this.sources.expression(op.read, this) : this.sources.closure(op.compute);
      if (compute instanceof NotWritten) throw new NotWritten(`${text}: its function ${compute.message}`);
      if (compute === undefined) throw new NotWritten(`{{ ${text} }} cannot be written out`);
      const inputs = op.inputs.map((input) => `(f) => ${this.#operand(input)}`);
      name = this.line(
        this.call('workedGetter', `[${inputs.join(', ')}]`, compute, `() => ${JSON.stringify(text)}`),
      );
      this.#worked.set(core, name);
    }
    return name;
  }

  #handlerArguments({ args }: HandlerArguments): string {
    let readsFrame = false;
    let readsEvent = false;
    const values = args.map((one) => {
      if (one === eventArgument) readsEvent = true;
      else if (isCore(one)) readsFrame = true;
      return one === eventArgument ? 'e' : isCore(one) ? this.value(one) : constantCode(one);
    });
    const params = readsEvent ? '(f, e)' : readsFrame ? '(f)' : '()';
    return `${params} => [${values.join(', ')}]`;
  }

  /** What is short stands for itself; all else stands where its author wrote it, so that it is there once. */
  #fallback(of: Fallback): string {
    let code: string | undefined;
    try {
      code = constantCode(of.value);
    } catch (thrown) {
      if (!(thrown instanceof NotWritten)) throw thrown;
    }
    return code !== undefined && code.length < 80 ? code : this.kindPart(of, 'fallback');
  }

  /** The code of a kind's part that its author wrote. */
  kindPart(of: KindOf | Fallback, part: 'fallback' | 'tests' | 'schema'): string {
    const code = this.sources.kindPart(of.component, of.prop, part);
    if (code === undefined)
      throw new NotWritten(
        `the prop "${of.prop}" of ${of.component} is not written out where it is declared`,
      );
    return code;
  }
}

/** The code of a value that is plain data: anything else is its author's, and stands where that wrote it. */
export function constantCode(value: unknown): string {
  if (value === undefined || value === null) return String(value);
  switch (typeof value) {
    case 'string':
    case 'boolean':
      return JSON.stringify(value);
    case 'number':
      return Object.is(value, -0) ? '-0' : String(value);
    case 'bigint':
      return `${value}n`;
  }
  if (value instanceof Date) return `new Date(${value.getTime()})`;
  if (Array.isArray(value)) return `[${value.map(constantCode).join(', ')}]`;
  const prototype: unknown = Object.getPrototypeOf(value);
  if (typeof value !== 'object' || (prototype !== Object.prototype && prototype !== null))
    throw new NotWritten('a value in its template is no plain data');
  const fields = Object.entries(value).map(([key, one]) => `${keyCode(key)}: ${constantCode(one)}`);
  return `{ ${fields.join(', ')} }`;
}

const identifier = /^[A-Za-z_$][\w$]*$/;

function memberCode(name: string): string {
  return identifier.test(name) ? name : `[${JSON.stringify(name)}]`;
}

export function keyCode(name: string): string {
  return identifier.test(name) && name !== '__proto__' ? name : `[${JSON.stringify(name)}]`;
}
