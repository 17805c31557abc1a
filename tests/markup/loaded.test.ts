import { describe, expect, test } from 'vitest';
import { component, prop, resolve } from 'zesty-lattice';
import { renderHtml, renderHtmlAsync } from 'zesty-lattice/html';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { planOf } from '../../packages/lattice/src/plan/index.js';
import { describe as words } from '../../packages/lattice/src/template/index.js';

describe('HTML text', () => {
  const loading = (template: string) =>
    component('text-loaded', {
      props: { fails: prop.flag() },
      load: async ({ props }) => {
        if (props.fails) throw new Error('no crates');
        return { crates: 3 };
      },
      template,
    });

  test('shows what is loaded, and what has failed, in any order', async () => {
    const Both = loading(
      '<template failed><i>none</i></template><template loading>…</template><template loaded as="it"><b>{{ it.crates }}</b></template>',
    );
    expect(await renderHtmlAsync(Both({}))).toBe('<b>3</b>');
    expect(await renderHtmlAsync(Both({ fails: true }))).toBe('<i>none</i>');
    const Loaded = loading('<p><template loaded><b>{{ loaded.crates }}</b></template></p>');
    expect(await renderHtmlAsync(Loaded({}))).toBe('<p><b>3</b></p>');
    await expect(renderHtmlAsync(Loaded({ fails: true }))).rejects.toThrow('no crates');
  });

  test('reads the data itself, where its component loads some', async () => {
    const Read = loading("<p>{{ data.value.crates or 'none' }}</p>");
    expect(resolve(Read, {}).problems).toEqual([]);
    expect(await renderHtmlAsync(Read({}))).toBe('<p>3</p>');
    const None = component('text-none', { template: '<p>{{ data.value }}</p>' });
    expect(resolve(None, {}).problems[0]?.code).toBe('name-unknown');
  });

  test('takes what a use gives to its element', () => {
    const Line = component('text-line', {
      props: { tag: prop.tag(['p']) },
      accepts: 'tag',
      template: '<p class="line" accepted>x</p>',
    });
    expect(renderHtml(Line({ class: 'wide', title: 'y' }))).toBe('<p class="line wide" title="y">x</p>');
  });

  test('calls handlers with texts that hold what else stands between them', () => {
    const Row = component('text-row', {
      state: () => ({ at: '' }),
      handlers: { note: (_context, at: string) => ({ at }) },
      template: `<p handles="click: note('a; b'); input: note('it\\'s; (c'); focus: note(&quot;d;)&quot;)">x</p>`,
    });
    const core = componentCore(Row);
    const [element] = core ? planOf(core).content.all('element') : [];
    expect(resolve(Row, {}).problems).toEqual([]);
    expect(
      element?.attributes.map(
        (one) => one.kind === 'listener' && [one.type, ...one.args.map((arg) => words(arg))],
      ),
    ).toEqual([
      ['click', expect.stringContaining('a; b')],
      ['input', expect.stringContaining('(c')],
      ['focus', expect.stringContaining('d;)')],
    ]);
  });

  test('says what belongs behind a dot, and compares to the limit', () => {
    const problem = (template: string): string | undefined =>
      resolve(component('text-dot', { props: { n: prop.number() }, template }), { n: 3 }).problems[0]
        ?.message;
    expect(problem('<p>{{ n. }}</p>')).toContain('the name of a field');
    const Limit = component('text-limit', {
      props: { n: prop.number(), all: prop.list(prop.text()) },
      template: "<p>{{ n <= 3 and 'few' }}{{ n >= 4 and 'more' }}{{ all[1] }}</p>",
    });
    expect([3, 4].map((n) => renderHtml(Limit({ n, all: ['a', 'b'] })))).toEqual([
      '<p>fewb</p>',
      '<p>moreb</p>',
    ]);
  });
});
