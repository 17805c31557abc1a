import { type Finding, finding } from '../../problem/index.js';
import { scanned } from '../../template/index.js';
import type { Places } from './place.js';

/**
 * A quote or a comment that is opened and not closed: what follows is read as a part of it, so that whatever a parser then
 * finds wrong is wrong no more once it is closed. A quote counts as not closed where the text ends in its value, or where a
 * tag stands in it and the quote that ends it has more text at its heels, being the next value's own.
 *
 * @param text with its interpolations marked: what stands in an expression closes nothing
 */
export function neverClosed(text: string): { readonly at: number; readonly name: string } | undefined {
  for (const one of scanned(text)) {
    if (one.kind === 'comment' && one.isOpen && text.startsWith('<!--', one.at))
      return { at: one.at, name: '' };
    if (one.kind !== 'tag') continue;
    for (const { end, isOpen, name, quote, value, valueAt = 0 } of one.attributes) {
      if (quote === '') continue;
      const isSwallowing = /<\/?[A-Za-z]/.test(value) && /[^\s/>]/.test(text[end] ?? ' ');
      if (isOpen || isSwallowing) return { at: valueAt - 1, name };
    }
  }
  return undefined;
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
