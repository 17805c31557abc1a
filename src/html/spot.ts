import { planOnTheSpot } from '../plan/index.js';
import type { Scope } from '../template/index.js';
import { compiler, onTheSpot } from './compiler.js';
import { Direct } from './output.js';
import type { Pass } from './pass.js';

/**
 * Writes content that was built on the spot, for one rendering: it is planned as templates are, and written as it is
 * compiled. Only the components it uses are kept.
 */
export function writeOnTheSpot(content: unknown, scope: Scope, pass: Pass): string {
  const { nodes } = planOnTheSpot(content, (found, site) => pass.reportAt(found, site));
  const to = new Direct(scope, pass);
  compiler.nodes(nodes, to, { compiling: onTheSpot[pass.form], depth: 0, tag: '' });
  return to.html;
}
