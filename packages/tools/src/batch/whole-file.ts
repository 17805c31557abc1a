import {
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { hostname } from 'node:os';
import { dirname, join } from 'node:path';
import { contentHash } from './journal.js';

/** Where files wait until they are whole: below the folder that they go to, so that a move is all that is left. */
const waitingRoom = '.lattice-batch-parts';

/** A word for this machine: whether a process still runs is known of its own alone. */
const machine = contentHash(hostname()).slice(0, 6);

let number = 0;

/**
 * Writes a file that is there as a whole or not at all.
 *
 * @param folder the folder of all pages
 * @param path where the file goes, somewhere below it
 */
export function writeWhole(folder: string, path: string, bytes: Uint8Array): void {
  const waiting = join(folder, waitingRoom, `${machine}.${process.pid}.${number++}-${randomWord()}`);
  try {
    withFolder(waiting, () => writeFileSync(waiting, bytes));
    withFolder(path, () => move(waiting, path, bytes));
  } catch (thrown) {
    rmSync(waiting, { force: true });
    throw thrown;
  }
}

/** Threads of one process count for themselves. */
const randomWord = (): string => Math.random().toString(36).slice(2, 8);

function withFolder(path: string, work: () => void): void {
  try {
    work();
  } catch (thrown) {
    if ((thrown as { code?: string }).code !== 'ENOENT') throw thrown;
    mkdirSync(dirname(path), { recursive: true });
    work();
  }
}

function move(from: string, to: string, bytes: Uint8Array): void {
  try {
    renameSync(from, to);
  } catch (thrown) {
    // Part of the folder is another disk: there the file waits beside its place.
    if ((thrown as { code?: string }).code !== 'EXDEV') throw thrown;
    const beside = join(dirname(to), `.${machine}.${process.pid}.${number++}-${randomWord()}.part`);
    try {
      writeFileSync(beside, bytes);
      renameSync(beside, to);
    } finally {
      rmSync(beside, { force: true });
      rmSync(from, { force: true });
    }
  }
}

/** Marks a folder as the one of this process, until its parts are cleared; gives the name of the mark. */
export function markFolder(folder: string): string {
  const name = `${machine}.${process.pid}.run-${randomWord()}`;
  const path = join(folder, waitingRoom, name);
  withFolder(path, () => writeFileSync(path, ''));
  return name;
}

export const hasMark = (folder: string, name: string): boolean => existsSync(join(folder, waitingRoom, name));

/** A week, in milliseconds: what another machine has left for so long belongs to nobody. */
const longAgo = 7 * 24 * 60 * 60 * 1_000;

/** Removes what runs that were killed have left; what one that still writes is about to move stays. */
export function clearParts(folder: string): void {
  const room = join(folder, waitingRoom);
  let names: readonly string[];
  try {
    names = readdirSync(room);
  } catch {
    return;
  }
  for (const name of names) {
    const path = join(room, name);
    const [where, pid] = name.split('.');
    const isLeft = where === machine ? !isRunning(Number(pid)) : isOld(path);
    if (isLeft) rmSync(path, { force: true });
  }
  try {
    rmdirSync(room);
  } catch {
    // Another run writes just now.
  }
}

function isOld(path: string): boolean {
  const found = statSync(path, { throwIfNoEntry: false });
  return found !== undefined && Date.now() - found.mtimeMs > longAgo;
}

function isRunning(pid: number): boolean {
  if (pid === process.pid) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (thrown) {
    return (thrown as { code?: string }).code === 'EPERM';
  }
}
