import type { ComponentCore } from 'zesty-lattice/internal/component';
import { blocksOf, type PlanNode } from 'zesty-lattice/internal/plan';
import { parseCss } from 'zesty-lattice/internal/styles';

/** A custom property that a component's rules read, so that a page sets it. */
export interface StyleProperty {
  readonly name: string;
  /** What stands where nobody sets it; empty where nothing does. */
  readonly fallback: string;
}

/** The custom properties that a component's rules read and do not set themselves, in the order they are read first. */
export function styleProperties({ styles }: ComponentCore): readonly StyleProperty[] {
  if (styles === '') return [];
  const read = new Map<string, string>();
  const set = new Set<string>();
  parseCss(styles).walkDecls(({ prop, value }) => {
    if (prop.startsWith('--')) set.add(prop);
    for (const [name, fallback] of varsIn(value)) if (!read.get(name)) read.set(name, fallback);
  });
  return [...read].filter(([name]) => !set.has(name)).map(([name, fallback]) => ({ name, fallback }));
}

/** The `var()` functions of a value (https://drafts.csswg.org/css-variables/#using-variables), those inside of others, too. */
function varsIn(value: string): readonly (readonly [string, string])[] {
  return [...value.matchAll(/\bvar\(\s*(--[^\s,)]+)\s*(,)?/g)].map(([all, name = '', comma], _index) => {
    const from = value.indexOf(all) + all.length;
    return [name, comma === undefined ? '' : untilClosed(value.slice(from)).trim()];
  });
}

function untilClosed(text: string): string {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '(') depth++;
    else if (text[at] === ')' && depth-- === 0) return text.slice(0, at);
  }
  return text;
}

/** The names by which a page's rules reach elements of the shadow root (https://drafts.csswg.org/css-shadow-parts/#part-attr). */
export function styleParts(core: ComponentCore): readonly string[] {
  const names = new Set<string>();
  for (const block of blocksOf(core))
    for (const node of block.all('element')) for (const name of partsOf(node)) names.add(name);
  return [...names];
}

function partsOf(node: PlanNode): readonly string[] {
  if (node.kind !== 'element') return [];
  return node.attributes.flatMap((one) =>
    one.kind === 'fixed' && one.name === 'part' && typeof one.text === 'string' ? one.text.split(/\s+/) : [],
  );
}
