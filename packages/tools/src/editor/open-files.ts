import { readFileSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { Range, TextDocuments } from 'vscode-languageserver/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import type { TextEdit } from './text-edit.js';

/** Returns the path of a document's file, or the address itself if it names no file (a document that was never saved). */
export function fileOf(uri: string): string {
  if (!uri.startsWith('file:')) return uri;
  try {
    return fileURLToPath(uri);
  } catch {
    // `100%.html` is no valid escape and `a%2Fb.html` no name that a file may have: editors send both.
    return uri;
  }
}

/** The files that an editor has open, and those that it would open. */
export class OpenFiles {
  readonly #open: ReadonlyMap<string, TextDocument>;

  constructor(documents: TextDocuments<TextDocument>) {
    this.#open = new Map(documents.all().map((one) => [fileOf(one.uri), one]));
  }

  /** What a file holds: as it is being written, where it is open. Undefined where it cannot be read. */
  text(file: string): string | undefined {
    const open = this.#open.get(file);
    if (open) return open.getText();
    try {
      return readFileSync(file, 'utf8');
    } catch {
      return undefined;
    }
  }

  /** The address of a file, as the editor writes it. */
  uri(file: string): string {
    return this.#open.get(file)?.uri ?? (file.startsWith('file:') ? file : pathToFileURL(file).href);
  }

  /** A file's text as a document: the one that is open, where it is. */
  document(file: string, text = this.text(file) ?? ''): TextDocument {
    return this.#open.get(file) ?? TextDocument.create(this.uri(file), '', 0, text);
  }

  /** Changes of a file, as the protocol writes them: by its address. */
  changes(
    file: string,
    edits: readonly TextEdit[],
  ): readonly [uri: string, { readonly range: Range; readonly newText: string }[]] {
    const uri = this.uri(file);
    const document = this.document(file);
    return [
      uri,
      edits.map(({ from, text: newText, to }) => ({
        range: { start: document.positionAt(from), end: document.positionAt(to) },
        newText,
      })),
    ];
  }
}
