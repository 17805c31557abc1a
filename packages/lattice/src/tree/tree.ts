import type { Problem, SourcePlace } from '../problem/index.js';

/** One prop at one use. */
export interface TreeProp {
  readonly name: string;
  /** The kind's word, such as `text` or `choice`. */
  readonly kind: string;
  /** `given` at the use, the declared `fallback`, `absent` (may be left out and was), or `open` at the root. */
  readonly from: 'given' | 'fallback' | 'absent' | 'open';
  /** What was given, as its author would write it, where it is an expression. */
  readonly expression?: string;
  /** Its value, where it is known. */
  readonly value?: unknown;
}

/** One slot at one use. */
export interface TreeSlot {
  readonly name: string;
  /**
   * `filled` by the use, showing the component's `fallback`, or `empty`. `depends` where the content given is all
   * conditions, so that some values show the fallback. `open` at the root.
   */
  readonly state: 'filled' | 'depends' | 'fallback' | 'empty' | 'open';
  /** What stands in it: uses, and outlines of everything else such as `<p> "Thin skin"`. */
  readonly content: readonly TreePart[];
}

export type TreePart = TreeUse | { readonly outline: string };

/** A condition or repetition that a use stands under. */
export interface TreeCondition {
  readonly kind: 'given' | 'otherwise' | 'each' | 'empty' | 'fallback' | 'failure';
  /** The test or list, as its author would write it. */
  readonly of: string;
  /** How many rows there are, where the list is known. */
  readonly rows?: number;
  /** Whether it holds, where that is known: what stands under a condition that does not hold is not shown. */
  readonly holds?: boolean;
}

/** One use of a component in the tree. */
export interface TreeUse {
  readonly component: string;
  /** The components down to it: `fair-page › variety-list › variety-card[2]`. */
  readonly path: string;
  readonly props: readonly TreeProp[];
  readonly slots: readonly TreeSlot[];
  /** The uses in the component's own template, in order. */
  readonly uses: readonly TreeUse[];
  /** What it stands under in the template that writes it, outermost first. */
  readonly under: readonly TreeCondition[];
  /** Set where a condition around it is known not to hold, so that it is not shown. */
  readonly shown?: false;
  /** Set where the tree has so many uses that this one was not followed: what is in it is not here. */
  readonly left?: true;
  /** Set where the component stands inside itself: its uses are not followed again. */
  readonly recursive?: true;
  readonly source?: SourcePlace;
}

/** The styles of one component that the tree reaches. */
export interface TreeStyles {
  readonly component: string;
  readonly css: string;
}

/**
 * The whole component tree, known without rendering it.
 *
 * @example
 * const tree = resolve(FairPage);
 * for (const use of tree.walk()) console.log(use.path);
 */
export class ComponentTree {
  readonly root: TreeUse;
  /** Everything that is wrong in the tree, errors and warnings, in the order of the tree. */
  readonly problems: readonly Problem[];
  /** The styles of the components in the tree, each once. */
  readonly styles: readonly TreeStyles[];

  constructor(root: TreeUse, problems: readonly Problem[], styles: readonly TreeStyles[]) {
    this.root = root;
    this.problems = problems;
    this.styles = styles;
  }

  /** Every use, outer before inner: a use, what its template uses, then what stands in its slots. */
  *walk(): Generator<TreeUse, void, undefined> {
    yield* walkUse(this.root);
  }

  /** The stable form for other tools; `docs/tree.md` describes it. */
  toJSON(): { version: 1; root: TreeUse; problems: readonly Problem[]; styles: readonly TreeStyles[] } {
    return { version: 1, root: this.root, problems: this.problems, styles: this.styles };
  }
}

function* walkUse(use: TreeUse): Generator<TreeUse, void, undefined> {
  yield use;
  for (const inner of use.uses) yield* walkUse(inner);
  for (const slot of use.slots) {
    for (const part of slot.content) if ('component' in part) yield* walkUse(part);
  }
}
