import type { Server, ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Starts a server on this machine alone; tells its address. */
export const listen = (server: Server, port = 0): Promise<string> =>
  new Promise((done) =>
    server.listen(port, '127.0.0.1', () =>
      done(`http://127.0.0.1:${(server.address() as AddressInfo).port}`),
    ),
  );

/** A signal that aborts when the visitor leaves. */
export function leaving(response: ServerResponse): AbortSignal {
  const stop = new AbortController();
  response.on('close', () => stop.abort());
  return stop.signal;
}
