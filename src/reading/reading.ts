import { type ChildProcess, fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { Problem } from '../problem/index.js';
import type { Ask } from './asks.js';
import type { Catalogue, Given, Shown } from './facts.js';

const reader = fileURLToPath(new URL('./project-reader.js', import.meta.url));

/** How long an answer may take, in milliseconds: a template that never ends is a mistake like others. */
const patience = 20_000;

/** Reads a project in a process of its own, so that a changed module is loaded anew; the next process waits ready. */
export class Reading {
  readonly #paths: readonly string[];
  #process: ReaderProcess;
  #next = new ReaderProcess();
  #catalogue: Promise<Catalogue>;

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

  /** Asks whoever reads the project when there is an answer: a change may come between. */
  async #ask(ask: Ask): Promise<unknown> {
    for (;;) {
      const asked = this.#process;
      try {
        await this.#catalogue;
        return await asked.ask(ask);
      } catch (thrown) {
        if (asked === this.#process) throw thrown;
      }
    }
  }

  /** Reads all anew; what is asked meanwhile is answered then. */
  renew(): Promise<Catalogue> {
    this.#process.end();
    this.#process = this.#next;
    this.#next = new ReaderProcess();
    this.#catalogue = this.#read();
    return this.#catalogue;
  }

  end(): void {
    this.#process.end();
    this.#next.end();
  }

  #read(): Promise<Catalogue> {
    return this.#process.ask({ kind: 'catalogue', paths: this.#paths }) as Promise<Catalogue>;
  }
}

class ReaderProcess {
  readonly #child: ChildProcess;
  readonly #waiting = new Map<number, { give(found: unknown): void; fail(error: Error): void }>();
  #asked = 0;

  constructor() {
    // What modules print as they load is theirs to print: on standard error, as all that is not the command's answer.
    this.#child = fork(reader, { stdio: ['ignore', 2, 2, 'ipc'] });
    this.#child.on('message', ({ failure, found, number }: Answer) => {
      const waiting = this.#waiting.get(number);
      this.#waiting.delete(number);
      if (failure === undefined) waiting?.give(found);
      else waiting?.fail(new Error(failure));
    });
    this.#child.on('exit', () => {
      for (const { fail } of this.#waiting.values())
        fail(new Error('The process that reads the project has ended.'));
      this.#waiting.clear();
    });
  }

  ask(ask: Ask): Promise<unknown> {
    const number = ++this.#asked;
    return new Promise((give, fail) => {
      const late = setTimeout(() => {
        this.#waiting.delete(number);
        fail(new Error(`It took more than ${patience / 1000} seconds.`));
        this.#child.kill('SIGKILL');
      }, patience);
      const settled = <T>(settle: (value: T) => void) => {
        return (value: T): void => {
          clearTimeout(late);
          settle(value);
        };
      };
      this.#waiting.set(number, { give: settled(give), fail: settled(fail) });
      if (this.#child.connected) this.#child.send({ ask, number });
      else this.#waiting.get(number)?.fail(new Error('The process that reads the project has ended.'));
    });
  }

  end(): void {
    this.#child.kill();
  }
}

interface Answer {
  readonly number: number;
  readonly found?: unknown;
  readonly failure?: string;
}
