import { constantCode, keyCode, NotWritten, own } from '../../code/constants.js';
import { authored, type ComponentCore, isKind, isMade } from '../../component/index.js';
import { readsOp } from '../../plan/index.js';
import { type Core, canFail, inputsOf, isCore } from '../../template/index.js';
import {
  Call,
  CompiledBinding,
  Constant,
  FillTest,
  FromDefinition,
  HandlerArguments,
  InPage,
  Named,
  OfRow,
  type RuntimeName,
} from '../compile/call.js';
import { Fallback, RuleOf } from '../compile/props.js';
import { CompiledView } from '../compile/view.js';
import { coreCode } from './expressions.js';
import { htmlOf } from './static-html.js';

/** Where code that is written by hand is to be found: what a definition holds, and functions in its template. */
export interface Sources {
  /** The code of a function that the template hands to `calc`; what keeps it from being written, completing "its function …". */
  closure(compute: (...values: never[]) => unknown): string | NotWritten;
  /** The code of one of the helpers of a component's template text. */
  helper(component: string, name: string, compute: (...values: never[]) => unknown): string | undefined;
  /** The code of a part of the component's definition. */
  part(core: ComponentCore, key: string): string | undefined;
  /** The code of something else that its author handed to the library: a test, a schema, a fallback. */
  value(value: unknown): string | undefined;
  /** Whether a fallback is worked out as its module runs, such as a date of that moment: its code is a function then. */
  isWorkedOut(fallback: unknown): boolean;
  /** The code of another component's rules as a style sheet, for where it has no shadow root of its own. */
  scopedSheet(core: ComponentCore): string | undefined;
  /** The code of another component's elements. */
  component(core: ComponentCore): string | undefined;
  /** Makes sure that HTML comes back from a parser as it was meant; gives what is wrong otherwise. */
  htmlFault(html: string, view: CompiledView): string | undefined;
}

/** Those whose last argument is the number of a scope, the element's own unless said. */
const scoped: ReadonlySet<RuntimeName> = new Set(['bind', 'listen', 'listenFor', 'ready']);

/** Whether an expression is written in one piece, without lines of its own that know of a scope alone. */
function isSimple(core: Core): boolean {
  const { op } = core;
  return (
    /^(?:binary|choice|field|full|literal|local|member|phrase|prop|something|state)$/.test(op.op) &&
    !canFail(core) &&
    inputsOf(core).every(isSimple)
  );
}

/** Writes what was compiled as code, and keeps account of what that code calls. */
export class Writer {
  readonly sources: Sources;
  /** The functions of a page's part that the code calls. */
  readonly names = new Set<RuntimeName>();
  /** Lines that stand before the code: expressions that are calculated, style sheets. */
  readonly lines: string[] = [];
  readonly #lineOf = new Map<string, string>();

  constructor(sources: Sources) {
    this.sources = sources;
  }

  /** How the code calls one of the functions of a page's part. */
  name(name: RuntimeName): string {
    this.names.add(name);
    return `${own}${name}`;
  }

  call(name: RuntimeName, ...args: readonly string[]): string {
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

  /** The code of something compiled. */
  code(compiled: unknown): string {
    if (isCore(compiled)) return `(s) => ${coreCode(compiled, this)}`;
    if (compiled instanceof Call)
      return this.call(compiled.name, ...compiled.args.map((arg) => this.code(arg)));
    if (compiled instanceof Named) return this.name(compiled.name);
    if (compiled instanceof CompiledView) return this.view(compiled);
    if (compiled instanceof Fallback) return this.#fallback(compiled);
    if (compiled instanceof Constant)
      return constantCode(compiled.value, (value) => this.sources.value(value));
    if (compiled instanceof FillTest) return `{ isFilled: (s) => ${coreCode(compiled.filled, this)} }`;
    if (compiled instanceof RuleOf) return this.rule(compiled);
    if (compiled instanceof FromDefinition) return this.#partLine(compiled);
    if (compiled instanceof OfRow) return this.#ofRow(compiled);
    if (compiled instanceof HandlerArguments) return this.#handlerArguments(compiled);
    if (compiled instanceof InPage) {
      if (compiled.obstacle !== undefined) throw new NotWritten(compiled.obstacle);
      return 'undefined';
    }
    if (Array.isArray(compiled)) return `[${compiled.map((one) => this.code(one)).join(', ')}]`;
    if (typeof compiled !== 'object' || compiled === null) return constantCode(compiled);
    const fields = Object.entries(compiled).filter(([, value]) => value !== undefined);
    return `{ ${fields.map(([key, value]) => this.#field(key, value)).join(', ')} }`;
  }

  /** A field of a record; a fallback that a function gives is asked for each time. */
  #field(key: string, value: unknown): string {
    if (value instanceof Fallback && isMade(value.value) && !this.sources.isWorkedOut(value.value))
      return `get ${key}() { return ${this.#authored(value.value, value)}(); }`;
    return `${keyCode(key)}: ${this.code(value)}`;
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

  view(view: CompiledView): string {
    const { html, isStyled, isSvg } = htmlOf(view.content);
    const make = isStyled ? (isSvg ? 'styledSvgNodes' : 'styledNodes') : isSvg ? 'svgNodes' : undefined;
    const fault = this.sources.htmlFault(isSvg ? `<svg>${html}</svg>` : html, view);
    if (fault !== undefined) throw new NotWritten(fault);
    return this.call(
      'view',
      JSON.stringify(html),
      `class extends ${this.name('Block')} { ${this.#own(view)}${this.#find(view)} ${this.#put(view)} }`,
      ...(make ? [this.name(make)] : []),
    );
  }

  /** The attributes that parts have, by the fields of their nodes. */
  #own({ attributes }: CompiledView): string {
    const fields = [...attributes].map(([at, names]) => `n${at}: ${JSON.stringify(names)}`);
    return fields.length > 0 ? `static own = { ${fields.join(', ')} }; ` : '';
  }

  /** The method that finds the nodes of a view's parts in a copy of it, each by the shortest way. */
  #find(view: CompiledView): string {
    const { parts, steps } = view;
    const wanted = new Set(parts.map(({ at }) => at).filter((at) => at > 0));
    const lines: string[] = [];
    /** How many others are found from each. */
    const uses = new Map<number, number>();
    /** The last node found among the children of each, and which child it is. */
    const last = new Map<number, readonly [at: number, child: number]>();
    const ways: string[] = [];
    const nameOf = (at: number): string =>
      steps[at * 2 - 2] === 0 && steps[at * 2 - 1] === 0 ? 'n' : `n${at}`;
    const used = (at: number): string => {
      uses.set(at, (uses.get(at) ?? 0) + 1);
      return nameOf(at);
    };
    for (let at = 1; at <= steps.length / 2; at++) {
      const [from, child] = [steps[at * 2 - 2] as number, steps[at * 2 - 1] as number];
      const sibling = last.get(from);
      const [before, passed] = sibling && sibling[1] <= child ? sibling : [undefined, 0];
      const parent = (): string => (view.isForm(from) ? `${this.name('safe')}(${used(from)})` : used(from));
      const start = before !== undefined ? used(before) : from === 0 ? 'n' : `${parent()}.firstChild`;
      ways[at] = this.#siblings(view, start, child - passed, from, passed);
      last.set(from, [at, child]);
    }
    for (let at = 1; at < ways.length; at++) {
      const isWanted = wanted.has(at);
      if (nameOf(at) === 'n') {
        if (isWanted) lines.push(`this.n${at} = n;`);
      } else if (!uses.has(at)) lines.push(`this.n${at} = ${ways[at]};`);
      else lines.push(`const n${at} = ${isWanted ? `this.n${at} = ` : ''}${ways[at]};`);
    }
    const values = parts.flatMap(({ work }, index) =>
      work instanceof CompiledBinding ? [`this.v${index} = `] : [],
    );
    // No part has shown anything: in place of its value stands what no value is.
    if (values.length > 0) lines.push(`${values.join('')}${this.name('view')};`);
    return `find(n) { ${lines.join(' ')} }`;
  }

  /** The way from a node to one of those that follow it. */
  #siblings(view: CompiledView, start: string, count: number, parent: number, child: number): string {
    let code = start;
    for (let step = 0; step < count; step++)
      code = `${view.isFormAt(parent, child + step) ? `${this.name('safe')}(${code})` : code}.nextSibling`;
    return code;
  }

  /** The method that shows what has changed: a line for each part, in the order of the template. */
  #put(view: CompiledView): string {
    const { parts } = view;
    const nodeAt = (at: number): string =>
      at === 0 ? 'null' : view.isForm(at) ? `${this.name('safe')}(this.n${at})` : `this.n${at}`;
    const isDeep = parts.some(({ work }) => work instanceof CompiledBinding && work.level > 0);
    const lines: string[] = [];
    /** What is done once, between the parts that show values. */
    let once: string[] = [];
    const addOnce = (): void => {
      if (once.length > 0) lines.push(`if (m < 0) { ${once.join(' ')} }`);
      once = [];
    };
    let values = 0;
    /** Lines that may run into an author's code. */
    const failing: number[] = [];
    parts.forEach(({ at, work }, index) => {
      if (!(work instanceof CompiledBinding)) {
        const code = this.code(work);
        if (code !== 'undefined') once.push(`${this.line(code)}(${nodeAt(at)}, this.scopes, this, i);`);
        return;
      }
      addOnce();
      values++;
      const { get, level, mask, put } = work;
      const scope = level === 0 ? 's' : `this.scopes[${level}]`;
      const value = isCore(get) ? coreCode(get, this, scope) : `${this.line(this.code(get))}(${scope}, i)`;
      const [node, shown] = [nodeAt(at), `this.v${index}`];
      const isOf = mask === 0 ? 'm < 0' : isDeep ? `m < 0 || l === ${level} && m & ${mask}` : `m & ${mask}`;
      const line = `if ((v = ${value}) !== ${shown}) ${this.#shows(put, node, `${shown} = v`)};`;
      // A field of the component's own is there as it is, and its text asks nobody.
      const isSure = put.name === 'text' && isCore(get) && /^(?:prop|state)$/.test(get.op.op);
      if (!isSure) failing.push(lines.length);
      lines.push(`if (${isOf}) ${line}`);
    });
    addOnce();
    const locals = values > 0 ? 'v' : '';
    const [only, ...others] = failing;
    if (others.length > 0) {
      // What fails is reported, and the line after it goes on: one attempt for all of them, entered where it was left.
      const all = lines.map((line, at) => `${at > 0 ? `case ${at}: ` : ''}k = ${at + 1}; ${line}`);
      return `put(m, l, s, i) { let ${locals}, k = 0; for (;;) try { switch (k) { case 0: ${all.join(' ')} } return; } catch (e) { i.fail(e); } }`;
    }
    if (only !== undefined) lines[only] = `try { ${lines[only]} } catch (e) { i.fail(e); }`;
    return `put(m, l, s, i) { ${locals && `let ${locals}; `}${lines.join(' ')} }`;
  }

  /** The code that shows a value at a node. */
  #shows(put: Call, node: string, value: string): string {
    if (put.name === 'text') return `${this.name('putText')}(${node}, ${value}, i)`;
    if (put.name === 'property') return `${node}[${JSON.stringify(put.args[0])}] = ${value}`;
    return `${this.line(this.code(put))}(${node}, ${value}, i)`;
  }

  /** Something of a row. What has to be calculated finds the row in the scope. */
  #ofRow({ core, item }: OfRow): string {
    const names = new Map([
      [item, 't'],
      [item + 1, 'n'],
    ]);
    if (isSimple(core)) return `(t, n, s) => ${coreCode(core, this, 's', names)}`;
    return `(t, n, s) => { s.locals[${item}] = t; s.locals[${item + 1}] = n; return ${coreCode(core, this)}; }`;
  }

  #handlerArguments({ args }: HandlerArguments): string {
    const values = args.map((one) => coreCode(one, this));
    // Arguments may read the event itself, such as its detail.
    const takes = args.some((one) => readsOp(one, 'event')) ? '(s, e)' : '(s)';
    return `${args.every((one) => one.op.op === 'literal') ? '()' : takes} => [${values.join(', ')}]`;
  }

  /** The code of a prop's rule. */
  rule(of: RuleOf): string {
    const code = this.#rule(of);
    const { tests } = of.kind.settings;
    if (tests.length === 0) return code;
    const pairs = tests.map(
      ([passes, message]) => `[${this.#authored(passes, of)}, ${constantCode(message)}]`,
    );
    return this.call('testedRule', code, `[${pairs.join(', ')}]`);
  }

  #rule(of: RuleOf): string {
    const { code } = of.kind.rules;
    const name = code.name as RuntimeName;
    return code.args
      ? this.call(name, ...code.args.map((arg) => this.#ruleArgument(arg, of)))
      : this.name(name);
  }

  /** Data, rules of kinds inside, records and lists of them, and what the author handed to the kind. */
  #ruleArgument(arg: unknown, of: RuleOf): string {
    if (arg === authored) return this.#authored(of.kind.rules.holds, of);
    if (isKind(arg)) return this.rule(new RuleOf(arg, of.component, of.prop));
    if (Array.isArray(arg)) return `[${arg.map((one) => this.#ruleArgument(one, of)).join(', ')}]`;
    if (typeof arg !== 'object' || arg === null) return constantCode(arg);
    const fields = Object.entries(arg).map(([key, one]) => `${keyCode(key)}: ${this.#ruleArgument(one, of)}`);
    return `{ ${fields.join(', ')} }`;
  }

  /** What is short stands for itself; all else stands where its author wrote it, so that it is there once. */
  #fallback(of: Fallback): string {
    if (this.sources.isWorkedOut(of.value)) return `(${this.#authored(of.value, of)})()`;
    let code: string | undefined;
    try {
      code = constantCode(of.value);
    } catch (thrown) {
      if (!(thrown instanceof NotWritten)) throw thrown;
    }
    return code !== undefined && code.length < 80
      ? code
      : (this.sources.value(of.value) ?? code ?? this.#authored(of.value, of));
  }

  /** The code of what an author gave to a kind. */
  #authored(value: unknown, of: RuleOf | Fallback): string {
    const code = this.sources.value(value);
    if (code === undefined)
      throw new NotWritten(
        `what the prop "${of.prop}" of ${of.component} is given is not written in a module of the project`,
      );
    return code;
  }
}
