import type { Node, Pseudo, Selector } from 'postcss-selector-parser';
import { parseSelector } from '../../styles/index.js';

/** How much a selector counts: ids, classes and their like, tags (https://drafts.csswg.org/selectors-4/#specificity-rules). */
export type Specificity = readonly [ids: number, classes: number, tags: number];

const none: Specificity = [0, 0, 0];
const plus = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const isMore = (a: Specificity, b: Specificity): boolean => (a[0] - b[0] || a[1] - b[1] || a[2] - b[2]) > 0;
const greatest = (all: readonly Specificity[]): Specificity =>
  all.reduce((most, one) => (isMore(one, most) ? one : most), none);

function ofNode(node: Node): Specificity {
  if (node.type === 'id') return [1, 0, 0];
  if (node.type === 'class' || node.type === 'attribute') return [0, 1, 0];
  if (node.type === 'tag') return [0, 0, 1];
  return node.type === 'pseudo' ? ofPseudo(node) : none;
}

function ofPseudo(node: Pseudo): Specificity {
  const name = node.value.toLowerCase();
  if (isPseudoElement(node)) return [0, 0, 1];
  if (name === ':where') return none;
  const inner = greatest(node.nodes.map(ofSelector));
  if (/^:(?:is|not|has|matches|-\w+-any)$/.test(name)) return inner;
  return /^:nth-(?:last-)?child$/.test(name) ? plus([0, 1, 0], afterOf(node)) : [0, 1, 0];
}

/** What stands behind `of`, as in `:nth-child(2 of .rare)`. */
function afterOf(node: Pseudo): Specificity {
  const text = node.nodes.map(String).join(',');
  const [, list] = /\bof\s+(.+)$/s.exec(text) ?? [];
  return list === undefined ? none : greatest(parseSelector(list).nodes.map(ofSelector));
}

const ofSelector = (selector: Selector): Specificity => selector.nodes.map(ofNode).reduce(plus, none);

/** Pseudo-elements that may be written with one colon (https://drafts.csswg.org/selectors-4/#pseudo-element-syntax). */
const oldElements = /^:(?:before|after|first-line|first-letter)$/i;

const isPseudoElement = ({ value }: Pseudo): boolean => value.startsWith('::') || oldElements.test(value);

/** What an element is only while somebody does something, or has done it. */
const moments =
  /^:(?:hover|active|focus|focus-visible|focus-within|visited|target|autofill|user-invalid|user-valid|fullscreen|modal|popover-open)$/i;

export interface SelectorFacts {
  readonly specificity: Specificity;
  /** Whether it is of a part of an element that is none itself, or of a moment: no attribute can say that. */
  readonly stays: 'part' | 'moment' | undefined;
}

/** What is known of one selector. */
export function factsOf(selector: string): SelectorFacts {
  const [first] = parseSelector(selector).nodes;
  let stays: SelectorFacts['stays'];
  first?.walkPseudos((pseudo) => {
    if (isPseudoElement(pseudo)) stays = 'part';
    else if (moments.test(pseudo.value)) stays ??= 'moment';
  });
  return { specificity: first ? ofSelector(first) : none, stays };
}

/**
 * The selectors of a rule that stands in another one (https://drafts.csswg.org/css-nesting/#nest-selector): `&` is what the
 * outer one selects, and stands before one that has none.
 */
export function nestedSelectors(outer: readonly string[], inner: readonly string[]): readonly string[] {
  const [only = '', other] = outer;
  const all = other === undefined && !/[\s>+~,]/.test(only) ? only : `:is(${outer.join(', ')})`;
  return inner.map((one) => {
    const parsed = parseSelector(one);
    let isNamed = false;
    parsed.walkNesting((nesting) => {
      isNamed = true;
      nesting.value = all;
    });
    const text = String(parsed).trim();
    return isNamed ? text : `${all} ${text}`;
  });
}
