import {
  type AnyKind,
  type ComponentCore,
  fieldsIn,
  itemIn,
  type KindWord,
  wordsIn,
} from 'zesty-lattice/internal/component';
import { type Core, describe } from 'zesty-lattice/internal/template';

/** One of the things that a value may be. */
export interface Known {
  readonly word: 'nothing' | 'null' | 'text' | 'number' | 'flag' | 'date' | 'list' | 'record';
  /** Of a text: the words that it can be, where these are known. */
  readonly words?: readonly string[];
  /** Of a list: the kind of its items. */
  readonly item?: AnyKind;
  /** Of a record: its fields. */
  readonly fields?: Readonly<Record<string, AnyKind>>;
}

/** What is known of the names that an expression may read. */
export interface Names {
  readonly component: ComponentCore;
  /** Of rows and slots, by the numbers of their locals; undefined where anything may come. */
  readonly locals: ReadonlyMap<number, readonly Known[] | undefined>;
  /** What is there, since a condition around says so; as it is written. */
  readonly present: ReadonlySet<string>;
}

type Type = readonly Known[] | undefined;

const number: Type = [{ word: 'number' }];
const flag: Type = [{ word: 'flag' }];
const text: Type = [{ word: 'text' }];

/** What a kind's values may be; undefined where the kind says nothing of it, such as a schema. */
export function kindTypes(kind: AnyKind): Type {
  const own = presentTypes(kind);
  return own && kind.settings.presence === 'optional' ? [...own, { word: 'nothing' }] : own;
}

/** What a kind's values may be where there is one. */
export function presentTypes(kind: AnyKind): Type {
  return byKind[kind.rules.word](kind);
}

const wordsOf = (kind: AnyKind): Type =>
  wordsIn(kind)?.map((one): Known => ({ word: 'text', words: [one] })) ?? text;

const byKind: Readonly<Record<KindWord, (kind: AnyKind) => Type>> = {
  any: () => undefined,
  choice: wordsOf,
  date: () => [{ word: 'date' }],
  flag: () => flag,
  function: () => undefined,
  list(kind) {
    const item = itemIn(kind);
    return [{ word: 'list', ...(item && { item }) }];
  },
  number: () => number,
  record(kind) {
    const fields = fieldsIn(kind);
    return [{ word: 'record', ...(fields && { fields }) }];
  },
  schema: () => undefined,
  tag: wordsOf,
  text: () => text,
  url: () => text,
};

/** What an expression may come to; undefined where that may be anything. */
export function typeOf(core: Core, names: Names): Type {
  const type = withoutCondition(core, names);
  return names.present.has(describe(core)) ? type?.filter(isThere) : type;
}

const isThere = ({ word }: Known): boolean => word !== 'nothing' && word !== 'null';

function withoutCondition(core: Core, names: Names): Type {
  const { op } = core;
  switch (op.op) {
    case 'prop': {
      const kind = names.component.props.kinds[op.index];
      return kind && kindTypes(kind);
    }
    case 'local':
      return names.locals.get(op.local);
    case 'literal':
      return ofLiteral(op.value);
    case 'written':
      return typeOf(op.of, names);
    case 'member':
      return ofMember(op.of, op.key, names);
    case 'phrase':
    case 'uid':
      return text;
    case 'filled':
    case 'something':
    case 'full':
      return flag;
    case 'unary':
      return op.operator === 'not' ? flag : number;
    case 'choice':
      return either(
        typeOf(op.holds, { ...names, present: new Set([...names.present, describe(op.test)]) }),
        typeOf(op.otherwise, names),
      );
    case 'binary':
      return ofBinary(op.operator, typeOf(op.left, names), typeOf(op.right, names));
    default:
      return undefined;
  }
}

function ofLiteral(value: unknown): Type {
  if (value === null) return [{ word: 'null' }];
  if (value === undefined) return [{ word: 'nothing' }];
  if (typeof value === 'string') return [{ word: 'text', words: [value] }];
  if (typeof value === 'number') return number;
  return typeof value === 'boolean' ? flag : undefined;
}

function ofMember(of: Core, key: Core, names: Names): Type {
  const name = key.op.op === 'literal' ? key.op.value : undefined;
  const types = typeOf(of, names);
  // A field of what is not there is not there either.
  const all = types?.map((one): Type => {
    if (!isThere(one)) return [{ word: 'nothing' }];
    if (one.word === 'list' && name === 'length') return number;
    if (one.word === 'list' && one.item && typeof name === 'number')
      return either(kindTypes(one.item), [{ word: 'nothing' }]);
    const field = one.word === 'record' && typeof name === 'string' ? one.fields?.[name] : undefined;
    return field && kindTypes(field);
  });
  return all?.reduce(either);
}

function ofBinary(operator: string, left: Type, right: Type): Type {
  switch (operator) {
    case '??':
    case 'or':
      return left && either(left.filter(isThere), right);
    case 'and':
      // What is always there gives the other one; the rest may be false, 0 or empty, and is then what comes of it.
      return (
        left &&
        either(
          left.filter(({ word }) => !/^(?:date|list|record)$/.test(word)),
          right,
        )
      );
    case '+': {
      const isNumber = (type: Type): boolean => type?.every(({ word }) => word === 'number') === true;
      const isText = (type: Type): boolean => type?.every(({ word }) => word === 'text') === true;
      return isNumber(left) && isNumber(right) ? number : isText(left) || isText(right) ? text : undefined;
    }
    case '-':
    case '*':
    case '/':
    case '%':
      return number;
    default:
      return flag;
  }
}

/** What may be one or the other, each thing once. */
function either(one: Type, other: Type): Type {
  if (!one || !other) return undefined;
  const key = (known: Known): string => `${known.word} ${known.words?.join() ?? ''}`;
  const simple = new Map<string, Known>();
  const deep: Known[] = [];
  for (const known of [...one, ...other])
    if (known.item || known.fields) deep.push(known);
    else simple.set(key(known), known);
  return [...simple.values(), ...deep];
}
