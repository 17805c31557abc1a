import pc from 'picocolors';
import { visible } from 'zesty-lattice/internal/problem';
import {
  absentWords,
  type ComponentTree,
  conditionWords,
  countWords,
  slotWords,
  type TreeProp,
  type TreeSlot,
  type TreeUse,
  valueWords,
} from 'zesty-lattice/internal/tree';

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
  if (trees.length > 0) lines.push('');
  lines.push(
    `${countWords(names.size, 'component')}, ${countWords(uses.length, 'use')}, ${countWords(depth, 'level')} deep`,
  );
  return `${lines.join('\n')}\n`;
}

/** `first` stands before the use's own line, `rest` before all lines below it. */
function writeUse(use: TreeUse, first: string, rest: string, lines: string[], colors: Colors): void {
  const notes = [
    ...(use.shown === false ? ['not shown'] : []),
    ...use.under.map((one) => conditionWords(one, (of) => clip(of, 48))),
    ...(use.recursive ? ['contains itself'] : []),
  ];
  const note =
    notes.length > 0
      ? `  ${colors.dim(clip(notes.join(', '), width - first.length - use.component.length - 2))}`
      : '';
  const name =
    use.shown === false
      ? colors.dim(visible(use.component))
      : colors.bold(colors.green(visible(use.component)));
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
    const name = visible(prop.name).padEnd(longest);
    const room = width - indent.length - longest - 2;
    lines.push(`${colors.dim(indent)}${colors.cyan(name)}  ${propText(prop, room, colors)}`);
  }
}

function propText(prop: TreeProp, room: number, colors: Colors): string {
  const absent = absentWords(prop);
  if (absent !== '') return colors.dim(visible(absent));
  const value = prop.value === undefined ? '' : valueWords(prop.value);
  if (prop.expression === undefined) {
    return `${clip(value, room - 12)}${prop.from === 'fallback' ? colors.dim('  fallback') : ''}`;
  }
  const expression = clip(prop.expression, Math.floor(room / 2));
  if (value === '') return `${colors.dim('←')} ${expression}`;
  return `${clip(value, room - expression.length - 4)} ${colors.dim('←')} ${expression}`;
}

function writeSlot(slot: TreeSlot, first: string, rest: string, lines: string[], colors: Colors): void {
  const words = slotWords(slot);
  const state = words === '' ? '' : colors.dim(`  ${visible(words)}`);
  lines.push(`${first}${colors.yellow(`slot ${visible(slot.name)}`)}${state}`);
  writeBranches(
    slot.content.map((part) => (one: string, more: string) => {
      if ('component' in part) writeUse(part, one, more, lines, colors);
      else lines.push(one + clip(part.outline, width - one.length));
    }),
    rest,
  );
}

function clip(raw: string, most: number): string {
  const text = visible(raw);
  return text.length > most ? `${text.slice(0, Math.max(0, most - 1))}…` : text;
}
