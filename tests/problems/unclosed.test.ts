import { describe, expect, test } from 'vitest';
import { component, prop, resolve } from 'zesty-lattice';
import { catalog } from 'zesty-lattice/markup';
import { documentProblems } from '../../packages/tools/src/check/markup.js';

// What is opened and not closed swallows what follows: that is reported where it opens, and nothing of what it swallows.

let count = 0;
const inText = (template: string): readonly string[] => {
  count += 1;
  const made = component(`unclosed-${count}`, {
    props: { name: prop.text() },
    template: { text: template, file: 'x.html' },
  });
  return resolve(made).problems.map(({ code, source }) => `${code} ${source?.line}:${source?.column}`);
};
const inDocument = (body: string): readonly string[] =>
  documentProblems(
    `<!doctype html>\n<html lang="en"><head><title>x</title></head><body><h1>x</h1>\n${body}\n</body></html>`,
    'x.html',
    catalog([]).components,
    [],
  )
    .filter(({ code }) => code !== 'component-unknown')
    .map(({ code, source }) => `${code} ${source?.line}:${source?.column}`);

describe('a missing quote, an unclosed comment', () => {
  test.each([
    ['at the end', '<p>{{ name }}</p>\n<p class="a>x</p>', 'quote-unclosed 2:10'],
    ['before another value', '<p class="a>{{ name }} <b title="x">y</b></p>', 'quote-unclosed 1:10'],
    [
      'before values of other tags',
      '<p class="a>{{ nmae }}</p>\n<p id="b" hrref="c">x</p></div>',
      'quote-unclosed 1:10',
    ],
    ['of the other kind', "<p>{{ name }}</p><p class='a>x <i id='b'></i></p>", 'quote-unclosed 1:27'],
    ['a comment', '<p>{{ name }}</p>\n<div><!-- not yet <p>{{ nmae }}</p></div>', 'comment-unclosed 2:6'],
  ])('%s', (_where, text, found) => {
    expect(inText(text)).toEqual([found]);
  });

  test('what is wrong before it is reported as well', () => {
    expect(inText('<p hrref="x">{{ name }}</p>\n</i><p class="a>x</p>')).toEqual([
      'tag-stray 2:1',
      'quote-unclosed 2:14',
    ]);
  });

  test.each([
    ['a tag in a value', '<p title="see <b>x</b>">{{ name }}</p>'],
    ['signs in an expression', `<p title="{{ name == '<b>' ? 'a' : 'b' }}" class="c">x</p>`],
    ['a comment with signs', '<!-- "quoted <b> --><p>{{ name }}</p>'],
    ['text with quotes', '<p>"{{ name }}" it\'s</p>'],
    ['values without quotes', '<p class=a id=b>{{ name }}</p>'],
  ])('%s is closed', (_what, text) => {
    expect(inText(text)).toEqual([]);
  });

  test('in documents, too', () => {
    expect(inDocument('<p class="a>x</p>\n<p id="b">y</p>')).toContain('quote-unclosed 3:10');
    expect(inDocument('<p>x</p><!-- open')).toEqual(['comment-unclosed 3:9']);
    expect(inDocument('<p class="a">x</p>')).toEqual([]);
  });
});
