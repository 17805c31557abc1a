import { relative } from 'node:path';
import { transform } from 'esbuild';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import { NotWritten } from 'zesty-lattice/internal/elements';
import type { Loading } from './loading.js';
import type { Writing } from './writing.js';

/** An element of a build: planned there, or by the page, for a reason. */
export interface PlannedElement {
  /** As a person calls it: `<crate-counter>`, or the code that is registered. */
  readonly what: string;
  /** Its own code, minified, in bytes; nothing where the page plans it. */
  readonly bytes: number | undefined;
  /** Why the page plans it, and what to write instead. */
  readonly why?: string;
  readonly file: string;
  readonly line?: number;
}

/** What a build says at its end: one line for each element, those first that the page plans. */
export function plannedTable(
  elements: readonly PlannedElement[],
  root: string,
  plannerKilobytes?: string,
): string {
  const byPage = elements.filter(({ bytes }) => bytes === undefined);
  const head =
    byPage.length === 0
      ? 'Elements, all of them planned at build time:'
      : `The page plans some elements itself${plannerKilobytes ? `, which takes ${plannerKilobytes} KB (gzip) of script` : ''}:`;
  const rows = [...byPage, ...elements.filter(({ bytes }) => bytes !== undefined)].map(
    ({ bytes, file, line, what, why }) => [
      oneLine(what),
      bytes === undefined ? 'by the page' : 'at build time',
      bytes === undefined
        ? `${relative(root, file)}${line === undefined ? '' : `:${line}`}: ${why}`
        : `${bytes.toLocaleString('en')} bytes`,
    ],
  );
  const widths = [0, 1].map((at) => Math.max(...rows.map((row) => (row[at] as string).length)));
  const lines = rows.map(
    ([what = '', how = '', rest]) =>
      `  ${what.padEnd(widths[0] as number)}  ${how.padEnd(widths[1] as number)}  ${rest}`,
  );
  return `${head}\n${lines.join('\n')}`;
}

/** Code that goes over several lines is called by its beginning. */
function oneLine(what: string): string {
  const line = what.replace(/\s+/g, ' ');
  return line.length > 40 ? `${line.slice(0, 39)}…` : line;
}

/** The elements that components come to which are written out, each with the bytes of its own code. */
export async function writtenElements(
  cores: Iterable<ComponentCore>,
  writing: Writing,
  loading: Loading,
): Promise<readonly PlannedElement[]> {
  const all = new Set([...cores].flatMap((core) => [...writing.elementsOf(core)]));
  return Promise.all(
    [...all].flatMap((core) => {
      const written = writing.write(core);
      if (written instanceof NotWritten) return [];
      return bytesOf(written.code).then((bytes) => ({
        what: `<${core.name}>`,
        bytes,
        file: loading.placeOf(core)?.file ?? '',
      }));
    }),
  );
}

/** How many bytes an element's own code takes, minified. */
async function bytesOf(code: string): Promise<number> {
  const { code: minified } = await transform(`export const one = ${code}`, {
    minify: true,
    logLevel: 'silent',
  }).catch(() => ({ code }));
  return Buffer.byteLength(minified);
}
