import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';
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
  ProposedFeatures,
  type TextDocumentPositionParams,
  TextDocumentSyncKind,
  TextDocuments,
} from 'vscode-languageserver/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { packageInfo } from '../check/package-info.js';
import type { Problem } from '../problem/index.js';
import type { Catalogue, ComponentFacts } from '../reading/facts.js';
import { Reading } from '../reading/reading.js';
import { type Known, knownAt } from './known.js';
import { mendings } from './mending.js';
import { regionAt } from './region.js';
import { spotAt, wordEnd } from './spot.js';

/** How long after a key the text is looked at, in milliseconds. */
const pause = 30;

const none: Catalogue = { components: [], unread: [] };

/**
 * Serves an editor by the Language Server Protocol (https://microsoft.github.io/language-server-protocol/), version 3.17: the
 * problems of templates, documents and samples as they are written, with ways to mend them, what may stand at a place,
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
  let catalogue = none;

  const read = async (): Promise<void> => {
    try {
      catalogue = (await reading?.catalogue()) ?? none;
    } catch (thrown) {
      connection.console.error(
        `The project could not be read: ${thrown instanceof Error ? thrown.message : thrown}`,
      );
    }
    for (const document of documents.all()) lookSoon(document);
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
    const found = await reading?.problemsIn(fileOf(uri), document.getText()).catch(() => undefined);
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
    return region && { ...region, document };
  };

  connection.onInitialize(({ rootUri, workspaceFolders }) => {
    const folders = workspaceFolders?.map(({ uri }) => fileOf(uri)) ?? (rootUri ? [fileOf(rootUri)] : []);
    const all = paths.length > 0 ? paths : folders.length > 0 ? folders : ['.'];
    reading = new Reading(all.filter((path) => existsSync(path)));
    return {
      serverInfo: { name: 'lattice', version: packageInfo().version },
      capabilities: {
        textDocumentSync: TextDocumentSyncKind.Incremental,
        completionProvider: { triggerCharacters: ['<', ' ', '"', "'", '.', '{', ':', '/'] },
        hoverProvider: true,
        definitionProvider: true,
        codeActionProvider: { codeActionKinds: [CodeActionKind.QuickFix] },
      },
    };
  });
  connection.onInitialized(() => void read());

  documents.onDidChangeContent(({ document }) => lookSoon(document));
  documents.onDidSave(() => {
    void reading?.renew().then(read, read);
  });
  documents.onDidClose(({ document: { uri } }) => {
    clearTimeout(waiting.get(uri));
    problems.delete(uri);
    void connection.sendDiagnostics({ uri, diagnostics: [] });
  });
  connection.onDidChangeWatchedFiles(() => {
    void reading?.renew().then(read, read);
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
    return written && locationOf(written);
  });

  connection.onCodeAction(({ range, textDocument: { uri } }): CodeAction[] => {
    const document = documents.get(uri);
    if (!document) return [];
    return (problems.get(uri) ?? []).flatMap((problem) => {
      const told = diagnostic(problem, document);
      if (told.range.end.line < range.start.line || told.range.start.line > range.end.line) return [];
      return mendings(problem, document.getText(), document.offsetAt(told.range.start)).map(
        ({ from, text, title, to }): CodeAction => ({
          title,
          kind: CodeActionKind.QuickFix,
          diagnostics: [told],
          edit: {
            changes: {
              [uri]: [
                { range: { start: document.positionAt(from), end: document.positionAt(to) }, newText: text },
              ],
            },
          },
        }),
      );
    });
  });

  connection.onShutdown(() => reading?.end());
  connection.onExit(() => {
    reading?.end();
    process.exit();
  });
  documents.listen(connection);
  connection.listen();
  return connection;
}

interface Asked {
  readonly document: TextDocument;
  /** The HTML text around the place, and where in it that is. */
  readonly text: string;
  readonly offset: number;
  readonly owner: ComponentFacts | undefined;
}

/** What is known of the word that a place is in. */
function wordAt(asked: Asked | undefined, catalogue: Catalogue): Known | undefined {
  if (!asked) return undefined;
  const end = wordEnd(asked.text, asked.offset);
  const spotted = spotAt(asked.text, end);
  const { spot } = spotted;
  if (spot.kind === 'text') return undefined;
  const word = spot.kind === 'value' ? (/[\w$-]*$/.exec(spot.word)?.[0] ?? '') : spot.word;
  // An end tag is of the component whose tag it is; what is written once is looked up all the same.
  const place = spot.kind === 'tag' ? { ...spotted, spot: { ...spot, isEnd: false } } : spotted;
  const open = spot.kind === 'attribute' ? { ...place, spot: { ...spot, others: [] } } : place;
  return knownAt(open, catalogue, asked.owner).find((one) => one.word === word);
}

const fileOf = (uri: string): string => (uri.startsWith('file:') ? fileURLToPath(uri) : uri);

function locationOf({ file, line, word }: NonNullable<Known['written']>): Location | undefined {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    return undefined;
  }
  const lines = text.split('\n');
  const pattern = new RegExp(`(?<![\\w$-])${word.replace(/[$]/g, '\\$&')}(?![\\w$-])`);
  const found = lines.findIndex((one, index) => index >= line - 1 && pattern.test(one));
  const at = found < 0 ? line - 1 : found;
  const column = Math.max(0, lines[at]?.search(pattern) ?? 0);
  const start = { line: at, character: column };
  return {
    uri: pathToFileURL(file).href,
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
