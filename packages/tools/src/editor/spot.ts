import { voidElements } from 'zesty-lattice/internal/template';

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
  let at = 0;
  while (at < before.length) {
    const next = before.indexOf('<', at);
    const hole = holeFrom(before, at, next < 0 ? before.length : next);
    if (hole !== undefined) return { spot: expression(before, hole), open };
    if (next < 0) break;
    if (before.startsWith('<!--', next)) {
      const end = before.indexOf('-->', next);
      if (end < 0) return { spot: { kind: 'text' }, open };
      at = end + 3;
      continue;
    }
    const tag = /^<(\/?)([a-zA-Z][^\s/>]*)?/.exec(before.slice(next));
    const name = tag?.[2] ?? '';
    const nameEnd = next + (tag?.[0].length ?? 1);
    if (nameEnd >= before.length)
      return {
        spot: { kind: 'tag', word: name, from: nameEnd - name.length, isEnd: tag?.[1] === '/' },
        open,
      };
    if (name === '') {
      at = next + 1;
      continue;
    }
    const inside = tagFrom(before, nameEnd, name);
    if ('spot' in inside) return { spot: inside.spot, open };
    if (tag?.[1] === '/') {
      const known = open.findLastIndex((one) => one.tag === name.toLowerCase());
      if (known >= 0) open.splice(known);
    } else if (!voidElements.has(name.toLowerCase()) && !inside.isAlone)
      open.push({ tag: name.toLowerCase(), attributes: inside.attributes });
    at = inside.end;
  }
  return { spot: { kind: 'text' }, open };
}

/** Where an expression begins that is not closed before `to`. */
function holeFrom(text: string, from: number, to: number): number | undefined {
  const last = text.lastIndexOf('{{', to);
  if (last < from) return undefined;
  const end = text.indexOf('}}', last);
  return end >= 0 && end < text.length ? undefined : last + 2;
}

interface Tag {
  readonly attributes: Readonly<Record<string, string>>;
  readonly end: number;
  readonly isAlone: boolean;
}

function tagFrom(text: string, start: number, tag: string): Tag | { readonly spot: Spot } {
  const attributes: Record<string, string> = {};
  let at = start;
  for (;;) {
    const space = /^[\s/]*/.exec(text.slice(at))?.[0] ?? '';
    const from = at + space.length;
    if (from >= text.length) {
      const others = Object.keys(attributes);
      return space === ''
        ? { spot: { kind: 'text' } }
        : { spot: { kind: 'attribute', tag, word: '', from, others } };
    }
    if (text[from] === '>') return { attributes, end: from + 1, isAlone: space.endsWith('/') };
    const name = /^[^\s=>/]+/.exec(text.slice(from))?.[0] ?? '=';
    const nameEnd = from + name.length;
    if (nameEnd >= text.length)
      return { spot: { kind: 'attribute', tag, word: name, from, others: Object.keys(attributes) } };
    const equals = /^\s*=\s*/.exec(text.slice(nameEnd))?.[0];
    if (equals === undefined) {
      attributes[name] = '';
      at = nameEnd;
      continue;
    }
    const valueFrom = nameEnd + equals.length;
    const quote = text[valueFrom];
    const isQuoted = quote === '"' || quote === "'";
    const found = isQuoted ? text.indexOf(quote, valueFrom + 1) : -1;
    const end = isQuoted ? found : valueFrom + (/^[^\s>]*/.exec(text.slice(valueFrom))?.[0].length ?? 0);
    const inside = valueFrom + (isQuoted ? 1 : 0);
    if (isQuoted ? end < 0 : end >= text.length) {
      const hole = holeFrom(text, inside, text.length);
      if (hole !== undefined) return { spot: expression(text, hole) };
      return { spot: { kind: 'value', tag, attribute: name, word: text.slice(inside), from: inside } };
    }
    attributes[name] = text.slice(inside, end);
    at = isQuoted ? end + 1 : end;
  }
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
