import type { IncomingMessage } from 'node:http';

/**
 * Returns true if a request comes from a page of this server, by what a browser adds to it
 * (https://www.w3.org/TR/fetch-metadata/#sec-fetch-site-header), or from no page at all.
 */
export function isFromHere({ headers, socket }: IncomingMessage): boolean {
  const site = headers['sec-fetch-site'] ?? 'same-origin';
  const own = [`http://${headers.host}`, `https://${headers.host}`];
  // A name of somebody else's that leads to this machine is none of its names.
  const isNamedHere =
    !socket.localAddress?.includes('127.0.0.1') ||
    /^(?:127\.0\.0\.1|(?:[\w-]+\.)*localhost|\[::1\])(?::\d+)?$/.test(headers.host ?? '');
  return (
    isNamedHere &&
    (site === 'same-origin' || site === 'none') &&
    (headers.origin === undefined || own.includes(headers.origin))
  );
}
