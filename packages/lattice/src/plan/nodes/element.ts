import { componentCore } from '../../component/index.js';
import { finding } from '../../problem/index.js';
import {
  type Core,
  coreOf,
  type ElementNode,
  ExprCore,
  operand,
  type Report,
  rawTextElements,
  voidElements,
  withSource,
} from '../../template/index.js';
import { attributeReads, type PlanAttribute, withMark } from '../attributes/plan-attribute.js';
import { optionValue, parsedName, planAttributes, type Tags } from '../attributes/plan-attributes.js';
import type { Block } from '../block.js';
import type { PlanElement, PlanNode } from '../plan.js';
import type { Planner, PlanScope } from '../planner.js';
import type { PlannedKind } from './kind.js';

/** An element: its tag, its attributes, its content. */
export const element: PlannedKind<ElementNode, PlanElement> = {
  plan(node, at, planner) {
    const plainTag = node.attributes || at.given !== undefined ? undefined : plain.get(node.tag);
    if (plainTag) {
      const [tag] = plainTag;
      const { around, rows, counts, choice } = at;
      const inside: PlanScope = { around, rows, counts, tag, choice };
      const content = planner.block(node.content, inside);
      const { place } = node;
      return { kind: 'element', tag, tags: plainTag, attributes: noAttributes, content, place };
    }
    const report: Report = (found) => planner.report(withSource(found, node));
    const changing = coreOf(node.tag);
    const fixed = changing ? '' : fixedTag(node.tag, report);
    const tags = changing ? tagsOf(changing, planner) : [fixed];
    const attributes = withMark(
      node.attributes ? planAttributes(tags, node.attributes, report, planner.lists) : noAttributes,
      at.given,
    );
    const { around, rows, counts } = at;
    const inner = /^(?:select|datalist)$/.test(fixed) ? boundOf(attributes) : at.choice;
    const inside: PlanScope = { around, rows, counts, tag: fixed, choice: inner };
    const content = contentOf(node, fixed, inside, planner, report);
    const { choice } = at;
    const all =
      fixed === 'option' && choice
        ? [...attributes, chosen(choice, ownValue(attributes, content))]
        : attributes;
    return {
      kind: 'element',
      tag: changing ?? fixed,
      tags,
      attributes: all,
      content,
      place: node.place,
      ...(node.old && { old: node.old }),
    };
  },
  reads: ({ tag, attributes }) => [
    ...(typeof tag === 'string' ? [] : [tag]),
    ...attributes.flatMap(attributeReads),
  ],
  blocks: ({ content }) => [{ block: content, locals: [] }],
  filled: () => true,
};

const noAttributes: readonly PlanAttribute[] = [];

function chosen(choice: Core | 'open', own: Core): PlanAttribute {
  return { kind: 'chosen', key: 'selected', chosen: choice === 'open' ? undefined : choice, own };
}

const tagPattern = /^[a-zA-Z][\w.:-]*$/;

/** Elements that need no more than their content where they have no attributes, by the tags they were given. */
const plain = new Map<unknown, readonly [string]>();

function fixedTag(tag: unknown, report: Report): string {
  const fixed = readTag(tag, report);
  if (plain.size < 300 && fixed === tag && !/^(option|select)$/.test(fixed) && !hasTextAlone(fixed))
    plain.set(tag, [fixed]);
  return fixed;
}

function hasTextAlone(tag: string): boolean {
  return textElements.has(tag) || rawTextElements.has(tag);
}

function readTag(tag: unknown, report: Report): string {
  const component = componentCore(tag);
  if (component || typeof tag === 'function') {
    const what = component ? `The component ${component.name}` : 'A function';
    const hint = component
      ? 'Call it to use it: Name({ … }, content).'
      : 'A builder and a preset make the element themselves. Call it: press({ … }, content).';
    report(finding('content-not-allowed', { what, place: 'as the tag of el.of', hint }));
    return 'span';
  }
  const written = parsedName(String(tag));
  const lower = written.toLowerCase();
  if (tagPattern.test(written))
    return rawTextElements.has(lower) || voidElements.has(lower) ? lower : written;
  const what = `The tag ${JSON.stringify(written.slice(0, 40))}`;
  report(finding('content-not-allowed', { what, place: 'in el.of', hint: 'Pass the name of an element.' }));
  return 'span';
}

/** The tags that an element can have whose tag is a prop with a fixed set of them. */
function tagsOf({ op }: Core, planner: Planner): Tags {
  const kind = op.op === 'prop' ? planner.component?.props.kinds[op.index] : undefined;
  return kind?.rules.word === 'tag' ? (kind.rules.holds as readonly string[]) : undefined;
}

const textElements: ReadonlySet<string> = new Set(['option', 'textarea', 'title']);

function contentOf(
  node: ElementNode,
  tag: string,
  inside: PlanScope,
  planner: Planner,
  report: Report,
): Block {
  const json = tag === 'script' ? node.attributes?.json : undefined;
  if (json !== undefined) return planner.made([{ kind: 'data', value: operand(json) }]);
  const block = planner.block(node.content, inside);
  if (textElements.has(tag)) return joined(block, planner);
  if (!rawTextElements.has(tag)) return block;
  return planner.made(block.nodes.filter((part) => isRawText(part, tag, report)));
}

/** The text of elements that hold text alone is one text, as it is to whoever reads it back. */
function joined(block: Block, planner: Planner): Block {
  const { nodes } = block;
  const isText = nodes.every(({ kind }) => kind === 'text' || kind === 'value');
  if (nodes.length < 2 || !isText) return block;
  const strings = [''];
  const parts: Core[] = [];
  for (const node of nodes) {
    if (node.kind === 'text') strings[strings.length - 1] += node.text;
    else if (node.kind === 'value') {
      parts.push(node.value);
      strings.push('');
    }
  }
  if (parts.length === 0) return planner.made([{ kind: 'text', text: strings.join('') }]);
  return planner.made([{ kind: 'value', value: new ExprCore({ op: 'phrase', strings, parts }) }]);
}

/** What would run or style as text is ready-made alone. */
function isRawText(part: PlanNode, tag: string, report: Report): boolean {
  if (part.kind === 'trusted') return true;
  report(
    finding('content-not-allowed', {
      what: part.kind === 'text' || part.kind === 'value' ? 'Text' : 'An element, a slot or a condition',
      place: `in <${tag}>`,
      hint:
        tag === 'script'
          ? 'Put data in with the attribute json: value, and code you vouch for with trusted(code).'
          : 'Insert CSS that you trust with trusted(css), or write it as styles of a component.',
    }),
  );
  return false;
}

function boundOf(attributes: readonly PlanAttribute[]): Core | undefined {
  for (const one of attributes) if (one.kind === 'binding') return one.value;
  return undefined;
}

function ownValue(attributes: readonly PlanAttribute[], { nodes }: Block): Core {
  const [first, ...more] = nodes;
  const text =
    first?.kind === 'text' && more.length === 0
      ? first.text.trim()
      : first?.kind === 'value'
        ? first.value
        : '';
  return optionValue(attributes, text);
}
