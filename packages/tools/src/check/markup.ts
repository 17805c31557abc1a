import type { ComponentCore, Declared } from 'zesty-lattice/internal/component';
import {
  checkTags,
  documentFindings,
  Places,
  type RenderedDocument,
  renderDocument,
} from 'zesty-lattice/internal/markup';
import { isInteractive } from 'zesty-lattice/internal/plan';
import { type Finding, type Problem, placed, type SourcePlace } from 'zesty-lattice/internal/problem';
import { resolveOpen } from 'zesty-lattice/internal/tree';
import { doubledIds, pageFindings, unreachableFindings } from './page.js';

/** What is wrong in a document, or in a part of one, its components rendered; `see` receives it so. */
export function documentProblems(
  text: string,
  file: string,
  components: ReadonlyMap<string, ComponentCore>,
  foreign: readonly string[],
  isPart = false,
  see: (page: RenderedDocument) => void = () => undefined,
): readonly Problem[] {
  const found: Finding[] = [...documentFindings(text, file, components)];
  const rendered = renderDocument(text, { components, foreign }, { file });
  see(rendered);
  if (rendered.html !== text) found.push(...nestingFindings(rendered, found));
  if (interactiveIn(components).some((name) => text.includes(`<${name}`))) {
    const { html, origin } = renderDocument(text, { components, foreign }, { file, form: 'elements' });
    found.push(...unreachableFindings(html, origin));
    const doubled = doubledIds(html);
    const isDoubled = ({ code, message }: Finding): boolean =>
      code !== 'id-doubled' || doubled.has(/"([^"]*)"/.exec(message)?.[1] ?? '');
    found.push(...pageFindings(rendered.html, rendered.origin, isPart).filter(isDoubled));
  } else found.push(...pageFindings(rendered.html, rendered.origin, isPart));
  // What a component refers to may stand elsewhere on the page, which was looked at as a whole.
  const own = rendered.problems.filter(({ code }) => code !== 'reference-dangling');
  return [...found.map((one) => placed(one, '')), ...own];
}

const interactive = new WeakMap<ReadonlyMap<string, ComponentCore>, readonly string[]>();

/** The tags of those that stay elements. */
function interactiveIn(components: ReadonlyMap<string, ComponentCore>): readonly string[] {
  const names =
    interactive.get(components) ?? [...components.values()].filter(isInteractive).map(({ name }) => name);
  interactive.set(components, names);
  return names;
}

/** What cannot stand where a component shows it, which is seen in what is rendered: reported where the component stands. */
function nestingFindings({ html, origin }: RenderedDocument, known: readonly Finding[]): readonly Finding[] {
  const places = new Places(html, '');
  const tags = checkTags({ text: html, holes: [], unclosed: undefined }, places, {
    rendered: () => undefined,
  });
  const placeOf = ({ line, column }: SourcePlace): string => `${line}:${column}`;
  const reported = new Set(
    known.flatMap(({ code, source }) => (source ? [`${code} ${placeOf(source)}`] : [])),
  );
  return tags.flatMap((one) => {
    if (one.code !== 'content-not-allowed' || !one.source) return [];
    const source = origin((places.starts[one.source.line - 1] ?? 0) + one.source.column - 1);
    return reported.has(`${one.code} ${placeOf(source)}`) ? [] : [{ ...one, source }];
  });
}

/**
 * What is wrong in template text that no component of those at hand has: everything but the names it reads, which only
 * its component declares. With no components at hand at all, it is not known either whose tags may stand in it.
 */
export function templateProblems(
  text: string,
  file: string,
  components: ReadonlyMap<string, ComponentCore>,
  foreign: readonly string[],
): readonly Problem[] {
  return resolveOpen(nameless(text, file, components, foreign)).problems.map((problem) => ({
    ...problem,
    where: '',
  }));
}

function nameless(
  text: string,
  file: string,
  components: ReadonlyMap<string, ComponentCore>,
  foreign: readonly string[],
): ComponentCore {
  const none: Declared<never> = { names: [], kinds: [], at: new Map() };
  return {
    name: '',
    description: undefined,
    props: none,
    slots: none,
    accepts: undefined,
    events: {},
    handlers: {},
    load: undefined,
    onFailure: undefined,
    connected: undefined,
    shown: undefined,
    states: undefined,
    aria: undefined,
    elementMethods: {},
    follows: {},
    nodes: {},
    reactions: {},
    provides: undefined,
    field: undefined,
    state: undefined,
    sheets: [],
    styles: '',
    template: { text, file },
    uses: [...components.values()],
    helpers: {},
    joinLines: false,
    foreign: components.size === 0 ? [/-/] : foreign,
    source: { file, line: 1, column: 1 },
    takesAnyName: true,
  };
}
