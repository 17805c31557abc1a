import {
  type CompletionItem,
  CompletionItemKind,
  type Connection,
  createConnection,
  DidChangeWorkspaceFoldersNotification,
  type Hover,
  type InitializeParams,
  InsertTextFormat,
  MarkupKind,
  MessageType,
  ProposedFeatures,
  type ServerCapabilities,
  ShowMessageNotification,
  TextDocumentSyncKind,
  TextDocuments,
} from 'vscode-languageserver/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import type { Problem } from 'zesty-lattice/internal/problem';
import { packageInfo } from '../check/package-info.js';
import { type Asked, askedAt, locationOf, wordAt } from './asked.js';
import { diagnostic } from './diagnostic.js';
import { watchFiles } from './file-events.js';
import { type Known, knownAt } from './known.js';
import { fileOf, OpenFiles } from './open-files.js';
import { type Project, Projects } from './projects.js';
import { serveFixes } from './serve-fixes.js';
import { htmlCapabilities, serveHtml } from './serve-html.js';
import { nameCapabilities, serveNames } from './serve-names.js';
import { serveRename } from './serve-rename.js';
import { type Spotted, spotAt, wordEnd } from './spot.js';

/** How long after a key the text is looked at, in milliseconds. */
const pause = 30;

/** How long after a change of a file all is read anew, in milliseconds: mostly more than one is written. */
const fileDelay = 150;

/** What an editor may set when it starts the server (`initializationOptions`). */
interface EditorOptions {
  /** Whether HTML's own tags and attributes are completed and explained, where the editor has no other server for them. */
  readonly html?: boolean;
}

/**
 * Serves an editor by the Language Server Protocol (https://microsoft.github.io/language-server-protocol/), version 3.17: the
 * problems of templates, documents and samples as they are written, with ways to fix them, what may stand at a place,
 * what is known of a word, where it is written and read, and what an editor of HTML does.
 *
 * @param paths what belongs to the project; the editor's folders, or what their `lattice.json` says, unless given
 */
export function serveEditor(
  paths: readonly string[],
  input: NodeJS.ReadableStream = process.stdin,
  output: NodeJS.WritableStream = process.stdout,
): Connection {
  const connection = createConnection(ProposedFeatures.all, input, output);
  const documents = new TextDocuments(TextDocument);
  const projects = new Projects(paths);
  const problems = new Map<string, readonly Problem[]>();
  const waiting = new Map<string, NodeJS.Timeout>();
  /** Files that are not open, and whose problems the editor was told. */
  const told = new Map<Project, ReadonlySet<string>>();
  let options: EditorOptions = {};
  let can: InitializeParams['capabilities'] = {};
  let reported = '';
  let reading: NodeJS.Timeout | undefined;
  let stopWatching: (() => void) | undefined;

  const read = async (project: Project, anew: boolean): Promise<void> => {
    try {
      await project.read({ anew });
      reported = '';
    } catch (thrown) {
      reportUnread(thrown);
    }
    await tellFailed(project);
    for (const document of documents.all())
      if (projects.of(fileOf(document.uri)) === project) lookSoon(document);
  };

  const readAll = async (anew: boolean): Promise<void> => {
    await Promise.all(projects.all.map((project) => read(project, anew)));
  };

  /** Reads all anew when what changes has changed. */
  const readSoon = (): void => {
    clearTimeout(reading);
    reading = setTimeout(() => void readAll(true), fileDelay);
  };

  /** Tells of modules that cannot be loaded, open or not. */
  const tellFailed = async (project: Project): Promise<void> => {
    const files = new OpenFiles(documents);
    const byFile = new Map<string, Problem[]>();
    for (const { failed } of project.catalogue.unread)
      for (const one of failed?.problems ?? []) {
        const { file = '' } = one.source ?? {};
        const known = byFile.get(file) ?? [];
        if (!known.some(({ message }) => message === one.message)) byFile.set(file, [...known, one]);
      }
    const before = told.get(project) ?? new Set();
    const now = new Set([...byFile.keys()].filter((file) => !documents.get(files.uri(file))));
    told.set(project, now);
    for (const file of new Set([...before, ...now])) {
      const uri = files.uri(file);
      if (documents.get(uri)) continue;
      const document = files.document(file);
      const diagnostics = (byFile.get(file) ?? []).map((one) => diagnostic(one, document));
      await connection.sendDiagnostics({ uri, diagnostics });
    }
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
    const file = fileOf(uri);
    const project = projects.of(file);
    const found = await project?.reading.problemsIn(file, document.getText()).catch((thrown: unknown) => {
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

  connection.onInitialize(({ capabilities, initializationOptions, rootUri, workspaceFolders }) => {
    const folders = workspaceFolders?.map(({ uri }) => fileOf(uri)) ?? (rootUri ? [fileOf(rootUri)] : []);
    projects.open(folders.length > 0 ? folders : ['.']);
    can = capabilities;
    options = (initializationOptions ?? {}) as EditorOptions;
    return {
      serverInfo: { name: 'lattice', version: packageInfo().version },
      capabilities: serverCapabilities,
    };
  });

  connection.onInitialized(async () => {
    void readAll(false);
    const canWatch = can.workspace?.didChangeWatchedFiles?.dynamicRegistration === true;
    const folders = projects.all.flatMap((one) => (one.paths.length > 0 ? one.paths : [one.folder]));
    stopWatching = await watchFiles(connection, canWatch, folders, readSoon);
  });
  connection.onNotification(DidChangeWorkspaceFoldersNotification.type, ({ event }) => {
    projects.close(event.removed.map(({ uri }) => fileOf(uri)));
    for (const project of projects.open(event.added.map(({ uri }) => fileOf(uri)))) void read(project, false);
    for (const document of documents.all()) lookSoon(document);
  });

  documents.onDidChangeContent(({ document }) => lookSoon(document));
  documents.onDidSave(() => {
    clearTimeout(reading);
    void readAll(true);
  });
  documents.onDidClose(({ document: { uri } }) => {
    clearTimeout(waiting.get(uri));
    problems.delete(uri);
    void connection.sendDiagnostics({ uri, diagnostics: [] });
  });

  connection.onCompletion(async (params): Promise<CompletionItem[]> => {
    const asked = askedAt(params, documents, projects);
    if (!asked) return [];
    const spotted = spotAt(asked.text, asked.offset);
    const place = replacing(asked, spotted, can);
    const own = knownAt(spotted, asked.project.catalogue, asked.owner).map((one) => item(one, place));
    return options.html ? [...own, ...(await html.completions(params, own))] : own;
  });

  connection.onHover(async (params): Promise<Hover | undefined> => {
    const one = wordAt(askedAt(params, documents, projects));
    if (!one) return options.html ? html.hover(params) : undefined;
    const head =
      one.detail === '' || one.what === 'component' ? `**${one.word}**` : `**${one.word}**: ${one.detail}`;
    return { contents: { kind: MarkupKind.Markdown, value: [head, one.about].filter(Boolean).join('\n\n') } };
  });

  connection.onDefinition((params) => {
    const written = wordAt(askedAt(params, documents, projects))?.written;
    return written && locationOf(written, new OpenFiles(documents));
  });

  const html = serveHtml({ connection, documents, projects });
  serveNames({ connection, documents, projects });
  serveFixes({ connection, documents, projects, problems });
  serveRename({
    connection,
    documents,
    projects,
    propAt(params) {
      const asked = askedAt(params, documents, projects);
      const found = wordAt(asked);
      if (!asked || !found?.prop) return undefined;
      const end = asked.base + wordEnd(asked.text, asked.offset);
      return { ...found.prop, word: found.word, from: end - found.word.length, to: end };
    },
  });

  const end = (): void => {
    clearTimeout(reading);
    stopWatching?.();
    projects.end();
  };
  connection.onShutdown(end);
  // The process ends by itself then: with 0 after a shutdown, with 1 without one.
  connection.onExit(end);
  documents.listen(connection);
  connection.listen();
  return connection;
}

const serverCapabilities: ServerCapabilities = {
  textDocumentSync: {
    openClose: true,
    change: TextDocumentSyncKind.Incremental,
    save: true,
  },
  workspace: { workspaceFolders: { supported: true, changeNotifications: true } },
  completionProvider: { triggerCharacters: ['<', ' ', '"', "'", '.', '{', ':', '/', '-'] },
  hoverProvider: true,
  definitionProvider: true,
  renameProvider: { prepareProvider: true },
  codeActionProvider: { codeActionKinds: ['quickfix'] },
  ...htmlCapabilities,
  ...nameCapabilities,
};

const itemKinds: Readonly<Record<Known['what'], CompletionItemKind>> = {
  component: CompletionItemKind.Class,
  prop: CompletionItemKind.Property,
  slot: CompletionItemKind.Interface,
  choice: CompletionItemKind.EnumMember,
  handler: CompletionItemKind.Function,
  name: CompletionItemKind.Variable,
  directive: CompletionItemKind.Keyword,
};

/** What a chosen word takes the place of: where it was begun, to the cursor, or where the word ends there. */
type Replacing = (word: string) => NonNullable<CompletionItem['textEdit']>;

function replacing(
  { base, document, offset, text }: Asked,
  { spot }: Spotted,
  can: InitializeParams['capabilities'],
): Replacing {
  // Of a value that holds more than a word, the last one is written.
  const from =
    spot.kind === 'text'
      ? offset
      : spot.kind === 'value' && /^(?:handles|given|each-of|bind)$/.test(spot.attribute)
        ? offset - (/[\w$-]*$/.exec(spot.word)?.[0].length ?? 0)
        : spot.from;
  const start = document.positionAt(base + from);
  const cursor = document.positionAt(base + offset);
  const isBoth = can.textDocument?.completion?.completionItem?.insertReplaceSupport === true;
  // What an expression's names are made of has no hyphen.
  const end =
    spot.kind === 'expression'
      ? (/^[\w$]*/.exec(text.slice(offset))?.[0].length ?? 0) + offset
      : wordEnd(text, offset);
  return (newText) =>
    isBoth
      ? { newText, insert: { start, end: cursor }, replace: { start, end: document.positionAt(base + end) } }
      : { newText, range: { start, end: cursor } };
}

function item({ about, detail, what, word }: Known, textEdit: Replacing): CompletionItem {
  return {
    label: word,
    kind: itemKinds[what],
    // It is compared with what the edit replaces. A text to compare of its own, be it the same, has some editors look at
    // the word before the cursor instead, which ends at a hyphen.
    insertTextFormat: InsertTextFormat.PlainText,
    textEdit: textEdit(word),
    ...(detail !== '' && { detail }),
    ...(about !== '' && { documentation: { kind: MarkupKind.Markdown, value: about } }),
  };
}
