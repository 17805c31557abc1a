import { createServer, type Server } from 'node:http';

/** What the co-operative writes down of a grove. */
export interface Entry {
  readonly date: string;
  readonly grove: string;
  readonly text: string;
}

const groves = ['North terrace', 'Weir side', 'Old wall', 'Long row', 'Press yard'];
const notes = [
  'Picked before the dew was off; the skins are thin this year.',
  'Two ladders mended. The wind took a net from row nine.',
  'Sugar is up since Monday. Start with the low branches.',
  'Watered by hand, the channel is being cleared.',
  'A good day: forty crates, and nobody fell.',
];

/** The grove log as the service keeps it. */
export const entries: readonly Entry[] = Array.from({ length: 12 }, (_, n) => ({
  date: `2026-11-${String(26 - n).padStart(2, '0')}`,
  grove: groves[n % groves.length] as string,
  text: notes[(n * 2) % notes.length] as string,
}));

/**
 * A small JSON service: `/log` gives the entries, `/water` what the tanks hold. Each takes `?ms=` (how long it takes) and
 * `?fail` (it does not answer well).
 */
export function createService(): Server {
  return createServer((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://service');
    const ms = Math.min(Number(searchParams.get('ms') ?? 0) || 0, 10_000);
    const answer = (): void => {
      const body = pathname === '/log' ? entries : pathname === '/water' ? { level: 72, rain: 4 } : undefined;
      const status = searchParams.has('fail') ? 503 : body ? 200 : 404;
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(status === 200 ? body : { error: 'the service is down' }));
    };
    if (ms > 0) setTimeout(answer, ms);
    else answer();
  });
}
