import { type MarkupNode, Places, readMarkup, wordsOf } from 'zesty-lattice/internal/markup';
import type { Catalogue, ComponentFacts } from '../reading/facts.js';
import { templateIn } from '../reading/template-in.js';
import { declarationOf } from './declared.js';
import type { Written } from './known.js';
import {
  type CodeNode,
  codeOf,
  definitionsOf,
  eachNode,
  fieldsOf,
  isNamed,
  namesInCode,
} from './module-code.js';
import { changesOf } from './rename.js';
import { expressionsIn } from './rename-text.js';

/** Where something stands in a file. */
export interface Span {
  readonly file: string;
  readonly from: number;
  readonly to: number;
}

/**
 * All places where a component, or a part of one, is named: tags, attributes, expressions, `slot="…"`, and code.
 *
 * @param files the project's files and what stands in them
 */
export function referencesTo(
  named: Written,
  catalogue: Catalogue,
  files: ReadonlyMap<string, string>,
): readonly Span[] {
  const owner = catalogue.components.find(({ name }) => name === named.component);
  if (!owner) return [];
  const found: Span[] = [];
  if (named.part === 'props') {
    const changes = changesOf(
      { component: owner.name, prop: named.word, to: named.word },
      owner,
      catalogue,
      files,
    );
    for (const [file, edits] of changes) for (const { from, to } of edits) found.push({ file, from, to });
  } else
    for (const [file, text] of files) {
      if (!text.includes(named.word) && !text.includes(owner.exportName)) continue;
      const spans = file.endsWith('.html')
        ? inText(text, named, owner.text.file === file)
        : [...inModule(text, file, named, owner, files), ...inStrings(text, file, named, catalogue)];
      for (const { from, to } of spans) found.push({ file, from, to });
    }
  const declared = declarationOf(files.get(owner.file) ?? '', owner.name, named.part, named.word);
  if (declared) found.push({ file: owner.file, ...declared });
  const known = new Map(found.map((one) => [`${one.file}:${one.from}`, one]));
  return [...known.values()].sort((one, other) =>
    one.file < other.file ? -1 : one.file > other.file ? 1 : one.from - other.from,
  );
}

type Place = Omit<Span, 'file'>;

function inStrings(text: string, file: string, named: Written, { components }: Catalogue): readonly Place[] {
  return components.flatMap((one) => {
    const place = one.file === file && one.text.file === '' ? templateIn(one.name, text) : undefined;
    if (!place) return [];
    return inText(text.slice(place.from, place.to), named, one.name === named.component).map(
      ({ from, to }) => ({
        from: place.from + from,
        to: place.from + to,
      }),
    );
  });
}

/** In HTML text: `isOwn` where it is the template of the component itself. */
function inText(text: string, { component, part, word }: Written, isOwn: boolean): readonly Place[] {
  const reading = readMarkup(text, new Places(text, ''));
  const found: Place[] = [];
  const add = (from: number | undefined): void => {
    if (from !== undefined) found.push({ from, to: from + word.length });
  };
  const follow = (node: MarkupNode, parent: string): void => {
    if (node.kind !== 'element') return;
    if (part === 'component' && node.tag === word && node.at !== undefined) add(node.at + 1);
    if (part === 'slots')
      for (const one of node.attributes) {
        const isFill = parent === component && one.name === 'slot';
        const isPlace = isOwn && node.tag === 'slot' && one.name === 'name';
        if ((isFill || isPlace) && one.value === word) add(one.valueAt);
      }
    if (part === 'events' && node.tag === component) {
      const { value = '', valueAt } = node.attributes.find(({ name }) => name === 'handles') ?? {};
      const at = new RegExp(`(?:^|;)\\s*${word}\\s*:`).exec(value);
      if (at && valueAt !== undefined) add(valueAt + value.indexOf(word, at.index));
    }
    for (const child of node.children) follow(child, node.tag);
  };
  for (const node of reading.nodes) follow(node, '');
  if (isOwn && /^(?:state|handlers|helpers)$/.test(part))
    for (const { at, written } of expressionsIn(reading, text))
      for (const from of namesIn(written, word)) add(at + from);
  return found;
}

function namesIn(written: string, name: string): readonly number[] {
  try {
    const words = wordsOf(written);
    return words.flatMap(({ at, kind, text }, index) => {
      const isField = words[index - 1]?.text === '.' && words[index - 2]?.text !== 'state';
      return kind === 'name' && text === name && !isField ? [at] : [];
    });
  } catch {
    return [];
  }
}

/** In code: a component by the names that a module has for it, a slot where one is filled, the rest in the definition. */
function inModule(
  text: string,
  file: string,
  { component, part, word }: Written,
  owner: ComponentFacts,
  files: ReadonlyMap<string, string>,
): readonly Place[] {
  const tree = codeOf(text);
  if (!tree) return [];
  const found: Place[] = [];
  const add = (node: unknown): void => {
    const { end, start } = node as CodeNode;
    found.push({ from: start, to: end });
  };
  const names = namesInCode(tree, file, owner, files);
  const isIt = (node: unknown): boolean =>
    (node as CodeNode | undefined)?.type === 'Identifier' && names.has(String((node as CodeNode).name));
  if (part === 'component' || part === 'slots')
    eachNode(tree, (node, parent) => {
      if (part === 'component' && isIt(node)) {
        const isKey = parent?.type === 'MemberExpression' && parent.property === node;
        if (!isKey) add(node);
        // import { SeasonTag as Tag }
        const imported = parent?.type === 'ImportSpecifier' ? (parent.imported as CodeNode) : undefined;
        if (imported && parent?.local === node && imported.start !== node.start) add(imported);
      }
      if (part === 'slots' && node.type === 'CallExpression' && isIt(node.callee)) {
        const field = fieldsOf((node.arguments as readonly CodeNode[])[1]).get(word);
        if (field) add(field.key);
      }
    });
  if (file === owner.file)
    for (const definition of definitionsOf(tree, component))
      eachNode(definition, (node) => {
        const isMember = node.type === 'MemberExpression' && isNamed(node.property, word);
        const object = isMember ? (node.object as CodeNode) : undefined;
        if (object && (isNamed(object, part) || isNamed(object.property, part))) add(node.property);
      });
  return found;
}
