import { type AnyKind, type ComponentCore, wordsIn } from 'zesty-lattice/internal/component';
import { type Block, type PlanNode, type PlanUse, planOf } from 'zesty-lattice/internal/plan';
import { finding, type Problem, placed } from 'zesty-lattice/internal/problem';
import { type Core, describe, withSource } from 'zesty-lattice/internal/template';
import { type Known, kindTypes, type Names, presentTypes, typeOf } from './type-of.js';

/**
 * Values that a template in HTML text hands to the props of what it uses, and that do not fit their kinds, or may not:
 * reported as far as declared kinds say what a value is. What comes of helpers, of state and of what is loaded may be anything.
 */
export function typeProblems(component: ComponentCore): readonly Problem[] {
  if (typeof component.template === 'function') return [];
  const found: Problem[] = [];
  const { content, onFailure } = planOf(component);
  const names: Names = { component, locals: new Map(), present: new Set() };
  for (const block of [content, ...(onFailure ? [onFailure.block] : [])])
    follow(block, names, (use, at) => {
      for (const [index, { expr, name }] of use.props.entries()) {
        const kind = use.component.props.kinds[index];
        const misfit = expr && kind && misfitOf(typeOf(expr, at), kind);
        if (!misfit) continue;
        const facts = { component: use.component.name, prop: name, expected: kind.rules.expected };
        const said = { ...facts, written: writtenAs(expr), ...misfit };
        found.push(placed(withSource(finding('prop-misfit', said), use), component.name));
      }
    });
  return found;
}

/** Calls `see` for every use, with what is known of the names where it is written. */
function follow(block: Block, names: Names, see: (use: PlanUse, names: Names) => void): void {
  for (const node of block.nodes) {
    if (node.kind === 'use') see(node, names);
    for (const [inner, known] of insideOf(node, names)) follow(inner, known, see);
  }
}

/** The content that a node holds, each with what is known of the names in it. */
function insideOf(node: PlanNode, names: Names): readonly (readonly [Block, Names])[] {
  switch (node.kind) {
    case 'element':
      return [[node.content, names]];
    case 'given':
      return [
        [node.content, { ...names, present: new Set([...names.present, ...holding(node.test)]) }],
        [node.otherwise, names],
      ];
    case 'each': {
      const item = typeOf(node.list, names)?.find((one) => one.word === 'list')?.item;
      const locals = new Map(names.locals).set(node.item, item && kindTypes(item));
      return [
        [node.row, { ...names, locals: locals.set(node.item + 1, [{ word: 'number' }]) }],
        [node.empty, names],
      ];
    }
    case 'slot':
      return [[node.fallback, names]];
    case 'use':
      return node.fills.flatMap((fill, index) => {
        const item = node.component.slots.kinds[index]?.item;
        if (!fill) return [];
        const locals = new Map(names.locals);
        if (fill.data !== undefined) locals.set(fill.data, item && kindTypes(item));
        return [[fill.block, { ...names, locals }] as const];
      });
    default:
      return [];
  }
}

/** What is there where a test holds, as it is written. */
function holding(test: Core): readonly string[] {
  const { op } = test;
  if (op.op === 'written' || op.op === 'something' || op.op === 'full') return holding(op.of);
  if (op.op === 'binary' && op.operator === 'and') return [...holding(op.left), ...holding(op.right)];
  return [describe(test)];
}

/** What of a value's type a kind does not take; undefined where it takes all of it, or nobody knows the type. */
function misfitOf(
  type: readonly Known[] | undefined,
  kind: AnyKind,
): { readonly is: string; readonly always: boolean; readonly words?: readonly string[] } | undefined {
  const wrong = type?.filter((one) => !takes(kind, one)) ?? [];
  if (!type || wrong.length === 0) return undefined;
  // Of texts some may be words of a choice.
  const isAnyText = ({ word, words }: Known): boolean =>
    word === 'text' && !words && wordsIn(kind) !== undefined;
  const is = wrong.map((one) => (isAnyText(one) ? 'any text' : wordsOf(one)));
  // Where a default would not help: what is there may be another word.
  const words = wrong.every(isAnyText) ? wordsIn(kind) : undefined;
  return {
    ...(words && { words }),
    is: [...new Set(is)].join(' or '),
    always: wrong.length === type.length && !wrong.some(isAnyText),
  };
}

/** An expression as it stands in HTML text, where a prop is its name alone. */
function writtenAs(core: Core): string {
  return describe(core).replace(/^props\./, '');
}

function takes(kind: AnyKind, known: Known): boolean {
  if (known.word === 'nothing') return kind.settings.presence !== 'required';
  const words = wordsIn(kind);
  return presentTypes(kind)?.some((one) => fits(one, known, words)) ?? true;
}

/** Whether what is known fits into one of the things that a kind takes. */
function fits(one: Known, known: Known, words: readonly string[] | undefined): boolean {
  if (one.word !== known.word) return false;
  if (words) return known.words?.every((word) => words.includes(word)) === true;
  const { fields, item } = one;
  if (item && known.item) return kindTypes(known.item)?.every((each) => takes(item, each)) ?? true;
  const given = known.fields;
  if (!fields || !given) return true;
  return Object.entries(fields).every(([name, field]) => {
    const own = given[name];
    return own
      ? (kindTypes(own)?.every((each) => takes(field, each)) ?? true)
      : field.settings.presence !== 'required';
  });
}

const said: Readonly<Record<Known['word'], string>> = {
  nothing: 'nothing',
  null: 'null',
  text: 'text',
  number: 'a number',
  flag: 'true or false',
  date: 'a date',
  list: 'a list of something else',
  record: 'a record of another shape',
};

function wordsOf({ fields, item, word, words }: Known): string {
  if (words) return words.map((one) => JSON.stringify(one)).join(' or ');
  if ((word === 'list' && !item) || (word === 'record' && !fields)) return `a ${word}`;
  return said[word];
}
