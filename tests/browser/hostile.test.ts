import { expect, test } from 'vitest';
import { component, eachOf, el, prop, slot } from 'zesty-lattice';
import { renderPage } from 'zesty-lattice/html';
import { useBrowser } from '../support/browser.js';
import { hostile } from '../support/hostile.js';

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
    el.main(eachOf(props.all, (it) => Box({ it }, el.b({ title: it }, it)), { key: (it) => it })),
});

test('hostile texts in every context of a page run nothing and add no element', async () => {
  const shown = async (texts: readonly string[]): Promise<Record<string, number>> => {
    const at = await page(
      renderPage(HostilePage({ all: texts }), { title: texts.join(' '), description: texts.join(' ') }),
    );
    await at.waitForTimeout(100);
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
