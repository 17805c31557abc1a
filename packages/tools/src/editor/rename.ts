import { attributeOf, propNameFaults } from 'zesty-lattice/internal/component';
import type { Catalogue, ComponentFacts } from '../reading/facts.js';
import { templateIn } from '../reading/template-in.js';
import { declaredIn, renamedInCode } from './rename-code.js';
import { type Renaming, renamedInText } from './rename-text.js';
import type { TextEdit } from './text-edit.js';

/** Why a prop cannot have another name, in words for whoever asked. */
export class CannotRename extends Error {}

/**
 * Gives a prop another name wherever it is written: in its declaration, its component's functions, templates, documents,
 * samples and uses in functions.
 *
 * @param files the project's files and what stands in them
 * @returns the changes by file
 * @throws CannotRename
 */
export function renamed(
  { component, prop, to }: Renaming,
  catalogue: Catalogue,
  files: Iterable<readonly [file: string, text: string]>,
): ReadonlyMap<string, readonly TextEdit[]> {
  const owner = catalogue.components.find(({ name }) => name === component);
  if (!owner) throw new CannotRename(`There is no component <${component}> any more.`);
  const fault = nameFault(owner, to);
  if (fault !== undefined) throw new CannotRename(fault);
  const texts = new Map(files);
  const declared = declaredIn(texts.get(owner.file) ?? '', owner, prop);
  if (!declared)
    throw new CannotRename(
      `<${component}> does not declare ${prop} in a record props: { … } of ${owner.shown}, so that it cannot be changed there.`,
    );
  return changesOf({ component, prop, to }, owner, catalogue, texts);
}

/** Where a prop is named in files, and the changes that give it another name. */
export function changesOf(
  { component, prop, to }: Renaming,
  owner: ComponentFacts,
  catalogue: Catalogue,
  texts: ReadonlyMap<string, string>,
): ReadonlyMap<string, readonly TextEdit[]> {
  const found = new Map<string, readonly TextEdit[]>();
  const names = namesIn(texts.values(), owner);
  for (const [file, text] of texts) {
    // Most files speak of neither the prop nor its component.
    if (!text.includes(prop) && !text.includes(attributeOf(prop))) continue;
    const isOwn = file === owner.file || file === owner.text.file;
    if (!isOwn && !names.some((name) => text.includes(name))) continue;
    const edits = file.endsWith('.html')
      ? renamedInText(text, { component, prop, to }, owner.text.file === file)
      : [
          ...renamedInCode(text, file, owner, prop, to, texts),
          ...inStrings(text, file, catalogue, { component, prop, to }),
        ];
    if (edits.length > 0) found.set(file, edits);
  }
  return found;
}

/** What files may call a component: its tag, its export, and what modules that hand it on call it. */
function namesIn(texts: Iterable<string>, { exportName, name }: ComponentFacts): readonly string[] {
  const names = new Set([name, exportName]);
  // A default is named by whoever imports it.
  if (exportName === 'default') return [''];
  const alias = new RegExp(`\\b${exportName}\\s+as\\s+(\\w+)`, 'g');
  for (const text of texts)
    if (text.includes(exportName)) for (const [, other = ''] of text.matchAll(alias)) names.add(other);
  return [...names];
}

/** In the strings of a module that are templates. */
function inStrings(
  text: string,
  file: string,
  { components }: Catalogue,
  renaming: Renaming,
): readonly TextEdit[] {
  return components.flatMap((one) => {
    const place = one.file === file && one.text.file === '' ? templateIn(one.name, text) : undefined;
    if (!place) return [];
    const inside = text.slice(place.from, place.to);
    return renamedInText(inside, renaming, one.name === renaming.component).map((edit) => ({
      ...edit,
      from: place.from + edit.from,
      to: place.from + edit.to,
    }));
  });
}

function nameFault({ name, props }: ComponentFacts, to: string): string | undefined {
  if (!/^[A-Za-z_$][\w$]*$/.test(to)) return `"${to}" is no name: a letter first, then letters and digits.`;
  const others = props.map((one) => one.name);
  if (others.includes(to)) return `<${name}> has a prop "${to}" already.`;
  const [wrong] = propNameFaults(name, [...others, to]);
  return wrong && `${wrong.message} ${wrong.hint}`;
}
