// npm run bench:memory: 1,000 components, 200,000 renderings with random props, 10,000 that are refused, and 20,000 that
// wait for data: the heap has to be as large after them as before.
import {
  calc,
  component,
  eachOf,
  el,
  given,
  LatticeError,
  phrase,
  prop,
  slot,
  type Use,
  whenLoaded,
} from 'zesty-lattice';
import { renderHtml, renderHtmlAsync } from 'zesty-lattice/html';

const most = 8;
const collect = (globalThis as { gc?: () => void }).gc ?? (() => undefined);
const heap = (): number => {
  collect();
  collect();
  return process.memoryUsage().heapUsed / 2 ** 20;
};
let seed = 1;
const random = (below: number): number => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return Math.floor((seed / 2 ** 32) * below);
};

type Make = (props: Readonly<Record<string, unknown>>, content?: unknown) => Use;
const all = Array.from({ length: 1_000 }, (_, n) =>
  component(`stall-${n}`, {
    props: { title: prop.text(), crates: prop.number(), tags: prop.list(prop.text()), rare: prop.flag() },
    slots: { default: slot() },
    template: ({ props, slots }) =>
      el.article(
        { class: { rare: props.rare }, title: phrase`${props.title} ${n}` },
        el.h3(props.title),
        el.ul(eachOf(props.tags, (tag) => el.li(tag))),
        given(props.rare, el.p('Few'), el.p(calc(props.crates, (crates) => crates * 2))),
        slots.default(),
      ),
  }),
) as unknown as Make[];
const Loading = component('stall-loading', {
  props: { n: prop.number() },
  load: async ({ props }) => `tank ${props.n}`,
  template: ({ data }) => whenLoaded(data, { loaded: (text) => el.p(text) }),
});

const use = (): Use =>
  (all[random(all.length)] as Make)(
    {
      title: `Stall <${random(1e6)}>`,
      crates: random(100),
      tags: Array.from({ length: random(5) }, () => `tag ${random(1e6)}`),
      rare: random(2) === 1,
    },
    random(2) === 1 ? el.p(`text ${random(1e6)}`) : undefined,
  );

// Everything is planned, and code is written, before it counts.
for (let n = 0; n < 20_000; n++) renderHtml(use());

async function measure(what: string, times: number, work: () => unknown): Promise<void> {
  const before = heap();
  for (let n = 0; n < times; n++) await work();
  const after = heap();
  const isAbove = after - before > most;
  console.log(
    `${what.padEnd(28)} ${times.toLocaleString('en').padStart(8)} times   before ${before.toFixed(1).padStart(6)} MB   after ${after.toFixed(1).padStart(6)} MB${isAbove ? `   ABOVE ${most}` : ''}`,
  );
  if (isAbove) process.exitCode = 1;
}

await measure('rendered', 200_000, () => renderHtml(use()));
await measure('refused', 10_000, () => {
  try {
    renderHtml(
      (all[random(all.length)] as Make)({ title: random(9), crates: 'x', [`more${random(1e6)}`]: 1 }),
    );
  } catch (thrown) {
    if (!(thrown instanceof LatticeError)) throw thrown;
  }
});
await measure('waited for', 20_000, () => renderHtmlAsync(Loading, { n: random(1e6) }));
