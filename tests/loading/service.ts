import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A JSON service that can be held, or fail, and counts who asks. */
export interface Service {
  readonly url: string;
  /** What was asked for, in order. */
  readonly asked: string[];
  /** What was given up by who asked. */
  readonly stopped: string[];
  /** Pages and scripts that it serves, by path. */
  readonly pages: Map<string, readonly [type: string, text: string]>;
  /** Answers what was asked for with `held` in its address. */
  release(): void;
  close(): void;
}

const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

export async function startService(): Promise<Service> {
  const asked: string[] = [];
  const stopped: string[] = [];
  const pages = new Map<string, readonly [string, string]>();
  const held: (() => void)[] = [];
  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const { url = '/' } = request;
    const { pathname, searchParams } = new URL(url, 'http://x');
    const page = pages.get(pathname);
    if (page) return void response.writeHead(200, { 'content-type': page[0] }).end(page[1]);
    const [, room, name = ''] = pathname.split('/');
    if (room === 'favicon.ico') return void response.writeHead(204).end();
    if (room !== 'json' && room !== 'rows') return void response.writeHead(404).end();
    // Whoever sees that it was asked may release it in the same turn.
    const released = searchParams.has('held') && new Promise<void>((done) => held.push(done));
    asked.push(url);
    response.on('close', () => response.writableEnded || stopped.push(url));
    await released;
    if (response.destroyed) return;
    if (searchParams.has('fail')) return void response.writeHead(503).end('down');
    if (room === 'rows') {
      response.writeHead(200, { 'content-type': 'application/x-ndjson' });
      for (let id = 1; id <= Number(name) && !response.destroyed; id++) {
        response.write(`${JSON.stringify({ id })}\n`);
        if (id % 10 === 0) await wait(20);
        // The rest waits until somebody asks for it.
        while (id === 100 && searchParams.has('hold') && !asked.includes('/json/rest') && !response.destroyed)
          await wait(20);
      }
      return void response.end();
    }
    // Another tank each time, where that is asked for.
    const called = searchParams.has('count') ? `${name} ${asked.length}` : name;
    const tank = { name: called, level: name.length, notes: [`${called} is <full>`, 'b'] };
    response.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify(tank));
  };
  const server: Server = createServer((request, response) => void answer(request, response));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const release = (): void => {
    for (const answerNow of held.splice(0)) answerNow();
  };
  return { url, asked, stopped, pages, release, close: () => server.close() };
}
