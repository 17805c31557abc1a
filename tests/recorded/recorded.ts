import { readFileSync, writeFileSync } from 'node:fs';
import { afterAll, expect } from 'vitest';
import { LatticeError, type Problem } from 'zesty-lattice';

/**
 * Holds results against a file of recorded ones. To change them on purpose, run the test with `LATTICE_RECORD=1` and read
 * the difference.
 *
 * @param file the recorded results, beside the test
 */
export function recordedIn<Result>(file: URL): (name: string, now: Result) => void {
  const isRecording = process.env.LATTICE_RECORD === '1';
  const recorded = JSON.parse(readFileSync(file, 'utf8')) as Record<string, Result>;
  const written: Record<string, Result> = {};
  afterAll(() => {
    const sorted = Object.fromEntries(Object.entries(written).sort(([a], [b]) => (a < b ? -1 : 1)));
    if (isRecording) writeFileSync(file, `${JSON.stringify(sorted, undefined, 1)}\n`);
  });
  return (name, now) => {
    written[name] = JSON.parse(JSON.stringify(now)) as Result;
    if (!isRecording) expect(written[name]).toEqual(recorded[name]);
  };
}

/** All that a problem says; the place only where it is one of the text in question. */
export function wordsOf({ code, hint, message, severity, source, where }: Problem): string {
  const place = source && !/\.test\.ts/.test(source.file) ? `${source.line}:${source.column} ` : '';
  return `${place}${severity} ${code}${where && ` in ${where}`}: ${message} | ${hint}`;
}

/** What a function gives, or what is said of what it throws. */
export function outcomeOf(make: () => readonly string[]): readonly string[] {
  try {
    return make();
  } catch (thrown) {
    if (thrown instanceof LatticeError) return thrown.problems.map(wordsOf);
    return [String(thrown).replaceAll(import.meta.dirname, '')];
  }
}

/** A use of a component without what is in it, and without the places of a test. */
export const useWithoutPlaces = (one: object): string =>
  JSON.stringify(one, (key, value) => (key === 'source' || key === 'uses' ? undefined : value));
