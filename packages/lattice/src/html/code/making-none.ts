import type { makers as ofNode } from './making.js';

// Stands for '#code' in package.json in pages and edge runtimes, which may make no code: a build writes it ahead.

export const makers: typeof ofNode = undefined;
