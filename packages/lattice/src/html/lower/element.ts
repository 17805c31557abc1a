import type { PlanElement } from '../../plan/index.js';
import { escapeText } from '../../template/escape.js';
import { type Core, isChangingTag, lineEaters, voidElements } from '../../template/index.js';
import { boundChoice, boundText, lowerAttributes } from './attributes.js';
import type { Scope } from './env.js';
import { between } from './lowering.js';
import { constantOf, type Make, Steps } from './steps.js';
import { lower } from './values.js';

/** An element: its tag, its attributes in the order written, its content, its end. */
export function lowerElement(node: PlanElement, to: Steps, at: Scope): void {
  if (typeof node.tag === 'string') return lowerFixed(node, node.tag, node.tag, to, at);
  const tag = lower(node.tag, at);
  between(to, at, () => {
    if (tag.op.op === 'literal' && isChangingTag(tag.op.value)) lowerFixed(node, tag.op.value, '', to, at);
    else lowerChanging(node, tag, to, at);
  });
}

/** `inside` is the tag that its content knows of. */
function lowerFixed(node: PlanElement, tag: string, inside: string, to: Steps, at: Scope): void {
  to.text(`<${tag}`);
  lowerAttributes(node, to, at);
  to.text('>');
  if (voidElements.has(tag)) return;
  const [only, ...others] = node.content.nodes;
  const content: Scope = { ...at, tag: inside, isAlone: only?.kind === 'value' && others.length === 0 };
  if (lineEaters.has(tag)) lowerLines(node, to, content);
  else {
    const choice = tag === 'select' && hasOthers(node) ? boundChoice(node.attributes) : undefined;
    const where = { values: choice ? [lower(choice, at)] : [], where: at.env.where };
    if (choice) to.push({ kind: 'made', make: choiceOpened, ...where });
    at.lowering.into(node.content.nodes, to, content);
    if (choice) to.push({ kind: 'made', make: choiceClosed, ...where });
  }
  to.text(`</${tag}>`);
}

/** Whether an element holds content of others: of slots and of components. */
const hasOthers = ({ content }: PlanElement): boolean =>
  content.some(({ kind }) => kind === 'slot' || kind === 'use');

const choiceOpened: Make = ({ pass }, _where, value) => {
  pass.choices.push(value);
  return '';
};
const choiceClosed: Make = ({ pass }) => {
  pass.choices.pop();
  return '';
};

/** The content of an element whose first line break a parser drops. */
function lowerLines({ attributes, content }: PlanElement, to: Steps, at: Scope): void {
  const inner = new Steps();
  at.lowering.into(content.nodes, inner, at);
  const bound = boundText(attributes);
  if (bound) inner.push({ kind: 'made', make: controlText, values: [lower(bound, at)], where: at.env.where });
  const constant = constantOf(inner.list);
  if (constant !== undefined) to.text(keepLine(constant));
  else to.push({ kind: 'apart', inner: inner.list, change: keepLine });
}

const controlText: Make = (_frame, _where, value) => escapeText(String(value ?? ''));

/** A parser drops the first line break of these elements, so one more is written before it. */
function keepLine(text: string): string {
  return text.startsWith('\n') ? `\n${text}` : text;
}

/** An element whose tag is known only at render time. */
function lowerChanging(node: PlanElement, tag: Core, to: Steps, at: Scope): void {
  const inside = { ...at, tag: '' };
  const start = new Steps();
  lowerAttributes(node, start, inside);
  const content = at.lowering.apart(node.content, inside);
  to.push({ kind: 'changing', tag, start: start.list, content, where: at.env.where });
}
