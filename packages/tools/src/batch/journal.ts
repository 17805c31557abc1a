import { createHash } from 'node:crypto';
import { createReadStream, existsSync, readdirSync, statSync } from 'node:fs';
import { type FileHandle, open } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

/** Which pages are done, and of what: kept beside them, so that a second run goes on where the first one ended. */
export class Journal {
  readonly #folder: string;
  readonly #done = new Map<string, { readonly name: string; readonly bytes: number }>();
  readonly #part: string;
  /** Opened once, though several may write at a time: one that nobody closes is reported by Node. */
  #file: Promise<FileHandle> | undefined;
  #waiting: string[] = [];

  /** @param part tells the journals of several runs into one folder from one another */
  constructor(folder: string, part = '') {
    this.#folder = folder;
    this.#part = part;
  }

  /** Reads what was noted before, by any run into the folder. */
  async read(): Promise<void> {
    if (!existsSync(this.#folder)) return;
    const journals = readdirSync(this.#folder).filter((name) => /^\.lattice-batch.*\.ndjson$/.test(name));
    for (const name of journals) {
      const input = createReadStream(join(this.#folder, name), 'utf8');
      for await (const line of createInterface({ input })) {
        try {
          const [of, file, bytes] = JSON.parse(line) as [string, string, number];
          this.#done.set(of, { name: file, bytes });
        } catch {
          // The last line of a run that was killed may be cut: its page is written again.
        }
      }
    }
  }

  /** Whether a page of this is there, under this name, as it was written. */
  has(of: string, name: string): boolean {
    const known = this.#done.get(of);
    if (known?.name !== name) return false;
    const path = join(this.#folder, name);
    return existsSync(path) && statSync(path).size === known.bytes;
  }

  async add(of: string, name: string, bytes: number): Promise<void> {
    this.#waiting.push(`${JSON.stringify([of, name, bytes])}\n`);
    if (this.#waiting.length >= 256) await this.flush();
  }

  async flush(): Promise<void> {
    if (this.#waiting.length === 0) return;
    const lines = this.#waiting.splice(0).join('');
    this.#file ??= open(join(this.#folder, `.lattice-batch${this.#part}.ndjson`), 'a');
    await (await this.#file).write(lines);
  }

  async close(): Promise<void> {
    await this.flush();
    await (await this.#file)?.close();
    this.#file = undefined;
  }
}

/** What a page is made of, as a short word: the same content gives the same one. */
export function contentHash(...parts: readonly string[]): string {
  const hash = createHash('sha256');
  for (const part of parts) hash.update(`${part.length}:`).update(part);
  return hash.digest('base64url').slice(0, 22);
}
