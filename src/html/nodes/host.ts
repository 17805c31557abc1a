import { attributeOf, type ComponentCore } from '../../component/index.js';
import { hostContent, type PlanAttribute, type PlanFill, type PlanUse } from '../../plan/index.js';
import type { Scope } from '../../template/index.js';
import { apart } from '../apart.js';
import { type At, writeNodes } from '../compiling.js';
import { escapeAttribute } from '../escape.js';
import type { Output } from '../output.js';
import type { Pass } from '../pass.js';
import { withShared } from '../provide.js';
import { refuseRepeated } from '../refuse.js';
import { scopeOf } from '../scopes.js';
import { shadowSheet } from '../styles.js';
import { fillTest, htmlFill } from './slot.js';
import type { Values } from './use.js';

/** A use that stays an element: its props as attributes, its shadow root declared, its content as its children. */
export function writeHost(node: PlanUse, to: Output, at: At, values: Values): void {
  const { component, site } = node;
  const { compiling, depth } = at;
  refuseRepeated(component);
  const content = apart(to, (inner) => writeNodes(hostContent(node), inner, { ...at, tag: '' }));
  const fills = node.fills.map((fill: PlanFill | undefined) => {
    if (fill?.data !== undefined) return htmlFill(fill, compiling, depth);
    return fill && fillTest(fill.block.filled, undefined);
  });
  const css = shadowSheet(component, compiling.compiler.program(component, 'shadow').styled);
  const style = css === '' ? '' : `<style>${css}</style>`;
  to.dynamic((scope, pass) => {
    if (compiling.component === undefined && pass.problems.length > 0) return '';
    const shadow = scopeOf(component, values(scope, pass), fills, scope, site, ['']);
    return withShared(component, shadow, pass, () => hostHtml(shadow, scope, pass));
  });

  /** An element with a declarative shadow root (https://html.spec.whatwg.org/#attr-template-shadowrootmode). */
  function hostHtml(shadow: Scope, scope: Scope, pass: Pass): string {
    const { name } = component;
    const start = `<${name}${propAttributes(component, shadow.props)}${ownAttributes(node.own)}${node.host}>`;
    const root = compiling.compiler.program(component, 'shadow').write(shadow, pass);
    return `${start}<template shadowrootmode="open">${style}${root}</template>${content.write(scope, pass)}</${name}>`;
  }
}

/** Prop values as attributes; those that are at their fallback need none. */
function propAttributes(component: ComponentCore, values: readonly unknown[]): string {
  let text = '';
  for (const [index, kind] of component.props.kinds.entries()) {
    const value = values[index];
    if (value === undefined || value === kind.settings.fallbackValue) continue;
    const written = kind.rules.write(value);
    if (written === null) continue;
    const name = attributeOf(component.props.names[index] as string);
    text += written === '' ? ` ${name}` : ` ${name}="${escapeAttribute(written)}"`;
  }
  return text;
}

function ownAttributes(own: readonly PlanAttribute[]): string {
  return own
    .map((one) =>
      one.kind === 'fixed' && typeof one.text === 'string'
        ? ` ${one.name}="${escapeAttribute(one.text)}"`
        : '',
    )
    .join('');
}
