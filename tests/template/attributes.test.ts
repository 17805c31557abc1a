import { describe, expect, test } from 'vitest';
import type { Finding } from '../../packages/lattice/src/problem/index.js';
import { isDataUrl, isScriptUrl, safeUrlPattern } from '../../packages/lattice/src/problem/script-url.js';
import {
  attributeRule,
  escapedTextElements,
  isChangingTag,
  isWorded,
  lineEaters,
  rawTextElements,
  voidElements,
} from '../../packages/lattice/src/template/attributes/tables.js';
import { attributeText, isNameFit } from '../../packages/lattice/src/template/attributes/text.js';

const words = (text: string): string[] => text.split(' ');

test('the sets of elements are those of the standard', () => {
  expect([...voidElements]).toEqual(words('area base br col embed hr img input link meta source track wbr'));
  expect([...rawTextElements]).toEqual(['script', 'style']);
  expect([...escapedTextElements]).toEqual(['textarea', 'title']);
  expect([...lineEaters]).toEqual(['pre', 'textarea', 'listing']);
  const own = words(
    'script style textarea title pre listing plaintext xmp noscript iframe noembed noframes template',
  );
  for (const tag of [...own, ...own.map((one) => one.toUpperCase())])
    expect([tag, isChangingTag(tag)]).toEqual([tag, false]);
  for (const tag of ['h1', 'x-y.z_w', 'Preface', 'scripts', 'a'])
    expect([tag, isChangingTag(tag)]).toEqual([tag, true]);
  for (const tag of ['', '1a', 'a b', 'a>', 3, undefined])
    expect([tag, isChangingTag(tag)]).toEqual([tag, false]);
});

/** Which rule each attribute has, on which elements. */
const rules: readonly (readonly [rule: string, tags: string | undefined, names: string])[] = [
  [
    'url',
    'a',
    'action background cite data formaction href itemid itemtype longdesc manifest ping src xlink:href',
  ],
  ['url', 'form', 'action formaction'],
  ['url', undefined, 'href src action'],
  ['image', 'video', 'poster'],
  ['image', 'img', 'src href'],
  ['url', 'img', 'longdesc'],
  ['script', 'script', 'src href xlink:href'],
  ['set', 'img', 'srcset imagesrcset'],
  ['set', 'p', 'srcset imagesrcset'],
  ['set', undefined, 'srcset imagesrcset'],
  ['list', 'animate', 'by from to values'],
  ['list', 'set', 'by from to values'],
  ['list', 'ANIMATEtransform', 'to'],
  ['any', undefined, 'by from to values content'],
  ['refresh', 'meta', 'content'],
  ['plain', 'p', 'content by from to values title alt name'],
  ['plain', undefined, 'title alt class'],
  ['document', 'iframe', 'srcdoc'],
  ['document', undefined, 'srcdoc'],
  [
    'worded',
    'p',
    'contenteditable draggable spellcheck writingsuggestions focusable preserveAlpha aria-hidden aria-x',
  ],
  ['worded', undefined, 'draggable aria-busy'],
  ['url', 'a,script,img', ''],
];

test.each(rules)('the rule %s on %s', (rule, tags, names) => {
  for (const name of names.split(' ').filter((one) => one !== ''))
    expect([name, attributeRule(tags?.split(','), name)]).toEqual([name, rule]);
});

test('an element of several tags has the rule that they share, or any', () => {
  expect(attributeRule(['a', 'area'], 'href')).toBe('url');
  expect(attributeRule(['img', 'script'], 'src')).toBe('any');
  expect(attributeRule(['p', 'img'], 'src')).toBe('any');
  expect(attributeRule(['p', 'b'], 'title')).toBe('plain');
  expect(attributeRule(['meta', 'p'], 'content')).toBe('refresh');
  expect(isWorded('aria')).toBe(false);
});

/** Whether a browser reads a URL as one that carries script, as Node's parser of URLs has it. */
function carriesScript(url: string): boolean {
  let read: URL;
  try {
    read = new URL(url, 'https://grove.example/');
  } catch {
    return false;
  }
  if (/^(?:java|vb)script:$/.test(read.protocol)) return true;
  const type = decodeURI(read.pathname).trim().toLowerCase();
  return (
    read.protocol === 'data:' &&
    /^(?:text\/html|text\/xml|text\/xsl|application\/xml|application\/[\w.-]+\+xml|image\/svg\+xml|\w+\/(?:x-)?(?:java|ecma)script|multipart\/)/.test(
      type,
    )
  );
}

const types = words(
  'text/html text/xml text/xsl application/xml application/xhtml+xml application/a.b-c+xml image/svg+xml text/javascript text/ecmascript application/x-javascript multipart/mixed text/plain image/png text/css application/json text/htm',
);
const urls = [
  ...types.flatMap((type) => [
    `data:${type},x`,
    `DATA:${type};base64,eA==`,
    `data: ${type},x`,
    `data:${type.slice(0, 2)}\n${type.slice(2, -2)}\t\r${type.slice(-2)},x`,
    `d\na\tta:${type},x`,
  ]),
  ...[
    'javascript',
    'vbscript',
    'JavaScript',
    'java\nscript',
    'j\ta\rvascript',
    '\x01 javascript',
    ' vbscript',
    '\0data',
    'xjavascript',
    'javascripts',
    'vbscriptx',
    'mailto',
    'https',
    'tel',
  ].map((scheme) => `${scheme}:x`),
  ...[
    '',
    '/a:b',
    '?javascript:',
    '#data:text/html',
    'javascript',
    'data',
    'a b:c',
    'data:',
    'data:,x',
    'data:;base64,x',
    // No type of the standard has a point in its first half.
    'data:a.b/javascript,x',
  ],
];

test.each(urls)('%j carries script as a browser reads it', (url) => {
  expect(isScriptUrl(url)).toBe(carriesScript(url));
  // A pattern can say no less, and no more.
  expect(new RegExp(safeUrlPattern, 'u').test(url)).toBe(!isScriptUrl(url));
});

test.each([
  ['data:,x', true],
  [' DA\nTA:x', true],
  ['xdata:,x', false],
  ['data', false],
  ['', false],
  ['/data:x', false],
])('%j is a URL that holds what it names: %s', (url, holds) => {
  expect(isDataUrl(url)).toBe(holds);
});

function textOf(tag: string, name: string, value: unknown) {
  const found: Finding[] = [];
  const text = attributeText(tag, name, attributeRule([tag], name), value, (one) => void found.push(one));
  return [text, ...found.map(({ code, message }) => `${code}: ${message}`)];
}

describe('the text of an attribute', () => {
  test.each([
    ['p', 'title', 'x', 'x'],
    ['p', 'title', '', ''],
    ['p', 'title', null, null],
    ['p', 'title', undefined, null],
    ['p', 'title', true, true],
    ['p', 'title', false, null],
    ['p', 'title', 0, '0'],
    ['p', 'title', 12n, '12'],
    ['p', 'aria-hidden', true, 'true'],
    ['p', 'aria-hidden', false, 'false'],
    ['p', 'aria-hidden', 'x', 'x'],
    ['p', 'aria-hidden', null, null],
    ['iframe', 'srcdoc', '<p>', '<p>'],
    ['iframe', 'srcdoc', null, null],
    ['iframe', 'srcdoc', undefined, null],
    ['iframe', 'srcdoc', false, null],
    ['a', 'href', '/x?a:b', '/x?a:b'],
    ['a', 'href', 3, '3'],
    ['a', 'href', null, null],
    ['img', 'src', 'data:image/svg+xml,<svg/>', 'data:image/svg+xml,<svg/>'],
    ['img', 'srcset', 'a.png 1x, data:image/svg+xml,x 2x', 'a.png 1x, data:image/svg+xml,x 2x'],
    ['video', 'poster', ' DATA:image/svg+xml,x', ' DATA:image/svg+xml,x'],
    ['animate', 'values', '/a;/b', '/a;/b'],
    ['meta', 'content', '5; url=/next', '5; url=/next'],
    ['meta', 'content', 'javascript:x', 'javascript:x'],
  ])('<%s %s=%s> is %s', (tag, name, value, wanted) => {
    expect(textOf(tag, name, value)).toEqual([wanted]);
  });

  test.each([
    ['a', 'href', 'javascript:x'],
    ['a', 'href', 'data:image/svg+xml,x'],
    ['img', 'src', 'javascript:x'],
    ['img', 'src', 'data:text/html,x'],
    ['img', 'longdesc', 'data:image/svg+xml,x'],
    ['img', 'srcset', '/a.png 1x, javascript:x 2x'],
    ['script', 'src', 'data:,x'],
    ['script', 'src', 'data:text/plain,x'],
    ['animate', 'values', '/a; javascript:x'],
    ['set', 'to', 'javascript:x'],
    ['meta', 'content', '0; URL = "javascript:x'],
    ['meta', 'content', "0;url='javascript:x"],
  ])('<%s %s=%j> is refused', (tag, name, value) => {
    const [text, ...found] = textOf(tag, name, value);
    expect(text).toBeNull();
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(/^attribute-unsafe: .*can carry a script, "/);
  });

  test.each([
    [[], 'a list'],
    [new Date(0), 'a date'],
    [{}, 'a object'],
    [() => 1, 'a function'],
  ])('%s is no text', (value, got) => {
    for (const name of ['title', 'aria-hidden', 'href'])
      expect(textOf('a', name, value)).toEqual([
        null,
        expect.stringMatching(
          new RegExp(`^attribute-invalid: The attribute ${name} of <a> expects .*but received ${got}`),
        ),
      ]);
  });

  test('every kind of URL is looked for where the rule is not known', () => {
    for (const text of ['javascript:x', '/a; javascript:x', '0;url=javascript:x', '/a 1x, javascript:x 2x']) {
      const found: Finding[] = [];
      expect([text, attributeText('el.of', 'to', 'any', text, (one) => void found.push(one))]).toEqual([
        text,
        null,
      ]);
      expect(found).toHaveLength(1);
    }
  });
});

test('the name of an attribute', () => {
  const faultOf = (name: string): string[] => {
    const found: Finding[] = [];
    expect(isNameFit('p', name, (one) => void found.push(one))).toBe(found.length === 0);
    return found.map(({ code }) => code);
  };
  for (const name of ['title', 'data-on', 'xlink:href', '柑', '@x', 'o', 'no'])
    expect([name, ...faultOf(name)]).toEqual([name]);
  for (const name of ['', 'a b', 'a"', "a'", 'a<', 'a>', 'a/', 'a=', 'a\0', 'a\x1f', 'a\x7f', 'a\n'])
    expect([name, ...faultOf(name)]).toEqual([name, 'attribute-invalid']);
  for (const name of ['onclick', 'ON', 'onX'])
    expect([name, ...faultOf(name)]).toEqual([name, 'attribute-unsafe']);
});
