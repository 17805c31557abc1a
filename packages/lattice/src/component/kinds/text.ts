import { Kind } from '../kind.js';
import { rule } from '../rule.js';

export const textRule = /* @__PURE__ */ rule('text', (value) => typeof value === 'string');

/**
 * Any text.
 *
 * With a type of its own it takes just those texts in the editor, such as the names of a type's fields.
 *
 * @example prop.text<keyof Variety & string>()
 * @example prop.text().where((t) => t.length < 80, 'must be shorter than 80 characters')
 */
export function text<Text extends string = string>(): Kind<Text> {
  return new Kind<Text>({
    ...textRule,
    word: 'text',
    code: { name: 'textRule' },
    write: (value) => value,
  });
}
