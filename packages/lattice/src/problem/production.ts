// Stands in for dev.ts where a bundler builds for production: package.json says so, under "imports". Problems then come
// as their code and facts: the words would weigh more than a small page's own code.
import type { Finding, Problem, ProblemCode, SourcePlace } from './problem.js';

export const tells = false;
export const dev = false;

export function finding(code: ProblemCode, facts: unknown): Finding {
  return { code, severity: 'error', message: `${code} ${JSON.stringify(facts)}`, hint: '' };
}

export function saidInText(found: Finding): Finding {
  return found;
}

export function aboutOf(): undefined {
  return undefined;
}

export function problemText({ message, where }: Problem): string {
  return `${message}${where && ` in ${where}`}`;
}

export function writtenPlace(_url: string, place: SourcePlace): SourcePlace {
  return place;
}

export function isOwn(): boolean {
  return false;
}

export function hideFramesOf(_folder: string): void {}

export function forReaders(_error: Error): void {}
