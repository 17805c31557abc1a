import { hash } from 'node:crypto';
import {
  closeSync,
  createReadStream,
  existsSync,
  openSync,
  readdirSync,
  renameSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

interface Held {
  /** What the page was written of; empty while it is written anew. */
  readonly of: string;
  readonly bytes: number;
  /** Which batch has written it. */
  readonly by: string;
  /** When, in milliseconds since 1970: the journals of several runs are read one after another. */
  readonly at: number;
}

/** The length of a page that was removed. */
const gone = -1;

type Line = readonly [of: string, name: string, bytes: number, by?: string, at?: number];

/**
 * What each page of a folder holds now: kept beside the pages, so that a second run goes on where the first one ended. The
 * last word on a page counts, whichever run has said it.
 */
export class Journal {
  readonly #folder: string;
  readonly #held = new Map<string, Held>();
  readonly #path: string;
  readonly #by: string;
  readonly #isFolder: boolean;
  #file: number | undefined;
  #waiting: string[] = [];
  /** How many lines its own file has. */
  #lines = 0;

  /**
   * @param part tells the journals of several runs into one folder from one another
   * @param by a word for the batch: what others have written into the folder is none of its own
   * @param isFolder whether the pages stand in the folder, where they can be looked at
   */
  constructor(folder: string, part = '', by = '', isFolder = true) {
    this.#folder = folder;
    this.#path = join(folder, `.lattice-batch${part}.ndjson`);
    this.#by = by;
    this.#isFolder = isFolder;
  }

  /** Reads what was noted before, by any run into the folder. */
  async read(): Promise<void> {
    if (!existsSync(this.#folder)) return;
    const journals = readdirSync(this.#folder).filter((name) => /^\.lattice-batch.*\.ndjson$/.test(name));
    for (const name of journals) {
      const path = join(this.#folder, name);
      for await (const line of createInterface({ input: createReadStream(path, 'utf8') })) {
        if (path === this.#path) this.#lines++;
        try {
          const [of, file, bytes, by = '', at = 0] = JSON.parse(line) as Line;
          if ((this.#held.get(file)?.at ?? 0) <= at) this.#held.set(file, { of, bytes, by, at });
        } catch {
          // The last line of a run that was killed may be cut: its page is written again.
        }
      }
    }
  }

  /** Whether a page is there as it was written, and of this. */
  has(of: string, name: string): boolean {
    const known = this.#held.get(name);
    if (known?.of !== of) return false;
    if (!this.#isFolder) return true;
    return statSync(join(this.#folder, name), { throwIfNoEntry: false })?.size === known.bytes;
  }

  /**
   * Notes that pages are about to be written: until they are added, nobody knows what they hold, should the run end there.
   * Pages that nothing was noted of are not, already.
   */
  open(names: readonly string[]): void {
    const known = names.filter((name) => this.#held.has(name));
    if (known.length === 0) return;
    for (const name of known) this.#note('', name, 0);
    this.flush();
  }

  add(of: string, name: string, bytes: number): void {
    this.#note(of, name, bytes);
    if (this.#waiting.length >= 256) this.flush();
  }

  /** The pages that this batch has written and that are still there, but for those named. */
  others(names: { has(name: string): boolean }): readonly string[] {
    const left = [...this.#held].filter(([name, { by }]) => by === this.#by && by !== '' && !names.has(name));
    return left.map(([name]) => name).filter((name) => this.#isThere(name));
  }

  /** Notes that a page was removed. */
  forget(name: string): void {
    this.#note('', name, gone);
  }

  #isThere(name: string): boolean {
    if (this.#held.get(name)?.bytes === gone) return false;
    return !this.#isFolder || existsSync(join(this.#folder, name));
  }

  flush(): void {
    if (this.#waiting.length === 0) return;
    const lines = this.#waiting.splice(0);
    if (this.#file === undefined) {
      this.#file = openSync(this.#path, 'a');
      // A line that was cut short by a kill ends here.
      if (this.#lines > 0) writeSync(this.#file, '\n');
    }
    this.#lines += lines.length;
    writeSync(this.#file, `${lines.join('\n')}\n`);
  }

  /** Writes what waits. What has been said over and over is said once from now on. */
  close(): void {
    this.flush();
    if (this.#file !== undefined) closeSync(this.#file);
    const hasGrown = this.#file !== undefined && this.#lines > 2 * this.#held.size + 1_000;
    this.#file = undefined;
    if (hasGrown) this.#shorten();
  }

  #shorten(): void {
    const lines = [...this.#held]
      .filter(([name, { of }]) => of !== '' || this.#isThere(name))
      .map(([name, { at, by, bytes, of }]) => JSON.stringify([of, name, bytes, by, at] satisfies Line));
    writeFileSync(`${this.#path}.new`, `${lines.join('\n')}\n`);
    renameSync(`${this.#path}.new`, this.#path);
  }

  #note(of: string, name: string, bytes: number): void {
    const at = Date.now();
    this.#held.set(name, { of, bytes, by: this.#by, at });
    this.#waiting.push(JSON.stringify([of, name, bytes, this.#by, at] satisfies Line));
  }
}

/** What a page is made of, as a short word: the same content gives the same one. */
export function contentHash(...parts: readonly string[]): string {
  // One text for all of them, which no other parts give: each stands behind its length.
  let text = '';
  for (const part of parts) text += `${part.length}:${part}`;
  return hash('sha256', text, 'base64url').slice(0, 22);
}
