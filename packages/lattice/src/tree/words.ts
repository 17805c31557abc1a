import type { TreeCondition, TreeProp, TreeSlot } from './tree.js';

/** A condition or repetition as a person would say it. */
export function conditionWords(
  { kind, of, rows }: TreeCondition,
  clip = (text: string): string => text,
): string {
  const what = clip(of);
  switch (kind) {
    case 'each':
      return `for each of ${what}${rows === undefined ? '' : ` (${rows})`}`;
    case 'empty':
      return `if ${what} is empty`;
    case 'given':
      return `if ${what}`;
    case 'otherwise':
      return `if not ${what}`;
    case 'failure':
      return `where ${what} cannot be shown`;
    case 'fallback':
      return `if ${what} is not filled`;
  }
}

/** What there is to say of a slot; nothing where it is simply filled. */
export function slotWords({ state }: TreeSlot): string {
  return state === 'filled' ? '' : stateWords[state];
}

const stateWords = {
  depends: 'filled if the values say so',
  fallback: 'shows its fallback',
  empty: 'empty',
  open: 'open',
} as const;

/** A value as far as one line shows it. */
export function valueWords(value: unknown): string {
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === 'bigint') return String(value);
  return JSON.stringify(value) ?? String(value);
}

/** What a prop is where no value is known; nothing where one is. */
export function absentWords({ from, kind }: TreeProp): string {
  if (from === 'open') return `open, accepts ${kind}`;
  return from === 'absent' ? 'missing' : '';
}

/** How much there is: `12 uses`. */
export function countWords(number: number, what: string): string {
  return `${number.toLocaleString('en')} ${what}${number === 1 ? '' : 's'}`;
}
