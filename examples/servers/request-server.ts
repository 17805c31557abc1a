import { createServer, type Server } from 'node:http';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Where } from './grove-log.js';
import { leaving } from './listen.js';

/** What a runtime of the web's own form does: requests in, responses out, and a signal that aborts when the visitor leaves. */
export function requestServer(
  handle: (request: Request, where: Where) => Promise<Response>,
  where: Where,
): Server {
  return createServer(async (incoming, outgoing) => {
    const signal = leaving(outgoing);
    const url = `http://${incoming.headers.host ?? 'localhost'}${incoming.url ?? '/'}`;
    const headers = Object.entries(incoming.headers).map(([name, value]): [string, string] => [
      name,
      String(value),
    ]);
    try {
      const request = new Request(url, { method: incoming.method ?? 'GET', headers, signal });
      const { body, headers: given, status } = await handle(request, where);
      outgoing.writeHead(status, Object.fromEntries(given));
      if (body) await pipeline(Readable.fromWeb(body as never), outgoing);
      else outgoing.end();
    } catch (thrown) {
      if (!signal.aborted) console.error(thrown);
      outgoing.destroy();
    }
  });
}
