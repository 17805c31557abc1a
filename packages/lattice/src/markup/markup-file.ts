import { readdirSync, readFileSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { TemplateText } from '../component/index.js';
import { failure, finding, nearestOr, reasonOf } from '../problem/index.js';

/**
 * Reads a file that stands beside a module: a template's HTML, or a component's CSS rules. In a page, the Vite plugin
 * puts the file's text in its place.
 *
 * @param module the module's own address: `import.meta.url`
 * @param path the file's path from there
 * @throws LatticeError `file-missing` where its text is read and there is no such file; `component` says which part it is of
 * @example
 * component('notice-box', {
 *   template: markupFile(import.meta.url, './notice-box.html'),
 *   styles: markupFile(import.meta.url, './notice-box.css'),
 * });
 */
export function markupFile(module: string | URL, path: string): TemplateText {
  const file = fileURLToPath(new URL(path, module));
  try {
    return { text: readFileSync(file, 'utf8'), file };
  } catch (thrown) {
    return unread(file, path, thrown);
  }
}

/** A text that is not there: whose part it is, is known when a component is made of it. */
function unread(file: string, path: string, thrown: unknown): TemplateText {
  let names: string[] = [];
  try {
    names = readdirSync(dirname(file));
  } catch {
    // Without its folder there is no file that may be meant.
  }
  const reason = reasonOf(thrown).replace(/^(\w+): ([^,]*),.*$/s, '$2');
  const hint = nearestOr(basename(file), names, 'Write that file, or change the path.', (near) =>
    path.replace(basename(file), near),
  );
  return {
    file,
    unread: { reason, hint },
    get text(): string {
      throw failure(finding('file-missing', { what: 'markupFile', file, reason, hint }));
    },
  };
}
