/** An attribute as it is written in a tag. */
export interface ScannedAttribute {
  readonly name: string;
  readonly at: number;
  readonly end: number;
  readonly value: string;
  /** Where the value begins, behind its quote; undefined where there is no `=`. */
  readonly valueAt: number | undefined;
  readonly quote: string;
  /** Whether the text ends in it, so that more of it may follow. */
  readonly isOpen: boolean;
}

export interface ScannedTag {
  readonly kind: 'tag';
  readonly at: number;
  readonly end: number;
  /** As it is written; empty where the text ends before it. */
  readonly name: string;
  readonly nameEnd: number;
  readonly isEnd: boolean;
  /** Whether it ends with `/>`. */
  readonly isAlone: boolean;
  readonly attributes: readonly ScannedAttribute[];
  readonly isOpen: boolean;
}

/** A piece of HTML text. Doctypes count as comments, and what a tokenizer takes for one (`</ x>`). */
export type Scanned =
  | { readonly kind: 'text'; readonly at: number; readonly end: number; readonly isOpen: boolean }
  | { readonly kind: 'comment'; readonly at: number; readonly end: number; readonly isOpen: boolean }
  | ScannedTag;

const tagStart = /<(\/?)([A-Za-z][^\s/>]*)?/y;
const attributePart = /([\s/]*)(?:(>)|(=?[^\s=>/]*)(?:(\s*=\s*)(?:(["'])|([^\s>]*)))?)/y;
const textElement = /^(?:script|style|textarea|title|xmp)$/i;

/**
 * Takes HTML text apart as a tokenizer does (https://html.spec.whatwg.org/#tokenization), with the places of all pieces and
 * as they are written. It takes whatever there is: a piece that the text ends in is open.
 *
 * @param verbatim the elements whose content is text, whatever it looks like
 *
 * @example [...scanned('<b>x')].map(({ kind }) => kind) // ['tag', 'text']
 */
export function* scanned(html: string, verbatim = textElement): Generator<Scanned> {
  const text = (at: number, end: number): Scanned => ({ kind: 'text', at, end, isOpen: end === html.length });
  for (let at = 0; at < html.length; ) {
    const next = html.indexOf('<', at);
    if (next !== at) {
      const end = next < 0 ? html.length : next;
      yield text(at, end);
      at = end;
      continue;
    }
    if (/^<(?:[!?]|\/[^A-Za-z])/.test(html.slice(at, at + 3))) {
      const end = html.startsWith('<!--', at) ? /--!?>/g : />/g;
      // `<!-->` and `<!--->` end where they begin (https://html.spec.whatwg.org/#comment-start-state).
      end.lastIndex = at + 2;
      const isOpen = !end.test(html);
      const to = isOpen ? html.length : end.lastIndex;
      yield { kind: 'comment', at, end: to, isOpen };
      at = to;
      continue;
    }
    tagStart.lastIndex = at;
    const [start = '<', slash, name = ''] = tagStart.exec(html) ?? [];
    const nameEnd = at + start.length;
    if (name === '' && nameEnd < html.length) {
      yield text(at, nameEnd);
      at = nameEnd;
      continue;
    }
    const tag: ScannedTag = {
      kind: 'tag',
      at,
      name,
      nameEnd,
      isEnd: slash === '/',
      ...insideOf(html, nameEnd),
    };
    yield tag;
    at = tag.end;
    if (tag.isEnd || tag.isOpen || !verbatim.test(name)) continue;
    const close = new RegExp(`</${name}`, 'gi');
    close.lastIndex = at;
    const to = close.exec(html)?.index ?? html.length;
    if (to > at) yield text(at, to);
    at = to;
  }
}

/** What stands in a tag from behind its name on. */
function insideOf(html: string, from: number): Pick<ScannedTag, 'attributes' | 'end' | 'isAlone' | 'isOpen'> {
  const attributes: ScannedAttribute[] = [];
  for (let at = from; ; ) {
    attributePart.lastIndex = at;
    const [all = '', space = '', end, name = '', equals, quote = '', bare = ''] =
      attributePart.exec(html) ?? [];
    const partEnd = at + all.length;
    if (end !== undefined) return { attributes, end: partEnd, isAlone: space.endsWith('/'), isOpen: false };
    if (name === '') return { attributes, end: html.length, isAlone: false, isOpen: true };
    const valueAt = equals === undefined ? undefined : partEnd - bare.length;
    const close = quote === '' ? partEnd : html.indexOf(quote, partEnd);
    const isOpen = close < 0 || (quote === '' && close === html.length);
    const valueEnd = close < 0 ? html.length : close;
    const to = isOpen || quote === '' ? valueEnd : valueEnd + 1;
    const value = html.slice(valueAt ?? to, valueEnd);
    attributes.push({ name, at: at + space.length, end: to, value, valueAt, quote, isOpen });
    if (isOpen) return { attributes, end: html.length, isAlone: false, isOpen: true };
    at = to;
  }
}
