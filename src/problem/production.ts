// Stands in for dev.ts where a bundler builds for production: package.json says so, under "imports". Problems then come
// as their code and facts: the words would weigh more than a small page's own code.
import type { Wording } from './dev.js';
import type { SourcePlace } from './problem.js';

export const dev = false;

export function wording(code: string, facts: unknown): Wording {
  return ['error', `${code} ${JSON.stringify(facts)}`, ''];
}

export function writtenPlace(_url: string, place: SourcePlace): SourcePlace {
  return place;
}
