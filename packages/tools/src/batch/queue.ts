import type { Writers } from './batch.js';
import { type PageSource, type RowOutcome, type RowTask, writeRows } from './write-rows.js';

/** The packages of a queue are asked for only where one is: bullmq, over a Redis server. */
type Bullmq = typeof import('bullmq');

const queueName = 'lattice-batch-rows';

/** How long a worker may say nothing until its rows go to another one, in milliseconds. */
const silence = 5_000;

interface Parcel {
  readonly source: PageSource;
  readonly rows: readonly RowTask[];
}

/** The packages of the queue could not be found, or its server not be reached. */
export class QueueMissing extends Error {}

async function packages(): Promise<{
  readonly bullmq: Bullmq;
  readonly Redis: typeof import('ioredis').Redis;
}> {
  try {
    return { bullmq: await import('bullmq'), Redis: (await import('ioredis')).Redis };
  } catch {
    throw new QueueMissing('--queue needs the packages bullmq and ioredis: npm install bullmq ioredis.');
  }
}

/** The packages, and a way to connect with the server, which is there. */
async function connected(url: string) {
  const { bullmq, Redis } = await packages();
  const connect = async () => {
    const client = new Redis(url, { lazyConnect: true, maxRetriesPerRequest: null });
    let last = 'no answer';
    client.on('error', (error: Error) => {
      last = error.message;
    });
    try {
      await client.connect();
    } catch {
      client.disconnect();
      throw new QueueMissing(`The queue ${url} cannot be reached: ${last}.`);
    }
    return client;
  };
  return { bullmq, connect };
}

/** Hands rows to whichever processes work for a queue. */
export async function queued(url: string): Promise<Writers> {
  const { bullmq, connect } = await connected(url);
  const [own, heard] = [await connect(), await connect()];
  const queue = new bullmq.Queue<Parcel, readonly RowOutcome[]>(queueName, { connection: own });
  const events = new bullmq.QueueEvents(queueName, { connection: heard });
  await events.waitUntilReady();
  // Each parcel that is under way listens.
  for (const one of [events, queue, own, heard]) one.setMaxListeners(1_000);
  return {
    most: 200,
    async write(source, rows) {
      const job = await queue.add(
        'rows',
        { source, rows },
        {
          attempts: 5,
          backoff: { type: 'fixed', delay: 200 },
          removeOnComplete: 1_000,
          removeOnFail: 1_000,
        },
      );
      return job.waitUntilFinished(events);
    },
    async close() {
      await events.close();
      await queue.close();
      own.disconnect();
      heard.disconnect();
    },
  };
}

/** Writes rows for a queue until it is reported to stop; a parcel whose worker died goes to another one. */
export async function workFor(
  url: string,
  signal: AbortSignal,
  tell: (rows: number) => void,
  ready: () => void,
): Promise<void> {
  const { bullmq, connect } = await connected(url);
  const connection = await connect();
  const worker = new bullmq.Worker<Parcel, readonly RowOutcome[]>(
    queueName,
    async ({ data: { rows, source } }) => {
      const outcomes = await writeRows(source, rows);
      tell(rows.length);
      return outcomes;
    },
    { connection, lockDuration: silence, stalledInterval: silence / 2, maxStalledCount: 5 },
  );
  // What goes wrong with one parcel is tried again, here or elsewhere, and reported by the caller.
  worker.on('error', () => undefined);
  ready();
  await new Promise<void>((done) => {
    signal.addEventListener('abort', () => done(), { once: true });
    if (signal.aborted) done();
  });
  await worker.close();
  connection.disconnect();
}
