import { type ClassPart, writtenClass } from '../../template/attributes/class.js';
import { type StylePart, writtenStyle } from '../../template/attributes/style.js';
import type { Write } from './attribute.js';

/** The words of a class: those that are always there, and the parts that follow. */
export function classes(prefix: string, parts: readonly ClassPart[]): Write {
  const write = writtenClass(prefix, parts);
  return (scope) => write(scope) || null;
}

/** The declarations of a style. */
export function styles(tag: string, parts: readonly StylePart[]): Write {
  const write = writtenStyle(tag, parts);
  return (scope, report) => write(scope, report) || null;
}
