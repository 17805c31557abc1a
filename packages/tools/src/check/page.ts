import { elementsIn, type ParsedElement, readDocument } from 'zesty-lattice/internal/markup';
import { type Finding, finding, type SourcePlace } from 'zesty-lattice/internal/problem';
import { referring } from 'zesty-lattice/internal/tree';
import { accessibleFindings } from './accessible.js';
import { attribute } from './attribute.js';

type PlaceOfOffset = (offset: number) => SourcePlace | undefined;

/**
 * What is wrong on a rendered page as a whole: ids, references, headings, images. A part of a page may start with any
 * heading.
 */
export function pageFindings(html: string, place: PlaceOfOffset, isPart = false): readonly Finding[] {
  const elements = [...elementsIn(readDocument(html).childNodes)];
  return [
    ...idFindings(elements, place),
    ...(isPart ? [] : headingFindings(elements, place)),
    ...accessibleFindings(elements, (one) => at(one, place) ?? place(0), isPart),
    ...elements.filter((one) => one.tagName === 'img').flatMap((image) => imageFinding(image, place)),
  ];
}

function at(element: ParsedElement, place: PlaceOfOffset, attribute?: string): SourcePlace | undefined {
  const { sourceCodeLocation: found } = element;
  const offset =
    (attribute === undefined ? undefined : found?.attrs?.[attribute]?.startOffset) ?? found?.startOffset;
  return offset === undefined ? undefined : place(offset);
}

function idFindings(elements: readonly ParsedElement[], place: PlaceOfOffset): Finding[] {
  const byId = new Map<string, ParsedElement[]>();
  for (const element of elements) {
    const id = attribute(element, 'id');
    if (id !== undefined && id !== '') byId.set(id, [...(byId.get(id) ?? []), element]);
  }
  const found: Finding[] = [];
  for (const [id, [, ...more]] of byId) {
    const times = more.length === 1 ? 'twice' : `${more.length + 1} times`;
    for (const element of more.slice(0, 1))
      found.push(finding('id-doubled', { id, times }, at(element, place, 'id')));
  }
  const anchors = new Set(elements.filter((one) => one.tagName === 'a').map((one) => attribute(one, 'name')));
  for (const element of elements) {
    for (const { name, value: text } of element.attrs) {
      const ids = referring.has(name) ? text.split(/\s+/) : name === 'href' ? linkId(text) : [];
      for (const id of ids) {
        if (id === '' || byId.has(id) || (name === 'href' && anchors.has(id))) continue;
        const hint = 'Give the element it points to this id, or point to another.';
        found.push(
          finding(
            'reference-dangling',
            { attribute: name, id: name === 'href' ? `#${id}` : id, tag: element.tagName, hint },
            at(element, place, name),
          ),
        );
      }
    }
  }
  return found;
}

/**
 * Returns what is wrong on a page whose components are elements: references to ids that stand in another shadow root.
 *
 * @param html with the shadow roots declared
 */
export function unreachableFindings(html: string, place: PlaceOfOffset): readonly Finding[] {
  const ids = new Map<string, (string | undefined)[]>();
  const references: { element: ParsedElement; name: string; id: string; root: string | undefined }[] = [];
  for (const [element, root] of inRoots(html))
    for (const { name, value: text } of element.attrs) {
      if (name === 'id' && text !== '') ids.set(text, [...(ids.get(text) ?? []), root]);
      const named = referring.has(name) ? text.split(/\s+/) : name === 'href' ? linkId(text) : [];
      for (const id of named) references.push({ element, name, id, root });
    }
  return references.flatMap(({ element, id, name, root }) => {
    const roots = ids.get(id) ?? [];
    if (roots.length === 0 || roots.includes(name === 'href' ? undefined : root)) return [];
    const [holder = root] = roots;
    const component = holder?.split(' ')[0] ?? '';
    const direction = roots[0] === undefined ? 'out of' : 'to an id in';
    const shown = name === 'href' ? `#${id}` : id;
    const what = `${name}="${shown}" of <${element.tagName}> points ${direction} <${component}>`;
    return [finding('id-unreachable', { what, component, why: '' }, at(element, place, name))];
  });
}

/**
 * The ids that stand twice in one root of a page whose components are elements: those of two shadow roots may be the same.
 *
 * @param html with the shadow roots declared
 */
export function doubledIds(html: string): ReadonlySet<string> {
  const known = new Set<string>();
  const doubled = new Set<string>();
  for (const [element, root] of inRoots(html)) {
    const id = attribute(element, 'id');
    if (id === undefined || id === '') continue;
    const key = `${root ?? ''} ${id}`;
    if (known.has(key)) doubled.add(id);
    known.add(key);
  }
  return doubled;
}

/** The elements of a page, each with the shadow root that it stands in: its host's tag and place; undefined for the page itself. */
function* inRoots(html: string): Generator<readonly [element: ParsedElement, root: string | undefined]> {
  // With a stack of its own: a document may be nested as deep as it is long.
  type Nodes = ParsedElement['childNodes'];
  const open: (readonly [node: Nodes[number], root: string | undefined])[] = [];
  const add = (nodes: Nodes, root: string | undefined): void => {
    for (const node of nodes.toReversed()) open.push([node, root]);
  };
  add(readDocument(html).childNodes as Nodes, undefined);
  for (let next = open.pop(); next; next = open.pop()) {
    const [element, root] = next;
    if (!('tagName' in element)) continue;
    yield [element, root];
    if (!('content' in element)) {
      add(element.childNodes, root);
      continue;
    }
    const { parentNode: host } = element;
    if (attribute(element, 'shadowrootmode') === undefined || !host || !('tagName' in host)) continue;
    // Hosts of one tag have a root each.
    const own = `${host.tagName} ${host.sourceCodeLocation?.startOffset}`;
    add((element.content as { readonly childNodes: Nodes }).childNodes, own);
  }
}

/** `#top` is the page's start and `#:~:` starts a text directive: neither needs an element. */
function linkId(href: string): string[] {
  if (!href.startsWith('#') || href === '#' || href.toLowerCase() === '#top' || href.startsWith('#:~:'))
    return [];
  const id = href.slice(1).replace(/:~:.*$/, '');
  try {
    return [decodeURIComponent(id)];
  } catch {
    return [id];
  }
}

function headingFindings(elements: readonly ParsedElement[], place: PlaceOfOffset): Finding[] {
  const found: Finding[] = [];
  let before = 0;
  for (const element of elements) {
    const level = Number(/^h([1-6])$/.exec(element.tagName)?.[1] ?? 0);
    if (level === 0) continue;
    if (level > before + 1) {
      const facts = {
        tag: element.tagName,
        after: before === 0 ? '' : `<h${before}>`,
        better: `<h${before + 1}>`,
      };
      found.push(finding('heading-skipped', facts, at(element, place)));
    }
    before = level;
  }
  return found;
}

function imageFinding(image: ParsedElement, place: PlaceOfOffset): Finding[] {
  if (attribute(image, 'alt') !== undefined) return [];
  const src = attribute(image, 'src') ?? '';
  return [
    finding('image-unnamed', { src: src.length > 60 ? `${src.slice(0, 59)}…` : src }, at(image, place)),
  ];
}
