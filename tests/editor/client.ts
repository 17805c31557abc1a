import { type ChildProcess, spawn } from 'node:child_process';
import { pathToFileURL } from 'node:url';
import {
  type CodeAction,
  type CompletionItem,
  createProtocolConnection,
  type Diagnostic,
  type Hover,
  type Location,
  type ProtocolConnection,
  StreamMessageReader,
  StreamMessageWriter,
} from 'vscode-languageserver-protocol/node';
import { root } from '../cli/lattice.js';

interface StartOptions {
  readonly folders?: readonly string[];
  readonly options?: object;
  readonly capabilities?: object;
}

const folderOf = (folder: string): { uri: string; name: string } => ({
  uri: pathToFileURL(folder).href,
  name: folder,
});

const addressOf = (file: string): string =>
  /^(?:untitled|file):/.test(file) ? file : pathToFileURL(file).href;

/** An editor, as far as a server knows: a client of the protocol, over the command's own streams. */
export class Editor {
  readonly #child: ChildProcess;
  readonly #connection: ProtocolConnection;
  readonly #reported = new Map<string, readonly Diagnostic[]>();
  readonly #versions = new Map<string, number>();
  /** The version of each document whose problems were reported last. */
  readonly #looked = new Map<string, number>();
  readonly log: string[] = [];
  /** What the server asked to be told of. */
  readonly registered: string[] = [];
  /** What the editor was asked to show. */
  readonly shown: string[] = [];

  constructor(...paths: readonly string[]) {
    this.#child = spawn('node', ['packages/tools/dist/node/cli.js', 'editor', ...paths], {
      cwd: root,
      stdio: ['pipe', 'pipe', 'pipe'],
    });
    this.#child.stderr?.on('data', (part) => this.log.push(String(part)));
    const { stdin, stdout } = this.#child;
    if (!stdin || !stdout) throw new Error('The command has no streams.');
    this.#connection = createProtocolConnection(
      new StreamMessageReader(stdout),
      new StreamMessageWriter(stdin),
    );
    this.#connection.onNotification('textDocument/publishDiagnostics', ({ diagnostics, uri, version }) => {
      this.#reported.set(uri, diagnostics);
      this.#looked.set(uri, version ?? 0);
    });
    this.#connection.onNotification('window/logMessage', ({ message }) => {
      this.log.push(message);
    });
    this.#connection.onNotification('window/showMessage', ({ message }) => {
      this.shown.push(message);
    });
    this.#connection.listen();
  }

  /** Starts it, for folders of a workspace that the editor has open: the whole project unless given. */
  async start({ folders, options, capabilities = {} }: StartOptions = {}): Promise<void> {
    this.#connection.onRequest('client/registerCapability', ({ registrations }) => {
      for (const one of registrations) this.registered.push(one.method);
      return null;
    });
    await this.#connection.sendRequest('initialize', {
      processId: process.pid,
      rootUri: pathToFileURL(root).href,
      ...(folders && { workspaceFolders: folders.map(folderOf) }),
      ...(options && { initializationOptions: options }),
      capabilities,
    });
    await this.#connection.sendNotification('initialized', {});
  }

  /** Opens folders, and closes others. */
  folders(added: readonly string[], removed: readonly string[] = []): Promise<void> {
    const event = { added: added.map(folderOf), removed: removed.map(folderOf) };
    return this.#connection.sendNotification('workspace/didChangeWorkspaceFolders', { event });
  }

  /** Says that files were changed by others. */
  changed(...files: readonly string[]): Promise<void> {
    const changes = files.map((file) => ({ uri: addressOf(file), type: 2 }));
    return this.#connection.sendNotification('workspace/didChangeWatchedFiles', { changes });
  }

  request<Answer>(method: string, params: object): Promise<Answer> {
    return this.#connection.sendRequest(method, params);
  }

  /** What is asked of a document as a whole. */
  ask<Answer>(method: string, file: string, more: object = {}): Promise<Answer> {
    return this.#connection.sendRequest(method, { textDocument: { uri: addressOf(file) }, ...more });
  }

  /** Has a file hold a text, as it is being written; a document that was never saved goes by its address alone. */
  async write(file: string, text: string): Promise<string> {
    const uri = addressOf(file);
    const version = (this.#versions.get(uri) ?? 0) + 1;
    this.#versions.set(uri, version);
    if (version === 1)
      await this.#connection.sendNotification('textDocument/didOpen', {
        textDocument: { uri, languageId: file.endsWith('.ts') ? 'typescript' : 'html', version, text },
      });
    else
      await this.#connection.sendNotification('textDocument/didChange', {
        textDocument: { uri, version },
        contentChanges: [{ text }],
      });
    return uri;
  }

  /** What is reported of a text, once it was looked at. */
  async problemsOf(file: string, text: string): Promise<readonly Diagnostic[]> {
    const uri = await this.write(file, text);
    const until = Date.now() + 40_000;
    while (this.#looked.get(uri) !== this.#versions.get(uri)) {
      if (Date.now() > until) throw new Error(`Nothing was reported of ${file}.`);
      await new Promise((turn) => setTimeout(turn, 2));
    }
    return this.diagnostics(file);
  }

  /** What is asked at the sign `|` in a text. */
  async at<Answer>(method: string, file: string, text: string, more: object = {}): Promise<Answer> {
    const offset = text.indexOf('|');
    const whole = text.slice(0, offset) + text.slice(offset + 1);
    const uri = await this.write(file, whole);
    const before = text.slice(0, offset).split('\n');
    const position = { line: before.length - 1, character: before.at(-1)?.length ?? 0 };
    return this.#connection.sendRequest(method, { textDocument: { uri }, position, ...more });
  }

  /** Says that a file was saved as it is on the disk. */
  save(file: string): Promise<void> {
    const textDocument = { uri: pathToFileURL(file).href };
    return this.#connection.sendNotification('textDocument/didSave', { textDocument });
  }

  async completions(file: string, text: string): Promise<readonly string[]> {
    return (await this.at<CompletionItem[]>('textDocument/completion', file, text)).map(({ label }) => label);
  }

  async hover(file: string, text: string): Promise<string> {
    const found = await this.at<Hover | null>('textDocument/hover', file, text);
    return found ? (found.contents as { value: string }).value : '';
  }

  definition(file: string, text: string): Promise<Location | null> {
    return this.at('textDocument/definition', file, text);
  }

  diagnostics(file: string): readonly Diagnostic[] {
    return this.#reported.get(addressOf(file)) ?? [];
  }

  actions(file: string): Promise<CodeAction[]> {
    const range = { start: { line: 0, character: 0 }, end: { line: 9999, character: 0 } };
    return this.#connection.sendRequest('textDocument/codeAction', {
      textDocument: { uri: addressOf(file) },
      range,
      context: { diagnostics: [] },
    });
  }

  get pid(): number {
    return this.#child.pid ?? 0;
  }

  /** Ends it as the protocol says, or as an editor that is cut short does. */
  async stop({ isAsked = true } = {}): Promise<number | null> {
    if (isAsked) await this.#connection.sendRequest('shutdown');
    const ended = new Promise<number | null>((give) => this.#child.on('exit', give));
    await this.#connection.sendNotification('exit');
    return ended;
  }
}
