import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';

interface Reply {
  readonly id?: number;
  readonly method?: string;
  readonly result?: {
    readonly contents?: { readonly value?: string };
    readonly items?: readonly { readonly label: string; readonly sortText?: string }[];
  } | null;
}

export interface LanguageServer {
  /** What an editor shows over the first place where a text stands in a file. */
  hover(file: string, at: string): Promise<string>;
  /** What an editor offers at the mark ¦ in a module that is being written, beside what is at hand everywhere. */
  completions(text: string): Promise<readonly string[]>;
  stop(): void;
}

const root = fileURLToPath(new URL('../..', import.meta.url));

/** TypeScript as an editor runs it (https://microsoft.github.io/language-server-protocol/, over standard in and out). */
export async function languageServer(): Promise<LanguageServer> {
  const server = spawn(
    fileURLToPath(new URL('../../node_modules/.bin/tsc', import.meta.url)),
    ['--lsp', '--stdio'],
    {
      cwd: root,
      stdio: ['pipe', 'pipe', 'ignore'],
    },
  );
  const waiting = new Map<number, (reply: Reply) => void>();
  let read = Buffer.alloc(0);
  let asked = 0;

  const send = (message: object): void => {
    const text = JSON.stringify({ jsonrpc: '2.0', ...message });
    server.stdin.write(`Content-Length: ${Buffer.byteLength(text)}\r\n\r\n${text}`);
  };
  const ask = (method: string, params: object): Promise<Reply> =>
    new Promise((resolve) => {
      asked += 1;
      waiting.set(asked, resolve);
      send({ id: asked, method, params });
    });
  const take = (message: Reply): void => {
    if (message.id === undefined) return;
    // What it asks of an editor has no bearing on what it shows.
    if (message.method !== undefined) send({ id: message.id, result: null });
    else waiting.get(message.id)?.(message);
  };
  server.stdout.on('data', (chunk: Buffer) => {
    read = Buffer.concat([read, chunk]);
    for (;;) {
      const head = read.indexOf('\r\n\r\n');
      if (head === -1) return;
      const length = Number(/Content-Length: (\d+)/i.exec(read.subarray(0, head).toString())?.[1]);
      const end = head + 4 + length;
      if (read.length < end) return;
      const message = JSON.parse(read.subarray(head + 4, end).toString()) as Reply;
      read = read.subarray(end);
      take(message);
    }
  });

  await ask('initialize', {
    processId: process.pid,
    rootUri: pathToFileURL(root).href,
    capabilities: { textDocument: { hover: { contentFormat: ['plaintext'] } } },
  });
  send({ method: 'initialized', params: {} });

  const open = (uri: string, text: string): void =>
    send({
      method: 'textDocument/didOpen',
      params: { textDocument: { uri, languageId: 'typescript', version: 1, text } },
    });
  const positionAt = (text: string, index: number): { line: number; character: number } => {
    const before = text.slice(0, index).split('\n');
    return { line: before.length - 1, character: before.at(-1)?.length ?? 0 };
  };
  let written = 0;

  return {
    async hover(file, at) {
      const uri = pathToFileURL(file).href;
      const text = readFileSync(file, 'utf8');
      open(uri, text);
      const position = positionAt(text, text.indexOf(at));
      const reply = await ask('textDocument/hover', { textDocument: { uri }, position });
      return reply.result?.contents?.value ?? '';
    },
    async completions(marked) {
      written += 1;
      const uri = pathToFileURL(`${root}tests/types/written-${written}.ts`).href;
      const index = marked.indexOf('¦');
      const text = marked.replace('¦', '');
      open(uri, text);
      const position = positionAt(text, index);
      const reply = await ask('textDocument/completion', { textDocument: { uri }, position });
      // Globals and keywords come with "15" and above.
      return (reply.result?.items ?? [])
        .filter(({ sortText = '' }) => sortText < '15')
        .map(({ label }) => label.replace(/\?$/, ''));
    },
    stop() {
      server.kill();
    },
  };
}
