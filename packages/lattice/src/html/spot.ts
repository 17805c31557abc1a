import { planOnTheSpot } from '../plan/index.js';
import { Frame } from './frame.js';
import { lowerOnTheSpot } from './lower/index.js';
import type { Pass } from './pass.js';
import { closureRun } from './routine.js';

/**
 * Writes content that was built inline, for one rendering: it is planned and lowered as templates are. Only the
 * components it uses are kept.
 */
export function writeOnTheSpot(content: unknown, pass: Pass, ids: string): string {
  const { nodes } = planOnTheSpot(content, (found, site) => pass.reportAt(found, site));
  const run = closureRun(lowerOnTheSpot(nodes, pass.form, ids, pass.how, pass.isStrict));
  return run(new Frame(pass, undefined, undefined, ids), '');
}
