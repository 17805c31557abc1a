import { type ChildProcess, fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { Ask } from './asks.js';
import type { Catalogue, Given, Shown } from './facts.js';

const reader = fileURLToPath(new URL('./project-reader.js', import.meta.url));

/** How long an answer may take, in milliseconds: a template that never ends is a mistake like others. */
const patience = 20_000;

/** The reader took longer than `patience`. */
class TookTooLong extends Error {
  constructor() {
    super(`It took more than ${patience / 1000} seconds. Look for a loop that never ends.`);
  }
}

/** The process that reads the project has ended by itself, or was killed. */
class ReaderEnded extends Error {
  constructor() {
    super('The process that reads the project has ended.');
  }
}

/** Reads a project in a process of its own, so that a changed module is loaded anew; the next process waits ready. */
export class Reading {
  readonly #paths: readonly string[];
  #process: ReaderProcess;
  #next = new ReaderProcess();
  #catalogue: Promise<Catalogue>;
  /** How often the whole project failed to be read since it last could be: a third try would fail as well. */
  #failures = 0;
  #isOver = false;

  constructor(paths: readonly string[]) {
    this.#paths = paths;
    this.#process = new ReaderProcess();
    this.#catalogue = this.#read();
  }

  catalogue(): Promise<Catalogue> {
    return this.#catalogue;
  }

  /** What comes of a component; undefined where there is none of that name. */
  async shown(component: string, given: Given): Promise<Shown | undefined> {
    return ((await this.#ask({ kind: 'shown', component, given })) as Shown | null) ?? undefined;
  }

  async shownText(text: string): Promise<Shown> {
    return (await this.#ask({ kind: 'text', text })) as Shown;
  }

  /** What is wrong in a file with this text, be it saved or not. */
  async problemsIn(file: string, text: string): Promise<readonly Problem[]> {
    return (await this.#ask({ kind: 'problems', file, text })) as readonly Problem[];
  }

  /**
   * Asks the process that reads the project. A question is asked again if a change came between or the process was
   * killed, but not if its answer took too long.
   */
  async #ask(ask: Ask): Promise<unknown> {
    for (let restarts = 0; ; ) {
      if (this.#process.hasEnded && this.#failures < 2 && !this.#isOver) this.#startAgain();
      const asked = this.#process;
      try {
        await this.#catalogue;
        return await asked.ask(ask);
      } catch (thrown) {
        const isRenewed = asked !== this.#process;
        const isKilled = thrown instanceof ReaderEnded && this.#failures < 2 && restarts++ < 2;
        if (this.#isOver || !(isRenewed || isKilled)) throw thrown;
      }
    }
  }

  /** Reads all anew; what is asked meanwhile is answered then. */
  renew(): Promise<Catalogue> {
    this.#failures = 0;
    return this.#startAgain();
  }

  end(): void {
    this.#isOver = true;
    this.#process.end();
    this.#next.end();
  }

  #startAgain(): Promise<Catalogue> {
    this.#process.end();
    this.#process = this.#next.hasEnded ? new ReaderProcess() : this.#next;
    this.#next = new ReaderProcess();
    this.#catalogue = this.#read();
    return this.#catalogue;
  }

  #read(): Promise<Catalogue> {
    const asked = this.#process;
    const found = asked.ask({ kind: 'catalogue', paths: this.#paths }) as Promise<Catalogue>;
    found.then(
      () => {
        if (asked === this.#process) this.#failures = 0;
      },
      (thrown) => {
        if (asked === this.#process) this.#failures += thrown instanceof ReaderEnded ? 1 : 2;
      },
    );
    return found;
  }
}

class ReaderProcess {
  readonly #child: ChildProcess;
  readonly #waiting = new Map<number, { give(found: unknown): void; fail(error: Error): void }>();
  #asked = 0;
  hasEnded = false;

  constructor() {
    // What modules print as they load is theirs to print: on standard error, as all that is not the command's answer.
    this.#child = fork(reader, { stdio: ['ignore', 2, 2, 'ipc'] });
    this.#child.on('message', ({ failure, found, number }: Answer) => {
      const waiting = this.#waiting.get(number);
      this.#waiting.delete(number);
      if (failure === undefined) waiting?.give(found);
      else waiting?.fail(new Error(failure));
    });
    this.#child.on('exit', () => this.#isGone());
    // A process that cannot be started or sent to: without a listener, Node would end with a stack trace.
    this.#child.on('error', () => this.#isGone());
  }

  ask(ask: Ask): Promise<unknown> {
    const number = ++this.#asked;
    return new Promise((give, fail) => {
      const late = setTimeout(() => {
        this.#waiting.delete(number);
        fail(new TookTooLong());
        this.hasEnded = true;
        this.#child.kill('SIGKILL');
      }, patience);
      const settled = <T>(settle: (value: T) => void) => {
        return (value: T): void => {
          clearTimeout(late);
          settle(value);
        };
      };
      this.#waiting.set(number, { give: settled(give), fail: settled(fail) });
      if (this.#child.connected && !this.hasEnded) this.#child.send({ ask, number }, () => {});
      else this.#isGone();
    });
  }

  end(): void {
    this.hasEnded = true;
    this.#child.kill();
  }

  #isGone(): void {
    this.hasEnded = true;
    for (const { fail } of this.#waiting.values()) fail(new ReaderEnded());
    this.#waiting.clear();
  }
}

interface Answer {
  readonly number: number;
  readonly found?: unknown;
  readonly failure?: string;
}
