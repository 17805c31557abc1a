import { existsSync } from 'node:fs';
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { UsageError } from './usage-error.js';

/** Writes new files into a folder; when one of them is there already, none is written. */
export async function writeNewFiles(folder: string, files: Readonly<Record<string, string>>): Promise<void> {
  const taken = Object.keys(files).filter((name) => existsSync(join(folder, name)));
  if (taken.length > 0) {
    const list = taken.map((name) => join(folder, name)).join(', ');
    throw new UsageError(`${list} ${taken.length === 1 ? 'is' : 'are'} there already. Nothing was written.`);
  }
  for (const [name, text] of Object.entries(files)) {
    const path = join(folder, name);
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, text, { flag: 'wx' });
  }
}
