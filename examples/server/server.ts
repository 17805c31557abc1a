import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { handle, type Where } from './handle.js';
import { createService } from './service.js';

/** A handler of requests on Node's own server: pieces go out as they are there, no faster than they are taken. */
export function listener(
  where: Where,
): (request: IncomingMessage, response: ServerResponse) => Promise<void> {
  return async (incoming, response) => {
    const stop = new AbortController();
    response.on('close', () => stop.abort());
    const url = `http://${incoming.headers.host ?? 'localhost'}${incoming.url ?? '/'}`;
    try {
      const { body, headers, status } = await handle(new Request(url, { signal: stop.signal }), where);
      response.writeHead(status, Object.fromEntries(headers));
      if (body) await pipeline(Readable.fromWeb(body as never), response);
      else response.end();
    } catch (thrown) {
      if (stop.signal.aborted) return;
      console.error(thrown);
      if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain' });
      response.end('The page could not be written.');
    }
  };
}

export const listen = (server: Server, port = 0): Promise<string> =>
  new Promise((done) =>
    server.listen(port, '127.0.0.1', () =>
      done(`http://127.0.0.1:${(server.address() as AddressInfo).port}`),
    ),
  );

/** Starts the JSON service and the page's server; both on this machine alone. */
export async function start(
  script: string,
  port = 0,
): Promise<{ readonly url: string; close(): Promise<void> }> {
  const service = createService();
  const where = { script, service: await listen(service) };
  const server = createServer(listener(where));
  const url = await listen(server, port);
  return {
    url,
    async close() {
      for (const one of [server, service]) {
        one.closeAllConnections();
        await new Promise((done) => one.close(done));
      }
    },
  };
}
