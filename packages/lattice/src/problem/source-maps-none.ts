// Stands for source-maps.ts in Node's bundle, where stacks point into what was written already.
import type { SourcePlace } from './problem.js';

export function writtenPlace(_url: string, place: SourcePlace): SourcePlace {
  return place;
}
