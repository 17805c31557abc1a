import { execFileSync } from 'node:child_process';

/** Kills the processes that read the project for a command, and returns how many there were. */
export function killReaders(pid: number): number {
  const all = execFileSync('ps', ['-eo', 'pid=,ppid=,args='], { encoding: 'utf8' }).split('\n');
  const readers = all
    .map((line) => /^\s*(\d+)\s+(\d+)\s+(.*)$/.exec(line))
    .filter((found) => Number(found?.[2]) === pid && found?.[3]?.includes('project-reader'));
  for (const found of readers) process.kill(Number(found?.[1]), 'SIGKILL');
  return readers.length;
}
