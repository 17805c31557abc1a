import type { ParserError } from 'parse5';
import { type Finding, finding } from '../../problem/index.js';
import type { Places } from './place.js';

/**
 * What the standard's tokenizer finds wrong (https://html.spec.whatwg.org/#parse-errors), in words. Errors that are
 * reported in another way, or that no page suffers from, are left out.
 */
const words: Readonly<Record<string, readonly [fault: string, hint: string]>> = {
  'abrupt-closing-of-empty-comment': [
    'A comment ends before it began',
    'Write <!-- and --> around its text.',
  ],
  'absence-of-digits-in-numeric-character-reference': [
    '"&#" stands without a number',
    'Write the number and a semicolon, or &amp;# for the signs themselves.',
  ],
  'cdata-in-html-content': [
    'A CDATA section stands in HTML',
    'HTML has none outside of SVG; write the text with &lt; and &amp;.',
  ],
  'character-reference-outside-unicode-range': [
    'A character number is too large',
    'Use a number up to 10FFFF.',
  ],
  'control-character-in-input-stream': ['A control character is in the text', 'Remove it.'],
  'control-character-reference': ['A reference names a control character', 'Remove it.'],
  'end-tag-with-attributes': ['An end tag has attributes', 'Put them into the start tag.'],
  'end-tag-with-trailing-solidus': [
    'An end tag ends in "/>"',
    'An end tag is </name>, without a slash at its end.',
  ],
  'eof-before-tag-name': ['The text ends with "<"', 'Write &lt; for the sign itself.'],
  'incorrectly-closed-comment': ['A comment is closed with --!>', 'Close it with -->.'],
  'incorrectly-opened-comment': [
    '"<!" opens no comment',
    'A comment starts with <!--; write &lt;! for the signs.',
  ],
  'invalid-first-character-of-tag-name': [
    'A "<" is in the text',
    'Write &lt; for the sign itself; a tag’s name starts with a letter.',
  ],
  'missing-attribute-value': ['An attribute has "=" and no value', 'Write a value, or remove the "=".'],
  'missing-end-tag-name': ['"</>" names no element', 'Write the name of the element that ends here.'],
  'missing-semicolon-after-character-reference': [
    'A character reference has no semicolon',
    'End it with one, as in &amp;.',
  ],
  'missing-whitespace-between-attributes': [
    'Two attributes stand without a space between',
    'Put a space there.',
  ],
  'nested-comment': [
    'A comment starts inside a comment',
    'Comments cannot stand in one another; take the inner one out.',
  ],
  'null-character-reference': ['A reference names no character', 'Remove it.'],
  'surrogate-character-reference': ['A reference names half a character', 'Write the character itself.'],
  'unexpected-character-in-attribute-name': [
    'A quote or "<" stands in an attribute’s name',
    'Close the value before it with its quote, and put a space between attributes.',
  ],
  'unexpected-character-in-unquoted-attribute-value': [
    'A value without quotes has a quote, "<", "=" or "`" in it',
    'Put double quotes around the value.',
  ],
  'unexpected-equals-sign-before-attribute-name': ['An "=" stands before any name', 'Write name="value".'],
  'unexpected-null-character': ['A null character is in the text', 'Remove it.'],
  'unexpected-question-mark-instead-of-tag-name': [
    '"<?" opens nothing in HTML',
    'Remove it: processing instructions belong to XML.',
  ],
  'unexpected-solidus-in-tag': [
    'A "/" stands inside a tag',
    'Remove it, or put quotes around the value it belongs to.',
  ],
  'unknown-named-character-reference': [
    'A "&" starts no character that HTML knows',
    'Write &amp; for the sign itself, or the character’s right name.',
  ],
};

/** Errors in what "<" opens. */
const openers: ReadonlySet<string> = new Set([
  'cdata-in-html-content',
  'eof-before-tag-name',
  'incorrectly-opened-comment',
  'invalid-first-character-of-tag-name',
  'missing-end-tag-name',
  'unexpected-question-mark-instead-of-tag-name',
]);

/** Words an interpolation inside a tag, in its name or among its attributes. */
export function holeInTag(isName: boolean): { readonly place: string; readonly hint: string } {
  return isName
    ? {
        place: 'in a tag’s name',
        hint: 'Which element it is has to be written; choose with <template given="…">.',
      }
    : {
        place: 'among the attributes',
        hint: 'Write name="{{ … }}": an attribute whose value is false or missing is left out.',
      };
}

/** A tokenizer error as a finding; undefined where it is reported elsewhere. */
export function parserFinding(error: ParserError, places: Places): Finding | undefined {
  const { code, startOffset } = error;
  const before = places.text.slice(0, startOffset);
  if (code === 'duplicate-attribute') {
    let from = startOffset;
    while (from > 0 && !/[\s"'<>/=]/.test(before[from - 1] ?? '')) from--;
    const name = before.slice(from);
    return finding('attribute-doubled', { attribute: name }, places.at(startOffset - name.length));
  }
  const known = words[code];
  if (!known) return undefined;
  // What is found out at its end is shown where it starts.
  const at = code.includes('character-reference')
    ? before.lastIndexOf('&')
    : openers.has(code)
      ? before.lastIndexOf('<')
      : startOffset;
  if (places.text.startsWith('<{{', at))
    return finding('interpolation-misplaced', holeInTag(true), places.at(at));
  return finding('markup-invalid', { fault: known[0], hint: known[1] }, places.at(at));
}
