import { type Diagnostic, DiagnosticSeverity, DiagnosticTag } from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import type { Problem } from 'zesty-lattice/internal/problem';

/** A problem as the protocol writes it; the word that it is about is marked. */
export function diagnostic(
  { code, hint, message, severity, source }: Problem,
  document: TextDocument,
): Diagnostic {
  const line = Math.max(0, (source?.line ?? 1) - 1);
  const start = { line, character: Math.max(0, (source?.column ?? 1) - 1) };
  const text = document.getText();
  const from = document.offsetAt(start);
  const length = /^<?\/?[\w$-]+/.exec(text.slice(from))?.[0].length ?? 1;
  return {
    range: { start, end: document.positionAt(from + length) },
    severity: severity === 'error' ? DiagnosticSeverity.Error : DiagnosticSeverity.Warning,
    code,
    source: 'lattice',
    ...(code === 'deprecated-used' && { tags: [DiagnosticTag.Deprecated] }),
    message: hint === '' ? message : `${message}\n${hint}`,
  };
}
