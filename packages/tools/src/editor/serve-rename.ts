import {
  LSPErrorCodes,
  type Range,
  ResponseError,
  type TextDocumentPositionParams,
  type WorkspaceEdit,
} from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import { filesIn } from '../check/files.js';
import { readSettings } from '../check/settings.js';
import type { Catalogue } from '../reading/facts.js';
import { fileOf, OpenFiles } from './open-files.js';
import type { Project } from './projects.js';
import { CannotRename, renamed } from './rename.js';
import { declaredIn } from './rename-code.js';
import type { Renaming } from './rename-text.js';
import type { Served } from './served.js';

/** A prop, and where the word for it stands that was asked for. */
export interface PropAt extends Omit<Renaming, 'to'> {
  readonly from: number;
  readonly to: number;
  /** As it is written there: an attribute has hyphens. */
  readonly word: string;
}

/** What renaming needs of the server. */
interface ServedRename extends Served {
  /** The prop that a place in HTML text is about. */
  readonly propAt: (params: TextDocumentPositionParams) => PropAt | undefined;
}

/** Answers when an editor asks for another name of a prop, in HTML text or where it is declared. */
export function serveRename({ connection, documents, projects, propAt }: ServedRename): void {
  const found = (params: TextDocumentPositionParams): PropAt | undefined => {
    const { uri } = params.textDocument;
    const document = documents.get(uri);
    const catalogue = projects.of(fileOf(uri))?.catalogue;
    return (
      propAt(params) ??
      (document && catalogue && declaredAt(document, document.offsetAt(params.position), catalogue))
    );
  };

  connection.onPrepareRename((params): { range: Range; placeholder: string } | null => {
    const document = documents.get(params.textDocument.uri);
    const prop = found(params);
    if (!document || !prop) return null;
    return {
      range: { start: document.positionAt(prop.from), end: document.positionAt(prop.to) },
      placeholder: prop.word,
    };
  });

  connection.onRenameRequest(async (params): Promise<WorkspaceEdit | ResponseError<void> | null> => {
    const prop = found(params);
    const project = projects.of(fileOf(params.textDocument.uri));
    if (!prop || !project) return null;
    const open = new OpenFiles(documents);
    const texts = await projectTexts(project, open);
    // At an attribute one writes an attribute: a prop's name in kebab case.
    const to = prop.word === prop.prop ? params.newName : camel(params.newName);
    try {
      const edits = renamed({ component: prop.component, prop: prop.prop, to }, project.catalogue, texts);
      return { changes: Object.fromEntries([...edits].map((one) => open.changes(...one))) };
    } catch (thrown) {
      if (thrown instanceof CannotRename)
        return new ResponseError(LSPErrorCodes.RequestFailed, thrown.message);
      throw thrown;
    }
  });
}

/** All files of a project, tests as well, and what stands in them now. */
export async function projectTexts(
  { paths }: Project,
  open: OpenFiles,
): Promise<ReadonlyMap<string, string>> {
  const files = await filesIn(paths, readSettings(paths[0] ?? '.').ignore, { tests: true });
  const texts = files.flatMap(({ path }) => {
    const text = open.text(path);
    return text === undefined ? [] : [[path, text] as const];
  });
  return new Map(texts);
}

/** The prop whose declaration in a module a place is in. */
function declaredAt(document: TextDocument, offset: number, { components }: Catalogue): PropAt | undefined {
  const file = fileOf(document.uri);
  for (const owner of components) {
    if (owner.file !== file) continue;
    for (const { name } of owner.props) {
      const place = declaredIn(document.getText(), owner, name);
      if (place && offset >= place.from && offset <= place.to)
        return { component: owner.name, prop: name, word: name, from: place.from, to: place.to };
    }
  }
  return undefined;
}

const camel = (attribute: string): string =>
  attribute.replace(/-(\w)/g, (_whole, letter: string) => letter.toUpperCase());
