import { aboutOf, isOwn, writtenPlace } from '#dev';
import { framePattern } from './frame.js';
import type { Finding, Problem, SourcePlace } from './problem.js';

type Capture = (target: object, above: unknown) => void;

const capture = (Error as { captureStackTrace?: Capture }).captureStackTrace;

/**
 * Remembers where the function `above` was called from. Only the raw stack is kept; it is read by
 * `placeOf` when a problem is to be shown. Without V8's `captureStackTrace` nothing is remembered.
 */
export function callPlace(above: unknown): object | undefined {
  if (!capture) return undefined;
  const holder = {};
  const limit = Error.stackTraceLimit;
  // More than one, since built-in functions such as JSON.stringify have no file.
  Error.stackTraceLimit = 4;
  capture(holder, above);
  Error.stackTraceLimit = limit;
  return holder;
}

/** A place in HTML text: that of a tag, and those of its attributes. */
export interface TextPlace {
  readonly textPlace: SourcePlace | undefined;
  /** Where the attribute of a name, or of a prop's name, stands; undefined where there is none. */
  attribute(name: string): SourcePlace | undefined;
}

/** Recognised by what it has, since a module may have brought its own copy of the library. */
export function isTextPlace(holder: object | undefined): holder is TextPlace {
  return holder !== undefined && 'textPlace' in holder;
}

/** Where the attribute stands that a finding is about. */
export function atAttribute(found: Finding, holder: TextPlace): SourcePlace | undefined {
  const about = aboutOf(found);
  return about === undefined ? undefined : holder.attribute(about.replace(/-/g, '').toLowerCase());
}

/** Problems of an error, each with a place: where a function of the author's threw something, the line that did. */
export function problemsPlaced({
  cause,
  problems,
}: {
  readonly cause?: unknown;
  readonly problems: readonly Problem[];
}): readonly Problem[] {
  const source = cause instanceof Error ? placeOf(cause) : undefined;
  if (!source) return problems;
  return problems.map((one) => (one.code === 'value-failed' && !one.source ? { ...one, source } : one));
}

/** A call in between: of a preset of a builder, or of a component, by whose name it goes, which no function of an author has. */
const presetFrame = /^ *at (?:\S+\.)?(?:latticePreset|[a-z]\w*-[\w-]+) \(/;

/**
 * Reads a remembered stack: the file, line and column of its first frame that has a file. What is a place already,
 * as a template text's parts have it, is that place.
 */
export function placeOf(holder: object | undefined): SourcePlace | undefined {
  if (isTextPlace(holder)) return holder.textPlace;
  if (holder && 'file' in holder) return holder as SourcePlace;
  const { stack } = (holder ?? {}) as { stack?: string };
  for (const line of (stack ?? '').split('\n')) {
    if (presetFrame.test(line) || /\bnode:/.test(line)) continue;
    const found = framePattern.exec(line.trim());
    if (!found) continue;
    const url = found[1] ?? '';
    if (isOwn(url)) continue;
    const file = url.replace(/^file:\/\//, '').replace(/\?[^?]*$/, '');
    return writtenPlace(url, { file: decodeURI(file), line: Number(found[2]), column: Number(found[3]) });
  }
  return undefined;
}
