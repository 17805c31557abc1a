/**
 * Has an element's content become HTML text. Where it is the same elements with other attributes they stay, and with
 * them their state and what is focused; content that differs is made anew.
 */
export function become(parent: Element, html: string): void {
  const template = document.createElement('template');
  template.innerHTML = html;
  renew(parent, template.content);
}

function renew(now: Element, next: DocumentFragment | Element): void {
  const [before, after] = [[...now.childNodes], [...next.childNodes]];
  for (const [index, wanted] of after.entries()) {
    const found = before[index];
    if (found && isSame(found, wanted)) {
      if (found instanceof Element && wanted instanceof Element) {
        attributes(found, wanted);
        renew(found, wanted);
      } else if (found.nodeValue !== wanted.nodeValue) found.nodeValue = wanted.nodeValue;
    } else if (found) found.replaceWith(document.importNode(wanted, true));
    else now.append(document.importNode(wanted, true));
  }
  for (const extra of before.slice(after.length)) extra.remove();
}

function isSame(now: Node, wanted: Node): boolean {
  if (now.nodeName !== wanted.nodeName) return false;
  // What a template holds is not looked at where nodes are compared (https://dom.spec.whatwg.org/#concept-node-equals).
  if (now instanceof HTMLTemplateElement) return now.outerHTML === (wanted as HTMLTemplateElement).outerHTML;
  return !(now instanceof Element && wanted instanceof Element) || now.slot === wanted.slot;
}

function attributes(now: Element, wanted: Element): void {
  for (const { name } of [...now.attributes]) if (!wanted.hasAttribute(name)) now.removeAttribute(name);
  for (const { name, value } of wanted.attributes)
    if (now.getAttribute(name) !== value) now.setAttribute(name, value);
}
