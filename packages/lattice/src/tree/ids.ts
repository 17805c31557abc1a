import type { ComponentCore } from '../component/index.js';
import { isElementOnlyToProvide, type PlanAttribute } from '../plan/index.js';
import { type Finding, finding, nearest, type Problem, placed } from '../problem/index.js';
import { type Core, withSource } from '../template/index.js';
import { open } from './known.js';

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
  readonly place: object | undefined;
  /** The shadow root that it stands in once components are elements; undefined in the page itself. */
  readonly root: ShadowRootOf | undefined;
}

/** The shadow root of one use of a component. */
export interface ShadowRootOf {
  readonly component: ComponentCore | undefined;
}

/** An id that is known, and where it stands. */
export interface KnownId {
  readonly id: string;
  readonly sighting: Sighting;
}

interface Reference extends Sighting {
  readonly attribute: string;
  readonly tag: string;
  readonly id: string;
  /** Whether `uid` makes the id. */
  readonly isMade: boolean;
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
  /** Ids that `uid` makes. */
  readonly #made = new Map<string, Sighting[]>();
  /** Whether some id is known only at render time, so that a reference may still meet it. */
  #someOpen = false;

  /**
   * Takes note of an element's id and references, as far as they are known.
   *
   * @param made what stands for an id that `uid` makes, the same wherever it is passed to; undefined for other values
   */
  element(
    tag: string,
    attributes: readonly PlanAttribute[],
    known: (core: Core) => unknown,
    made: (core: Core) => string | undefined,
    sighting: Sighting,
  ): void {
    for (const attribute of attributes) {
      if (attribute.kind !== 'fixed' && attribute.kind !== 'value') continue;
      const { key } = attribute;
      if (!referring.has(key) && key !== 'href' && key !== 'id') continue;
      const value = attribute.kind === 'value' ? attribute.value : undefined;
      const core = key === 'href' ? value && fragmentOf(value) : value;
      const uid = core && made(core);
      if (uid !== undefined) {
        if (key === 'id') this.#made.set(uid, [...(this.#made.get(uid) ?? []), sighting]);
        else this.#references.push({ ...sighting, attribute: key, tag, id: uid, isMade: true });
      }
      if (key === 'id') this.#id(attribute, known, sighting);
      if (key === 'id') continue;
      const text = textOf(attribute, known);
      if (typeof text !== 'string' || (key === 'href' && !/^#./.test(text))) continue;
      const ids = key === 'href' ? [text.slice(1)] : text.split(/\s+/);
      for (const id of ids)
        if (id !== '') this.#references.push({ ...sighting, attribute: key, tag, id, isMade: false });
    }
  }

  #id(attribute: PlanAttribute, known: (core: Core) => unknown, sighting: Sighting): void {
    const id = textOf(attribute, known);
    if (id === '') return;
    if (id === undefined) {
      // An id made with uid() meets only references made with the same; any other open id may be anything.
      if (attribute.kind === 'value' && attribute.value.op.op !== 'uid') this.#someOpen = true;
      return;
    }
    const all = this.#seen.get(id);
    if (all) all.push(sighting);
    else this.#seen.set(id, [sighting]);
  }

  /** The ids that are known, each with where it stands. */
  known(): readonly KnownId[] {
    return [...this.#seen].flatMap(([id, sightings]) => sightings.map((sighting) => ({ id, sighting })));
  }

  /** Takes note of ids in a component that stands somewhere. */
  add(ids: readonly KnownId[], where: string, spot: Pick<Sighting, 'branches' | 'repeats'>): void {
    for (const { id, sighting } of ids) {
      const one: Sighting = {
        ...sighting,
        where,
        branches: [...spot.branches, ...sighting.branches],
        repeats: spot.repeats || sighting.repeats,
      };
      const all = this.#seen.get(id);
      if (all) all.push(one);
      else this.#seen.set(id, [one]);
    }
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
      // Components on the way to it, as far as there is more than one way.
      const places = [...new Set(sightings.map(({ where }) => where))].filter((where) => where !== '');
      problems.push(placed(withSource(finding('id-doubled', { id, times, places }), clash), clash.where));
    }
    return problems;
  }

  /** References to ids that are nowhere in the tree. Only for a whole page, where nothing can come to it. */
  dangling(): Problem[] {
    if (this.#someOpen) return [];
    return this.#references
      .filter(({ id, isMade }) => !isMade && !this.#seen.has(id) && id !== 'top')
      .map((reference) => placed(this.#danglingFinding(reference), reference.where));
  }

  /**
   * References that no element of the same shadow root, or of the page, answers: ids reach no further
   * (https://dom.spec.whatwg.org/#dom-nonelementparentnode-getelementbyid), and links go to the page's own ids alone
   * (https://html.spec.whatwg.org/#find-a-potential-indicated-element). So do ids of components that are elements for no
   * other reason than that they provide something.
   */
  unreachable(): Problem[] {
    const problems: Problem[] = [];
    const met = new Set<Sighting>();
    for (const reference of this.#references) {
      const { attribute, id, isMade, root, tag } = reference;
      const all = (isMade ? this.#made : this.#seen).get(id) ?? [];
      const isLink = attribute === 'href';
      const reached = all.filter((one) => one.root === (isLink ? undefined : root));
      for (const one of reached) met.add(one);
      const [other] = all;
      if (!other || reached.length > 0) continue;
      for (const one of all) met.add(one);
      const shown = isMade ? '' : `="${isLink ? '#' : ''}${id}"`;
      const holder = other.root ?? root;
      const component = holder?.component?.name ?? '';
      const direction = other.root ? 'to an id in' : 'out of';
      const what = `${attribute}${shown} of <${tag}> points ${direction} <${component}>`;
      const found = finding('id-unreachable', { what, component, why: whyElement(holder) });
      problems.push(placed(withSource(found, reference), reference.where));
    }
    for (const [id, sightings] of this.#seen)
      for (const one of sightings) {
        if (met.has(one) || !one.root?.component || !isElementOnlyToProvide(one.root.component)) continue;
        const component = one.root.component.name;
        const what = `The id "${id}" stands in <${component}>`;
        const found = finding('id-unreachable', { what, component, why: whyElement(one.root) });
        problems.push(placed(withSource(found, one), one.where));
      }
    return problems;
  }

  #danglingFinding(reference: Reference): Finding {
    const { attribute, tag, id } = reference;
    const near = nearest(id, this.#seen.keys());
    const hint =
      near === undefined
        ? 'Set this id on an element. In a component, make both with one uid(…).'
        : `Did you mean "${near}"? In a component, make both sides with one uid(…).`;
    const shown = attribute === 'href' ? `#${id}` : id;
    return withSource(finding('reference-dangling', { attribute, id: shown, tag, hint }), reference);
  }
}

/** Returns what a link within the page points to: of `#` and a value, the value. */
function fragmentOf({ op }: Core): Core | undefined {
  return op.op === 'phrase' && op.strings.join('|') === '#|' ? op.parts[0] : undefined;
}

/** The text of an attribute; empty where it is known to be none, undefined where it is not known. */
function textOf(attribute: PlanAttribute, known: (core: Core) => unknown): string | undefined {
  if (attribute.kind === 'fixed') return attribute.text === true ? '' : attribute.text;
  if (attribute.kind !== 'value') return '';
  const value = known(attribute.value);
  if (value === open) return undefined;
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** Says why a component is an element where that may surprise. */
function whyElement(root: ShadowRootOf | undefined): string {
  return root?.component && isElementOnlyToProvide(root.component) ? ', since it provides shared data' : '';
}

/** Whether two places can never stand on the same page, being the two sides of one condition. */
function exclude(a: Sighting, b: Sighting): boolean {
  return a.branches.some((one) => b.branches.some((other) => one.of === other.of && one.side !== other.side));
}
