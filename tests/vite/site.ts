import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** The plugin as it is built, which its users have. */
export async function builtPlugin() {
  const { default: lattice } = (await import(
    join(root, 'packages/tools/dist/node/vite.js')
  )) as typeof import('../../packages/tools/src/vite/index.js');
  return lattice;
}

/** A site in a folder of its own, in this repository so that it finds the packages. */
export class Site {
  readonly folder: string;

  constructor(name: string, files: Readonly<Record<string, string>>) {
    this.folder = mkdtempSync(join(root, `out-${name}-`));
    for (const [path, text] of Object.entries(files)) this.write(path, text);
  }

  write(path: string, text: string): void {
    mkdirSync(dirname(join(this.folder, path)), { recursive: true });
    writeFileSync(join(this.folder, path), text);
  }

  read(path: string): string {
    return readFileSync(join(this.folder, path), 'utf8');
  }

  /** Saves a file with other words in it. */
  edit(path: string, from: string, to: string): void {
    const text = this.read(path);
    expect(text).toContain(from);
    this.write(path, text.replace(from, to));
  }

  remove(): void {
    rmSync(this.folder, { recursive: true, force: true });
  }
}
