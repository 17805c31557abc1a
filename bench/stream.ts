// npm run bench:stream: a million rows through a stream, from rows that come one after another and from a list, and how
// much memory that takes; the same with a reader that is slow.
import { component, eachOf, el, prop, whenLoaded } from 'zesty-lattice';
import { streamHtml } from 'zesty-lattice/html';

const count = 1_000_000;
const most = 64;

interface Ticket {
  readonly id: number;
  readonly guest: string;
}

async function* tickets(): AsyncGenerator<Ticket> {
  for (let id = 0; id < count; id++) yield { id, guest: `Guest <${id}>` };
}

const TicketRow = component('ticket-row', {
  props: { id: prop.number(), guest: prop.text() },
  template: ({ props }) => el.tr(el.td(props.id), el.td({ title: props.guest }, props.guest)),
});

const Loaded = component('tickets-loaded', {
  load: async () => tickets(),
  template: ({ data }) =>
    whenLoaded(data, {
      loaded: (all) => el.table(el.tbody(eachOf(all, (one) => TicketRow({ id: one.id, guest: one.guest })))),
    }),
});
const Listed = component('tickets-listed', {
  props: { tickets: prop.list<Ticket>() },
  template: ({ props }) =>
    el.table(el.tbody(eachOf(props.tickets, (one) => TicketRow({ id: one.id, guest: one.guest })))),
});

const collect = (globalThis as { gc?: () => void }).gc ?? (() => undefined);
const used = (): number => {
  collect();
  const { external, heapUsed } = process.memoryUsage();
  return (heapUsed + external) / 2 ** 20;
};

async function measure(what: string, stream: ReadableStream<Uint8Array>, pause = 0): Promise<void> {
  const before = used();
  let [peak, bytes, chunks] = [before, 0, 0];
  const begin = performance.now();
  for await (const chunk of stream as unknown as AsyncIterable<Uint8Array>) {
    bytes += chunk.length;
    if (++chunks % 250 === 0) {
      peak = Math.max(peak, used());
      if (pause > 0) await new Promise((done) => setTimeout(done, pause));
    }
  }
  const seconds = (performance.now() - begin) / 1000;
  const growth = peak - before;
  console.log(
    `${what.padEnd(34)} ${(bytes / 1e6).toFixed(0).padStart(5)} MB  ${Math.round(count / seconds / 1000)
      .toString()
      .padStart(
        5,
      )} k rows/s  grew by ${growth.toFixed(1).padStart(5)} MB${growth > most ? `  ABOVE ${most}` : ''}`,
  );
  if (growth > most) process.exitCode = 1;
}

await measure('rows that come one after another', streamHtml(Loaded, {}));
await measure('the same, a slow reader', streamHtml(Loaded, {}), 20);
const list = Array.from({ length: count }, (_, id) => ({ id, guest: `Guest <${id}>` }));
await measure('a list, besides the list itself', streamHtml(Listed, { tickets: list }));
