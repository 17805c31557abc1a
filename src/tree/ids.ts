import { type Finding, finding, nearest, type Problem, placed, type SourcePlace } from '../problem/index.js';
import { coreOf, type ExprCore } from '../template/index.js';
import { knownValue, open } from './known.js';

/** A branch that something stands in: which condition, and which of its sides. */
export interface Branch {
  readonly of: object;
  readonly side: 'then' | 'otherwise';
}

/** Where an element with an id or a reference stands. */
export interface Sighting {
  readonly where: string;
  readonly branches: readonly Branch[];
  /** Whether it stands in rows, so that it may come many times. */
  readonly repeats: boolean;
  readonly source: SourcePlace | undefined;
}

interface Reference extends Sighting {
  readonly attribute: string;
  readonly tag: string;
  readonly id: string;
}

/**
 * Attributes that name ids of other elements (https://html.spec.whatwg.org/, https://www.w3.org/TR/wai-aria-1.2/);
 * `href` does where it starts with `#`.
 */
export const referring: ReadonlySet<string> = new Set([
  'for',
  'form',
  'list',
  'headers',
  'popovertarget',
  'commandfor',
  'aria-activedescendant',
  'aria-controls',
  'aria-describedby',
  'aria-details',
  'aria-errormessage',
  'aria-flowto',
  'aria-labelledby',
  'aria-owns',
]);

/** The ids of a tree and what refers to them: finds those that stand more than once, and those that are nowhere. */
export class Ids {
  readonly #seen = new Map<string, Sighting[]>();
  readonly #references: Reference[] = [];
  /** Whether some id is known only at render time, so that a reference may still meet it. */
  #someOpen = false;

  /** Takes note of an element's id and references, as far as they are known. */
  element(
    tag: string,
    attributes: Readonly<Record<string, unknown>>,
    known: ReadonlyMap<string, unknown>,
    sighting: Sighting,
  ): void {
    this.#id(attributes.id, known, sighting);
    for (const [attribute, value] of Object.entries(attributes)) {
      if (!referring.has(attribute) && attribute !== 'href') continue;
      const text = textOf(value, known);
      if (typeof text !== 'string' || (attribute === 'href' && !/^#./.test(text))) continue;
      const ids = attribute === 'href' ? [text.slice(1)] : text.split(/\s+/);
      for (const id of ids) if (id !== '') this.#references.push({ ...sighting, attribute, tag, id });
    }
  }

  #id(value: unknown, known: ReadonlyMap<string, unknown>, sighting: Sighting): void {
    if (value === undefined || value === null || value === false || value === '') return;
    const id = textOf(value, known);
    if (id === undefined) {
      // An id made with uid() meets only references made with the same; any other open id may be anything.
      if (coreOf(value)?.op.op !== 'uid') this.#someOpen = true;
      return;
    }
    const all = this.#seen.get(id);
    if (all) all.push(sighting);
    else this.#seen.set(id, [sighting]);
  }

  /** Ids that stand more than once. */
  doubled(): Problem[] {
    const problems: Problem[] = [];
    for (const [id, sightings] of this.#seen) {
      const clash = sightings.find(
        (one, at) => one.repeats || sightings.slice(0, at).some((other) => !exclude(one, other)),
      );
      if (!clash) continue;
      const times = sightings.length === 1 ? 'once for each row' : `${sightings.length} times`;
      problems.push(placed(finding('id-doubled', { id, times }, clash.source), clash.where));
    }
    return problems;
  }

  /** References to ids that are nowhere in the tree. Only for a whole page, where nothing can come to it. */
  dangling(): Problem[] {
    if (this.#someOpen) return [];
    return this.#references
      .filter(({ id }) => !this.#seen.has(id) && id !== 'top')
      .map((reference) => placed(this.#danglingFinding(reference), reference.where));
  }

  #danglingFinding({ attribute, tag, id, source }: Reference): Finding {
    const near = nearest(id, this.#seen.keys());
    const hint =
      near === undefined
        ? 'Give an element this id. In a component, make both sides with one uid(…).'
        : `Did you mean "${near}"? In a component, make both sides with one uid(…).`;
    const shown = attribute === 'href' ? `#${id}` : id;
    return finding('reference-dangling', { attribute, id: shown, tag, hint }, source);
  }
}

function textOf(value: unknown, known: ReadonlyMap<string, unknown>): string | undefined {
  const core: ExprCore | undefined = coreOf(value);
  const plain = core ? knownValue(core, known) : value;
  if (plain === open) return undefined;
  return typeof plain === 'string' || typeof plain === 'number' ? String(plain) : undefined;
}

/** Whether two places can never stand on the same page, being the two sides of one condition. */
function exclude(a: Sighting, b: Sighting): boolean {
  return a.branches.some((one) => b.branches.some((other) => one.of === other.of && one.side !== other.side));
}
