// How many loads run at the same time, whom an address is of on a server, and what a failing load ends.
import { describe, expect, test } from 'vitest';
import { component, eachOf, el, prop, whenLoaded } from 'zesty-lattice';
import { loadPool, renderHtmlAsync, streamHtml } from 'zesty-lattice/html';

const later = (ms: number, signal?: AbortSignal): Promise<void> =>
  new Promise((done, fail) => {
    const timer = setTimeout(done, ms);
    signal?.addEventListener('abort', () => {
      clearTimeout(timer);
      fail(signal.reason);
    });
  });

/** Rows that load, and how many of them did so at the same time. */
function counted(ms = 1) {
  const seen = { now: 0, most: 0 };
  const Row = component('counted-row', {
    props: { number: prop.number() },
    load: async ({ props }) => {
      seen.most = Math.max(seen.most, ++seen.now);
      await later(ms);
      seen.now--;
      return `no. ${props.number}`;
    },
    template: ({ data }) => whenLoaded(data, { loaded: (said) => el.li(said) }),
  });
  const List = component('counted-list', {
    props: { numbers: prop.list<number>() },
    template: ({ props }) => el.ol(eachOf(props.numbers, (number) => Row({ number }))),
  });
  return { seen, List };
}
const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, n) => n);
const listText = (count: number): string =>
  `<ol>${numbers(count)
    .map((n) => `<li>no. ${n}</li>`)
    .join('')}</ol>`;

async function streamed(stream: ReadableStream<Uint8Array>): Promise<string> {
  return new Response(stream).text();
}

describe('loads at the same time', () => {
  test.each([500, 501, 1_700])(
    'of %s rows are as many as the limit says, and all in their order',
    async (count) => {
      for (const atOnce of [3, 8, 40]) {
        const { List, seen } = counted();
        expect(await renderHtmlAsync(List, { numbers: numbers(count) }, { loads: { atOnce } })).toBe(
          listText(count),
        );
        expect(seen.most, `${atOnce}`).toBe(atOnce);
      }
      const { List, seen } = counted();
      expect(await streamed(streamHtml(List, { numbers: numbers(count) }))).toBe(listText(count));
      expect(seen.most).toBe(8);
    },
  );

  test('of rows that come one after another, too, once they are there', async () => {
    const seen = { now: 0, most: 0 };
    const Row = component('coming-row', {
      props: { number: prop.number() },
      load: async ({ props }) => {
        seen.most = Math.max(seen.most, ++seen.now);
        await later(2);
        seen.now--;
        return props.number;
      },
      template: ({ data }) => whenLoaded(data, { loaded: (said) => el.li(said) }),
    });
    const Rows = component('coming-rows', {
      load: async function* () {
        for (const number of numbers(600)) yield number;
      },
      template: ({ data }) =>
        whenLoaded(data, { loaded: (all) => el.ol(eachOf(all, (number) => Row({ number }))) }),
    });
    expect(await streamed(streamHtml(Rows))).toBe(
      `<ol>${numbers(600)
        .map((n) => `<li>${n}</li>`)
        .join('')}</ol>`,
    );
    expect(seen.most).toBe(8);
  });

  test('of several renderings are no more than a pool allows, beside the limit of each', async () => {
    const pool = loadPool(5);
    const { List, seen } = counted();
    const pages = await Promise.all(
      numbers(6).map(() => renderHtmlAsync(List, { numbers: numbers(30) }, { loads: { atOnce: 2, pool } })),
    );
    expect(pages).toEqual(numbers(6).map(() => listText(30)));
    expect(seen.most).toBe(5);
    expect(pool).toMatchObject({ atOnce: 5, running: 0, waiting: 0 });
    const alone = counted();
    await renderHtmlAsync(alone.List, { numbers: numbers(30) }, { loads: { atOnce: 2, pool } });
    expect(alone.seen.most).toBe(2);
  });

  test('a rendering that is given up leaves nothing in the pool', async () => {
    const pool = loadPool(1);
    const stop = new AbortController();
    const { List } = counted(20);
    const given = renderHtmlAsync(List, { numbers: numbers(50) }, { loads: { pool }, signal: stop.signal });
    await later(30);
    stop.abort(new Error('gone'));
    await expect(given).rejects.toThrow('gone');
    const next = counted();
    expect(await renderHtmlAsync(next.List, { numbers: numbers(3) }, { loads: { pool } })).toBe(listText(3));
    await later(20);
    expect(pool).toMatchObject({ running: 0, waiting: 0 });
  });

  test.each([0, 1.5, Number.NaN])('a pool of %s is refused', (count) => {
    expect(() => loadPool(count)).toThrow(`from 1, but received ${count}`);
  });
});

describe('a load that fails behind a slow one', () => {
  const Slow = component('slow-part', {
    load: ({ signal }) => later(60_000, signal).then(() => 'slow'),
    loadTimeOut: 120_000,
    template: ({ data }) => whenLoaded(data, { loaded: (said) => el.p(said) }),
  });
  const Failing = component('failing-part', {
    load: async () => {
      await later(5);
      throw new Error('no log today');
    },
    template: ({ data }) => whenLoaded(data, { loaded: (said) => el.p(said) }),
  });
  const Page = component('two-parts', { template: () => el.main(Slow(), Failing()) });

  test('is told at once, as a text and as a stream in either order', async () => {
    await expect(renderHtmlAsync(Page)).rejects.toThrow('no log today');
    for (const order of ['in-order', 'as-ready'] as const)
      await expect(streamed(streamHtml(Page, {}, { order }))).rejects.toThrow('no log today');
  });

  test('is no reason to end where something stands in for it', async () => {
    const Quick = component('quick-part', {
      load: () => later(30).then(() => 'quick'),
      template: ({ data }) => whenLoaded(data, { loaded: (said) => el.p(said) }),
    });
    const Standing = component('standing-part', {
      template: () => Failing(),
      onFailure: () => el.p('No log'),
    });
    const Guarded = component('guarded-parts', {
      template: () => el.main(Quick(), Standing()),
    });
    const told: string[] = [];
    const options = { onProblem: ({ message }: { readonly message: string }) => told.push(message) };
    expect(await renderHtmlAsync(Guarded, {}, options)).toBe('<main><p>quick</p><p>No log</p></main>');
    const Shown = component('shown-parts', {
      load: async () => {
        throw new Error('no log today');
      },
      template: ({ data }) =>
        el.main(Quick(), whenLoaded(data, { loaded: () => el.p('log'), failed: () => el.p('No log') })),
    });
    expect(await renderHtmlAsync(Shown, {}, options)).toBe('<main><p>quick</p><p>No log</p></main>');
    expect(told).toHaveLength(2);
  });
});

describe('an address without its server', () => {
  const Log = component('base-log', {
    load: async ({ fetch }) => (await fetch('/log.json')).text(),
    template: ({ data }) => whenLoaded(data, { loaded: (said) => el.p(said) }),
  });
  const asked: string[] = [];
  const fetch: typeof globalThis.fetch = async (input) => {
    asked.push(String(input instanceof Request ? input.url : input));
    return new Response('log');
  };

  test('is resolved against the address of the request', async () => {
    const request = new Request('https://ninefold.example/grove/today?x=1');
    expect(await renderHtmlAsync(Log, {}, { base: request.url, fetch })).toBe('<p>log</p>');
    expect(await renderHtmlAsync(Log, {}, { base: new URL('http://127.0.0.1:80/'), fetch })).toBe(
      '<p>log</p>',
    );
    expect(await renderHtmlAsync(Log, {}, { fetch })).toBe('<p>log</p>');
    expect(asked).toEqual(['https://ninefold.example/log.json', 'http://127.0.0.1/log.json', '/log.json']);
  });

  test('and with nothing to resolve it against: the problem says what to pass', async () => {
    await expect(renderHtmlAsync(Log)).rejects.toThrow(
      'The data of base-log could not be loaded: a server has no page that "/log.json" could be an address of; pass { base: request.url } to the rendering, or a fetch of your own.',
    );
    await expect(renderHtmlAsync(Log, {}, { base: '/grove' })).rejects.toThrow(
      `The option base is the whole address of the page, but received "/grove". With node:http: { base: new URL(request.url, 'https://ninefold.example') }.`,
    );
  });
});
