import { isDev } from './is-dev.js';
import { withoutOwnFrames } from './own-frames.js';
import { type Finding, factsOf, type Problem, type Severity, type SourcePlace } from './problem.js';
import { visible } from './visible.js';
import { type ProblemCode, type Words, words } from './words.js';

export { hideFramesOf, isOwn } from './own-frames.js';
export { writtenPlace } from './source-maps.js';

/** Whether problems are reported in words; not in a page that was built for production. */
export const tells = true;

/** Whether help that costs time is given: lines of reads and uses are remembered. Off in production. */
export const dev: boolean = isDev;

/** Words a finding of the given code from its facts. */
export function finding<C extends ProblemCode>(
  code: C,
  facts: Parameters<Words[C]['say']>[0],
  source?: SourcePlace,
): Finding {
  const { severity, say } = entryOf(code);
  const [message, hint] = say(facts, false);
  return { [factsOf]: facts, code, severity, message, hint, ...(source && { source }) };
}

interface Entry {
  readonly severity: Severity;
  say(facts: unknown, inText: boolean): readonly [message: string, hint: string];
}

const entryOf = (code: ProblemCode): Entry => words[code] as Entry;

/** A finding in the words of HTML text, where what it is about is written so. */
export function saidInText(found: Finding): Finding {
  if (found[factsOf] === undefined) return found;
  const [message, hint] = entryOf(found.code).say(found[factsOf], true);
  return { ...found, message, hint };
}

/** The attribute or prop that a finding is about. */
export function aboutOf({ code, [factsOf]: facts }: Finding): string | undefined {
  if (code === 'id-doubled') return 'id';
  const { attribute, prop } = (facts ?? {}) as { readonly attribute?: string; readonly prop?: string };
  return attribute ?? prop;
}

/** Makes an error one to read: its message has the problems in words, and frames of this library tell nobody anything. */
export function forReaders(error: Error): void {
  if (!dev) return;
  Object.defineProperty(error, 'problems', { enumerable: false });
  if (error.stack !== undefined) error.stack = withoutOwnFrames(error.stack);
}

/** One problem as lines of text: what, where, what to do. */
export function problemText(problem: Problem): string {
  const { source } = problem;
  const lines = [`${problem.severity} ${problem.code}: ${visible(problem.message)}`];
  if (problem.where !== '') lines.push(`  in ${visible(problem.where)}`);
  if (source) lines.push(`  at ${visible(source.file)}:${source.line}:${source.column}`);
  if (source?.frame)
    lines.push(
      ...visible(source.frame)
        .split('\n')
        .map((line) => `    ${line}`),
    );
  lines.push(`  ${visible(problem.hint)}`);
  return lines.join('\n');
}
