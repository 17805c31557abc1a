import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

interface Manifest {
  readonly name: string;
  readonly version: string;
  readonly devDependencies?: Readonly<Record<string, string>>;
}

/** Returns what the tools' own `package.json` says. */
export function packageInfo(): Manifest {
  return JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8'));
}

/** Returns why the installed library cannot be used with these tools: they are made for one of the same minor version. */
export function wrongPair(): string | undefined {
  const own = packageInfo();
  const minor = (version: string): string => version.split('.').slice(0, 2).join('.');
  let found: string;
  try {
    const path = createRequire(import.meta.url).resolve('zesty-lattice/package.json');
    found = (JSON.parse(readFileSync(path, 'utf8')) as Manifest).version;
  } catch {
    found = 'none';
  }
  if (minor(found) === minor(own.version)) return undefined;
  return `${own.name} ${own.version} needs zesty-lattice ${minor(own.version)}, and found ${found}. Install both in one version.`;
}
