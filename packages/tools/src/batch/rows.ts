import { createReadStream } from 'node:fs';
import { readFile, stat } from 'node:fs/promises';
import { createInterface } from 'node:readline';

/** A row of data as it stands in its file: a line of JSON, or the fields of a table as text. */
export type RowText = { readonly json: string } | { readonly fields: Readonly<Record<string, string>> };

export interface Row {
  /** From 1. */
  readonly number: number;
  readonly text: RowText;
  /** How far into the file it reaches, in bytes; for a progress bar, where it is known. */
  readonly at: number;
}

/** How a file of rows is written; undefined for endings that are not known. */
export function kindOfRows(path: string): 'json' | 'ndjson' | 'csv' | undefined {
  if (/\.json$/i.test(path)) return 'json';
  if (/\.(?:ndjson|jsonl)$/i.test(path)) return 'ndjson';
  return /\.csv$/i.test(path) ? 'csv' : undefined;
}

export async function sizeOf(path: string): Promise<number> {
  return (await stat(path)).size;
}

/**
 * The rows of a file, as they are read: of NDJSON (a JSON record a line) and CSV (https://www.rfc-editor.org/rfc/rfc4180,
 * with a line of names) no more is kept than a few of them; a JSON list is read as a whole.
 *
 * @throws Error where a table or a list cannot be read any further, with the line
 */
export async function* rowsOf(path: string): AsyncGenerator<Row> {
  const kind = kindOfRows(path);
  if (kind === 'json') yield* listed(path);
  else if (kind === 'csv') yield* table(path);
  else yield* lines(path);
}

async function* listed(path: string): AsyncGenerator<Row> {
  const text = await readFile(path, 'utf8');
  const all: unknown = JSON.parse(text);
  if (!Array.isArray(all)) throw new Error('it holds no list of rows: write [{ … }, { … }]');
  for (const [at, one] of all.entries())
    yield {
      number: at + 1,
      text: { json: JSON.stringify(one) },
      at: Math.round((text.length * (at + 1)) / all.length),
    };
}

async function* lines(path: string): AsyncGenerator<Row> {
  const stream = createReadStream(path, 'utf8');
  try {
    let number = 0;
    for await (const line of createInterface({ input: stream, crlfDelay: Number.POSITIVE_INFINITY })) {
      const json = number === 0 ? line.replace(/^\uFEFF/, '') : line;
      number++;
      if (json.trim() !== '') yield { number, text: { json }, at: stream.bytesRead };
    }
  } finally {
    stream.destroy();
  }
}

async function* table(path: string): AsyncGenerator<Row> {
  const { parse } = await import('csv-parse');
  const stream = createReadStream(path);
  const parser = stream.pipe(parse({ columns: true, bom: true, skip_empty_lines: true, trim: false }));
  stream.once('error', (error) => parser.destroy(error));
  let number = 0;
  for await (const fields of parser as AsyncIterable<Record<string, string>>) {
    number++;
    yield { number, text: { fields }, at: stream.bytesRead };
  }
}
