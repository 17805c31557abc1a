import type { Connection } from 'vscode-languageserver/node';

const pattern = '**/*.{ts,js,mts,mjs,cts,cjs,html,css,json}';

/**
 * Hears of files that change outside the editor: from the editor, which watches them if it can, else by watching them here.
 *
 * @param folders what is watched here, where the editor cannot
 * @returns what ends the watching
 */
export async function watchFiles(
  connection: Connection,
  canWatch: boolean,
  folders: readonly string[],
  changed: () => void,
): Promise<() => void> {
  connection.onDidChangeWatchedFiles(changed);
  if (canWatch) {
    const method = 'workspace/didChangeWatchedFiles';
    const registerOptions = { watchers: [{ globPattern: pattern }] };
    const registrations = [{ id: 'lattice-files', method, registerOptions }];
    const isAsked = await connection.sendRequest('client/registerCapability', { registrations }).then(
      () => true,
      // An editor that refuses what it said it could: the files are watched here then.
      () => false,
    );
    if (isAsked) return () => undefined;
  }
  const { watch } = await import('chokidar');
  const watcher = watch([...folders], {
    ignoreInitial: true,
    ignored: /[\\/](?:node_modules|dist|\.git)(?:[\\/]|$)/,
  });
  watcher.on('all', (_event, path) => {
    if (/\.(?:[cm]?[jt]s|html|css|json)$/.test(path)) changed();
  });
  // A folder that cannot be watched is read when a file is saved.
  watcher.on('error', () => undefined);
  return () => void watcher.close();
}
