import { existsSync } from 'node:fs';
import {
  type CodeAction,
  CodeActionKind,
  type CompletionItem,
  CompletionItemKind,
  type Connection,
  createConnection,
  type Diagnostic,
  DiagnosticSeverity,
  type Hover,
  type Location,
  MarkupKind,
  MessageType,
  ProposedFeatures,
  ShowMessageNotification,
  type TextDocumentPositionParams,
  TextDocumentSyncKind,
  TextDocuments,
} from 'vscode-languageserver/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import type { Problem } from 'zesty-lattice/internal/problem';
import { packageInfo } from '../check/package-info.js';
import type { Catalogue, ComponentFacts } from '../reading/facts.js';
import { Reading } from '../reading/reading.js';
import { type Known, knownAt } from './known.js';
import { listed } from './listing.js';
import { mendings } from './mending.js';
import { fileOf, OpenFiles } from './open-files.js';
import { regionAt } from './region.js';
import { serveRename } from './serve-rename.js';
import { spotAt, wordEnd } from './spot.js';
import type { TextEdit } from './text-edit.js';

/** How long after a key the text is looked at, in milliseconds. */
const pause = 30;

const emptyCatalogue: Catalogue = { components: [], unread: [] };

/**
 * Serves an editor by the Language Server Protocol (https://microsoft.github.io/language-server-protocol/), version 3.17: the
 * problems of templates, documents and samples as they are written, with ways to fix them, what may stand at a place,
 * what is known of a word, and where it is written.
 *
 * @param paths what belongs to the project; the editor's folders unless given
 */
export function serveEditor(
  paths: readonly string[],
  input: NodeJS.ReadableStream = process.stdin,
  output: NodeJS.WritableStream = process.stdout,
): Connection {
  const connection = createConnection(ProposedFeatures.all, input, output);
  const documents = new TextDocuments(TextDocument);
  const problems = new Map<string, readonly Problem[]>();
  const waiting = new Map<string, NodeJS.Timeout>();
  let reading: Reading | undefined;
  let own: readonly string[] = [];
  let catalogue = emptyCatalogue;
  let reported = '';

  const readAll = async (): Promise<void> => {
    try {
      catalogue = (await reading?.catalogue()) ?? emptyCatalogue;
      reported = '';
    } catch (thrown) {
      reportUnread(thrown);
    }
    for (const document of documents.all()) lookSoon(document);
  };

  /** Reports why the problems of a document are not known, once for each reason. */
  const reportUnread = (thrown: unknown): void => {
    const reason = thrown instanceof Error ? thrown.message : String(thrown);
    if (reason === reported) return;
    reported = reason;
    const message = `The project could not be read. ${reason}`;
    void connection.sendNotification(ShowMessageNotification.type, { type: MessageType.Warning, message });
  };

  const lookSoon = (document: TextDocument): void => {
    clearTimeout(waiting.get(document.uri));
    waiting.set(
      document.uri,
      setTimeout(() => void look(document), pause),
    );
  };

  const look = async (document: TextDocument): Promise<void> => {
    const { uri, version } = document;
    const found = await reading?.problemsIn(fileOf(uri), document.getText()).catch((thrown: unknown) => {
      if (documents.get(uri)?.version === version) reportUnread(thrown);
      return undefined;
    });
    // What was typed meanwhile is looked at in its turn.
    if (!found || documents.get(uri)?.version !== version) return;
    problems.set(uri, found);
    await connection.sendDiagnostics({
      uri,
      version,
      diagnostics: found.map((one) => diagnostic(one, document)),
    });
  };

  const ask = ({ position, textDocument }: TextDocumentPositionParams): Asked | undefined => {
    const document = documents.get(textDocument.uri);
    if (!document) return undefined;
    const file = fileOf(textDocument.uri);
    const region = regionAt(document.getText(), document.offsetAt(position), file, catalogue);
    return region && { ...region, document, base: document.offsetAt(position) - region.offset };
  };

  connection.onInitialize(({ rootUri, workspaceFolders }) => {
    const folders = workspaceFolders?.map(({ uri }) => fileOf(uri)) ?? (rootUri ? [fileOf(rootUri)] : []);
    const all = paths.length > 0 ? paths : folders.length > 0 ? folders : ['.'];
    own = all.filter((path) => existsSync(path));
    reading = new Reading(own);
    return {
      serverInfo: { name: 'lattice', version: packageInfo().version },
      capabilities: {
        textDocumentSync: TextDocumentSyncKind.Incremental,
        completionProvider: { triggerCharacters: ['<', ' ', '"', "'", '.', '{', ':', '/'] },
        hoverProvider: true,
        definitionProvider: true,
        renameProvider: { prepareProvider: true },
        codeActionProvider: { codeActionKinds: [CodeActionKind.QuickFix] },
      },
    };
  });
  connection.onInitialized(() => void readAll());

  documents.onDidChangeContent(({ document }) => lookSoon(document));
  documents.onDidSave(() => {
    void reading?.renew().then(readAll, readAll);
  });
  documents.onDidClose(({ document: { uri } }) => {
    clearTimeout(waiting.get(uri));
    problems.delete(uri);
    void connection.sendDiagnostics({ uri, diagnostics: [] });
  });
  connection.onDidChangeWatchedFiles(() => {
    void reading?.renew().then(readAll, readAll);
  });

  connection.onCompletion((params): CompletionItem[] => {
    const asked = ask(params);
    if (!asked) return [];
    const spotted = spotAt(asked.text, asked.offset);
    return knownAt(spotted, catalogue, asked.owner).map((one) => item(one));
  });

  connection.onHover((params): Hover | undefined => {
    const one = wordAt(ask(params), catalogue);
    if (!one) return undefined;
    const head =
      one.detail === '' || one.what === 'component' ? `**${one.word}**` : `**${one.word}**: ${one.detail}`;
    return { contents: { kind: MarkupKind.Markdown, value: [head, one.about].filter(Boolean).join('\n\n') } };
  });

  connection.onDefinition((params): Location | undefined => {
    const written = wordAt(ask(params), catalogue)?.written;
    return written && locationOf(written, new OpenFiles(documents));
  });

  serveRename({
    connection,
    documents,
    paths: () => own,
    catalogue: () => catalogue,
    propAt(params) {
      const asked = ask(params);
      const found = wordAt(asked, catalogue);
      if (!asked || !found?.prop) return undefined;
      const end = asked.base + wordEnd(asked.text, asked.offset);
      return { ...found.prop, word: found.word, from: end - found.word.length, to: end };
    },
  });

  connection.onCodeAction(({ range, textDocument: { uri } }): CodeAction[] => {
    const document = documents.get(uri);
    if (!document) return [];
    return (problems.get(uri) ?? []).flatMap((problem) => {
      const shown = diagnostic(problem, document);
      if (shown.range.end.line < range.start.line || shown.range.start.line > range.end.line) return [];
      const at = document.offsetAt(shown.range.start);
      const open = new OpenFiles(documents);
      const action = (title: string, file: string, edits: readonly TextEdit[]): CodeAction => ({
        title,
        kind: CodeActionKind.QuickFix,
        diagnostics: [shown],
        edit: { changes: Object.fromEntries([open.changes(file, edits)]) },
      });
      const inText = mendings(problem, document.getText(), at).map((one) =>
        action(one.title, fileOf(uri), [one]),
      );
      const used = problem.code === 'component-unknown' ? listing(document, at) : undefined;
      return used ? [...inText, action(used.title, used.file, used.edits)] : inText;
    });
  });

  /** How to list the component whose tag stands at a place in the `uses` of the one whose template that is. */
  const listing = (document: TextDocument, at: number): Listing | undefined => {
    const region = regionAt(document.getText(), at, fileOf(document.uri), catalogue);
    const tag = /^<([\w.-]+)/.exec(document.getText().slice(at))?.[1];
    const used = catalogue.components.find(({ name }) => name === tag);
    if (!region?.owner || !used || region.owner.text.uses.includes(used.name)) return undefined;
    const { file, name } = region.owner;
    const text = new OpenFiles(documents).text(file);
    const edits = text === undefined ? [] : listed(text, region.owner, used);
    return edits.length === 0
      ? undefined
      : { title: `List ${used.exportName} in uses of ${name}`, file, edits };
  };

  connection.onShutdown(() => reading?.end());
  // The process ends by itself then: with 0 after a shutdown, with 1 without one.
  connection.onExit(() => reading?.end());
  documents.listen(connection);
  connection.listen();
  return connection;
}

interface Listing {
  readonly title: string;
  readonly file: string;
  readonly edits: readonly TextEdit[];
}

interface Asked {
  readonly document: TextDocument;
  /** The HTML text around the place, and where in it that is. */
  readonly text: string;
  readonly offset: number;
  /** Where in the document it begins. */
  readonly base: number;
  readonly owner: ComponentFacts | undefined;
}

/** What is known of the word that a place is in. */
function wordAt(asked: Asked | undefined, catalogue: Catalogue): Known | undefined {
  if (!asked) return undefined;
  const end = wordEnd(asked.text, asked.offset);
  const spotted = spotAt(asked.text, end);
  const { spot } = spotted;
  if (spot.kind === 'text') return undefined;
  const word =
    spot.kind === 'value'
      ? (/[\w$-]*$/.exec(spot.word)?.[0] ?? '')
      : // The names of tags and attributes are the same in capitals (https://html.spec.whatwg.org/#attributes-2).
        spot.kind === 'expression'
        ? spot.word
        : spot.word.toLowerCase();
  // An end tag is of the component whose tag it is; what is written once is looked up all the same.
  const place = spot.kind === 'tag' ? { ...spotted, spot: { ...spot, isEnd: false } } : spotted;
  const open = spot.kind === 'attribute' ? { ...place, spot: { ...spot, others: [] } } : place;
  return knownAt(open, catalogue, asked.owner).find((one) => one.word === word);
}

function locationOf(
  { file, line, word }: NonNullable<Known['written']>,
  files: OpenFiles,
): Location | undefined {
  const text = files.text(file);
  if (text === undefined) return undefined;
  const lines = text.split('\n');
  const pattern = new RegExp(`(?<![\\w$-])${word.replace(/[$]/g, '\\$&')}(?![\\w$-])`);
  const found = lines.findIndex((one, index) => index >= line - 1 && pattern.test(one));
  const at = found < 0 ? line - 1 : found;
  const column = Math.max(0, lines[at]?.search(pattern) ?? 0);
  const start = { line: at, character: column };
  return {
    uri: files.uri(file),
    range: { start, end: { line: at, character: column + word.length } },
  };
}

function diagnostic({ code, hint, message, severity, source }: Problem, document: TextDocument): Diagnostic {
  const line = Math.max(0, (source?.line ?? 1) - 1);
  const start = { line, character: Math.max(0, (source?.column ?? 1) - 1) };
  const text = document.getText();
  const from = document.offsetAt(start);
  const length = /^<?\/?[\w$-]+/.exec(text.slice(from))?.[0].length ?? 1;
  return {
    range: { start, end: document.positionAt(from + length) },
    severity: severity === 'error' ? DiagnosticSeverity.Error : DiagnosticSeverity.Warning,
    code,
    source: 'lattice',
    message: hint === '' ? message : `${message}\n${hint}`,
  };
}

const itemKinds: Readonly<Record<Known['what'], CompletionItemKind>> = {
  component: CompletionItemKind.Class,
  prop: CompletionItemKind.Property,
  slot: CompletionItemKind.Interface,
  choice: CompletionItemKind.EnumMember,
  handler: CompletionItemKind.Function,
  name: CompletionItemKind.Variable,
  directive: CompletionItemKind.Keyword,
};

function item({ about, detail, what, word }: Known): CompletionItem {
  return {
    label: word,
    kind: itemKinds[what],
    ...(detail !== '' && { detail }),
    ...(about !== '' && { documentation: { kind: MarkupKind.Markdown, value: about } }),
  };
}
