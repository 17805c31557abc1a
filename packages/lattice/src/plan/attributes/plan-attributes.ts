import { finding } from '../../problem/index.js';
import {
  attributeRule,
  attributeText,
  type Core,
  coreOf,
  isNameFit,
  isNode,
  isNodePlace,
  type NodePlace,
  operand,
  type Report,
  takesAccepted,
} from '../../template/index.js';
import { boundTo, type Lists, noLists } from './bound-to.js';
import { classPieces } from './class.js';
import { planListeners } from './listeners.js';
import { type BindingAttribute, isNothing, type PlanAttribute } from './plan-attribute.js';
import { planProperties } from './properties.js';
import { stylePieces } from './style.js';

export type Tags = readonly string[] | undefined;

/** A name as a parser of HTML gives it. Names of SVG that have capitals inside start with none. */
export function parsedName(name: string): string {
  return /^[A-Z]/.test(name) ? name.toLowerCase() : name;
}

/** The tag that messages name. */
export function tagOf(tags: Tags): string {
  return tags?.length === 1 ? (tags[0] ?? '') : 'el.of';
}

/** Decides an element's attributes: by their names, and by every tag that the element can have. */
export function planAttributes(
  tags: Tags,
  attributes: Readonly<Record<string, unknown>>,
  report: Report,
  lists: Lists = noLists,
): readonly PlanAttribute[] {
  const planned: PlanAttribute[] = [];
  const around: Around = { tags, all: attributes, report, lists };
  for (const name in attributes) planAttribute(name, attributes[name], around, planned);
  if (takesAccepted(attributes)) planned.push({ kind: 'accepted', key: '' });
  return planned;
}

/** What an attribute stands among. */
interface Around {
  readonly tags: Tags;
  readonly all: Readonly<Record<string, unknown>>;
  readonly report: Report;
  readonly lists: Lists;
}

function planAttribute(written: string, value: unknown, around: Around, to: PlanAttribute[]): void {
  // Nothing is said of it: what stands before stays.
  if (value === undefined) return;
  const name = parsedName(written);
  const key = written.toLowerCase();
  if (key === 'on') {
    to.push(...planListeners(value, tagOf(around.tags), around.report));
    return;
  }
  if (key === 'json') return;
  if (key === 'properties') {
    to.push(...planProperties(value, around.tags, tagOf(around.tags), around.report));
    return;
  }
  const one = isLeaving(key, around.tags) ? planLeaving(value, around) : decided(name, key, value, around);
  if (!one) return;
  const before = to.findIndex((other) => other.key === one.key);
  if (before < 0) to.push(one);
  else to[before] = one;
}

function decided(name: string, key: string, value: unknown, around: Around): PlanAttribute {
  const { report, tags } = around;
  const none: PlanAttribute = { kind: 'none', key };
  if (key === 'bind') return planBinding(value, around) ?? none;
  if (key === 'node' && isNodePlace(value)) return planNamed(value, around);
  if (key === 'class')
    return value === null ? none : { kind: 'class', key, parts: classPieces(tagOf(tags), value, report) };
  if (key === 'style')
    return value === null ? none : { kind: 'style', key, parts: stylePieces(tagOf(tags), value, report) };
  if (!isNameFit(tagOf(tags), name, report)) return none;
  const rule = attributeRule(tags, key);
  const given = rule === 'document' ? documentOf(tags, value, report) : value;
  const core = coreOf(given);
  if (core) return { kind: 'value', key, name, rule, value: core };
  const text = attributeText(tagOf(tags), name, rule, given, report);
  return text === null ? none : { kind: 'fixed', key, name, rule, text };
}

/** The name by which functions of the component reach the element. */
function planNamed({ key, name, tag }: NodePlace, { report, tags }: Around): PlanAttribute {
  if (tag !== undefined && tags && !tags.includes(tag))
    report(
      finding('attribute-invalid', {
        attribute: 'node',
        tag: tagOf(tags),
        fault: `has the name "${name}", which nodes declares for <${tag}>`,
        hint: `Declare it as it is: nodes: { ${name}: node('${tagOf(tags)}') }.`,
      }),
    );
  return { kind: 'named', key: 'node', name, of: key === undefined ? undefined : operand(key) };
}

/** Elements from elsewhere may have an attribute of that name. */
function isLeaving(key: string, tags: Tags): boolean {
  return key === 'leaving' && !tags?.some((tag) => tag.includes('-'));
}

/** The classes of an element that leaves: they are constant. */
function planLeaving(value: unknown, { report, tags }: Around): PlanAttribute | undefined {
  if (typeof value === 'string' && /\S/.test(value))
    return { kind: 'leaving', key: 'leaving', classes: value.trim() };
  if (!isNothing(value))
    report(
      finding('attribute-invalid', {
        attribute: 'leaving',
        tag: tagOf(tags),
        fault: 'expects the name of a class, as constant text',
        hint: "Write leaving: 'fades', and animate .fades in the component's styles.",
      }),
    );
  return undefined;
}

function planBinding(value: unknown, { all, lists, report, tags }: Around): BindingAttribute | undefined {
  if (isNothing(value)) return undefined;
  const core = coreOf(value);
  const to = core && boundTo(core, lists);
  if (to)
    return {
      kind: 'binding',
      key: 'bind',
      ...to,
      value: core,
      control: controlOf(tagOf(tags), all.type),
      type: typeof all.type === 'string' ? all.type : '',
      own: operand(all.value),
    };
  report(
    finding('attribute-invalid', {
      attribute: 'bind',
      tag: tagOf(tags),
      fault: 'ties a control to a field of the state, but received something else',
      hint: 'Keep the value in the state: bind: state.title, state.draft.title, or a field of a row of state.items.',
    }),
  );
  return undefined;
}

function controlOf(tag: string, type: unknown): BindingAttribute['control'] {
  if (tag === 'textarea' || tag === 'select') return tag;
  return type === 'checkbox' || type === 'radio' || type === 'file' ? type : 'text';
}

/** `srcdoc` holds a document, so it takes ready-made HTML alone. */
function documentOf(tags: Tags, value: unknown, report: Report): unknown {
  if (isNothing(value)) return null;
  if (isNode(value) && value.kind === 'trusted') return (value as unknown as { readonly html: unknown }).html;
  report(
    finding('attribute-unsafe', {
      attribute: 'srcdoc',
      tag: tagOf(tags),
      fault: 'holds a whole document, so plain text would be read as HTML',
      hint: 'Pass HTML that you trust: srcdoc: trusted(html).',
    }),
  );
  return null;
}

/** What an option of a `select` tied to the state stands for: its value, else its text. */
export function optionValue(attributes: readonly PlanAttribute[], text: Core | string): Core {
  for (const one of attributes) {
    if (one.kind === 'fixed' && one.key === 'value') return operand(one.text);
    if (one.kind === 'value' && one.key === 'value') return one.value;
  }
  return typeof text === 'string' ? operand(text) : text;
}
