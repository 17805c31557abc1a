import { type Finding, finding } from '../../problem/index.js';
import type { Places } from './place.js';

/**
 * A quote or a comment that is opened and not closed: what follows is read as a part of it, so that whatever a parser then
 * finds wrong is wrong no more once it is closed. A quote counts as not closed where the text ends in its value, or where a
 * tag stands in it and the quote that ends it has more text at its heels, being the next value's own.
 *
 * @param text with its holes marked: what stands in an expression closes nothing
 */
export function neverClosed(text: string): { readonly at: number; readonly name: string } | undefined {
  let at = 0;
  for (;;) {
    const open = text.indexOf('<', at);
    if (open < 0) return undefined;
    if (text.startsWith('<!--', open)) {
      const end = /--!?>/g;
      // `<!-->` and `<!--->` end where they begin (https://html.spec.whatwg.org/#comment-start-state).
      end.lastIndex = open + 2;
      const found = end.exec(text);
      if (!found) return { at: open, name: '' };
      at = found.index + found[0].length;
      continue;
    }
    const tag = /^<\/?([A-Za-z][^\s/>]*)/.exec(text.slice(open, open + 100));
    if (!tag) {
      at = open + 1;
      continue;
    }
    const inside = attributesFrom(text, open + tag[0].length);
    if (typeof inside !== 'number') return inside;
    at = inside;
    const raw = /^(?:script|style|textarea|title)$/i.test(tag[1] ?? '') && !tag[0].startsWith('</');
    if (!raw) continue;
    const end = new RegExp(`</${tag[1]}`, 'gi');
    end.lastIndex = at;
    at = end.exec(text)?.index ?? text.length;
  }
}

/** Where a tag ends, from behind its name; or the value in it whose quote is not closed. */
function attributesFrom(text: string, from: number): number | { readonly at: number; readonly name: string } {
  const parts = /[\s/]*(?:(>)|([^\s=>/]+)(?:\s*=\s*(?:(["'])|[^\s>"']*))?)/y;
  parts.lastIndex = from;
  for (let found = parts.exec(text); found; found = parts.exec(text)) {
    const [, end, name = '', quote] = found;
    if (end !== undefined) return parts.lastIndex;
    if (quote === undefined) continue;
    const open = parts.lastIndex - 1;
    const close = text.indexOf(quote, open + 1);
    const isSwallowing = close >= 0 && /<\/?[A-Za-z]/.test(text.slice(open, close));
    if (close < 0 || (isSwallowing && /[^\s/>]/.test(text[close + 1] ?? ' '))) return { at: open, name };
    parts.lastIndex = close + 1;
  }
  return text.length;
}

/**
 * What is wrong with a text as HTML, where a quote or comment in it is not closed: that first and alone, with what is wrong
 * before it.
 */
export function withoutFollowers(
  findings: readonly Finding[],
  unclosed: ReturnType<typeof neverClosed>,
  places: Places,
): readonly Finding[] {
  if (!unclosed) return findings;
  const place = places.at(unclosed.at);
  const found =
    unclosed.name === ''
      ? finding('comment-unclosed', {}, place)
      : finding(
          'quote-unclosed',
          { attribute: unclosed.name, quote: places.text.charAt(unclosed.at) },
          place,
        );
  const isBefore = ({ code, source }: Finding): boolean =>
    // What is open there may be closed in what is swallowed.
    code !== 'tag-unclosed' &&
    source !== undefined &&
    (source.line < place.line || (source.line === place.line && source.column < place.column)) &&
    code !== 'tag-unfinished';
  return [found, ...findings.filter(isBefore)];
}
