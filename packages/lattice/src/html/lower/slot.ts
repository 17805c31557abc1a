import type { PlanFill, PlanSlot } from '../../plan/index.js';
import { escapeAttribute } from '../../template/escape.js';
import { marksParts } from '../form.js';
import { choiceStart, filledMark } from '../runtime.js';
import { choose } from './branches.js';
import { deeper, literal, register, type Scope, type Spliced } from './env.js';
import { blockStart } from './lowering.js';
import { fromOutside } from './noted-use.js';
import { type GivenFill, type Register, type Step, Steps } from './steps.js';
import { filledHere, isGiven, joined, lower } from './values.js';

/** The place of a slot: its content, written in the place it comes from, or the fallback. */
export function lowerSlot(node: PlanSlot, to: Steps, at: Scope): void {
  const { form, fills } = at.env;
  if (form === 'shadow' && !node.hands) return lowerOwn(node, to, at);
  const text = at.env.texts?.[node.slot];
  if (text !== undefined) return lowerReady(node, text, to, at);
  if (fills) return lowerSpliced(node, fills[node.slot], to, at);
  const fallback = at.lowering.apart(node.fallback, at);
  const isHanded = node.hands && form === 'shadow';
  to.push({
    kind: 'fill',
    slot: node.slot,
    data: lower(node.data, at),
    ids: node.hands ? idsIn(node, at) : undefined,
    marks: !marksParts(form) ? 'never' : isHanded ? 'always' : 'where it changes',
    fallback,
    fallbackStart: fallbackStart(node, at),
  });
}

/** A slot whose content is ready to put in. */
function lowerReady(node: PlanSlot, text: Register, to: Steps, at: Scope): void {
  const given: Step = { kind: 'ready', content: register(text) };
  choose(isGiven(text), [given], at.lowering.apart(node.fallback, at), to);
}

function fallbackStart({ fallback: { nodes } }: PlanSlot, at: Scope): string {
  return nodes.length > 0 ? blockStart(nodes, at) : '';
}

/** What ids start with in content that a slot passes data to: different for each place of the slot. */
function idsIn({ number }: PlanSlot, at: Scope): ReturnType<typeof joined> {
  return joined('', at.ids.at(-1)?.() ?? literal(''), `s${number}`);
}

/** A slot of the element whose shadow root this is: the browser fills it. */
function lowerOwn(node: PlanSlot, to: Steps, at: Scope): void {
  to.text(node.name === 'default' ? '<slot>' : `<slot name="${escapeAttribute(node.name)}">`);
  at.lowering.into(node.fallback.nodes, to, at);
  to.text('</slot>');
}

/** A slot whose content is known. */
function lowerSpliced(node: PlanSlot, given: Spliced | undefined, to: Steps, at: Scope): void {
  const isHanded = node.hands && at.env.form === 'shadow';
  if (!given && !isHanded) return at.lowering.into(node.fallback.nodes, to, at);
  if (!given) {
    to.text(`<!--(-->${fallbackStart(node, at)}`);
    at.lowering.into(node.fallback.nodes, to, at);
    return to.text('<!--)-->');
  }
  const { fill, at: owner } = given;
  const isMarked =
    isHanded || (marksParts(at.env.form) && !(fill.data === undefined && fill.block.filled === true));
  // Content that takes data is a part, and where it may come to nothing the choice is another one in it.
  const isChosen = isMarked && !isHanded && fill.data !== undefined && fill.block.filled !== true;
  const inside = contentAt(node, fill, owner, to, at);
  if (isMarked) to.text('<!--(-->');
  if (isChosen) to.text(choiceStart);
  const filled = filledHere(fill.block.filled, inside);
  const [content, fallback] = [new Steps(), new Steps()];
  if (isHanded) content.text(filledMark);
  if (filled.op.op !== 'literal' || filled.op.value) {
    if (isMarked) content.text(blockStart(fill.block.nodes, owner));
    at.lowering.into(fill.block.nodes, content, inside);
  }
  if (filled.op.op !== 'literal' || !filled.op.value) {
    if (isMarked) fallback.text(fallbackStart(node, at));
    at.lowering.into(node.fallback.nodes, fallback, at);
  }
  choose(filled, fromOutside(content.list, at), fallback.list, to);
  if (isChosen) to.text('<!--)-->');
  if (isMarked) to.text('<!--)-->');
}

/** Where the content of a slot is lowered, with what the slot passes. */
function contentAt(node: PlanSlot, { data }: PlanFill, owner: Scope, to: Steps, at: Scope): Scope {
  // What was checked around the slot stands for its content as well.
  const { known } = at;
  if (data === undefined) return { ...owner, tag: '', known };
  let value = lower(node.data, at);
  if (value.op.op !== 'literal' && value.op.op !== 'local') {
    const kept = at.lowering.register('data');
    to.push({ kind: 'let', to: kept, value, check: undefined });
    value = register(kept);
  }
  return { ...deeper(owner, [[data, value]], () => idsIn(node, at)), tag: '', known };
}

/** Content for a slot of a component that is not inlined. What never comes to anything is as if it were not given. */
export function givenFill(fill: PlanFill | undefined, at: Scope): GivenFill | undefined {
  if (!fill || (fill.data === undefined && fill.block.filled === false)) return undefined;
  const { data, block } = fill;
  const { lowering } = at;
  const local = data === undefined ? undefined : lowering.register('data');
  const ids = data === undefined ? undefined : lowering.register('ids');
  const inside =
    data === undefined || local === undefined || ids === undefined
      ? at
      : deeper(at, [[data, register(local)]], () => register(ids));
  return {
    content: fromOutside(lowering.apart(block, { ...inside, tag: '' }), at),
    data: local,
    ids,
    filled: filledHere(block.filled, inside),
    isAlways: block.filled === true,
    start: blockStart(block.nodes, at),
  };
}

/** Content of which is only asked whether it comes to anything. */
export function askedFill(fill: PlanFill | undefined, at: Scope): GivenFill | undefined {
  if (!fill) return undefined;
  const filled = filledHere(fill.block.filled, at);
  return {
    content: undefined,
    data: undefined,
    ids: undefined,
    filled,
    isAlways: fill.block.filled === true,
    start: '',
  };
}
