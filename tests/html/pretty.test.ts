import { expect, test } from 'vitest';
import { pretty, prettyLines, withoutMarks } from '../../packages/lattice/src/html/pretty.js';

test.each([
  ['<p>a</p>', '<p>a</p>'],
  ['<ul><li>Dunlight</li><li>Salt</li></ul>', '<ul>\n  <li>Dunlight</li>\n  <li>Salt</li>\n</ul>'],
  ['<div>  a \n b  </div>', '<div>a b</div>'],
  ['<p>a<b>b</b> <i>c</i></p>', '<p>a<b>b</b> <i>c</i></p>'],
  ['<div><p>a</p>text<p>b</p></div>', '<div>\n  <p>a</p>\n  text\n  <p>b</p>\n</div>'],
  [
    '<div><!-- x --><br><input disabled value="1"></div>',
    '<div>\n  <!-- x -->\n  <br><input disabled value="1">\n</div>',
  ],
  ['<!doctype html><title>x</title>', '<!doctype html>\n<title>x</title>'],
  ['<svg><path d="M0 0"/></svg>', '<svg>\n  <path d="M0 0"/>\n</svg>'],
  ['<pre>\n a\n  b</pre><p>c</p>', '<pre>\n a\n  b</pre>\n<p>c</p>'],
  [
    '<div><script>if (a < b) c("</p>");</script></div>',
    '<div>\n  <script>if (a < b) c("</p>");</script>\n</div>',
  ],
  ['<textarea>\n<b>x</textarea>', '<textarea>\n<b>x</textarea>'],
  ['<style>p { color: red }', '<style>p { color: red }'],
  ['<p>a</b>c</p>', '<p>ac</p>'],
  ['<div><p>a', '<div>\n  <p>a'],
  ['<div><p>a</div>b', '<div>\n  <p>a</p>\n</div>\nb'],
  ["<p title='a>b' data-x = y>c</p>", "<p title='a>b' data-x = y>c</p>"],
  ['a < b', 'a < b'],
  ['<p>a <3', '<p>a <3'],
  ['<p class="', '<p class="'],
  ['', ''],
])('%j is laid out', (html, wanted) => {
  expect(pretty(html)).toBe(wanted);
});

test('a line that would be too long is broken at its elements', () => {
  const words = 'citrus '.repeat(9).trim();
  expect(pretty(`<p>${words} <b>${words}</b> end</p>`)).toBe(
    `<p>\n  ${words}\n  <b>${words}</b>\n  end\n</p>`,
  );
  // Text alone has nothing that it could be broken at.
  expect(pretty(`<p>${words} ${words}</p>`)).toBe(`<p>${words} ${words}</p>`);
  const exact = 'x'.repeat(96 - '<p><b></b></p>'.length);
  expect(pretty(`<p><b>${exact}</b></p>`)).toBe(`<p><b>${exact}</b></p>`);
  expect(pretty(`<p><b>${exact}x</b></p>`)).toBe(`<p>\n  <b>${exact}x</b>\n</p>`);
});

test('its pieces say what they are', () => {
  expect(prettyLines('<a href="/x" hidden>y</a><!--z-->')).toEqual([
    [
      { kind: 'tag', text: '<a' },
      { kind: 'text', text: ' ' },
      { kind: 'name', text: 'href' },
      { kind: 'value', text: '="/x"' },
      { kind: 'text', text: ' ' },
      { kind: 'name', text: 'hidden' },
      { kind: 'tag', text: '>' },
      { kind: 'text', text: 'y' },
      { kind: 'tag', text: '</a>' },
    ],
    [{ kind: 'comment', text: '<!--z-->' }],
  ]);
});

test('marks of rules are left out, and nothing else', () => {
  const html =
    '<p data-in="a" title=" data-in=&quot;b&quot;" data-in-host="c">x data-in="d"</p><lattice-host data-in-host="e"><b data-inner="f">y</b></lattice-host><!-- <p data-in="g"> --><script data-in="h">"<p data-in=\'i\'>"</script>';
  expect(withoutMarks(html)).toBe(
    '<p title=" data-in=&quot;b&quot;">x data-in="d"</p><b data-inner="f">y</b><!-- <p data-in="g"> --><script>"<p data-in=\'i\'>"</script>',
  );
});
