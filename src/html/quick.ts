import { type AnyKind, type ComponentCore, perComponent, type UseNode } from '../component/index.js';
import { isInteractive, type PlanAttribute, planAttributes, planOf } from '../plan/index.js';
import {
  type AnyNode,
  type ElementNode,
  isNode,
  isRecord,
  lineEaters,
  rawTextElements,
  type TrustedNode,
  voidElements,
} from '../template/index.js';
import { escapeText } from './escape.js';
import { makesIds, styledIn } from './facts.js';
import { Frame, type HtmlFill, Where } from './frame.js';
import { written } from './lower/attributes.js';
import { plainTypeOf } from './lower/checks.js';
import { routineOf } from './lower/index.js';
import type { Pass } from './pass.js';
import { refuseBroken } from './refuse.js';
import type { Routine } from './routine.js';

// The short way for what programs build most on the spot: uses of plain values, with text and plain elements in them.
// All of it is looked at before anything is written; where something is unusual, or wrong, the planner gets it all.

/** Stands for content that is not the usual. */
const unusual = Symbol('unusual');

/** What is known of a component that is used on the spot. */
interface Usual {
  readonly names: readonly string[];
  readonly checks: readonly ((value: unknown) => boolean)[];
  readonly kinds: readonly AnyKind[];
  readonly at: ReadonlyMap<string, number>;
  readonly slots: ComponentCore['slots'];
  readonly hasNeeded: boolean;
  readonly makesIds: boolean;
  readonly styled: ReadonlySet<ComponentCore>;
  readonly isAlwaysSomething: boolean;
  readonly routine: Routine;
}

const usualIn = {
  markup: /* @__PURE__ */ perComponent((core) => usualOf(core, 'markup')),
  elements: /* @__PURE__ */ perComponent((core) => usualOf(core, 'elements')),
};

function usualOf(component: ComponentCore, form: 'markup' | 'elements'): Usual | undefined {
  const { accepts, props, slots } = component;
  if (accepts !== undefined || (form === 'elements' && isInteractive(component))) return undefined;
  if (props.names.some((name) => name in Object.prototype) || props.at.has('on')) return undefined;
  refuseBroken(component);
  return {
    names: props.names,
    checks: props.kinds.map(checkOf),
    kinds: props.kinds,
    at: props.at,
    slots,
    hasNeeded: slots.kinds.some(({ needed }) => needed),
    makesIds: makesIds(component),
    styled: styledIn(component, form),
    isAlwaysSomething: planOf(component).content.filled === true,
    routine: routineOf(component, form),
  };
}

function checkOf(kind: AnyKind): (value: unknown) => boolean {
  const { rule, rules } = kind;
  switch (plainTypeOf(kind)) {
    case 'string':
      return (value) => typeof value === 'string';
    case 'number':
      return Number.isFinite;
    case 'boolean':
      return (value) => typeof value === 'boolean';
    default:
      return (value) => typeof value !== 'function' && !rules.settle && rule.accepts(value);
  }
}

/** A use that is all usual, ready to be written. */
interface Ready {
  readonly use: UseNode;
  readonly usual: Usual;
  readonly values: readonly unknown[];
  readonly fills: readonly (HtmlFill | undefined)[];
  readonly ids: string;
}

/** One rendering's way through what was built on the spot. */
export class Quick {
  private readonly pass: Pass;
  private readonly root: Frame;
  private readonly content: UseNode;
  private readonly idPrefix: string;
  private places = 0;
  private isSomething = false;
  private text = '';
  private pieces: (string | Ready)[] | undefined = undefined;

  constructor(pass: Pass, content: UseNode, ids: string) {
    this.pass = pass;
    this.root = new Frame(pass, undefined, undefined, ids);
    this.content = content;
    this.idPrefix = ids;
  }

  /** The HTML text; undefined where something is unusual. */
  html(): string | undefined {
    const ready = this.ready(this.content);
    return ready && this.write(ready, '');
  }

  private ready(use: UseNode): Ready | undefined {
    const usual = usualIn[this.pass.form](use.component);
    if (!usual) return undefined;
    const values = valuesOf(use.props, usual);
    if (!values) return undefined;
    const number = this.places++;
    const fills = this.fills(use.given, usual);
    if (!fills) return undefined;
    const ids = usual.makesIds ? this.idPrefix + (number === 0 ? '' : `.${number}`) : '';
    return { use, usual, values, fills, ids };
  }

  private fills(given: unknown, { slots, hasNeeded }: Usual): readonly (HtmlFill | undefined)[] | undefined {
    if (given === undefined) return hasNeeded ? undefined : noFills;
    const fills = new Array<HtmlFill | undefined>(slots.names.length).fill(undefined);
    if (!isRecord(given)) {
      if (!this.fill('default', given, slots, fills)) return undefined;
    } else for (const name in given) if (!this.fill(name, given[name], slots, fills)) return undefined;
    if (hasNeeded && slots.kinds.some(({ needed }, at) => needed && !fills[at])) return undefined;
    return fills;
  }

  private fill(
    name: string,
    given: unknown,
    { at, kinds }: Usual['slots'],
    fills: (HtmlFill | undefined)[],
  ): boolean {
    const slot = at.get(name);
    if (slot === undefined || kinds[slot]?.hands || typeof given === 'function') return false;
    const [isSomething, text, pieces] = [this.isSomething, this.text, this.pieces];
    this.isSomething = false;
    this.text = '';
    this.pieces = undefined;
    const isUsual = this.add(given);
    if (isUsual && this.isSomething) {
      const rest = this.text;
      fills[slot] = new QuickFill(this, this.pieces, rest);
    }
    this.isSomething = isSomething;
    this.text = text;
    this.pieces = pieces;
    return isUsual;
  }

  private add(content: unknown): boolean {
    if (typeof content === 'string') {
      if (!this.isSomething && content.trim() !== '') this.isSomething = true;
      this.text += escapeText(content);
      return true;
    }
    if (content === null || content === undefined || content === false) return true;
    if (typeof content === 'number' || typeof content === 'bigint') {
      this.isSomething = true;
      this.text += content;
      return true;
    }
    if (Array.isArray(content)) {
      for (const one of content) if (!this.add(one)) return false;
      return true;
    }
    if (!isNode(content)) return false;
    const isUsual = this.node(content);
    this.isSomething = true;
    return isUsual;
  }

  private node(node: AnyNode): boolean {
    switch (node.kind) {
      case 'element':
        return this.element(node as unknown as ElementNode);
      case 'trusted': {
        const { html } = node as unknown as TrustedNode;
        if (typeof html !== 'string') return false;
        this.text += html;
        return true;
      }
      case 'use': {
        const ready = this.ready(node as unknown as UseNode);
        if (!ready?.usual.isAlwaysSomething) return false;
        this.pieces ??= [];
        this.pieces.push(this.text, ready);
        this.text = '';
        return true;
      }
      default:
        return false;
    }
  }

  private element({ attributes, content, tag }: ElementNode): boolean {
    const known = tags.get(tag) ?? tagTexts(tag);
    if (known === unusual) return false;
    if (attributes === undefined) this.text += known.opened;
    else {
      const text = attributesText(known.tags, attributes);
      if (text === undefined) return false;
      this.text += `${known.start + text}>`;
    }
    for (const one of content) if (!this.add(one)) return false;
    this.text += known.end;
    return true;
  }

  write({ fills, ids, use, usual, values }: Ready, out: string): string {
    this.pass.needs(usual.styled);
    const frame = new Frame(this.pass, this.root, new UsePlace(this.content, use), ids, fills);
    const { run } = usual.routine;
    switch (values.length) {
      case 0:
        return run(frame, out);
      case 1:
        return run(frame, out, values[0]);
      case 2:
        return run(frame, out, values[0], values[1]);
      default:
        return run(frame, out, ...values);
    }
  }
}

const noFills: readonly undefined[] = [];

/** The settled values of a use's props; undefined where one is missing, wrong, unknown or an expression. */
function valuesOf(
  props: Readonly<Record<string, unknown>>,
  { at, checks, kinds, names }: Usual,
): readonly unknown[] | undefined {
  if (Object.getPrototypeOf(props) !== Object.prototype) return undefined;
  for (const name in props) if (!at.has(name)) return undefined;
  const values = new Array<unknown>(names.length);
  for (let index = 0; index < names.length; index++) {
    const value = props[names[index] as string];
    if (value === undefined) {
      const settings = kinds[index]?.settings;
      if (settings?.presence === 'required') return undefined;
      values[index] = settings?.fallbackValue;
    } else if (checks[index]?.(value)) values[index] = value;
    else return undefined;
  }
  return values;
}

/** Content of a slot: text, and uses in between. */
class QuickFill implements HtmlFill {
  readonly start = '';
  readonly isAlways = true;
  readonly takesData = false;
  private readonly quick: Quick;
  private readonly pieces: readonly (string | Ready)[] | undefined;
  private readonly rest: string;

  constructor(quick: Quick, pieces: readonly (string | Ready)[] | undefined, rest: string) {
    this.quick = quick;
    this.pieces = pieces;
    this.rest = rest;
  }

  isFilled(): boolean {
    return true;
  }

  write(out: string): string {
    if (!this.pieces) return out + this.rest;
    let text = out;
    for (const one of this.pieces) text = typeof one === 'string' ? text + one : this.quick.write(one, text);
    return text + this.rest;
  }
}

interface TagTexts {
  readonly tags: readonly [string];
  readonly start: string;
  readonly opened: string;
  readonly end: string;
}

const tags = new Map<unknown, TagTexts | typeof unusual>();

/** The texts of a tag whose element a parser reads with nothing of its own to it. */
function tagTexts(tag: unknown): TagTexts | typeof unusual {
  const isUsual =
    typeof tag === 'string' &&
    /^[a-z][a-z0-9]*$/.test(tag) &&
    !voidElements.has(tag) &&
    !lineEaters.has(tag) &&
    !rawTextElements.has(tag) &&
    !/^(title|option|select)$/.test(tag);
  const known: TagTexts | typeof unusual = isUsual
    ? { tags: [tag], start: `<${tag}`, opened: `<${tag}>`, end: `</${tag}>` }
    : unusual;
  if (tags.size < 300) tags.set(tag, known);
  return known;
}

/** Attributes that are text, numbers or flags; undefined where one is more than that, or wrong. */
function attributesText(
  tagsOf: readonly string[],
  attributes: Readonly<Record<string | symbol, unknown>>,
): string | undefined {
  for (const name in attributes) {
    const value = attributes[name];
    if (typeof value === 'function' || (typeof value === 'object' && value !== null)) return undefined;
  }
  let isRight = Object.getOwnPropertySymbols(attributes).length === 0;
  const planned = planAttributes(tagsOf, attributes as Readonly<Record<string, unknown>>, () => {
    isRight = false;
  });
  let text = '';
  for (const one of planned) {
    const part = partText(one);
    if (part === undefined) return undefined;
    text += part;
  }
  return isRight ? text : undefined;
}

function partText(one: PlanAttribute): string | undefined {
  if (one.kind === 'fixed') return written(one.name, one.text);
  if (one.kind === 'none') return '';
  if (one.kind !== 'class') return undefined;
  const [first] = one.parts;
  if (!first) return '';
  return one.parts.length === 1 && first.kind === 'word' ? written('class', first.word) : undefined;
}

/** Where a use stands in content on the spot: looked for when something is wrong there. */
class UsePlace extends Where {
  private readonly content: UseNode;
  private readonly use: UseNode;

  constructor(content: UseNode, use: UseNode) {
    super([]);
    this.content = content;
    this.use = use;
  }

  override path(): string {
    return (pathTo([this.content], this.use) ?? []).join(' › ');
  }
}

/** The steps down to a use, each with its number where there are several of its name. */
function pathTo(content: unknown, use: UseNode): readonly string[] | undefined {
  const uses = usesIn(content);
  for (const [at, one] of uses.entries()) {
    const { name } = one.component;
    const same = uses.filter((other) => other.component.name === name);
    const step =
      same.length > 1 ? `${name}[${uses.slice(0, at + 1).filter((o) => same.includes(o)).length}]` : name;
    if (one === use) return [step];
    const inside = pathTo(
      Object.values(one.slots).map((slot) => slot.content),
      use,
    );
    if (inside) return [step, ...inside];
  }
  return undefined;
}

/** The uses that stand in content, and in no other use. */
function usesIn(content: unknown): readonly UseNode[] {
  if (Array.isArray(content)) return content.flatMap(usesIn);
  if (!isNode(content)) return [];
  return content.kind === 'use' ? [content as unknown as UseNode] : content.parts().flatMap(usesIn);
}
