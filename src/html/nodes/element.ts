import type { PlanElement } from '../../plan/index.js';
import { finding } from '../../problem/index.js';
import { type Core, isChangingTag, lineEaters, voidElements } from '../../template/index.js';
import { apart } from '../apart.js';
import { boundText, writeAttributes } from '../attributes.js';
import { type At, between, writeBlock } from '../compiling.js';
import { escapeText } from '../escape.js';
import type { Output, Write } from '../output.js';

/** An element: its tag, its attributes in the order written, its content, its end. */
export function writeElement(node: PlanElement, to: Output, at: At): void {
  if (typeof node.tag !== 'string') return writeChanging(node, node.tag, to, at);
  const { tag } = node;
  to.text(`<${tag}`);
  writeAttributes(node, to, at);
  to.text('>');
  if (voidElements.has(tag)) return;
  writeContent(node, tag, to, at);
  to.text(`</${tag}>`);
}

function writeContent({ attributes, content }: PlanElement, tag: string, to: Output, at: At): void {
  const inside: At = { compiling: at.compiling, depth: at.depth, tag };
  if (!lineEaters.has(tag)) return writeBlock(content, to, inside);
  const bound = boundText(attributes);
  const { constant, write } = apart(to, (inner) => {
    writeBlock(content, inner, inside);
    if (bound) inner.dynamic((scope) => escapeText(String(bound.get(scope) ?? '')));
  });
  if (constant !== undefined) return to.text(keepLine(constant));
  to.dynamic((scope, pass) => keepLine(write(scope, pass)));
}

/** A parser drops the first line break of these elements, so one more is written before it. */
function keepLine(text: string): string {
  return text.startsWith('\n') ? `\n${text}` : text;
}

/** An element whose tag is known only at render time. */
function writeChanging(node: PlanElement, tag: Core, to: Output, at: At): void {
  const inside = { ...at, tag: '' };
  const start = apart(to, (inner) => writeAttributes(node, inner, inside));
  const content = apart(to, (inner) => writeBlock(node.content, inner, inside));
  const write: Write = (scope, pass) => {
    const name = tag.get(scope);
    if (!isChangingTag(name)) {
      const what = `The tag ${JSON.stringify(name)}`;
      const hint = 'Take the tag from a prop.tag([...]), which has a fixed set of elements.';
      pass.report(finding('content-not-allowed', { what, place: 'in el.of', hint }), scope);
      return '';
    }
    const opened = `<${name}${start.write(scope, pass)}>`;
    return voidElements.has(name) ? opened : `${opened}${content.write(scope, pass)}</${name}>`;
  };
  between(to, at, () => to.dynamic(write));
}
