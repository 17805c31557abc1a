import { type ScannedTag, scanned, voidElements } from 'zesty-lattice/internal/template';

/** What stands at a place in HTML text, however unfinished it is. */
export type Spot =
  | { readonly kind: 'tag'; readonly word: string; readonly from: number; readonly isEnd: boolean }
  | {
      readonly kind: 'attribute';
      readonly tag: string;
      readonly word: string;
      readonly from: number;
      readonly others: readonly string[];
    }
  | {
      readonly kind: 'value';
      readonly tag: string;
      readonly attribute: string;
      readonly word: string;
      readonly from: number;
    }
  | {
      readonly kind: 'expression';
      readonly path: readonly string[];
      readonly word: string;
      readonly from: number;
    }
  | { readonly kind: 'text' };

/** An element that is open at a place. */
export interface Open {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string>>;
}

export interface Spotted {
  readonly spot: Spot;
  /** The elements that are open there, outermost first. */
  readonly open: readonly Open[];
}

/** Reads HTML text up to a place. It takes whatever is written: a tag without an end, a quote that is not closed. */
export function spotAt(text: string, offset: number): Spotted {
  const before = text.slice(0, offset);
  const open: Open[] = [];
  for (const one of scanned(before)) {
    if (one.kind === 'comment') continue;
    if (one.kind === 'text') {
      const hole = holeFrom(before, one.at, one.end);
      if (hole !== undefined) return { spot: expression(before, hole), open };
      continue;
    }
    if (one.isOpen) return { spot: spotIn(one, before), open };
    const tag = one.name.toLowerCase();
    if (one.isEnd) {
      const known = open.findLastIndex((other) => other.tag === tag);
      if (known >= 0) open.splice(known);
    } else if (!voidElements.has(tag) && !one.isAlone)
      open.push({
        tag,
        attributes: Object.fromEntries(one.attributes.map(({ name, value }) => [name, value])),
      });
  }
  return { spot: { kind: 'text' }, open };
}

/** What stands at the end of a text that ends in a tag. */
function spotIn({ attributes, isEnd, name: tag, nameEnd }: ScannedTag, text: string): Spot {
  const end = text.length;
  if (nameEnd === end) return { kind: 'tag', word: tag, from: end - tag.length, isEnd };
  const last = attributes.at(-1);
  const others = attributes.filter(({ isOpen }) => !isOpen).map(({ name }) => name);
  if (!last?.isOpen) {
    const isApart = /[\s/]$/.test(text);
    return isApart ? { kind: 'attribute', tag, word: '', from: end, others } : { kind: 'text' };
  }
  const { at, name, valueAt } = last;
  if (valueAt === undefined) return { kind: 'attribute', tag, word: name, from: at, others };
  const hole = holeFrom(text, valueAt, end);
  if (hole !== undefined) return expression(text, hole);
  return { kind: 'value', tag, attribute: name, word: text.slice(valueAt), from: valueAt };
}

/** Where an expression begins that is not closed before `to`. */
function holeFrom(text: string, from: number, to: number): number | undefined {
  const last = text.lastIndexOf('{{', to);
  if (last < from) return undefined;
  const end = text.indexOf('}}', last);
  return end >= 0 && end < text.length ? undefined : last + 2;
}

function expression(text: string, from: number): Spot {
  return expressionIn(text.slice(from), from);
}

/** The word that an expression ends with, and the fields before it. */
export function expressionIn(written: string, from: number): Spot {
  const [path = ''] = /(?:[A-Za-z_$][\w$]*\.)*[A-Za-z_$]?[\w$]*$/.exec(written) ?? [];
  const steps = path.split('.');
  const word = steps.pop() ?? '';
  return { kind: 'expression', path: steps, word, from: from + written.length - word.length };
}

/** The offset at which the word ends that a place is in. */
export function wordEnd(text: string, offset: number): number {
  return offset + (/^[\w$-]*/.exec(text.slice(offset))?.[0].length ?? 0);
}
