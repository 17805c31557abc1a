// npm run bench:editor: how long the language server takes to answer in a project of 1,000 templates, over its streams.
import { spawn } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import {
  createProtocolConnection,
  StreamMessageReader,
  StreamMessageWriter,
} from 'vscode-languageserver-protocol/node';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = join(root, 'out/bench-editor');
const count = 1000;

rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const text = (n) => `<article>
  <h2>{{ title }}</h2>
  <template each-of="items" as="item" key="name"><p>{{ item.name }} {{ item.crates }}</p></template>
  ${n === 0 ? '' : `<part-${n - 1} title="{{ title }}"></part-${n - 1}>`}
  <slot></slot>
</article>
`;
for (let n = 0; n < count; n++) {
  const uses = n === 0 ? '' : `import { Part${n - 1} } from './part-${n - 1}.js';\n`;
  writeFileSync(
    join(folder, `part-${n}.ts`),
    `import { component, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
${n % 20 === 0 ? '' : uses}
export const Part${n} = component('part-${n}', {
  props: { title: prop.text(), items: prop.list(prop.record({ name: prop.text(), crates: prop.number() })).fallback([]) },
  slots: { default: slot() },
  uses: [${n % 20 === 0 ? '' : `Part${n - 1}`}],
  template: markupFile(import.meta.url, './part-${n}.html'),
});
`,
  );
  writeFileSync(join(folder, `part-${n}.html`), n % 20 === 0 ? text(0) : text(n));
}

const child = spawn('node', ['packages/tools/dist/node/cli.js', 'editor', 'out/bench-editor'], {
  cwd: root,
  stdio: ['pipe', 'pipe', 'inherit'],
});
const connection = createProtocolConnection(
  new StreamMessageReader(child.stdout),
  new StreamMessageWriter(child.stdin),
);
let reported = () => {};
connection.onNotification('textDocument/publishDiagnostics', () => reported());
connection.listen();
const started = performance.now();
await connection.sendRequest('initialize', { processId: process.pid, rootUri: null, capabilities: {} });
await connection.sendNotification('initialized', {});

const uri = pathToFileURL(join(folder, 'part-510.html')).href;
let version = 1;
await connection.sendNotification('textDocument/didOpen', {
  textDocument: { uri, languageId: 'html', version, text: text(510) },
});
const ask = (method, position) => connection.sendRequest(method, { textDocument: { uri }, position });
const write = (changed) =>
  connection.sendNotification('textDocument/didChange', {
    textDocument: { uri, version: ++version },
    contentChanges: [{ text: changed }],
  });
await write(`${text(510)}<`);
while ((await ask('textDocument/completion', { line: 6, character: 1 })).length < count)
  await new Promise((done) => setTimeout(done, 50));
console.log(`read ${count} templates: ${((performance.now() - started) / 1000).toFixed(1)} s`);

const timed = async (name, work) => {
  const times = [];
  for (let n = 0; n < 100; n++) {
    const start = performance.now();
    await work(n);
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  console.log(
    `${name.padEnd(34)} median ${times[50].toFixed(1)} ms, 95 of 100 within ${times[94].toFixed(1)} ms`,
  );
};
await timed('completion of 1,000 tags', () => ask('textDocument/completion', { line: 6, character: 1 }));
await timed('completion in an expression', () => ask('textDocument/completion', { line: 1, character: 9 }));
await timed('over a word', () => ask('textDocument/hover', { line: 2, character: 24 }));
await timed('definition of a tag', () => ask('textDocument/definition', { line: 3, character: 6 }));
await timed('problems, from the key on', async (n) => {
  const heard = new Promise((give) => {
    reported = give;
  });
  await write(text(510).replace('{{ title }}', `{{ title${n} }}`));
  await heard;
});
await write(text(510));
await timed('another name of a prop', () =>
  connection.sendRequest('textDocument/rename', {
    textDocument: { uri },
    position: { line: 1, character: 9 },
    newName: 'heading',
  }),
);
console.log('(problems wait 30 ms for the next key; another name looks through all files, as they are then)');
await connection.sendRequest('shutdown');
await connection.sendNotification('exit');
rmSync(folder, { recursive: true });
