import type { CheckReport } from '../check.js';

/** A check's report as JSON: `{ files, components, problems, took }`, problems as every door gives them. */
export function jsonReport(report: CheckReport): string {
  return `${JSON.stringify(report, null, 2)}\n`;
}
