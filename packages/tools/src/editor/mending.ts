import type { Problem } from 'zesty-lattice/internal/problem';
import type { TextEdit } from './text-edit.js';

/** A change of the text that fixes a problem. */
export interface Mending extends TextEdit {
  readonly title: string;
}

/** Ways to fix a problem: the nearest word in the place of one that nobody knows, an end tag that is missing. */
export function mendings({ code, hint, message }: Problem, text: string, at: number): readonly Mending[] {
  const [, before = '', meant = ''] =
    /^([\s\S]*?)Did you mean ["<]?([\w$-]+)/.exec(`${message} ${hint}`) ?? [];
  // What is named last before the question is what it is about.
  const wrong = [...before.matchAll(/["<]([\w$-]+)[">]/g)].at(-1)?.[1] ?? '';
  if (meant !== '' && wrong !== '') {
    const found = wordFrom(text, wrong, at);
    if (found >= 0) return [{ title: `Write ${meant}`, from: found, to: found + wrong.length, text: meant }];
  }
  if (code === 'tag-unclosed') {
    const tag = /<([\w-]+)/.exec(message)?.[1] ?? /^<([\w-]+)/.exec(text.slice(at))?.[1];
    const end = text.indexOf('\n', at);
    const to = end < 0 ? text.length : end;
    if (tag !== undefined) return [{ title: `Close <${tag}>`, from: to, to, text: `</${tag}>` }];
  }
  return [];
}

function wordFrom(text: string, word: string, at: number): number {
  const pattern = new RegExp(`(?<![\\w$-])${word.replace(/[$]/g, '\\$&')}(?![\\w$-])`, 'g');
  pattern.lastIndex = at;
  const behind = pattern.exec(text)?.index;
  return behind ?? -1;
}
