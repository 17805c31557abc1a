import { nodeModule, PackageMissing } from '../../problem/index.js';

interface Modules {
  createRequire(from: string): (name: string) => unknown;
}

/** Packages that only mail needs are asked for when one is written: not every server has them, and no page. */
export function packageOf<Package>(name: string): Package {
  const modules = nodeModule<Modules>('node:module');
  if (!modules) throw new Error('Mail is written in Node alone.');
  try {
    return modules.createRequire(import.meta.url)(name) as Package;
  } catch {
    throw new PackageMissing(
      'Mail needs the packages css-select and html-to-text: npm install css-select html-to-text.',
    );
  }
}
