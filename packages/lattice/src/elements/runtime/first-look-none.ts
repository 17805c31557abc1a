// Stands in for first-look.ts where a bundler builds for production.
import type { FixedLook } from './fixed.js';

export const firstLook: FixedLook | undefined = undefined;

export const watched: typeof import('./in-place.js').watched | undefined = undefined;
