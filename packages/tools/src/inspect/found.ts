import { attributeOf, type ComponentCore } from 'zesty-lattice/internal/component';
import {
  type Instance,
  instanceOf,
  knownLives,
  type Written,
  writtenBy,
} from 'zesty-lattice/internal/elements';
import { pathOf, type Scope, stepText } from 'zesty-lattice/internal/template';
import {
  type InspectedUse,
  inspectedUse,
  resolveOpen,
  type TreeUse,
  usesByPath,
} from 'zesty-lattice/internal/tree';
import { markedUse } from './document-marks.js';

/** What is known of a part of the page. */
export interface Found extends InspectedUse {
  /** The element that was asked about, or the nearest around it that a component wrote. */
  readonly element: Element;
  /** The state of the component, where its element is interactive. */
  readonly state?: Readonly<Record<string, unknown>>;
  /** Changes the state, as a handler does. */
  readonly change?: (changes: Readonly<Record<string, unknown>>) => void;
}

interface LiveElement extends Element {
  readonly [instanceOf]: Instance;
}

const isLive = (element: Element): element is LiveElement => instanceOf in element;

/** What is known of the component that wrote a node; for an interactive element, of the component that it is. */
export function foundAt(node: Node): Found | undefined {
  for (let one: Node | null = node; one; one = parentOf(one)) {
    const found = one instanceof Element ? foundOf(one) : undefined;
    if (found) return found;
  }
  return undefined;
}

const parentOf = (node: Node): Node | null => (node instanceof ShadowRoot ? node.host : node.parentNode);

function foundOf(element: Element): Found | undefined {
  if (isLive(element)) return liveFound(element);
  const written = writtenBy(element);
  if (written) return writtenFound(element, written);
  const marked = markedUse(element);
  return marked && { ...marked.use, element };
}

/** An interactive element: its props and its state are its own, who wrote it knows where it was written. */
function liveFound(element: LiveElement): Found {
  const instance = element[instanceOf];
  const { live } = instance;
  const { path, use } = placeOf(element);
  const found = inspectedUse(use ?? treeOf(instance)?.root, live.name, path, instance.props);
  return {
    ...found,
    props: found.props.map((prop) => (use ? prop : { ...prop, from: fromOf(element, prop.name) })),
    element,
    ...(instance.scope.state && {
      state: { ...instance.scope.state },
      change: (changes) => instance.change(changes),
    }),
  };
}

/** Where the value of an element's prop came from that stands in no component's template. */
function fromOf(element: Element, prop: string): string {
  const attribute = attributeOf(prop);
  return element.hasAttribute(attribute) ? `its attribute ${attribute}` : 'its property, or its fallback';
}

/** The path of an interactive element, and its use where another component wrote it. */
function placeOf(element: LiveElement): { readonly path: string; readonly use?: TreeUse | undefined } {
  const { name } = element[instanceOf].live;
  const written = writtenBy(element);
  if (!written?.site) {
    const marked = markedUse(element);
    return { path: marked ? `${marked.use.path} › ${name}` : name };
  }
  const { instance, scope, site } = written;
  const path = joined([fullPath(instance, scope), ...site.path.map((step) => stepText(step, scope))]);
  return {
    path,
    use: treeUse(instance, joined([treePath(scope), ...site.path.map((step) => stepText(step))])),
  };
}

/** An element that a component wrote which has none of its own there. */
function writtenFound(element: Element, { instance, scope }: Written): Found {
  const use = treeUse(instance, treePath(scope));
  const values = Object.fromEntries((use?.props ?? []).map(({ name }, index) => [name, scope.props[index]]));
  if (scope === instance.scope || !scope.site) {
    const { host } = instance;
    return {
      ...(isLive(host) ? liveFound(host) : inspectedUse(use, scope.name, scope.name, values)),
      element,
    };
  }
  return { ...inspectedUse(use, scope.name, fullPath(instance, scope), values), element };
}

/** The path down to a scope, with that of the element whose shadow root it is in. */
function fullPath(instance: Instance, scope: Scope): string {
  const { host } = instance;
  const around = isLive(host) ? placeOf(host).path.split(' › ').slice(0, -1) : [];
  return joined([...around, pathOf(scope)]);
}

/** The same without the numbers of rows, from the component whose element it is. */
function treePath(scope: Scope): string {
  const { owner, site } = scope;
  if (!owner || !site) return scope.name;
  return joined([treePath(owner), ...site.path.map((step) => stepText(step))]);
}

const joined = (steps: readonly string[]): string => steps.filter((step) => step !== '').join(' › ');

interface KnownTree {
  readonly root: TreeUse;
  readonly uses: ReadonlyMap<string, TreeUse>;
}

const trees = new WeakMap<ComponentCore, KnownTree>();

/** The tree of the component that an element is. */
function treeOf({ live }: Instance): KnownTree | undefined {
  const core = [...knownLives()].find(([, one]) => one === live)?.[0];
  if (!core) return undefined;
  let known = trees.get(core);
  if (!known) {
    const tree = resolveOpen(core);
    known = { root: tree.root, uses: usesByPath(tree) };
    trees.set(core, known);
  }
  return known;
}

const treeUse = (instance: Instance, path: string): TreeUse | undefined => treeOf(instance)?.uses.get(path);

/** A use in the page, and the elements that its component wrote itself. */
export interface PageUse {
  readonly component: string;
  readonly path: string;
  readonly depth: number;
  readonly elements: readonly Element[];
}

/** All uses of components in a page, in the order of the page, shadow roots among it. */
export function usesInPage(root: Document): readonly PageUse[] {
  const uses = new Map<string, { component: string; path: string; depth: number; elements: Element[] }>();
  const visit = (node: ParentNode): void => {
    for (const element of node.children) {
      if (element.localName === 'inspect-panel') continue;
      const found = foundOf(element);
      if (found) {
        const { component, path } = found;
        const known = uses.get(path);
        if (known) known.elements.push(element);
        else uses.set(path, { component, path, depth: path.split(' › ').length - 1, elements: [element] });
      }
      if (element.shadowRoot) visit(element.shadowRoot);
      visit(element);
    }
  };
  visit(root);
  return [...uses.values()];
}
