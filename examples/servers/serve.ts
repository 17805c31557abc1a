import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { createContext, runInContext } from 'node:vm';
import { expressServer } from './by-express.js';
import { fastifyServer } from './by-fastify.js';
import { nodeServer } from './by-node.js';
import type { handle } from './by-request.js';
import type { Where } from './grove-log.js';
import { listen } from './listen.js';
import { requestServer } from './request-server.js';

// One server in a process of its own: node serve.ts express '{"service": "http://…", …}' 8080

/** What is known of where it runs, and the handler of requests as one script. */
export interface Started extends Where {
  readonly handler: string;
}

const servers: Readonly<Record<string, (where: Started) => Server | Promise<Server>>> = {
  node: nodeServer,
  express: expressServer,
  fastify: fastifyServer,
  request: (where) => requestServer(withoutNode(where.handler), where),
};

/** The handler in a context that has what the web has, and nothing of Node; nor does it make code from text there. */
function withoutNode(script: string): typeof handle {
  const { AbortController, AbortSignal, DOMException, Headers, ReadableStream, Request, Response } =
    globalThis;
  const { TextDecoder, TextEncoder, TransformStream, URL, URLSearchParams } = globalThis;
  const { btoa, clearTimeout, console, crypto, fetch, performance, queueMicrotask, setTimeout } = globalThis;
  const web = {
    ...{ AbortController, AbortSignal, DOMException, Headers, ReadableStream, Request, Response },
    ...{ TextDecoder, TextEncoder, TransformStream, URL, URLSearchParams },
    ...{ btoa, clearTimeout, console, crypto, fetch, performance, queueMicrotask, setTimeout },
  };
  const context = createContext(web, { codeGeneration: { strings: false, wasm: false } });
  return runInContext(`${script};handler.handle`, context, { filename: 'handler.js' });
}

const [name = 'node', file = '', port = '0'] = process.argv.slice(2);
const start = servers[name];
if (!start) throw new Error(`There is no server "${name}": ${Object.keys(servers).join(', ')}`);
const server = await start(JSON.parse(readFileSync(file, 'utf8')) as Started);
process.send?.({ url: await listen(server, Number(port)) });
process.on('message', () => process.send?.({ spent: process.cpuUsage() }));
process.on('disconnect', () => process.exit());
