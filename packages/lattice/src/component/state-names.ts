import type { ComponentCore } from './core.js';
import { type AnyKind, fallbackOf } from './kind.js';

/**
 * The fields of a component's first state, from props at their fallbacks, or at the plainest value there is. Undefined
 * where it takes real props to tell them.
 */
export function stateNames({ state, props }: ComponentCore): readonly string[] | undefined {
  if (!state) return [];
  try {
    const values = props.kinds.map((kind, index) => [props.names[index], fallbackOf(kind) ?? plainest(kind)]);
    return Object.keys(state(Object.fromEntries(values)));
  } catch {
    return undefined;
  }
}

/** The plainest value of a kind; nothing where only its author knows one. */
function plainest({ rules: { holds, word } }: AnyKind): unknown {
  switch (word) {
    case 'text':
    case 'url':
      return '';
    case 'number':
      return 0;
    case 'date':
      return new Date(0);
    case 'list':
      return [];
    case 'choice':
      return Array.isArray(holds) ? holds[0] : undefined;
    case 'record':
      return Object.fromEntries(
        Object.entries((holds ?? {}) as Readonly<Record<string, AnyKind>>).map(([name, kind]) => [
          name,
          fallbackOf(kind) ?? plainest(kind),
        ]),
      );
    default:
      return undefined;
  }
}
