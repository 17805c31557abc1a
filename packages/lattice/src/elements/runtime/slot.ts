import type { Scope } from '../../template/scope.js';
import { type Attach, attempt, type Block, follow, keep, update } from './block.js';
import { safe } from './dom.js';
import { type Filled, fillerOf, refilling } from './fillers.js';
import type { Instance } from './instance.js';
import { anew, forward, inside, mount, type Reads, remove } from './move.js';
import { derived, refresh } from './scopes.js';
import { borrow } from './sheets.js';
import type { Get } from './text.js';
import type { View } from './view.js';

/** A slot of the element itself that passes data. */
export interface Handing {
  readonly name: string;
  readonly data: Get;
  readonly mask: number;
  readonly level: number;
  readonly fallback: View;
  readonly reads: Reads;
  readonly depth: number;
  /** The slot's place in the template, as part of ids. */
  readonly number: number;
}

/** A slot that passes data: a function or a template of the page says what stands there. */
export function handed({ data, depth, fallback, level, mask, name, number, reads }: Handing): Attach {
  return (mark, scopes, block, instance) => {
    let release: (() => void) | undefined;
    let inner: Block | undefined;
    let shown: unknown = block;
    /** Whether what a server filled the slot with stands there. */
    let isSent = false;
    const show = (isAnew = refilling.now): void => {
      const value = data(scopes[level] as Scope);
      const filler = fillerOf(instance.host, name);
      if (!filler && (inner || (isSent && isSame(shown, value)))) return;
      if (filler && shown === value && !isAnew) return;
      shown = value;
      if (!filler && isSent)
        instance.tell('markup-unread', {
          what: `has other data for its slot "${name}" than a server filled it with`,
          hint: 'Fill the slot in the page, too: element.fillers, a <template slot>, or a use in a template.',
        });
      isSent = false;
      release?.();
      const at = `${(scopes[level] as Scope).at?.[depth] ?? ''}s${number}`;
      const given = filler?.(value, at, () => show(true));
      const filled: Partial<Filled> =
        given instanceof Node || typeof given === 'string' ? { content: given } : (given ?? {});
      const { content } = filled;
      const isNone = content === undefined;
      if (inner && !isNone) {
        remove(inner);
        inner = undefined;
      } else if (!inner && isNone) inner = mount(fallback, mark, [...scopes], instance);
      const nodes =
        typeof content === 'string'
          ? [new Text(content)]
          : content instanceof DocumentFragment
            ? [...content.childNodes]
            : isNone
              ? []
              : [content];
      for (const one of nodes) safe(mark.parentNode as Node).insertBefore(one, mark);
      if (filled.sheets) borrow(filled.sheets, mark);
      release = () => {
        filled.release?.();
        for (const one of nodes) (safe(one) as ChildNode).remove();
        release = undefined;
      };
    };
    const sent = sentContent(mark, instance);
    if (sent && !fillerOf(instance.host, name)) {
      // Content that a server filled the slot with stays until there is other data, or somebody else fills it.
      shown = data(scopes[level] as Scope);
      isSent = true;
      release = () => {
        for (const one of sent) (safe(one) as ChildNode).remove();
        release = undefined;
      };
    } else clear(mark, instance);
    anew(instance, () => keep(block, level, mask, () => show()));
    forward(block, reads, (one, changed) => inner && update(inner, one, changed));
  };
}

/** What stands first in a slot with data that a server filled: its content is no fallback. */
const sentMark = 'filled';

/** Whether data is the same as before, though it may be another record. */
const isSame = (before: unknown, now: unknown): boolean =>
  before === now || JSON.stringify(before) === JSON.stringify(now);

/** The nodes that a server filled a slot with; undefined where it wrote the fallback. */
function sentContent(mark: Node, instance: Instance): readonly Node[] | undefined {
  if (!instance.adoption) return undefined;
  const first = inside(mark, instance);
  if (!(first instanceof Comment) || first.data !== sentMark) return undefined;
  const all: Node[] = [];
  for (let node = first as Node; node !== mark; node = safe(node).nextSibling as Node) all.push(node);
  return all;
}

/** What a server wrote in the place is made anew: the functions that fill it are the page's. */
function clear(mark: Node, instance: Instance): void {
  if (!instance.adoption) return;
  for (let node = inside(mark, instance); node !== mark; ) {
    const next = safe(node).nextSibling as Node;
    (safe(node) as ChildNode).remove();
    node = next;
  }
}

export interface Receiving {
  readonly data: Get;
  /** The masks of the data, in the scope of the slot, and of the local in the scope of the content. */
  readonly mask: number;
  readonly localMask: number;
  readonly level: number;
  readonly owner: number;
  /** The slot's place in the template, as part of ids. */
  readonly number: number;
  readonly depth: number;
  readonly ownerDepth: number;
  /** The local that takes what the slot passes. */
  readonly local: number;
  readonly content: View;
  readonly reads: Reads;
}

/** Content that takes what a slot passes. */
export function receiving(of: Receiving): Attach {
  const { level, owner, local, content } = of;
  return (mark, scopes, block, instance) => {
    const own = scopes[level] as Scope;
    const ownerScope = derived(scopes[owner] as Scope);
    ownerScope.at = [...(ownerScope.at ?? [])];
    ownerScope.at[of.ownerDepth] = `${own.at?.[of.depth] ?? ''}s${of.number}`;
    const take = (): void => {
      ownerScope.locals[local] = of.data(scopes[level] as Scope);
    };
    attempt(instance, take);
    const innerScopes = [...scopes];
    innerScopes[owner] = ownerScope;
    const inner = mount(content, mark, innerScopes, instance);
    follow(block, level, of.mask, () => {
      take();
      update(inner, owner, of.localMask);
    });
    forward(block, of.reads, (one, mask) => {
      if (one === owner) refresh(ownerScope, scopes[owner] as Scope, local, 1);
      update(inner, one, mask);
    });
  };
}
