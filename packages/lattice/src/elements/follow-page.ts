/** What a module of a development server hears changes by. */
interface Hot {
  on(event: string, run: () => void): void;
}

/** Has a page follow what it was rendered of during development: what differs is replaced, elements stay as they are. */
export function followPage(hot: Hot | undefined): void {
  hot?.on('lattice:page', () => void follow().catch(() => location.reload()));
}

async function follow(): Promise<void> {
  const answer = await fetch(location.href, { headers: { accept: 'text/html' } });
  // What is wrong stands over the page.
  if (!answer.ok) return;
  const page = parsed(await answer.text());
  document.title = page.title;
  const [now, wanted] = [document, page].map((one) => [
    ...one.head.querySelectorAll(':scope > style:not([data-vite-dev-id])'),
  ]);
  if (now?.length !== wanted?.length) return location.reload();
  now?.forEach((style, at) => {
    followNode(style, wanted?.[at] as Element);
  });
  followChildren(document.body, page.body);
}

/** A page with the shadow roots that it declares, where the browser can read them. */
function parsed(html: string): Document {
  const { parseHTMLUnsafe } = Document as { parseHTMLUnsafe?(html: string): Document };
  return parseHTMLUnsafe
    ? Document.parseHTMLUnsafe(html)
    : new DOMParser().parseFromString(html, 'text/html');
}

/** The elements and texts that were written: no scripts, and nothing that a server for development shows over the page. */
function writtenNodes(parent: Node): readonly ChildNode[] {
  return [...parent.childNodes].filter(
    ({ nodeName, textContent, nodeType }) =>
      !/^(?:script|vite-error-overlay)$/i.test(nodeName) &&
      (nodeType === Node.ELEMENT_NODE || (nodeType === Node.TEXT_NODE && textContent?.trim() !== '')),
  );
}

/** What is alike at both ends stays; between, what is new takes the place of what was there. */
function followChildren(now: Element, wanted: Element): void {
  const nodes = writtenNodes(now);
  const others = writtenNodes(wanted);
  const most = Math.min(nodes.length, others.length);
  const isAlike = (at: number, other: number): boolean => nodes[at]?.nodeName === others[other]?.nodeName;
  let start = 0;
  while (start < most && isAlike(start, start)) start++;
  let end = 0;
  while (end < most - start && isAlike(nodes.length - 1 - end, others.length - 1 - end)) end++;
  const before = nodes[nodes.length - end] ?? null;
  for (const node of nodes.slice(start, nodes.length - end)) node.remove();
  for (const other of others.slice(start, others.length - end)) now.insertBefore(other, before);
  for (let at = 0; at < start; at++) followNode(nodes[at] as ChildNode, others[at] as ChildNode);
  for (let at = 1; at <= end; at++) followNode(nodes.at(-at) as ChildNode, others.at(-at) as ChildNode);
}

function followNode(node: ChildNode, wanted: ChildNode): void {
  if (node.nodeName !== wanted.nodeName) return node.replaceWith(wanted);
  if (!(node instanceof Element) || !(wanted instanceof Element)) {
    if (node.nodeValue !== wanted.nodeValue) node.nodeValue = wanted.nodeValue;
    return;
  }
  const isLive = customElements.get(node.localName) !== undefined;
  if (node.shadowRoot && !isLive) return node.replaceWith(wanted);
  for (const { name, value } of wanted.attributes)
    if (node.getAttribute(name) !== value) node.setAttribute(name, value);
  // An element may have attributes of its own.
  if (!isLive)
    for (const { name } of [...node.attributes]) if (!wanted.hasAttribute(name)) node.removeAttribute(name);
  followChildren(node, wanted);
}
