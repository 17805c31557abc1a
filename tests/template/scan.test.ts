import fc from 'fast-check';
import { SAXParser } from 'parse5-sax-parser';
import { expect, test } from 'vitest';
import { type Scanned, scanned } from '../../packages/lattice/src/template/scan.js';

/** What a parser's own tokenizer makes of a text: tags with attributes and places, comments and doctypes with places. */
function tokens(html: string): readonly string[] {
  const found: string[] = [];
  const parser = new SAXParser({ sourceCodeLocationInfo: true });
  parser.on('startTag', ({ attrs, selfClosing, sourceCodeLocation: place, tagName }) =>
    found.push(
      `${place?.startOffset}-${place?.endOffset} <${tagName}${attrs.map(({ name, value }) => ` ${name}=${JSON.stringify(value)}`).join('')}${selfClosing ? '/' : ''}>`,
    ),
  );
  parser.on('endTag', ({ sourceCodeLocation: place, tagName }) =>
    found.push(`${place?.startOffset}-${place?.endOffset} </${tagName}>`),
  );
  parser.end(html);
  return found;
}

const plain = (text: string): string => text.toLowerCase();

function ofTag(one: Scanned & { readonly kind: 'tag' }): string {
  const { at, attributes, end, isAlone, isEnd, name } = one;
  if (isEnd) return `${at}-${end} </${plain(name)}>`;
  // Of two attributes of one name the first counts.
  const own = new Map<string, string>();
  for (const { name: attribute, value } of attributes)
    if (!own.has(plain(attribute))) own.set(plain(attribute), value);
  const written = [...own].map(([attribute, value]) => ` ${attribute}=${JSON.stringify(value)}`).join('');
  return `${at}-${end} <${plain(name)}${written}${isAlone ? '/' : ''}>`;
}

const pieces = fc.constantFrom(
  '<b>',
  '</b>',
  '<B Class=x>',
  '<a href="/x?a>b">',
  "<i title='y\"'>",
  '<br/>',
  '<br />',
  '<p a=1 b = "2" c>',
  '<p a a=2>',
  '<p a="1"b="2">',
  '<p =x>',
  '<p a=/>',
  '<p\n a\t=\n"b\nc">',
  '</p a=1>',
  '<x-y_z.1>',
  '<',
  '>',
  '"',
  "'",
  '=',
  '/',
  ' ',
  'text',
  '<!-- c -->',
  '<!---->',
  '<!-->',
  '<!--->',
  '<!-- a --!>',
  '<!doctype html>',
  '<?x?>',
  '<!x>',
  '</ x>',
  '<1>',
  '<script>',
  '</script>',
  '<style>',
  '</style >',
  '<textarea>',
  '</textarea>',
  '<title>',
  '</title>',
  '<!--',
  '-->',
  '&lt;',
  '柑',
);

test('tags and attributes are those that a parser’s tokenizer finds, at the same places', () => {
  fc.assert(
    fc.property(fc.array(pieces, { maxLength: 10 }), (all) => {
      const html = all.join('');
      const own = [...scanned(html)].flatMap((one) =>
        one.kind === 'tag' && !one.isOpen ? [ofTag(one)] : [],
      );
      expect([html, ...own]).toEqual([html, ...tokens(html)]);
    }),
    { numRuns: 3_000, seed: 5 },
  );
});

test('the pieces of a text are all of it, one behind the other, and only the last is open', () => {
  fc.assert(
    fc.property(fc.array(pieces, { maxLength: 10 }), (all) => {
      const html = all.join('');
      let end = 0;
      for (const one of scanned(html)) {
        expect(one.at).toBe(end);
        expect(one.end).toBeGreaterThan(one.at);
        end = one.end;
        if (one.isOpen) expect(end).toBe(html.length);
      }
      expect(end).toBe(html.length);
    }),
    { numRuns: 1_000, seed: 6 },
  );
});

test.each<[html: string, attribute: object]>([
  ['<p a="x', { name: 'a', at: 3, end: 7, value: 'x', valueAt: 6, quote: '"', isOpen: true }],
  ['<p a=', { name: 'a', at: 3, end: 5, value: '', valueAt: 5, quote: '', isOpen: true }],
  ['<p a', { name: 'a', at: 3, end: 4, value: '', valueAt: undefined, quote: '', isOpen: true }],
  ["<p a = 'x y' ", { name: 'a', at: 3, end: 12, value: 'x y', valueAt: 8, quote: "'", isOpen: false }],
])('%j ends in a tag, whose last attribute says where', (html, attribute) => {
  const [tag] = scanned(html);
  expect(tag).toMatchObject({ kind: 'tag', isOpen: true, end: html.length });
  expect(tag?.kind === 'tag' && tag.attributes.at(-1)).toEqual(attribute);
});

test('a tag that the text ends in before its name is one', () => {
  expect([...scanned('a<')]).toMatchObject([
    { kind: 'text' },
    { kind: 'tag', name: '', isEnd: false, isOpen: true },
  ]);
  expect([...scanned('a</')]).toMatchObject([
    { kind: 'text' },
    { kind: 'tag', name: '', isEnd: true, isOpen: true },
  ]);
});

test('the content of an element may be taken as it is', () => {
  expect([...scanned('<pre><b></pre>', /^pre$/)].map(({ kind }) => kind)).toEqual(['tag', 'text', 'tag']);
});
