import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { MessageChannel, receiveMessageOnPort, Worker } from 'node:worker_threads';

export const root = fileURLToPath(new URL('../..', import.meta.url));

export interface Outcome {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Runs the built `lattice` command as a process of its own, in the project's folder. */
export function latticeProcess(...args: readonly string[]): Outcome {
  return latticeOf('', ...args);
}

/** The same, with something to read from standard input. */
export function latticeOf(input: string, ...args: readonly string[]): Outcome {
  const done = spawnSync('node', ['packages/tools/dist/node/cli.js', ...args], {
    cwd: root,
    encoding: 'utf8',
    input,
    env: { ...process.env, NODE_ENV: '', NO_COLOR: undefined },
  });
  return { code: done.status, out: done.stdout, err: done.stderr };
}

let ask: ((args: readonly string[]) => Outcome) | undefined;

/** Runs the same built command in a thread that stays, which is quicker: all of a file's commands load it once. */
export function lattice(...args: readonly string[]): Outcome {
  ask ??= thread();
  return ask(args);
}

function thread(): (args: readonly string[]) => Outcome {
  const { port1, port2 } = new MessageChannel();
  const signal = new Int32Array(new SharedArrayBuffer(4));
  const worker = new Worker(new URL('./commands.mjs', import.meta.url), {
    workerData: { port: port2, signal, root },
    transferList: [port2],
    env: { ...process.env, NODE_ENV: '', NO_COLOR: undefined },
    execArgv: [],
  });
  worker.unref();
  return (args) => {
    Atomics.store(signal, 0, 0);
    port1.postMessage(args);
    if (Atomics.wait(signal, 0, 0, 240_000) === 'timed-out')
      throw new Error(`lattice ${args.join(' ')} took four minutes`);
    const { message } = receiveMessageOnPort(port1) as { readonly message: Outcome };
    return message;
  };
}
