import { existsSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { PackageMissing } from 'zesty-lattice/internal/problem';

/** Where Chromium is where it is installed by a system's own packages. */
const usual = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
  'C:\\Program Files\\Google\\Chrome\\Application\\chrome.exe',
];

/**
 * Starts the Chromium that is installed.
 *
 * @param path where it is; else `LATTICE_CHROMIUM` says so, or it is looked for
 */
export async function chromium(path: string | undefined): Promise<Browser> {
  const executablePath = path ?? process.env.LATTICE_CHROMIUM ?? usual.find((one) => existsSync(one));
  if (executablePath === undefined || !existsSync(executablePath))
    throw new PackageMissing(
      `There is no Chromium at ${executablePath ?? 'the usual places'}. Install it, or say where it is with --browser <path>.`,
    );
  let driver: typeof import('playwright-core');
  try {
    driver = await import('playwright-core');
  } catch {
    throw new PackageMissing(
      'Pictures need the package playwright-core: npm install --save-dev playwright-core',
    );
  }
  return driver.chromium.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu', '--hide-scrollbars'],
  });
}
