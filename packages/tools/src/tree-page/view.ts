import type { Problem } from 'zesty-lattice/internal/problem';
import {
  absentWords,
  type ComponentTree,
  conditionWords,
  slotWords,
  type TreePart,
  type TreeProp,
  type TreeSlot,
  type TreeUse,
  valueWords,
} from 'zesty-lattice/internal/tree';

/** One line of the page: a use with what it was given, or a slot, or other content. */
export interface Line {
  readonly kind: 'use' | 'slot' | 'content';
  /** The anchor of a use in the page. */
  readonly id: string;
  readonly name: string;
  /** What it stands under, and what else there is to say of it. */
  readonly notes: readonly string[];
  /** Whether a condition above it is known not to hold. */
  readonly isHidden: boolean;
  /** File and line where it is written. */
  readonly written: string;
  readonly props: readonly PropLine[];
  readonly problems: readonly Problem[];
  /** Whether it is folded at first. */
  readonly isFolded: boolean;
  /** How many uses stand in it. */
  readonly count: number;
  readonly lines: readonly Line[];
}

export interface PropLine {
  readonly name: string;
  readonly value: string;
  /** What stands for a value that is worked out, and where it comes from. */
  readonly from: string;
}

export interface TreeView {
  readonly lines: readonly Line[];
  readonly uses: number;
  readonly depth: number;
  /** How often each component is used, by name. */
  readonly components: readonly { readonly name: string; readonly count: number }[];
  readonly problems: readonly ProblemLine[];
}

export interface ProblemLine {
  readonly problem: Problem;
  /** The anchor of the use that it stands at; none where that is not in the tree. */
  readonly at: string;
  readonly place: string;
}

/** A page with more uses than this shows the first levels alone until they are unfolded. */
const many = 60;

/** Trees as the page shows them: everything decided, nothing to look up. */
export function treeView(
  trees: readonly ComponentTree[],
  problems: readonly Problem[],
  near: (file: string) => string,
): TreeView {
  const uses = trees.flatMap((tree) => [...tree.walk()]);
  const counts = new Map<string, number>();
  for (const { component } of uses) counts.set(component, (counts.get(component) ?? 0) + 1);
  const anchors = new Map<string, string>();
  const placed = new Map<string, Problem[]>();
  for (const problem of problems) {
    placed.set(problem.where, [...(placed.get(problem.where) ?? []), problem]);
  }
  const written = (source: Problem['source']): string =>
    source ? `${near(source.file)}:${source.line}` : '';

  const useLine = (use: TreeUse, depth: number): Line => {
    const id = `use-${anchors.size + 1}`;
    const isFirst = !anchors.has(use.path);
    anchors.set(isFirst ? use.path : `${use.path} ${id}`, id);
    const lines = [
      ...use.slots.map((slot) => slotLine(slot, depth + 1)),
      ...use.uses.map((one) => useLine(one, depth + 1)),
    ];
    return {
      kind: 'use',
      id,
      name: use.component,
      notes: [
        ...(use.shown === false ? ['not shown'] : []),
        ...use.under.map((one) => conditionWords(one)),
        ...(use.recursive ? ['contains itself'] : []),
        ...(use.left ? ['not followed further'] : []),
      ],
      isHidden: use.shown === false,
      written: written(use.source),
      props: use.props.map(propLine),
      problems: isFirst ? (placed.get(use.path) ?? []) : [],
      isFolded: uses.length > many && depth > 2,
      count: lines.reduce((all, one) => all + one.count, 1),
      lines,
    };
  };
  const partLine = (part: TreePart, depth: number): Line =>
    'component' in part ? useLine(part, depth) : { ...plain, kind: 'content', name: part.outline };
  const slotLine = (slot: TreeSlot, depth: number): Line => {
    const lines = slot.content.map((part) => partLine(part, depth));
    const words = slotWords(slot);
    return {
      ...plain,
      kind: 'slot',
      name: slot.name,
      notes: words === '' ? [] : [words],
      count: lines.reduce((all, one) => all + one.count, 0),
      lines,
    };
  };
  const lines = trees.map(({ root }) => useLine(root, 0));
  return {
    lines,
    uses: uses.length,
    depth: uses.reduce((most, use) => Math.max(most, use.path.split(' › ').length), 0),
    components: [...counts]
      .map(([name, count]) => ({ name, count }))
      .sort((one, other) => one.name.localeCompare(other.name)),
    problems: problems.map((problem) => ({
      problem,
      at: anchors.get(problem.where) ?? '',
      place: written(problem.source) || problem.where,
    })),
  };
}

const plain: Omit<Line, 'kind' | 'name'> = {
  id: '',
  notes: [],
  isHidden: false,
  written: '',
  props: [],
  problems: [],
  isFolded: false,
  count: 0,
  lines: [],
};

function propLine(prop: TreeProp): PropLine {
  const value = prop.value === undefined ? '' : valueWords(prop.value);
  return {
    name: prop.name,
    value: absentWords(prop) === '' ? value : '',
    from: absentWords(prop) || prop.expression || (prop.from === 'fallback' ? 'fallback' : ''),
  };
}
