import { expect, test } from 'vitest';
import { component, el, given, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { useBrowser } from '../support/browser.js';

const { page } = useBrowser();

const red = 'rgb(255, 0, 0)';
const blue = 'rgb(0, 0, 255)';
const black = 'rgb(0, 0, 0)';

/** Two components that use the same class names and elements, each with rules that would reach the other's. */
const Inner = component('inner-card', {
  slots: { default: slot() },
  styles: '.title { color: rgb(0 0 255) } p { color: rgb(0 0 255) } .box > .title::before { content: "i" }',
  template: ({ slots }) =>
    el.div(
      { class: 'box', id: 'inner' },
      el.h2({ class: 'title', id: 'inner-title' }, 'Inner'),
      slots.default(),
    ),
});
const Outer = component('outer-card', {
  slots: { default: slot() },
  styles:
    '.title { color: red } .box .title { color: red } .box p { text-decoration: underline } section:has(.from-page) { color: red }',
  template: ({ slots }) =>
    el.section(
      { class: 'box' },
      el.h2({ class: 'title', id: 'outer-title' }, 'Outer'),
      Inner({}, el.p({ id: 'given', class: 'title' }, 'Written by outer')),
      slots.default(),
    ),
});

test('a rule reaches its component’s own elements, and nothing else', async () => {
  const html = renderPage(Outer({}, el.p({ id: 'from-page', class: 'title from-page' }, 'From the page')), {
    title: 'Styles',
  });
  const at = await page(html);
  const color = (id: string): Promise<string> =>
    at.$eval(`#${id}`, (element) => getComputedStyle(element).color);
  expect(await color('outer-title')).toBe(red);
  expect(await color('inner-title')).toBe(blue);
  expect(await color('given')).toBe(red); // It is outer that writes it, so outer's rules hold.
  expect(await color('from-page')).toBe(black); // Slot content from outside is reached by neither.
  const decoration = await at.$eval('#from-page', (element) => getComputedStyle(element).textDecorationLine);
  expect(decoration).toBe('none');
  expect(await at.$eval('section', (element) => getComputedStyle(element).color)).toBe(black);
});

const Bare = component('bare-card', { styles: 'p { content: "b" }', template: () => el.p('x') });

test('each component’s styles stand once, after those of the page', () => {
  const html = renderPage(component('two-cards', { template: () => [Outer({}), Bare({}), Bare({})] })(), {
    title: 'Once',
    styles: 'body { margin: 0 }',
  });
  expect(html.match(/<style>/g)).toHaveLength(1);
  for (const rule of ['content:"i"', 'content:"b"']) expect(html.split(rule)).toHaveLength(2);
  expect(html.indexOf('body')).toBeLessThan(html.indexOf('.title'));
});

test('a component without styles has nothing added to its markup', () => {
  const Plain = component('plain-card', {
    slots: { default: slot() },
    template: ({ slots }) => el.p({ class: 'title' }, slots.default()),
  });
  expect(renderHtml(Plain({}, 'x'))).toBe('<p class="title">x</p>');
});

test('nesting, media rules, keyframes, :host, :is and :not keep their meaning', async () => {
  const Rich = component('rich-card', {
    props: { on: prop.flag() },
    slots: { default: slot() },
    styles: `
      :host { padding: 3px }
      :host([on]) { color: red }
      .a { & .b { color: blue } &:not(.z) { margin: 1px } > .c { color: blue } }
      @media (min-width: 1px) { :is(.d, .e) b { color: blue } }
      @keyframes turn { from { opacity: 0 } to { opacity: 1 } }
      .f { animation: turn 1s infinite }
    `,
    template: ({ props, slots }) =>
      el.div(
        { id: 'inner', class: 'a' },
        el.p({ class: 'b', id: 'b' }, 'b'),
        el.p({ class: 'c', id: 'c' }, 'c'),
        el.p({ class: 'd' }, el.b({ id: 'd' }, 'd')),
        el.p({ class: 'f', id: 'f' }, 'f'),
        given(props.on, el.i({ id: 'i' }, 'i')),
        slots.default(),
      ),
  });
  const at = await page(
    renderPage(Rich({ on: true }, el.p({ class: 'b', id: 'outside' }, 'out')), { title: 'Rich' }),
  );
  const style = (id: string, name: 'color' | 'padding' | 'margin' | 'animationName'): Promise<string> =>
    at.$eval(`#${id}`, (element, key) => getComputedStyle(element)[key as 'color'], name);
  expect(await style('b', 'color')).toBe(blue);
  expect(await style('c', 'color')).toBe(blue);
  expect(await style('d', 'color')).toBe(blue);
  expect(await style('outside', 'color')).toBe(red); // inherited, as through a shadow root
  expect(await at.locator('lattice-host').evaluate((one) => getComputedStyle(one).padding)).toBe('3px');
  expect(await style('inner', 'padding')).toBe('0px');
  expect(await style('i', 'padding')).toBe('0px');
  expect(await style('inner', 'margin')).toBe('1px');
  expect(await style('f', 'animationName')).toBe('rich-card-turn');
});

test('rules that cannot be carried over are problems, not lost without a word', () => {
  const problems = (styles: string) =>
    resolve(component('odd-styles', { styles, template: () => el.p('x') })).problems;
  expect(problems('::slotted(p) { color: red }')).toEqual([]);
  for (const selector of [
    'h3 + ::slotted(p)',
    'slot.wide::slotted(p)',
    '::slotted(p) b',
    '::slotted(p):hover',
  ])
    expect(problems(`${selector} { color: red }`)[0]).toMatchObject({
      code: 'styles-invalid',
      where: 'odd-styles',
    });
  expect(problems('@import "x.css"; p { color: red }')[0]?.message).toContain('@import');
  expect(problems('p { color: red } } q { ')[0]?.message).toContain('cannot be read');
  expect(problems('p { color: red }')).toEqual([]);
});

test('styles cannot end their own style element', () => {
  const Part = component('sly-styles', {
    styles: 'p::after { content: "</style><img src=x onerror=alert(1)>" }',
    template: () => el.p('x'),
  });
  const html = renderPage(Part(), { title: 'Sly' });
  expect(html).not.toContain('</style><img');
  expect(renderHtml(Part(), { styles: true })).toMatch(/^<style>.*<\/style><p data-in="sly-styles">x<\/p>$/s);
});
