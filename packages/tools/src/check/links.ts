import { existsSync, readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { elementsIn, readDocument } from 'zesty-lattice/internal/markup';
import { finding, type Problem, placed, type SourcePlace } from 'zesty-lattice/internal/problem';
import { attribute } from './attribute.js';

/** A page as it is rendered, and where its parts come from. */
export interface LinkedPage {
  readonly html: string;
  readonly origin: (offset: number) => SourcePlace;
}

/**
 * Links from one page to another file of HTML that is not there, or to an id that is not in it. Addresses from the root and
 * of other sites are not followed.
 *
 * @param pages the rendered pages by their files; others are read as they are written
 */
export function linkProblems(pages: ReadonlyMap<string, LinkedPage>): readonly Problem[] {
  const ids = new Map<string, ReadonlySet<string>>();
  const idsOf = (file: string): ReadonlySet<string> => {
    const known = ids.get(file) ?? anchorsIn(pages.get(file)?.html ?? readFileSync(file, 'utf8'));
    ids.set(file, known);
    return known;
  };
  const problems: Problem[] = [];
  for (const [file, { html, origin }] of pages)
    for (const element of elementsIn(readDocument(html).childNodes)) {
      const href = /^(?:a|area)$/.test(element.tagName) ? attribute(element, 'href') : undefined;
      const found =
        href === undefined
          ? undefined
          : /^(?![a-z][\w+.-]*:|\/)([^?#]+\.html?)(?:\?[^#]*)?(?:#(.*))?$/i.exec(href);
      if (!found || !href) continue;
      const [, path = '', id = ''] = found;
      const target = resolve(dirname(file), decoded(path));
      const isThere = pages.has(target) || existsSync(target);
      const anchor = decoded(id.replace(/:~:.*$/, ''));
      if (isThere && (anchor === '' || anchor === 'top' || idsOf(target).has(anchor))) continue;
      const at = element.sourceCodeLocation;
      const offset = at?.attrs?.href?.startOffset ?? at?.startOffset;
      const facts = { href, tag: element.tagName, ...(isThere && { id: anchor }) };
      problems.push(
        placed(finding('link-dangling', facts, offset === undefined ? undefined : origin(offset)), ''),
      );
    }
  return problems;
}

function anchorsIn(html: string): ReadonlySet<string> {
  const found = new Set<string>();
  for (const element of elementsIn(readDocument(html).childNodes)) {
    const id = attribute(element, 'id');
    if (id) found.add(id);
    const name = element.tagName === 'a' ? attribute(element, 'name') : undefined;
    if (name) found.add(name);
  }
  return found;
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
