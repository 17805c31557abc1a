// npm run bench:stream: a million rows through a stream, from rows that come one after another and from a list, and how
// much memory that takes; the same with a reader that is slow.
import { createHash } from 'node:crypto';
import { component, eachOf, el, prop, whenLoaded } from 'zesty-lattice';
import { escapeText, streamHtml } from 'zesty-lattice/html';

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

/** The same bytes, as one writes them by hand. */
const rowByHand = ({ id, guest }: Ticket): string => {
  const text = escapeText(guest);
  return `<tr><td>${id}</td><td title="${text}">${text}</td></tr>`;
};

async function* textsByHand(rows: Iterable<Ticket> | AsyncIterable<Ticket>): AsyncGenerator<string> {
  let text = '<table><tbody>';
  const add = (row: Ticket): boolean => {
    text += rowByHand(row);
    return text.length > 16_384;
  };
  const sent = (): string => {
    const all = text;
    text = '';
    return all;
  };
  if (Symbol.asyncIterator in rows) {
    for await (const row of rows) if (add(row)) yield sent();
  } else for (const row of rows) if (add(row)) yield sent();
  yield `${text}</tbody></table>`;
}

function streamByHand(rows: Iterable<Ticket> | AsyncIterable<Ticket>): ReadableStream<Uint8Array> {
  const texts = textsByHand(rows);
  const encoder = new TextEncoder();
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await texts.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
  });
}

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

/** What the bytes of a stream come to. */
async function digest(stream: ReadableStream<Uint8Array>): Promise<string> {
  const hash = createHash('sha1');
  for await (const chunk of stream as unknown as AsyncIterable<Uint8Array>) hash.update(chunk);
  return hash.digest('hex');
}

/** The processor time that reading a stream takes, in seconds. */
async function taken(stream: ReadableStream<Uint8Array>): Promise<number> {
  const before = process.cpuUsage();
  const reader = stream.getReader();
  while (!(await reader.read()).done);
  const { system, user } = process.cpuUsage(before);
  return (user + system) / 1e6;
}

// Processor time to a stream by hand, in turns, byte for byte the same.
const mostTimes = 1.3;
for (const [what, ours, byHand] of [
  ['rows that come one after another', () => streamHtml(Loaded, {}), () => streamByHand(tickets())],
  ['a list', () => streamHtml(Listed, { tickets: list }), () => streamByHand(list)],
] as const) {
  if ((await digest(ours())) !== (await digest(byHand())))
    throw new Error(`${what}: the stream by hand has other bytes.`);
  const ratios: number[] = [];
  for (let turn = 0; turn < 5; turn++) ratios.push((await taken(ours())) / (await taken(byHand())));
  const ratio = ratios.sort((a, b) => a - b)[2] ?? 0;
  const word = ratio > mostTimes ? `  ABOVE ${mostTimes}` : '';
  console.log(`${what.padEnd(34)} ${ratio.toFixed(2)} of a stream by hand${word}`);
  if (ratio > mostTimes) process.exitCode = 1;
}
