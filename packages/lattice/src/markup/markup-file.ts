import type { TemplateText } from '../component/index.js';
import { failure, finding, nearestOr, nodeModule, reasonOf } from '../problem/index.js';

type Files = typeof import('node:fs');

/**
 * Reads a file that stands beside a module: a template's HTML, or a component's CSS rules. In a page, the Vite plugin
 * puts the file's text in its place.
 *
 * @param module the module's own address: `import.meta.url`
 * @param path the file's path from there
 * @throws LatticeError `file-unread` where there are no files, `file-missing` where its text is read and there is no such file; `component` says which part it is of
 * @example
 * component('notice-box', {
 *   template: markupFile(import.meta.url, './notice-box.html'),
 *   styles: markupFile(import.meta.url, './notice-box.css'),
 * });
 */
export function markupFile(module: string | URL, path: string): TemplateText {
  const files = nodeModule<Files>('node:fs');
  const urls = nodeModule<typeof import('node:url')>('node:url');
  if (!files || !urls) throw failure(finding('file-unread', { path, module: String(module) }));
  const file = urls.fileURLToPath(new URL(path, module));
  try {
    return { text: files.readFileSync(file, 'utf8'), file };
  } catch (thrown) {
    return unread(files, file, path, thrown);
  }
}

/** A text that is not there: whose part it is, is known when a component is made of it. */
function unread(files: Files, file: string, path: string, thrown: unknown): TemplateText {
  const [, folder = '', name = ''] = /^(.*[\\/])?(.*)$/s.exec(file) ?? [];
  let names: string[] = [];
  try {
    names = files.readdirSync(folder);
  } catch {
    // Without its folder there is no file that may be meant.
  }
  const reason = reasonOf(thrown).replace(/^(\w+): ([^,]*),.*$/s, '$2');
  const hint = nearestOr(name, names, 'Write that file, or change the path.', (near) =>
    path.replace(name, near),
  );
  return {
    file,
    unread: { reason, hint },
    get text(): string {
      throw failure(finding('file-missing', { what: 'markupFile', file, reason, hint }));
    },
  };
}
