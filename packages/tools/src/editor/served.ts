import type { Connection, TextDocuments } from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import type { Projects } from './projects.js';

/** What answers to an editor are made from. */
export interface Served {
  readonly connection: Connection;
  readonly documents: TextDocuments<TextDocument>;
  readonly projects: Projects;
}
