import type { UseNode } from '../component/index.js';
import { finding, printValue } from '../problem/index.js';
import { coreOf, isNode, type Report } from '../template/index.js';

const noProps = Object.freeze({});

/** A use as it can be planned: content in the place of its props is reported, and counts as no props. */
export function withProps(use: UseNode, report: Report): UseNode {
  const { component, props } = use;
  if (typeof props === 'object' && !Array.isArray(props) && !isNode(props)) return use;
  report(finding('props-misplaced', { component: component.name, got: nameOf(props) }));
  return Object.create(use, { props: { value: noProps } });
}

function nameOf(given: unknown): string {
  if (isNode(given)) {
    if (given.kind === 'use') return `a use of ${(given as unknown as UseNode).component.name}`;
    return given.kind === 'element' ? 'an element' : 'content';
  }
  return coreOf(given) ? 'an expression' : printValue(given);
}
