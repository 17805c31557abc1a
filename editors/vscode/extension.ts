import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { commands, type ExtensionContext, window, workspace } from 'vscode';
import { LanguageClient, type LanguageClientOptions, type ServerOptions } from 'vscode-languageclient/node';

let client: LanguageClient | undefined;

/** Starts the language server when a workspace with the library is opened. */
export async function activate(context: ExtensionContext): Promise<void> {
  context.subscriptions.push(
    commands.registerCommand('lattice.restart', async () => {
      await deactivate();
      await start();
    }),
    workspace.onDidChangeConfiguration(async (change) => {
      if (!change.affectsConfiguration('lattice')) return;
      await deactivate();
      await start();
    }),
  );
  await start();
}

/** Ends it as the protocol says: with a shutdown before. */
export async function deactivate(): Promise<void> {
  const before = client;
  client = undefined;
  await before?.stop();
}

async function start(): Promise<void> {
  const command = commandIn(workspace.workspaceFolders?.map(({ uri }) => uri.fsPath) ?? []);
  if (!command) {
    void window.showWarningMessage(
      'zesty-lattice-tools is not installed in this workspace: npm install --save-dev zesty-lattice-tools',
    );
    return;
  }
  const settings = workspace.getConfiguration('lattice');
  const [program = '', ...args] = command;
  const server: ServerOptions = { command: program, args };
  const options: LanguageClientOptions = {
    documentSelector: settings
      .get<readonly string[]>('languages', ['html', 'typescript', 'javascript'])
      .map((language) => ({ scheme: 'file', language })),
    initializationOptions: { html: settings.get('html', false) },
  };
  client = new LanguageClient('lattice', 'Zesty Lattice', server, options);
  await client.start();
}

/** What starts the server: as the settings say, else the one of the first folder that has it. */
function commandIn(folders: readonly string[]): readonly string[] | undefined {
  const set = workspace.getConfiguration('lattice').get<readonly string[]>('command', []);
  if (set.length > 0) return set;
  for (const folder of folders) {
    const path = join(folder, 'node_modules', 'zesty-lattice-tools', 'dist', 'node', 'cli.js');
    // By Node itself: what lies in .bin is another kind of file on Windows.
    if (existsSync(path)) return ['node', path, 'editor', '--stdio'];
  }
  return undefined;
}
