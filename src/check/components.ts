import { basename } from 'node:path';
import type { ComponentCore } from '../component/index.js';
import { type Block, blocksOf, blueprintOf, isInteractive, planOf, repeatedSlots } from '../plan/index.js';
import { finding, type Problem, placed, saidInText } from '../problem/index.js';
import { type Core, describe, inputsOf, placedExprs, withSource } from '../template/index.js';
import { resolveOpen } from '../tree/index.js';

/**
 * What is wrong in a component, its props and slots left open; what it uses is checked with it.
 *
 * @param isPage whether it is a page's own, whose title and description go to the document around it
 */
export function componentProblems(component: ComponentCore, isPage = false): readonly Problem[] {
  return [
    ...resolveOpen(component).problems,
    ...unreadProps(component, isPage),
    ...repeated(component),
    ...skippedHeadings(component),
    ...rowsWithoutKeys(component),
  ];
}

/** What is wrong in the components that a module makes, where loading it gives them. */
export async function moduleProblems(
  load: () => Promise<Iterable<ComponentCore>>,
): Promise<readonly Problem[]> {
  let components: Iterable<ComponentCore>;
  try {
    components = await load();
  } catch (thrown) {
    // A module that wants a page does not run here; what stands in it is told when it runs there.
    return thrown instanceof Error && 'problems' in thrown ? (thrown.problems as readonly Problem[]) : [];
  }
  return [...components].flatMap((component) => componentProblems(component));
}

/** Slots of a component that stays an element, which it cannot show in two places. */
function repeated(component: ComponentCore): readonly Problem[] {
  if (!isInteractive(component)) return [];
  return repeatedSlots(component).map((found) => placed(found, component.name));
}

/** What a reader may be typing in, or where the focus is: it is lost where another row comes to stand in its place. */
const controls = /^(?:input|select|textarea|button|a|details|dialog|video|audio|iframe)$/;

/** Rows of a state that hold controls, or live components, and have no key: they stay where they are when the list moves. */
function rowsWithoutKeys(component: ComponentCore): readonly Problem[] {
  if (!isInteractive(component)) return [];
  const readsState = (core: Core): boolean => core.op.op === 'state' || inputsOf(core).some(readsState);
  const holds = ({ nodes }: Block): boolean =>
    nodes.some((node) => {
      if (node.kind === 'use') return isInteractive(node.component);
      if (node.kind === 'element')
        return (typeof node.tag === 'string' && controls.test(node.tag)) || holds(node.content);
      if (node.kind === 'given') return holds(node.content) || holds(node.otherwise);
      return node.kind === 'each' && holds(node.row);
    });
  const found: Problem[] = [];
  const follow = ({ nodes }: Block): void => {
    for (const node of nodes) {
      if (node.kind === 'each') {
        if (!node.key && readsState(node.list) && holds(node.row)) {
          const facts = { component: component.name, list: describe(node.list) };
          const said = finding('key-missing', facts, component.source);
          found.push(
            placed(typeof component.template === 'function' ? said : saidInText(said), component.name),
          );
        }
        follow(node.row);
      } else if (node.kind === 'element') follow(node.content);
      else if (node.kind === 'given') for (const one of [node.content, node.otherwise]) follow(one);
    }
  };
  for (const block of blocksOf(component)) follow(block);
  return found;
}

/** Headings of a template that skip a level, where all that stands between them is its own. */
function skippedHeadings(component: ComponentCore): readonly Problem[] {
  const found: Problem[] = [];
  /** The level of the heading before; undefined where another component or content may have one in between. */
  const follow = (block: Block, before: number | undefined): number | undefined => {
    let last = before;
    for (const node of block.nodes) {
      if (node.kind === 'given') {
        const [one, other] = [follow(node.content, last), follow(node.otherwise, last)];
        last = one === other ? one : undefined;
      } else if (node.kind === 'each') {
        // A row may follow the one before, whose headings are the same.
        const inRow = follow(node.row, last);
        last = follow(node.empty, last) === inRow ? inRow : undefined;
      } else if (node.kind === 'element') {
        const level = typeof node.tag === 'string' ? Number(/^h([1-6])$/.exec(node.tag)?.[1] ?? 0) : 0;
        if (level > 0 && last !== undefined && level > last + 1) {
          const facts = { tag: `h${level}`, after: `<h${last}>`, better: `<h${last + 1}>` };
          found.push(placed(withSource(finding('heading-skipped', facts), node), component.name));
        }
        last = level > 0 ? level : typeof node.tag === 'string' ? follow(node.content, last) : undefined;
      } else if (node.kind !== 'text' && node.kind !== 'value' && node.kind !== 'data') last = undefined;
    }
    return last;
  };
  for (const block of blocksOf(component)) follow(block, undefined);
  return found;
}

/** Props that nothing in the component reads: neither its template nor any of its functions. */
function unreadProps(component: ComponentCore, isPage: boolean): readonly Problem[] {
  if (planOf(component).faults.some(({ finding: { severity } }) => severity === 'error')) return [];
  const read = new Set(
    [...placedExprs(blueprintOf(component).content)].map(({ op }) => (op.op === 'prop' ? op.name : '')),
  );
  // A function may read a prop in any way; that it names the prop is all that can be told from outside.
  const functions = [
    component.state,
    component.connected,
    component.load,
    component.provides,
    component.field?.value,
    component.field?.fault,
    ...Object.values(component.handlers),
    ...Object.values(component.reactions),
  ]
    .map(String)
    .join('\n');
  return component.props.names
    .filter((name) => !read.has(name) && name !== component.accepts && !mentions(functions, name))
    .filter((name) => !(isPage && /^(?:title|description)$/.test(name)))
    .filter((name) => !(component.field && name === 'disabled') && component.reactions[name] === undefined)
    .map((name) => {
      const found = finding('prop-unread', { component: component.name, prop: name }, component.source);
      return placed(typeof component.template === 'function' ? found : saidInText(found), component.name);
    });
}

/** Components that no other component, document or module names. */
export function unusedComponents(
  components: ReadonlyMap<ComponentCore, { readonly file: string; readonly exportName: string }>,
  texts: ReadonlyMap<string, string>,
): readonly Problem[] {
  const used = new Set(
    [...components.keys()].flatMap((core) =>
      blocksOf(core).flatMap(({ uses }) => uses.map((use) => use.component)),
    ),
  );
  const problems: Problem[] = [];
  for (const [core, { file, exportName }] of components) {
    // What a module exports as its default is its page or its main part: it is there to be rendered.
    if (used.has(core) || exportName === 'default') continue;
    const isNamed = [...texts].some(
      ([path, text]) => path !== file && (mentions(text, exportName) || text.includes(`<${core.name}`)),
    );
    const isNamedAtHome = count(texts.get(file) ?? '', exportName) > 1;
    if (isNamed || isNamedAtHome) continue;
    problems.push(
      placed(
        finding('component-unused', { component: core.name, file: basename(file) }, core.source),
        core.name,
      ),
    );
  }
  return problems;
}

function mentions(text: string, word: string): boolean {
  return count(text, word) > 0;
}

function count(text: string, word: string): number {
  return text.match(new RegExp(`(?<![\\w$])${word.replace(/[$]/g, '\\$&')}(?![\\w$])`, 'g'))?.length ?? 0;
}
