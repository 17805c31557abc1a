import type { SourcePlace } from '../problem/index.js';
import type { ComponentTree, TreeUse } from './tree.js';
import { conditionWords, slotWords, valueWords } from './words.js';

/** A prop of a use in a page: what it is now, and where that came from. */
export interface InspectedProp {
  readonly name: string;
  readonly kind: string;
  /** Its value, as a person reads it. */
  readonly value: string;
  /** What was given, as its author wrote it; `fallback`, `given`, or empty where it was left out. */
  readonly from: string;
}

/** One use of a component in a page, as somebody who looks at it wants to know it. */
export interface InspectedUse {
  readonly component: string;
  /** The components down to it, with the numbers of rows. */
  readonly path: string;
  /** Where the use is written. */
  readonly source?: SourcePlace;
  readonly props: readonly InspectedProp[];
  readonly slots: readonly { readonly name: string; readonly words: string }[];
  /** The conditions and lists that it stands under. */
  readonly under: readonly string[];
}

/**
 * What is known of a use: from the tree where it stands and comes from, and what its props are now.
 *
 * @param values of the props now, by name
 */
export function inspectedUse(
  use: TreeUse | undefined,
  component: string,
  path: string,
  values: Readonly<Record<string, unknown>>,
): InspectedUse {
  const known = new Map(use?.props.map((prop) => [prop.name, prop]));
  return {
    component,
    path,
    ...(use?.source && { source: use.source }),
    props: Object.entries(values).map(([name, value]) => {
      const { expression, from = 'given', kind = '' } = known.get(name) ?? {};
      return {
        name,
        kind,
        value: value === undefined ? 'nothing' : valueWords(value),
        from: expression ?? (from === 'absent' ? 'left out' : from === 'open' ? '' : from),
      };
    }),
    slots: (use?.slots ?? []).map((slot) => ({ name: slot.name, words: wordsOf(slot) })),
    under: (use?.under ?? []).map((one) => conditionWords(one)),
  };
}

function wordsOf(slot: TreeUse['slots'][number]): string {
  const content = slot.content.map((part) => ('component' in part ? `<${part.component}>` : part.outline));
  return [slotWords(slot) || 'filled', ...content].join(': ');
}

/** The uses of a tree by their paths, without numbers of rows. */
export function usesByPath(tree: ComponentTree): ReadonlyMap<string, TreeUse> {
  return new Map([...tree.walk()].map((use) => [use.path, use]));
}
