import type { ElementBuilders } from './builders.js';
import { type Content, isRecord } from './node.js';
import { ElementNode } from './nodes/element.js';

type Builder = (...args: unknown[]) => ElementNode;

/**
 * The builder of a tag. The first argument may be a record of attributes; all the others are content. `old` are attributes
 * that HTML has given up, and that stand there on purpose.
 */
export function builderOf(tag: string, old?: readonly string[]): Builder {
  return function build(...args: unknown[]): ElementNode {
    const [first] = args;
    const isGiven = isRecord(first);
    const content = (isGiven ? args.slice(1) : args) as Content[];
    const node = new ElementNode(tag, isGiven ? first : undefined, content, build);
    if (old) node.old = old;
    return node;
  };
}

/** An element whose tag is an expression or a text. */
function elementOf(tag: unknown, first?: unknown, ...rest: unknown[]): ElementNode {
  const content = rest as Content[];
  if (isRecord(first)) return new ElementNode(tag, first, content, elementOf);
  return new ElementNode(
    tag,
    undefined,
    first === undefined ? content : [first as Content, ...content],
    elementOf,
  );
}

/** Makes a builder when its tag is asked for the first time; from then on it is an own property of `el`. */
const makers = new Proxy(
  {},
  {
    get(_target, tag) {
      if (typeof tag !== 'string') return undefined;
      const builder = builderOf(tag);
      Object.defineProperty(el, tag, { value: builder });
      return builder;
    },
  },
);

/**
 * Builders for every element of HTML and SVG.
 *
 * @example el.p({ class: 'note', id: 'first' }, 'Text ', el.b('bold'), props.title)
 */
export const el: ElementBuilders = Object.create(makers, { of: { value: elementOf } });
