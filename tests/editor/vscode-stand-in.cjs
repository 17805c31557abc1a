// What the extension and the client library of the protocol ask of the editor's module, without an editor: everything may be
// called and listened to, and what the tests are about is noted in `globalThis.editor`.
const { EventEmitter: Emitter } = require('node:events');
const { pathToFileURL, fileURLToPath } = require('node:url');

// Made by whoever loads this.
const noted = globalThis.editor;
const disposable = { dispose() {} };

class Uri {
  constructor(text) {
    this.text = text;
    this.scheme = text.split(':')[0];
    this.fsPath = this.scheme === 'file' ? fileURLToPath(text) : text;
    this.path = this.fsPath;
  }
  static parse(text) {
    return new Uri(text);
  }
  static file(path) {
    return new Uri(pathToFileURL(path).href);
  }
  toString() {
    return this.text;
  }
}
class EventEmitter {
  emitter = new Emitter();
  event = (listener) => {
    this.emitter.on('it', listener);
    return disposable;
  };
  fire(value) {
    this.emitter.emit('it', value);
  }
  dispose() {}
}
/** Anything: a class, a function and a record whose fields are such things, too. */
const anything = () =>
  new Proxy(class Anything {}, {
    get: (target, name) => (name in target || typeof name === 'symbol' ? target[name] : anything()),
    apply: () => disposable,
  });
const filled = (known) =>
  new Proxy(known, {
    get: (target, name) =>
      name in target || typeof name === 'symbol'
        ? target[name]
        : /^on[A-Z]/.test(name)
          ? () => disposable
          : anything(),
  });

module.exports = filled({
  version: '1.99.0',
  Uri,
  EventEmitter,
  Disposable: class Disposable {
    static from() {
      return disposable;
    }
    dispose() {}
  },
  CancellationTokenSource: class {
    token = { isCancellationRequested: false, onCancellationRequested: () => disposable };
    cancel() {}
    dispose() {}
  },
  commands: filled({
    registerCommand(name, run) {
      noted.commands[name] = run;
      return disposable;
    },
  }),
  env: filled({ appName: 'A stand-in', language: 'en' }),
  window: filled({
    visibleTextEditors: [],
    tabGroups: filled({ all: [] }),
    createOutputChannel: () => ({
      append() {},
      appendLine: (line) => noted.messages.push(line),
      show() {},
      dispose() {},
      trace() {},
      info() {},
      warn() {},
      error() {},
      debug() {},
      onDidChangeLogLevel: () => disposable,
      logLevel: 3,
      name: 'x',
    }),
    showWarningMessage: async (text) => void noted.messages.push(text),
    showErrorMessage: async (text) => void noted.messages.push(text),
    showInformationMessage: async (text) => void noted.messages.push(text),
  }),
  languages: filled({
    match: () => 1,
    createDiagnosticCollection: () => ({
      set: (uri, found) => noted.messages.push(`${uri} ${found?.length}`),
      clear() {},
      delete() {},
      dispose() {},
      get: () => [],
    }),
  }),
  workspace: filled({
    get workspaceFolders() {
      return noted.folders.map((path, index) => ({ uri: Uri.file(path), name: path, index }));
    },
    textDocuments: noted.documents,
    notebookDocuments: [],
    getConfiguration: () => ({
      get: (name, preset) => noted.settings[name] ?? preset,
      has: () => false,
      inspect: () => undefined,
    }),
    onDidChangeConfiguration(listener) {
      noted.listeners.configuration = listener;
      return disposable;
    },
    createFileSystemWatcher: () => ({
      onDidCreate: () => disposable,
      onDidChange: () => disposable,
      onDidDelete: () => disposable,
      dispose() {},
    }),
  }),
});
