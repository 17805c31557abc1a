import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  calc,
  component,
  definition,
  eachOf,
  el,
  LatticeError,
  type Problem,
  prop,
  resolve,
  slot,
  uid,
  whenLoaded,
} from 'zesty-lattice';
import {
  renderBytes,
  renderHtml,
  renderHtmlAsync,
  renderPage,
  type StreamOptions,
  streamHtml,
} from 'zesty-lattice/html';
import { runsOf } from '../support/runs.js';
import { type Grove, GroveBox, GroveView, groves, log, Page, TreeRow, wait, whole } from './groves.js';

const silent = { onProblem: () => undefined };

async function readAll(stream: ReadableStream<Uint8Array>): Promise<readonly string[]> {
  const decoder = new TextDecoder();
  const chunks: string[] = [];
  for await (const chunk of stream as unknown as AsyncIterable<Uint8Array>)
    chunks.push(decoder.decode(chunk, { stream: true }));
  return chunks;
}

/** The same page written by hand. */
const byHand = {
  view: ({ fails, inside, name, rows }: Grove, slotText: string): string => {
    const items = Array.from({ length: rows }, (_, id) => `<li>${id}<i>&lt;${name}&gt;${id}</i></li>`).join(
      '',
    );
    const boxes = inside.map((one, at) => `<hr>${byHand.box(one, `<b>in ${at}</b>`)}`).join('');
    const shown = fails ? `<em>${name} is closed</em>` : `<h2>&lt;${name}&gt;</h2>${items}${boxes}`;
    return `<section>${shown}${slotText}</section>`;
  },
  box: ({ fails, inside, name, rows }: Grove, slotText: string): string => {
    if (fails)
      return `<strong class="sorry">The data of grove-box could not be loaded: ${name} is closed.</strong>`;
    const first = rows > 2 ? byHand.view(inside[0] as Grove, slotText) : '';
    return `<pre>\n\n${slotText}</pre><h3>&lt;${name}&gt;</h3>${first}${inside.map((one) => byHand.view(one, '')).join('')}`;
  },
  page: (all: readonly Grove[]): string =>
    `<main>${all.map((one, at) => byHand.view(one, `<u>at ${at}</u>`)).join('')}${all
      .map((one) => byHand.box(one, `<s>${one.name}</s>`))
      .join('')}</main>`,
};

const withoutIds = (html: string): string => html.replaceAll(/ id="[^"]*"/g, '');

describe('what comes later', () => {
  test('is the text that is written by hand, in whatever order it comes, in pieces or as a whole', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          groves.map((one) => whole(one)),
          { maxLength: 3 },
        ),
        async (all) => {
          const html = await renderHtmlAsync(Page, { groves: all }, silent);
          expect(withoutIds(html)).toBe(byHand.page(all));
          const ids = html.match(/ id="[^"]*"/g) ?? [];
          expect(new Set(ids).size).toBe(ids.length);
          const chunks = await readAll(
            streamHtml(Page, { groves: all }, { ...silent, loads: { atOnce: 2 } }),
          );
          expect(chunks.join('')).toBe(html);
        },
      ),
      runsOf('streams', 400),
    );
  });

  test('what is ready goes out first, and independent loads run at once', async () => {
    log.started = [];
    const slow = (name: string): Grove => ({ name, ms: 30, fails: false, rows: 1, inside: [] });
    const reader = streamHtml(Page, { groves: [slow('a'), slow('b'), slow('c')] }).getReader();
    const { value } = await reader.read();
    expect(new TextDecoder().decode(value)).toBe('<main>');
    expect(new Set(log.started)).toEqual(new Set(['a', 'b', 'c']));
    for (let read = await reader.read(); !read.done; read = await reader.read());
  });

  test('dependent loads start as soon as what they depend on is there', async () => {
    log.started = [];
    const deep: Grove = {
      name: 'outer',
      ms: 5,
      fails: false,
      rows: 1,
      inside: [{ name: 'inner', ms: 5, fails: false, rows: 1, inside: [] }],
    };
    // It never ends by itself: what starts meanwhile waited for nothing of it.
    const other: Grove = { name: 'other', ms: 1_000_000, fails: false, rows: 1, inside: [] };
    const stop = new AbortController();
    const reading = readAll(
      streamHtml(
        Page,
        { groves: [other, deep] },
        { ...silent, signal: stop.signal, loads: { timeOut: 1_000_000 } },
      ),
    );
    await expect.poll(() => log.started).toContain('inner');
    stop.abort(new Error('enough'));
    await expect(reading).rejects.toThrow('enough');
  });

  test('equal loads are made once, whatever waits for them', async () => {
    log.started = [];
    const one: Grove = { name: 'one', ms: 2, fails: false, rows: 1, inside: [] };
    await renderHtmlAsync(Page, { groves: [one, { ...one }, one] });
    // The view and the box are two components, each with a load of its own.
    expect(log.started).toEqual(['one', 'one']);
  });

  test('no more are under way than were allowed', async () => {
    let now = 0;
    let most = 0;
    const Counted = component('load-counted', {
      props: { n: prop.number() },
      load: async ({ props }) => {
        most = Math.max(most, ++now);
        await wait(3);
        now--;
        return props.n;
      },
      template: ({ data }) => whenLoaded(data, { loaded: (n) => el.i(n) }),
    });
    const List = component('load-list', {
      template: () => Array.from({ length: 12 }, (_, n) => Counted({ n })),
    });
    await renderHtmlAsync(List, {}, { loads: { atOnce: 3 } });
    expect(most).toBe(3);
  });

  test('a load that takes too long fails, and one that fails is tried again', async () => {
    let tries = 0;
    const Shy = component('load-shy', {
      props: { wins: prop.number(), ms: prop.number().fallback(0) },
      load: async ({ props, signal }) => {
        tries++;
        await wait(props.ms, signal);
        if (tries < props.wins) throw new Error(`try ${tries}`);
        return tries;
      },
      template: ({ data }) =>
        whenLoaded(data, { loaded: (n) => el.i(n), failed: (fault) => el.b(fault.message) }),
    });
    const options = { ...silent, loads: { retries: 2, retryAfter: 1 } };
    expect(await renderHtmlAsync(Shy, { wins: 3 }, options)).toBe('<i>3</i>');
    tries = 0;
    expect(await renderHtmlAsync(Shy, { wins: 9 }, options)).toBe('<b>try 3</b>');
    tries = 0;
    expect(await renderHtmlAsync(Shy, { wins: 1, ms: 500 }, { ...silent, loads: { timeOut: 10 } })).toBe(
      '<b>it took longer than 10 ms</b>',
    );
  });

  test('problems that nothing stands in for end the rendering, with the path to them', async () => {
    const Bad = component('load-bad', {
      load: async () => ({ count: 'three' }),
      template: ({ data }) => whenLoaded(data, { loaded: (value) => TreeRow({ id: value.count as never }) }),
    });
    const All = component('load-all', { template: () => el.ul(Bad(), Bad()) });
    const thrown = await renderHtmlAsync(All, {}).catch((error) => error);
    expect(thrown).toBeInstanceOf(LatticeError);
    expect(thrown.problems[0]).toMatchObject({
      code: 'prop-invalid',
      where: 'load-all › load-bad[1] › tree-row',
    });
    const stream = streamHtml(All, {});
    await expect(readAll(stream)).rejects.toMatchObject({ name: 'LatticeError' });
  });

  test('without waiting it is reported that waiting is needed, also where something stands in', () => {
    const groves = [{ name: 'x', ms: 0, fails: false, rows: 0, inside: [] }];
    const code = 'async-needed';
    expect(() => renderHtml(Page, { groves })).toThrow(new RegExp(`${code}.*grove-view loads data`));
    expect(() => renderBytes(Page, { groves })).toThrow(/async-needed/);
    expect(() => renderPage(GroveBox({ grove: groves[0] as Grove }), { title: 'x' })).toThrow(/async-needed/);
    const Simple = component('load-simple', {
      load: async () => 1,
      template: ({ data }) => whenLoaded(data, { loading: el.p('…'), loaded: (n) => el.b(n) }),
    });
    const inPage = renderHtml(Simple, {}, { form: 'elements', loadsIn: 'page' });
    expect(inPage).toContain('<p>…</p>');
    expect(inPage).not.toContain('data-loaded');
  });

  test('a reader that stops stops everything', async () => {
    Object.assign(log, { started: [], stopped: [] });
    let closed = 0;
    async function* rows(): AsyncGenerator<{ id: number }> {
      try {
        for (let id = 0; ; id++) yield { id };
      } finally {
        closed++;
      }
    }
    const Endless = component('row-endless', {
      load: async () => rows(),
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => eachOf(all, (row) => TreeRow({ id: row.id })) }),
    });
    const Both = component('row-both', {
      props: { grove: prop.record<Grove>() },
      template: ({ props }) => [Endless(), GroveView({ grove: props.grove })],
    });
    const grove: Grove = { name: 'slow', ms: 5_000, fails: false, rows: 1, inside: [] };
    const stream = streamHtml(Both, { grove });
    const reader = stream.getReader();
    for (let n = 0; n < 5; n++) await reader.read();
    await reader.cancel();
    await expect.poll(() => closed).toBe(1);
    expect(log.stopped).toEqual(['slow']);
  });

  test('a server knows whether rendering has started before it says that all is well', async () => {
    const grove: Grove = { name: 'Old wall', ms: 20, fails: false, rows: 2, inside: [] };
    const good = streamHtml(GroveView, { grove });
    await expect(good.started).resolves.toBeUndefined();
    expect((await readAll(good)).join('')).toContain('Old wall');
    // Wrong at once: nothing was sent, so that a server can still answer with another status.
    const Count = component('late-count', {
      props: { n: prop.number() },
      template: ({ props }) => el.p(props.n),
    });
    const wrong = streamHtml(Count, { n: 'many' as never });
    await expect(wrong.started).rejects.toMatchObject({ problems: [{ code: 'prop-invalid' }] });
    await expect(readAll(wrong)).rejects.toBeInstanceOf(LatticeError);
    // A failure that comes after the first piece is the reader's.
    const Fault = component('late-fault', {
      load: async () => wait(20).then(() => Promise.reject(new Error('closed'))),
      template: ({ data }) => whenLoaded(data, { loaded: () => 'never' }),
    });
    const late = streamHtml(component('late-page', { template: () => [el.p('first'), Fault()] }));
    await expect(late.started).resolves.toBeUndefined();
    await expect(readAll(late)).rejects.toMatchObject({ problems: [{ code: 'load-failed' }] });
    // A reader that has left and a signal tell why, and nobody has to listen.
    const left = streamHtml(GroveView, { grove });
    await left.cancel(new Error('left'));
    const stop = new AbortController();
    stop.abort(new Error('gone'));
    await expect(streamHtml(GroveView, { grove }, { signal: stop.signal }).started).rejects.toThrow('gone');
    streamHtml(Count, { n: 'many' as never });
  });

  test('a signal ends a rendering with its reason, and nothing is reported as failed', async () => {
    const reported: unknown[] = [];
    const grove: Grove = { name: 'slow', ms: 5_000, fails: false, rows: 1, inside: [] };
    const stop = new AbortController();
    const options: StreamOptions = { signal: stop.signal, onProblem: (problem) => reported.push(problem) };
    const whole = renderHtmlAsync(Page, { groves: [grove] }, options);
    const streamed = readAll(streamHtml(Page, { groves: [grove] }, options));
    setTimeout(() => stop.abort(new Error('enough')), 10);
    await expect(whole).rejects.toThrow('enough');
    await expect(streamed).rejects.toThrow('enough');
    expect(reported).toEqual([]);
  });

  test('a source of rows that hangs is left as soon as nobody reads', async () => {
    async function* hanging(): AsyncGenerator<{ id: number }> {
      yield { id: 1 };
      await new Promise(() => undefined);
    }
    const Hang = component('row-hang', {
      load: async () => hanging(),
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => eachOf(all, (row) => TreeRow({ id: row.id })) }),
    });
    const stop = new AbortController();
    setTimeout(() => stop.abort(new Error('enough')), 20);
    await expect(readAll(streamHtml(Hang, {}, { signal: stop.signal }))).rejects.toThrow('enough');
  });

  test('rows are read no faster than the stream is, and what is there goes out before the next is waited for', async () => {
    let given = 0;
    async function* rows(): AsyncGenerator<{ id: number }> {
      for (let id = 0; id < 100_000; id++) {
        given++;
        yield { id };
      }
    }
    const Rows = component('row-slow', {
      load: async () => rows(),
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => el.ul(eachOf(all, (row) => TreeRow({ id: row.id }))) }),
    });
    const reader = streamHtml(Rows, {}).getReader();
    await reader.read();
    await reader.read();
    // Whatever could go on without being read has gone on by then.
    for (let turn = 0; turn < 200; turn++) await new Promise(setImmediate);
    // Two pieces of some 16 KB were read, and one more may be ready.
    expect(given).toBeLessThan(6_000);
    let text = '';
    for (let read = await reader.read(); !read.done; read = await reader.read())
      text = new TextDecoder().decode(read.value);
    expect(text.endsWith('<li>99999</li></ul>')).toBe(true);

    async function* slowly(): AsyncGenerator<{ id: number }> {
      yield { id: 1 };
      await wait(40);
      yield { id: 2 };
    }
    const Slow = component('row-late', {
      load: async () => slowly(),
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => eachOf(all, (row) => TreeRow({ id: row.id })) }),
    });
    expect(await readAll(streamHtml(Slow, {}))).toEqual(['<li>1</li>', '<li>2</li>']);
  });

  test('rows may be given inline, and by props', async () => {
    async function* rows(): AsyncGenerator<{ id: number }> {
      yield { id: 1 };
      yield { id: 2 };
    }
    const List = component('row-list', {
      slots: { default: slot() },
      template: ({ slots }) => el.ul(slots.default()),
    });
    const spot = () =>
      List(
        {},
        eachOf(rows(), (row) => el.li(row.id)),
      );
    expect(await renderHtmlAsync(spot())).toBe('<ul><li>1</li><li>2</li></ul>');
    expect(() => renderHtml(spot())).toThrow(/async-needed: The rows of .* come one after another/);
    expect(resolve(spot()).problems).toEqual([]);
    const Given = component('row-given', {
      props: { rows: prop.record<AsyncIterable<{ id: number }>>() },
      template: ({ props }) => el.ul(eachOf(props.rows, (row) => el.li(row.id), { empty: el.li('none') })),
    });
    expect(await renderHtmlAsync(Given, { rows: rows() })).toBe('<ul><li>1</li><li>2</li></ul>');
    async function* none(): AsyncGenerator<{ id: number }> {}
    expect(await renderHtmlAsync(Given, { rows: none() })).toBe('<ul><li>none</li></ul>');
  });

  test('a long list is written as it is read, too, and says what is empty', async () => {
    const Long = component('row-long', {
      props: { ids: prop.list(prop.number()) },
      template: ({ props }) =>
        el.ul(eachOf(props.ids, (id) => TreeRow({ id }, el.b('x')), { empty: el.li('none') })),
    });
    const ids = Array.from({ length: 3_000 }, (_, id) => id);
    const chunks = await readAll(streamHtml(Long, { ids }));
    expect(chunks.length).toBeGreaterThan(2);
    expect(chunks.join('')).toBe(renderHtml(Long, { ids }));
    expect(await renderHtmlAsync(Long, { ids: [] })).toBe('<ul><li>none</li></ul>');
    const stopped = Long({ ids: [1, 'two' as never, 3] });
    await expect(renderHtmlAsync(stopped)).rejects.toThrow(/prop-invalid/);
  });

  test('a source of rows that fails is a problem of its place, or of what stands in for it', async () => {
    async function* broken(): AsyncGenerator<{ id: number }> {
      yield { id: 1 };
      throw new Error('the wire broke');
    }
    const parts = definition({
      load: async () => broken(),
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => eachOf(all, (row) => TreeRow({ id: row.id })) }),
    });
    const Broken = component('row-broken', parts);
    await expect(renderHtmlAsync(Broken, {})).rejects.toThrow(/the wire broke/);
    const Held = component('row-held', { ...parts, onFailure: el.p('none') });
    expect(await renderHtmlAsync(Held, {}, silent)).toBe('<p>none</p>');
  });
});

describe('a source of rows that fails late', () => {
  async function* broken(): AsyncGenerator<number> {
    yield 1;
    yield 2;
    throw new Error('the wire broke', { cause: new Error('in row 3') });
  }
  const Failing = component('rows-failing', {
    props: { atOnce: prop.flag() },
    load: async ({ props }) =>
      props.atOnce
        ? (async function* (): AsyncGenerator<number> {
            yield Promise.reject<number>(new Error('no wire'));
          })()
        : broken(),
    template: ({ data }) =>
      whenLoaded(data, { loaded: (all) => el.ul(eachOf(all, (row) => el.li(row))), failed: el.p('Sorry.') }),
  });

  test('is what stands in for it: in a whole page alone, in a stream behind the rows that were sent', async () => {
    const problems: string[] = [];
    const causes: unknown[] = [];
    const options = {
      onProblem: ({ code, message, where }: Problem, cause: unknown) => {
        problems.push(`${code} ${where}: ${message}`);
        causes.push(cause);
      },
    };
    expect(await renderHtmlAsync(Failing, {}, options)).toBe('<p>Sorry.</p>');
    expect(await new Response(streamHtml(Failing, {}, options)).text()).toBe(
      '<ul><li>1</li><li>2</li></ul><p>Sorry.</p>',
    );
    expect(await new Response(streamHtml(Failing, { atOnce: true }, options)).text()).toBe('<p>Sorry.</p>');
    const failed = 'load-failed rows-failing: The data of rows-failing could not be loaded';
    expect(problems).toEqual([
      `${failed}: the wire broke: in row 3.`,
      `${failed}: the wire broke: in row 3.`,
      `${failed}: no wire.`,
    ]);
    // What was thrown comes as it is, with its stack and what caused it.
    expect(causes.map((one) => (one as Error).stack?.includes('streams.test.ts'))).toEqual([
      true,
      true,
      true,
    ]);
  });

  test('is an error with its cause and the address that was asked, where nothing stands in for it', async () => {
    const Bare = component('bare-load', {
      load: async ({ fetch }) => (await fetch('http://127.0.0.1:9/log.json')).json() as Promise<string>,
      template: ({ data }) => whenLoaded(data, { loaded: (text) => el.p(text) }),
    });
    const thrown = await renderHtmlAsync(Bare).catch((one: unknown) => one);
    expect(thrown).toBeInstanceOf(LatticeError);
    expect((thrown as LatticeError).message).toMatch(
      /fetch failed: .+ \(http:\/\/127\.0\.0\.1:9\/log\.json\)/,
    );
    expect(((thrown as LatticeError).cause as Error).message).toBe('fetch failed');
  });

  test('many at once are no leak to Node', async () => {
    const warnings: string[] = [];
    const note = (warning: Error): void => void warnings.push(warning.name);
    process.on('warning', note);
    const Slow = component('slow-load', {
      props: { name: prop.number() },
      load: async ({ props, fetch, signal }) => {
        await Promise.allSettled(
          Array.from({ length: 12 }, () => fetch('data:,x', { signal: new AbortController().signal })),
        );
        await wait(5, signal);
        return props.name;
      },
      template: ({ data }) => whenLoaded(data, { loaded: (name) => el.i(name) }),
    });
    const names = Array.from({ length: 20 }, (_, name) => name);
    const Many = component('many-loads', { template: () => eachOf(names, (name) => Slow({ name })) });
    const { signal } = new AbortController();
    const options = { signal, loads: { atOnce: 40 } };
    await Promise.all(Array.from({ length: 3 }, () => renderHtmlAsync(Many, {}, options)));
    // Warnings come a turn later.
    await new Promise(setImmediate);
    process.off('warning', note);
    expect(warnings).toEqual([]);
  });
});

describe('what stands in for what fails', () => {
  const reported: string[] = [];
  const noting = {
    onProblem: ({ code, where }: { code: string; where: string }) => void reported.push(`${code} ${where}`),
  };
  const Part = component('part-risky', {
    props: { count: prop.number(), name: prop.text().fallback('x') },
    slots: { default: slot() },
    onFailure: ({ fault }) => el.em({ id: uid('why') }, fault.message),
    template: ({ props, slots }) =>
      el.p(
        calc(props.count, (count) => {
          if (count < 0) throw new Error('below nothing');
          return count;
        }),
        slots.default(),
      ),
  });
  const Parts = component('part-list', {
    props: { counts: prop.list<number>() },
    template: ({ props }) => el.div(eachOf(props.counts, (count) => Part({ count }, el.b('c')))),
  });
  const wanted =
    '<div><p>1<b>c</b></p><em id="why-0f-1">calc(props.count) stopped with an error: below nothing.</em>' +
    '<em id="why-0f-2">The prop "count" of part-risky expects a number, but received the text "z".</em><p>4<b>c</b></p></div>';

  test('keeps the rest of the page, in all ways of rendering', async () => {
    const counts = [1, -2, 'z' as never, 4];
    const html = renderHtml(Parts, { counts }, noting);
    expect(html.replaceAll(/ id="[^"]*"/g, '')).toBe(wanted.replaceAll(/ id="[^"]*"/g, ''));
    expect(new Set(html.match(/ id="[^"]*"/g)).size).toBe(2);
    expect(reported).toEqual([
      'value-failed part-list › part-risky[2]',
      'prop-invalid part-list › part-risky[3]',
    ]);
    // Often enough to be code.
    for (let n = 0; n < 8; n++) expect(renderHtml(Parts, { counts }, silent)).toBe(html);
    expect(await renderHtmlAsync(Parts, { counts }, silent)).toBe(html);
    expect((await readAll(streamHtml(Parts, { counts }, silent))).join('')).toBe(html);
    expect(renderHtml(Part({ count: -1 }, 'x'), silent)).toContain('<em');
  });

  test('may fail itself, which is reported where it stands', () => {
    const Worse = component('part-worse', {
      props: { count: prop.number() },
      template: () =>
        el.p(
          calc(() => {
            throw new Error('first');
          }),
        ),
      onFailure: el.p(
        calc(() => {
          throw new Error('second');
        }),
      ),
    });
    expect(() => renderHtml(Worse({ count: 1 }), silent)).toThrow(/second/);
  });
});

test('a long list with an item that cannot be read is a problem, and comes to an end', async () => {
  const LongList = component('long-list', {
    props: { items: prop.list<{ readonly name: string }>() },
    template: ({ props }) => el.ul(eachOf(props.items, (one) => el.li(one.name))),
  });
  const items = Array.from({ length: 2_000 }, (_, n) => ({ name: `row ${n}` }));
  Object.defineProperty(items, 700, {
    get() {
      throw new Error('It is torn.');
    },
  });
  await expect(renderHtmlAsync(LongList, { items })).rejects.toThrow('It is torn.');
}, 5_000);

describe('rows that are written many at a time', () => {
  interface Line {
    readonly name: string;
    readonly notes: readonly string[];
  }
  const lines = Array.from({ length: 2_345 }, (_, at) => ({
    name: `<${'Dunlight '.repeat(at % 9)}>`,
    notes: Array.from({ length: at % 4 }, (_one, n) => `note ${n}`),
  }));
  async function* oneByOne(all: readonly Line[]): AsyncGenerator<Line> {
    for (const [at, one] of all.entries()) {
      if (at % 600 === 599) await wait(1);
      yield one;
    }
  }
  const Cell = component('line-cell', {
    props: { of: prop.text() },
    slots: { default: slot() },
    template: ({ props, slots }) => el.td(props.of, slots.default()),
  });
  const table = (all: Parameters<typeof eachOf<Line>>[0]) =>
    el.table(
      el.tbody(
        eachOf(all, (line, at) =>
          el.tr(
            { 'data-at': at },
            Cell({ of: line.name }, el.b(at)),
            el.td(eachOf(line.notes, (note, inner) => el.i(at, '.', inner, note))),
          ),
        ),
      ),
    );
  const Listed = component('lines-listed', {
    props: { all: prop.list<Line>() },
    template: ({ props }) => table(props.all),
  });
  const Loaded = component('lines-loaded', {
    props: { all: prop.list<Line>() },
    load: async ({ props }) => oneByOne(props.all),
    template: ({ data }) => whenLoaded(data, { loaded: table }),
  });

  test.each(['usual', 'instructions', 'code'])('have their numbers and content (%s)', async (how) => {
    const byHand = `<table><tbody>${lines
      .map(
        ({ name, notes }, at) =>
          `<tr data-at="${at}"><td>${name.replace('<', '&lt;').replace('>', '&gt;')}<b>${at}</b></td><td>${notes
            .map((note, inner) => `<i>${at}.${inner}${note}</i>`)
            .join('')}</td></tr>`,
      )
      .join('')}</tbody></table>`;
    // Once each, and when code has been made.
    for (let time = 0; time < 3; time++)
      for (const Lines of [Listed, Loaded]) {
        const chunks = await readAll(streamHtml(Lines, { all: lines }, { how } as StreamOptions));
        expect(chunks.join('')).toBe(byHand);
        expect(chunks.length).toBeGreaterThan(5);
      }
  });

  test('name the row in which something is wrong', async () => {
    const Weight = component('line-weight', {
      props: { of: prop.number() },
      template: ({ props }) => el.td(props.of),
    });
    const Weights = component('line-weights', {
      props: { all: prop.list<{ readonly of: number }>() },
      template: ({ props }) => eachOf(props.all, (one) => el.tr(Weight({ of: one.of }))),
    });
    const all = Array.from({ length: 1_500 }, (_, of) => ({ of }));
    await expect(readAll(streamHtml(Weights, { all }))).resolves.toBeDefined();
    const wrong = all.with(1_234, { of: 'heavy' as unknown as number });
    const failure = await readAll(streamHtml(Weights, { all: wrong })).catch((thrown: unknown) => thrown);
    expect((failure as LatticeError).problems).toMatchObject([
      { code: 'prop-invalid', where: 'line-weights › line-weight[1235]' },
    ]);
  });
});
