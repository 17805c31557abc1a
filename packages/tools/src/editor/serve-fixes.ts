import { type CodeAction, CodeActionKind } from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { Catalogue } from '../reading/facts.js';
import { diagnostic } from './diagnostic.js';
import { listed } from './listing.js';
import { edited, isBetter, mendings } from './mending.js';
import { fileOf, OpenFiles } from './open-files.js';
import { regionAt } from './region.js';
import type { Served } from './served.js';
import type { TextEdit } from './text-edit.js';

interface ServedFixes extends Served {
  /** The problems of each open document. */
  readonly problems: ReadonlyMap<string, readonly Problem[]>;
}

/** Answers what fixes a problem: only what leaves the text better than it is. */
export function serveFixes({ connection, documents, problems, projects }: ServedFixes): void {
  connection.onCodeAction(async ({ range, textDocument: { uri } }): Promise<CodeAction[]> => {
    const document = documents.get(uri);
    const file = fileOf(uri);
    const project = projects.of(file);
    if (!document || !project) return [];
    const open = new OpenFiles(documents);
    const text = document.getText();
    const known = problems.get(uri) ?? [];
    const actions: CodeAction[] = [];
    for (const problem of known) {
      const shown = diagnostic(problem, document);
      if (shown.range.end.line < range.start.line || shown.range.start.line > range.end.line) continue;
      const at = document.offsetAt(shown.range.start);
      const offer = (title: string, changed: string, edits: readonly TextEdit[]): void => {
        actions.push({
          title,
          kind: CodeActionKind.QuickFix,
          diagnostics: [shown],
          edit: { changes: Object.fromEntries([open.changes(changed, edits)]) },
        });
      };
      for (const { edits, title } of mendings(problem, text, at)) {
        const after = await project.reading.problemsIn(file, edited(text, edits)).catch(() => known);
        if (isBetter(known, after)) offer(title, file, edits);
      }
      const used =
        problem.code === 'component-unknown' ? listing(document, at, project.catalogue, open) : undefined;
      if (used) offer(used.title, used.file, used.edits);
    }
    return actions;
  });
}

interface Listing {
  readonly title: string;
  readonly file: string;
  readonly edits: readonly TextEdit[];
}

/** How to list the component whose tag stands at a place in the `uses` of the one whose template that is. */
function listing(
  document: TextDocument,
  at: number,
  catalogue: Catalogue,
  files: OpenFiles,
): Listing | undefined {
  const region = regionAt(document.getText(), at, fileOf(document.uri), catalogue);
  const tag = /^<([\w.-]+)/.exec(document.getText().slice(at))?.[1];
  const used = catalogue.components.find(({ name }) => name === tag);
  if (!region?.owner || !used || region.owner.text.uses.includes(used.name)) return undefined;
  const { file, name } = region.owner;
  const text = files.text(file);
  const edits = text === undefined ? [] : listed(text, region.owner, used);
  return edits.length === 0
    ? undefined
    : { title: `List ${used.exportName} in uses of ${name}`, file, edits };
}
