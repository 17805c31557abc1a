import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';

/** A row of data as it stands in its file: a line of JSON, or the fields of a table as text. */
export type RowText = { readonly json: string } | { readonly fields: Readonly<Record<string, string>> };

export interface Row {
  /** From 1. */
  readonly number: number;
  /** What it says; where it cannot be read, what is wrong with it, completing "The row … ". */
  readonly text: RowText | { readonly fault: string };
  /** How far into the file it reaches, in bytes; for a progress bar, where it is known. */
  readonly at: number;
}

/** A file that holds no rows at all; its message completes a sentence about the file. */
export class UnreadableRows extends Error {}

type RowKind = 'json' | 'ndjson' | 'csv';

/** The word for standard input where a file of rows is expected. */
export const standardInput = '-';

/** How a file of rows is written; undefined for endings that are not known. Standard input is looked at when it is read. */
export function kindOfRows(path: string): RowKind | 'input' | undefined {
  if (path === standardInput) return 'input';
  if (/\.json$/i.test(path)) return 'json';
  if (/\.(?:ndjson|jsonl)$/i.test(path)) return 'ndjson';
  return /\.csv$/i.test(path) ? 'csv' : undefined;
}

/** How long a file of rows is, in bytes; 0 where nobody knows. */
export async function sizeOf(path: string): Promise<number> {
  return path === standardInput ? 0 : (await stat(path)).size;
}

/**
 * The rows of a file, as they are read: no more than a few are kept, of NDJSON (a JSON record a line), of a list in JSON, and
 * of CSV (https://www.rfc-editor.org/rfc/rfc4180, with a line of names). A row that cannot be read is one with a fault; what
 * comes after it is read, where it is known where that begins.
 *
 * @throws UnreadableRows where a file holds no rows at all
 */
export async function* rowsOf(path: string): AsyncGenerator<Row> {
  const input = path === standardInput ? process.stdin : createReadStream(path);
  try {
    const known = kindOfRows(path);
    const [kind, stream] = known === 'input' || !known ? await looked(input) : [known, input];
    if (kind === 'json') yield* listed(stream, input);
    else if (kind === 'csv') yield* table(stream, input);
    else yield* lines(stream, input);
  } finally {
    input.destroy();
  }
}

/** What counts the bytes that were read. */
type Counted = { readonly bytesRead?: number };
type Bytes = AsyncIterable<Buffer> & Readable;

/** What text that comes in is, by the first character that says something: a list, a record, or a line of names. */
async function looked(input: Readable): Promise<readonly [RowKind, Bytes]> {
  const { Readable: Stream } = await import('node:stream');
  const parts = (input as AsyncIterable<Buffer>)[Symbol.asyncIterator]();
  const read: Buffer[] = [];
  let start = '';
  while (start === '') {
    const { done, value } = await parts.next();
    if (done) break;
    read.push(Buffer.from(value));
    start = Buffer.concat(read)
      .toString('utf8')
      .replace(/^[\uFEFF\s]+/, '')
      .slice(0, 1);
  }
  const all = async function* (): AsyncGenerator<Buffer> {
    yield* read;
    for (let next = await parts.next(); !next.done; next = await parts.next()) yield Buffer.from(next.value);
  };
  const kind = start === '[' ? 'json' : start === '{' ? 'ndjson' : 'csv';
  return [kind, Stream.from(all()) as Bytes];
}

/** A list of JSON, whose items are read one after another. */
async function* listed(stream: Readable, input: Counted): AsyncGenerator<Row> {
  const { JSONParser, TokenType } = await import('@streamparser/json');
  const parser = new JSONParser({ paths: ['$.*'], keepStack: false });
  const found: unknown[] = [];
  let broken: string | undefined;
  let isList: boolean | undefined;
  parser.onToken = ({ token }) => {
    isList ??= token === TokenType.LEFT_BRACKET;
  };
  parser.onValue = ({ value }) => {
    found.push(value);
  };
  parser.onError = ({ message }) => {
    broken ??= message;
  };
  const text = new TextDecoder();
  let number = 0;
  for await (const part of stream as Bytes) {
    parser.write(text.decode(part, { stream: true }));
    if (isList === false) throw new UnreadableRows('it holds no list of rows: write [{ … }, { … }]');
    for (const one of found.splice(0))
      yield { number: ++number, text: { json: JSON.stringify(one) }, at: input.bytesRead ?? 0 };
    if (broken !== undefined) break;
  }
  if (isList === undefined && broken === undefined)
    throw new UnreadableRows('it is empty: write [{ … }, { … }]');
  if (broken === undefined && !parser.isEnded) broken = 'it ends in the middle';
  if (broken === undefined) return;
  const fault = `is no JSON (${broken}), and what follows it was not read`;
  yield { number: number + 1, text: { fault }, at: input.bytesRead ?? 0 };
}

async function* lines(stream: Readable, input: Counted): AsyncGenerator<Row> {
  let number = 0;
  for await (const line of createInterface({ input: stream, crlfDelay: Number.POSITIVE_INFINITY })) {
    const json = number === 0 ? line.replace(/^\uFEFF/, '') : line;
    number++;
    if (json.trim() !== '') yield { number, text: { json }, at: input.bytesRead ?? 0 };
  }
}

/** A record as RFC 4180 has it (section 2): a quotation mark stands around a whole field, or twice within one. */
const wellQuoted = /^(?:"(?:[^"]|"")*"|[^",]*)(?:,(?:"(?:[^"]|"")*"|[^",]*))*$/;

interface TableRecord {
  readonly record: Readonly<Record<string, string>>;
  readonly raw: string;
  readonly info: { readonly lines: number };
}

async function* table(stream: Readable, input: Counted): AsyncGenerator<Row> {
  const { parse } = await import('csv-parse');
  const bad: { readonly line: number; readonly fault: string }[] = [];
  let last = 1;
  let columns = 0;
  const parser = stream.pipe(
    parse({
      bom: true,
      columns: (names: readonly string[]) => {
        columns = names.length;
        return [...checkedNames(names)];
      },
      info: true,
      raw: true,
      // A mark that stands within a field does not take what follows it along; the field is reported all the same.
      relax_quotes: true,
      skip_empty_lines: true,
      skip_records_with_error: true,
      trim: false,
      on_skip: (error) => {
        const { code, lines: line = last + 1, record } = (error ?? {}) as unknown as SkippedRecord;
        if (code === 'CSV_RECORD_INCONSISTENT_COLUMNS') {
          const count = record?.length ?? 0;
          const names = `the table names ${columns}`;
          bad.push({
            line,
            fault: `has ${count} field${count === 1 ? '' : 's'} where ${names} (line ${line})`,
          });
        } else if (code === 'CSV_QUOTE_NOT_CLOSED')
          bad.push({
            line,
            fault: `opens a quotation mark that nothing closes: what follows, down to line ${line}, was not read`,
          });
        else bad.push({ line, fault: `cannot be read: ${error?.message ?? code} (line ${line})` });
      },
    }),
  );
  stream.once('error', (error) => parser.destroy(error));
  let number = 0;
  const row = (text: Row['text']): Row => ({ number: ++number, text, at: input.bytesRead ?? 0 });
  for await (const { info, raw, record } of parser as AsyncIterable<TableRecord>) {
    while (bad[0] && bad[0].line < info.lines) yield row({ fault: bad.shift()?.fault ?? '' });
    last = info.lines;
    if (wellQuoted.test(raw.replace(/\r?\n$/, ''))) yield row({ fields: record });
    else
      yield row({
        fault: `has a quotation mark within a field that has none around it (line ${info.lines}); write it twice, and put the field in quotation marks`,
      });
  }
  for (const { fault } of bad) yield row({ fault });
}

interface SkippedRecord {
  readonly code?: string;
  readonly lines?: number;
  readonly record?: readonly string[];
}

/** The names of a table's columns, each of which stands once. */
function checkedNames(names: readonly string[]): readonly string[] {
  const twice = names.find((name, at) => names.indexOf(name) !== at);
  if (twice !== undefined)
    throw new UnreadableRows(
      `it names the column ${JSON.stringify(twice)} twice (columns ${names.indexOf(twice) + 1} and ${names.lastIndexOf(twice) + 1}): name each column once`,
    );
  return names;
}
