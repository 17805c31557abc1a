import { existsSync } from 'node:fs';

/**
 * Debian's Chromium without windows: the same engine and version, in half the processor time. A usual run of the tests has it
 * where it is installed; the long run, benchmarks and pictures have the whole program.
 */
export const shellPath = '/usr/bin/chromium-headless-shell';
const isUsualTest = process.env.VITEST !== undefined && process.env.LATTICE_TESTS !== 'long';

/** How the tests, the benchmarks and the pictures start Debian's Chromium. */
export const browserOptions = {
  executablePath: isUsualTest && existsSync(shellPath) ? shellPath : '/usr/bin/chromium',
  headless: true,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // Pages of a test share a process, as tabs of one site do.
    ...(isUsualTest ? ['--renderer-process-limit=1'] : []),
  ],
};
