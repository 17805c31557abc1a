// Stands in for dev.ts where a bundler builds for production: package.json says so, under "imports".

export const dev = false;

export const terse = true;
