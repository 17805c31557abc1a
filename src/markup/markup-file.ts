import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { TemplateText } from '../component/index.js';

/**
 * Reads a file that stands beside a module: a template's HTML, or a component's CSS rules. In a page, the Vite plugin
 * puts the file's text in its place.
 *
 * @param module the module's own address: `import.meta.url`
 * @param path the file's path from there
 * @throws Error when the file cannot be read, with its path
 * @example
 * component('notice-box', {
 *   template: markupFile(import.meta.url, './notice-box.html'),
 *   styles: markupFile(import.meta.url, './notice-box.css'),
 * });
 */
export function markupFile(module: string | URL, path: string): TemplateText {
  const file = fileURLToPath(new URL(path, module));
  return { text: readFileSync(file, 'utf8'), file };
}
