import { originalPositionFor, TraceMap } from '@jridgewell/trace-mapping';
import type { SourcePlace } from './problem.js';

const maps = new Map<string, TraceMap | undefined>();

/**
 * The place in the file somebody wrote, for one in a script that a page was served. The script's source map is asked
 * for there and then, since a problem cannot wait; only during development, and only when there is a problem to show.
 */
export function writtenPlace(url: string, place: SourcePlace): SourcePlace {
  if (!/^https?:/.test(url) || typeof XMLHttpRequest === 'undefined') return place;
  const map = mapOf(url);
  if (!map) return place;
  const { source, line, column } = originalPositionFor(map, { line: place.line, column: place.column - 1 });
  return source === null ? place : { file: decodeURI(source), line, column: column + 1 };
}

function mapOf(url: string): TraceMap | undefined {
  if (!maps.has(url)) {
    let map: TraceMap | undefined;
    try {
      map = readMap(url);
    } catch {
      // Without a map, or where the page may not ask for it, the place in the script has to do.
    }
    maps.set(url, map);
  }
  return maps.get(url);
}

function readMap(url: string): TraceMap | undefined {
  const named = [...text(url).matchAll(/^\/\/[#@] sourceMappingURL=(\S+)\s*$/gm)].at(-1)?.[1];
  if (named === undefined) return undefined;
  const inline = /^data:[^,]*;base64,(.*)$/.exec(named)?.[1];
  if (inline === undefined) {
    const from = new URL(named, url).href;
    return new TraceMap(text(from), from);
  }
  const bytes = Uint8Array.from(atob(inline), (char) => char.charCodeAt(0));
  return new TraceMap(new TextDecoder().decode(bytes), url);
}

function text(url: string): string {
  const request = new XMLHttpRequest();
  request.open('GET', url, false);
  request.send();
  if (request.status !== 200) throw new Error(`${url} cannot be had: ${request.status}`);
  return request.responseText;
}
