import { finding } from '../../problem/index.js';
import type { Fill, Scope, Site } from '../../template/scope.js';
import { type Attach, attempt, type Block, follow, type Scopes, update } from './block.js';
import type { Filler, FillerHost } from './fillers.js';
import type { Instance } from './instance.js';
import { isRequired, type LiveProp } from './live.js';
import { anew, forward, type Reads, remove } from './move.js';
import { report } from './report.js';
import { derived, refresh } from './scopes.js';
import { checkedValue } from './settle.js';
import { sheetsFrom } from './sheets.js';
import type { Get } from './text.js';
import { create, nodesOf, type View } from './view.js';

/** A component whose template stands in another's: it has a scope of its own. */
export interface Inner {
  readonly name: string;
  /** The numbers of its scope and of the one around it. */
  readonly level: number;
  readonly owner: number;
  readonly depth: number;
  readonly site: Site;
  /** Its constant props, and those that change. */
  readonly values: readonly unknown[];
  readonly changing: readonly Changing[];
  /** What fills its slots; none where nothing in it asks. */
  readonly fills: readonly (Fill | undefined)[];
}

export interface Changing {
  readonly at: number;
  readonly get: Get;
  readonly prop: LiveProp;
}

/**
 * Makes the scope of a component in a view, from the one around it, and keeps it in step with what the use's props and
 * content read.
 */
export function innerScope(
  of: Inner,
  mask: number,
  fills: readonly (readonly [mask: number, slotMask: number])[],
): Attach {
  const { owner, level } = of;
  return (_view, scopes, block, instance) => {
    const around = scopes[owner] as Scope;
    const props = [...of.values];
    /** Reads a prop anew; one that cannot be worked out stays as it was. */
    const read = ({ at, get, prop }: Changing): void =>
      attempt(instance, () => {
        props[at] = settledIn(of.name, prop, get(scopes[owner] as Scope), instance);
      });
    for (const one of of.changing) {
      props[one.at] = one.prop.fallback;
      read(one);
    }
    scopes[level] = {
      name: of.name,
      props,
      locals: [],
      fills: of.fills,
      owner: around,
      site: of.site,
      at: [(around.at?.[of.depth] ?? '') + of.site.id],
      state: undefined,
      shared: undefined,
      accepted: undefined,
    };
    follow(block, owner, mask, () => {
      let changed = 0;
      for (const one of of.changing) {
        const before = props[one.at];
        read(one);
        if (props[one.at] !== before) changed |= one.prop.mask;
      }
      if (changed) update(block, level, changed);
    });
    for (const [filled, mask] of fills) follow(block, owner, filled, () => update(block, level, mask));
  };
}

/** A component's prop, normalised where the component stands in another's template. */
function settledIn(component: string, prop: LiveProp, given: unknown, instance: Instance): unknown {
  const { fallback, name, rule } = prop;
  if (given !== undefined)
    return checkedValue(rule, given, (fault) =>
      report(instance, finding('prop-invalid', { component, prop: name, fault })),
    );
  if (isRequired(prop))
    report(instance, finding('prop-missing', { component, prop: name, expected: rule.expected }));
  return fallback;
}

/** What stands for one piece of data: nothing, where the content comes to nothing for it. */
interface Piece {
  readonly scopes: Scopes;
  readonly made: Block | undefined;
  readonly again: (() => void) | undefined;
}

/** Content of a slot that passes data, as a function of the element it is given to: a block for each piece of data. */
export function filling(
  name: string,
  local: number,
  content: View,
  level: number,
  reads: Reads,
  depth: number,
  filled?: Get,
): Attach {
  return (node, scopes, block, instance) => {
    const live = new Set<Piece>();
    const filler: Filler = (data, at, again) => {
      const scope = derived(scopes[level] as Scope);
      scope.locals[local] = data;
      if (at !== undefined) {
        scope.at = scope.at?.slice() ?? [];
        scope.at[depth] = at;
      }
      const copies = [...scopes];
      copies[level] = scope;
      const made =
        !filled || filled(scope) ? anew(instance, () => create(content, copies, instance)) : undefined;
      const piece = { scopes: copies, made, again };
      live.add(piece);
      return {
        content: made && nodesOf(made),
        sheets: sheetsFrom(instance),
        release() {
          live.delete(piece);
          // What is in it may be more by now than the slot was given.
          if (made) remove(made);
        },
      };
    };
    const element = node as FillerHost;
    element.fillers = { ...element.fillers, [name]: filler };
    forward(block, reads, (one, mask) => {
      for (const { again, made, scopes: own } of [...live]) {
        if (one === level) refresh(own[level] as Scope, scopes[level] as Scope, local, 1);
        if (filled && !filled(own[level] as Scope) === !!made) again?.();
        else if (made) update(made, one, mask);
      }
    });
  };
}
