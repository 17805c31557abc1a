import { dev, refuseCall } from '../../problem/index.js';
import { coreOf, type ExprOf } from '../expression/expr.js';
import { gotIn } from '../got.js';
import { brandNodes, nodeBrand, placeNow, type TemplateNode } from '../node.js';

/** Ready-made HTML, put in as it is. */
export class TrustedNode {
  declare readonly [nodeBrand]: true;
  declare readonly kind: 'trusted';
  readonly place = placeNow(trusted);
  readonly html: unknown;

  constructor(html: unknown) {
    this.html = html;
  }

  parts(): readonly unknown[] {
    return [this.html];
  }
}
brandNodes(TrustedNode, 'trusted');

/**
 * Puts in ready-made HTML as it is, unescaped: the only door for it. Whoever calls it vouches for the text.
 * In `script` and `style` elements it is the only content there is; there it may not hold the closing tag.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example trusted('<svg viewBox="0 0 8 8"><path d="M0 0h8v8z"></path></svg>')
 */
export function trusted(html: string | ExprOf<string>): TemplateNode {
  if (dev && typeof html !== 'string' && !coreOf(html))
    refuseCall(
      trusted,
      'trusted',
      `expects HTML as text, but received ${gotIn(html)}`,
      'Give it text that you vouch for, or an expression of it.',
    );
  return new TrustedNode(html);
}
