import pc from 'picocolors';
import type { ComponentTree, TreeCondition, TreeProp, TreeSlot, TreeUse } from '../tree/index.js';

type Colors = ReturnType<typeof pc.createColors>;

/** The width the view keeps to, in characters. */
const width = 100;

/** Trees as text: a line for each use, its props and its slots below it; then how much there is. */
export function treeText(trees: readonly ComponentTree[], isTerminal: boolean): string {
  const colors = pc.createColors(isTerminal && pc.isColorSupported);
  const lines: string[] = [];
  for (const { root } of trees) writeUse(root, '', '', lines, colors);
  const uses = trees.flatMap((tree) => [...tree.walk()]);
  const names = new Set(uses.map((use) => use.component));
  const depth = Math.max(0, ...uses.map((use) => use.path.split(' › ').length));
  const count = (number: number, what: string): string => `${number} ${what}${number === 1 ? '' : 's'}`;
  if (trees.length > 0) lines.push('');
  lines.push(
    `${count(names.size, 'component')}, ${count(uses.length, 'use')}, ${count(depth, 'level')} deep`,
  );
  return `${lines.join('\n')}\n`;
}

/** `first` stands before the use's own line, `rest` before all lines below it. */
function writeUse(use: TreeUse, first: string, rest: string, lines: string[], colors: Colors): void {
  const notes = [
    ...(use.shown === false ? ['not shown'] : []),
    ...use.under.map(conditionText),
    ...(use.recursive ? ['contains itself'] : []),
  ];
  const note =
    notes.length > 0
      ? `  ${colors.dim(clip(notes.join(', '), width - first.length - use.component.length - 2))}`
      : '';
  const name = use.shown === false ? colors.dim(use.component) : colors.bold(colors.green(use.component));
  lines.push(`${first}${name}${note}`);
  const branches: ((first: string, rest: string) => void)[] = [];
  for (const slot of use.slots) branches.push((one, more) => writeSlot(slot, one, more, lines, colors));
  for (const inner of use.uses) branches.push((one, more) => writeUse(inner, one, more, lines, colors));
  writeProps(use.props, rest + (branches.length > 0 ? '│   ' : '    '), lines, colors);
  writeBranches(branches, rest);
}

function writeBranches(branches: readonly ((first: string, rest: string) => void)[], rest: string): void {
  for (const [at, branch] of branches.entries()) {
    const isLast = at === branches.length - 1;
    branch(`${rest}${isLast ? '└─ ' : '├─ '}`, `${rest}${isLast ? '   ' : '│  '}`);
  }
}

function writeProps(props: readonly TreeProp[], indent: string, lines: string[], colors: Colors): void {
  const longest = Math.max(0, ...props.map((prop) => prop.name.length));
  for (const prop of props) {
    const name = prop.name.padEnd(longest);
    const room = width - indent.length - longest - 2;
    lines.push(`${colors.dim(indent)}${colors.cyan(name)}  ${propText(prop, room, colors)}`);
  }
}

function propText(prop: TreeProp, room: number, colors: Colors): string {
  if (prop.from === 'open') return colors.dim(`open, takes ${prop.kind}`);
  if (prop.from === 'absent') return colors.dim('not given');
  const value = prop.value === undefined ? '' : valueText(prop.value);
  if (prop.expression === undefined) {
    return `${clip(value, room - 12)}${prop.from === 'fallback' ? colors.dim('  fallback') : ''}`;
  }
  const expression = clip(prop.expression, Math.floor(room / 2));
  if (value === '') return `${colors.dim('←')} ${expression}`;
  return `${clip(value, room - expression.length - 4)} ${colors.dim('←')} ${expression}`;
}

function writeSlot(slot: TreeSlot, first: string, rest: string, lines: string[], colors: Colors): void {
  const state = slot.state === 'filled' ? '' : colors.dim(`  ${stateWords[slot.state]}`);
  lines.push(`${first}${colors.yellow(`slot ${slot.name}`)}${state}`);
  writeBranches(
    slot.content.map((part) => (one: string, more: string) => {
      if ('component' in part) writeUse(part, one, more, lines, colors);
      else lines.push(one + clip(part.outline, width - one.length));
    }),
    rest,
  );
}

const stateWords = {
  depends: 'filled if the values say so',
  fallback: 'shows its fallback',
  empty: 'empty',
  open: 'open',
} as const;

function conditionText(condition: TreeCondition): string {
  const of = clip(condition.of, 48);
  switch (condition.kind) {
    case 'each':
      return `for each of ${of}${condition.rows === undefined ? '' : ` (${condition.rows})`}`;
    case 'empty':
      return `if ${of} is empty`;
    case 'given':
      return `if ${of}`;
    case 'otherwise':
      return `if not ${of}`;
    case 'failure':
      return `where ${of} cannot be shown`;
    case 'fallback':
      return `if ${of} is not filled`;
  }
}

function valueText(value: unknown): string {
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === 'bigint') return String(value);
  return JSON.stringify(value) ?? String(value);
}

function clip(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, Math.max(0, most - 1))}…` : text;
}
