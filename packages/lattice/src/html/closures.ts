import { escapeAttribute } from '../template/escape.js';
import { ownField } from '../template/expression/operators.js';
import type { Core } from '../template/index.js';
import { isDeclared, plainText } from '../template/index.js';
import { fieldKey } from './code/uses.js';
import type { Frame, HtmlFill } from './frame.js';
import { isPlain } from './late/plain.js';
import { checkOf } from './lower/checks.js';
import {
  constantOf,
  type GivenFill,
  type LetStep,
  type Quick,
  type Register,
  type ShowStep,
  type Step,
  type StepKind,
  type StepOf,
} from './lower/steps.js';
import {
  acceptedText,
  apart,
  attributeOfValue,
  calledFrame,
  changing,
  dataOf,
  filledSlot,
  fillOf,
  guardedText,
  hostText,
  isLeftOut,
  isPlainRecord,
  listOf,
  loadedText,
  propRecord,
  provide,
  type ReadyContent,
  settleLate,
  sharedAround,
  sharedNow,
  shown,
  shownInAttribute,
  type Write,
  type WriteWith,
} from './runtime.js';

/** Steps as functions that call one another: for where no code may be made, and for what is rendered once or twice. */
export function closureOf(steps: readonly Step[]): Write {
  const writes: Write[] = [];
  let before = '';
  for (const step of steps) {
    if (step.kind === 'text') before += step.text;
    else if (step.kind === 'let' || step.kind === 'entry' || step.kind === 'state') {
      // Text that waits goes with the next that writes: what is kept writes none.
      writes.push(write(step, ''));
    } else {
      writes.push(write(step, flat(before)));
      before = '';
    }
  }
  if (before !== '') {
    const text = flat(before);
    writes.push((_frame, out) => out + text);
  }
  return chained(writes);
}

/** A text that was put together of many, laid out as one. */
function flat(text: string): string {
  // Reading one place of it does that.
  return text.charCodeAt(text.length >> 1) < 0 ? '' : text;
}

/** Several one after another. */
function chained(writes: readonly Write[]): Write {
  const [a, b, c, d] = writes;
  if (!a) return (_frame, out) => out;
  if (!b) return a;
  if (!c) return (frame, out) => b(frame, a(frame, out));
  if (!d) return (frame, out) => c(frame, b(frame, a(frame, out)));
  if (writes.length === 4) return (frame, out) => d(frame, c(frame, b(frame, a(frame, out))));
  const groups: Write[] = [];
  for (let at = 0; at < writes.length; at += 4) groups.push(chained(writes.slice(at, at + 4)));
  return chained(groups);
}

/** A line for each kind of step; `before` is text that stands before it. */
const writers: {
  readonly [Kind in StepKind]: (step: StepOf<Kind>, before: string) => Write;
} = {
  text:
    ({ text }, before) =>
    (_frame, out) =>
      out + before + text,
  show: showOf,
  attribute: attributeStep,
  made(step, before) {
    const { make, quick, values, where } = step;
    if (quick?.at.length === 1) return quickMade(step, quick, before);
    const [first, second] = values.map(getOf);
    if (first && values.length === 1) return (frame, out) => out + before + make(frame, where, first(frame));
    if (first && second && values.length === 2)
      return (frame, out) => out + before + make(frame, where, first(frame), second(frame));
    const all = values.map(getOf);
    return (frame, out) => out + before + make(frame, where, ...all.map((get) => get(frame)));
  },
  let: letOf,
  state({ component, props, to }) {
    const all = props.map(getOf);
    return (frame, out) => {
      const values = all.map((get) => get(frame));
      frame.locals[to] = component.state?.(propRecord(component, values));
      return out;
    };
  },
  entry:
    ({ isAround, share, to }) =>
    (frame, out) => {
      const read = isAround ? sharedAround : sharedNow;
      frame.locals[to] = share === undefined ? frame.ids : read(frame, share);
      return out;
    },
  choose({ test, yes, no }, before) {
    const get = getOf(test);
    const [yesText, noText] = [constantOf(yes), constantOf(no)];
    if (yesText !== undefined && noText !== undefined) {
      const [yesAll, noAll] = [flat(before + yesText), flat(before + noText)];
      return (frame, out) => out + (get(frame) ? yesAll : noAll);
    }
    const [writeYes, writeNo] = [closureAfter(before, yes), closureAfter(before, no)];
    return (frame, out) => (get(frame) ? writeYes(frame, out) : writeNo(frame, out));
  },
  rows: rowsOf,
  apart({ inner, change }, before) {
    const write = closureOf(inner);
    return (frame, out) => {
      const { late } = frame.pass;
      return late
        ? late.apart(frame, out + before, write, change)
        : out + before + change(apart(frame, write));
    };
  },
  changing(step, before) {
    const tag = getOf(step.tag);
    const [start, content] = [closureOf(step.start), closureOf(step.content)];
    return (frame, out) => changing(frame, out + before, step, tag(frame), start, content);
  },
  call(step, before) {
    const args = step.args.map(getOf);
    const fills = step.fills.some((fill) => fill)
      ? step.fills.map((fill) => fill && fillMaker(fill))
      : undefined;
    const ids = getOf(step.ids);
    const accepted = step.accepted?.values.map(getOf);
    const [first] = args;
    return (frame, out) => {
      if (isLeftOut(frame, step)) return out;
      const made = fills?.map((fill) => fill?.(frame));
      const values = accepted?.map((get) => () => get(frame));
      const inner = calledFrame(frame, step, ids(frame) as string, made, values);
      const callable = step.routine();
      if (frame.pass.late && !isPlain(callable))
        return callable.instructed(inner, out + before, ...args.map((get) => get(frame)));
      if (args.length === 0) return callable.run(inner, out + before);
      if (first && args.length === 1) return callable.run(inner, out + before, first(frame));
      return callable.run(inner, out + before, ...args.map((get) => get(frame)));
    };
  },
  fill(step, before) {
    const fallback = closureOf(step.fallback);
    const data = getOf(step.data);
    const ids = step.ids && getOf(step.ids);
    return (frame, out) =>
      filledSlot(frame, out + before, step, ids && data(frame), (ids?.(frame) ?? '') as string, fallback);
  },
  ready({ content }, before) {
    const get = getOf(content);
    return (frame, out) => {
      const ready = get(frame) as ReadyContent;
      return typeof ready === 'string' ? out + before + ready : ready.write(out + before);
    };
  },
  provide(step, before) {
    const props = step.props.map(getOf);
    const state = getOf(step.state);
    const inner = closureAfter(before, step.inner);
    return (frame, out) => {
      const values = props.map((get) => get(frame));
      const end = provide(frame.pass, step.component, values, state(frame));
      try {
        return inner(frame, out);
      } finally {
        end();
      }
    };
  },
  host(step, before) {
    const props = step.props.map(getOf);
    const data = step.data && getOf(step.data);
    const fills = step.fills.map((fill) => fill && fillMaker(fill));
    const own = constantOf(step.own) ?? closureOf(step.own);
    const content = closureOf(step.content);
    return (frame, out) => {
      const values = props.map((get) => get(frame));
      const made = fills.map((fill) => fill?.(frame));
      return hostText(frame, out + before, step, { values, own, data: data?.(frame), fills: made }, content);
    };
  },
  load(step, before) {
    const props = step.props.map(getOf);
    const inner = closureOf(step.inner);
    const write: WriteWith = (frame, out, data) => {
      frame.locals[step.to] = data;
      return inner(frame, out);
    };
    return (frame, out) =>
      loadedText(
        frame,
        out + before,
        step,
        props.map((get) => get(frame)),
        write,
      );
  },
  guard(step, before) {
    const inner = closureOf(step.inner);
    const fallback = closureOf(step.fallback);
    const write: WriteWith = (frame, out, fault) => {
      frame.locals[step.fault] = fault;
      return fallback(frame, out);
    };
    return (frame, out) => guardedText(frame, out + before, step, inner, write);
  },
  report:
    ({ found, where }, before) =>
    (frame, out) => {
      frame.pass.report(found, where.path(frame));
      return out + before;
    },
  accepted(step, before) {
    const plain = closureAfter(before, step.plain);
    const values = step.values.map(getOf);
    return (frame, out) => {
      const { given } = frame;
      if (!given) return plain(frame, out);
      const own = values.map((get) => () => get(frame));
      return acceptedText(frame, out + before, step, given, own);
    };
  },
};

function write(step: Step, before: string): Write {
  // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
  return (writers[step.kind] as (step: Step, before: string) => Write)(step, before);
}

function closureAfter(before: string, steps: readonly Step[]): Write {
  return closureOf(before === '' ? steps : [{ kind: 'text', text: before }, ...steps]);
}

type Item = Readonly<Record<string, unknown>> | null | undefined;

/** How to have a value: a field of plain data with one look at whether its record is that, for all of them. */
function getOf({ get, op }: Core): (frame: Frame) => unknown {
  if (op.op !== 'member' || op.of.op.op !== 'local') return get;
  const key = fieldKey(op);
  if (typeof key !== 'string' || key in Object.prototype) return get;
  const { local } = op.of.op;
  return (frame) => {
    const whole = frame.locals[local];
    if (frame.plain !== whole) {
      if (!isPlainRecord(whole)) return ownField(whole, key);
      frame.plain = whole;
    }
    return dataOf((whole as Readonly<Record<string, unknown>>)[key]);
  };
}

/** A register, or a field of what one holds: most of what templates read. */
function fieldRead({ op }: Core): { readonly local: Register; readonly key: string | undefined } | undefined {
  if (op.op === 'local') return { local: op.local, key: undefined };
  if (op.op === 'field' && op.of.op.op === 'local') return { local: op.of.op.local, key: op.key };
  return undefined;
}

function showOf(step: ShowStep, before: string): Write {
  const { as, value } = step;
  const get = getOf(value);
  const source = fieldRead(value);
  if (as === 'plain') {
    if (source && source.key === undefined) {
      const { local } = source;
      return (frame, out) => out + before + plainText(frame.locals[local]);
    }
    return (frame, out) => out + before + plainText(get(frame));
  }
  if (as === 'attribute' && source && source.key === undefined) {
    const { local } = source;
    return (frame, out) => {
      const text = frame.locals[local];
      return out + before + (typeof text === 'string' ? escapeAttribute(text) : '');
    };
  }
  if (as === 'attribute') {
    return (frame, out) => {
      const text = get(frame);
      return out + before + (typeof text === 'string' ? escapeAttribute(text) : '');
    };
  }
  if (as === 'attribute part')
    return (frame, out) => out + before + shownInAttribute(frame, step, get(frame));
  if (source) {
    const { key, local } = source;
    if (key === undefined)
      return (frame, out) => {
        const text = frame.locals[local];
        return out + before + shown(frame, step, text);
      };
    return (frame, out) => {
      const text = (frame.locals[local] as Item)?.[key];
      return out + before + shown(frame, step, text);
    };
  }
  return (frame, out) => {
    const text = get(frame);
    return out + before + shown(frame, step, text);
  };
}

function attributeStep(step: StepOf<'attribute'>, before: string): Write {
  const { name, rule, value } = step;
  const get = getOf(value);
  if (rule !== 'plain' && rule !== 'worded')
    return (frame, out) => out + before + attributeOfValue(frame, step, get(frame));
  const start = `${before} ${name}="`;
  return (frame, out) => {
    const text = get(frame);
    if (typeof text === 'string') return `${out + start + escapeAttribute(text)}"`;
    return out + before + attributeOfValue(frame, step, text);
  };
}

/** Text that is made of one value, which is mostly a plain one. */
function quickMade(
  { make, values, where }: StepOf<'made'>,
  { at, test, texts }: Quick,
  before: string,
): Write {
  const all = values.map(getOf);
  const get = getOf(values[at[0] as number] as Core);
  const isFit = quickTests[test];
  const [start, end] = [before + texts[0], texts[1]];
  return (frame, out) => {
    const value = get(frame);
    if (isFit(value)) return out + start + (test === 'word' ? escapeAttribute(value as string) : value) + end;
    return out + before + make(frame, where, ...all.map((one) => one(frame)));
  };
}

const quickTests: Readonly<Record<Quick['test'], (value: unknown) => boolean>> = {
  word: (value) => typeof value === 'string' && value !== '',
  declared: isDeclared,
};

function letOf({ check, to, value }: LetStep): Write {
  const get = getOf(value);
  if (!check) {
    return (frame, out) => {
      frame.locals[to] = get(frame);
      return out;
    };
  }
  const isFit = checkOf(check.declared);
  const source = fieldRead(value);
  if (source?.key !== undefined) {
    const { key, local } = source;
    return (frame, out) => {
      const read = (frame.locals[local] as Item)?.[key];
      frame.locals[to] = isFit(read) ? read : settleLate(frame, check, read);
      return out;
    };
  }
  return (frame, out) => {
    const read = get(frame);
    frame.locals[to] = isFit(read) ? read : settleLate(frame, check, read);
    return out;
  };
}

function rowsOf(step: StepOf<'rows'>, before: string): Write {
  const { from, index, item } = step;
  const get = getOf(step.list);
  const row = closureOf(step.row);
  const empty = closureAfter(before, step.empty);
  const plainEmpty = closureOf(step.empty);
  return (frame, out) => {
    const { late } = frame.pass;
    if (late) return late.rows(frame, out + before, step, get(frame), row, plainEmpty);
    const items = listOf(frame, step, get(frame));
    if (items.length === 0) return empty(frame, out);
    const { locals, pass } = frame;
    const first = from === undefined ? 0 : (locals[from] as number);
    let text = out + before;
    for (let at = 0; at < items.length; at++) {
      locals[item] = items[at];
      locals[index] = first + at;
      text = row(frame, text);
      if (text.length > 16_384) text = pass.hand(text);
    }
    return text;
  };
}

/** How to make what fills a slot for a frame. */
function fillMaker(given: GivenFill): (frame: Frame) => HtmlFill {
  const { content, data, filled, ids, isAlways } = given;
  const write = closureOf(content ?? []);
  const { get } = filled;
  return (frame) => {
    /** Does something while the frame's registers hold what the slot passes. */
    const taking = <T>(value: unknown, start: string, work: () => T): T => {
      if (data === undefined || ids === undefined) return work();
      const { locals } = frame;
      const [dataBefore, idsBefore] = [locals[data], locals[ids]];
      locals[data] = value;
      locals[ids] = start;
      const result = work();
      locals[data] = dataBefore;
      locals[ids] = idsBefore;
      return result;
    };
    const test = (value: unknown, start: string): unknown => taking(value, start, () => get(frame));
    return fillOf(given, isAlways ? undefined : test, (out, value, start) => {
      if (!frame.pass.late || data === undefined || ids === undefined)
        return taking(value, start, () => write(frame, out));
      const own = frame.kept();
      own.locals[data] = value;
      own.locals[ids] = start;
      return write(own, out);
    });
  };
}
