import type { Problem } from 'zesty-lattice/internal/problem';
import { type ScannedTag, scanned, voidElements } from 'zesty-lattice/internal/template';
import type { TextEdit } from './text-edit.js';

/** A change of a text that may fix a problem. */
export interface Mending {
  readonly title: string;
  readonly edits: readonly TextEdit[];
}

/**
 * What may fix a problem: the nearest word in the place of one that nobody knows, at the end tag as well, or an end tag that
 * is missing. Whether the text is better for it shows when it is read again.
 *
 * @param at where the problem is reported
 */
export function mendings({ code, hint, message }: Problem, text: string, at: number): readonly Mending[] {
  const [, before = '', meant = ''] =
    /^([\s\S]*?)Did you mean ["<]?([\w$-]+)/.exec(`${message} ${hint}`) ?? [];
  // What is named last before the question is what it is about.
  const wrong = [...before.matchAll(/["<]([\w$-]+)[">]/g)].at(-1)?.[1] ?? '';
  if (meant !== '' && wrong !== '') {
    const edits = renamed(text, wrong, meant, at);
    if (edits.length > 0) return [{ title: `Write ${meant}`, edits }];
  }
  if (code !== 'tag-unclosed' && code !== 'tag-crossed') return [];
  const tag = /<([\w-]+)/.exec(message)?.[1] ?? /^<([\w-]+)/.exec(text.slice(at))?.[1];
  if (tag === undefined) return [];
  const end = closingAt(text, tag, at);
  const edits = [{ from: end, to: end, text: `</${tag}>` }];
  // Where one end tag comes too late, it is moved.
  const late = code === 'tag-crossed' ? strayBehind(text, tag, end) : undefined;
  return [
    { title: `Close <${tag}>`, edits: late ? [...edits, { from: late.at, to: late.end, text: '' }] : edits },
  ];
}

function renamed(text: string, wrong: string, meant: string, at: number): readonly TextEdit[] {
  const from = wordFrom(text, wrong, at);
  if (from < 0) return [];
  const edit = (start: number): TextEdit => ({ from: start, to: start + wrong.length, text: meant });
  if (text[from - 1] !== '<') return [edit(from)];
  const end = endOf(text, wrong, from - 1);
  return end ? [edit(from), edit(end.at + 2)] : [edit(from)];
}

/** The end tag of an element that starts at a place. */
function endOf(text: string, tag: string, at: number): ScannedTag | undefined {
  let depth = 0;
  for (const one of tagsFrom(text, at)) {
    if (one.name.toLowerCase() !== tag || one.isAlone) continue;
    depth += one.isEnd ? -1 : 1;
    if (depth === 0) return one;
  }
  return undefined;
}

/** Where an element has to end at the latest: before the end tag of what is around it, else at the end of its line. */
function closingAt(text: string, tag: string, at: number): number {
  const open: string[] = [];
  for (const one of tagsFrom(text, at)) {
    const name = one.name.toLowerCase();
    if (!one.isEnd) {
      if (!voidElements.has(name) && !one.isAlone) open.push(name);
      continue;
    }
    const from = open.lastIndexOf(name);
    if (from > 0) open.splice(from);
    else if (from === 0 && name === tag) return one.at;
    else if (from < 0) return one.at;
  }
  const line = text.indexOf('\n', at);
  const after = text.slice(line < 0 ? text.length : line);
  // What follows on other lines may be in it or not: the rest of its own line is.
  return after.trim() === '' ? text.trimEnd().length : line;
}

function strayBehind(text: string, tag: string, from: number): ScannedTag | undefined {
  for (const one of tagsFrom(text, from)) if (one.isEnd && one.name.toLowerCase() === tag) return one;
  return undefined;
}

function* tagsFrom(text: string, at: number): Generator<ScannedTag> {
  for (const one of scanned(text)) if (one.kind === 'tag' && one.at >= at && !one.isOpen) yield one;
}

function wordFrom(text: string, word: string, at: number): number {
  const pattern = new RegExp(`(?<![\\w$-])${word.replace(/[$]/g, '\\$&')}(?![\\w$-])`, 'g');
  pattern.lastIndex = at;
  const behind = pattern.exec(text)?.index;
  return behind ?? -1;
}

/** A text after changes. */
export function edited(text: string, edits: readonly TextEdit[]): string {
  return [...edits]
    .sort((one, other) => other.from - one.from)
    .reduce((now, { from, text: put, to }) => now.slice(0, from) + put + now.slice(to), text);
}

/** Whether a text is better than it was: fewer problems, and none that it did not have. */
export function isBetter(before: readonly Problem[], after: readonly Problem[]): boolean {
  const known = new Map<string, number>();
  for (const one of before) known.set(one.code, (known.get(one.code) ?? 0) + 1);
  const isNew = after.some((one) => {
    const left = known.get(one.code) ?? 0;
    known.set(one.code, left - 1);
    return left <= 0;
  });
  return after.length < before.length && !isNew;
}
