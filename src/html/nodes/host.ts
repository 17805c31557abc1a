import { attributeOf, type ComponentCore } from '../../component/index.js';
import {
  fillsWithData,
  hostContent,
  isInteractive,
  type PlanAttribute,
  type PlanFill,
  type PlanUse,
} from '../../plan/index.js';
import type { Scope } from '../../template/index.js';
import { apart } from '../apart.js';
import { type At, type Compiling, writeNodes } from '../compiling.js';
import { escapeAttribute } from '../escape.js';
import type { Output, Values } from '../output.js';
import type { Pass } from '../pass.js';
import { withShared } from '../provide.js';
import { refuseAsElement } from '../refuse.js';
import { scopeOf } from '../scopes.js';
import { shadowSheet } from '../styles.js';
import { fillTest, htmlFill } from './slot.js';

/** A use that stays an element: its props as attributes, its shadow root declared, its content as its children. */
export function writeHost(node: PlanUse, to: Output, at: At, values: Values): void {
  const { component, site } = node;
  const { compiling, depth } = at;
  refuseAsElement(component);
  const content = apart(to, (inner) => writeNodes(hostContent(node), inner, { ...at, tag: '' }));
  const fills = node.fills.map((fill: PlanFill | undefined) => {
    if (fill?.data !== undefined) return htmlFill(fill, compiling, depth);
    return fill && fillTest(fill.block.filled, undefined);
  });
  const { styled } = compiling.compiler.program(component, 'shadow');
  const inRoot = component.styles === '' ? styled : new Set([...styled, component]);
  const style = styleOf(component, styled);
  const isFilledHere = fillsWithData(node);
  to.dynamic((scope, pass) => {
    if (compiling.component === undefined && pass.problems.length > 0) return '';
    const shadow = scopeOf(component, values(scope, pass), fills, scope, site, ['']);
    return withShared(component, shadow, pass, () => hostHtml(shadow, scope, pass));
  });

  function isNotIt(other: ComponentCore): boolean {
    return other !== component;
  }

  /** An element with a declarative shadow root (https://html.spec.whatwg.org/#attr-template-shadowrootmode). */
  function hostHtml(shadow: Scope, scope: Scope, pass: Pass): string {
    const { name } = component;
    const start = `<${name}${propAttributes(component, shadow.props)}${ownAttributes(node.own)}${node.host}>`;
    const around = pass.inRoot;
    const given = isFilledHere ? lentTo(node, compiling, pass) : [];
    pass.inRoot = given.length === 0 ? inRoot : new Set([...inRoot, ...given]);
    const root = compiling.compiler.program(component, 'shadow').write(shadow, pass);
    pass.inRoot = around;
    const rules =
      given.length === 0 ? style : styleOf(component, new Set([...styled, ...given].filter(isNotIt)));
    return `${start}<template shadowrootmode="open">${rules}${root}</template>${content.write(scope, pass)}</${name}>`;
  }
}

/** The components with rules whose elements may be in what a use gives to slots that hand data. */
function lentTo(node: PlanUse, { compiler, component }: Compiling, pass: Pass): readonly ComponentCore[] {
  const around = [...(pass.inRoot ?? pass.styled ?? [])];
  if (component) return around;
  const used = node.fills.flatMap((fill) => fill?.block.uses ?? []);
  return [
    ...around,
    ...used
      .filter((use) => !isInteractive(use.component))
      .flatMap((use) => [...compiler.program(use.component, 'inside').styled]),
  ];
}

function styleOf(component: ComponentCore, others: Iterable<ComponentCore>): string {
  const css = shadowSheet(component, others);
  return css === '' ? '' : `<style data-rules>${css}</style>`;
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
