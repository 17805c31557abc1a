import { type BinaryOperator, ExpressionFault, type ExpressionTree } from './tree.js';
import { type Word, wordsOf } from './words.js';

/** How many brackets and operators may stand inside one another. */
const deepest = 100;

/** Operators by how tightly they bind, loosest first; those of one line bind alike, from the left. */
const levels: readonly (readonly BinaryOperator[])[] = [
  ['??'],
  ['or'],
  ['and'],
  ['==', '!='],
  ['<', '<=', '>', '>='],
  ['+', '-'],
  ['*', '/', '%'],
];

/** What people write from habit, and what to write here. */
const habits: Readonly<Record<string, string>> = {
  '===': 'Write ==, which is always strict here.',
  '!==': 'Write !=, which is always strict here.',
  '?.': 'Write a plain dot: a field of a missing value is missing too.',
  '=': 'Compare with ==. Nothing can be assigned here; state changes in a handler.',
  '{': 'Records cannot be written here; make them in a helper.',
  '`': "Join texts with +, or write the text around the interpolation: 'a' + name.",
  '&': 'Write "and" for both.',
  '|': 'Write "or" for either. There are no filters; call a helper: price(cents).',
  ';': 'An interpolation contains one expression.',
};

/**
 * Reads one expression of a template text. The grammar, loosest first:
 *
 *     choice  = or? [ "?" choice ":" choice ]
 *     ??, or, and, == !=, < <= > >=, + -, * / %     (two operands, from the left)
 *     unary   = [ "not" | "-" | "+" ] unary | path
 *     path    = primary { "." name | "[" choice "]" }
 *     primary = name | name "(" [ choice { "," choice } ] ")" | literal | "[" … "]" | "(" choice ")"
 *
 * @throws ExpressionFault with the position in the expression
 */
export function parseExpression(expression: string): ExpressionTree {
  return new Parser(wordsOf(expression)).whole();
}

class Parser {
  readonly words: readonly Word[];
  #next = 0;
  #depth = 0;

  constructor(words: readonly Word[]) {
    this.words = words;
  }

  get word(): Word {
    return this.words[this.#next] ?? { kind: 'end', text: '', at: 0 };
  }

  get isAtEnd(): boolean {
    return this.word.kind === 'end';
  }

  whole(): ExpressionTree {
    if (this.isAtEnd) {
      throw new ExpressionFault('is empty', 0, 'Name a prop, or take the braces out.');
    }
    const tree = this.choice();
    if (!this.isAtEnd) throw this.surprise('an operator or the end');
    return tree;
  }

  choice(): ExpressionTree {
    this.#depth += 1;
    if (this.#depth > deepest) {
      throw new ExpressionFault(
        'goes too deep',
        this.word.at,
        'Work out a part of it in a helper, and call that.',
      );
    }
    const test = this.binary(0);
    if (!this.takes('?')) {
      this.#depth -= 1;
      return test;
    }
    const holds = this.choice();
    this.needs(':', 'a ":" and the other value');
    const otherwise = this.choice();
    this.#depth -= 1;
    return { kind: 'choice', test, holds, otherwise, at: test.at };
  }

  binary(level: number): ExpressionTree {
    const operators = levels[level];
    if (!operators) return this.unary();
    let left = this.binary(level + 1);
    for (;;) {
      const { text, at } = this.word;
      const operator = operators.find((one) => one === text);
      if (operator === undefined || this.word.kind === 'text') return left;
      this.#next += 1;
      left = { kind: 'binary', operator, left, right: this.binary(level + 1), at };
    }
  }

  unary(): ExpressionTree {
    const { kind, text, at } = this.word;
    if (kind === 'text' || (text !== 'not' && text !== '-' && text !== '+')) return this.path();
    this.#next += 1;
    this.#depth += 1;
    if (this.#depth > deepest) throw new ExpressionFault('goes too deep', at, 'Take operators out.');
    const of = this.unary();
    this.#depth -= 1;
    return { kind: 'unary', operator: text, of, at };
  }

  path(): ExpressionTree {
    let of = this.primary();
    for (;;) {
      const { at } = this.word;
      if (this.takes('.')) {
        const { kind, text, at: from } = this.word;
        if (kind !== 'name') throw this.surprise('the name of a field');
        this.#next += 1;
        of = { kind: 'field', of, key: { kind: 'literal', value: text, at: from }, at };
      } else if (this.takes('[')) {
        const key = this.choice();
        this.needs(']', 'a closing "]"');
        of = { kind: 'field', of, key, at };
      } else if (this.word.kind === 'sign' && this.word.text === '(') {
        throw new ExpressionFault(
          'calls something that is no helper',
          at,
          'Only the component’s own helpers can be called, each by its name: price(cents).',
        );
      } else return of;
    }
  }

  primary(): ExpressionTree {
    const { kind, text, at } = this.word;
    if (kind === 'number') return this.literal(Number(text), at);
    if (kind === 'text') return this.literal(text, at);
    if (kind === 'name') return this.named(text, at);
    if (this.takes('(')) {
      const inner = this.choice();
      this.needs(')', 'a closing ")"');
      return inner;
    }
    if (this.takes('[')) return { kind: 'list', items: this.upTo(']'), at };
    if (this.takes('{')) return this.record(at);
    throw this.surprise('a value');
  }

  /** `{ name: item.name, at }`: fields by their names; a name alone is that of a value as well. */
  record(at: number): ExpressionTree {
    const keys: string[] = [];
    const items: ExpressionTree[] = [];
    while (!this.takes('}')) {
      if (keys.length > 0) this.needs(',', 'a comma or a closing "}"');
      const { kind, text: key, at: from } = this.word;
      if (kind !== 'name' && kind !== 'text') throw this.surprise('the name of a field');
      this.#next += 1;
      keys.push(key);
      if (this.takes(':')) items.push(this.choice());
      else if (kind === 'name') items.push({ kind: 'name', name: key, at: from });
      else throw this.surprise('a ":"');
    }
    return { kind: 'record', keys, items, at };
  }

  named(text: string, at: number): ExpressionTree {
    if (text === 'true' || text === 'false') return this.literal(text === 'true', at);
    if (text === 'null') return this.literal(null, at);
    if (text === 'and' || text === 'or' || text === 'not') throw this.surprise('a value');
    this.#next += 1;
    if (this.takes('(')) return { kind: 'call', name: text, args: this.upTo(')'), at };
    return { kind: 'name', name: text, at };
  }

  literal(value: string | number | boolean | null, at: number): ExpressionTree {
    this.#next += 1;
    return { kind: 'literal', value, at };
  }

  /** Values with commas between them, up to a closing bracket. */
  upTo(close: ')' | ']'): readonly ExpressionTree[] {
    const items: ExpressionTree[] = [];
    if (this.takes(close)) return items;
    do items.push(this.choice());
    while (this.takes(','));
    this.needs(close, `a "," or a closing "${close}"`);
    return items;
  }

  takes(sign: string): boolean {
    if (this.word.kind !== 'sign' || this.word.text !== sign) return false;
    this.#next += 1;
    return true;
  }

  needs(sign: string, what: string): void {
    if (!this.takes(sign)) throw this.surprise(what);
  }

  surprise(wanted: string): ExpressionFault {
    const { kind, text, at } = this.word;
    const got = kind === 'end' ? 'ends' : `has ${kind === 'text' ? 'a text' : `"${text}"`}`;
    return new ExpressionFault(
      `${got} where ${wanted} belongs`,
      at,
      (kind === 'sign' ? habits[text] : undefined) ??
        (kind === 'end'
          ? 'Finish it before the closing braces.'
          : 'Put an operator or a comma between values.'),
    );
  }
}
