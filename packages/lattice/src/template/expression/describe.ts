import { byOp, type Core, type OpTable } from './ops.js';

/** An expression as a person would write it: `props.title`, `variety.name`, `calc(props.crates)`. */
export function describe(core: Pick<Core, 'op'>): string {
  return byOp(words, core.op);
}

const words: OpTable<string> = {
  prop: ({ name }) => `props.${name}`,
  state: ({ name }) => `state.${name}`,
  local: ({ label }) => label,
  event: () => 'event',
  data: () => 'data',
  shared: ({ name }) => `shared ${name}`,
  filled: ({ slot }) => `slots.${slot}.filled`,
  uid: ({ label }) => `uid('${label}')`,
  literal: ({ value }) => literalText(value),
  field: ({ of, key }) => `${describe(of)}.${key}`,
  member: ({ of, key }) =>
    key.op.op === 'literal' ? `${describe(of)}.${String(key.op.value)}` : `${describe(of)}[${describe(key)}]`,
  calc: ({ inputs }) => `calc(${inputs.map(describe).join(', ')})`,
  call: ({ name, args }) => `${name}(${args.map(describe).join(', ')})`,
  phrase: ({ strings, parts }) =>
    `phrase\`${strings.map((text, at) => text + (parts[at] ? `\${${describe(parts[at])}}` : '')).join('')}\``,
  list: ({ items }) => `[${items.map(describe).join(', ')}]`,
  record: ({ items, keys }) =>
    `{ ${keys.map((key, at) => `${key}: ${describe(items[at] as Core)}`).join(', ')} }`,
  unary: ({ operator, of }) => `${operator} ${describe(of)}`,
  binary: ({ operator, left, right }) => `${describe(left)} ${operator} ${describe(right)}`,
  choice: ({ test, holds, otherwise }) => `${describe(test)} ? ${describe(holds)} : ${describe(otherwise)}`,
  written: ({ text }) => text,
  read: ({ of }) => describe(of),
  outer: ({ of }) => describe(of),
  something: ({ of }) => describe(of),
  full: ({ of }) => describe(of),
  any: ({ list }) => describe(list),
};

/** A value as JSON; what has none, by what it is. */
function literalText(value: unknown): string {
  if (typeof value === 'bigint') return `${value}n`;
  try {
    return JSON.stringify(value) ?? String(value);
  } catch {
    return Array.isArray(value) ? 'a list' : 'a record';
  }
}
