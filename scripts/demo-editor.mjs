// npm run demo:editor: a session with the language server on the orchard, each message and its answer as they go over the
// command's own streams, with how long it took.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import {
  createProtocolConnection,
  StreamMessageReader,
  StreamMessageWriter,
} from 'vscode-languageserver-protocol/node';
import { build, install, root } from './setup.mjs';

install();
build();

const server = spawn('node', ['packages/tools/dist/node/cli.js', 'editor', '--stdio', 'examples/orchard'], {
  cwd: root,
  stdio: ['pipe', 'pipe', 'inherit'],
});
const connection = createProtocolConnection(
  new StreamMessageReader(server.stdout),
  new StreamMessageWriter(server.stdin),
);
let reported;
connection.onNotification('textDocument/publishDiagnostics', ({ diagnostics }) => reported?.(diagnostics));
connection.listen();

const file = join(root, 'examples/orchard/in-html/variety-card.html');
const uri = pathToFileURL(file).href;
const text = readFileSync(file, 'utf8');
let version = 0;

const say = (what, took, answer) =>
  console.log(
    `${took.toFixed(0).padStart(5)} ms  ${what.padEnd(34)} ${answer.length > 150 ? `${answer.slice(0, 149)}…` : answer}`,
  );

async function asked(method, params, show) {
  const start = performance.now();
  const answer = await connection.sendRequest(method, params);
  say(method, performance.now() - start, show(answer));
  return answer;
}

/** Has the file hold a text, and waits for what is reported it. */
async function written(now) {
  const start = performance.now();
  const diagnostics = new Promise((give) => {
    reported = give;
  });
  const textDocument = { uri, version: ++version };
  if (version === 1)
    await connection.sendNotification('textDocument/didOpen', {
      textDocument: { ...textDocument, languageId: 'html', text: now },
    });
  else
    await connection.sendNotification('textDocument/didChange', {
      textDocument,
      contentChanges: [{ text: now }],
    });
  const found = await diagnostics;
  const words = found.map(
    ({ code, message, range }) =>
      `${range.start.line + 1}:${range.start.character + 1} ${code}: ${message.replaceAll('\n', ' ')}`,
  );
  say(version === 1 ? 'didOpen' : 'didChange', performance.now() - start, words.join(' | ') || 'no problems');
}

function at(now, word, inside = 1) {
  const before = now.slice(0, now.indexOf(word) + inside).split('\n');
  return { textDocument: { uri }, position: { line: before.length - 1, character: before.at(-1).length } };
}

const labels = (items) => `${items.length}: ${items.map(({ label }) => label).join(' ')}`;
await asked(
  'initialize',
  { processId: process.pid, rootUri: pathToFileURL(root).href, capabilities: {} },
  ({ capabilities }) => Object.keys(capabilities).join(' '),
);
await connection.sendNotification('initialized', {});
await written(text);
await asked('textDocument/completion', at(text, '{{ ', 3), labels);
await asked('textDocument/hover', at(text, 'title', 2), (found) =>
  JSON.stringify(found?.contents.value ?? null),
);
await asked('textDocument/definition', at(text, 'title', 2), (found) =>
  found ? `${found.uri.slice(pathToFileURL(root).href.length)}:${found.range.start.line + 1}` : 'none',
);
const wrong = text.replace('title', 'titel');
await written(wrong);
const range = { start: { line: 0, character: 0 }, end: { line: 999, character: 0 } };
await asked(
  'textDocument/codeAction',
  { textDocument: { uri }, range, context: { diagnostics: [] } },
  (all) => all.map(({ title }) => title).join(' | '),
);
await written(`${text}<`);
await asked('textDocument/completion', at(`${text}<`, `${text.slice(-20)}<`, 21), labels);
await written(text);
await asked('textDocument/rename', { ...at(text, 'title', 2), newName: 'heading' }, ({ changes }) =>
  Object.entries(changes)
    .map(([path, edits]) => `${path.split('/').at(-1)} ${edits.length}`)
    .join(' | '),
);
await asked('shutdown', undefined, () => 'done');
await connection.sendNotification('exit');
server.on('exit', (code) => {
  console.log(`the server ended with ${code}`);
  process.exit(code ?? 1);
});
