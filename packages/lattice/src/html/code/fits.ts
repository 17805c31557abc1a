import { accessCode, constantCode } from '../../code/constants.js';
import { type AnyKind, isKind, wordsIn } from '../../component/index.js';
import { plainTypeOf } from '../lower/checks.js';
import type { LatticeName } from './names.js';

type Name = (called: LatticeName) => string;

/**
 * The code of a test that a value is of a kind, for lists and records of plain kinds: it is asked for each row. It may say no
 * to a value that fits: the caller looks more closely then. Undefined for kinds that are more than that.
 */
export function fitCode(kind: AnyKind, value: string, name: Name, depth = 0): string | undefined {
  const { rules, settings } = kind;
  if (settings.tests.length > 0 || rules.settle || depth > 4) return undefined;
  const type = plainTypeOf(kind);
  if (type === 'number') return `Number.isFinite(${value})`;
  if (type !== undefined) return `typeof ${value} === '${type}'`;
  if (rules.word === 'url')
    return `(${name('isPlainUrl')}(${value}) || typeof ${value} === 'string' && !${name('isScriptUrl')}(${value}))`;
  if (rules.word === 'choice') {
    const words = shortWords(kind);
    return words ? words.map((word) => `${value} === ${constantCode(word)}`).join(' || ') : undefined;
  }
  if (rules.word === 'list' && isKind(rules.holds)) {
    const item = `item${depth}`;
    const one = fitCode(rules.holds, item, name, depth + 1);
    return one && `Array.isArray(${value}) && ${value}.every((${item}) => ${one})`;
  }
  const { holds } = rules;
  if (rules.word !== 'record' || rules.holdsMore || typeof holds !== 'object' || holds === null)
    return undefined;
  return recordCode(holds as Readonly<Record<string, AnyKind>>, value, name, depth);
}

/** The words of a choice of few, which are compared with each; undefined for all else. */
export function shortWords(kind: AnyKind): readonly string[] | undefined {
  const words = wordsIn(kind);
  const isShort =
    Array.isArray(words) && words.length <= 6 && words.every((word) => typeof word === 'string');
  return isShort ? words : undefined;
}

/** A record has its fields, each of its kind, and as many as there are of them: then it has no others. */
function recordCode(
  fields: Readonly<Record<string, AnyKind>>,
  value: string,
  name: Name,
  depth: number,
): string | undefined {
  const tests: string[] = [];
  let needed = 0;
  let count = '';
  for (const [field, kind] of Object.entries(fields)) {
    const read = `${value}${accessCode(field)}`;
    const one = fitCode(kind, read, name, depth + 1);
    if (one === undefined) return undefined;
    if (kind.settings.presence === 'required') {
      needed++;
      tests.push(`(${one})`);
    } else {
      count += ` + (${read} === undefined ? 0 : 1)`;
      tests.push(`(${read} === undefined || (${one}))`);
    }
  }
  const isRecord = `typeof ${value} === 'object' && ${value} !== null && !Array.isArray(${value})`;
  return [isRecord, ...tests, `${name('fieldCount')}(${value}) === ${needed}${count}`].join(' && ');
}
