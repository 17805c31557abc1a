// Stands in for watching.ts where a bundler builds for production.
export const watched: typeof import('./in-place.js').watched | undefined = undefined;
