import { accessCode, constantCode, isIdentifier, keyCode, memberCode } from '../../code/constants.js';
import { type ExpressionWords, operationCode } from '../../code/expressions.js';
import { type AnyKind, type ComponentCore, isMade } from '../../component/index.js';
import { canFail } from '../../template/expression/can-fail.js';
import type { Core, OpOf, Whereabouts } from '../../template/index.js';
import type { Named, Where } from '../frame.js';
import { plainTypeOf, shownTypeOf } from '../lower/checks.js';
import { holdsPlain } from '../lower/sources.js';
import {
  constantOf,
  type GivenFill,
  type LetStep,
  type Quick,
  type Register,
  type RoutineParts,
  type ShowStep,
  type Step,
  type StepKind,
  type StepOf,
} from '../lower/steps.js';
import { fitCode, shortWords } from './fits.js';
import { Lines, mostTwice, sumOf, type Term, Terms } from './lines.js';
import type { LatticeName } from './names.js';
import { pathsTo } from './paths.js';
import { fieldKey, type Uses, useOf, usesIn } from './uses.js';

/** A routine as code, and the values that it needs besides. */
export interface WrittenRoutine {
  /** The body of a function of what the library gives and of these values: it returns the routine's function. */
  readonly code: string;
  readonly constants: readonly unknown[];
}

/** Writes a routine as code for another process, which has the same routine and is given its parts instead of values. */
export function writeAhead(parts: RoutineParts): string {
  const { code, constants } = new RoutineWriter(parts, false).written();
  const ways = pathsTo(new Set(constants), parts);
  const values = constants.map((one) => {
    const way = ways.get(one);
    if (way === undefined) throw new Error(`${parts.key} needs a value that is not found in its parts.`);
    return `parts${way}`;
  });
  return `const values = [${values.join(', ')}];\n${code}`;
}

/**
 * Writes a routine as code. Texts and names get into it through `constantCode` and `wordOf` alone; whatever else
 * somebody wrote is passed as a value. Without names, what it keeps has numbers alone.
 */
export function writeRoutine(parts: RoutineParts, isNamed: boolean): WrittenRoutine {
  return new RoutineWriter(parts, isNamed).written();
}

/**
 * Writes a routine for uses inline as code: it takes the props as they were given and what fills the slots, and
 * gives `undefined`, before it writes anything, where a prop is missing, wrong, unknown or an expression.
 */
export function writeSpotRoutine(parts: RoutineParts, { props, slots }: ComponentCore): WrittenRoutine {
  return new RoutineWriter(parts, true).writtenForSpot(props, slots);
}

/**
 * A word as it may stand at the start of a name: its letters and digits, and no digit at its end, so that the number that
 * follows is the name's own and two names are never the same.
 */
function wordOf(word: string): string {
  const letters = word
    .replace(/[^A-Za-z0-9]/g, '')
    .slice(0, 24)
    .replace(/\d+$/, '');
  return /^[A-Za-z]/.test(letters) ? letters : `_${letters}`;
}

/** Where lines and terms go: one block of a function. */
interface Block {
  readonly lines: Lines | undefined;
  readonly terms: Terms;
  /** Whether values need escapes, by the values' code. */
  readonly safe: Map<string, string>;
  /** Fields that are read more than once, by their code, each with the name it is kept by. */
  readonly kept: Map<string, string>;
  /** The registers that hold what a value became when it was checked, by the value's code. */
  readonly checked: Map<string, Register>;
  readonly around: Block | undefined;
  /** Whether a loop is around it. */
  readonly isInLoop: boolean;
}

/** What is written where a test holds. */
interface Case {
  readonly test: string;
  readonly yes: readonly Term[];
}

const otherwise = (no: Term, { test, yes }: Case): Term => ({ test, yes, no: [no] });

/** Thrown where something cannot be written as an expression alone. */
const needsLines = Symbol('needs lines');

class RoutineWriter {
  private readonly parts: RoutineParts;
  private readonly isNamed: boolean;
  private readonly names = new Set<LatticeName>();
  private readonly constants = new Map<unknown, string>();
  /** The registers whose numbers messages may ask for. */
  private readonly asked = new Set<Register>();
  /** What registers hold, where that is known: `text`, or a `number`. */
  private readonly types = new Map<Register, string>();
  /** Those whose text has nothing to escape. */
  private readonly plain = new Set<Register>();
  private readonly uses: Uses;
  private block: Block;
  /** Steps that are known to need lines. */
  private readonly inLines = new Set<readonly Step[]>();

  constructor(parts: RoutineParts, isNamed: boolean) {
    this.parts = parts;
    this.isNamed = isNamed;
    this.block = newBlock(new Lines(), undefined, false);
    this.uses = usesIn(parts.steps);
    parts.kinds.forEach((kind, register) => this.typed(register, kind));
  }

  written(): WrittenRoutine {
    const values = this.parts.hints.slice(0, this.parts.takes).map((_hint, at) => this.register(at));
    this.all(this.parts.steps);
    return this.functionOf(values);
  }

  writtenForSpot(props: ComponentCore['props'], slots: ComponentCore['slots']): WrittenRoutine {
    const cases = props.names.map((name) => `case ${constantCode(name)}: `).join('');
    const unknown = 'default: return undefined;';
    this.line(
      `for (const name in props) switch (name) { ${cases}${cases === '' ? '' : 'break; '}${unknown} }`,
    );
    for (const [at, kind] of props.kinds.entries()) this.given(at, props.names[at] as string, kind);
    this.slots(slots);
    this.all(this.parts.steps);
    return this.functionOf(['props', 'given', 'fills']);
  }

  /** Reads what fills the slots: what was made ready before, or content as it was given. */
  private slots({ kinds, names }: ComponentCore['slots']): void {
    const registers = names.map((_name, at) => this.register(this.parts.takes - names.length + at));
    if (registers.length === 0) return this.line('if (given !== undefined) return undefined;');
    this.line(`let ${registers.join(', ')};`);
    this.inside('if (fills !== undefined) {', '}', false, () => {
      for (const [at, register] of registers.entries()) this.line(`${register} = fills[${at}];`);
    });
    const odd = this.name('unusual');
    const read = (register: string, code: string): void => {
      this.line(`${register} = frame.ready(${code});`);
      this.line(`if (${register} === ${odd}) return undefined;`);
    };
    const isRecord = this.name('isRecord');
    const cases = names.map((name) => `case ${constantCode(name)}: `).join('');
    this.inside(`else if (${isRecord}(given)) {`, '}', false, () => {
      this.line(`for (const name in given) switch (name) { ${cases}break; default: return undefined; }`);
      for (const [at, name] of names.entries()) read(registers[at] as string, `given${accessCode(name)}`);
    });
    const at = names.indexOf('default');
    this.inside('else if (given !== undefined) {', '}', false, () => {
      if (at < 0) this.line('return undefined;');
      else read(registers[at] as string, 'given');
    });
    for (const [index, kind] of kinds.entries())
      if (kind.needed) this.line(`if (${registers[index]} === undefined) return undefined;`);
  }

  /** Reads a prop that was given, and looks whether it is one. */
  private given(at: Register, name: string, kind: AnyKind): void {
    const register = this.register(at);
    this.line(`let ${register} = props${accessCode(name)};`);
    // A function may be an expression, which the planner reads.
    const isMisfit = this.misfit(kind, register);
    const isOdd =
      plainTypeOf(kind) === undefined ? `typeof ${register} === 'function' || ${isMisfit}` : isMisfit;
    this.missing(kind, register, `if (${isOdd}) return undefined;`);
  }

  /** The test that a value is not of a kind. */
  private misfit(kind: AnyKind, name: string): string {
    const type = plainTypeOf(kind);
    if (type === 'number') return `!Number.isFinite(${name})`;
    if (type !== undefined) return `typeof ${name} !== '${type}'`;
    const words = kind.settings.tests.length === 0 ? shortWords(kind) : undefined;
    if (words) {
      return words.map((word) => `${name} !== ${constantCode(word)}`).join(' && ');
    }
    // As kind.ts has it: a record may be of whatever class.
    if (isAnyOf(kind, 'record'))
      return `typeof ${name} !== 'object' || ${name} === null || Array.isArray(${name})`;
    if (isAnyOf(kind, 'list')) return `!Array.isArray(${name})`;
    const fit = fitCode(kind, name, (called) => this.name(called));
    if (fit !== undefined) return `!(${fit})`;
    const rule = this.value(kind.rule, 'kind');
    return `${name} === undefined || !${rule}.accepts(${name})`;
  }

  /** The code of the function whose lines were written. */
  private functionOf(takes: readonly string[]): WrittenRoutine {
    const lines = this.block.lines?.list ?? [];
    const last = `return ${['out', ...this.rest()].join(' + ')};`;
    const most = Math.max(-1, ...this.asked);
    const locals =
      most < 0 ? [] : [`  if (frame.locals.length <= ${most}) frame.locals = new Array(${most + 1});`];
    const code = [
      ...(this.names.size > 0 ? [`const { ${[...this.names].sort().join(', ')} } = lattice;`] : []),
      ...(this.constants.size > 0 ? [`const [${[...this.constants.values()].join(', ')}] = values;`] : []),
      `return function ${this.own}(${['frame', 'out', ...takes].join(', ')}) {`,
      ...locals,
      ...lines,
      `  ${last}`,
      '};',
    ].join('\n');
    return { code, constants: [...this.constants.keys()] };
  }

  /** What is still to be put behind. */
  private rest(): readonly string[] {
    const { list } = this.block.terms;
    return list.length === 0 ? [] : [sumOf(list)];
  }

  /** The name of the function itself, which profilers show. */
  private get own(): string {
    const word = this.parts.name.replace(/-(.)/g, (_all, letter: string) => letter.toUpperCase());
    return `${wordOf(word)}_`;
  }

  private register(at: Register): string {
    return `${wordOf(this.isNamed ? (this.parts.hints[at] ?? '') : 'v')}${at}`;
  }

  private typed(register: Register, kind: AnyKind | undefined): void {
    const type = kind && shownTypeOf(kind);
    if (type !== undefined) this.types.set(register, type);
    if (kind && holdsPlain(kind)) this.plain.add(register);
  }

  /** How the code calls something of the library's. */
  private name(name: LatticeName): string {
    this.names.add(name);
    return name;
  }

  /** How the code calls a value that is handed to it. */
  private value(value: unknown, word: string): string {
    let name = this.constants.get(value);
    if (name === undefined) {
      name = `${wordOf(this.isNamed ? word : 'k')}_${this.constants.size}`;
      this.constants.set(value, name);
    }
    return name;
  }

  private step(step: Step): string {
    if ('where' in step) this.asks(step.where);
    return this.value(step, step.kind);
  }

  private place(where: Where): string {
    this.asks(where);
    return this.value(where, 'where');
  }

  /** Takes note of the rows whose numbers a place names. */
  private asks({ steps }: Where): void {
    for (const { rows } of steps) for (const { op } of rows) if (op.op === 'local') this.asked.add(op.local);
  }

  private line(line: string): void {
    if (!this.block.lines) throw needsLines;
    this.block.lines.add(line);
  }

  private term(term: Term): void {
    this.block.terms.add(term);
  }

  /** Puts what is waiting behind what is written, before something that writes by itself. */
  private flush(): void {
    const { list } = this.block.terms;
    if (!this.block.lines) throw needsLines;
    if (list.length > 0) this.line(`out += ${sumOf(list.splice(0))};`);
  }

  private all(steps: readonly Step[]): void {
    for (let at = 0; at < steps.length; at++) {
      const step = steps[at] as Step;
      const next = steps[at + 1];
      if (step.kind === 'choose' && next?.kind === 'text' && next.text.length <= mostTwice) {
        this.choose(step, next.text);
        at++;
        // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
      } else (this.writers[step.kind] as (step: Step) => void)(step);
    }
  }

  /** Lines in a block of their own; what waits at its end is put behind. */
  private inside(start: string | undefined, end: string, isLoop: boolean, work: () => void): void {
    const { lines } = this.block;
    if (!lines) throw needsLines;
    const around = this.block;
    lines.inside(start, end, () => {
      this.block = newBlock(lines, around, around.isInLoop || isLoop);
      work();
      this.flush();
      this.block = around;
    });
  }

  /** One of two blocks by a test. */
  private branch(test: string, yes: () => void, no: (() => void) | undefined): void {
    this.inside(`if (${test}) {`, no ? '} else {' : '}', false, yes);
    if (no) this.inside(undefined, '}', false, no);
  }

  /** A function that writes steps behind what is written. */
  private writer(steps: readonly Step[], start: string): string {
    const around = this.block;
    const lines = new Lines();
    this.block = newBlock(lines, around, false);
    try {
      this.all(steps);
      const last = ['out', ...this.rest()].join(' + ');
      const inner = lines.list;
      if (inner.length === 0) return `${start} => ${last}`;
      return `${start} => {\n${inner.map((line) => `  ${line}`).join('\n')}\n    return ${last};\n  }`;
    } finally {
      this.block = around;
    }
  }

  /** Steps as terms alone; undefined where they need lines. */
  private terms(steps: readonly Step[]): readonly Term[] | undefined {
    if (this.inLines.has(steps)) return undefined;
    const around = this.block;
    this.block = newBlock(undefined, around, around.isInLoop);
    try {
      this.all(steps);
      return this.block.terms.list;
    } catch (thrown) {
      if (thrown !== needsLines) throw thrown;
      this.inLines.add(steps);
      return undefined;
    } finally {
      this.block = around;
    }
  }

  /** The code of an expression. What may fail is worked out in a line of its own before. */
  private readonly code = (core: Core): string => {
    const { op } = core;
    if (op.op !== 'field' && op.op !== 'member') return operationCode(op, this.words);
    const use = useOf(core);
    if ((this.uses.read.get(use) ?? 0) > 1) {
      const kept = this.once('kept', use, () => this.keep(op, this.read(op)));
      if (kept !== undefined) return kept;
    }
    return this.read(op);
  };

  /** Whether what is written is not always read, so that nothing of it can be worked out before. */
  private isPerhaps = false;

  /** The code of a part that is not always read. */
  private readonly perhaps = (core: Core): string => {
    const before = this.isPerhaps;
    this.isPerhaps = true;
    try {
      return this.code(core);
    } finally {
      this.isPerhaps = before;
    }
  };

  private readonly words: ExpressionWords = {
    code: this.code,
    perhaps: this.perhaps,
    name: (called) => this.name(called),
    kept: {
      prop: unknownHere,
      state: unknownHere,
      event: unknownHere,
      shared: unknownHere,
      uid: unknownHere,
      data: unknownHere,
      outer: unknownHere,
      local: ({ local }) => this.register(local),
      literal: ({ value }) => this.literal(value),
      filled: ({ index }) => `${this.name('isFilled')}(frame, ${index})`,
      calc: ({ at, compute, inputs }) =>
        this.guarded(`${this.value(compute, 'calc')}(${inputs.map(this.code).join(', ')})`, at),
      call: ({ args, compute, name }) => `${this.value(compute, name)}(${args.map(this.code).join(', ')})`,
      written: ({ at, of }) => (canFail(of) ? this.guarded(this.code(of), at) : this.code(of)),
      read: ({ of, read }) => `${this.value(read, 'read')}(String(${this.code(of)}))`,
      any: ({ list, item, of, isEach }) => {
        const names = `(${this.register(item)}, ${this.register(item + 1)})`;
        return `${this.name(isEach ? 'eachItem' : 'anyItem')}(${this.code(list)}, ${names} => ${this.perhaps(of)})`;
      },
    },
  };

  /** A field; of plain data without a call, where it is known to be that. */
  private read(op: OpOf<'field'> | OpOf<'member'>): string {
    const of = this.code(op.of);
    if (op.op === 'field') return `${of}?.${memberCode(op.key)}`;
    const key = fieldKey(op);
    const isOwn = typeof key === 'string' && isIdentifier(key) && !(key in Object.prototype);
    const otherwise = `${this.name('ownField')}(${of}, ${this.code(op.key)})`;
    if (!isOwn || op.of.op.op !== 'local') return otherwise;
    const plain = this.once('safe', `${of} is plain`, () => {
      this.line(`const ${of}IsPlain = ${this.name('isPlainRecord')}(${of});`);
      return `${of}IsPlain`;
    });
    return plain ? `(${plain} ? ${this.name('dataOf')}(${of}.${key}) : ${otherwise})` : otherwise;
  }

  private literal(value: unknown): string {
    const isPlain = value === null || /^(undefined|boolean|number|bigint)$/.test(typeof value);
    const isShort = typeof value === 'string' && value.length < 200;
    return isPlain || isShort ? constantCode(value) : this.value(value, 'constant');
  }

  /** What may fail: it is reported by its name, with the path of components down to it. */
  private guarded(code: string, at: Whereabouts | undefined): string {
    const named = at as Named;
    this.asks(named.where);
    const where = this.value(named, 'failing');
    if (this.isPerhaps) return `${this.name('attempt')}(frame, ${where}, () => ${code})`;
    if (!this.block.lines) throw needsLines;
    const kept = this.fresh('calculated');
    this.line(`let ${kept};`);
    this.line(
      `try { ${kept} = ${code}; } catch (thrown) { throw ${this.name('failed')}(frame, ${where}, thrown); }`,
    );
    return kept;
  }

  /** Names that values are kept by. */
  private readonly keptNames = new Set<string>();

  /** A name that nothing else has. */
  private fresh(word: string): string {
    const name = `${word}$${this.keptNames.size}`;
    this.keptNames.add(name);
    return name;
  }

  /** A register where a value is one, else a name that it is kept by. */
  private kept(core: Core): string {
    const code = this.code(core);
    if (core.op.op === 'local' || this.keptNames.has(code)) return code;
    return this.keep(core.op, code);
  }

  private readonly writers: { readonly [Kind in StepKind]: (step: StepOf<Kind>) => void } = {
    text: ({ text }) => this.term({ text }),
    show: (step) => this.show(step),
    attribute: (step) => this.attribute(step),
    made: (step) => {
      const { make, quick, values, where } = step;
      const isQuick = quick && !this.isPerhaps;
      const given = values.map((one) => (isQuick ? this.kept(one) : this.code(one)));
      const all = ['frame', this.place(where), ...given];
      const made: Term = { code: `${this.value(make, 'made')}(${all.join(', ')})` };
      this.term(isQuick ? this.quickly(quick, given, made) : made);
    },
    let: (step) => this.let(step),
    state: ({ component, props, to }) => {
      const fields = props.map(
        (one, at) => `${keyCode(component.props.names[at] as string)}: ${this.code(one)}`,
      );
      const made = this.value(component.state, 'state');
      this.line(`const ${this.register(to)} = ${made}({ ${fields.join(', ')} });`);
    },
    entry: ({ isAround, share, to }) =>
      this.line(
        `const ${this.register(to)} = ${
          share === undefined
            ? 'frame.ids'
            : `${this.name(isAround ? 'sharedAround' : 'sharedNow')}(frame, ${constantCode(share)})`
        };`,
      ),
    choose: (step) => this.choose(step, ''),
    rows: (step) => this.rows(step),
    apart: ({ inner, change }) => {
      const write = this.writer(inner, '(frame, out)');
      this.term({ code: `${this.value(change, 'change')}(${this.name('apart')}(frame, ${write}))` });
    },
    changing: (step) => {
      const tag = this.code(step.tag);
      this.flush();
      const [start, content] = [step.start, step.content].map((one) => this.writer(one, '(frame, out)'));
      this.line(
        `out = ${this.name('changing')}(frame, out, ${this.step(step)}, ${tag}, ${start}, ${content});`,
      );
    },
    call: (step) => this.call(step),
    fill: (step) => {
      const data = step.ids ? this.code(step.data) : 'undefined';
      const ids = step.ids ? this.code(step.ids) : "''";
      this.flush();
      const fallback = this.writer(step.fallback, '(frame, out)');
      this.line(
        `out = ${this.name('filledSlot')}(frame, out, ${this.step(step)}, ${data}, ${ids}, ${fallback});`,
      );
    },
    ready: ({ content }) => {
      const ready = this.code(content);
      this.flush();
      this.line(`out = typeof ${ready} === 'string' ? out + ${ready} : ${ready}.write(out);`);
    },
    provide: ({ component, inner, props, state }) => {
      this.flush();
      const end = this.fresh('end');
      const values = props.map((one) => this.code(one)).join(', ');
      const provider = this.value(component, component.name);
      this.line(
        `const ${end} = ${this.name('provide')}(frame.pass, ${provider}, [${values}], ${this.code(state)});`,
      );
      this.inside('try {', '} finally {', false, () => this.all(inner));
      this.inside(undefined, '}', false, () => this.line(`${end}();`));
    },
    host: (step) => {
      const values = step.props.map((one) => this.code(one)).join(', ');
      const data = step.data ? this.code(step.data) : 'undefined';
      const fills = this.fills(step.fills);
      this.flush();
      const known = constantOf(step.own);
      const own = known === undefined ? this.writer(step.own, '(frame, out)') : constantCode(known);
      const content = this.writer(step.content, '(frame, out)');
      this.line(
        `out = ${this.name('hostText')}(frame, out, ${this.step(step)}, { values: [${values}], own: ${own}, data: ${data}, fills: ${fills} }, ${content});`,
      );
    },
    load: (step) => {
      const values = step.props.map((one) => this.code(one)).join(', ');
      this.flush();
      const write = this.writer(step.inner, `(frame, out, ${this.register(step.to)})`);
      this.line(`out = ${this.name('loadedText')}(frame, out, ${this.step(step)}, [${values}], ${write});`);
    },
    guard: (step) => {
      this.flush();
      const inner = this.writer(step.inner, '(frame, out)');
      const fallback = this.writer(step.fallback, `(frame, out, ${this.register(step.fault)})`);
      this.line(`out = ${this.name('guardedText')}(frame, out, ${this.step(step)}, ${inner}, ${fallback});`);
    },
    report: ({ found, where }) =>
      this.line(`frame.pass.report(${this.value(found, 'found')}, ${this.place(where)}.path(frame));`),
    accepted: (step) => {
      const values = step.values.map((one) => `() => ${this.perhaps(one)}`).join(', ');
      this.flush();
      const given = this.step(step);
      const write = `${this.name('acceptedText')}(frame, out, ${given}, frame.given, [${values}])`;
      this.branch(
        'frame.given === undefined',
        () => this.all(step.plain),
        () => this.line(`out = ${write};`),
      );
    },
  };

  /** Text of values that are what most are, else what is made of them. */
  private quickly({ at, test, texts }: Quick, given: readonly string[], made: Term): Term {
    const values = at.map((index) => given[index] as string);
    const isWord = test === 'word';
    const tests = values.map((one) =>
      isWord ? `typeof ${one} === 'string' && ${one} !== ''` : `${this.name('isDeclared')}(${one})`,
    );
    const yes = texts.flatMap((text, index): readonly Term[] => {
      const value = values[index - 1];
      if (value === undefined) return [{ text }];
      const code = isWord ? `${this.name('escapeAttribute')}(${value})` : value;
      return [{ code, isNumber: !isWord }, { text }];
    });
    return {
      test: tests.join(' && '),
      yes: yes.filter((one) => !('text' in one) || one.text !== ''),
      no: [made],
    };
  }

  private let({ check, to, value }: LetStep): void {
    const name = this.register(to);
    const code = this.code(value);
    if (!check) return this.line(`const ${name} = ${code};`);
    this.asks(check.where);
    const { declared } = check;
    const late = `${this.name('settleLate')}(frame, ${this.value(check, 'check')}, ${name})`;
    this.line(`let ${name} = ${code};`);
    this.typed(to, declared);
    if (this.types.has(to) && this.keptNames.has(code)) {
      this.block.checked.set(code, to);
      this.sources.set(name, code);
    }
    if (declared.rules.settle) this.line(`${name} = ${late};`);
    else this.missing(declared, name, `if (${this.misfit(declared, name)}) ${name} = ${late};`);
  }

  /** What is done where a value is missing that may be, else what is done with one that is there. */
  private missing({ settings: { fallbackValue, presence } }: AnyKind, name: string, given: string): void {
    if (presence === 'required') this.line(given);
    else if (fallbackValue === undefined) this.line(`if (${name} !== undefined) { ${given} }`);
    else if (isMade(fallbackValue)) {
      this.line(`if (${name} === undefined) ${name} = ${this.value(fallbackValue, 'fallback')}();`);
      this.line(given);
    } else this.line(`if (${name} === undefined) ${name} = ${this.literal(fallbackValue)}; else ${given}`);
  }

  private show(step: ShowStep): void {
    const { as, value } = step;
    const type = value.op.op === 'local' ? this.types.get(value.op.local) : undefined;
    const code = this.code(value);
    const checked = type === undefined ? this.found(({ checked }) => checked, code) : undefined;
    // A value that is just what was checked is known to be text or a number, and perhaps to have nothing to escape.
    if (checked !== undefined && as === 'content' && this.plain.has(checked)) {
      const name = this.register(checked);
      return this.term({
        code: `(${code} === ${name} ? ${name} : ${this.name('shown')}(frame, ${this.step(step)}, ${code}))`,
        isNumber: true,
      });
    }
    if (as === 'plain' || type === 'number')
      return this.term(
        value.op.op === 'local' ? { code, isNumber: true } : { code: `${this.name('plainText')}(${code})` },
      );
    const isText = type === 'text' || as === 'attribute';
    const inAttribute = as === 'attribute' || as === 'attribute part';
    const safe = this.safe(value, code);
    const escaped = this.escaped(step, code, isText, inAttribute);
    if (!safe) return this.term(isText || inAttribute ? { code: escaped } : this.unknown(step, code));
    const isKnown = type === 'text';
    const text = isText && !isKnown ? undefined : this.escapedOnce(value, code, safe, isKnown);
    if (!inAttribute && text !== undefined)
      return this.term(
        isKnown
          ? { code: text }
          : { code: `(${text} ?? (typeof ${code} === 'number' ? ${code} : ${escaped}))`, isNumber: true },
      );
    const fromText = isKnown
      ? `${this.name('quoted')}(${text})`
      : this.escaped(step, code, isText, inAttribute, text);
    const written = `${safe} ? ${code} : ${text === undefined ? escaped : fromText}`;
    const kept = this.times(value)[1] > 1 && inAttribute ? this.keptText(code, 'Quoted', written) : undefined;
    this.term({ code: kept ?? `(${written})` });
  }

  /** A value of a type that is not known: numbers are put in as they are, and asked for here, since tables are full of them. */
  private unknown(step: ShowStep, code: string): Term {
    const isName = step.value.op.op === 'local' || this.keptNames.has(code);
    const name = isName || this.isPerhaps || !this.block.lines ? code : this.keep(step.value.op, code);
    const shown = this.escaped(step, name, false, false);
    if (name === code && !isName) return { code: shown };
    return { code: `(typeof ${name} === 'number' ? ${name} : ${shown})`, isNumber: true };
  }

  /** Keeps a value by a name. */
  private keep(op: Core['op'], code: string): string {
    const key = op.op === 'field' || op.op === 'member' ? String(fieldKey(op)) : 'value';
    const name = this.fresh(wordOf(this.isNamed ? key : 'v'));
    this.line(`const ${name} = ${code};`);
    return name;
  }

  /** A value's text with its escapes; `text` is the code of that between tags, where it is known. */
  private escaped(
    step: ShowStep,
    code: string,
    isText: boolean,
    inAttribute: boolean,
    text?: string,
  ): string {
    const given = text === undefined ? code : `${code}, ${text}`;
    if (isText) return `${this.name(inAttribute ? 'escapeAttribute' : 'escapeText')}(${given})`;
    return `${this.name(inAttribute ? 'shownInAttribute' : 'shown')}(frame, ${this.step(step)}, ${given})`;
  }

  /**
   * The name of a value's text with its escapes, where it is shown between tags and once more: that in quotes is made of
   * it. Of what is not known to be text there may be none; what else it is, is reported where it is shown.
   */
  private escapedOnce(value: Core, code: string, safe: string, isKnown: boolean): string | undefined {
    const [inText, inQuotes] = this.times(value);
    if (inText === 0 || inText + inQuotes < 2) return undefined;
    const escaper = this.name(isKnown ? 'escapeText' : 'escapedIfText');
    return this.keptText(code, 'Text', `${safe} ? ${code} : ${escaper}(${code})`);
  }

  private keptText(code: string, how: 'Text' | 'Quoted', written: string): string | undefined {
    return this.once('safe', `${code} ${how}`, () => {
      this.line(`const ${code}${how} = ${this.asSource(code, ` ${how}`, written)};`);
      return `${code}${how}`;
    });
  }

  /** What a prop is made of, where it is just that value. */
  private readonly sources = new Map<string, string>();

  /** What is known of the value that a prop is made of, where it is just that value; else what is worked out. */
  private asSource(code: string, what: string, workedOut: string): string {
    const source = this.sources.get(code);
    const known = source === undefined ? undefined : this.found(({ safe }) => safe, source + what);
    return known === undefined ? workedOut : `${code} === ${source} ? ${known} : ${workedOut}`;
  }

  /** How often a value is shown between tags, and in quotes. */
  private times(value: Core): readonly [number, number] {
    const use = useOf(value);
    return [this.uses.shown.get(use) ?? 0, this.uses.quoted.get(use) ?? 0];
  }

  /** What was written down before, in this block or in those around it. */
  private found<Kept>(kept: (block: Block) => ReadonlyMap<string, Kept>, key: string): Kept | undefined {
    for (let block: Block | undefined = this.block; block; block = block.around) {
      const known = kept(block).get(key);
      if (known !== undefined) return known;
    }
    return undefined;
  }

  /** Whether a value that is shown more than once is text without escapes, which is looked at once. */
  private safe(value: Core, code: string): string | undefined {
    if (value.op.op !== 'local' && !this.keptNames.has(code)) return undefined;
    const [inText, inQuotes] = this.times(value);
    if (inText + inQuotes < 2) return undefined;
    return this.once('safe', code, () => {
      const name = `${code}IsSafe`;
      const isText = value.op.op === 'local' && this.types.get(value.op.local) === 'text';
      this.line(
        `const ${name} = ${this.asSource(code, '', `${this.name(isText ? 'isSafe' : 'isSafeText')}(${code})`)};`,
      );
      return name;
    });
  }

  /** What was written down once for all that follows in the block; undefined where no line can be. */
  private once(what: 'safe' | 'kept', key: string, write: () => string): string | undefined {
    const known = this.found((block) => block[what], key);
    if (known !== undefined) return known;
    // What is not always read stands in a function of its own, whose arguments are not there as yet.
    if (!this.block.lines || this.isPerhaps) return undefined;
    const name = write();
    this.block[what].set(key, name);
    return name;
  }

  private attribute(step: StepOf<'attribute'>): void {
    const { name, rule, value } = step;
    const isPlain = rule === 'plain' || rule === 'worded';
    if (isPlain && value.op.op === 'local' && this.types.get(value.op.local) === 'text') {
      this.term({ text: ` ${name}="` });
      this.show({ kind: 'show', value, as: 'attribute', name: () => name, where: step.where });
      return this.term({ text: '"' });
    }
    const isQuick = !this.isPerhaps && rule !== 'document';
    const code = isQuick ? this.kept(value) : this.code(value);
    const called = this.name(isPlain ? 'attribute' : 'attributeOfValue');
    const safe = rule === 'plain' ? this.safe(value, code) : undefined;
    const text = safe ? this.escapedOnce(value, code, safe, false) : undefined;
    const args = ['frame', this.step(step), code, ...(text === undefined ? [] : [text])];
    const other = { code: `${called}(${args.join(', ')})` };
    const given: readonly Term[] = [{ text: ` ${name}="` }, { code }, { text: '"' }];
    const quick = isQuick ? this.quickAttribute(step, code, safe !== undefined) : [];
    const cases = safe ? [{ test: safe, yes: given }, ...quick] : quick;
    this.term(cases.reduceRight(otherwise, other));
  }

  /** What an attribute is for what most values are. */
  private quickAttribute(
    { name, rule }: StepOf<'attribute'>,
    code: string,
    isSafe: boolean,
  ): readonly Case[] {
    const given = (value: Term): readonly Term[] => [{ text: ` ${name}="` }, value, { text: '"' }];
    const word = (text: string): Case => ({
      test: `${code} === ${text}`,
      yes: [{ text: ` ${name}="${text}"` }],
    });
    if (rule === 'worded') return [word('true'), word('false')];
    const escaped = (): readonly Term[] => given({ code: `${this.name('escapeAttribute')}(${code})` });
    if (rule !== 'plain') {
      const test = this.name(rule === 'url' || rule === 'image' ? 'isPlainUrl' : 'hasNoScheme');
      return [{ test: `${test}(${code})`, yes: escaped() }];
    }
    const flags: readonly Case[] = [
      { test: `${code} === true`, yes: [{ text: ` ${name}` }] },
      { test: `${code} === false`, yes: [{ text: '' }] },
    ];
    const text: Case = { test: `typeof ${code} === 'string'`, yes: escaped() };
    const number: Case = { test: `typeof ${code} === 'number'`, yes: given({ code, isNumber: true }) };
    return [...(isSafe ? [] : [text]), number, ...flags];
  }

  /** A choice, with the short text behind it. What waits before it is written into both of its sides, where that is little. */
  private choose({ test, yes, no }: StepOf<'choose'>, after: string): void {
    const code = this.code(test);
    const [yesTerms, noTerms] = [this.terms(yes), this.terms(no)];
    if (yesTerms && noTerms) {
      this.term({ test: code, yes: yesTerms, no: noTerms });
      return this.term({ text: after });
    }
    const { list } = this.block.terms;
    const before = sumOf(list).length <= mostTwice * 4 ? list.splice(0) : [];
    this.flush();
    const side = (steps: readonly Step[]) => (): void => {
      for (const term of before) this.term(term);
      this.all(steps);
      this.term({ text: after });
    };
    const isEmpty = constantOf(no) === '' && before.length === 0 && after === '';
    this.branch(code, side(yes), isEmpty ? undefined : side(no));
  }

  private rows(step: StepOf<'rows'>): void {
    const { empty, from, index, item, list, row } = step;
    const items = this.fresh('items');
    const read = this.kept(list);
    this.flush();
    this.line(
      `const ${items} = Array.isArray(${read}) ? ${read} : ${this.name('listOf')}(frame, ${this.step(step)}, ${read});`,
    );
    const at = from === undefined ? this.register(index) : this.fresh('at');
    const isOutermost = !this.block.isInLoop;
    let count: ((line: string) => void) | undefined;
    this.inside(`for (let ${at} = 0; ${at} < ${items}.length; ${at}++) {`, '}', true, () => {
      this.line(`const ${this.register(item)} = ${items}[${at}];`);
      if (from !== undefined) this.line(`const ${this.register(index)} = ${this.register(from)} + ${at};`);
      count = this.block.lines?.place();
      this.all(row);
      this.flush();
      if (isOutermost) this.line('if (out.length > 16384) out = frame.pass.hand(out);');
    });
    if (this.asked.has(index)) count?.(`frame.locals[${index}] = ${this.register(index)};`);
    if (empty.length > 0) this.inside(`if (${items}.length === 0) {`, '}', false, () => this.all(empty));
  }

  private call(step: StepOf<'call'>): void {
    const args = step.args.map((one) => this.code(one));
    const ids = this.code(step.ids);
    const accepted = step.accepted?.values.map((one) => `() => ${this.perhaps(one)}`);
    const fills = this.fills(step.fills);
    this.flush();
    const call = this.step(step);
    const more = accepted ? [fills, `[${accepted.join(', ')}]`] : fills === '[]' ? [] : [fills];
    const frame = `${this.name('calledFrame')}(${['frame', call, ids, ...more].join(', ')})`;
    const isItself = step.routine().parts === this.parts;
    const called = isItself ? this.own : `${call}.routine().run`;
    this.line(`out = ${called}(${[frame, 'out', ...args].join(', ')});`);
  }

  private fills(fills: readonly (GivenFill | undefined)[]): string {
    return `[${fills.map((one) => (one ? this.fill(one) : 'undefined')).join(', ')}]`;
  }

  /** What fills a slot of a component that is called. */
  private fill(given: GivenFill): string {
    const { content, data, filled, ids, isAlways } = given;
    const names = data === undefined || ids === undefined ? [] : [this.register(data), this.register(ids)];
    const test = isAlways ? 'undefined' : `(${names.join(', ')}) => ${this.perhaps(filled)}`;
    const write = content ? this.writer(content, `(${['out', ...names].join(', ')})`) : 'undefined';
    return `${this.name('fillOf')}(${this.value(given, 'fill')}, ${test}, ${write})`;
  }
}

function unknownHere({ op }: { readonly op: string }): never {
  throw new Error(`An expression that is lowered reads registers alone, and this one reads a ${op}.`);
}

function newBlock(lines: Lines | undefined, around: Block | undefined, isInLoop: boolean): Block {
  return {
    lines,
    terms: new Terms(),
    safe: new Map(),
    kept: new Map(),
    checked: new Map(),
    around,
    isInLoop,
  };
}

/** Whether a kind takes any record, or any list. */
function isAnyOf({ rules, settings }: AnyKind, word: 'record' | 'list'): boolean {
  if (rules.word !== word || settings.tests.length > 0) return false;
  const { holds } = rules;
  return word === 'record' ? holds === undefined : (holds as AnyKind).rules.word === 'any';
}
