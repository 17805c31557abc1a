import type { AnyKind } from '../../component/index.js';

const types: Readonly<Record<string, string>> = { text: 'string', number: 'number', flag: 'boolean' };

/** The type that values of a kind have, where that is all there is to check (and numbers being finite). */
export function plainTypeOf({ rules, settings }: AnyKind): string | undefined {
  return settings.tests.length > 0 || rules.settle ? undefined : types[rules.word];
}

/** What a prop of a kind always holds, where that can be shown with no question: `text`, or a `number`. */
export function shownTypeOf({ rules, settings }: AnyKind): 'text' | 'number' | undefined {
  if (settings.presence === 'optional' || rules.settle) return undefined;
  if (rules.word === 'number') return 'number';
  return /^(text|choice|tag|url)$/.test(rules.word) ? 'text' : undefined;
}
