import { hostname } from 'node:os';
import type { Redis } from 'ioredis';
import type { Writers } from './batch.js';
import { OwnCode, Refusal } from './own-code.js';
import type { PageSource, RowOutcome, RowTask } from './write-rows.js';

/** The packages of a queue are asked for only where one is: bullmq, over a Redis server. */
type Bullmq = typeof import('bullmq');

const queueName = 'lattice-batch-rows';

/** How long a worker may say nothing until its rows go to another one, in milliseconds. */
const silence = 5_000;
/** How long a batch waits for a server that does not answer, in milliseconds. */
const patience = 60_000;
/** How long a batch counts as going on after its last word, in milliseconds: what is left of one that was killed is not written. */
const lifeTime = 30_000;

interface Parcel {
  /** Which batch it is of. */
  readonly run: string;
  readonly source: PageSource;
  readonly rows: readonly RowTask[];
  /** How often a worker has refused it. */
  readonly refused?: number;
}

/** The packages of the queue could not be found, or its server not be reached. */
export class QueueMissing extends Error {}

async function packages(): Promise<{ readonly bullmq: Bullmq; readonly Client: typeof Redis }> {
  try {
    return { bullmq: await import('bullmq'), Client: (await import('ioredis')).Redis };
  } catch {
    throw new QueueMissing('--queue needs the packages bullmq and ioredis: npm install bullmq ioredis.');
  }
}

/** The packages, and a way to connect with the server, which is there. */
async function connected(url: string) {
  const { bullmq, Client } = await packages();
  const connect = async (): Promise<Redis> => {
    const client = new Client(url, {
      lazyConnect: true,
      maxRetriesPerRequest: null,
      retryStrategy: (times) => Math.min(times * 100, 1_000),
    });
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

/** The key that says that a batch goes on. */
const lifeKey = (run: string): string => `${queueName}:run:${run}`;

interface Waiting {
  readonly parcel: Parcel;
  readonly done: (outcomes: readonly RowOutcome[]) => void;
  readonly fail: (thrown: unknown) => void;
}

/**
 * Hands rows to whichever processes work for a queue. What has been handed over is asked for again and again, since a server
 * that was stopped may have forgotten it: then it is handed over once more. Writing a page twice writes the same page.
 *
 * @param say takes what whoever waits for it should know
 */
export async function queued(url: string, say: (line: string) => void): Promise<Writers> {
  const { bullmq, connect } = await connected(url);
  const [own, heard] = [await connect(), await connect()];
  const queue = new bullmq.Queue<Parcel, readonly RowOutcome[]>(queueName, { connection: own });
  const events = new bullmq.QueueEvents(queueName, { connection: heard });
  queue.on('error', () => undefined);
  events.on('error', () => undefined);
  await events.waitUntilReady();
  const run = `${hostname()}-${process.pid}-${Date.now().toString(36)}`;
  let number = 0;
  const waiting = new Map<string, Waiting>();
  /** Those that the server has not taken yet. */
  const coming = new Set<Waiting>();
  /** Those that it has refused, as one does that still reads its data. */
  const unsent = new Set<Waiting>();
  let lastHeard = Date.now();
  let lastDone = Date.now();

  const hand = async (one: Waiting): Promise<void> => {
    const settings = { attempts: 5, backoff: { type: 'fixed', delay: 200 } } as const;
    const left = { removeOnComplete: { age: 600 }, removeOnFail: { age: 600 } } as const;
    coming.add(one);
    // A server that has forgotten everything would count from one again.
    const jobId = `${run}-${number++}`;
    try {
      await queue.add('rows', one.parcel, { jobId, ...settings, ...left });
      if (coming.delete(one)) waiting.set(jobId, one);
    } catch {
      if (coming.delete(one)) unsent.add(one);
    }
  };
  /** Looks at a parcel: a word of it may have been lost. */
  const look = async (id: string): Promise<void> => {
    const one = waiting.get(id);
    if (!one) return;
    const job = await queue.getJob(id);
    const outcomes = job?.returnvalue;
    if (job && !outcomes && !(await job.isFailed())) return;
    // Looked at twice at the same time it is told once.
    if (!waiting.delete(id)) return;
    if (outcomes) {
      lastDone = Date.now();
      one.done(outcomes);
    } else {
      if (job && job.failedReason !== overWord)
        one.fail(new QueueMissing(`No worker could write: ${job.failedReason}`));
      else await hand(one);
    }
  };
  for (const word of ['completed', 'failed'] as const)
    events.on(word, ({ jobId }: { readonly jobId: string }) => {
      look(jobId).catch(() => undefined);
    });

  const stop = (thrown: unknown): void => {
    for (const one of [...waiting.values(), ...coming, ...unsent]) one.fail(thrown);
    for (const all of [waiting, coming, unsent]) all.clear();
  };
  await own.set(lifeKey(run), '1', 'PX', lifeTime);
  let isLooking = false;
  const timer = setInterval(async () => {
    if (Date.now() - lastHeard > patience) {
      const seconds = patience / 1_000;
      stop(
        new QueueMissing(
          `The queue ${url} has not answered for ${seconds} s. What is written is noted: the same command continues.`,
        ),
      );
    }
    if (isLooking || own.status !== 'ready') return;
    isLooking = true;
    try {
      await own.set(lifeKey(run), '1', 'PX', lifeTime);
      lastHeard = Date.now();
      for (const one of [...unsent]) {
        unsent.delete(one);
        await hand(one);
      }
      for (const id of [...waiting.keys()]) await look(id);
      if (waiting.size > 0 && Date.now() - lastDone > 10_000 && (await queue.getWorkersCount()) === 0) {
        say(`Nobody works for ${url}. Start a worker: lattice batch --worker --queue ${url}`);
        lastDone = Date.now();
      }
    } catch {
      // The connection is gone for now.
    } finally {
      isLooking = false;
    }
  }, 2_000);

  return {
    most: 200,
    isElsewhere: true,
    write: (source: PageSource, rows) =>
      new Promise((done, fail) => {
        void hand({ parcel: { run, source, rows }, done, fail });
      }),
    async close() {
      clearInterval(timer);
      await Promise.race([
        own.status === 'ready'
          ? own.del(lifeKey(run)).then(() => Promise.all([events.close(), queue.close()]))
          : undefined,
        new Promise((done) => setTimeout(done, 2_000)),
      ]).catch(() => undefined);
      own.disconnect();
      heard.disconnect();
    },
  };
}

/** How often rows are refused before the batch is told: once in half a second. */
const mostRefusals = 12;

/** Why rows of a batch that is over were not written. */
const overWord = 'the batch is over';

/** Writes rows for a queue until it is reported to stop; a parcel whose worker died goes to another one. */
export async function workFor(
  url: string,
  signal: AbortSignal,
  tell: (rows: number) => void,
  say: (line: string) => void,
): Promise<void> {
  const { bullmq, connect } = await connected(url);
  const [connection, own] = [await connect(), await connect()];
  const code = new OwnCode();
  const worker = new bullmq.Worker<Parcel, readonly RowOutcome[]>(
    queueName,
    async (job, token) => {
      const { refused = 0, rows, run, source } = job.data;
      if ((await own.exists(lifeKey(run))) === 0) throw new bullmq.UnrecoverableError(overWord);
      try {
        const outcomes = await code.write(source, rows);
        tell(rows.length);
        return outcomes;
      } catch (thrown) {
        if (!(thrown instanceof Refusal)) throw thrown;
        if (refused === 0) say(`Rows refused: ${thrown.message}`);
        if (refused >= mostRefusals) throw new bullmq.UnrecoverableError(thrown.message);
        // Another worker may have what is missing here, or this one a little later.
        await job.updateData({ ...job.data, refused: refused + 1 });
        await job.moveToDelayed(Date.now() + 500, token);
        throw new bullmq.DelayedError();
      }
    },
    { connection, lockDuration: silence, stalledInterval: silence / 2, maxStalledCount: 50 },
  );
  // What goes wrong with one parcel is tried again, here or elsewhere, and reported by the caller.
  worker.on('error', () => undefined);
  say(`Working for ${url}. Stop with Ctrl+C.`);
  await new Promise<void>((done) => {
    signal.addEventListener('abort', () => done(), { once: true });
    if (signal.aborted) done();
  });
  await Promise.race([worker.close(own.status !== 'ready'), new Promise((done) => setTimeout(done, 10_000))]);
  await code.close();
  connection.disconnect();
  own.disconnect();
}
