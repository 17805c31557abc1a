import type { FieldFacts } from '../../reading/facts.js';

/** A value in a record, since a prop that is nothing is one that was left out. */
export interface Held {
  readonly value?: unknown;
}

/** What a control says, as a value of the kind; text that is none stays text, so that the kind can say so. */
export function typedValue({ kind }: Pick<FieldFacts, 'kind'>, text: string): unknown {
  if (kind === 'number') return text.trim() !== '' && Number.isFinite(Number(text)) ? Number(text) : text;
  return text;
}

/** A value as its control shows it. */
export function textOf(value: unknown): string {
  if (value === undefined || value === null) return '';
  return typeof value === 'string' ? value : JSON.stringify(value, null, 2);
}

/** How a value is edited: by a control of its own, part by part, or as JSON. */
export function wayOf({ kind, parts }: FieldFacts): Way {
  const way = ways[kind];
  const isKnown = (way !== 'list' && way !== 'record') || (parts.length > 0 && parts[0]?.kind !== 'any');
  return isKnown ? way : 'json';
}

type Way = 'line' | 'date' | 'flag' | 'choice' | 'list' | 'record' | 'json';

const ways: Readonly<Record<FieldFacts['kind'], Way>> = {
  any: 'json',
  choice: 'choice',
  date: 'date',
  flag: 'flag',
  function: 'json',
  list: 'list',
  number: 'line',
  record: 'record',
  schema: 'json',
  tag: 'choice',
  text: 'line',
  url: 'line',
};

/** A value to start with where one is needed: something to see at once, and to change. */
export function startOf({ fallback, isNeeded, kind, name, parts, words }: FieldFacts): unknown {
  switch (kind) {
    case 'number':
      return 1;
    case 'flag':
      return false;
    case 'date':
      return '2026-05-17';
    case 'url':
      return '#';
    case 'choice':
    case 'tag':
      return fallback === '' ? words[0] : fallback;
    case 'list':
      return [];
    case 'record':
      return Object.fromEntries(parts.filter((one) => one.isNeeded).map((one) => [one.name, startOf(one)]));
    case 'text':
      return inWords(name) || 'Text';
    case 'any':
    case 'schema':
      return isNeeded ? {} : undefined;
  }
}

/** A name in words: `sowIn` is `Sow in`. */
export function inWords(name: string): string {
  const words = name.replace(/([a-z\d])([A-Z])/g, '$1 $2').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
