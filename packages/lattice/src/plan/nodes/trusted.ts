import { ExprCore, operand, rawTextElements, showsMarkup, type TrustedNode } from '../../template/index.js';
import type { PlanTrusted } from '../plan.js';
import { closesRawText, rawTextFault } from '../raw-text.js';
import type { PlannedKind } from './kind.js';

/** Ready-made HTML as it is. In a raw-text element it may not close the element. */
export const trusted: PlannedKind<TrustedNode, PlanTrusted> = {
  plan(node, at, planner) {
    const html = operand(node.html ?? '');
    const inside = rawTextElements.has(at.tag) ? at.tag : '';
    const isRefused =
      inside !== '' && html.op.op === 'literal' && closesRawText(inside, String(html.op.value));
    if (isRefused) planner.report(rawTextFault(inside));
    return { kind: 'trusted', html: isRefused ? operand('') : html, inside };
  },
  reads: ({ html }) => [html],
  blocks: () => [],
  filled({ html }) {
    if (html.op.op === 'literal') return showsMarkup(String(html.op.value));
    return new ExprCore({ op: 'something', of: html });
  },
};
