import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { build } from 'esbuild';

/** The files that a module is made of: those it imports, and the HTML and CSS that stand beside them. */
export async function sourcesOf(path: string): Promise<readonly string[]> {
  const files = new Set([resolve(path)]);
  try {
    const { metafile } = await build({
      entryPoints: [path],
      bundle: true,
      write: false,
      metafile: true,
      packages: 'external',
      platform: 'node',
      format: 'esm',
      logLevel: 'silent',
      loader: { '.css': 'text', '.html': 'text' },
    });
    for (const one of Object.keys(metafile.inputs)) files.add(resolve(one));
  } catch {
    // What cannot be bundled is reported by who loads it.
  }
  for (const folder of new Set([...files].map((file) => dirname(file))))
    for (const name of readdirSync(folder)) if (/\.(?:html|css)$/.test(name)) files.add(join(folder, name));
  return [...files].sort();
}

/** A word for what a module and all it is made of says now. */
export async function codeHash(path: string): Promise<string> {
  const hash = createHash('sha256');
  for (const file of await sourcesOf(path))
    hash.update(file).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('base64url');
}
