import { framePattern } from './frame.js';

let ownFolder: string | undefined;

const hidden: string[] = [];

/** Treats the files of a folder as this library's own: its tools call components, too. Give the folder's URL. */
export function hideFramesOf(folder: string): void {
  hidden.push(folder);
}

/**
 * Whether a frame is of this library, as far as its file says: in Node, where a page's bundle does not put
 * all into one.
 */
export function isOwn(url: string): boolean {
  if (/^https?:/.test(url)) return false;
  if (ownFolder === undefined) {
    const here = framePattern.exec(new Error().stack?.split('\n')[1]?.trim() ?? '')?.[1] ?? '';
    // A file of its own while the library is worked on, one of a few in what is published.
    ownFolder = here.replace(/(?:problem\/)?[^/]*$/, '');
  }
  return (ownFolder !== '' && url.startsWith(ownFolder)) || hidden.some((folder) => url.startsWith(folder));
}

/** A stack without the frames of this library, which tell nobody anything. */
export function withoutOwnFrames(stack: string): string {
  return stack
    .split('\n')
    .filter((line) => {
      const url = framePattern.exec(line.trim())?.[1];
      return url === undefined || !/^ *at /.test(line) || !isOwn(url);
    })
    .join('\n');
}
