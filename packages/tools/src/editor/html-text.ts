import type { LanguageService } from 'vscode-html-languageservice';
import { TextDocument } from 'vscode-languageserver-textdocument';
import type { Catalogue } from '../reading/facts.js';
import { templateIn } from '../reading/template-in.js';

let service: Promise<LanguageService> | undefined;

/** What knows HTML as such; it is read when it is asked for the first time. */
export function htmlService(): Promise<LanguageService> {
  service ??= import('vscode-html-languageservice').then((found) => {
    // Its module of CommonJS has its functions on `default` in Node.
    const { getLanguageService } =
      'getLanguageService' in found ? found : (found as { default: typeof found }).default;
    return getLanguageService();
  });
  return service;
}

/**
 * A document as HTML text alone: of a module, all but the strings that are templates is blank, so that every place in it
 * is where it was.
 *
 * @returns undefined where there is no HTML text in it
 */
export function htmlOf(
  document: TextDocument,
  file: string,
  { components }: Catalogue,
): TextDocument | undefined {
  if (/\.html?$/.test(file) || document.languageId === 'html') return document;
  const text = document.getText();
  const places = components
    .filter((one) => one.file === file && one.text.file === '')
    .flatMap(({ name }) => templateIn(name, text) ?? [])
    .sort((one, other) => one.from - other.from);
  if (places.length === 0) return undefined;
  let html = '';
  for (const { from, to } of places) html += blank(text.slice(html.length, from)) + text.slice(from, to);
  return TextDocument.create(document.uri, 'html', document.version, html + blank(text.slice(html.length)));
}

const blank = (text: string): string => text.replace(/[^\n\r]/g, ' ');
