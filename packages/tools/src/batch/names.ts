import { createHash } from 'node:crypto';
import { join, resolve, sep } from 'node:path';
import type { Props } from './page-of.js';

const place = /\{([^{}]*)\}/g;

/** The fields that a pattern takes; `{n}` is the row's number. */
export function fieldsIn(pattern: string): ReadonlySet<string> {
  return new Set(
    [...pattern.matchAll(place)].map(([, field = '']) => field).filter((field) => field !== 'n'),
  );
}

/** Whether a pattern takes the row's number. */
export const takesNumber = (pattern: string): boolean => pattern.includes('{n}');

/** What is wrong with a pattern of file names, completing "The pattern … "; nothing where it is right. */
export function patternFault(pattern: string): string | undefined {
  if (pattern.trim() === '' || /[\\/]$/.test(pattern)) return 'names no file: write one such as "{id}.html"';
  if (!/\{[^{}]+\}/.test(pattern))
    return 'gives all rows one name: write a field of theirs in it, such as "{id}.html"';
  if (pattern.startsWith('/') || pattern.split(/[\\/]/).includes('..'))
    return 'leads out of the folder: write it from there, without ".."';
  return undefined;
}

/** The longest name of a file in bytes, with most file systems. */
const mostBytes = 255;

/**
 * The file of a row, below a folder; or what is wrong with the row, completing "The row … ". Whatever a row says is one part
 * of a path: letters, digits and marks of a file name stay, all else is a hyphen.
 */
export function fileOf(
  folder: string,
  pattern: string,
  record: Props,
  number: number,
): { readonly name: string; readonly path: string } | { readonly fault: string } {
  let fault: string | undefined;
  const name = pattern.replaceAll(place, (_all, field: string) => {
    if (field === 'n') return String(number);
    const value = Object.hasOwn(record, field) ? record[field] : undefined;
    const isSaid = typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean';
    const text = isSaid ? fileName(String(value)) : '';
    if (text === '') fault ??= unnamed(field, isSaid ? String(value) : undefined);
    return text;
  });
  if (fault !== undefined) return { fault };
  if (name.split(/[\\/]/).some((part) => Buffer.byteLength(part) > mostBytes))
    return {
      fault: `has a file’s name of more than ${mostBytes} bytes: let --name take fewer of its fields`,
    };
  const path = join(folder, name);
  // Checked a second time by where it leads, whatever the first check has let pass.
  return resolve(path).startsWith(resolve(folder) + sep)
    ? { name, path }
    : { fault: `would be written outside of the folder, to ${JSON.stringify(name)}` };
}

function unnamed(field: string, text: string | undefined): string {
  if (text === undefined || text === '') return `has no "${field}" for its file’s name`;
  return `has ${JSON.stringify(text)} as "${field}", of which nothing can stand in its file’s name: letters and digits can`;
}

/** Text with fields of a row in it, as they are. */
export function textOf(pattern: string, record: Props, number: number): string {
  if (!pattern.includes('{')) return pattern;
  return pattern.replaceAll(place, (all, field: string) => {
    if (field === 'n') return String(number);
    return Object.hasOwn(record, field) ? String(record[field] ?? '') : all;
  });
}

/** Names that some systems keep for devices (https://learn.microsoft.com/windows/win32/fileio/naming-a-file). */
const devices = /^(?:con|prn|aux|nul|com\d|lpt\d)$/i;

/** How much of a name one field may take, in bytes: two of them fit in one. */
const mostOfField = 120;

function fileName(text: string): string {
  const safe = text
    .normalize('NFC')
    .replace(/[^\p{L}\p{M}\p{N}._-]+/gu, '-')
    .replace(/^[.-]+|[.-]+$/g, '');
  if (Buffer.byteLength(safe) > mostOfField) return shortened(safe);
  return devices.test(safe) ? `${safe}-` : safe;
}

/** The start of a long name, and a word for all of it: two that start the same way stay two. */
function shortened(text: string): string {
  let start = '';
  for (const character of text) {
    if (Buffer.byteLength(start + character) > mostOfField - 9) break;
    start += character;
  }
  return `${start}-${createHash('sha256').update(text).digest('hex').slice(0, 8)}`;
}
