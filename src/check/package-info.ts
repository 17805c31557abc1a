import { readFileSync } from 'node:fs';

/** The package's own name and version, as its `package.json` says them. For tools; pages never ask. */
export function packageInfo(): {
  readonly name: string;
  readonly version: string;
  readonly devDependencies?: Readonly<Record<string, string>>;
} {
  return JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8'));
}
