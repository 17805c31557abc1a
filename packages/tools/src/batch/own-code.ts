import { existsSync } from 'node:fs';
import { hostname } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Piscina } from 'piscina';
import { codeHash } from './sources.js';
import { hasMark } from './whole-file.js';
import type { PageSource, RowOutcome, RowTask } from './write-rows.js';

/** Why a worker does not write some rows. */
export class Refusal extends Error {}

/** How many modules, each as it was at some time, are kept loaded. */
const mostKept = 4;

/** Writes rows in threads, one for each state of the code: a process that has read a module once does not read it again. */
export class OwnCode {
  readonly #threads = new Map<string, Promise<Piscina>>();

  /** @throws Refusal where this machine has not what the batch has */
  async write(source: PageSource, rows: readonly RowTask[]): Promise<readonly RowOutcome[]> {
    const { code, mark, module, out, store } = source;
    for (const file of [module, store])
      if (file !== undefined && !existsSync(file))
        throw new Refusal(`the worker on ${hostname()} has no file ${file}.`);
    if (store === undefined && mark !== undefined && !hasMark(out, mark))
      throw new Refusal(
        `the worker on ${hostname()} does not have the folder ${out} of the batch: share it, or write through a --store.`,
      );
    const key = `${code} ${module} ${source.component}`;
    const known = this.#threads.get(key) ?? this.#loaded(source);
    // The last one used is the last one to go.
    this.#threads.delete(key);
    this.#threads.set(key, known);
    try {
      const thread = await known;
      return await thread.run({ source, rows });
    } catch (thrown) {
      if (this.#threads.get(key) === known) this.#threads.delete(key);
      known.then((thread) => thread.destroy()).catch(() => undefined);
      throw thrown;
    } finally {
      this.#forget();
    }
  }

  async close(): Promise<void> {
    const all = [...this.#threads.values()];
    this.#threads.clear();
    for (const one of all) await one.then((thread) => thread.close()).catch(() => undefined);
  }

  /** A thread that has read the code as the batch has it: looked at before and after, since files change. */
  async #loaded(source: PageSource): Promise<Piscina> {
    await isSame(source);
    const { Piscina: Pool } = await import('piscina');
    const thread = new Pool({
      filename: fileURLToPath(new URL('./batch-worker.js', import.meta.url)),
      minThreads: 1,
      maxThreads: 1,
      idleTimeout: 60_000,
    });
    try {
      await thread.run({ source, rows: [] });
      await isSame(source);
      return thread;
    } catch (thrown) {
      await thread.destroy();
      throw thrown;
    }
  }

  #forget(): void {
    const [oldest] = this.#threads;
    if (!oldest || this.#threads.size <= mostKept) return;
    this.#threads.delete(oldest[0]);
    oldest[1].then((thread) => thread.close()).catch(() => undefined);
  }
}

async function isSame({ code, module }: PageSource): Promise<void> {
  if ((await codeHash(module)) === code) return;
  throw new Refusal(`the worker on ${hostname()} has other code of ${module} than the batch.`);
}
