import { relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { CheckReport } from '../check.js';
import { packageInfo } from '../package-info.js';

/**
 * A check's report in the Static Analysis Results Interchange Format 2.1.0
 * (https://docs.oasis-open.org/sarif/sarif/v2.1.0/sarif-v2.1.0.html). Files are named from the folder at hand.
 */
export function sarifReport({ problems }: CheckReport): string {
  const codes = [...new Set(problems.map(({ code }) => code))].sort();
  const log = {
    $schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            ...packageDriver(),
            rules: codes.map((id) => ({ id })),
          },
        },
        columnKind: 'utf16CodeUnits',
        originalUriBaseIds: { ROOT: { uri: `${pathToFileURL(process.cwd()).href}/` } },
        results: problems.map((problem) => result(problem, codes.indexOf(problem.code))),
      },
    ],
  };
  return `${JSON.stringify(log, null, 2)}\n`;
}

function packageDriver(): object {
  const { name, version } = packageInfo();
  return { name, version };
}

function result({ code, severity, message, hint, where, source }: Problem, ruleIndex: number): object {
  return {
    ruleId: code,
    ruleIndex,
    level: severity,
    message: { text: `${message} ${hint}` },
    locations: [
      {
        ...(source && {
          physicalLocation: {
            artifactLocation: artifact(source.file),
            region: { startLine: source.line, startColumn: source.column },
          },
        }),
        ...(where !== '' && { logicalLocations: [{ fullyQualifiedName: where, kind: 'component' }] }),
      },
    ],
  };
}

function artifact(file: string): object {
  const from = relative('', file).replaceAll('\\', '/');
  if (from.startsWith('..')) return { uri: pathToFileURL(file).href };
  return { uri: encodeURI(from), uriBaseId: 'ROOT' };
}
