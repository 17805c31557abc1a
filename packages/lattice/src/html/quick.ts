import {
  type ComponentCore,
  fallbackOf,
  isMade,
  perComponent,
  reachesGiven,
  type UseNode,
} from '../component/index.js';
import { dissolvedContent, failedUse, isInteractive } from '../plan/index.js';
import { escapeText } from '../template/escape.js';
import { ElementNode, isBlank, isNode, isRecord, showsMarkup, type TrustedNode } from '../template/index.js';
import { refuse } from '../tree/index.js';
import { spotRun } from './code/index.js';
import type { SpotRun } from './code/making.js';
import { makesIds, styledIn } from './facts.js';
import { Frame } from './frame.js';
import type { How } from './how.js';
import { isPlain as isPlainRoutine } from './late/plain.js';
import { checkOf } from './lower/checks.js';
import { spotRoutine } from './lower/index.js';
import { Pass } from './pass.js';
import { attributesText, tags, tagTexts } from './plain-element.js';
import { refuseBroken } from './refuse.js';
import { fewTimes, type Routine } from './routine.js';
import { type ReadyContent, unusual } from './runtime.js';
import { TextSink } from './sinks.js';
import { writeOnTheSpot } from './spot.js';
import { pathTo } from './spot-path.js';

// The short way for what programs build most inline: uses of plain values, with text and plain elements in them.
// All of it is looked at before anything is written; where something is unusual, or wrong, the planner gets it all.

type Fills = readonly (ReadyContent | undefined)[];

/** A component that is used inline: what is known of it, and its routine for that. */
class Usual {
  readonly component: ComponentCore;
  readonly checks: readonly ((value: unknown) => boolean)[];
  readonly hasNeeded: boolean;
  private readonly form: 'markup' | 'elements';
  private readonly routine: Routine;
  private code: SpotRun | undefined;
  private times = 0;
  private readonly how: How;

  constructor(component: ComponentCore, form: 'markup' | 'elements', how: How, isStrict: boolean) {
    this.component = component;
    this.how = how;
    this.checks = component.props.kinds.map(checkOf);
    this.hasNeeded = component.slots.kinds.some(({ needed }) => needed);
    this.form = form;
    this.routine = spotRoutine(component, form, how, isStrict);
  }

  get styled(): ReadonlySet<ComponentCore> {
    return styledIn(this.component, this.form);
  }

  get isAlwaysSomething(): boolean {
    return dissolvedContent(this.component).filled === true;
  }

  /** Writes a use; undefined where something in it is unusual, before anything is written. */
  run(
    frame: SpotFrame,
    out: string,
    { given, props }: UseNode,
    fills: Fills | undefined,
  ): string | undefined {
    if (Object.getPrototypeOf(props) !== Object.prototype) return undefined;
    const { late } = frame.pass;
    if (this.code && late === undefined) return this.code(frame, out, props, given, fills);
    // What is waited for is written by the interpreter.
    const isLate = late !== undefined && !isPlainRoutine(this.routine);
    const code = isLate ? undefined : this.asCode();
    if (code) return code(frame, out, props, given, fills);
    const values = valuesOf(props, this);
    const ready = fills ?? frame.fillsOf(given, this);
    if (!values || !ready) return undefined;
    for (let at = 0; at < ready.length; at++) values.push(ready[at]);
    if (isLate) return this.routine.instructed(frame, out, ...values);
    const { byList, run } = this.routine;
    return byList ? byList(frame, out, values) : run(frame, out, ...values);
  }

  private asCode(): SpotRun | undefined {
    if (!this.code && (this.times++ === fewTimes || this.how !== 'usual'))
      this.code = spotRun(this.routine.parts, this.component, this.how);
    return this.code;
  }
}

const usualIn = {
  markup: /* @__PURE__ */ perComponent((core) => usualOf(core, 'markup', 'usual', false)),
  elements: /* @__PURE__ */ perComponent((core) => usualOf(core, 'elements', 'usual', false)),
};
const strictIn = {
  markup: /* @__PURE__ */ perComponent((core) => usualOf(core, 'markup', 'usual', true)),
  elements: /* @__PURE__ */ perComponent((core) => usualOf(core, 'elements', 'usual', true)),
};

function knownOf(component: ComponentCore, { form, how, isStrict }: Pass): Usual | typeof unusual {
  if (how !== 'usual') return usualOf(component, form, how, isStrict);
  return (isStrict ? strictIn : usualIn)[form](component);
}

function usualOf(
  component: ComponentCore,
  form: 'markup' | 'elements',
  how: How,
  isStrict: boolean,
): Usual | typeof unusual {
  const { accepts, props, slots } = component;
  if (component.load || component.onFailure !== undefined) return unusual;
  if (accepts !== undefined || (form === 'elements' && isInteractive(component))) return unusual;
  if (props.names.some((name) => name in Object.prototype) || props.at.has('on')) return unusual;
  if (props.kinds.some(({ rules }) => rules.settle) || slots.kinds.some(({ hands }) => hands)) return unusual;
  // What is ready to put in has no marks.
  if (reachesGiven(component)) return unusual;
  refuseBroken(component);
  return new Usual(component, form, how, isStrict);
}

/** The normalised values of a use's props; undefined where one is missing, wrong, unknown or an expression. */
function valuesOf(props: UseNode['props'], { checks, component }: Usual): unknown[] | undefined {
  if (typeof props !== 'object' || Array.isArray(props)) return undefined;
  const { at, kinds, names } = component.props;
  for (const name in props) if (!at.has(name)) return undefined;
  const values = new Array<unknown>(names.length);
  for (let index = 0; index < names.length; index++) {
    const value = props[names[index] as string];
    if (value === undefined) {
      const kind = kinds[index];
      if (!kind || kind.settings.presence === 'required') return undefined;
      const fallback = fallbackOf(kind);
      if (isMade(kind.settings.fallbackValue) && !checks[index]?.(fallback)) return undefined;
      values[index] = fallback;
      // A function may be an expression, which the planner reads.
    } else if (typeof value !== 'function' && checks[index]?.(value)) values[index] = value;
    else return undefined;
  }
  return values;
}

/** The frame of a use inline. */
class SpotFrame extends Frame {
  content: UseNode | undefined;
  use: UseNode | undefined;
  /** Takes what is ready of a rendering that needs no other sink. */
  sink: TextSink | undefined;
  /** The uses in the content that is being read, each where a NUL stands in its text. */
  uses: Ready[] = noReady;
  /** The frame of the outermost use, and how many there are in it as yet, itself among them. */
  outermost: SpotFrame = this;
  places = 1;

  /** Content as it is put in: text, or what writes it; `undefined` where it renders nothing. */
  ready(content: unknown): ReadyContent | undefined | typeof unusual {
    if (content === undefined) return undefined;
    const text = contentText('', content, this);
    if (text === undefined) return unusual;
    const { uses } = this;
    // Text that is put together is laid out flat where it is looked into.
    if (uses === noReady) return !startsWithElement(content) && isBlank(text) ? undefined : text;
    this.uses = noReady;
    return new Pieces(text.split('\0'), uses);
  }

  /** What fills each slot; undefined where something is unusual. */
  fillsOf(given: unknown, { component: { slots }, hasNeeded }: Usual): Fills | undefined {
    const fills = new Array<ReadyContent | undefined>(slots.names.length).fill(undefined);
    if (given !== undefined) {
      const all = isRecord(given) ? given : { default: given };
      for (const name in all) if (!slots.at.has(name)) return undefined;
      // In the order of the slots, as the planner goes: their uses are numbered.
      for (let slot = 0; slot < fills.length; slot++) {
        const name = slots.names[slot] as string;
        const ready = Object.hasOwn(all, name) ? this.ready(all[name]) : undefined;
        if (ready === unusual) return undefined;
        fills[slot] = ready;
      }
    }
    if (hasNeeded && slots.kinds.some(({ needed }, at) => needed && fills[at] === undefined))
      return undefined;
    return fills;
  }

  /** Makes ready for another use. */
  forget(): void {
    this.content = undefined;
    this.use = undefined;
    this.locals = noLocals;
    this.letGo();
    this.places = 1;
    this.uses = noReady;
    this.pass.shared = undefined;
  }

  override kept(): SpotFrame {
    const { content, fills, given, ids, locals, pass, up, use, where } = this;
    return Object.assign(new SpotFrame(pass, up, where, ids, fills, given), {
      content,
      use,
      locals: [...locals],
    });
  }

  override get path(): string {
    return (pathTo([this.content], this.use) ?? []).join(' › ');
  }
}

const noReady: Ready[] = [];

/**
 * Text with that of content behind it, with a NUL for each use in it, which no text has otherwise; undefined where something
 * in it is unusual.
 */
function contentText(out: string, content: unknown, frame: SpotFrame): string | undefined {
  if (typeof content === 'string') return out + escapeText(content);
  if (content instanceof ElementNode) return elementText(out, content, frame);
  if (typeof content === 'number' || typeof content === 'bigint') return out + content;
  if (content === null || content === undefined || content === false) return out;
  if (Array.isArray(content)) return partsText(out, content, frame);
  if (!isNode(content)) return undefined;
  if (content.kind === 'use') return addUse(content as unknown as UseNode, frame) ? `${out}\0` : undefined;
  const { html, kind } = content as unknown as TrustedNode;
  const isUsual = kind === 'trusted' && typeof html === 'string' && !html.includes('\0') && showsMarkup(html);
  return isUsual ? out + html : undefined;
}

function startsWithElement(content: unknown): boolean {
  let first = content;
  while (Array.isArray(first)) first = first[0];
  return first instanceof ElementNode;
}

function elementText(out: string, node: ElementNode, frame: SpotFrame): string | undefined {
  const { attributes, content, tag } = node;
  const known = tags.get(tag) ?? tagTexts(tag);
  if (known === unusual) return undefined;
  let text: string | undefined;
  if (attributes === undefined) text = out + known.opened;
  else {
    text = attributesText(out + known.start, known, attributes);
    if (text === undefined) return undefined;
    text += '>';
  }
  if (known.isEmpty) return content.length > 0 ? undefined : text + known.end;
  if (content.length > 0) text = partsText(text, content, frame);
  return text === undefined ? undefined : text + known.end;
}

function partsText(out: string, parts: readonly unknown[], frame: SpotFrame): string | undefined {
  let text: string | undefined = out;
  for (let at = 0; at < parts.length; at++) {
    text = contentText(text, parts[at], frame);
    if (text === undefined) return undefined;
  }
  return text;
}

/** Makes a use in content ready to be written. */
function addUse(use: UseNode, around: SpotFrame): boolean {
  const { outermost, pass } = around;
  const usual = knownOf(use.component, pass);
  if (usual === unusual || !usual.isAlwaysSomething || !valuesOf(use.props, usual)) return false;
  if (Object.getPrototypeOf(use.props) !== Object.prototype) return false;
  const place = outermost.places++;
  const ids = makesIds(use.component) ? `${outermost.ids}.${place}` : '';
  const frame = new SpotFrame(pass, undefined, undefined, ids);
  frame.outermost = outermost;
  frame.content = outermost.content;
  frame.use = use;
  const fills = frame.fillsOf(use.given, usual);
  if (!fills) return false;
  if (around.uses === noReady) around.uses = [];
  around.uses.push(new Ready(usual, frame, fills));
  return true;
}

/** The frame of the last rendering, where it was all right: most renderings need no other. */
let idle: SpotFrame | undefined;

/** The HTML text of a use inline, as plain markup; undefined where something in it is unusual. */
export function quickText(use: UseNode): string | undefined {
  const frame = idle ?? new SpotFrame(new Pass('markup', undefined, false), undefined, undefined, '');
  // What a function renders meanwhile, which this rendering calls, takes another.
  idle = undefined;
  const { pass } = frame;
  frame.sink ??= new TextSink();
  const { sink } = frame;
  pass.sink = sink;
  let text: string | undefined;
  try {
    text = quickly(use, frame);
  } catch (thrown) {
    throw failedUse(thrown, use);
  }
  if (pass.problems.length > 0) refuse(pass.problems);
  else {
    frame.forget();
    idle = frame;
  }
  return text === undefined || sink.isEmpty ? text : sink.with(text);
}

const noLocals: unknown[] = [];

/** The HTML text of plain content that has no uses in it; undefined where something in it is unusual. */
export function textOfPlain(content: unknown, pass: Pass): string | undefined {
  const frame = new SpotFrame(pass, undefined, undefined, '');
  const text = contentText('', content, frame);
  return frame.uses === noReady ? text : undefined;
}

/** The HTML text of a use inline, for a rendering of any kind; undefined where something in it is unusual. */
function quickIn(pass: Pass, use: UseNode, ids: string): string | undefined {
  return quickly(use, new SpotFrame(pass, undefined, undefined, ids));
}

/** The HTML text of a use: the short way where all in it is usual. */
export function writeUse(use: UseNode, pass: Pass, ids: string): string {
  // Styles of elements inline would have to be rules.
  const isShort = pass.how !== 'instructions' && !pass.uses && (!pass.isStrict || use.given === undefined);
  return (isShort ? quickIn(pass, use, ids) : undefined) ?? writeOnTheSpot(use, pass, ids);
}

function quickly(use: UseNode, frame: SpotFrame): string | undefined {
  const { pass } = frame;
  const usual = knownOf(use.component, pass);
  if (usual === unusual) return undefined;
  frame.content = use;
  frame.use = use;
  if (pass.wantsStyles) pass.needs(usual.styled);
  return usual.run(frame, '', use, undefined);
}

/** A use in the content of another, ready to be written. */
class Ready {
  readonly usual: Usual;
  private readonly frame: SpotFrame;
  private readonly fills: Fills;

  constructor(usual: Usual, frame: SpotFrame, fills: Fills) {
    this.usual = usual;
    this.frame = frame;
    this.fills = fills;
  }

  write(out: string): string {
    const { fills, frame, usual } = this;
    if (frame.pass.wantsStyles) frame.pass.needs(usual.styled);
    return usual.run(frame, out, frame.use as UseNode, fills) ?? out;
  }
}

/** Content with uses in it: a text before each, and one behind all. */
class Pieces {
  private readonly texts: readonly string[];
  private readonly uses: readonly Ready[];

  constructor(texts: readonly string[], uses: readonly Ready[]) {
    this.texts = texts;
    this.uses = uses;
  }

  write(out: string): string {
    const { texts, uses } = this;
    let text = out;
    for (let at = 0; at < uses.length; at++) text = (uses[at] as Ready).write(text + texts[at]);
    return text + texts[uses.length];
  }
}
