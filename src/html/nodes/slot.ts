import { type Block, type Filled, filledCore, type PlanFill, type PlanSlot } from '../../plan/index.js';
import type { Fill, Scope } from '../../template/index.js';
import { apart, compiledApart } from '../apart.js';
import { type At, blockStart, type Compiling, writeBlock } from '../compiling.js';
import { escapeAttribute } from '../escape.js';
import { Direct, type Output, type Write } from '../output.js';
import type { Pass } from '../pass.js';

/** Content given to a slot, ready to write. */
export interface HtmlFill extends Fill {
  readonly write: Write;
  /** What a block of it starts with, where an element is going to take it over. */
  readonly start: string;
  /** Whether it always comes to something, so that it need not be asked. */
  readonly isAlways: boolean;
  /** The owner's local that takes what the slot hands over. */
  readonly data: number | undefined;
  /** The depth of the content's rows in the owner's template. */
  readonly depth: number;
}

/** The place of a slot: its content, written in the scope it comes from, or the fallback. */
export function writeSlot(node: PlanSlot, to: Output, at: At): void {
  const { compiling, depth } = at;
  if (compiling.form === 'shadow' && !node.hands) return writeOwnSlot(node, to, at);
  const fallback = apart(to, (inner) => writeBlock(node.fallback, inner, at));
  const { slot, data, number } = node;
  const isHanded = node.hands && compiling.form === 'shadow';
  const fallbackStart = node.fallback.nodes.length > 0 ? blockStart(node.fallback.nodes, at) : '';
  to.dynamic((scope, pass) => {
    const fill = scope.fills[slot] as HtmlFill | undefined;
    // Content that may come to nothing, or takes data, is a dynamic part; other content is not.
    const isMarked =
      compiling.marksParts &&
      (isHanded || (fill !== undefined && !(fill.isAlways && fill.data === undefined)));
    if (!isMarked) return write(scope, pass, fill, '', '');
    return `<!--(-->${write(scope, pass, fill, fill?.start ?? '', fallbackStart)}<!--)-->`;
  });

  function write(
    scope: Scope,
    pass: Pass,
    fill: HtmlFill | undefined,
    start: string,
    otherStart: string,
  ): string {
    const { owner } = scope;
    if (!fill || !owner || !(fill.isAlways || fill.isFilled(owner)))
      return otherStart + fallback.write(scope, pass);
    if (fill.data === undefined) return start + fill.write(owner, pass);
    if (owner.at && scope.at) owner.at[fill.depth + 1] = `${scope.at[depth] ?? ''}s${number}`;
    return start + writeWith(fill, fill.data, data.get(scope), owner, pass);
  }
}

/** A slot of the element whose shadow root this is: the browser fills it. */
function writeOwnSlot(node: PlanSlot, to: Output, at: At): void {
  to.text(node.name === 'default' ? '<slot>' : `<slot name="${escapeAttribute(node.name)}">`);
  writeBlock(node.fallback, to, at);
  to.text('</slot>');
}

function writeWith(fill: HtmlFill, local: number, data: unknown, owner: Scope, pass: Pass): string {
  const before = owner.locals[local];
  owner.locals[local] = data;
  const text = fill.write(owner, pass);
  owner.locals[local] = before;
  return text;
}

/** How to know whether content comes to anything. */
export function fillTest(filled: Filled, data: number | undefined): Fill {
  const { get } = filledCore(data !== undefined || filled);
  return { isFilled: (owner) => !!get(owner) };
}

/**
 * What a use gives to a slot, ready to write: compiled, or where it is for one rendering, written when it is shown. What
 * never comes to anything is as if it were not given.
 */
export function htmlFill(
  fill: PlanFill | undefined,
  compiling: Compiling,
  depth: number,
): HtmlFill | undefined {
  if (!fill || (fill.data === undefined && fill.block.filled === false)) return undefined;
  const { block, data } = fill;
  const inside: At = { compiling, depth: data === undefined ? depth : depth + 1, tag: '' };
  const isAlways = data !== undefined || block.filled === true;
  return {
    write: compiling.component ? compiled(block, inside) : direct(block, inside),
    start: blockStart(block.nodes, inside),
    data,
    depth,
    isAlways,
    isFilled: isAlways ? always : fillTest(block.filled, data).isFilled,
  };
}

const always = (): boolean => true;

function compiled(block: Block, at: At): Write {
  return compiledApart((to) => writeBlock(block, to, at)).write;
}

function direct(block: Block, at: At): Write {
  return (scope, pass) => {
    const to = new Direct(scope, pass);
    writeBlock(block, to, at);
    return to.html;
  };
}
