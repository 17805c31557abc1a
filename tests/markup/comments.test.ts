import { describe, expect, test } from 'vitest';
import { component, LatticeError, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { parsed } from '../support/parsing.js';

let count = 0;
const note = (template: string) =>
  component(`comment-note-${String.fromCharCode(97 + count++)}`, {
    props: { name: prop.text().fallback('--><img src=x onerror=alert(1)>') },
    template,
  });

describe('a comment in a template text', () => {
  test.each([
    `<p>a</p><!-- {{ '--><img src=x onerror=alert(1)>' }} -->`,
    `<p>a</p><!-- {{ "--!><img src=x onerror=alert(1)>" }} -->`,
    `<p>a</p><!--{{ '' }}--><!-- {{ name == '-->' }} -->`,
    `<svg><!-- {{ '--><img src=x onerror=alert(1)>' }} --></svg>`,
  ])('is refused where an interpolation would end it: %s', (text) => {
    const Note = note(text);
    expect(resolve(Note).problems.map(({ code, source }) => `${code} ${source?.line}`)).toEqual([
      expect.stringMatching(/^interpolation-misplaced \d+$/),
    ]);
    expect(() => renderHtml(Note)).toThrow(LatticeError);
  });

  test.each([
    [`<!-- {{ name }} -->`, `<!-- {{ name }} -->`],
    [`<!-- {{ 'a' }} - -- }} x -->`, `<!-- {{ 'a' }} - -- }} x -->`],
    ['<!----><!-- a --><!-- -- -->', '<!----><!-- a --><!-- -- -->'],
    [`<!-- a ----><!--->--><p>b</p>`, undefined],
  ])('stays as it is written, and one node: %s', (text, wanted) => {
    const Note = note(`<b>x</b>${text}`);
    if (wanted === undefined) return expect(() => renderHtml(Note)).toThrow(LatticeError);
    expect(renderHtml(Note)).toBe(`<b>x</b>${wanted}`);
    expect(parsed(renderHtml(Note)).filter((node) => node !== '<#comment>')).toEqual([['b', {}, ['x']]]);
  });
});
