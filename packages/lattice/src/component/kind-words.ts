/** What kinds are called. A new one has a line in the tables of every reader: `tsc` names them. */
export type KindWord =
  | 'any'
  | 'choice'
  | 'date'
  | 'flag'
  | 'function'
  | 'list'
  | 'number'
  | 'record'
  | 'schema'
  | 'tag'
  | 'text'
  | 'url';

/** What the values of a kind are, for those who read kinds without knowing each. */
interface KindFacts {
  /** Their JavaScript type, where a value of the kind is always of that. */
  readonly type?: 'string' | 'number' | 'boolean';
  /** Whether every value of that type is one of the kind; of numbers, those that are finite. */
  readonly takesAll?: true;
  /** Whether they may be a list. */
  readonly mayList?: true;
  /** Whether JSON has them as they are; others stay the text that they are read from. */
  readonly isJson?: true;
}

export const kindFacts: Readonly<Record<KindWord, KindFacts>> = {
  any: { mayList: true, isJson: true },
  choice: { type: 'string' },
  date: {},
  function: {},
  flag: { type: 'boolean', takesAll: true, isJson: true },
  list: { mayList: true, isJson: true },
  number: { type: 'number', takesAll: true, isJson: true },
  record: { isJson: true },
  schema: { mayList: true },
  tag: { type: 'string' },
  text: { type: 'string', takesAll: true },
  url: { type: 'string' },
};
