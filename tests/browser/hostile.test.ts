import { expect, test } from 'vitest';
import { component, eachOf, el, prop, slot, uid } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { useBrowser } from '../support/browser.js';
import { hostile } from '../support/hostile.js';
import { frame } from '../support/waiting.js';

const { page } = useBrowser();

const Box = component('hostile-box', {
  props: { it: prop.text() },
  slots: { default: slot() },
  styles: 'p { color: green }',
  template: ({ props, slots }) =>
    el.div(
      el.p(
        { title: props.it, 'data-it': props.it, class: ['a', props.it], 'aria-label': props.it },
        props.it,
      ),
      el.textarea({ 'aria-label': 'text' }, props.it),
      el.script({ type: 'application/json', json: props.it }),
      el.noscript(el.p({ title: props.it }, props.it)),
      slots.default(),
    ),
});
const HostilePage = component('hostile-page', {
  props: { all: prop.list<string>() },
  template: ({ props }) =>
    el.main(
      eachOf(props.all, (it) => Box({ it }, el.b({ title: it, id: uid('row') }, it)), { key: (it) => it }),
    ),
});

test('hostile texts in every context of a page run nothing and add no element', async () => {
  const shown = async (texts: readonly string[]): Promise<Record<string, number>> => {
    const at = await page(
      renderPage(HostilePage({ all: texts }), { title: texts.join(' '), description: texts.join(' ') }),
    );
    await frame(at);
    expect(await at.evaluate(() => (window as unknown as { hacked?: number }).hacked)).toBeUndefined();
    const counts = await at.evaluate(() => {
      const count: Record<string, number> = {};
      for (const element of document.querySelectorAll('*')) {
        count[element.localName] = (count[element.localName] ?? 0) + 1;
        for (const { name } of element.attributes) count[`@${name}`] = (count[`@${name}`] ?? 0) + 1;
      }
      return count;
    });
    await at.close();
    return counts;
  };
  expect(await shown(hostile)).toEqual(await shown(hostile.map((_, n) => `plain ${n}`)));
});

const Linked = component('hostile-link', {
  props: { it: prop.text() },
  template: ({ props }) =>
    el.p(
      { style: { color: props.it, '--tone': props.it } },
      el.a({ href: props.it }, 'link'),
      el.img({ src: props.it, srcset: props.it, alt: '' }),
    ),
});
const Keyed = component('hostile-key', {
  props: { all: prop.list<string>() },
  template: ({ props }) =>
    eachOf(props.all, (it) => el.i({ id: uid('key'), class: { a: it } }, 'x'), { key: (it) => it }),
});

test('hostile texts as URL, style, key and class name are refused, or run nothing', async () => {
  const written = hostile.flatMap((it) => {
    try {
      return [renderHtml(Linked({ it }))];
    } catch {
      return [];
    }
  });
  expect(written.length).toBeLessThan(hostile.length);
  const named = hostile.map((text) => renderHtml(Frame({}, el.p({ class: { [text]: true } }))));
  const at = await page(
    `<!doctype html><main>${written.join('')}${named.join('')}${renderHtml(Keyed, { all: [...hostile] })}</main>`,
  );
  await at.evaluate(() => {
    for (const link of document.querySelectorAll('a')) if (/script/i.test(link.protocol)) link.click();
  });
  await frame(at);
  expect(await at.evaluate(() => (window as unknown as { hacked?: number }).hacked)).toBeUndefined();
  expect(
    await at.evaluate(() =>
      [...document.querySelectorAll('main *')]
        .map((one) => one.localName)
        .filter((name) => !/^(p|a|img|i)$/.test(name)),
    ),
  ).toEqual([]);
  expect(
    await at.evaluate(
      () =>
        [...document.querySelectorAll('main a')].filter((one) =>
          /^(javascript|vbscript|data):/i.test((one as HTMLAnchorElement).protocol),
        ).length,
    ),
  ).toBe(0);
  expect(
    await at.evaluate(() =>
      [...document.querySelectorAll('main *')]
        .flatMap((one) => [...one.attributes])
        .filter(({ name }) => !/^(style|href|src|srcset|alt|id|class)$/.test(name))
        .map(({ name }) => name),
    ),
  ).toEqual([]);
});

const Frame = component('hostile-frame', {
  slots: { default: slot() },
  template: ({ slots }) => slots.default(),
});
