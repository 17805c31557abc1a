import { join, resolve, sep } from 'node:path';
import type { Props } from './page-of.js';

const place = /\{([^{}]*)\}/g;

/** The fields that a pattern of file names takes; `{n}` is the row's number. */
export function fieldsIn(pattern: string): ReadonlySet<string> {
  return new Set(
    [...pattern.matchAll(place)].map(([, field = '']) => field).filter((field) => field !== 'n'),
  );
}

/** What is wrong with a pattern of file names, completing "The pattern … "; nothing where it is right. */
export function patternFault(pattern: string): string | undefined {
  if (pattern.trim() === '' || /[\\/]$/.test(pattern)) return 'names no file: write one such as "{id}.html"';
  if (!/\{[^{}]+\}/.test(pattern))
    return 'gives all rows one name: write a field of theirs in it, such as "{id}.html"';
  if (pattern.startsWith('/') || pattern.split(/[\\/]/).includes('..'))
    return 'leads out of the folder: write it from there, without ".."';
  return undefined;
}

/**
 * The file of a row, below a folder. Whatever a row says is one part of a path: letters, digits and marks of a file name
 * stay, all else is a hyphen.
 */
export function fileOf(
  folder: string,
  pattern: string,
  record: Props,
  number: number,
): { readonly name: string; readonly path: string } | { readonly missing: string } {
  let missing: string | undefined;
  const name = pattern.replaceAll(place, (_all, field: string) => {
    if (field === 'n') return String(number);
    const value = Object.hasOwn(record, field) ? record[field] : undefined;
    const text = typeof value === 'string' || typeof value === 'number' ? fileName(String(value)) : '';
    if (text === '') missing ??= field;
    return text;
  });
  if (missing !== undefined) return { missing };
  const path = join(folder, name);
  // Checked a second time by where it leads, whatever the first check has let pass.
  return resolve(path).startsWith(resolve(folder) + sep) ? { name, path } : { missing: pattern };
}

/** Text with fields of a row in it, as they are. */
export function textOf(pattern: string, record: Props, number: number): string {
  return pattern.replaceAll(place, (all, field: string) => {
    if (field === 'n') return String(number);
    return Object.hasOwn(record, field) ? String(record[field] ?? '') : all;
  });
}

/** Names that some systems keep for devices (https://learn.microsoft.com/windows/win32/fileio/naming-a-file). */
const devices = /^(?:con|prn|aux|nul|com\d|lpt\d)$/i;

function fileName(text: string): string {
  const safe = text
    .normalize('NFC')
    .replace(/[^\p{L}\p{M}\p{N}._-]+/gu, '-')
    .replace(/^[.-]+|[.-]+$/g, '')
    .slice(0, 120);
  return devices.test(safe) ? `${safe}-` : safe;
}
