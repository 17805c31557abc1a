import { basename } from 'node:path';
import { type ComponentCore, saidOf } from 'zesty-lattice/internal/component';
import { blocksOf, blueprintOf, isInteractive, planOf, repeatedSlots } from 'zesty-lattice/internal/plan';
import { finding, type Problem, placed } from 'zesty-lattice/internal/problem';
import { placedExprs } from 'zesty-lattice/internal/template';
import { resolveOpen } from 'zesty-lattice/internal/tree';
import { rowsWithoutKeys, skippedHeadings } from './templates.js';

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
    // A module that wants a page does not run here; what stands in it is reported when it runs there.
    return thrown instanceof Error && 'problems' in thrown ? (thrown.problems as readonly Problem[]) : [];
  }
  return [...components].flatMap((component) => componentProblems(component));
}

/** Slots of a component that stays an element, which it cannot show in two places. */
function repeated(component: ComponentCore): readonly Problem[] {
  if (!isInteractive(component)) return [];
  return repeatedSlots(component).map((found) => placed(found, component.name));
}

/** Props that nothing in the component reads: neither its template nor any of its functions. */
function unreadProps(component: ComponentCore, isPage: boolean): readonly Problem[] {
  if (planOf(component).faults.some(({ finding: { severity } }) => severity === 'error')) return [];
  const read = new Set(
    [...placedExprs(blueprintOf(component).content)].map(({ op }) => (op.op === 'prop' ? op.name : '')),
  );
  // A function may read a prop in any way; that it names the prop is all that can be seen from outside.
  const functions = [
    component.state,
    component.connected,
    component.load,
    component.provides,
    component.field?.value,
    component.field?.fault,
    component.shown,
    component.states,
    component.aria,
    ...Object.values(component.handlers),
    ...Object.values(component.elementMethods),
    ...Object.values(component.reactions),
  ]
    .map(String)
    .join('\n');
  return (
    component.props.names
      .filter((name) => !read.has(name) && name !== component.accepts && !mentions(functions, name))
      .filter((name) => !Object.values(component.follows).includes(name))
      // Style sheets see the attribute.
      .filter((name) => !component.props.kinds[component.props.at.get(name) ?? -1]?.settings.reflects)
      .filter((name) => !(isPage && /^(?:title|description)$/.test(name)))
      .filter((name) => !(component.field && name === 'disabled') && component.reactions[name] === undefined)
      .map((prop) =>
        placed(
          saidOf(finding('prop-unread', { component: component.name, prop }), component),
          component.name,
        ),
      )
  );
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
  const named = namedIn(texts);
  const problems: Problem[] = [];
  for (const [core, { file, exportName }] of components) {
    // What a module exports as its default is its page or its main part: it is there to be rendered.
    if (used.has(core) || exportName === 'default') continue;
    const isNamed = [exportName, `<${core.name}`].some((word) =>
      [...(named.get(word) ?? [])].some((path) => path !== file),
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

/** The files that have a word in them, or a tag as it begins: `PriceTag`, `<price-tag`. */
function namedIn(texts: ReadonlyMap<string, string>): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, Set<string>>();
  // What looks like a tag may be a word behind a sign: a<b.
  for (const [path, text] of texts)
    for (const [all] of text.matchAll(/[\w$]+|<[a-z][^\s/>'"`]*/g))
      for (const word of all.startsWith('<') ? [all, all.slice(1)] : [all]) {
        const known = found.get(word);
        if (known) known.add(path);
        else found.set(word, new Set([path]));
      }
  return found;
}

function mentions(text: string, word: string): boolean {
  return count(text, word) > 0;
}

function count(text: string, word: string): number {
  return text.match(new RegExp(`(?<![\\w$])${word.replace(/[$]/g, '\\$&')}(?![\\w$])`, 'g'))?.length ?? 0;
}
