import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { component, el, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { locate } from '../../packages/lattice/src/markup/locate.js';
import { LatticeError, visible } from '../../packages/lattice/src/problem/index.js';
import { showsMarkup, trimmedStart } from '../../packages/lattice/src/template/blank.js';
import { idPart } from '../../packages/lattice/src/template/id-part.js';
import { absentWords } from '../../packages/lattice/src/tree/words.js';
import { propertyKey } from '../../packages/tools/src/adopt/write.js';

test('a key in an id has letters, digits and _ as they are, and the code of all else', () => {
  expect(idPart('Early_2')).toBe('Early_2');
  expect(idPart('a b')).toBe('a.20.b');
  expect(idPart('🍊')).toBe('.d83c..df4a.');
});

test('what steers a terminal is shown by its code', () => {
  expect(visible('\x1b[2J')).toBe('\\x1b[2J');
  expect(visible('\x07')).toBe('\\x07');
  expect(visible('\u200e\u061c')).toBe('\\u200e\\u061c');
  expect(visible('a\tb\n')).toBe('a\tb\n');
});

test('white space and comments show nothing', () => {
  expect(showsMarkup('')).toBe(false);
  expect(showsMarkup(' <!-- a --> <!---->')).toBe(false);
  expect(showsMarkup('<!-- a -->b')).toBe(true);
  expect(showsMarkup('b<!-- a -->')).toBe(true);
  expect(showsMarkup('<!-- never closed b')).toBe(false);
  expect(trimmedStart('a b')).toBe('a b');
  expect(trimmedStart(' \n a')).toBe('a');
});

test('a text is found in its module, from the start of the file on', () => {
  const file = fileURLToPath(import.meta.url);
  expect(locate('import { fileURLToPath', { file, line: 1, column: 1 })).toEqual({
    file,
    line: 1,
    column: 1,
  });
  expect(locate('import { expect', { file, line: 1, column: 1 })).toEqual({ file, line: 2, column: 1 });
  // Above the line as well, where it is not below.
  expect(locate('import { expect', { file, line: 60, column: 1 })).toEqual({ file, line: 2, column: 1 });
  expect(locate('', { file, line: 1, column: 1 })).toBeUndefined();
  expect(locate('no such text'.toUpperCase(), { file, line: 1, column: 1 })).toBeUndefined();
});

test('what is no component is named by what it is', () => {
  const said = (given: unknown): string => {
    try {
      resolve(given as never);
      return '';
    } catch (thrown) {
      return (thrown as Error).message.split('\n')[0] ?? '';
    }
  };
  expect(said(null)).toContain('"null"');
  expect(said(7)).toContain('"number"');
  expect(said(() => 'x')).toContain('"a function"');
  expect(said(function stall() {})).toContain('"stall"');
});

test('a prop without a value is open, missing, or said where it has one', () => {
  const prop = { name: 'n', kind: 'text' } as const;
  expect(absentWords({ ...prop, from: 'open' } as never)).toBe('open, accepts text');
  expect(absentWords({ ...prop, from: 'absent' } as never)).toBe('missing');
  expect(absentWords({ ...prop, from: 'given' } as never)).toBe('');
});

test('names of a page are keys in code that set nothing else', () => {
  expect(propertyKey('title')).toBe('title');
  expect(propertyKey('a b')).toBe("'a b'");
  expect(propertyKey('__proto__')).toBe("['__proto__']");
});

test('an error prints its message, and not its problems once more', () => {
  try {
    renderHtml(
      component('error-keys', { props: { a: prop.text() }, template: ({ props }) => el.p(props.a) })(
        {} as never,
      ),
    );
    expect.fail();
  } catch (thrown) {
    expect(thrown).toBeInstanceOf(LatticeError);
    expect(Object.keys(thrown as object)).not.toContain('problems');
    expect((thrown as LatticeError).problems).toHaveLength(1);
  }
});

test('rules that are left out are in no page', () => {
  const Odd = component('odd-rules', {
    styles: '@namespace svg url(x); p { color: red } ::slotted(p) b { color: blue }',
    template: () => el.p('x'),
  });
  expect(() => renderHtml(Odd(), { styles: true })).toThrow('styles-invalid');
  expect(resolve(Odd).problems.map(({ code }) => code)).toEqual(['styles-invalid', 'styles-invalid']);
});

test('an address that a use hands on is looked at by the rule of the element that takes it', () => {
  const Link = component('tag-link', {
    props: { tag: prop.tag(['a', 'p']) },
    accepts: 'tag',
    slots: { default: slot() },
    template: ({ props, slots, accepted }) => el.of(props.tag, { ...accepted }, slots.default()),
  });
  const Card = component('link-card', {
    props: { to: prop.text(), tag: prop.tag(['a', 'p']) },
    template: ({ props }) => Link({ tag: props.tag, title: props.to, href: props.to } as never, 'Open'),
  });
  expect(renderHtml(Card({ to: '/a?b="c"', tag: 'a' }))).toBe(
    '<a title="/a?b=&quot;c&quot;" href="/a?b=&quot;c&quot;">Open</a>',
  );
  expect(() => renderHtml(Card({ to: 'javascript:x', tag: 'a' }))).toThrow('attribute-unsafe');
});
